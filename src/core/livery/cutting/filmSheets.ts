import type { PagePath, PrintedPage } from '../../formats/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Typeface } from '../artwork/textOutline.ts';
import type { Point } from '../geometry/readOutline.ts';
import { exactPage, exactSheet } from '../sheets/exactPage.ts';
import { layOn } from '../sheets/layOn.ts';
import type { FilmTemplate } from './filmTemplates.ts';

export interface FilmSheets {
  pages: PrintedPage[];
  tooLarge: FilmTemplate[];
}

const LINES = {
  cut: { stroke: '#000000', strokeMm: 0.15 },
  fold: { stroke: '#777777', strokeMm: 0.1, dashMm: 0.8 },
  weave: { stroke: '#777777', strokeMm: 0.2 },
} as const;

/** Templates on sheets at exact scale, to be laid over the film: none is turned, so that every arrow keeps its direction
 *  against the sheet. */
export function filmSheets(
  templates: readonly FilmTemplate[],
  printing: Printing,
  font: Typeface,
): FilmSheets {
  const exact = exactSheet(printing);
  const { tooLarge, packing } = layOn(exact.sheet, printing.gapMm, templates, () => 1, { turn: false });
  const byId = new Map(templates.map((template) => [template.id, template]));
  return {
    pages: packing.sheets.map(({ placements }) =>
      exactPage(
        exact,
        placements.flatMap(({ id, x, y }): PagePath[] => {
          const { rings, slits, fold, arrow } = byId.get(id)!;
          const line = (points: readonly Point[], isClosed: boolean) =>
            `M${points.map(([px, py]) => `${px + x} ${py + y}`).join('L')}${isClosed ? 'Z' : ''}`;
          return [
            ...fold.map((ring) => ({ d: line(ring, true), ...LINES.fold })),
            ...arrow.map((points) => ({ d: line(points, false), ...LINES.weave })),
            ...slits.map((points) => ({ d: line(points, false), ...LINES.cut })),
            ...rings.map((ring) => ({ d: line(ring, true), ...LINES.cut })),
          ];
        }),
        font,
      ),
    ),
    tooLarge,
  };
}
