import { bare, figure } from '../../figures.ts';
import { ciede2000, describeDifference, type Lab } from '../../colour/index.ts';

export interface SpoonVerdict {
  /** dE00 of the spoon from the target, and in words what it is: "a touch light and green". */
  dE00: number;
  words: string;
  /** Half-width of what the reading and the target leave open, dE00 at about 90 %. */
  doubt: number;
  /** True where another addition would chase the doubt and not the colour. */
  stop: boolean;
  reason: string;
}

/** Below this no eye at arm's length sees a difference on a model, dE00. Working value. */
export const GOOD_ENOUGH = 0.6;

/** How far a sprayed spoon is off and whether to go on. `readingSpread`: dE00 between repeated readings;
 *  `nextDoubt`: half-width of the band of the best addition, if there is one. */
export function judgeSpoon(
  spoon: Lab,
  target: { lab: Lab; uncertainty: number },
  readingSpread: number,
  next?: { dE00: number; low: number; high: number },
): SpoonVerdict {
  const dE00 = ciede2000(target.lab, spoon);
  const words = describeDifference(spoon, target.lab);
  const doubt = Math.hypot(target.uncertainty, readingSpread);
  const verdict = (stop: boolean, reason: string) => ({ dE00, words, doubt, stop, reason });
  if (dE00 <= GOOD_ENOUGH) return verdict(true, 'This is as near as an eye can tell at arm’s length.');
  if (dE00 <= doubt) {
    return verdict(
      true,
      `The target itself is known only to ±${figure(doubt, 'dE')}: another drop would chase that, not the colour.`,
    );
  }
  if (next && next.high >= dE00 && next.dE00 > dE00 - 0.3) {
    return verdict(
      true,
      `The best addition promises ${figure(next.dE00, 'dE')} but may end anywhere up to ${bare(next.high, 'dE')}: its band is larger than the error.`,
    );
  }
  return verdict(false, next ? '' : 'No addition within the limits brings it nearer.');
}
