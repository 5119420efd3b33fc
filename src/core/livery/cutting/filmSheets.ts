import type { PagePath, PrintedPage } from '../../formats/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Typeface } from '../artwork/readTypeface.ts';
import type { Point } from '../geometry/readOutline.ts';
import { coursePath, ringsPath } from '../geometry/writePath.ts';
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
          const here = (points: readonly Point[]) => points.map(([px, py]): Point => [px + x, py + y]);
          const open = (points: readonly Point[]) => coursePath(here(points), 3);
          const closed = (points: readonly Point[]) => ringsPath([here(points)], 3);
          return [
            ...fold.map((ring) => ({ d: closed(ring), ...LINES.fold })),
            ...arrow.map((points) => ({ d: open(points), ...LINES.weave })),
            ...slits.map((points) => ({ d: open(points), ...LINES.cut })),
            ...rings.map((ring) => ({ d: closed(ring), ...LINES.cut })),
          ];
        }),
        font,
      ),
    ),
    tooLarge,
  };
}
