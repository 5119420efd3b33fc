/** A place, mm. */
export type Point = readonly [x: number, y: number, z: number];

export interface RouteQuestion {
  /** From the first end over each corner to the last, mm. */
  points: readonly Point[];
  /** Radius of the middle line at its bends, mm. */
  radiusMm: number;
}

export interface RouteBend {
  /** Which of the points it goes round. */
  at: number;
  /** By how much it turns, degrees. */
  angleDeg: number;
  /** Along the cut piece, where the bend begins and how long it is, mm. */
  startMm: number;
  arcMm: number;
  /** By how much the piece is turned about itself since the bend before, degrees, -180 to 180; 0 for the first. */
  turnedDeg: number;
  /** What there is room for, mm: what was asked, or less. */
  radiusMm: number;
  isTight: boolean;
}

export interface BentRoute {
  /** Of the piece before it is bent, mm. */
  lengthMm: number;
  bends: RouteBend[];
}

/** A turn by less is none, degrees. */
const STRAIGHT_DEG = 1;
/** Points that lie nearer are one, mm. */
const SAME_MM = 1e-6;

const minus = (p: Point, q: Point): Point => [p[0] - q[0], p[1] - q[1], p[2] - q[2]];
const dot = (p: Point, q: Point) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];
const cross = (p: Point, q: Point): Point => [
  p[1] * q[2] - p[2] * q[1],
  p[2] * q[0] - p[0] * q[2],
  p[0] * q[1] - p[1] * q[0],
];
const norm = (p: Point) => Math.hypot(...p);
const degrees = (radians: number) => (radians * 180) / Math.PI;

interface Leg {
  along: Point;
  mm: number;
}

function legsOf(points: readonly Point[]): { legs: Leg[]; corners: number[] } {
  const legs: Leg[] = [];
  const corners: number[] = [];
  let last = points[0]!;
  points.forEach((point, at) => {
    const step = minus(point, last);
    const mm = norm(step);
    if (mm < SAME_MM) return;
    legs.push({ along: [step[0] / mm, step[1] / mm, step[2] / mm], mm });
    corners.push(at);
    last = point;
  });
  // Of each leg but the last its end is a corner.
  return { legs, corners: corners.slice(0, -1) };
}

/** How far the plane of one turn is turned against that of the turn before, seen along the leg between them, degrees. */
function turned(before: Point, along: Point, after: Point): number {
  const [p, q] = [cross(before, along), cross(along, after)];
  return degrees(Math.atan2(dot(cross(p, q), along), dot(p, q)));
}

/** The cut length and the bends of a wire, pipe or hose that is led round corners: straight, arc, straight. A radius that has no room
 *  between two corners is less, in proportion to what both ask, and said to be tight. Throws RangeError for a route between less
 *  than two places, a place that is none, or a radius below 0. */
export function bendRoute({ points, radiusMm }: RouteQuestion): BentRoute {
  if (points.some((point) => point.some((value) => !Number.isFinite(value))))
    throw new RangeError('A place of the route is no place.');
  if (!(radiusMm >= 0) || !Number.isFinite(radiusMm))
    throw new RangeError(`A bend of ${radiusMm} mm is none: give 0 or more.`);
  const { legs, corners } = points.length > 1 ? legsOf(points) : { legs: [], corners: [] };
  if (legs.length === 0) throw new RangeError('It begins and ends at one place: say where else it goes.');

  const angles = corners.map((_, at) =>
    Math.acos(Math.min(1, Math.max(-1, dot(legs[at]!.along, legs[at + 1]!.along)))),
  );
  const isBend = angles.map((angle) => degrees(angle) >= STRAIGHT_DEG);
  // A bend takes so much of the legs beside it for each mm of its radius.
  const takes = angles.map((angle, at) => (isBend[at] ? Math.tan(angle / 2) : 0));
  const room = (leg: number) => legs[leg]!.mm / ((takes[leg - 1] ?? 0) + (takes[leg] ?? 0));
  const bends: RouteBend[] = [];
  let along = 0;
  let before: Point | undefined;
  let spent = 0;
  corners.forEach((at, corner) => {
    const leg = legs[corner]!.mm;
    if (!isBend[corner]) {
      along += leg - spent;
      spent = 0;
      return;
    }
    const radius = Math.min(radiusMm, room(corner), room(corner + 1));
    const tangent = radius * takes[corner]!;
    const startMm = along + leg - spent - tangent;
    const arcMm = radius * angles[corner]!;
    bends.push({
      at,
      angleDeg: degrees(angles[corner]!),
      startMm,
      arcMm,
      turnedDeg: before === undefined ? 0 : turned(before, legs[corner]!.along, legs[corner + 1]!.along),
      radiusMm: radius,
      isTight: radius < radiusMm - 1e-9,
    });
    before = legs[corner]!.along;
    along = startMm + arcMm;
    spent = tangent;
  });
  return { lengthMm: along + legs.at(-1)!.mm - spent, bends };
}

/** A box along the axes, mm. */
export interface RouteBox {
  id: string;
  min: Point;
  max: Point;
}

/** Boxes that a route goes through by more than `graze` mm, in their order. */
export function boxesOnRoute(points: readonly Point[], boxes: readonly RouteBox[], graze: number): string[] {
  return boxes.flatMap((box) => {
    const inside = points.slice(1).reduce((sum, point, at) => sum + insideMm(points[at]!, point, box), 0);
    return inside > graze ? [box.id] : [];
  });
}

/** How much of a line lies in a box, mm: between the last of its planes that it enters and the first that it leaves. */
function insideMm(from: Point, to: Point, { min, max }: RouteBox): number {
  let [enter, leave] = [0, 1];
  for (let axis = 0; axis < 3; axis += 1) {
    const [start, step] = [from[axis]!, to[axis]! - from[axis]!];
    if (Math.abs(step) < SAME_MM) {
      if (start <= min[axis]! || start >= max[axis]!) return 0;
      continue;
    }
    const [p, q] = [(min[axis]! - start) / step, (max[axis]! - start) / step];
    enter = Math.max(enter, Math.min(p, q));
    leave = Math.min(leave, Math.max(p, q));
  }
  return Math.max(0, leave - enter) * norm(minus(to, from));
}
