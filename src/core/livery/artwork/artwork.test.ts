import svgpath from 'svgpath';
import { describe, expect, it } from 'vitest';
import { typeface as font } from '../../../../tests/typeface.ts';
import { ARTWORKS, markingRecord, newRecord, type Artwork } from '../../kit/index.ts';
import { boxAround, readOutline } from '../geometry/readOutline.ts';
import { areaOf, regionOf } from '../geometry/region.ts';
import { drawArtwork } from './drawArtwork.ts';
import { readTypeface, textOutline } from './textOutline.ts';

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
    expect(() => readTypeface(new ArrayBuffer(20_000_001))).toThrow('larger than');
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
