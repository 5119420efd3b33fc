import { format, isSameDay, isSameYear, parseISO } from 'date-fns';
import { benchNow, clockKind, dateOrder } from '../data/clock.ts';
import type { Clock, DateOrder } from '../../api/index.ts';

const dateOf = (epochMinutes: number) => new Date(epochMinutes * 60000);

/** How days are written in each order: within the year, in another year, and in a field. */
export const DAYS: Readonly<Record<DateOrder, { near: string; far: string; field: string }>> = {
  'day-month': { near: 'd MMM', far: 'd MMM yyyy', field: 'D MMM YYYY' },
  'month-day': { near: 'MMM d', far: 'MMM d, yyyy', field: 'MMM D, YYYY' },
  iso: { near: 'yyyy-MM-dd', far: 'yyyy-MM-dd', field: 'YYYY-MM-DD' },
};

/** How times of day are written on each clock. */
const TIMES: Readonly<Record<Clock, string>> = { '24-hour': 'HH:mm', '12-hour': 'h:mm aaa' };

/** The pattern of a day in a date field, as the builder writes days. */
export const fieldPattern = (): string => DAYS[dateOrder()].field;

/** "5 Dec", with the year where it is another. */
export function shortDay(epochMinutes: number): string {
  const date = dateOf(epochMinutes);
  const { near, far } = DAYS[dateOrder()];
  return format(date, isSameYear(date, new Date(benchNow())) ? near : far);
}

/** "Sat 5 Dec", with the year where it is another. */
export const dayText = (epochMinutes: number): string =>
  `${format(dateOf(epochMinutes), 'EEE')} ${shortDay(epochMinutes)}`;

/** The same of a day as it is stored, like "2026-05-12". */
export const storedDay = (day: string): string => dayText(parseISO(day).getTime() / 60000);

/** "20:10" today, "Sat 09:00" within a week, "Sat 5 Dec 09:00" beyond. */
export function whenText(epochMinutes: number): string {
  const date = dateOf(epochMinutes);
  const now = new Date(benchNow());
  if (isSameDay(date, now)) return clockText(epochMinutes);
  const days = Math.abs(date.getTime() - now.getTime()) / 86_400_000;
  return days < 6 ? `${format(date, 'EEE')} ${clockText(epochMinutes)}` : fullText(epochMinutes);
}

/** "Sat 5 Dec 09:00". */
export const fullText = (epochMinutes: number): string =>
  `${dayText(epochMinutes)} ${clockText(epochMinutes)}`;

export const clockText = (epochMinutes: number): string => format(dateOf(epochMinutes), TIMES[clockKind()]);

/** The day of a moment as it is stored, and its minute of that day. */
export const dayOf = (epochMinutes: number): string => format(dateOf(epochMinutes), 'yyyy-MM-dd');
export const minuteOfDay = (epochMinutes: number): number =>
  dateOf(epochMinutes).getHours() * 60 + dateOf(epochMinutes).getMinutes();

/** The moment at a minute of a stored day, minutes since 1970; clocks put forward or back are heeded. */
export const momentOf = (day: string, minute: number): number =>
  parseISO(day).setHours(Math.floor(minute / 60), minute % 60) / 60000;

/** "19:30" or "7:30 pm" of a minute of the day. */
export const clockOf = (minute: number): string =>
  format(new Date(2000, 0, 1, Math.floor(minute / 60) % 24, minute % 60), TIMES[clockKind()]);

/** The minute of the day that was typed, as 19:30, 19.30, 1930, 7, 7:30 pm or 7p; null for what is no time. */
export function typedClock(text: string): number | null {
  const [, digits, minutes = '0', half] =
    /^(\d{1,2})(?:[:.\s]?(\d{2}))?\s*(?:([ap])\.?(?:m\.?)?)?$/i.exec(text.trim()) ?? [];
  if (digits === undefined || Number(minutes) > 59) return null;
  const hours = Number(digits);
  if (half === undefined) return hours > 23 ? null : hours * 60 + Number(minutes);
  if (hours < 1 || hours > 12) return null;
  return ((hours % 12) + (half.toLowerCase() === 'p' ? 12 : 0)) * 60 + Number(minutes);
}
