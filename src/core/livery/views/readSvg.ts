import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import svgpath from 'svgpath';
import { MOST_OPENING, MOST_OPENINGS, MOST_OUTLINE } from '../../kit/index.ts';
import { boxAround, readOutline } from '../geometry/readOutline.ts';
import { areaOf, regionOf, without } from '../geometry/region.ts';
import type { ViewSource } from './startingOutlines.ts';

export interface DrawnOutline extends Pick<ViewSource, 'outline' | 'openings' | 'box'> {
  /** False where the drawing says no unit: it was taken for pixels, 96 to the inch. */
  unitsSaid: boolean;
  /** What was left out, in a builder's words. */
  left: string[];
}

const MOST_BYTES = 2_000_000;
const MOST_SHAPES = 2000;
const DEEPEST = 100;
const MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: 25.4 / 96,
};
const AT = '@';
/** What would be run or fetched, or is drawn by other means; as it is told. */
const LEFT_OUT: ReadonlyMap<string, string> = new Map([
  ['script', 'a script'],
  ['foreignObject', 'a foreign object'],
  ['iframe', 'a frame'],
  ['image', 'an image'],
  ['use', 'a copy of something: turn it into a path first'],
  ['style', 'a style sheet'],
  ['text', 'text: turn it into outlines first'],
]);
/** Not drawn where it stands. */
const UNSEEN = new Set('defs clipPath mask symbol metadata title desc pattern marker animate set'.split(' '));

type Node = Record<string, unknown>;
interface Shape {
  name: string;
  d: string;
}

/** The largest closed shape of an SVG drawing as an outline in mm, and what lies within it as openings. Transforms are
 *  resolved; nothing of it is run or fetched. Throws RangeError, saying why, for what is no such drawing. */
export function readSvg(text: string): DrawnOutline {
  if (text.length > MOST_BYTES)
    throw new RangeError(`The drawing is larger than ${MOST_BYTES / 1e6} MB: simplify it first.`);
  if (/<!(DOCTYPE|ENTITY)/i.test(text))
    throw new RangeError(
      'The drawing declares a document type, which could bring in other files: save it as plain SVG.',
    );
  const tree = parsed(text);
  const root = tree.find((node) => 'svg' in node);
  if (!root) throw new RangeError('This is no SVG drawing: it has no svg element.');
  const left = new Set<string>();
  const shapes: Shape[] = [];
  walk(root.svg as Node[], [], shapes, left);
  if (shapes.length > MOST_SHAPES)
    throw new RangeError(`The drawing has more than ${MOST_SHAPES} shapes: save the outline alone.`);
  const { mmPerUnit, unitsSaid } = scaleOf(attributesOf(root));
  return { ...outlineOf(shapes, mmPerUnit, left), unitsSaid };
}

function parsed(text: string): Node[] {
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: AT,
    processEntities: false,
  });
  try {
    SyntaxValidator.validate(text);
    return parser.parse(text) as Node[];
  } catch (error) {
    throw new RangeError(`This is no SVG drawing: ${(error as Error).message}`, { cause: error });
  }
}

const attributesOf = (node: Node): Record<string, string> => {
  const all = (node[':@'] ?? {}) as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(all).map(([key, value]) => [key.slice(AT.length), value as string]),
  );
};

/** Millimetres for one unit of the drawing's own. */
function scaleOf({ width = '', viewBox = '' }: Record<string, string>): {
  mmPerUnit: number;
  unitsSaid: boolean;
} {
  const [, number = '', unit = ''] = /^\s*([\d.eE+-]+)\s*([a-z%]*)\s*$/.exec(width) ?? [];
  const wide = Number(viewBox.trim().split(/[\s,]+/)[2]);
  const mm = Number(number) * (MM[unit] ?? Number.NaN);
  const unitsSaid = unit in MM && unit !== 'px' && mm > 0;
  if (mm > 0 && wide > 0) return { mmPerUnit: mm / wide, unitsSaid };
  // Without a view box a unit is a pixel, whatever the drawing's size is given in.
  return { mmPerUnit: MM.px!, unitsSaid };
}

function walk(
  nodes: readonly Node[],
  transforms: readonly string[],
  shapes: Shape[],
  left: Set<string>,
): void {
  // Deeper than any drawing program goes: it was made to be a burden.
  if (transforms.length > DEEPEST)
    throw new RangeError(`The drawing is nested deeper than ${DEEPEST} groups.`);
  for (const node of nodes) {
    const tag = Object.keys(node).find((key) => key !== ':@' && key !== '#text');
    const attributes = attributesOf(node);
    if (tag === undefined || UNSEEN.has(tag) || isHidden(attributes)) continue;
    const leftOut = LEFT_OUT.get(tag);
    if (leftOut !== undefined) {
      left.add(leftOut);
      continue;
    }
    if (Object.keys(attributes).some((key) => /^on/i.test(key))) left.add('what would run as a script');
    // The innermost transform comes first.
    const all = [attributes.transform ?? '', ...transforms];
    const d = pathOf(tag, attributes);
    if (d !== null)
      shapes.push({
        name: attributes.id ?? tag,
        d: all.reduce((path, transform) => path.transform(transform), svgpath(d).abs().unarc()).toString(),
      });
    walk(node[tag] as Node[], all, shapes, left);
  }
}

const isHidden = ({ display, visibility, style = '' }: Record<string, string>): boolean =>
  display === 'none' || visibility === 'hidden' || /(display\s*:\s*none|visibility\s*:\s*hidden)/.test(style);

function pathOf(tag: string, of: Record<string, string>): string | null {
  const n = (key: string) => Number(of[key] ?? 0) || 0;
  switch (tag) {
    case 'path':
      return of.d ?? '';
    case 'rect':
      return rectangle(n('x'), n('y'), n('width'), n('height'), n('rx') || n('ry'), n('ry') || n('rx'));
    case 'circle':
    case 'ellipse': {
      const [rx, ry] = tag === 'circle' ? [n('r'), n('r')] : [n('rx'), n('ry')];
      return `M${n('cx') - rx} ${n('cy')}a${rx} ${ry} 0 0 1 ${2 * rx} 0a${rx} ${ry} 0 0 1 ${-2 * rx} 0Z`;
    }
    case 'polygon':
      return of.points ? `M${of.points.trim()}Z` : '';
    default:
      return null;
  }
}

/** A rectangle, its corners rounded as far as it goes. */
function rectangle(x: number, y: number, width: number, height: number, rx: number, ry: number): string {
  const [a, b] = [Math.min(rx, width / 2), Math.min(ry, height / 2)];
  if (!(a > 0 && b > 0)) return `M${x} ${y}h${width}v${height}h${-width}Z`;
  const corner = (dx: number, dy: number) => `a${a} ${b} 0 0 1 ${dx} ${dy}`;
  return [
    `M${x + a} ${y}h${width - 2 * a}${corner(a, b)}v${height - 2 * b}${corner(-a, b)}`,
    `h${2 * a - width}${corner(-a, -b)}v${2 * b - height}${corner(a, -b)}Z`,
  ].join('');
}

function outlineOf(
  shapes: readonly Shape[],
  mmPerUnit: number,
  left: Set<string>,
): Omit<DrawnOutline, 'unitsSaid'> {
  const drawn = shapes.flatMap(({ name, d }) => {
    const path = svgpath(d).scale(mmPerUnit).round(3).toString();
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
  return {
    outline,
    openings,
    box,
    left: [...left],
  };
}
