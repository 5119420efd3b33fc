import svgpath from 'svgpath';
import { describe, expect, it } from 'vitest';
import { typeface as font } from '../../../../tests/typeface.ts';
import { ARTWORKS, markingRecord, newRecord, type Artwork } from '../../kit/index.ts';
import { boxAround, readOutline, type Ring } from '../geometry/readOutline.ts';
import { areaOf, regionOf, within, without } from '../geometry/region.ts';
import { drawArtwork } from './drawArtwork.ts';
import { readDrawing } from './readDrawing.ts';
import { blockShade } from './shade.ts';
import { nameOfTypeface, readTypeface } from './readTypeface.ts';
import { textOutline } from './textOutline.ts';
import { faceOf } from './typefaces.ts';

const shoelace = (ring: Ring) =>
  ring.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = ring[(at + 1) % ring.length]!;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
const boxOf = (d: string) => boxAround(readOutline(d).rings)!;
const art = (more: Partial<Artwork>): Artwork => ({ ...newRecord(markingRecord).artwork, ...more });
const drawn = (more: Partial<Artwork>, width = 40, height = 10, scale = 24) =>
  drawArtwork(art(more), { width, height, round: false, mirrored: false }, font, scale);

describe('letters as outlines', () => {
  it('stand as high and no wider than they are to, around their middle', () => {
    for (const [height, width] of [
      [5, 100],
      [5, 12],
    ] as const) {
      const { d, capitalMm } = textOutline(font, 'HELLO', { x: 50, y: 20, height, width });
      const box = boxOf(d);
      expect(capitalMm).toBeLessThanOrEqual(height + 1e-9);
      expect(box.width).toBeLessThanOrEqual(width);
      expect(box.height / capitalMm).toBeCloseTo(1, 1);
      expect(box.x + box.width / 2).toBeCloseTo(50, 0);
      expect(box.y + box.height / 2).toBeCloseTo(20, 0);
    }
  });

  it('rise in the middle of an arch, and keep their length along it', () => {
    const straight = boxOf(textOutline(font, 'HHHHHHHH', { x: 0, y: 0, height: 4, width: 60 }).d);
    const arched = boxOf(textOutline(font, 'HHHHHHHH', { x: 0, y: 0, height: 4, width: 60, arch: 3 }).d);
    expect(arched.height - straight.height).toBeGreaterThan(2);
    // Heads spread by their height times the sine of the turn at either end.
    expect(arched.width).toBeLessThanOrEqual(straight.width + 8 * Math.sin(12 / straight.width));
    const hanging = boxOf(textOutline(font, 'HHHHHHHH', { x: 0, y: 0, height: 4, width: 60, arch: -3 }).d);
    expect(hanging.height).toBeCloseTo(arched.height, 0);
  });

  it('are nothing where there is nothing to write, and a file that is no font is refused', () => {
    expect(textOutline(font, '', { x: 0, y: 0, height: 4, width: 9 }).capitalMm).toBe(0);
    expect(() => readTypeface(new TextEncoder().encode('Dear builder').buffer)).toThrow('no font file');
    expect(() => readTypeface(new ArrayBuffer(5_000_001))).toThrow('larger than');
  });
});

