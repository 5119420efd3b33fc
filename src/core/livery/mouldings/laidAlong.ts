import type { LiveryArea } from '../../kit/index.ts';
import type { Point, Ring } from '../geometry/readOutline.ts';
import { shapeOf } from '../shapes.ts';
import { ringsPath } from '../geometry/writePath.ts';
import { nearestOn } from './mouldedLines.ts';

/** How near an edge must be to a line to be laid along it, mm. */
export const REACH_MM = 1.5;
/** An edge is looked at in pieces of this, mm. */
const STEP_MM = 0.5;
/** A line that leaves a straight edge by more than this is not meant by it, mm. */
const STRAIGHT_MM = 0.4;
/** Least length of a line that a straight edge is laid along, mm. */
const LEAST_MM = 3;

/** An area whose edges near moulded lines are laid along them. A band, stripes, a rectangle keep their figures and are moved;
 *  the edge of a path takes the course of the line. Undefined where no line is within reach. */
export function laidAlong(
  area: LiveryArea,
  lines: readonly { points: readonly Point[] }[],
): LiveryArea | undefined {
  if (area.shape === 'path') {
    const near = nearestOn(lines, REACH_MM);
    let moved = 0;
    const rings = shapeOf(area).rings.map((ring) =>
      inSteps(ring).map((point) => {
        const on = near(point);
        if (on && Math.hypot(on[0] - point[0], on[1] - point[1]) > 0.005) moved++;
        return on ?? point;
      }),
    );
    return moved > 0 ? { ...area, path: ringsPath(rings.map(withoutStraight), 2) } : undefined;
  }
  if (area.shape === 'ellipse' || area.shape === 'scallops') return undefined;
  const shift = leastShift(area, lines);
  return shift ? { ...area, x: hundredth(area.x + shift[0]), y: hundredth(area.y + shift[1]) } : undefined;
}

const hundredth = (mm: number) => Math.round(mm * 100) / 100;

function inSteps(ring: Ring): Point[] {
  return ring.flatMap((from, at) => {
    const to = ring[(at + 1) % ring.length]!;
    const steps = Math.max(1, Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]) / STEP_MM));
    return Array.from({ length: steps }, (_, step): Point => {
      const t = step / steps;
      return [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
    });
  });
}

/** A ring without the points that lie on the straight line between their neighbours. */
function withoutStraight(ring: readonly Point[]): Point[] {
  const kept: Point[] = [];
  ring.forEach((point, at) => {
    const before = kept.at(-1) ?? ring.at(-1)!;
    const after = ring[(at + 1) % ring.length]!;
    const [dx, dy] = [after[0] - before[0], after[1] - before[1]];
    const length = Math.hypot(dx, dy);
    const beside =
      length > 0 ? Math.abs((point[0] - before[0]) * dy - (point[1] - before[1]) * dx) / length : 1;
    const ahead = (point[0] - before[0]) * dx + (point[1] - before[1]) * dy;
    if (beside > 1e-3 || ahead < 0 || ahead > length * length) kept.push(point);
  });
  return kept.length >= 3 ? kept : [...ring];
}

/** Least way by which one of the straight edges of an area comes to lie along a line that runs as it does. */
function leastShift(area: LiveryArea, lines: readonly { points: readonly Point[] }[]): Point | undefined {
  let best: { shift: Point; by: number } | undefined;
  for (const ring of shapeOf(area).rings)
    ring.forEach((from, at) => {
      const to = ring[(at + 1) % ring.length]!;
      const by = offsetTo(from, to, lines);
      if (by === undefined || (best && Math.abs(by) >= best.by)) return;
      const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
      best = {
        shift: [(-by * (to[1] - from[1])) / length, (by * (to[0] - from[0])) / length],
        by: Math.abs(by),
      };
    });
  return best?.shift;
}

/** How far to the right of an edge, as it runs, lies a line that keeps beside it; undefined where none does within reach. */
function offsetTo(
  from: Point,
  to: Point,
  lines: readonly { points: readonly Point[] }[],
): number | undefined {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (!(length > 0)) return undefined;
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  let nearest: number | undefined;
  for (const { points } of lines) {
    const off = points.map(([x, y]) => (y - from[1]) * ux - (x - from[0]) * uy);
    const along = points.map(([x, y]) => (x - from[0]) * ux + (y - from[1]) * uy);
    const [least, most] = [Math.min(...off), Math.max(...off)];
    const shared = Math.min(length, Math.max(...along)) - Math.max(0, Math.min(...along));
    if (most - least > STRAIGHT_MM || shared < LEAST_MM) continue;
    const middle = (least + most) / 2;
    if (Math.abs(middle) <= REACH_MM && (nearest === undefined || Math.abs(middle) < Math.abs(nearest)))
      nearest = middle;
  }
  return nearest;
}
