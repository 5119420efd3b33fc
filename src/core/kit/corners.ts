import { steeringRoom, type SteeringRoom } from '../detail/index.ts';
import type { Corner } from './records/index.ts';

/** Wheels of one axle that differ by less stand alike, mm. */
const LEVEL_MM = 0.1;

/** Height of the axle above the ground at a corner, mm; undefined where the tyre was not measured. */
export const standsAt = ({ radiusMm, flatMm }: Corner): number | undefined =>
  radiusMm === null ? undefined : radiusMm - flatMm;

/** Axles whose two sides stand at two heights: a shim under the spring would hide what is wrong with a wheel. */
export function unevenAxles(corners: readonly Corner[]): { lower: Corner; higher: Corner; byMm: number }[] {
  const axles = [...new Set(corners.map(({ axle }) => axle))].sort((p, q) => p - q);
  return axles.flatMap((axle) => {
    const at = (side: Corner['side']) =>
      corners.find((each) => each.axle === axle && each.side === side && standsAt(each) !== undefined);
    const [left, right] = [at('left'), at('right')];
    if (!left || !right) return [];
    const byMm = standsAt(left)! - standsAt(right)!;
    if (Math.abs(byMm) <= LEVEL_MM) return [];
    const [lower, higher] = byMm < 0 ? [left, right] : [right, left];
    return [{ lower, higher, byMm: Math.abs(byMm) }];
  });
}

/** How far a corner steers; undefined where it does not, or its radius is not known. Throws RangeError for sizes that cannot be. */
export function steeringOf(corner: Corner): SteeringRoom | undefined {
  const { steers, radiusMm, widthMm, pivotMm, outerGapMm, innerGapMm } = corner;
  if (!steers || radiusMm === null) return undefined;
  return steeringRoom({ radiusMm, widthMm, pivotMm, outerGapMm, innerGapMm });
}

/** Below this a steered wheel is hardly seen to be turned, degrees. */
export const HARDLY_STEERED = 12;
