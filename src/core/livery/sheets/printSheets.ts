import svgpath from 'svgpath';
import { type PagePath, type PrintedPage } from '../../formats/index.ts';
import type { Marking, Paper, Printing } from '../../kit/index.ts';
import { drawArtwork, type DrawnArtwork } from '../artwork/drawArtwork.ts';
import { textOutline, type Typeface } from '../artwork/textOutline.ts';
import { packingFaults } from './packingFaults.ts';
import { packSheets } from './packSheets.ts';

/** Sheets by their names, mm. */
export const PAPER_SIZES: Readonly<Record<Exclude<Paper, 'own'>, readonly [number, number]>> = {
  a4: [210, 297],
  letter: [215.9, 279.4],
  a5: [148, 210],
};

export interface PrintedSheets {
  pages: PrintedPage[];
  /** No way of laying them takes fewer. */
  leastSheets: number;
  /** What of a marking is too fine to print, or has no artwork. */
  notes: { markingId: string; what: string }[];
  /** Markings printed, with their copies. */
  copies: { markingId: string; count: number }[];
}

const BAR_MM = 50;
/** Kept free below the markings for the bar and its words, mm. */
const FOOT = 9;
const LINE = '#888888';

/** Whether a marking comes off a printer. */
export const isPrinted = ({ route }: Pick<Marking, 'route'>): boolean =>
  route === 'print' || route === 'paper';

/** Luminance from which transparent ink on white is hardly ink. */
const PALE = 0.55;

/** Whether an ink, #rrggbb, is pale: by its luminance (IEC 61966-2-1 and ITU-R BT.709). */
function isPale(hex: string): boolean {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b! > PALE;
}

/** Size of the sheet, mm. */
export const sheetSize = ({ paper, widthMm, heightMm }: Printing): readonly [number, number] =>
  paper === 'own' ? [widthMm, heightMm] : PAPER_SIZES[paper];

/** The pages of all markings that are printed, at exact scale: cut lines around each, a bar of 50 mm to measure, and marks in
 *  the corners. A printer that is off by some is met by its factor. `scale`: denominator of the model's. Throws RangeError,
 *  naming it, for a marking that fits no sheet. */
export function printSheets(
  markings: readonly Marking[],
  printing: Printing,
  font: Typeface,
  scale: number,
): PrintedSheets {
  const printed = markings.filter(isPrinted);
  const drawn = new Map(
    printed.map((marking) => [marking.id, drawArtwork(marking.artwork, marking, font, scale)]),
  );
  const notes = printed.flatMap(({ id, artwork }) => [
    ...(artwork.kind === 'none'
      ? [{ markingId: id, what: 'it has no artwork: only its outline is printed, to be filled in elsewhere' }]
      : []),
    ...(artwork.kind !== 'none' && artwork.ground === '' && isPale(artwork.ink)
      ? [
          {
            markingId: id,
            what: 'pale ink on bare film: a printer that lays no white prints next to nothing there; take white film, or give it a ground',
          },
        ]
      : []),
    ...drawn.get(id)!.tooFine.map((what) => ({ markingId: id, what: `too fine to print: ${what}` })),
  ]);
  const copies = printed.map(({ id, count }) => ({ markingId: id, count: count + printing.spares }));
  // What the printer makes of a millimetre: the page that it fills is smaller or larger than it says.
  const factor = BAR_MM / printing.barMm;
  const [width, height] = sheetSize(printing);
  const sheet = {
    width: width / factor,
    height: height / factor - FOOT,
    margin: printing.marginMm / factor,
  };
  const question = {
    sheet,
    gap: printing.gapMm,
    items: printed.map(({ id, width: wide, height: tall }, at) => ({
      id,
      width: wide,
      height: tall,
      count: copies[at]!.count,
      turn: true,
    })),
  };
  const packing = packSheets(question);
  const faults = packingFaults(question, packing);
  if (faults.length > 0) throw new Error(`The sheets do not hold what they should: ${faults[0]!}`);
  const byId = new Map(printed.map((marking) => [marking.id, marking]));
  return {
    pages: packing.sheets.map(({ placements }) => ({
      width,
      height,
      paths: [
        ...placements.flatMap(({ id, x, y, turned }) => {
          const marking = byId.get(id)!;
          // Placements count from below; on a page the first lie at the top.
          return placedPaths(drawn.get(id)!, marking, x, y, turned);
        }),
        ...pageMarks(sheet, font),
      ].map((path) => ({ ...path, d: svgpath(path.d).scale(factor).round(4).toString() })),
    })),
    leastSheets: packing.leastSheets,
    notes,
    copies,
  };
}

/** A marking on the page, turned a quarter where it lies on its side, with a line to cut along. */
function placedPaths(
  { shapes }: DrawnArtwork,
  { width, height, round }: Marking,
  x: number,
  y: number,
  turned: boolean,
): PagePath[] {
  const placed = (d: string) =>
    (turned ? svgpath(d).rotate(90).translate(height, 0) : svgpath(d)).translate(x, y).toString();
  const edge = round
    ? `M0 ${height / 2}a${width / 2} ${height / 2} 0 0 1 ${width} 0a${width / 2} ${height / 2} 0 0 1 ${-width} 0Z`
    : `M0 0h${width}v${height}h${-width}Z`;
  return [
    ...shapes.map(({ d, fill }) => ({ d: placed(d), fill })),
    { d: placed(edge), stroke: LINE, strokeMm: 0.05, dashMm: 1 },
  ];
}

/** The bar to measure, and crosses by which a second pass finds its place. */
function pageMarks(
  { width, height, margin }: { width: number; height: number; margin: number },
  font: Typeface,
): PagePath[] {
  const bar = Math.min(BAR_MM, width - 2 * margin);
  const y = height + 1;
  const cross = (x: number, at: number) => `M${x - 2} ${at}h4M${x} ${at - 2}v4`;
  const inset = Math.max(3, margin / 2);
  return [
    { d: `M${margin} ${y}h${bar}v1.5h${-bar}Z`, fill: '#000000' },
    {
      d: textOutline(font, `measure me: ${bar === BAR_MM ? BAR_MM : bar.toFixed(1)} mm`, {
        x: margin + bar / 2,
        y: y + 4,
        width: bar,
        height: 2,
      }).d,
      fill: '#000000',
    },
    ...[inset, width - inset].flatMap((x) =>
      [inset, height + FOOT - inset].map((at) => ({ d: cross(x, at), stroke: '#000000', strokeMm: 0.1 })),
    ),
  ];
}
