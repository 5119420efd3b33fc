import svgpath from 'svgpath';

/** mm; x to the right, y downward, as in SVG. */
export type Point = readonly [number, number];
/** A closed ring, its last point joined to its first. */
export type Ring = readonly Point[];

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The box around some rings; undefined where there are none. */
export function boxAround(rings: readonly Ring[]): Box | undefined {
  const points = rings.flat();
  if (points.length === 0) return undefined;
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

export interface OutlineReading {
  rings: Ring[];
  /** What is wrong with it, in a builder's words; what could be read is kept. */
  faults: string[];
}

/** How far a chord may lie from its curve, mm. */
const FLATNESS = 0.003;
const MOST_POINTS = 20_000;
/** Ends closer than this are meant to meet, mm. */
const CLOSE_MM = 0.05;

/** A course of points, mm. */
interface Run {
  points: Point[];
  /** It says so itself, or its ends meet. */
  closed: boolean;
}

/** Paths in SVG's language as courses of points: curves and arcs become chords that stay within 0.003 mm. */
function readRuns(d: string): { runs: Run[]; fault?: string } {
  const read = svgpath(d);
  const { err } = read as unknown as { err: string };
  if (err) return { runs: [], fault: `The path cannot be read: ${err.replace(/^SvgPath: /, '')}.` };
  const runs: Run[] = [];
  let points: Point[] = [];
  let count = 0;
  const end = (isSaid: boolean) => {
    const closed = isSaid || (points.length > 2 && distance(points[0]!, points.at(-1)!) <= CLOSE_MM);
    if (points.length > 1 && distance(points[0]!, points.at(-1)!) < 1e-9) points.pop();
    if (points.length > 0) runs.push({ points, closed });
    points = [];
  };
  read
    .abs()
    .unshort()
    .unarc()
    .iterate(([command, ...values], _, x, y) => {
      const numbers = values as number[];
      if (command === 'M') {
        end(false);
        points = [[numbers[0]!, numbers[1]!]];
      } else if (command === 'Z' || command === 'z') end(true);
      else {
        if (points.length === 0) points = [[x, y]];
        const to = alongSegment(command, numbers, [x, y]);
        count += to.length;
        if (count <= MOST_POINTS) points.push(...to);
      }
    });
  end(false);
  if (count > MOST_POINTS)
    return { runs: [], fault: `The path has more than ${MOST_POINTS} points: simplify it first.` };
  if (runs.some((run) => run.points.some((point) => !point.every(Number.isFinite))))
    return { runs: [], fault: 'The path holds numbers that are none.' };
  return { runs };
}

/** Closed paths as rings of points. A path that does not close is closed by a straight line, and that is said. */
export function readOutline(d: string): OutlineReading {
  const { runs, fault } = readRuns(d);
  if (fault !== undefined) return { rings: [], faults: [fault] };
  const rings = runs.filter(({ points }) => points.length >= 3);
  const faults = runs
    .filter(({ points }) => points.length < 3)
    .map(() => 'A path of fewer than three points encloses nothing; it is left out.');
  if (rings.some(({ closed }) => !closed))
    faults.push('A path does not close: it was closed by a straight line.');
  return { rings: rings.map(({ points }) => points), faults };
}

/** Courses that need not close, such as panel lines: those that do end where they begin. */
export function readCourses(d: string): { courses: Point[][]; faults: string[] } {
  const { runs, fault } = readRuns(d);
  if (fault !== undefined) return { courses: [], faults: [fault] };
  const courses = runs
    .filter(({ points }) => points.length >= 2)
    .map(({ points, closed }) => (closed ? [...points, points[0]!] : points));
  return {
    courses,
    faults: courses.length < runs.length ? ['A single point is no line; it is left out.'] : [],
  };
}

const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);

/** Points of a segment after its start. */
function alongSegment(command: string, n: number[], from: Point): Point[] {
  switch (command) {
    case 'L':
      return [[n[0]!, n[1]!]];
    case 'H':
      return [[n[0]!, from[1]]];
    case 'V':
      return [[from[0], n[0]!]];
    case 'Q':
      // As the cubic with the same course.
      return alongCubic(
        from,
        [from[0] + (2 / 3) * (n[0]! - from[0]), from[1] + (2 / 3) * (n[1]! - from[1])],
        [n[2]! + (2 / 3) * (n[0]! - n[2]!), n[3]! + (2 / 3) * (n[1]! - n[3]!)],
        [n[2]!, n[3]!],
      );
    case 'C':
      return alongCubic(from, [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!]);
    default:
      return [];
  }
}

/** A cubic as chords of equal steps of its parameter, enough for the flatness (Wang's bound on the second difference). */
function alongCubic(p0: Point, p1: Point, p2: Point, p3: Point): Point[] {
  const second = (a: Point, b: Point, c: Point) => Math.hypot(a[0] - 2 * b[0] + c[0], a[1] - 2 * b[1] + c[1]);
  const bend = Math.max(second(p0, p1, p2), second(p1, p2, p3));
  const steps = Math.min(500, Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / FLATNESS))));
  return Array.from({ length: steps }, (_, at): Point => {
    const t = (at + 1) / steps;
    const u = 1 - t;
    const weigh = (axis: 0 | 1) =>
      u ** 3 * p0[axis] + 3 * u * u * t * p1[axis] + 3 * u * t * t * p2[axis] + t ** 3 * p3[axis];
    return at === steps - 1 ? p3 : [weigh(0), weigh(1)];
  });
}
