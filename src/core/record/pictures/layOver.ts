interface Point {
  x: number;
  y: number;
}
interface Size {
  width: number;
  height: number;
}

/** A plane similarity: (x, y) goes to (a x - b y + e, b x + a y + f). */
export interface Similarity {
  a: number;
  b: number;
  e: number;
  f: number;
}

/** Marks closer than this, as a share of the diagonal, say nothing of angle and size. */
const LEAST_APART = 0.01;

const inDots = ({ x, y }: Point, { width, height }: Size): Point => ({ x: x * width, y: y * height });

/** How one picture is turned, sized and shifted so that its two marks lie on those of another: from dots of the one to dots of
 *  the other. Marks are shares of width and height. Undefined where two of one picture are as good as the same, or one is
 *  missing. */
export function layOver(
  marks: readonly Point[],
  size: Size,
  onto: readonly Point[],
  ontoSize: Size,
): Similarity | undefined {
  if (marks.length < 2 || onto.length < 2) return undefined;
  const [p, q] = marks.map((mark) => inDots(mark, size)) as [Point, Point];
  const [r, s] = onto.map((mark) => inDots(mark, ontoSize)) as [Point, Point];
  const [dx, dy, tx, ty] = [q.x - p.x, q.y - p.y, s.x - r.x, s.y - r.y];
  const isApart = (x: number, y: number, { width, height }: Size) =>
    Math.hypot(x, y) >= LEAST_APART * Math.hypot(width, height);
  if (!isApart(dx, dy, size) || !isApart(tx, ty, ontoSize)) return undefined;
  const square = dx * dx + dy * dy;
  const a = (tx * dx + ty * dy) / square;
  const b = (ty * dx - tx * dy) / square;
  return { a, b, e: r.x - a * p.x + b * p.y, f: r.y - b * p.x - a * p.y };
}
