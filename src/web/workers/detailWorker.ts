import { expose } from 'comlink';
import { allocateEngines, cutStock, type CutQuestion, type FlatDrawing } from '../../core/detail/index.ts';
import { pagesPdf, pageSvg } from '../../core/formats/index.ts';
import type { Printing } from '../../core/kit/index.ts';
import { drawingSheets } from '../../core/livery/index.ts';
import { seenDetail } from '../../core/plan/index.ts';
import { usualFace } from './printMaterials.ts';

/** Drawings on sheets at exact scale, as one PDF and as an SVG for each sheet. */
async function printDrawings(
  drawings: readonly FlatDrawing[],
  copies: Readonly<Record<string, number>>,
  printing: Printing,
  title: string,
) {
  const { pages, tooLarge } = drawingSheets(drawings, printing, await usualFace(), {
    turn: true,
    copies: (id) => copies[id] ?? 1,
  });
  return {
    tooLarge,
    pdf: pages.length > 0 ? await pagesPdf(pages, title) : undefined,
    sheets: pages.map(pageSvg),
  };
}

/** Each group of pieces cut from the stock that is thick enough for it. */
const cutAll = (groups: readonly ({ id: string } & CutQuestion)[]) =>
  groups.map(({ id, ...question }) => ({ id, plan: cutStock(question) }));

const detailWorker = { printDrawings, cutAll, seenDetail, allocateEngines };
export type DetailWorker = typeof detailWorker;
export type CutGroups = ReturnType<typeof cutAll>;
export type PrintedDrawings = Awaited<ReturnType<typeof printDrawings>>;
expose(detailWorker);