describe('artwork from figures', () => {
  it('stays within its size, whatever it is', () => {
    for (const kind of ARTWORKS)
      for (const text of ['', '3', 'TL 57 / LARKSPUR BAY'])
        for (const { d } of drawn({ kind, text, ground: '#ffffff' }).shapes) {
          const { x, y, width, height } = boxOf(d);
          expect(Math.min(x, y)).toBeGreaterThan(-0.2);
          expect(x + width).toBeLessThan(40.2);
          expect(y + height).toBeLessThan(10.2);
        }
  });

  it('has as much ink as its formula says: stripes, checks and diagonal bars', () => {
    const inked = (more: Partial<Artwork>) =>
      drawn(more).shapes.reduce((sum, { d }) => sum + areaOf(regionOf(readOutline(d).rings)), 0);
    expect(inked({ kind: 'stripes', text: '3' })).toBeCloseTo((3 / 5) * 400, 3);
    expect(inked({ kind: 'checks', text: '2' })).toBeCloseTo(200, 3);
    expect(inked({ kind: 'warning', text: '5' })).toBeCloseTo(200, 0);
    // The rim of a plate is a ring: the ground shows within it.
    expect(inked({ kind: 'plate', text: '' })).toBeLessThan(40);
  });

  it('says what is too fine to print, and the scale at which it would not be', () => {
    const [fine] = drawn({ kind: 'label', text: 'OIL' }, 3, 0.6).tooFine;
    const [, at] = /at 1:(\d+)/.exec(fine!)!;
    const larger = 24 / Number(at);
    expect(drawn({ kind: 'label', text: 'OIL' }, 3 * larger, 0.6 * larger).tooFine).toEqual([]);
    expect(drawn({ kind: 'stripes', text: '9' }, 20, 0.5).tooFine[0]).toMatch(/lines of 0\.03 mm/);
    expect(drawn({ kind: 'lettering', text: ' ' }).tooFine).toEqual(['no letters: write what it says']);
    expect(drawn({ kind: 'lettering', text: 'LARKSPUR' }).tooFine).toEqual([]);
  });

  it('is turned about its middle for the other side', () => {
    const bars = art({ kind: 'warning', text: '4' });
    const left = drawArtwork(bars, { width: 40, height: 10, round: false, mirrored: false }, font, 24);
    const right = drawArtwork(bars, { width: 40, height: 10, round: false, mirrored: true }, font, 24);
    const first = (of: typeof left) => boxOf(of.shapes[1]!.d);
    expect(first(left).x + first(left).width).toBeCloseTo(40 - first(right).x, 2);
    expect(first(left).x).not.toBeCloseTo(first(right).x, 1);
  });

  it('is drawn alike at every size', () => {
    const small = drawn({ kind: 'plate', text: 'A 1 / B' }, 10, 5).shapes.map(({ d }) => d);
    const large = drawn({ kind: 'plate', text: 'A 1 / B' }, 30, 15).shapes.map(({ d }) => d);
    small.forEach((d, at) => {
      const box = boxOf(svgpath(d).scale(3).toString());
      expect(boxOf(large[at]!).width).toBeCloseTo(box.width, 1);
    });
  });
});

describe('artwork of more than one colour', () => {
  const inkOf = (shapes: readonly { d: string; fill: string }[], fill: string) =>
    shapes
      .filter((each) => each.fill === fill)
      .reduce((sum, { d }) => sum + areaOf(regionOf(readOutline(d).rings)), 0);

  it('shades letters to their lower right, beside them and never on them', () => {
    const text = { kind: 'lettering', text: 'HILL', shade: '#aa0000' } as const;
    for (const shadeMm of [0.2, 0.6]) {
      const { shapes } = drawn({ ...text, shadeMm }, 40, 8);
      const [shade, face] = [shapes[0]!, shapes.at(-1)!];
      expect([shade.fill, face.fill]).toEqual(['#aa0000', '#111111']);
      const [a, b] = [shade, face].map(({ d }) => regionOf(readOutline(d).rings));
      expect(areaOf(within(a!, b!))).toBeLessThan(1e-3);
      expect(boxOf(shade.d).x + boxOf(shade.d).width).toBeCloseTo(
        boxOf(face.d).x + boxOf(face.d).width + shadeMm / Math.SQRT2,
        2,
      );
    }
    // A square moved by (1, 1) sweeps its own area and twice its side.
    const square = blockShade('M0 0H10V10H0Z', Math.SQRT2);
    expect(areaOf(regionOf(readOutline(square).rings))).toBeCloseTo(20, 1);
    expect(drawn({ ...text, shadeMm: 0.05 }).tooFine[0]).toMatch(/shades of 0\.05 mm/);
    expect(blockShade('', 1)).toBe('');
  });

  it('weaves two over, two under: half of it shows either way, in whatever size', () => {
    for (const text of ['', '8', '40']) {
      const { shapes } = drawn({ kind: 'weave', text, ground: '#333333' }, 24, 8);
      expect(inkOf(shapes, '#111111')).toBeCloseTo(96, 0);
    }
    // Real cloth at scale is too fine, and that is said.
    expect(drawn({ kind: 'weave', text: '60' }, 20, 4).tooFine[0]).toMatch(/lines of 0\.07 mm/);
  });

  it('folds a scroll whose ground is the ribbon alone, arched either way', () => {
    for (const archMm of [2, 0, -2]) {
      const { shapes } = drawn({ kind: 'scroll', text: 'LARKSPUR', archMm, ground: '#ffffff' }, 60, 14);
      const ribbon = boxOf(shapes[0]!.d);
      expect(shapes[0]!.fill).toBe('#ffffff');
      expect(inkOf(shapes, '#ffffff')).toBeLessThan(0.8 * 60 * 14);
      for (const { d } of shapes.slice(1)) {
        const box = boxOf(d);
        expect(box.x).toBeGreaterThanOrEqual(ribbon.x - 0.01);
        expect(box.y + box.height).toBeLessThanOrEqual(ribbon.y + ribbon.height + 0.01);
      }
      // Letters lie within the ribbon.
      const [ground, letters] = [shapes[0]!, shapes.at(-1)!].map(({ d }) => regionOf(readOutline(d).rings));
      expect(areaOf(without(letters!, ground!))).toBeLessThan(0.01 * areaOf(letters!));
    }
  });
});

