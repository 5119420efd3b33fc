import type { PagePath, PrintedPage } from '../../formats/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Point } from '../geometry/readOutline.ts';
import { packingFaults } from '../sheets/packingFaults.ts';
import { packSheets } from '../sheets/packSheets.ts';
import { fitsOn, sheetSize } from '../sheets/sheetSize.ts';
import { hpgl } from './hpgl.ts';
import type { MaskPiece } from './maskPieces.ts';

/** Masks of one body on sheets of film. */
export interface CutSheets {
  pages: PrintedPage[];
  /** A file for a cutter, for each page. */
  plots: string[];
  leastSheets: number;
  /** Pieces larger than the sheet: left out. */
  tooLarge: MaskPiece[];
}

const CUT = '#000000';

/** Lays masks on the fewest sheets, as lines to cut. */
export function cutSheets(pieces: readonly MaskPiece[], printing: Printing): CutSheets {
  const [width, height] = sheetSize(printing);
  const sheet = { width, height, margin: printing.marginMm };
  const laid = pieces.filter((piece) => fitsOn(sheet, piece));
  const question = {
    sheet,
    gap: printing.gapMm,
    items: laid.map(({ id, width: wide, height: tall }) => ({
      id,
      width: wide,
      height: tall,
      count: 1,
      turn: true,
    })),
  };
  const packing = packSheets(question);
  const faults = packingFaults(question, packing);
  if (faults.length > 0) throw new Error(`The sheets do not hold what they should: ${faults[0]!}`);
  const byId = new Map(laid.map((piece) => [piece.id, piece]));
  const sheets = packing.sheets.map(({ placements }) =>
    placements.flatMap(({ id, x, y, turned }) => {
      const { rings, height: tall } = byId.get(id)!;
      const placed = ([px, py]: Point): Point => (turned ? [x + tall - py, y + px] : [x + px, y + py]);
      return rings.map((ring) => ring.map(placed));
    }),
  );
  const knife = { offsetMm: printing.bladeOffsetMm, overcutMm: printing.overcutMm };
  return {
    pages: sheets.map((rings) => ({ width, height, paths: rings.map(lineOf) })),
    plots: sheets.map((rings) => hpgl(rings, height, knife)),
    leastSheets: packing.leastSheets,
    tooLarge: pieces.filter((piece) => !laid.includes(piece)),
  };
}

const lineOf = (ring: readonly Point[]): PagePath => ({
  d: `M${ring.map(([x, y]) => `${x.toFixed(3)} ${y.toFixed(3)}`).join('L')}Z`,
  stroke: CUT,
  strokeMm: 0.1,
});
