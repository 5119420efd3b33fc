import type { DateOrder } from '../../api/index.ts';

/** Difference between the bench's clock and this machine's, ms; set by every snapshot of the bench. */
let offset = 0;

export function setBenchClock(now: number): void {
  offset = now - Date.now();
}

/** The bench's clock: milliseconds since 1970. */
export function benchNow(): number {
  return Date.now() + offset;
}

/** In which order the builder writes days; set with the settings of the bench. */
let order: DateOrder = 'day-month';

export const dateOrder = (): DateOrder => order;

export function setDateOrder(next: DateOrder = 'day-month'): void {
  order = next;
}