describe('a drawing as artwork', () => {
  const svg = (inner: string, head = 'width="40mm" viewBox="0 0 40 20"') =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inner}</svg>`;

  it('keeps shapes in their colours and order, its size, and what is inherited', () => {
    const read = readDrawing(
      svg(
        '<g fill="rgb(10,20,30)"><rect x="5" y="5" width="20" height="10"/><circle cx="20" cy="10" r="2" style="fill: tomato"/></g>' +
          '<path d="M8 8H12V12H8Z" fill="currentColor"/><path d="M0 0H40" fill="none" stroke="red"/>',
      ),
    );
    expect(read.drawn.map(({ fill }) => fill)).toEqual(['#0a141e', '#ff6347', '']);
    expect(read).toMatchObject({ widthMm: 20, heightMm: 10, unitsSaid: true });
    expect(read.left.join(' ')).toContain('turn strokes into shapes');
    const { shapes } = drawn({ kind: 'drawing', drawn: read.drawn, ink: '#222222' }, 10, 5);
    expect(shapes.map(({ fill }) => fill)).toEqual(['#0a141e', '#ff6347', '#222222']);
    expect(boxOf(shapes[0]!.d)).toMatchObject({ x: 0, y: 0, width: 10, height: 5 });
    expect(boxOf(shapes[1]!.d).width).toBeCloseTo(2, 1);
  });

  it('has holes where shapes are filled by turns', () => {
    const [ring] = readDrawing(svg('<path fill-rule="evenodd" d="M0 0H20V20H0Z M5 5H15V15H5Z"/>')).drawn;
    // Filled throughout, as a page does it, the hole must run the other way round.
    const runs = readOutline(ring!.path).rings.map((each) => Math.sign(shoelace(each)));
    expect(runs.reduce((sum, each) => sum + each, 0)).toBe(0);
  });

  it('says what takes the ink instead, and refuses what holds nothing or too much', () => {
    const { drawn: shapes, left } = readDrawing(
      svg('<rect id="sky" width="9" height="9" fill="url(#g)"/><rect width="5" height="5" fill="lab(1)"/>'),
    );
    expect(shapes.map(({ fill }) => fill)).toEqual(['', '']);
    expect(left.join(' ')).toMatch(/gradient or pattern of sky.*colour “lab\(1\)”/);
    expect(() => readDrawing(svg('<path d="M0 0H9" fill="none" stroke="red"/>'))).toThrow('Nothing filled');
    const many = Array.from({ length: 41 }, (_, at) => `<rect x="${at}" width="1" height="1"/>`).join('');
    expect(() => readDrawing(svg(many))).toThrow('41 filled shapes, and 40 are kept');
    const long = Array.from({ length: 1400 }, (_, at) => `L${at} ${at % 2 === 0 ? 1 : 9}`).join('');
    expect(() => readDrawing(svg(`<path d="M0 0${long}V90Z"/>`))).toThrow('more detail than is kept');
    expect(() => readDrawing('<!DOCTYPE svg><svg/>')).toThrow('document type');
  });

  it('is asked for where it is missing', () => {
    expect(drawn({ kind: 'drawing' }).tooFine).toEqual(['no drawing yet: open one']);
  });
});

describe('typefaces', () => {
  it('fall back to the usual one, and say so', () => {
    const faces = { usual: font, others: new Map([['mine', font]]) };
    for (const [face, isMissing] of [
      ['', false],
      ['signwriter', false],
      ['mine', false],
      ['gone', true],
    ] as const)
      expect(faceOf(faces, face)).toMatchObject({ isMissing });
    expect(nameOfTypeface(font)).toMatch(/Barlow/);
  });

  it('are refused where a small file says that it becomes a large one', () => {
    const bomb = new DataView(new ArrayBuffer(44 + 20));
    bomb.setUint32(0, 0x774f4646);
    bomb.setUint16(12, 1);
    bomb.setUint32(44 + 12, 0xfffffff0);
    expect(() => readTypeface(bomb.buffer)).toThrow('swells');
  });
});
