import type { FlatDrawing, LineKind } from '../../detail/index.ts';
import type { PagePath, PrintedPage } from '../../formats/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Typeface } from '../artwork/readTypeface.ts';
import { textOutline } from '../artwork/textOutline.ts';
import { coursePath, ringsPath } from '../geometry/writePath.ts';
import { exactPage, exactSheet } from './exactPage.ts';
import { layOn } from './layOn.ts';

export interface DrawingSheets {
  pages: PrintedPage[];
  /** Ids of drawings that are larger than the sheet within its margins. */
  tooLarge: string[];
}

/** How each kind of line is printed: what is only folded or measured by is told apart without colour. */
const PRINTED_LINES: Readonly<Record<LineKind, Omit<PagePath, 'd'>>> = {
  cut: { stroke: '#000000', strokeMm: 0.15 },
  fold: { stroke: '#777777', strokeMm: 0.1, dashMm: 0.8 },
  line: { stroke: '#000000', strokeMm: 0.2 },
  thin: { stroke: '#777777', strokeMm: 0.1 },
};
/** Under lines that are cut, so that a blade follows these. */
const ORDER: readonly LineKind[] = ['thin', 'fold', 'line', 'cut'];

/** Drawings on the fewest sheets found, at exact scale, each by its id as often as `copies` says. None is turned where it
 *  must keep its direction against the sheet. */
export function drawingSheets(
  drawings: readonly FlatDrawing[],
  printing: Printing,
  font: Typeface,
  { turn = false, copies = () => 1 }: { turn?: boolean; copies?: (id: string) => number } = {},
): DrawingSheets {
  const exact = exactSheet(printing);
  const { tooLarge, packing } = layOn(exact.sheet, printing.gapMm, drawings, ({ id }) => copies(id), {
    turn,
  });
  const byId = new Map(drawings.map((drawing) => [drawing.id, drawing]));
  return {
    pages: packing.sheets.map(({ placements }) =>
      exactPage(
        exact,
        placements.flatMap(({ id, x, y, turned }) => drawnAt(byId.get(id)!, x, y, turned, font)),
        font,
      ),
    ),
    tooLarge: tooLarge.map(({ id }) => id),
  };
}

function drawnAt(
  { lines, labels, height, fills = [] }: FlatDrawing,
  x: number,
  y: number,
  turned: boolean,
  font: Typeface,
): PagePath[] {
  // A quarter turn clockwise: what was its height is its width.
  const here = ([px, py]: readonly [number, number]): [number, number] =>
    turned ? [x + height - py, y + px] : [x + px, y + py];
  return [
    ...fills.map(({ ring, ink }) => ({ d: ringsPath([ring.map(here)], 3), fill: ink })),
    ...[...lines]
      .sort((p, q) => ORDER.indexOf(p.kind) - ORDER.indexOf(q.kind))
      .map(({ kind, points, closed, ink, mm }) => ({
        d: closed ? ringsPath([points.map(here)], 3) : coursePath(points.map(here), 3),
        ...PRINTED_LINES[kind],
        ...(ink === undefined ? {} : { stroke: ink }),
        ...(mm === undefined ? {} : { strokeMm: mm }),
      })),
    ...labels.map(({ at, text, mm, ink = '#000000' }) => {
      const [tx, ty] = here(at);
      return { d: textOutline(font, text, { x: tx, y: ty, height: mm, width: 1000 }).d, fill: ink };
    }),
  ];
}
