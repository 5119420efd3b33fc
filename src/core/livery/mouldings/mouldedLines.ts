import type { LiveryView } from '../../kit/index.ts';
import { readCourses, type Point } from '../geometry/readOutline.ts';

export type MouldedView = Pick<LiveryView, 'mouldings' | 'regions'>;

/** How far beside a moulded line an edge may be drawn and still be meant to follow it, mm: half the width of a panel line. */
export const FOLLOWS_MM = 0.15;

/** The courses of all moulded lines of a view, mm: those that are named, and the edges of doors and lids. */
export function mouldedLines({ mouldings = [], regions = [] }: MouldedView): {
  lines: { id: string; name: string; points: Point[] }[];
  faults: string[];
} {
  const faults: string[] = [];
  const lines = [
    ...mouldings.map(({ id, name, path }) => ({ id, name, path })),
    ...regions.map(({ id, path }) => ({ id, name: 'the edge of a part', path })),
  ].flatMap(({ id, name, path }) => {
    const read = readCourses(path);
    faults.push(...read.faults.map((what) => `${name}: ${what}`));
    return read.courses.map((points) => ({ id, name, points }));
  });
  return { lines, faults };
}

/** Side of a square of the grid in which segments are looked up, mm. */
const CELL_MM = 4;

/** Finds the point of some lines that is nearest to another, within a reach; undefined where none is. */
export function nearestOn(
  lines: readonly { points: readonly Point[] }[],
  reachMm: number,
): (point: Point) => Point | undefined {
  const cells = new Map<string, [Point, Point][]>();
  const cell = (mm: number) => Math.floor(mm / CELL_MM);
  for (const { points } of lines)
    points.slice(1).forEach((to, at) => {
      const from = points[at]!;
      const low = (axis: 0 | 1) => cell(Math.min(from[axis], to[axis]) - reachMm);
      const high = (axis: 0 | 1) => cell(Math.max(from[axis], to[axis]) + reachMm);
      for (let x = low(0); x <= high(0); x++)
        for (let y = low(1); y <= high(1); y++) {
          const key = `${x} ${y}`;
          const held = cells.get(key);
          if (held) held.push([from, to]);
          else cells.set(key, [[from, to]]);
        }
    });
  return (point) => {
    let best = reachMm;
    let found: Point | undefined;
    for (const [from, to] of cells.get(`${cell(point[0])} ${cell(point[1])}`) ?? []) {
      const on = nearestOfSegment(point, from, to);
      const distance = Math.hypot(on[0] - point[0], on[1] - point[1]);
      if (distance <= best) [best, found] = [distance, on];
    }
    return found;
  };
}

function nearestOfSegment([x, y]: Point, from: Point, to: Point): Point {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const square = dx * dx + dy * dy;
  const t = square > 0 ? Math.max(0, Math.min(1, ((x - from[0]) * dx + (y - from[1]) * dy) / square)) : 0;
  return [from[0] + t * dx, from[1] + t * dy];
}
