import { inflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { typeface } from '../../../../tests/typeface.ts';
import { pagesPdf, pageSvg } from '../../formats/index.ts';
import { markingRecord, newRecord, printingRecord, type Marking, type Printing } from '../../kit/index.ts';
import { boxAround, readOutline } from '../geometry/readOutline.ts';
import { readSvg } from '../views/readSvg.ts';
import { printSheets } from './printSheets.ts';

const materials = { faces: { usual: typeface, others: new Map() } };
const plain = newRecord(markingRecord);
const marking = (id: string, more: Partial<Marking> = {}): Marking => ({
  ...plain,
  id,
  name: id,
  route: 'print',
  artwork: { ...plain.artwork, kind: 'roundel', text: '7', ground: '#f4efe2', ink: '#7c1420' },
  ...more,
});
const printing = (more: Partial<Printing> = {}): Printing => ({
  ...newRecord(printingRecord),
  id: 'p',
  ...more,
});
const sizes = (d: string) => boxAround(readOutline(d).rings)!;

describe('the sheets of own prints', () => {
  it('hold every copy and its spares at exact scale, with a bar of 50 mm', () => {
    const { pages, copies } = printSheets(
      [marking('a', { width: 20, height: 20, round: true, count: 3 }), marking('b', { route: 'decal' })],
      printing({ spares: 2 }),
      materials,
      24,
    );
    expect(copies).toEqual([{ markingId: 'a', count: 5 }]);
    expect(pages).toHaveLength(1);
    const [page] = pages;
    expect([page!.width, page!.height]).toEqual([210, 297]);
    const grounds = page!.paths.filter(({ fill }) => fill === '#f4efe2');
    expect(grounds).toHaveLength(5);
    for (const { d } of grounds) expect(sizes(d).width).toBeCloseTo(20, 2);
    const bar = page!.paths.find(({ fill, d }) => fill === '#000000' && sizes(d).width > 49)!;
    expect(sizes(bar.d).width).toBeCloseTo(50, 3);
  });

  const png = {
    type: 'image/png' as const,
    // One dot, red.
    base64:
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8DwHwAFBQIAX8jx0gAAAABJRU5ErkJggg==',
    width: 600,
    height: 300,
  };
  const pictured = (more: Partial<Marking> = {}) =>
    marking('a', {
      width: 40,
      height: 20,
      pictureId: 'p',
      artwork: { ...plain.artwork, kind: 'picture' },
      ...more,
    });
  const withPicture = { ...materials, pictures: new Map([['p', png]]) };

  it('lay pictures where their cut lines are, mirrored from behind, and scaled with the printer', async () => {
    const page = (more: Partial<Marking>, barMm = 50) => {
      const { pages } = printSheets([pictured(more)], printing({ spares: 0, barMm }), withPicture, 24);
      const [{ images, paths }] = pages as [(typeof pages)[number]];
      return { image: images![0]!, cut: sizes(paths.find(({ dashMm }) => dashMm)!.d), page: pages[0]! };
    };
    const corner = ([a, b, c, d, e, f]: readonly number[], u: number, v: number) => [
      a! * u + c! * v + e!,
      b! * u + d! * v + f!,
    ];
    for (const [more, left] of [
      [{}, 0],
      [{ behind: true }, 1],
      [{ mirrored: true, behind: true }, 0],
    ] as const) {
      const { image, cut } = page(more);
      const [x, y] = corner(image.matrix, left, 0);
      expect(x).toBeCloseTo(cut.x, 3);
      expect(y).toBeCloseTo(cut.y, 3);
      const [right, bottom] = corner(image.matrix, 1 - left, 1);
      expect(right! - x!).toBeCloseTo(40, 3);
      expect(bottom! - y!).toBeCloseTo(20, 3);
    }
    const small = page({}, 49);
    expect(corner(small.image.matrix, 1, 1)[0]).toBeCloseTo(small.cut.x + small.cut.width, 2);
    // Laid on its side where the sheet is narrow.
    const narrow = printing({ spares: 0, paper: 'own', widthMm: 58, heightMm: 110, marginMm: 5 });
    const turned = printSheets([pictured({ width: 80, height: 20 })], narrow, withPicture, 24).pages[0]!;
    const box = sizes(turned.paths.find(({ dashMm }) => dashMm)!.d);
    expect(box.height).toBeCloseTo(80, 2);
    const [x, y] = corner(turned.images![0]!.matrix, 0, 0);
    expect([x, y]).toEqual([expect.closeTo(box.x + box.width, 2), expect.closeTo(box.y, 2)]);
    expect(pageSvg(small.page)).toContain('href="data:image/png;base64,');
    const pdf = new TextDecoder('latin1').decode(await pagesPdf([small.page], 'pictures'));
    expect(pdf).toContain('/Subtype /Image');
  });

  it('say of pictures that they are coarse, stretched, or not here', () => {
    const notes = (more: Partial<Marking>, of = withPicture) =>
      printSheets([pictured(more)], printing(), of, 24).notes.map(({ what }) => what);
    expect(notes({})).toEqual([]);
    const white = printSheets([pictured()], printing({ whitePlate: true }), withPicture, 24).notes;
    expect(white[0]!.what).toContain('white is laid under all of its picture');
    expect(notes({ width: 80, height: 40 })[0]).toContain('191 dots to the inch');
    expect(notes({ height: 15 })[0]).toContain('stretched');
    expect(notes({}, { ...materials, pictures: new Map() })[0]).toContain('not here');
    const lettered = marking('a', { artwork: { ...plain.artwork, kind: 'label', text: 'OIL', face: 'x' } });
    expect(printSheets([lettered], printing(), materials, 24).notes[0]!.what).toContain('typeface');
  });

  it('have a plate of white that keeps within the colours, where the printer lays white', () => {
    const field = marking('a', { width: 20, height: 20, round: true });
    const { pages, sheets } = printSheets([field], printing({ whitePlate: true, spares: 0 }), materials, 24);
    expect(sheets).toBe(1);
    expect(pages.map(({ plate, sheet }) => [plate, sheet])).toEqual([
      ['colours', 1],
      ['white', 1],
    ]);
    const size = (page: number, fill: string) =>
      pages[page]!.paths.filter((path) => path.fill === fill).map(({ d }) => sizes(d));
    const [ground] = size(0, '#f4efe2');
    const white = size(1, '#000000').find(({ width }) => width > 15 && width < 30)!;
    expect(white.width).toBeCloseTo(ground!.width - 0.1, 2);
    expect(white.x).toBeCloseTo(ground!.x + 0.05, 2);
    expect(pages[1]!.paths.some(({ fill }) => fill === '#f4efe2')).toBe(false);
    const onPaper = printSheets(
      [{ ...field, route: 'paper' }],
      printing({ whitePlate: true }),
      materials,
      24,
    );
    expect(onPaper.pages[1]!.paths.filter(({ d, fill }) => fill && sizes(d).height > 5)).toEqual([]);
    // Pale ink needs no other film there.
    const pale = marking('p', {
      artwork: { ...plain.artwork, kind: 'lettering', text: 'AB', ink: '#ffffff' },
    });
    const notes = (whitePlate: boolean) => printSheets([pale], printing({ whitePlate }), materials, 24).notes;
    expect(notes(false)[0]!.what).toMatch(/^pale ink/);
    expect(notes(true)).toEqual([]);
  });

  it('print the other way round what goes on from behind', () => {
    const bar = { ...plain.artwork, kind: 'lettering' as const, text: 'L', ink: '#7c1420' };
    const lettered = (behind: boolean) => {
      const one = marking('a', { width: 12, height: 12, behind, artwork: bar });
      const [page] = printSheets([one], printing({ spares: 0 }), materials, 24).pages;
      return readOutline(page!.paths.find(({ fill }) => fill === '#7c1420')!.d).rings[0]!;
    };
    // The upright of an L is on its left; from behind on its right.
    const topAt = (ring: ReturnType<typeof lettered>) => {
      const top = Math.min(...ring.map(([, y]) => y));
      const upper = ring.filter(([, y]) => y < top + 0.1).map(([x]) => x);
      return upper.reduce((sum, x) => sum + x, 0) / upper.length;
    };
    const middle = 8 + 6;
    expect(topAt(lettered(false))).toBeLessThan(middle);
    expect(topAt(lettered(true))).toBeGreaterThan(middle);
  });

  it('make up for a printer that is off, and still keep to the sheet', () => {
    const { pages } = printSheets(
      [marking('a', { width: 30, height: 12, count: 60 })],
      printing({ barMm: 49 }),
      materials,
      24,
    );
    for (const { width, height, paths } of pages)
      for (const { d, fill, stroke } of paths) {
        // Crosses are open lines.
        if (stroke === '#000000') continue;
        const box = sizes(d);
        if (fill === '#f4efe2') expect(box.width * box.height).toBeCloseTo((360 * 50 * 50) / 49 / 49, 1);
        expect(Math.min(box.x, box.y)).toBeGreaterThan(0);
        expect(box.x + box.width).toBeLessThan(width);
        expect(box.y + box.height).toBeLessThan(height);
      }
  });

  it('name what fits none, has no artwork, or is too fine', () => {
    const { copies, notes: left } = printSheets(
      [marking('long', { width: 400 }), marking('on its side', { width: 270, height: 100, count: 2 })],
      printing(),
      materials,
      24,
    );
    expect(copies).toEqual([{ markingId: 'on its side', count: 3 }]);
    expect(left.map(({ markingId, what }) => `${markingId} ${what}`)).toEqual([
      'long larger than the sheet within its margins: left out',
    ]);
    const narrow = printing({ paper: 'own', widthMm: 20, heightMm: 20, marginMm: 15 });
    expect(() => printSheets([marking('any')], narrow, materials, 24)).toThrow('leaves nothing');
    const { notes } = printSheets(
      [
        marking('bare', { artwork: plain.artwork }),
        marking('fine', {
          width: 2,
          height: 0.8,
          artwork: { ...plain.artwork, kind: 'label', text: 'FUEL' },
        }),
      ],
      printing(),
      materials,
      24,
    );
    expect(notes.map(({ markingId, what }) => `${markingId} ${what}`.slice(0, 22))).toEqual([
      'bare it has no artwork',
      'fine too fine to print',
    ]);
    const bare = { ...plain.artwork, kind: 'lettering' as const, text: 'BAND' };
    const pale = (artwork: Marking['artwork']) =>
      printSheets([marking('m', { artwork })], printing(), materials, 24).notes.map(({ what }) =>
        what.slice(0, 8),
      );
    expect(pale({ ...bare, ink: '#f4efe2' })).toEqual(['pale ink']);
    expect(pale({ ...bare, ink: '#f4efe2', ground: '#112233' })).toEqual([]);
    expect(pale({ ...bare, ink: '#7c1420' })).toEqual([]);
    expect(pale(bare)).toEqual([]);
    expect(printSheets([], printing(), materials, 24).pages).toEqual([]);
  });

  it('are SVG in millimetres and PDF in points of the same size', async () => {
    const { pages } = printSheets([marking('a', { width: 25, height: 25 })], printing(), materials, 24);
    const svg = pageSvg(pages[0]!);
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    // Another reader than the writer: its largest shape is the ground, brought to the upper left.
    const { unitsSaid, box } = readSvg(svg);
    expect([unitsSaid, box.width]).toEqual([true, 25]);
    const pdf = Buffer.from(await pagesPdf(pages, 'Coupe'));
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    const text = inflated(pdf);
    // The bar in page units, with the scale to points before it.
    expect(text).toMatch(/2\.8346\d* 0 0 -2\.8346\d* 0 0 cm/);
    expect(text).toContain('0.48627450980392156 0.0784313725490196');
  });
});

/** Everything of a PDF that is deflated, and the rest. */
function inflated(pdf: Buffer): string {
  let out = '';
  for (let at = pdf.indexOf('stream\n'); at >= 0; at = pdf.indexOf('stream\n', at + 7)) {
    const end = pdf.indexOf('endstream', at);
    try {
      out += inflateSync(pdf.subarray(at + 7, end)).toString('latin1');
    } catch {
      out += pdf.subarray(at, end).toString('latin1');
    }
  }
  return out;
}
