import colourString from 'color-string';
import svgpath from 'svgpath';
import { MOST_DRAWN, MOST_DRAWN_PATH, type DrawnPath } from '../../kit/index.ts';
import { boxAround, readOutline } from '../geometry/readOutline.ts';
import { areaOf, regionOf, regionPath } from '../geometry/region.ts';
import { svgShapes, type SvgShape } from '../geometry/svgShapes.ts';

export interface ReadDrawing {
  /** In the order in which they are painted, mm, their box beginning at 0, 0. */
  drawn: DrawnPath[];
  widthMm: number;
  heightMm: number;
  /** False where the drawing says no unit: it was taken for pixels, 96 to the inch. */
  unitsSaid: boolean;
  /** What was left out or drawn otherwise, in a builder's words. */
  left: string[];
}

/** The filled shapes of an SVG drawing as artwork, each with its colour. Throws RangeError, saying why, for what is no such
 *  drawing or has more detail than is kept. */
export function readDrawing(text: string): ReadDrawing {
  const { shapes, mmPerUnit, unitsSaid, left } = svgShapes(text);
  const filled = shapes.flatMap((shape) => {
    const said = colourOf(shape);
    if (said.told) left.add(said.told);
    if (shape.isStroked) left.add('lines drawn along edges: turn strokes into shapes first');
    if (said.fill === null) return [];
    const path = svgpath(shape.d).scale(mmPerUnit).round(3).toString();
    const { rings, faults } = readOutline(path);
    for (const fault of faults) left.add(`${shape.name}: ${fault}`);
    const region = regionOf(rings);
    if (!(areaOf(region) > 0)) return [];
    // Filled by turns its holes need not run the other way round: they are made to.
    return [
      { path: shape.isEvenOdd ? svgpath(regionPath(region)).round(3).toString() : path, fill: said.fill },
    ];
  });
  const box = boxAround(filled.flatMap(({ path }) => readOutline(path).rings));
  if (!box) throw new RangeError('Nothing filled is drawn in it: lines alone are not printed.');
  if (filled.length > MOST_DRAWN)
    throw new RangeError(
      `The drawing has ${filled.length} filled shapes, and ${MOST_DRAWN} are kept: unite those of one colour first.`,
    );
  const drawn = filled.map(({ path, fill }) => ({
    path: svgpath(path).translate(-box.x, -box.y).round(3).toString(),
    fill,
  }));
  const long = drawn.filter(({ path }) => path.length > MOST_DRAWN_PATH);
  if (long.length > 0)
    throw new RangeError(
      `${long.length === 1 ? 'A shape has' : `${long.length} shapes have`} more detail than is kept: simplify the path, or bring it as a picture.`,
    );
  return { drawn, widthMm: box.width, heightMm: box.height, unitsSaid, left: [...left] };
}

/** The colour of a shape as it is printed; null for none. '' is the ink of the marking. */
function colourOf({ fill, name }: SvgShape): { fill: string | null; told?: string } {
  const said = fill.trim().toLowerCase();
  if (said === 'none' || said === 'transparent') return { fill: null };
  if (said === 'currentcolor') return { fill: '' };
  if (said.startsWith('url('))
    return { fill: '', told: `the gradient or pattern of ${name}: it takes the ink instead` };
  const rgb = colourString.get.rgb(said);
  if (!rgb)
    return { fill: '', told: `the colour “${fill.slice(0, 30)}” of ${name}: it takes the ink instead` };
  if (rgb[3] === 0) return { fill: null };
  const two = (value: number) => Math.round(value).toString(16).padStart(2, '0');
  return { fill: `#${rgb.slice(0, 3).map(two).join('')}` };
}
