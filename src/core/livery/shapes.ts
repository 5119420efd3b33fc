import type { LiveryArea, Marking } from '../kit/index.ts';
import { readOutline, type OutlineReading, type Point, type Ring } from './geometry/readOutline.ts';

/** Sides of a circle so that its chords stay within 0.003 mm. */
const sidesFor = (radius: number): number =>
  Math.max(
    24,
    Math.min(720, Math.ceil(Math.PI / Math.acos(1 - Math.min(0.5, 0.003 / Math.max(radius, 0.01))))),
  );

/** A band reaches beyond any outline, mm. */
const FAR = 4000;

/** Points on each edge of a scallop. */
const SCALLOP_POINTS = 48;
/** How far along a scallop its edges still run straight back, as a share of its length. */
const SCALLOP_FULLNESS = 0.6;

export type ShapedArea = Pick<LiveryArea, 'shape' | 'x' | 'y' | 'width' | 'height' | 'angle' | 'path'> &
  Partial<Pick<LiveryArea, 'count' | 'gapMm'>>;

const rectangle = (width: number, height: number, y = 0): Ring => [
  [-width / 2, y - height / 2],
  [width / 2, y - height / 2],
  [width / 2, y + height / 2],
  [-width / 2, y + height / 2],
];

function ellipse(width: number, height: number): Ring {
  const sides = sidesFor(Math.max(width, height) / 2);
  return Array.from({ length: sides }, (_, at): Point => {
    const t = (2 * Math.PI * at) / sides;
    return [(width / 2) * Math.cos(t), (height / 2) * Math.sin(t)];
  });
}

/** A tongue that begins on the left between two heights and runs out to a point in their middle. */
function scallop(width: number, top: number, bottom: number): Ring {
  const full = SCALLOP_FULLNESS * width;
  const edge = (from: number): Point[] =>
    Array.from({ length: SCALLOP_POINTS + 1 }, (_, at): Point => {
      const t = at / SCALLOP_POINTS;
      const tip = (top + bottom) / 2;
      return [2 * t * (1 - t) * full + t * t * width - width / 2, from + t * t * (tip - from)];
    });
  return [...edge(top), ...edge(bottom).reverse().slice(1)];
}

/** The rings of a shape about its middle, before it is turned. */
function ringsOf({ shape, width, height, count = 1, gapMm = 0 }: ShapedArea): Ring[] {
  const each = Array.from({ length: count }, (_, at) => at);
  switch (shape) {
    case 'band':
      return [rectangle(FAR, height)];
    case 'stripes':
      return each.map((at) => rectangle(FAR, height, (at - (count - 1) / 2) * (height + gapMm)));
    case 'scallops':
      return each.map((at) => scallop(width, (at / count - 0.5) * height, ((at + 1) / count - 0.5) * height));
    case 'ellipse':
      return [ellipse(width, height)];
    default:
      return [rectangle(width, height)];
  }
}

/** What runs on beyond any outline has no length of its own. */
const isEndless = (shape: LiveryArea['shape']): boolean => shape === 'band' || shape === 'stripes';

/** What a marking covers, mm on its view. */
export const ringsOfMarking = (marking: Marking): Ring[] =>
  shapeOf({ ...marking, shape: marking.round ? 'ellipse' : 'rectangle', path: '' }).rings;

/** The rings of an area of colour, mm on the view. A band runs through (x, y) along its angle, `height` wide; stripes are
 *  `count` of these side by side. All else has its centre there; scallops share the height and run out to the right. */
export function shapeOf(area: ShapedArea): OutlineReading {
  const { shape, x, y, width, height, angle, path } = area;
  if (shape === 'path') return readOutline(path);
  if (!(height > 0) || (!isEndless(shape) && !(width > 0)))
    return { rings: [], faults: ['Its width and height must be above zero.'] };
  const turn = (angle * Math.PI) / 180;
  const placed = ([px, py]: Point): Point => [
    x + px * Math.cos(turn) - py * Math.sin(turn),
    y + px * Math.sin(turn) + py * Math.cos(turn),
  ];
  return { rings: ringsOf(area).map((ring) => ring.map(placed)), faults: [] };
}
