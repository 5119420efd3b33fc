import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OWN_HEADER, type BookInput, type Problem } from '../../api/index.ts';
import { testBench } from '../testBench.ts';
import { bookPdf } from './bookPdf.ts';
import { runsOf } from './faces.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
const bench = testBench(NOW);
beforeAll(() => bench.listen(true));
afterAll(() => bench.remove());

/** What another program reads in a PDF: the words of each page, and width and height of its pictures. */
async function readBack(pdf: Buffer) {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  const pictures: [number, number][] = [];
  for (let at = 1; at <= document.numPages; at++) {
    const page = await document.getPage(at);
    const { items } = await page.getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : '')).join(''));
    const { fnArray, argsArray } = await page.getOperatorList();
    fnArray.forEach((operator, index) => {
      if (operator !== OPS.paintImageXObject) return;
      const [, width, height] = argsArray[index] as [string, number, number];
      pictures.push([width, height]);
    });
  }
  return { pages, words: pages.join('\f').normalize('NFKC'), pictures };
}

const book: BookInput = {
  title: 'Coupe',
  blocks: [
    { kind: 'title', text: 'Tolliver Six', under: '1:24' },
    { kind: 'rows', rows: [{ label: 'Built by', value: 'Zoë Żółkiewska' }] },
    { kind: 'heading', text: 'Colours' },
    { kind: 'text', text: 'Привет, Ωμέγα: ΔE 0.5 µm' },
    { kind: 'swatches', swatches: [{ hex: '#12ab9f', label: 'Lagoon' }] },
    {
      kind: 'table',
      head: ['Layer', 'Film'],
      right: [false, true],
      rows: Array.from({ length: 120 }, (_, at) => [`Layer ${at}`, `${at} µm`]),
    },
    {
      kind: 'drawing',
      width: 60,
      height: 20,
      paths: [{ d: 'M0 0L60 0L60 20L0 20Z', fill: '#ff0000', stroke: '#000000', strokeMm: 0.2 }],
      caption: 'Left side',
    },
  ],
};

describe('a book as PDF', () => {
  it('holds its words in every alphabet of its typefaces, embedded, and repeats the head of a long table', async () => {
    const pdf = await bookPdf(book, new Map());
    const { words, pages } = await readBack(pdf);
    for (const said of [
      'Tolliver Six',
      'Zoë Żółkiewska',
      'Привет, Ωμέγα: ΔE 0.5 µm',
      'Layer 119',
      'Left side, at its size',
    ])
      expect(words).toContain(said.normalize('NFKC'));
    expect(pages.length).toBeGreaterThan(2);
    for (const page of pages) if (page.includes('Layer 1')) expect(page).toMatch(/Layer\s*Film/);
    expect(pages[0]).toMatch(/1 of \d/);
    // Its typefaces lie in it: it looks the same on a machine that has none of them.
    expect(pdf.toString('latin1').match(/\/FontFile2/g)!.length).toBeGreaterThan(2);
    expect(words).not.toContain('□');
  });

  it('says where a letter has no typeface, and goes on', async () => {
    const { words } = await readBack(
      await bookPdf({ title: '車', blocks: [{ kind: 'text', text: 'a 車 b 車' }] }, new Map()),
    );
    expect(words).toMatch(/lack 1 of its letters/);
    const missing = new Set<string>();
    expect(
      runsOf('ż車', 'text', missing)
        .map(({ text }) => text)
        .join(''),
    ).toBe('ż□');
    expect([...missing]).toEqual(['車']);
  });

  it('of blocks that hold nothing is a book all the same', async () => {
    const empty: BookInput = {
      title: '',
      blocks: [
        { kind: 'rows', rows: [] },
        { kind: 'table', head: ['a'], right: [true], rows: [] },
        { kind: 'swatches', swatches: [] },
        { kind: 'pictures', pictures: [] },
        { kind: 'drawing', width: 10, height: 10, paths: [{ d: 'M' }, { d: '' }], caption: '' },
      ],
    };
    expect((await readBack(await bookPdf(empty, new Map()))).pages).toHaveLength(1);
  });

  it('keeps to one typeface as long as it has the letters', () => {
    const missing = new Set<string>();
    expect(runsOf('Zoë and Eve', 'text', missing)).toEqual([{ text: 'Zoë and Eve', font: 'Text' }]);
    expect(runsOf('Łódź 5', 'head', missing).map(({ font }) => font)).toContain('HeadWide');
    expect(missing.size).toBe(0);
  });
});

describe('the route', () => {
  const send = (body: unknown, build = 'tolliver') =>
    fetch(`${bench.base}/api/builds/${build}/book`, {
      method: 'POST',
      headers: { [OWN_HEADER]: '1', 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });

  it('prints pictures of the build and leaves a place for others', async () => {
    const picture = await sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#446688' } })
      .jpeg()
      .toBuffer();
    const kept = await fetch(`${bench.base}/api/builds/tolliver/pictures`, {
      method: 'POST',
      headers: { [OWN_HEADER]: '1', 'content-type': 'image/jpeg' },
      body: new Uint8Array(picture),
    });
    const { id } = (await kept.json()) as { id: string };
    const pictures = (pictureId: string) => ({
      title: 'x',
      blocks: [{ kind: 'pictures', pictures: [{ pictureId, caption: 'the tub' }] }],
    });
    const own = Buffer.from(await (await send(pictures(id))).arrayBuffer());
    expect((await readBack(own)).pictures).toEqual([[1200, 800]]);
    const others = Buffer.from(await (await send(pictures(id), 'pellam')).arrayBuffer());
    expect((await readBack(others)).pictures).toEqual([]);
    expect((await readBack(others)).words).toMatch(/This picture is not here any more/);
  });

  it.each([
    ['no block of ours', { kind: 'script', text: 'x' }, /a block is one of/],
    [
      'a path that is none',
      { kind: 'drawing', width: 1, height: 1, caption: '', paths: [{ d: '"/><script>' }] },
      /SVG/,
    ],
    ['a colour that is none', { kind: 'swatches', swatches: [{ hex: 'url(x)', label: '' }] }, /#1a2b3c/],
    [
      'an uneven table',
      { kind: 'table', head: ['a', 'b'], right: [false, false], rows: [['x']] },
      /as many cells/,
    ],
    [
      'a size without end',
      { kind: 'drawing', width: 1e9, height: 1, caption: '', paths: [] },
      /at most 5000/,
    ],
  ])('refuses %s', async (_, block, words) => {
    const answer = await send({ title: 'x', blocks: [block] });
    expect(answer.status).toBe(400);
    expect(JSON.stringify((await answer.json()) as Problem)).toMatch(words);
  });

  it('knows no build that is not there', async () => {
    expect((await send({ title: 'x', blocks: [] }, 'nobody')).status).toBe(404);
  });
});
