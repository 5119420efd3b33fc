/** A steered wheel in plan, straight ahead; mm on the model. */
export interface SteeredWheel {
  /** Of the tyre, to its tread. */
  radiusMm: number;
  widthMm: number;
  /** How far inboard of the wheel's middle its pivot lies. */
  pivotMm: number;
  /** From the tyre's outer face to the wing; null where nothing stands there, as in an opening longer than the tyre. */
  outerGapMm: number | null;
  /** From its inner face to frame, spring or inner arch; null where nothing is near. */
  innerGapMm: number | null;
}

export interface SteeringRoom {
  /** Most that it can turn either way before it touches, degrees. */
  degrees: number;
  /** What it touches first; null where nothing stops it. */
  touches: 'outside' | 'inside' | null;
}

/** No model steers further. */
const MOST_DEG = 60;

/** How far a wheel turns before a corner of its tyre touches: the tyre as a rectangle about its pivot. The leading outer corner
 *  swings out, the trailing inner one in. Throws RangeError for sizes that cannot be. */
export function steeringRoom({
  radiusMm,
  widthMm,
  pivotMm,
  outerGapMm,
  innerGapMm,
}: SteeredWheel): SteeringRoom {
  if (!(radiusMm > 0) || !(widthMm > 0)) throw new RangeError('A tyre has a radius and a width above 0 mm.');
  if (!Number.isFinite(pivotMm)) throw new RangeError('Say how far its pivot lies from its middle, in mm.');
  for (const gap of [outerGapMm, innerGapMm])
    if (gap !== null && !(gap >= 0)) throw new RangeError('It touches already: a gap cannot be below 0 mm.');
  const half = widthMm / 2;
  const outward = (turn: number) =>
    radiusMm * Math.sin(turn) + (half + pivotMm) * Math.cos(turn) - (half + pivotMm);
  const inward = (turn: number) =>
    radiusMm * Math.sin(turn) + (half - pivotMm) * Math.cos(turn) - (half - pivotMm);
  const outside = outerGapMm === null ? MOST_DEG : firstAt(outward, outerGapMm);
  const inside = innerGapMm === null ? MOST_DEG : firstAt(inward, innerGapMm);
  const degrees = Math.min(outside, inside);
  if (degrees >= MOST_DEG) return { degrees: MOST_DEG, touches: null };
  return { degrees, touches: outside <= inside ? 'outside' : 'inside' };
}

/** The least turn, degrees, at which a corner has moved by a gap; it moves on until the tyre's diagonal points there. */
function firstAt(moved: (turn: number) => number, gapMm: number): number {
  const radians = (degrees: number) => (degrees * Math.PI) / 180;
  // Up to there the corner moves one way only, or back first: the first degree at which it is there is looked for in steps.
  let low = 0;
  for (let high = 0.5; high <= MOST_DEG; high += 0.5) {
    if (moved(radians(high)) < gapMm) {
      low = high;
      continue;
    }
    let top = high;
    for (let round = 0; round < 40; round++) {
      const middle = (low + top) / 2;
      if (moved(radians(middle)) < gapMm) low = middle;
      else top = middle;
    }
    return top;
  }
  return MOST_DEG;
}
