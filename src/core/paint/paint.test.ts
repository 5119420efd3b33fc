import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, recoverSpectrum, spectrumFrom, spectrumToLab } from '../colour/index.ts';
import {
  absorptionOverScattering,
  coatByCoat,
  coatsToClose,
  coatsToHide,
  contrastOverCard,
  estimateOptics,
  filmReflectance,
  filmsOver,
  HIDING_FILM_UM,
  internalReflectance,
  mixOptics,
  opaqueReflectance,
  opaqueSpectrum,
  surfaceReflectance,
  type PaintOptics,
} from './index.ts';

const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });
const white: PaintOptics = { k: spectrumFrom(() => 0.0008), s: spectrumFrom(() => 0.22) };
const red: PaintOptics = {
  k: spectrumFrom((nm) => (nm < 590 ? 0.25 : 0.003)),
  s: spectrumFrom(() => 0.03),
};
const black = spectrumFrom(() => 0.045);

/** Kubelka and Munk's two differential equations stepped through the film from the background upwards. */
function integrateFilm(k: number, s: number, thickness: number, background: number): number {
  const steps = 20000;
  const h = thickness / steps;
  const slope = (r: number) => s - 2 * (k + s) * r + s * r * r;
  let r = background;
  for (let i = 0; i < steps; i++) {
    const k1 = slope(r);
    const k2 = slope(r + (h * k1) / 2);
    r += h * k2;
  }
  return r;
}

describe('surface', () => {
  it('inverts', () => {
    fc.assert(
      fc.property(share, (internal) => {
        expect(internalReflectance(surfaceReflectance(internal))).toBeCloseTo(internal, 10);
      }),
    );
  });

  it('never goes below the surface reflection', () => {
    expect(surfaceReflectance(0)).toBe(0.04);
    expect(internalReflectance(0.01)).toBe(0);
  });
});

describe('filmReflectance', () => {
  it.each([
    [0.02, 0.1, 15, 0.05],
    [0.2, 0.03, 8, 0.8],
    [0.001, 0.25, 30, 0.1],
    [0.5, 0.5, 2, 0.5],
  ])('agrees with the integrated equations for k %f, s %f, %f um over %f', (k, s, x, under) => {
    expect(filmReflectance(k, s, x, under)).toBeCloseTo(integrateFilm(k, s, x, under), 5);
  });

  it('is the background at no thickness, opaque at great thickness, and clear film absorbs twice', () => {
    expect(filmReflectance(0.1, 0.1, 0, 0.3)).toBe(0.3);
    expect(filmReflectance(0.1, 0.1, 1e5, 0.3)).toBeCloseTo(opaqueReflectance(1), 10);
    expect(filmReflectance(0.05, 0, 10, 0.9)).toBeCloseTo(0.9 * Math.exp(-1), 10);
  });

  it('composes: two films of the same paint are one film of their sum', () => {
    fc.assert(
      fc.property(share, share, share, (k, s, under) => {
        const once = filmReflectance(k, s, 5, under);
        const twice = filmReflectance(k, s, 3, filmReflectance(k, s, 2, under));
        expect(twice).toBeCloseTo(once, 9);
      }),
    );
  });

  it('inverts at full thickness', () => {
    fc.assert(
      fc.property(share, (r) => {
        expect(opaqueReflectance(absorptionOverScattering(r))).toBeCloseTo(r, 6);
      }),
    );
  });
});

describe('mixOptics', () => {
  it('changes nothing when a paint meets itself', () => {
    expect(
      opaqueSpectrum(
        mixOptics([
          { optics: red, share: 3 },
          { optics: red, share: 4 },
        ]),
      ),
    ).toEqual(opaqueSpectrum(mixOptics([{ optics: red, share: 1 }])));
  });

  it('lies between its parts and refuses negative drops', () => {
    const pink = spectrumToLab(
      opaqueSpectrum(
        mixOptics([
          { optics: red, share: 1 },
          { optics: white, share: 1 },
        ]),
      ),
      DAYLIGHT,
    );
    expect(pink.L).toBeGreaterThan(spectrumToLab(opaqueSpectrum(red), DAYLIGHT).L);
    expect(pink.L).toBeLessThan(spectrumToLab(opaqueSpectrum(white), DAYLIGHT).L);
    expect(() => mixOptics([{ optics: red, share: -1 }])).toThrow(/none below zero/);
    expect(() => mixOptics([])).toThrow();
  });
});

describe('coats', () => {
  it('more scattering never hides worse', () => {
    fc.assert(
      fc.property(share, share, (scatter, more) => {
        const base = { k: white.k, s: white.s.map((v) => v * scatter) };
        const denser = { k: white.k, s: base.s.map((v) => v * (1 + more)) };
        expect(contrastOverCard(denser, 20)).toBeLessThanOrEqual(contrastOverCard(base, 20) + 1e-9);
      }),
    );
  });

  it('needs more coats of a red over black than over its own pink', () => {
    const pink = opaqueSpectrum(
      mixOptics([
        { optics: red, share: 1 },
        { optics: white, share: 1 },
      ]),
    );
    const overBlack = coatsToClose(red, black, 10)!;
    const overPink = coatsToClose(red, pink, 10)!;
    expect(overPink).toBeLessThan(overBlack);
  });

  it('counts the coats at which the card disappears', () => {
    const coats = coatsToHide(white, 10)!;
    expect(contrastOverCard(white, coats * 10)).toBeLessThan(0.5);
    expect(contrastOverCard(white, (coats - 1) * 10)).toBeGreaterThanOrEqual(0.5);
    expect(coatsToHide({ k: white.k.map(() => 0), s: white.s.map(() => 1e-6) }, 10)).toBeUndefined();
  });

  it('starts at the undercoat and closes on the full colour', () => {
    const steps = coatByCoat(red, black, 10, 12);
    expect(steps).toHaveLength(13);
    expect(ciede2000(steps[0]!.lab, spectrumToLab(black, DAYLIGHT))).toBeLessThan(0.01);
    expect(steps[12]!.fromFull).toBeLessThan(steps[1]!.fromFull);
    expect(filmsOver(black, [])[5]).toBeCloseTo(black[5]!, 9);
  });
});

describe('estimateOptics', () => {
  it.each(['opaque', 'semi-opaque', 'transparent'] as const)(
    'keeps the colour and hides as the %s class says',
    (hiding) => {
      const masstone = recoverSpectrum({ L: 45, a: -25, b: -15 });
      const optics = estimateOptics(masstone, hiding);
      expect(
        ciede2000(spectrumToLab(opaqueSpectrum(optics), DAYLIGHT), { L: 45, a: -25, b: -15 }),
      ).toBeLessThan(0.05);
      expect(contrastOverCard(optics, HIDING_FILM_UM[hiding])).toBeCloseTo(0.5, 2);
    },
  );
});
