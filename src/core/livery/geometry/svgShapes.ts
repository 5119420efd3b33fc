import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import svgpath from 'svgpath';

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
export interface SvgShape {
  name: string;
  /** In units of the drawing. */
  d: string;
  /** As SVG writes it, inherited where it says none itself: "none" for a line. */
  fill: string;
  /** An edge is drawn as well. */
  isStroked: boolean;
  /** Filled by turns. */
  isEvenOdd: boolean;
}

export interface SvgShapes {
  shapes: SvgShape[];
  mmPerUnit: number;
  /** False where the drawing says no unit: it was taken for pixels, 96 to the inch. */
  unitsSaid: boolean;
  /** What was left out, in a builder's words. */
  left: Set<string>;
}

/** The closed shapes and lines of an SVG drawing in the order in which they are painted, transforms resolved; nothing of it is
 *  run or fetched. Throws RangeError, saying why, for what is no such drawing. */
export function svgShapes(text: string): SvgShapes {
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
  const shapes: SvgShape[] = [];
  walk(root.svg as Node[], { transforms: [], paint: paintOf(attributesOf(root), PAINT) }, shapes, left);
  if (shapes.length > MOST_SHAPES)
    throw new RangeError(`The drawing has more than ${MOST_SHAPES} shapes: save the outline alone.`);
  return { shapes, left, ...scaleOf(attributesOf(root)) };
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

const PAINT = { fill: 'black', stroke: 'none', 'fill-rule': 'nonzero' } as const;
type Paint = Record<keyof typeof PAINT, string>;

/** What a shape takes from the groups that it is in, the innermost transform first. */
interface Inherited {
  transforms: readonly string[];
  paint: Paint;
}

/** How an element is painted: as it says, in its style or beside it, or as what it is in. */
function paintOf(of: Record<string, string>, outer: Paint): Paint {
  const said = (key: keyof Paint) =>
    new RegExp(`(?:^|;)\\s*${key}\\s*:\\s*([^;]+)`).exec(of.style ?? '')?.[1]?.trim() ??
    of[key] ??
    outer[key];
  return { fill: said('fill'), stroke: said('stroke'), 'fill-rule': said('fill-rule') };
}

function walk(
  nodes: readonly Node[],
  { transforms, paint }: Inherited,
  shapes: SvgShape[],
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
    const all = [attributes.transform ?? '', ...transforms];
    const own = paintOf(attributes, paint);
    const d = pathOf(tag, attributes);
    if (d !== null)
      shapes.push({
        name: attributes.id ?? tag,
        fill: tag === 'line' ? 'none' : own.fill,
        isStroked: own.stroke !== 'none',
        isEvenOdd: own['fill-rule'] === 'evenodd',
        d: all.reduce((path, transform) => path.transform(transform), svgpath(d).abs().unarc()).toString(),
      });
    walk(node[tag] as Node[], { transforms: all, paint: own }, shapes, left);
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
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
      return of.points ? `M${of.points.trim()}` : '';
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
