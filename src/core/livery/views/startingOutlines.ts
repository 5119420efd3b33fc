import svgpath from 'svgpath';
import { VIEW_MM, type LiveryView, type ViewSide } from '../../kit/index.ts';

/** What a view can begin with: an outline and its openings in a box of some size, to be stretched. */
export interface ViewSource {
  name: string;
  sides: readonly ViewSide[];
  box: { width: number; height: number };
  outline: string;
  openings: readonly { name: string; path: string }[];
  /** Moulded lines, open or closed. */
  lines?: readonly { name: string; path: string }[];
  /** Surface for every mm2 seen. */
  slope: number;
  /** Drawn with the front on the left: on the right side of the model it is the other way round. */
  isLeft?: true;
}

/** A plain outline of our own, in a box of 100 by 100: x to the right (the front is on the left), y downward. */
interface StartingOutline extends Omit<ViewSource, 'box'> {
  /** Length and height of an ordinary one, mm of the real thing. */
  realMm: { length: number; height: number };
}

const BOX = { width: 100, height: 100 };

/** A round wheel arch; `flat`: length over height of the whole outline. */
const arch = (x: number, r: number, flat: number) => `M${x - r} 100 A${r} ${r * flat} 0 0 1 ${x + r} 100 Z`;

/** Drawn for Fanfare: no vehicle that was ever built. */
export const STARTING_OUTLINES = {
  coupe: {
    name: 'Coupe, from the side',
    sides: ['left', 'right'],
    realMm: { length: 4500, height: 1100 },
    outline: 'M1 78 L2 52 Q5 38 26 34 L38 8 Q42 1 56 1 Q68 2 76 30 L96 36 Q100 42 99 78 L98 100 L3 100 Z',
    openings: [
      { name: 'side glass', path: 'M32 33 L41 12 Q44 8 56 8 Q65 9 71 32 Z' },
      { name: 'front arch', path: arch(19, 8, 4.1) },
      { name: 'rear arch', path: arch(80, 8, 4.1) },
    ],
    lines: [{ name: 'crease along the side', path: 'M3 56 Q45 48 97 54' }],
    slope: 1.15,
  },
  open: {
    name: 'Open car, from the side',
    sides: ['left', 'right'],
    realMm: { length: 4500, height: 820 },
    outline: 'M1 72 L2 40 Q5 20 34 13 L42 10 L66 10 Q72 3 88 12 L97 17 Q100 26 99 72 L98 100 L3 100 Z',
    openings: [
      { name: 'front arch', path: arch(19, 7, 5.5) },
      { name: 'rear arch', path: arch(80, 7, 5.5) },
    ],
    slope: 1.15,
  },
  saloon: {
    name: 'Saloon, from the side',
    sides: ['left', 'right'],
    realMm: { length: 4700, height: 1250 },
    outline:
      'M1 76 L2 50 Q4 40 25 37 L34 6 Q36 1 42 1 L68 1 Q73 2 78 36 L97 40 Q100 48 99 76 L98 100 L3 100 Z',
    openings: [
      { name: 'front side glass', path: 'M30 36 L37 9 L53 9 L53 36 Z' },
      { name: 'rear side glass', path: 'M55 36 L55 9 L67 9 Q70 12 73 36 Z' },
      { name: 'front arch', path: arch(18, 8, 3.8) },
      { name: 'rear arch', path: arch(80, 8, 3.8) },
    ],
    lines: [{ name: 'waist moulding', path: 'M2 54 Q40 46 98 52' }],
    slope: 1.12,
  },
  cab: {
    name: 'Cab and bonnet, from the side',
    sides: ['left', 'right'],
    realMm: { length: 3000, height: 2200 },
    outline: 'M1 100 L2 52 Q4 44 44 42 L50 4 Q51 1 56 1 L97 1 Q99 2 99 6 L99 100 Z',
    openings: [
      { name: 'door glass', path: 'M54 42 L58 10 L84 10 L84 42 Z' },
      { name: 'front arch', path: arch(22, 16, 1.4) },
    ],
    slope: 1.08,
  },
  box: {
    name: 'Box or body side, flat',
    sides: ['left', 'right', 'deck', 'rear'],
    realMm: { length: 5000, height: 2000 },
    outline: 'M0 0 H100 V100 H0 Z',
    openings: [],
    slope: 1,
  },
  tank: {
    name: 'Tank, from the side',
    sides: ['tank-left', 'tank-right'],
    realMm: { length: 620, height: 260 },
    outline: 'M2 62 C2 20 18 2 40 2 C66 2 84 22 98 66 C98 84 92 96 84 97 L20 97 C8 96 2 84 2 62 Z',
    openings: [],
    slope: 1.3,
  },
  mudguard: {
    name: 'Mudguard, rolled out',
    sides: ['top'],
    realMm: { length: 1100, height: 130 },
    outline: 'M4 0 H96 Q100 50 96 100 H4 Q0 50 4 0 Z',
    openings: [],
    slope: 1.2,
  },
  panel: {
    name: 'Panel or plate, flat',
    sides: ['panel', 'deck', 'front', 'top'],
    realMm: { length: 500, height: 120 },
    outline: 'M3 0 H97 Q100 0 100 10 V90 Q100 100 97 100 H3 Q0 100 0 90 V10 Q0 0 3 0 Z',
    openings: [],
    slope: 1,
  },
} as const satisfies Record<string, StartingOutline>;

