import type { PaneFlaws } from '../choices.ts';

/** Grades in order, and the minutes for a pane of 10 cm2. Working values. */
export const PANE_POLISH: Readonly<Record<PaneFlaws, { grades: readonly string[]; minutes: number }>> = {
  none: { grades: [], minutes: 0 },
  hazy: { grades: ['4000 wet', 'fine polish', 'a soft cloth'], minutes: 5 },
  scratched: { grades: ['1500 wet', '2500', '4000', 'fine polish', 'a soft cloth'], minutes: 12 },
};

/** A pane so many times too thick is seen to be, at its edge. */
const SEEN_TIMES = 2;

/** How much thicker than the real glass a pane is at a scale of 1 to `scale`. Throws RangeError for a thickness that is not above
 *  zero. */
export function glassGauge(
  gaugeMm: number,
  realMm: number,
  scale: number,
): { times: number; isSeen: boolean; trueMm: number } {
  for (const value of [gaugeMm, realMm, scale])
    if (!(value > 0)) throw new RangeError(`${value} is no thickness: give more than 0.`);
  const trueMm = realMm / scale;
  return { trueMm, times: gaugeMm / trueMm, isSeen: gaugeMm / trueMm > SEEN_TIMES };
}
