import { format, isSameDay, isSameYear } from 'date-fns';
import { benchNow } from '../data/clock.ts';

const dateOf = (epochMinutes: number) => new Date(epochMinutes * 60000);

/** "20:10" today, "Sat 09:00" within a week, "Sat 5 Dec 09:00" beyond. */
export function whenText(epochMinutes: number): string {
  const date = dateOf(epochMinutes);
  const now = new Date(benchNow());
  if (isSameDay(date, now)) return format(date, 'HH:mm');
  const days = Math.abs(date.getTime() - now.getTime()) / 86_400_000;
  return format(date, days < 6 ? 'EEE HH:mm' : 'EEE d MMM HH:mm');
}

/** "Sat 5 Dec", with the year where it is another. */
export function dayText(epochMinutes: number): string {
  const date = dateOf(epochMinutes);
  return format(date, isSameYear(date, new Date(benchNow())) ? 'EEE d MMM' : 'EEE d MMM yyyy');
}

export function clockText(epochMinutes: number): string {
  return format(dateOf(epochMinutes), 'HH:mm');
}
