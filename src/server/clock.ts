/** The clock of the bench in milliseconds since 1970: the machine's own, or one that starts at a given moment
 *  and runs on from there (for demonstrations and tests). Throws RangeError for a moment that cannot be read. */
export function benchClock(startsAt?: string): () => number {
  if (startsAt === undefined || startsAt === '') return Date.now;
  const start = Date.parse(startsAt);
  if (Number.isNaN(start))
    throw new RangeError(`FANFARE_CLOCK must be a date and time like 2026-03-04T18:30, not "${startsAt}".`);
  const began = Date.now();
  return () => start + Date.now() - began;
}
