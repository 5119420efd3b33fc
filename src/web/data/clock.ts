import type { Clock, DateOrder, Preferences } from '../../api/index.ts';

/** Difference between the bench's clock and this machine's, ms; set by every snapshot of the bench. */
let offset = 0;

export function setBenchClock(now: number): void {
  offset = now - Date.now();
}

/** The bench's clock: milliseconds since 1970. */
export function benchNow(): number {
  return Date.now() + offset;
}

/** The bench's clock: whole minutes since 1970. */
export function benchMinute(): number {
  return Math.floor(benchNow() / 60000);
}

/** How the builder writes days and times of day; set with the settings of the bench. */
let order: DateOrder = 'day-month';
let clock: Clock = '24-hour';

export const dateOrder = (): DateOrder => order;
export const clockKind = (): Clock => clock;

export function setDateOrder(next: DateOrder = 'day-month'): void {
  order = next;
}

export function setClock(next: Clock = '24-hour'): void {
  clock = next;
}

export function setWriting(preferences: Preferences): void {
  setDateOrder(preferences.dates);
  setClock(preferences.clock);
}
