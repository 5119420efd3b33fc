import { describe, expect, it } from 'vitest';
import { DAYLIGHT, recoverSpectrum, spectrumToLab } from '../../colour/index.ts';
import { CARPET_FACTS, flockGrams, groundFor, openFromPatch, paintOverFor, pileSpectrum } from './pile.ts';

const fibre = recoverSpectrum({ L: 38, a: 30, b: 18 });
const ground = fibre.map(() => 0.1);
const { open, cover } = CARPET_FACTS.flock;
const pile = { fibre, ground, open, cover };
const lightness = (spectrum: readonly number[]) => spectrumToLab(spectrum, DAYLIGHT).L;

describe('the shade of a pile', () => {
  it('is that of a row of cavities, by following light from wall to wall', () => {
    for (const rho of [0.1, 0.5, 0.9]) {
      // Of what a wall throws back a share leaves, the rest meets a wall again.
      let [out, within] = [0, rho];
      for (let bounce = 0; bounce < 2000; bounce++) {
        out += within * open;
        within *= (1 - open) * rho;
      }
      expect(pileSpectrum({ fibre: [rho], ground: [0], open, cover: 1 })[0]).toBeCloseTo(out, 9);
    }
  });

  it('is darker than its fibres, the more so the deeper, and as they are where it is flat', () => {
    const flat = lightness(fibre);
    expect(lightness(pileSpectrum({ ...pile, open: 1, cover: 1 }))).toBeCloseTo(flat, 9);
    const shades = [0.8, 0.4, 0.2].map((each) => lightness(pileSpectrum({ ...pile, open: each, cover: 1 })));
    expect(shades[0]!).toBeLessThan(flat);
    expect(shades).toEqual([...shades].sort((p, q) => q - p));
  });

  it('is lightened by what lies under it, and by paint over it', () => {
    const wanted = spectrumToLab(fibre, DAYLIGHT);
    const now = lightness(pileSpectrum(pile));
    const under = groundFor(pile, wanted);
    expect(under.lab.L).toBeGreaterThan(now);
    const pale = fibre.map((rho) => 0.5 * rho + 0.4);
    const over = paintOverFor(pile, pale, wanted);
    expect(over.share).toBeGreaterThan(0);
    expect(over.share).toBeLessThanOrEqual(0.5);
    expect(over.dE00).toBeLessThan(paintOverFor(pile, fibre, wanted).dE00);
  });

  it('is learnt from a patch that was read back', () => {
    for (const deep of [0.15, 0.4, 0.9]) {
      const patch = spectrumToLab(pileSpectrum({ ...pile, open: deep }), DAYLIGHT);
      expect(openFromPatch(pile, patch)).toBeCloseTo(deep, 4);
    }
    expect(openFromPatch(pile, { L: 95, a: 0, b: 0 })).toBeUndefined();
  });

  it('refuses shares that are none', () => {
    for (const bad of [{ open: 0 }, { open: 1.2 }, { cover: -0.1 }, { open: NaN }])
      expect(() => pileSpectrum({ ...pile, ...bad })).toThrow(RangeError);
  });
});

describe('flock', () => {
  it('is weighed by area and length, with what is shaken off', () => {
    expect(flockGrams(58, 0.5)).toBeCloseTo(2 * flockGrams(29, 0.5), 9);
    expect(flockGrams(58, 0.5)).toBeCloseTo(0.463, 2);
    expect(() => flockGrams(0, 0.5)).toThrow(RangeError);
    expect(() => flockGrams(5, -1)).toThrow(RangeError);
  });
});
