import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  CARD_GREY,
  ciede2000,
  linearToLab,
  photographAgainst,
  photographColours,
  sampleRegion,
  type CardReading,
  type Pixels,
} from './index.ts';

type Rgb = readonly [number, number, number];
const encode = (linear: number) =>
  Math.round(255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055));

/** Vertical stripes of linear colours, as a camera with these gains and this glare records them. */
function picture(stripes: readonly Rgb[], gains: Rgb = [1, 1, 1], glare = 0): Pixels {
  const [width, height] = [stripes.length * 10, 20];
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      stripes[Math.floor(x / 10)]!.forEach((value, c) => {
        data[4 * (y * width + x) + c] = encode(Math.min(1, gains[c]! * value + glare));
      });
    }
  }
  return { data, width, height };
}
const stripe = (at: number, of: number) => ({ x: at / of, y: 0, width: 1 / of, height: 1 });
const grey = (level: number): Rgb => [level, level, level];
const card = (name: string, pixels: Pixels, at: number, of: number, reflectance: number): CardReading => ({
  name,
  sample: sampleRegion(pixels, stripe(at, of)),
  reflectance,
});

/** Half a level of 8 bits as a share of a linear value, by the slope of the sRGB curve (IEC 61966-2-1). */
function roundingShare(linear: number): number {
  const encoded = 1.055 * linear ** (1 / 2.4) - 0.055;
  const slope = (2.4 / 1.055) * ((encoded + 0.055) / 1.055) ** 1.4;
  return (0.5 / 255) * (slope / linear);
}

