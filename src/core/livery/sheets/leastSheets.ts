import type { Piece } from './maximalRectangles.ts';

/** A dual feasible function of a side as a share of the sheet's: whatever sides fit beside each other, the values of them
 *  add up to 1 at most. */
type DualFeasible = (share: number) => number;

const EPSILON = 1e-9;
const MOST_THRESHOLDS = 24;
const FOLDS = [1, 2, 3, 4, 5];

const identity: DualFeasible = (share) => share;

/** What is longer than all but a threshold fills the sheet; what is shorter than the threshold counts nothing. */
const above =
  (threshold: number): DualFeasible =>
  (share) =>
    share > 1 - threshold + EPSILON ? 1 : share < threshold - EPSILON ? 0 : share;

/** Rounds to how many of it would go beside each other. */
const folded =
  (folds: number): DualFeasible =>
  (share) => {
    const many = share * (folds + 1);
    return Math.abs(many - Math.round(many)) < EPSILON ? share : Math.floor(many) / folds;
  };

/** Functions for the sides that are there: the thresholds that matter are the sides up to a half. */
function functionsFor(shares: readonly number[]): DualFeasible[] {
  const halves = [...new Set(shares.map((share) => Math.min(share, 1 - share)))]
    .filter((share) => share > EPSILON && share <= 0.5)
    .sort((p, q) => p - q);
  const step = Math.max(1, Math.ceil(halves.length / MOST_THRESHOLDS));
  const thresholds = halves.filter((_, at) => at % step === 0);
  return [identity, ...FOLDS.map(folded), ...[...new Set([...thresholds, 0.5])].map(above)];
}

/** A number of sheets that no packing beats: the largest that a pair of dual feasible functions proves, one for widths and
 *  one for heights (Fekete and Schepers 2004). What may be turned counts the way that is the less. */
export function leastSheetsFor(room: { width: number; height: number }, pieces: readonly Piece[]): number {
  const kinds = new Map<string, { piece: Piece; count: number }>();
  for (const piece of pieces) {
    const key = `${piece.width} ${piece.height} ${piece.upright} ${piece.onSide}`;
    const kind = kinds.get(key) ?? { piece, count: 0 };
    kind.count++;
    kinds.set(key, kind);
  }
  const ways = [...kinds.values()].map(({ piece: { width, height, upright, onSide }, count }) => ({
    count,
    lying: [
      ...(upright ? [[width / room.width, height / room.height] as const] : []),
      ...(onSide ? [[height / room.width, width / room.height] as const] : []),
    ],
  }));
  const sides = (at: 0 | 1) => ways.flatMap(({ lying }) => lying.map((share) => Math.min(1, share[at])));
  const [across, up] = [functionsFor(sides(0)), functionsFor(sides(1))];
  let least = 1;
  for (const f of across)
    for (const g of up) {
      let sum = 0;
      for (const { count, lying } of ways) {
        let value = Infinity;
        for (const [width, height] of lying)
          value = Math.min(value, f(Math.min(1, width)) * g(Math.min(1, height)));
        sum += count * value;
      }
      least = Math.max(least, Math.ceil(sum - 1e-6));
    }
  return least;
}
