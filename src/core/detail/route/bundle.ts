/** Least circle round n equal ones, in their diameters: the packings that are proved best. */
const ROUND_EQUAL = [0, 1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.8131];
/** What wires that lie as they fall fill of the circle round them. */
const FILLS = 0.7;

/** How thick a bundle of wires is, mm: by the closest packing where up to ten are alike, else as loose wires fill a circle. Throws
 *  RangeError without a wire, or for one that is not above zero. */
export function bundleMm(wiresMm: readonly number[]): number {
  if (wiresMm.length === 0 || wiresMm.some((mm) => !(mm > 0)))
    throw new RangeError('A bundle needs wires, each thicker than 0.');
  const most = Math.max(...wiresMm);
  const equal = wiresMm.every((mm) => most - mm < 1e-9) ? ROUND_EQUAL[wiresMm.length] : undefined;
  if (equal !== undefined) return equal * most;
  const area = wiresMm.reduce((sum, mm) => sum + mm * mm, 0);
  // Never thinner than its two thickest side by side, and of two no thicker.
  const pair = most + [...wiresMm].sort((p, q) => q - p)[1]!;
  return wiresMm.length === 2 ? pair : Math.max(pair, Math.sqrt(area / FILLS));
}

/** A braid made as the model can: three strands twisted to a diameter, mm, and how much longer each is than the braid. */
export function twistFor(mm: number): { strandMm: number; times: number } {
  if (!(mm > 0)) throw new RangeError(`${mm} mm is no diameter: give more than 0.`);
  const strandMm = mm / ROUND_EQUAL[3]!;
  // One turn in four diameters looks woven: a strand winds about the middle at the distance of its own.
  const [turn, round] = [4 * mm, Math.PI * (mm - strandMm)];
  return { strandMm, times: Math.hypot(turn, round) / turn };
}
