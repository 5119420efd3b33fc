import type { LiveryArea } from '../kit/index.ts';
import { readOutline, type OutlineReading, type Point, type Ring } from './geometry/readOutline.ts';

/** Sides of a circle so that its chords stay within 0.003 mm. */
const sidesFor = (radius: number): number =>
  Math.max(
    24,
    Math.min(720, Math.ceil(Math.PI / Math.acos(1 - Math.min(0.5, 0.003 / Math.max(radius, 0.01))))),
  );

/** A band reaches beyond any outline, mm. */
const FAR = 4000;

/** The rings of an area of colour, mm on the view. A band runs through (x, y) along its angle, `height` wide; a rectangle and
 *  an ellipse have their centre there. */
export function shapeOf(
  area: Pick<LiveryArea, 'shape' | 'x' | 'y' | 'width' | 'height' | 'angle' | 'path'>,
): OutlineReading {
  const { shape, x, y, width, height, angle, path } = area;
  if (shape === 'path') return readOutline(path);
  if (!(height > 0) || (shape !== 'band' && !(width > 0)))
    return { rings: [], faults: ['Its width and height must be above zero.'] };
  const turn = (angle * Math.PI) / 180;
  const placed = ([px, py]: Point): Point => [
    x + px * Math.cos(turn) - py * Math.sin(turn),
    y + px * Math.sin(turn) + py * Math.cos(turn),
  ];
  const across = shape === 'band' ? FAR : width;
  const ring: Ring =
    shape === 'ellipse'
      ? Array.from({ length: sidesFor(Math.max(width, height) / 2) }, (_, at): Point => {
          const t = (2 * Math.PI * at) / sidesFor(Math.max(width, height) / 2);
          return [(width / 2) * Math.cos(t), (height / 2) * Math.sin(t)];
        })
      : [
          [-across / 2, -height / 2],
          [across / 2, -height / 2],
          [across / 2, height / 2],
          [-across / 2, height / 2],
        ];
  return { rings: [ring.map(placed)], faults: [] };
}
