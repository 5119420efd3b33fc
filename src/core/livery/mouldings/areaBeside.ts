import { boxAround, readOutline, type Point } from '../geometry/readOutline.ts';
import { areaOf, regionOf, ringsOf, within } from '../geometry/region.ts';
import { ringsPath } from '../geometry/writePath.ts';
import type { LiveryView } from '../../kit/index.ts';

/** Which side of a moulded line is meant, as one looks at the view. */
export const SIDES_OF_LINE = ['above', 'below'] as const;
export type SideOfLine = (typeof SIDES_OF_LINE)[number];

const isClosed = (course: readonly Point[]): boolean =>
  course.length > 2 &&
  Math.hypot(course[0]![0] - course.at(-1)![0], course[0]![1] - course.at(-1)![1]) < 1e-6;
/** Steeper than it is long: it has no above. */
const isUpright = (course: readonly Point[]): boolean => {
  const [[ax, ay], [bx, by]] = [course[0]!, course.at(-1)!];
  return Math.abs(bx - ax) < Math.abs(by - ay);
};

/** What the two sides of a line are called, as one looks at the view: one that stands upright has a left and a right, one that
 *  closes has what lies around it and within. */
export function sidesOfLine(course: readonly Point[]): Readonly<Record<SideOfLine, string>> {
  if (isClosed(course)) return { above: 'around', below: 'within' };
  return isUpright(course) ? { above: 'left of', below: 'right of' } : { above: 'above', below: 'below' };
}

/** How far an area reaches beyond the outline, mm, so that it covers its edge. */
const BEYOND = 5;

/** All of a view on one side of a moulded line as a path: what is painted up to it. The line is drawn on at both ends, the
 *  way that it runs there, until it leaves the view; one that closes bounds what lies within it (below) or around it (above).
 *  Throws RangeError where a side holds nothing of the view. */
export function areaBeside(
  { outline }: Pick<LiveryView, 'outline'>,
  course: readonly Point[],
  side: SideOfLine,
): string {
  const rings = readOutline(outline).rings;
  const box = boxAround(rings);
  if (!box || course.length < 2) throw new RangeError('The view has no outline, or the line no course.');
  const frame: Point[] = [
    [box.x - BEYOND, box.y - BEYOND],
    [box.x + box.width + BEYOND, box.y - BEYOND],
    [box.x + box.width + BEYOND, box.y + box.height + BEYOND],
    [box.x - BEYOND, box.y + box.height + BEYOND],
  ];
  const wanted = isClosed(course)
    ? side === 'below'
      ? regionOf([course])
      : regionOf([frame, course])
    : within(regionOf([beyondLine(course, side, 4 * (box.width + box.height) + 100)]), regionOf([frame]));
  const seen = areaOf(within(wanted, regionOf(rings)));
  if (seen < 0.01 || areaOf(regionOf(rings)) - seen < 0.01)
    throw new RangeError('That line does not divide the view: all of it lies on one side.');
  return ringsPath(ringsOf(wanted), 2);
}

/** A ring that holds what lies on one side of a line drawn on at both ends; `far` leads out of any view. */
function beyondLine(course: readonly Point[], side: SideOfLine, far: number): Point[] {
  // From the left to the right, so that above is above; one that stands upright from its foot, so that above is its left.
  const [first, last] = [course[0]!, course.at(-1)!];
  const isTurned = isUpright(course) ? last[1] > first[1] : last[0] < first[0];
  const line = isTurned ? [...course].reverse() : [...course];
  const before = drawnOn(line[1]!, line[0]!, far);
  const after = drawnOn(line.at(-2)!, line.at(-1)!, far);
  const [dx, dy] = [after[0] - before[0], after[1] - before[1]];
  const length = Math.hypot(dx, dy);
  const turn = side === 'above' ? 1 : -1;
  const aside = ([x, y]: Point): Point => [
    x + (turn * far * 2 * dy) / length,
    y - (turn * far * 2 * dx) / length,
  ];
  return [before, ...line, after, aside(after), aside(before)];
}

function drawnOn(from: Point, through: Point, far: number): Point {
  const [dx, dy] = [through[0] - from[0], through[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  return [through[0] + (far * dx) / length, through[1] + (far * dy) / length];
}
