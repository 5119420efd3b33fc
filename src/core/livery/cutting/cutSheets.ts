import type { PagePath, PrintedPage } from '../../formats/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Typeface } from '../artwork/readTypeface.ts';
import type { Point } from '../geometry/readOutline.ts';
import { ringsPath } from '../geometry/writePath.ts';
import { exactPage, exactSheet } from '../sheets/exactPage.ts';
import { layOn } from '../sheets/layOn.ts';
import { hpgl } from './hpgl.ts';
import type { MaskPiece } from './maskPieces.ts';

/** Masks of one body on sheets of film. */
export interface CutSheets {
  /** To be printed and cut by hand: with a bar to measure, made up for what the printer adds or takes away. */
  printed: PrintedPage[];
  /** Lines to cut alone, for a cutter that reads drawings, and as plots for one that does not. */
  pages: PrintedPage[];
  plots: string[];
  leastSheets: number;
  /** Pieces larger than the sheet: left out. */
  tooLarge: MaskPiece[];
}

const CUT = '#000000';

/** Lays masks on the fewest sheets, as lines to cut. Holes come before the edge around them: afterwards a piece is loose. */
export function cutSheets(pieces: readonly MaskPiece[], printing: Printing, font: Typeface): CutSheets {
  const exact = exactSheet(printing);
  const { width, height } = exact;
  const { tooLarge, packing } = layOn(exact.sheet, printing.gapMm, pieces, () => 1);
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const sheets = packing.sheets.map(({ placements }) =>
    placements.flatMap(({ id, x, y, turned }) => {
      const { rings, height: tall } = byId.get(id)!;
      const [edge, ...holes] = rings;
      const placed = ([px, py]: Point): Point => (turned ? [x + tall - py, y + px] : [x + px, y + py]);
      return [...holes, edge!].map((ring) => ring.map(placed));
    }),
  );
  const knife = { offsetMm: printing.bladeOffsetMm, overcutMm: printing.overcutMm };
  return {
    printed: sheets.map((rings) => exactPage(exact, rings.map(lineOf), font)),
    pages: sheets.map((rings) => ({ width, height, paths: rings.map(lineOf) })),
    plots: sheets.map((rings) => hpgl(rings, height, knife)),
    leastSheets: packing.leastSheets,
    tooLarge,
  };
}

const lineOf = (ring: readonly Point[]): PagePath => ({
  d: ringsPath([ring], 3),
  stroke: CUT,
  strokeMm: 0.1,
});
