import type { FlatDrawing } from '../../detail/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Typeface } from '../artwork/readTypeface.ts';
import { drawingSheets, type DrawingSheets } from '../sheets/drawingSheets.ts';
import type { FilmTemplate } from './filmTemplates.ts';

/** Templates on sheets at exact scale, to be laid over the film: none is turned, so that every arrow keeps its direction
 *  against the sheet. */
export const filmSheets = (
  templates: readonly FilmTemplate[],
  printing: Printing,
  font: Typeface,
): DrawingSheets => drawingSheets(templates.map(drawn), printing, font);

const drawn = ({ id, width, height, rings, slits, fold, arrow }: FilmTemplate): FlatDrawing => ({
  id,
  width,
  height,
  lines: [
    ...rings.map((points) => ({ kind: 'cut' as const, points, closed: true as const })),
    ...slits.map((points) => ({ kind: 'cut' as const, points })),
    ...fold.map((points) => ({ kind: 'fold' as const, points, closed: true as const })),
    ...arrow.map((points) => ({ kind: 'thin' as const, points })),
  ],
  labels: [],
});
