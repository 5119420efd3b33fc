import { Matrix, solve } from 'ml-matrix';
import { boxAround, type Box, type Point } from '../geometry/readOutline.ts';

/** What of a picture tells its scale: two points whose distance is known, or a rectangle, which also takes the perspective
 *  out. Points are of the picture, in any unit. */
export type TraceScale =
  | { kind: 'line'; points: readonly Point[]; mm: number }
  | { kind: 'rectangle'; points: readonly Point[]; widthMm: number; heightMm: number };

/** A tracing brought to millimetres, its box beginning at 0, 0. */
export interface Traced {
  outline: string;
  openings: { name: string; path: string }[];
  lines: { name: string; path: string }[];
  box: Pick<Box, 'width' | 'height'>;
}

/** Points that a scale asks for. */
export const SCALE_POINTS = { line: 2, rectangle: 4 } as const;

const twice = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);

/** From points of the picture to mm. Throws RangeError where the scale says nothing: points in one place, corners that are
 *  missing or in no order, sizes that are not above zero. */
export function toMillimetres(scale: TraceScale): (point: Point) => Point {
  const missing = SCALE_POINTS[scale.kind] - scale.points.length;
  if (missing > 0)
    throw new RangeError(
      scale.kind === 'line'
        ? 'The scale is not known: mark two points whose distance you know.'
        : `The scale is not known: mark ${missing} more of the four corners of the rectangle.`,
    );
  return scale.kind === 'line' ? alongLine(scale) : throughRectangle(scale);
}

function alongLine({ points, mm }: Extract<TraceScale, { kind: 'line' }>): (point: Point) => Point {
  const [a, b] = points as [Point, Point];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (!(length > 0)) throw new RangeError('The two points of the scale are in one place: mark them apart.');
  if (!(mm > 0)) throw new RangeError('Give their distance in millimetres, above zero.');
  const factor = mm / length;
  return ([x, y]) => [x * factor, y * factor];
}

/** The homography that takes four corners, marked round from the upper left, to those of a rectangle. */
function throughRectangle({
  points,
  widthMm,
  heightMm,
}: Extract<TraceScale, { kind: 'rectangle' }>): (point: Point) => Point {
  if (!(widthMm > 0 && heightMm > 0))
    throw new RangeError('Give width and height of the rectangle in millimetres, above zero.');
  const [a, b, c, d] = points as [Point, Point, Point, Point];
  const turns = [twice(a, b, c), twice(b, c, d), twice(c, d, a), twice(d, a, b)];
  if (!turns.every((turn) => turn > 0))
    throw new RangeError(
      'The four corners make no rectangle: mark them clockwise, the upper left one first, no three in one line.',
    );
  const corners: Point[] = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ];
  const rows = [a, b, c, d].flatMap(([x, y], at) => {
    const [u, v] = corners[at]!;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y],
      [0, 0, 0, x, y, 1, -v * x, -v * y],
    ];
  });
  const h = solve(new Matrix(rows), Matrix.columnVector(corners.flat())).to1DArray() as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return ([x, y]) => {
    const w = h[6] * x + h[7] * y + 1;
    if (!(w > 0)) throw new RangeError('Part of the tracing lies beyond the horizon of the rectangle.');
    return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
  };
}

/** Below this turn a point lies on a curve; above it is a corner. Degrees. */
const CORNER = 40;
const LEAST_POINTS = 3;
const hundredth = (mm: number): number => Math.round(mm * 100) / 100;

/** A ring as a path of SVG: through its points, in curves where it turns gently. An open one ends at its last point. */
export function smoothPath(ring: readonly Point[], isOpen = false): string {
  const at = (index: number) =>
    isOpen
      ? ring[Math.max(0, Math.min(ring.length - 1, index))]!
      : ring[(index + ring.length) % ring.length]!;
  const turnAt = (index: number) => {
    const [p, q, r] = [at(index - 1), at(index), at(index + 1)];
    const turn = Math.atan2(r[1] - q[1], r[0] - q[0]) - Math.atan2(q[1] - p[1], q[0] - p[0]);
    return Math.abs((Math.atan2(Math.sin(turn), Math.cos(turn)) * 180) / Math.PI);
  };
  const isCorner = ring.map((_, index) => turnAt(index) > CORNER);
  /** Along the chord of its neighbours, as Catmull and Rom do; none at a corner. */
  const handle = (index: number, sign: 1 | -1, length: number): Point => {
    const point = at(index);
    if (isCorner[(index + ring.length) % ring.length]) return point;
    const [p, r] = [at(index - 1), at(index + 1)];
    const chord = Math.hypot(r[0] - p[0], r[1] - p[1]) || 1;
    const reach = (sign * length) / 3 / chord;
    return [point[0] + (r[0] - p[0]) * reach, point[1] + (r[1] - p[1]) * reach];
  };
  const words = ([x, y]: Point) => `${hundredth(x)} ${hundredth(y)}`;
  const sides = ring.slice(0, isOpen ? -1 : undefined).map((from, index) => {
    const to = at(index + 1);
    if (isCorner[index] && isCorner[(index + 1) % ring.length])
      return !isOpen && index === ring.length - 1 ? '' : `L${words(to)}`;
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    return `C${words(handle(index, 1, length))} ${words(handle(index + 1, -1, length))} ${words(to)}`;
  });
  return `M${words(ring[0]!)}${sides.join('')}${isOpen ? '' : 'Z'}`;
}

/** What was traced of a picture as the outline of a view, its openings and its moulded lines. Throws RangeError for a scale that says nothing,
 *  an outline of fewer than three points, or a size that no view has. */
export function traced(
  outline: readonly Point[],
  { openings, lines }: Record<'openings' | 'lines', readonly (readonly Point[])[]>,
  scale: TraceScale,
): Traced {
  if (outline.length < LEAST_POINTS) throw new RangeError('Mark at least three points round the outline.');
  const placed = toMillimetres(scale);
  const ring = outline.map(placed);
  const { x, y, width, height } = boxAround([ring])!;
  const home = ([px, py]: Point): Point => [px - x, py - y];
  const whole = openings.filter((opening) => opening.length >= LEAST_POINTS);
  return {
    outline: smoothPath(ring.map(home)),
    openings: whole.map((opening, at) => ({
      name: `opening ${at + 1}`,
      path: smoothPath(opening.map(placed).map(home)),
    })),
    lines: lines
      .filter((line) => line.length >= 2)
      .map((line, at) => ({
        name: `line ${at + 1}`,
        path: smoothPath(line.map(placed).map(home), true),
      })),
    box: { width: hundredth(width), height: hundredth(height) },
  };
}
