import { expose } from 'comlink';
import { pagesPdf, pageSvg } from '../../core/formats/index.ts';
import type { Kit, Marking, Printing } from '../../core/kit/index.ts';
import {
  cutSheets,
  drawArtwork,
  faceOf,
  filmSheets,
  filmTemplates,
  isPrinted,
  maskPieces,
  measureViews,
  openingPieces,
  placeMarkings,
  planLivery,
  printSheets,
  readDrawing,
  readSvg,
  type FilmLay,
  type LiveryInput,
} from '../../core/livery/index.ts';
import { facesOf, picturesOf, usualFace } from './printMaterials.ts';

/** Several bodies, each with an order of colours of its own. */
const planLiveries = (bodies: readonly (LiveryInput & { id: string })[]) =>
  bodies.map((body) => ({ id: body.id, ...planLivery(body) }));

/** Where every marking of a kit lies, and its artwork in its size. */
async function placeAndDraw(kit: Kit, scale: number) {
  const faces = await facesOf(kit.markings);
  return placeMarkings(kit).map((placed) => {
    const { artwork } = placed.marking;
    const { font } = faceOf(faces, artwork.face);
    return { ...placed, drawn: drawArtwork(artwork, placed.marking, font, scale) };
  });
}

/** The sheets of all markings that are printed, each also as an SVG drawing. */
async function layOut(markings: readonly Marking[], printing: Printing, scale: number) {
  const printed = markings.filter(isPrinted);
  const materials = { faces: await facesOf(printed), pictures: await picturesOf(printed) };
  const sheets = printSheets(markings, printing, materials, scale);
  return { ...sheets, drawings: sheets.pages.map(pageSvg) };
}

/** The masks of a body on sheets of film, with a drawing and a plot of each. */
async function cutMasks(
  views: Parameters<typeof maskPieces>[0],
  stages: Parameters<typeof maskPieces>[1],
  windows: { views: Parameters<typeof openingPieces>[0]; wanted: ReadonlySet<string> },
  printing: Printing,
) {
  const pieces = [
    ...maskPieces(views, stages, printing),
    ...openingPieces(windows.views, windows.wanted, printing),
  ];
  const sheets = cutSheets(pieces, printing, await usualFace());
  return { ...sheets, pieces, drawings: sheets.pages.map(pageSvg) };
}

/** Templates of patterned film for what is seen of an area, with the sheets that they are printed on. */
async function cutFilm(seen: Parameters<typeof filmTemplates>[0], lay: FilmLay, printing: Printing) {
  const templates = filmTemplates(seen, lay);
  const { pages, tooLarge } = filmSheets(templates, printing, await usualFace());
  return { templates, pages, tooLarge, drawings: pages.map(pageSvg) };
}

const liveryWorker = {
  measureViews,
  planLiveries,
  readSvg,
  readDrawing,
  placeAndDraw,
  layOut,
  cutMasks,
  cutFilm,
  pagesPdf,
};
export type LiveryWorker = typeof liveryWorker;
export type DrawnMarking = Awaited<ReturnType<typeof placeAndDraw>>[number];
export type CutMasks = Awaited<ReturnType<typeof cutMasks>>;
export type CutFilm = Awaited<ReturnType<typeof cutFilm>>;
export type LaidSheets = Awaited<ReturnType<typeof layOut>>;
expose(liveryWorker);
