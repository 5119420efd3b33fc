import type { Point } from '../geometry/readOutline.ts';

/** A knife that trails behind its pivot. */
export interface Knife {
  /** From the pivot to the tip, mm; 0 for a tangential one. */
  offsetMm: number;
  /** How far it goes on past where it began, so that the ring is cut through, mm. */
  overcutMm: number;
}

/** HPGL counts in fortieths of a millimetre. */
export const PLOTTER_UNITS_PER_MM = 40;
/** A turn below this the tip follows by itself, radians. */
const SWING = 0.15;
/** Steps of a swing, radians. */
const SWING_STEP = 0.2;

const directionOf = ([ax, ay]: Point, [bx, by]: Point): number => Math.atan2(by - ay, bx - ax);
const ahead = ([x, y]: Point, angle: number, mm: number): Point => [
  x + mm * Math.cos(angle),
  y + mm * Math.sin(angle),
];

/** Where the pivot goes so that the tip follows a ring: ahead of it along each side, and round each corner in a swing. */
export function pivotPath(ring: readonly Point[], { offsetMm, overcutMm }: Knife): Point[] {
  const points = ring.filter((point, at) => {
    const before = ring[(at + ring.length - 1) % ring.length]!;
    return Math.hypot(point[0] - before[0], point[1] - before[1]) > 1e-6;
  });
  if (points.length < 3) return [];
  const side = (at: number) => {
    const [from, to] = [points[at % points.length]!, points[(at + 1) % points.length]!];
    return { from, to, angle: directionOf(from, to), length: Math.hypot(to[0] - from[0], to[1] - from[1]) };
  };
  const first = side(0);
  const path: Point[] = [ahead(first.from, first.angle, offsetMm)];
  let left = overcutMm;
  for (let at = 0; at < points.length || left > 0; at++) {
    const { from, to, angle, length } = side(at);
    const isOver = at >= points.length;
    const end = isOver && left < length ? ahead(from, angle, left) : to;
    path.push(ahead(end, angle, offsetMm));
    if (isOver) left -= length;
    if (isOver && left <= 0) break;
    if (at === points.length - 1 && left <= 0) break;
    path.push(...swing(to, angle, side(at + 1).angle, offsetMm));
  }
  return path;
}

/** The pivot round the tip, the short way. */
function swing(about: Point, from: number, to: number, offsetMm: number): Point[] {
  const turn = Math.atan2(Math.sin(to - from), Math.cos(to - from));
  if (offsetMm === 0 || Math.abs(turn) < SWING) return [];
  const steps = Math.ceil(Math.abs(turn) / SWING_STEP);
  return Array.from({ length: steps }, (_, at) => ahead(about, from + (turn * (at + 1)) / steps, offsetMm));
}

/** Rings on a sheet so high as HPGL: y upward from its lower left corner, each cut in one go. */
export function hpgl(rings: readonly (readonly Point[])[], heightMm: number, knife: Knife): string {
  const at = ([x, y]: Point) =>
    `${Math.round(x * PLOTTER_UNITS_PER_MM)},${Math.round((heightMm - y) * PLOTTER_UNITS_PER_MM)}`;
  const cuts = rings.flatMap((ring) => {
    const [start, ...rest] = pivotPath(ring, knife);
    return start ? [`PU${at(start)};`, `PD${rest.map(at).join(',')};`] : [];
  });
  return ['IN;', 'SP1;', ...cuts, 'PU0,0;', 'SP0;', ''].join('\n');
}