export type StartingOutlineId = keyof typeof STARTING_OUTLINES;

/** Two decimals are a hundredth of a millimetre. */
const mm = (path: ReturnType<typeof svgpath>): string => path.round(2).toString();

/** One of our own outlines as a source of views. */
export const startingOutline = (id: StartingOutlineId): ViewSource & Pick<StartingOutline, 'realMm'> => ({
  ...STARTING_OUTLINES[id],
  box: BOX,
  isLeft: true,
});

/** An outline with its openings stretched to a length and a height, mm on the model, as it is seen from a side. Throws RangeError for sizes that no
 *  view has. */
export function stretched(
  { box, outline, openings, lines = [], slope, isLeft }: ViewSource,
  lengthMm: number,
  heightMm: number,
  side: ViewSide,
): Pick<LiveryView, 'outline' | 'slope' | 'openings' | 'mouldings'> {
  for (const size of [lengthMm, heightMm])
    if (!(size >= VIEW_MM.least && size <= VIEW_MM.most))
      throw new RangeError(
        `A view of ${lengthMm} by ${heightMm} mm cannot be: give both from ${VIEW_MM.least} to ${VIEW_MM.most} mm.`,
      );
  const [x, y] = [lengthMm / box.width, heightMm / box.height];
  const isTurned = isLeft && side.endsWith('right');
  const stretch = (path: string) => {
    const fitted = mm(svgpath(path).abs().unarc().scale(x, y));
    return isTurned ? mirroredPath(fitted, lengthMm) : fitted;
  };
  return {
    outline: stretch(outline),
    openings: openings.map(({ name, path }, at) => ({ id: `opening-${at + 1}`, name, path: stretch(path) })),
    mouldings: lines.map(({ name, path }, at) => ({ id: `line-${at + 1}`, name, path: stretch(path) })),
    slope,
  };
}

/** A path as it is on the other side of the model: mirrored about the middle of a view so long. */
export const mirroredPath = (path: string, lengthMm: number): string =>
  mm(svgpath(path).abs().unarc().scale(-1, 1).translate(lengthMm, 0));

/** A path mirrored about a lying middle, in a view whose box so high. */
export const flippedPath = (path: string, heightMm: number): string =>
  mm(svgpath(path).abs().unarc().scale(1, -1).translate(0, heightMm));

/** A path moved by so much, mm. */
export const movedPath = (path: string, dx: number, dy: number): string =>
  mm(svgpath(path).abs().translate(dx, dy));
