import type { PartBox } from './records/index.ts';
import { boxOf } from './runs/runRoute.ts';

/** Room between two parts as they are said to sit, mm; 0 where they touch or overlap. */
export function boxGapMm(one: PartBox, other: PartBox): number {
  const [a, b] = [boxOf(one), boxOf(other)];
  const apart = ([0, 1, 2] as const).map((axis) =>
    Math.max(0, a.min[axis] - b.max[axis], b.min[axis] - a.max[axis]),
  );
  return Math.hypot(...apart);
}
