import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { BookInput } from '../../api/index.ts';
import type { BookBlock } from '../../core/record/index.ts';
import { FACES, runsOf, type Run } from './faces.ts';

const FONT_FILES = new Set<string>(Object.values(FACES).flatMap(({ normal, bold }) => [normal, bold]));
pdfmake.setFonts(FACES);
// Nothing is read for a document but the typefaces: no file and no address that somebody wrote into it.
pdfmake.setLocalAccessPolicy((path) => FONT_FILES.has(path));
pdfmake.setUrlAccessPolicy(() => false);

const POINTS_PER_MM = 72 / 25.4;
const MARGIN = 48;
/** Between the margins of A4, points. */
const TEXT_WIDTH = 595 - 2 * MARGIN;
const GREY = '#6a6a6a';
const SWATCHES_IN_ROW = 4;
const PICTURES_IN_ROW = 2;
const GUTTER = 12;

type SetWords = (text: string, as?: 'text' | 'head') => Run[];

/** A book as PDF on A4. `pictures`: JPEG files by id; one that is not there is told of in its place. */
export async function bookPdf(
  { title, blocks }: BookInput,
  pictures: ReadonlyMap<string, Buffer>,
): Promise<Buffer> {
  const missing = new Set<string>();
  const set: SetWords = (text, as = 'text') => runsOf(text, as, missing);
  const content = blocks.flatMap((block) => contentOf(block, set, pictures));
  const definition: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [MARGIN, MARGIN, MARGIN, MARGIN + 8],
    info: { title, creator: 'Fanfare', producer: 'Fanfare' },
    defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.2 },
    images: Object.fromEntries(
      [...pictures].map(([id, bytes]) => [
        imageKey(id),
        `data:image/jpeg;base64,${bytes.toString('base64')}`,
      ]),
    ),
    footer: (page, count) => ({
      columns: [
        { text: runsOf(title, 'text', new Set()), color: GREY },
        { text: `${page} of ${count}`, alignment: 'right', color: GREY },
      ],
      margin: [MARGIN, 16, MARGIN, 0],
      fontSize: 8,
    }),
    content: [
      ...content,
      ...(missing.size === 0
        ? []
        : [
            {
              text: `The typefaces of this book lack ${missing.size} of its letters: a box stands for each. Printed from the browser, they are there.`,
              color: GREY,
              margin: [0, 12, 0, 0] as [number, number, number, number],
            },
          ]),
    ],
  };
  return pdfmake.createPdf(definition).getBuffer();
}

const imageKey = (pictureId: string): string => `picture ${pictureId}`;

function contentOf(block: BookBlock, set: SetWords, pictures: ReadonlyMap<string, Buffer>): Content[] {
  switch (block.kind) {
    case 'title':
      return [
        { text: set(block.text, 'head'), bold: true, fontSize: 30, lineHeight: 1 },
        { text: set(block.under), color: GREY, margin: [0, 0, 0, 10] },
      ];
    case 'heading':
      return [
        { text: set(block.text, 'head'), bold: true, fontSize: 18, margin: [0, 18, 0, 6], headlineLevel: 1 },
      ];
    case 'part':
      return [{ text: set(block.text), bold: true, margin: [0, 10, 0, 3] }];
    case 'text':
      return [{ text: set(block.text), margin: [0, 4, 0, 4] }];
    case 'rows':
      if (block.rows.length === 0) return [];
      return [
        {
          layout: 'noBorders',
          table: {
            widths: [90, '*'],
            body: block.rows.map(({ label, value }) => [
              { text: set(label), color: GREY },
              { text: set(value) },
            ]),
          },
        },
      ];
    case 'table':
      return [tableOf(block, set)];
    case 'swatches':
      return inRows(block.swatches, SWATCHES_IN_ROW, ({ hex, label }, width) => ({
        stack: [
          { canvas: [{ type: 'rect', x: 0, y: 0, w: width, h: 26, color: hex }] },
          { text: set(label), fontSize: 8, margin: [0, 2, 0, 6] },
        ],
        width,
        unbreakable: true,
      }));
    case 'pictures':
      return inRows(block.pictures, block.inRow ?? PICTURES_IN_ROW, ({ pictureId, caption }, width) => ({
        stack: [
          pictures.has(pictureId)
            ? { image: imageKey(pictureId), fit: [width, width * 0.8] }
            : { text: 'This picture is not here any more.', color: GREY, margin: [0, 30, 0, 30] },
          { text: set(caption), fontSize: 8, margin: [0, 2, 0, 8] },
        ],
        width,
        unbreakable: true,
      }));
    case 'drawing':
      return [drawingOf(block, set)];
  }
}

/** Things side by side, so many in a row. */
function inRows<T>(items: readonly T[], count: number, one: (item: T, width: number) => Content): Content[] {
  const width = (TEXT_WIDTH - (count - 1) * GUTTER) / count;
  return Array.from({ length: Math.ceil(items.length / count) }, (_, row) => ({
    columns: items.slice(row * count, (row + 1) * count).map((item) => one(item, width)),
    columnGap: GUTTER,
    unbreakable: true,
  }));
}

/** Columns of figures are as wide as they are, those of words share the rest. */
function tableOf({ head, right, rows }: Extract<BookBlock, { kind: 'table' }>, set: SetWords): Content {
  const cell = (text: string, at: number) => ({
    text: set(text),
    alignment: right[at] ? ('right' as const) : ('left' as const),
    // A figure stays with its unit.
    noWrap: right[at],
  });
  return {
    layout: 'lightHorizontalLines',
    fontSize: 9,
    margin: [0, 2, 0, 6],
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: right.map((isRight) => (isRight ? 'auto' : '*')),
      body: [
        head.map((text, at) => ({ ...cell(text, at), color: GREY })),
        ...rows.map((row) => row.map(cell)),
      ],
    },
  };
}

/** A drawing at its size, or as large as the page lets it be; said which. */
function drawingOf(
  { width, height, paths, caption }: Extract<BookBlock, { kind: 'drawing' }>,
  set: SetWords,
): Content {
  const own = width * POINTS_PER_MM;
  const shown = Math.min(own, TEXT_WIDTH, (480 * width) / height);
  const share = Math.round((100 * shown) / own);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${shown}" height="${(shown * height) / width}">${paths
    .map(
      ({ d, fill, stroke, strokeMm = 0.1, dashMm }) =>
        `<path d="${d}" fill-rule="evenodd" fill="${fill ?? 'none'}"${stroke ? ` stroke="${stroke}" stroke-width="${strokeMm}"` : ''}${dashMm ? ` stroke-dasharray="${dashMm}"` : ''}/>`,
    )
    .join('')}</svg>`;
  return {
    stack: [
      { svg },
      {
        text: set(`${caption}${share === 100 ? ', at its size' : `, at ${share} % of its size`}`),
        fontSize: 8,
        margin: [0, 2, 0, 8],
      },
    ],
    unbreakable: true,
  };
}