describe('a photograph with a grey card', () => {
  it('gives back the colour whatever the light and the exposure', () => {
    const share = fc.double({ min: 0.03, max: 0.5, noNaN: true });
    const gain = fc.double({ min: 0.6, max: 1.6, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(share, share, share), fc.tuple(gain, gain, gain), (colour, gains) => {
        const pixels = picture([grey(CARD_GREY), colour], gains);
        const [found] = photographColours(
          [card('grey card', pixels, 0, 2, CARD_GREY)],
          [sampleRegion(pixels, stripe(1, 2))],
        );
        // What is left is the rounding to 8 bits, of the patch and of the card.
        const off = colour.map((value, channel) => {
          const gained = gains[channel]!;
          return roundingShare(value * gained) + roundingShare(CARD_GREY * gained);
        });
        const corners = Array.from({ length: 8 }, (_, bits) =>
          colour.map((value, channel) => value * (1 + (bits & (1 << channel) ? 1 : -1) * off[channel]!)),
        );
        const most = Math.max(
          ...corners.map((corner) => ciede2000(linearToLab(corner as unknown as Rgb), linearToLab(colour))),
        );
        expect(ciede2000(found!.lab, linearToLab(colour))).toBeLessThan(1.05 * most + 0.01);
        expect(found!.uncertainty).toBeGreaterThanOrEqual(4.5);
      }),
      { numRuns: 300 },
    );
  });

  it('takes glare out with a white and a black beside it, and is a little surer', () => {
    const colour: Rgb = [0.3, 0.1, 0.05];
    const pixels = picture([grey(0.18), grey(0.85), grey(0.04), colour], [0.9, 1, 0.8], 0.05);
    const patch = [sampleRegion(pixels, stripe(3, 4))];
    const all = [
      card('grey card', pixels, 0, 4, 0.18),
      card('white', pixels, 1, 4, 0.85),
      card('black', pixels, 2, 4, 0.04),
    ];
    const [surer] = photographColours(all, patch);
    const [one] = photographColours(all.slice(0, 1), patch);
    expect(ciede2000(surer!.lab, linearToLab(colour))).toBeLessThan(1);
    expect(ciede2000(one!.lab, linearToLab(colour))).toBeGreaterThan(2);
    expect(surer!.uncertainty).toBeLessThan(one!.uncertainty);
  });

  it('says how little a picture without a card knows', () => {
    const pixels = picture([[0.3, 0.2, 0.1]]);
    const [found] = photographColours([], [sampleRegion(pixels, stripe(0, 1))]);
    expect(found!.uncertainty).toBeGreaterThanOrEqual(9);
    expect(found!.warnings.join()).toMatch(/Without a grey card/);
  });

  it('refuses a burnt card, contradicting cards and too small a part, and marks burnt and uneven patches', () => {
    const burnt = picture([grey(0.18), [1, 1, 1], [1, 0.2, 0.1]], [6, 6, 6]);
    expect(() => photographColours([card('grey card', burnt, 0, 3, 0.18)], [])).toThrow(
      /grey card is burnt out/,
    );
    const two = picture([grey(0.18), grey(0.8)]);
    expect(() =>
      photographColours([card('grey card', two, 1, 2, 0.18), card('white', two, 0, 2, 0.85)], []),
    ).toThrow(/contradict each other/);
    expect(() => sampleRegion(two, { x: 0, y: 0, width: 0.05, height: 0.05 })).toThrow(
      /pixels; draw it over/,
    );
    const [patch] = photographColours([], [sampleRegion(burnt, stripe(1, 3))]);
    expect(patch!.warnings.join()).toMatch(/burnt out/);
    const [uneven] = photographColours([], [sampleRegion(two, { x: 0, y: 0, width: 1, height: 1 })]);
    expect(uneven!.warnings.join()).toMatch(/uneven/);
  });

  it('thins a large part evenly and comes to the same', () => {
    const [width, height] = [900, 700];
    const data = new Uint8ClampedArray(width * height * 4);
    for (let at = 0; at < width * height; at++) data.set([100 + (at % 7), 80, 60, 255], 4 * at);
    const whole = sampleRegion({ data, width, height }, { x: 0, y: 0, width: 1, height: 1 });
    const small = sampleRegion({ data, width, height }, { x: 0, y: 0, width: 0.1, height: 0.1 });
    expect(whole.pixels).toBe(width * height);
    whole.mean.forEach((value, channel) => expect(value).toBeCloseTo(small.mean[channel]!, 3));
  });

  it('refuses a card that is drowned', () => {
    const dark = picture([grey(0), grey(0.2)]);
    expect(() => photographColours([card('black', dark, 0, 2, 0.04)], [])).toThrow(/black is drowned/);
  });

  it('is not moved by a glint', () => {
    const pixels = picture([[0.3, 0.2, 0.1]]);
    const before = sampleRegion(pixels, stripe(0, 1)).mean;
    for (let at = 0; at < 10; at++) pixels.data.fill(255, 4 * at * 7, 4 * at * 7 + 4);
    expect(sampleRegion(pixels, stripe(0, 1)).mean).toEqual(before);
  });
});

describe('a colour in a photograph against its target', () => {
  const target = { lab: { L: 50, a: 30, b: 10 }, uncertainty: 3 };
  const seen = (a: number, uncertainty = 4) => ({ lab: { L: 50, a, b: 10 }, uncertainty });

  it('differs only by more than picture and target may err together', () => {
    expect(photographAgainst(seen(30), target)).toMatchObject({ dE00: 0, uncertainty: 5, differs: false });
    const far = photographAgainst(seen(0), target);
    expect(far.differs).toBe(true);
    expect(far.words).toMatch(/greyer/);
    fc.assert(
      fc.property(
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (a, uncertainty) => {
          const { dE00, differs, uncertainty: both } = photographAgainst(seen(a, uncertainty), target);
          expect(dE00).toBeCloseTo(ciede2000({ L: 50, a, b: 10 }, target.lab), 9);
          expect(both).toBeGreaterThanOrEqual(Math.max(uncertainty, 3) - 1e-9);
          expect(differs).toBe(dE00 > both);
        },
      ),
    );
  });
});
