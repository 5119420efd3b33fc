import fontAddress from '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff?url';
import { expose } from 'comlink';
import { pagesPdf, pageSvg } from '../../core/formats/index.ts';
import type { Kit, Marking, Printing } from '../../core/kit/index.ts';
import {
  cutSheets,
  drawArtwork,
  maskPieces,
  measureViews,
  placeMarkings,
  planLivery,
  printSheets,
  readSvg,
  readTypeface,
  type LiveryInput,
  type Typeface,
} from '../../core/livery/index.ts';

let typeface: Promise<Typeface> | undefined;
/** The signwriter's face in which artwork is lettered. */
const lettered = (): Promise<Typeface> =>
  (typeface ??= fetch(fontAddress)
    .then((answer) => answer.arrayBuffer())
    .then(readTypeface)
    .catch((failure: unknown) => {
      // Asked for again, it may be there.
      typeface = undefined;
      throw failure;
    }));

/** Several bodies, each with an order of colours of its own. */
const planLiveries = (bodies: readonly (LiveryInput & { id: string })[]) =>
  bodies.map((body) => ({ id: body.id, ...planLivery(body) }));

/** Where every marking of a kit lies, and its artwork in its size. */
async function placeAndDraw(kit: Kit, scale: number) {
  const font = await lettered();
  return placeMarkings(kit).map((placed) => ({
    ...placed,
    drawn: drawArtwork(placed.marking.artwork, placed.marking, font, scale),
  }));
}

/** The sheets of all markings that are printed, each also as an SVG drawing. */
async function layOut(markings: readonly Marking[], printing: Printing, scale: number) {
  const sheets = printSheets(markings, printing, await lettered(), scale);
  return { ...sheets, drawings: sheets.pages.map(pageSvg) };
}

/** The masks of a body on sheets of film, with a drawing and a plot of each. */
async function cutMasks(
  views: Parameters<typeof maskPieces>[0],
  stages: Parameters<typeof maskPieces>[1],
  printing: Printing,
) {
  const pieces = maskPieces(views, stages, printing);
  const sheets = cutSheets(pieces, printing, await lettered());
  return { ...sheets, pieces, drawings: sheets.pages.map(pageSvg) };
}

const liveryWorker = { measureViews, planLiveries, readSvg, placeAndDraw, layOut, cutMasks, pagesPdf };
export type LiveryWorker = typeof liveryWorker;
export type DrawnMarking = Awaited<ReturnType<typeof placeAndDraw>>[number];
export type CutMasks = Awaited<ReturnType<typeof cutMasks>>;
export type LaidSheets = Awaited<ReturnType<typeof layOut>>;
expose(liveryWorker);
