import svgpath from 'svgpath';
import { MOST_OPENING, MOST_OPENINGS, MOST_OUTLINE } from '../../kit/index.ts';
import { boxAround, readCourses, readOutline } from '../geometry/readOutline.ts';
import { areaOf, regionOf, without } from '../geometry/region.ts';
import { svgShapes, type SvgShape } from '../geometry/svgShapes.ts';
import type { ViewSource } from './startingOutlines.ts';

export interface DrawnOutline extends Required<Pick<ViewSource, 'outline' | 'openings' | 'lines' | 'box'>> {
  /** False where the drawing says no unit: it was taken for pixels, 96 to the inch. */
  unitsSaid: boolean;
  /** What was left out, in a builder's words. */
  left: string[];
}

/** The largest closed shape of an SVG drawing as an outline in mm, what lies within it as openings, and lines that do not close
 *  and are not filled as moulded ones. Throws RangeError, saying why, for what is no such drawing. */
export function readSvg(text: string): DrawnOutline {
  const { shapes, mmPerUnit, unitsSaid, left } = svgShapes(text);
  return { ...outlineOf(shapes, mmPerUnit, left), unitsSaid };
}

/** Whether a path is drawn from one end to another and encloses nothing. */
const isLine = (d: string, fill: string): boolean => {
  const { courses } = readCourses(d);
  return fill === 'none' && courses.length === 1 && courses[0]![0] !== courses[0]!.at(-1);
};

function outlineOf(
  shapes: readonly SvgShape[],
  mmPerUnit: number,
  left: Set<string>,
): Omit<DrawnOutline, 'unitsSaid'> {
  const courses: { name: string; path: string }[] = [];
  const drawn = shapes.flatMap(({ name, d, fill }) => {
    const path = svgpath(d).scale(mmPerUnit).round(3).toString();
    if (isLine(path, fill)) {
      courses.push({ name, path });
      return [];
    }
    const { rings, faults } = readOutline(path);
    for (const fault of faults) left.add(`${name}: ${fault}`);
    const region = regionOf(rings);
    const area = areaOf(region);
    return area > 0 ? [{ name, path, region, area }] : [];
  });
  const [largest, ...rest] = [...drawn].sort((p, q) => q.area - p.area);
  if (!largest) throw new RangeError('Nothing closed is drawn in it: an outline must enclose something.');
  // Brought to the upper left.
  const { x, y, ...box } = boxAround(readOutline(largest.path).rings)!;
  const moved = (path: string) => svgpath(path).translate(-x, -y).round(3).toString();
  const outline = moved(largest.path);
  if (outline.length > MOST_OUTLINE)
    throw new RangeError('The outline has more detail than Fanfare keeps: simplify its path first.');
  const inside = rest.filter(({ region }) => areaOf(without(region, largest.region)) < 1e-6);
  const beside = rest.length - inside.length;
  if (beside > 0) left.add(`${beside} ${beside === 1 ? 'shape' : 'shapes'} beside the largest one`);
  const openings = inside
    .map(({ name, path }) => ({ name: name.slice(0, 60).trim() || 'opening', path: moved(path) }))
    .filter(({ path }) => path.length <= MOST_OPENING)
    .slice(0, MOST_OPENINGS);
  if (openings.length < inside.length)
    left.add(`${inside.length - openings.length} of the shapes within: too many, or of too much detail`);
  const kept = courses
    .map(({ name, path }) => ({ name: name.slice(0, 60).trim() || 'line', path: moved(path) }))
    .filter(({ path }) => path.length <= MOST_OPENING)
    .slice(0, MOST_OPENINGS);
  if (kept.length < courses.length)
    left.add(`${courses.length - kept.length} of the lines: too many, or of too much detail`);
  return {
    outline,
    openings,
    lines: kept,
    box,
    left: [...left],
  };
}
