import svgpath from 'svgpath';
import { hexToLab } from '../../colour/index.ts';
import { type PagePath, type PrintedPage } from '../../formats/index.ts';
import type { Marking, Printing } from '../../kit/index.ts';
import { drawArtwork, type DrawnArtwork } from '../artwork/drawArtwork.ts';
import { outlineOf, rectangle } from '../artwork/plainShapes.ts';
import { faceOf, type Faces } from '../artwork/typefaces.ts';
import { grown, regionOfPath, regionPath, together } from '../geometry/region.ts';
import { mirroredPath } from '../views/startingOutlines.ts';
import { PALE } from '../markings/markingRoutes.ts';
import { exactPage, exactSheet } from './exactPage.ts';
import { layOn } from './layOn.ts';
import { notesOnPicture, placedPicture, type KeptPicture, type Place } from './printedPicture.ts';

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

/** What artwork is drawn with: typefaces, and pictures by their ids. */
export interface PrintMaterials {
  faces: Faces;
  pictures?: ReadonlyMap<string, KeptPicture>;
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
  { faces, pictures = new Map() }: PrintMaterials,
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
    laid.map((marking) => {
      const { font, isMissing } = faceOf(faces, marking.artwork.face);
      const drawn = asPrinted(marking, drawArtwork(marking.artwork, marking, font, scale));
      const picture =
        marking.artwork.kind === 'picture' ? (pictures.get(marking.pictureId ?? '') ?? null) : undefined;
      return [marking.id, { marking, drawn, picture, isMissing }] as const;
    }),
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
          placements.flatMap((place) => {
            const { marking, drawn, picture } = byId.get(place.id)!;
            // Placements count from below; on a page the first lie at the top.
            return placedPaths(plate === 'white' ? asWhite(marking, drawn, picture) : drawn, marking, place);
          }),
          faces.usual,
          plate === 'white'
            ? []
            : placements.flatMap((place) => {
                const { marking, picture } = byId.get(place.id)!;
                return picture ? [placedPicture(picture, marking, place)] : [];
              }),
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
      ...[...byId.values()].flatMap(({ marking, drawn, picture, isMissing }) =>
        [
          ...notesOn(marking, drawn, printing),
          ...(isMissing ? ['its typeface is not on this bench: it is lettered in the usual one'] : []),
          ...notesOnPicture(marking, picture, printing),
        ].map((what) => ({ markingId: marking.id, what })),
      ),
    ],
    copies,
  };
}

/** How far the white stays within the colours over it, so that none shows beside them, mm. */
export const CHOKE_MM = 0.05;
const WHITE_PLATE = '#000000';

/** The plate of white under an artwork: all that is printed on film, a little less; paper is white by itself. */
function asWhite(
  { route, width, height }: Marking,
  drawn: DrawnArtwork,
  picture: KeptPicture | null | undefined,
): DrawnArtwork {
  if (route === 'paper') return { ...drawn, shapes: [] };
  const printed = [...drawn.shapes.map(({ d }) => d), ...(picture ? [rectangle(0, 0, width, height)] : [])];
  const all = together(printed.map(regionOfPath));
  const d = regionPath(grown(all, -CHOKE_MM));
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
function placedPaths({ shapes }: DrawnArtwork, marking: Marking, { x, y, turned }: Place): PagePath[] {
  const placed = (d: string) =>
    (turned ? svgpath(d).rotate(90).translate(marking.height, 0) : svgpath(d)).translate(x, y).toString();
  return [
    ...shapes.map(({ d, fill }) => ({ d: placed(d), fill })),
    { d: placed(outlineOf(marking)), stroke: LINE, strokeMm: 0.05, dashMm: 1 },
  ];
}
