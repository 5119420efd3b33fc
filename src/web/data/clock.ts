/** Difference between the bench's clock and this machine's, ms; set by every snapshot of the bench. */
let offset = 0;

export function setBenchClock(now: number): void {
  offset = now - Date.now();
}

/** The bench's clock: milliseconds since 1970. */
export function benchNow(): number {
  return Date.now() + offset;
}
