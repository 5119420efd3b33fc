import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DAYLIGHT, spectrumFrom, spectrumToLab } from '../colour/index.ts';
import {
  GLOSSY,
  HOT_METALS,
  innerLight,
  nearestPass,
  oxideReflectance,
  oxideThickness,
  tintPasses,
} from '../paint/index.ts';
import { heatTints, RESTRAINED, TINTS } from './index.ts';

const mirror = (seen: number[]) => innerLight(seen, GLOSSY, 1);
const lab = (spectrum: number[]) => spectrumToLab(spectrum, DAYLIGHT);
const chroma = ({ a, b }: { a: number; b: number }) => Math.hypot(a, b);
const hue = ({ a, b }: { a: number; b: number }) => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;

describe('a tint in passes', () => {
  it('takes about the same share with every pass and never gives light back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 6 }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        (which, film) => {
          const base = spectrumFrom((nm) => 0.4 + (nm - 400) / 1000);
          const { k } = TINTS[which]!;
          const steps = tintPasses(mirror(base), k, film, 6);
          steps[0]!.spectrum.forEach((value, band) => expect(value).toBeCloseTo(base[band]!, 12));
          for (let at = 1; at < steps.length; at++) {
            steps[at]!.spectrum.forEach((value, band) => {
              const before = steps[at - 1]!.spectrum[band]!;
              expect(value).toBeLessThanOrEqual(before);
              // What a face throws back inside makes it a little less than Beer and Lambert's share.
              expect(value / before).toBeCloseTo(Math.exp(-2 * k[band]! * film), 1);
            });
          }
        },
      ),
      { numRuns: 30 },
    );
    expect(() => tintPasses(mirror([]), [], 0, 3)).toThrow(/lays nothing/);
  });

  it('finds how many passes of clear yellow over a mirror make a gold', () => {
    const steps = tintPasses(mirror(spectrumFrom(() => 0.75)), TINTS[0]!.k, 2, 12);
    const found = nearestPass(steps, steps[5]!.lab);
    expect(found).toEqual({ passes: 5, dE00: 0 });
    expect(hue(steps[5]!.lab)).toBeGreaterThan(75);
    expect(hue(steps[5]!.lab)).toBeLessThan(110);
  });
});

describe('oxide on hot metal', () => {
  it('is Fresnel’s reflectance of the bare metal where there is none', () => {
    for (const { id, n, k } of HOT_METALS) {
      const [bare] = oxideReflectance(id, 0);
      expect(bare).toBeCloseTo(((1 - n[0]) ** 2 + k[0] ** 2) / ((1 + n[0]) ** 2 + k[0] ** 2), 12);
    }
  });

  it('agrees with the sum of the single reflections', () => {
    // The series r1 + t t' r2 e + t t' r2^2 (-r1) e^2 ... for a film that absorbs nothing, at one wavelength.
    const { n, k, oxide } = HOT_METALS.find(({ id }) => id === 'titanium')!;
    const d = 70;
    const r1 = (1 - oxide.n) / (1 + oxide.n);
    const [re, im] = (() => {
      const [a, b, c, e] = [oxide.n - n[0], -k[0], oxide.n + n[0], k[0]];
      const size = c * c + e * e;
      return [(a * c + b * e) / size, (b * c - a * e) / size];
    })();
    const angle = (4 * Math.PI * oxide.n * d) / 400;
    let [sumRe, sumIm] = [r1, 0];
    let [termRe, termIm] = [1, 0];
    for (let bounce = 0; bounce < 60; bounce++) {
      // Each bounce adds one trip down and back.
      const [pRe, pIm] = [
        re * Math.cos(angle) - im * Math.sin(angle),
        re * Math.sin(angle) + im * Math.cos(angle),
      ];
      [termRe, termIm] =
        bounce === 0
          ? [(1 - r1 * r1) * pRe, (1 - r1 * r1) * pIm]
          : [-r1 * (termRe * pRe - termIm * pIm), -r1 * (termRe * pIm + termIm * pRe)];
      sumRe += termRe;
      sumIm += termIm;
    }
    expect(oxideReflectance('titanium', d)[0]).toBeCloseTo(sumRe ** 2 + sumIm ** 2, 9);
  });

  it.each([
    ['steel', { straw: 226, brown: 255, purple: 277, blue: 297 }],
    ['stainless', { straw: 340, brown: 390, purple: 450, blue: 540 }],
  ] as const)(
    'shows the temper colours of %s where the usual tables have them, within 8 C',
    (metal, table) => {
      const between = { straw: [76, 86], brown: [20, 76], purple: [312, 380], blue: [250, 300] } as const;
      for (const [name, celsius] of Object.entries(table)) {
        const [from, to] = between[name as keyof typeof between];
        const near = [-8, -4, 0, 4, 8].filter((away) => {
          const turned = hue(lab(oxideReflectance(metal, oxideThickness(metal, celsius + away))));
          return (turned >= from && turned <= to) || (turned + 360 >= from && turned + 360 <= to);
        });
        expect(near.length, `${metal} ${name}`).toBeGreaterThan(2);
      }
    },
  );

  it('grows with heat', () => {
    const at = (celsius: number) => lab(oxideReflectance('steel', oxideThickness('steel', celsius)));
    expect(chroma(at(120))).toBeLessThan(chroma(at(226)));
    let before = 0;
    for (let celsius = 100; celsius < 500; celsius += 10) {
      const grown = oxideThickness('steel', celsius);
      expect(grown).toBeGreaterThanOrEqual(before);
      before = grown;
    }
  });
});

describe('heat tints along a pipe', () => {
  const pipe = {
    metal: 'stainless' as const,
    lengthMm: 90,
    scale: 12,
    portC: RESTRAINED.stainless,
    coolingMm: 500,
  };

  it('cools away from the port and is sprayed coolest first, hot last', () => {
    const { along, steps } = heatTints(pipe);
    for (let at = 1; at < along.length; at++) {
      expect(along[at]!.celsius).toBeLessThan(along[at - 1]!.celsius);
      expect(along[at]!.oxideNm).toBeLessThanOrEqual(along[at - 1]!.oxideNm);
    }
    expect(steps.map(({ tint }) => tint)[0]).toBe('yellow');
    expect(steps.length).toBeGreaterThan(1);
    for (let at = 1; at < steps.length; at++) {
      expect(steps[at]!.fromMm).toBeLessThanOrEqual(steps[at - 1]!.fromMm);
      expect(steps[at]!.toMm).toBeLessThan(steps[at - 1]!.toMm);
      // Neighbours overlap.
      expect(steps[at]!.toMm).toBeGreaterThan(steps[at - 1]!.fromMm);
    }
    for (const { passes } of steps) expect(passes).toBeGreaterThan(0);
  });

  it('leaves a cool pipe bare and refuses what no pipe is', () => {
    expect(heatTints({ ...pipe, portC: 60 }).steps).toEqual([]);
    expect(() => heatTints({ ...pipe, lengthMm: 0 })).toThrow(/length/);
    expect(() => heatTints({ ...pipe, portC: 1500 })).toThrow(/between 25 and 1000/);
  });
});
