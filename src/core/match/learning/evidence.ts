import type { Drops } from './cup.ts';

/** So many readings tell all that is worth waiting for: more of the same paints narrow nothing that can be seen, and
 *  the fit would take longer with every spoon. */
const MOST_EVIDENCE = 24;

/** Paints that readings tie together with the given ones, and all readings that have any of them: what must be
 *  fitted in one go. The newest `most` readings count. */
export function evidenceFor<R extends { drops: Drops }>(
  paintIds: readonly string[],
  readings: readonly R[],
  most = MOST_EVIDENCE,
): { paintIds: string[]; readings: R[] } {
  const tied = new Set(paintIds);
  for (let size = -1; size < tied.size;) {
    size = tied.size;
    for (const { drops } of readings) {
      const ids = Object.keys(drops);
      if (ids.some((id) => tied.has(id))) for (const id of ids) tied.add(id);
    }
  }
  return {
    paintIds: [...tied],
    readings: readings.filter(({ drops }) => Object.keys(drops).some((id) => tied.has(id))).slice(-most),
  };
}
