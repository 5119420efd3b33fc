import {
  concatTransformationMatrix,
  drawObject,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFPage,
} from 'pdf-lib';
import type { PageImage, PrintedPage } from './printedPage.ts';

const POINTS_PER_MM = 72 / 25.4;

const colourOf = (hex: string) => {
  const part = (at: number) => Number.parseInt(hex.slice(at, at + 2), 16) / 255;
  return rgb(part(1), part(3), part(5));
};

/** Lays a picture on a page: PDF counts y from below. */
async function drawImage(
  document: PDFDocument,
  page: PDFPage,
  { type, base64, matrix: [a, b, c, d, e, f] }: PageImage,
): Promise<void> {
  const image = await (type === 'image/png' ? document.embedPng(base64) : document.embedJpg(base64));
  const key = page.node.newXObject('Image', image.ref);
  const [s, height] = [POINTS_PER_MM, page.getHeight()];
  // PDF paints its upper edge at 1: the unit square is turned over first.
  page.pushOperators(
    pushGraphicsState(),
    concatTransformationMatrix(a * s, -b * s, -c * s, d * s, (e + c) * s, height - (f + d) * s),
    drawObject(key),
    popGraphicsState(),
  );
}

/** Pages as a PDF of vector paths, to be printed at 100 %. */
export async function pagesPdf(pages: readonly PrintedPage[], title: string): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.setTitle(title);
  document.setProducer('Fanfare');
  document.setCreator('Fanfare');
  for (const { width, height, paths, images = [] } of pages) {
    const page = document.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
    for (const image of images) await drawImage(document, page, image);
    for (const { d, fill, stroke, strokeMm = 0.1, dashMm } of paths)
      page.drawSvgPath(d, {
        x: 0,
        y: height * POINTS_PER_MM,
        scale: POINTS_PER_MM,
        ...(fill ? { color: colourOf(fill) } : {}),
        ...(stroke
          ? {
              borderColor: colourOf(stroke),
              // Drawn within the scale of the path: in its units.
              borderWidth: strokeMm,
              ...(dashMm ? { borderDashArray: [dashMm] } : {}),
            }
          : {}),
      });
  }
  return document.save();
}
