import svgpath from 'svgpath';
import { hexToLab } from '../../colour/index.ts';
import { type PagePath, type PrintedPage } from '../../formats/index.ts';
import type { Marking, Printing } from '../../kit/index.ts';
import { drawArtwork, outlineOf, type DrawnArtwork } from '../artwork/drawArtwork.ts';
import { readOutline } from '../geometry/readOutline.ts';
import { grown, regionOf, ringsOf, together } from '../geometry/region.ts';
import { mirroredPath } from '../views/startingOutlines.ts';
import { PALE } from '../markings/markingRoutes.ts';
import type { Typeface } from '../artwork/textOutline.ts';
import { exactPage, exactSheet } from './exactPage.ts';
import { layOn } from './layOn.ts';

/** What a page prints: the colours of a sheet, or the white under them. */
export type Plate = 'colours' | 'white';

export interface PrintedSheets {
  pages: (PrintedPage & { plate: Plate; sheet: number })[];
  /** Sheets of film; each has a page for every plate. */
  sheets: number;
  /** No way of laying them takes fewer. */
  leastSheets: number;
  /** What of a marking is too fine to print, or has no artwork. */
  notes: { markingId: string; what: string }[];
  /** Markings printed, with their copies. */
  copies: { markingId: string; count: number }[];
}

const LINE = '#888888';

/** Whether a marking comes off a printer. */
export const isPrinted = ({ route }: Pick<Marking, 'route'>): boolean =>
  route === 'print' || route === 'paper';

/** The pages of all markings that are printed, at exact scale: cut lines around each, a bar of 50 mm to measure, and marks in
 *  the corners. A printer that is off by some is met by its factor. What is larger than the sheet is left out and named.
 *  `scale`: denominator of the model's. */
export function printSheets(
  markings: readonly Marking[],
  printing: Printing,
  font: Typeface,
  scale: number,
): PrintedSheets {
  const exact = exactSheet(printing);
  const all = markings.filter(isPrinted);
  const { laid, tooLarge, packing } = layOn(
    exact.sheet,
    printing.gapMm,
    all,
    ({ count }) => count + printing.spares,
  );
  const byId = new Map(
    laid.map((marking) => [
      marking.id,
      { marking, drawn: asPrinted(marking, drawArtwork(marking.artwork, marking, font, scale)) },
    ]),
  );
  const copies = laid.map(({ id, count }) => ({ markingId: id, count: count + printing.spares }));
  const plates: Plate[] = printing.whitePlate ? ['colours', 'white'] : ['colours'];
  return {
    pages: packing.sheets.flatMap(({ placements }, at) =>
      plates.map((plate) => ({
        plate,
        sheet: at + 1,
        ...exactPage(
          exact,
          placements.flatMap(({ id, x, y, turned }) => {
            const { marking, drawn } = byId.get(id)!;
            // Placements count from below; on a page the first lie at the top.
            return placedPaths(plate === 'white' ? asWhite(marking, drawn) : drawn, marking, x, y, turned);
          }),
          font,
        ),
      })),
    ),
    sheets: packing.sheets.length,
    leastSheets: packing.leastSheets,
    notes: [
      ...tooLarge.map(({ id }) => ({
        markingId: id,
        what: 'larger than the sheet within its margins: left out',
      })),
      ...[...byId.values()].flatMap(({ marking, drawn }) =>
        notesOn(marking, drawn, printing).map((what) => ({ markingId: marking.id, what })),
      ),
    ],
    copies,
  };
}

/** How far the white stays within the colours over it, so that none shows beside them, mm. */
export const CHOKE_MM = 0.05;
const WHITE_PLATE = '#000000';

/** The plate of white under an artwork: all that is printed on film, a little less; paper is white by itself. */
function asWhite({ route }: Marking, drawn: DrawnArtwork): DrawnArtwork {
  if (route === 'paper') return { ...drawn, shapes: [] };
  const all = together(drawn.shapes.map(({ d }) => regionOf(readOutline(d).rings)));
  const rings = ringsOf(grown(all, -CHOKE_MM));
  const d = rings.map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join('L')}Z`).join('');
  return { ...drawn, shapes: d === '' ? [] : [{ d, fill: WHITE_PLATE }] };
}

/** From behind it is printed the other way round. */
const asPrinted = ({ behind, width }: Marking, drawn: DrawnArtwork): DrawnArtwork =>
  behind
    ? { ...drawn, shapes: drawn.shapes.map(({ d, fill }) => ({ d: mirroredPath(d, width), fill })) }
    : drawn;

/** What to know of a print before it is made. */
const notesOn = ({ artwork }: Marking, { tooFine }: DrawnArtwork, { whitePlate }: Printing): string[] => [
  ...(artwork.kind === 'none'
    ? ['it has no artwork: only its outline is printed, to be filled in elsewhere']
    : !whitePlate && artwork.ground === '' && artwork.ink !== '' && hexToLab(artwork.ink).L > PALE
      ? [
          'pale ink on bare film: a printer that lays no white prints next to nothing there; take white film, or give it a ground',
        ]
      : []),
  ...tooFine.map((what) => `too fine to print: ${what}`),
];

/** A marking on the page, turned a quarter where it lies on its side, with a line to cut along. */
function placedPaths(
  { shapes }: DrawnArtwork,
  marking: Marking,
  x: number,
  y: number,
  turned: boolean,
): PagePath[] {
  const placed = (d: string) =>
    (turned ? svgpath(d).rotate(90).translate(marking.height, 0) : svgpath(d)).translate(x, y).toString();
  return [
    ...shapes.map(({ d, fill }) => ({ d: placed(d), fill })),
    { d: placed(outlineOf(marking)), stroke: LINE, strokeMm: 0.05, dashMm: 1 },
  ];
}
