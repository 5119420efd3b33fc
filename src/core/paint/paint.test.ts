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
  GLOSSY,
  innerLight,
  innerReflectance,
  mixOptics,
  opaqueReflectance,
  opaqueSpectrum,
  outerReflectance,
  scatteredShare,
  seenSurface,
  seenThrough,
  surfaceOf,
  tintPasses,
  underFilm,
  type PaintOptics,
} from './index.ts';

const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });
const white: PaintOptics = { k: spectrumFrom(() => 0.0008), s: spectrumFrom(() => 0.22) };
const red: PaintOptics = {
  k: spectrumFrom((nm) => (nm < 590 ? 0.25 : 0.003)),
  s: spectrumFrom(() => 0.03),
};
const black = spectrumFrom(() => 0.005);
const on = (seen: number[]) => innerLight(seen, GLOSSY);

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

/** A layer of one part in 2^20 of the film, doubled twenty times (van de Hulst 1963), laid on the background. */
function addedAndDoubled(k: number, s: number, thickness: number, background: number): number {
  const thin = thickness / 2 ** 20;
  let reflected = s * thin;
  let passed = 1 - (k + s) * thin;
  for (let doubling = 0; doubling < 20; doubling++) {
    const between = 1 / (1 - reflected * reflected);
    reflected += passed * passed * reflected * between;
    passed = passed * passed * between;
  }
  return reflected + (passed * passed * background) / (1 - reflected * background);
}

describe('surface', () => {
  const faces = [surfaceOf('d:8 included'), surfaceOf('45:0'), seenSurface(30), seenSurface(0)];

  it('inverts, whatever the geometry and the gloss', () => {
    fc.assert(
      fc.property(share, fc.constantFrom(...faces), (internal, face) => {
        expect(innerReflectance(outerReflectance(internal, face), face)).toBeCloseTo(internal, 10);
      }),
    );
  });

  it('adds the shine where it is included, and nothing of it on a full gloss at 45:0', () => {
    expect(outerReflectance(0, surfaceOf('d:8 included'))).toBe(0.04);
    expect(outerReflectance(0, surfaceOf('45:0'))).toBe(0);
    expect(outerReflectance(0, surfaceOf('d:8 excluded', 0))).toBeCloseTo(0.04, 12);
    expect(innerReflectance(0.01, surfaceOf('d:8 included'))).toBe(0);
    // A perfect white inside is one outside, but for what the face throws back.
    expect(outerReflectance(1, surfaceOf('d:8 included'))).toBeCloseTo(1, 12);
    expect(outerReflectance(1, GLOSSY)).toBeCloseTo(0.96, 12);
  });

  it('scatters more of it the duller the face', () => {
    const shares = [100, 85, 60, 30, 8, 0].map(scatteredShare);
    expect(shares).toEqual([...shares].sort((p, q) => p - q));
    expect(shares[0]).toBe(0);
    expect(shares.at(-1)).toBe(1);
  });

  it('shows a black lighter in matt than in gloss, and a gloss clear deepens it again', () => {
    const ink: PaintOptics = { k: spectrumFrom(() => 0.8), s: spectrumFrom(() => 0.02) };
    const L = (gloss: number) => spectrumToLab(opaqueSpectrum(ink, seenSurface(gloss)), DAYLIGHT).L;
    expect(L(85)).toBeLessThan(6);
    expect(L(8)).toBeGreaterThan(20);
    expect(L(8)).toBeLessThan(24);
    expect(L(30)).toBeLessThan(L(8));
    const clear: PaintOptics = { k: spectrumFrom(() => 1e-6), s: spectrumFrom(() => 1e-7) };
    const matt = innerLight(opaqueSpectrum(ink, seenSurface(8)), seenSurface(8));
    const cleared = seenThrough(underFilm(matt, { optics: clear, thickness: 30 }), seenSurface(85));
    expect(spectrumToLab(cleared, DAYLIGHT).L).toBeCloseTo(L(85), 1);
  });

  it.each([
    { L: 5, a: 0, b: 0 },
    { L: 18, a: 5, b: -20 },
    { L: 20, a: 25, b: 12 },
    { L: 32, a: 50, b: 30 },
  ])('gives back $L $a $b through estimated optics', (lab) => {
    for (const hiding of ['opaque', 'semi-opaque', 'transparent'] as const) {
      const seen = spectrumToLab(opaqueSpectrum(estimateOptics(recoverSpectrum(lab), hiding)), DAYLIGHT);
      expect(ciede2000(seen, lab)).toBeLessThan(0.1);
    }
  });

  it('gives back a satin reading through the satin face it was taken from', () => {
    const lab = { L: 24, a: 4, b: 2 };
    const satin = seenSurface(30);
    const seen = opaqueSpectrum(estimateOptics(recoverSpectrum(lab), 'opaque', satin), satin);
    expect(ciede2000(spectrumToLab(seen, DAYLIGHT), lab)).toBeLessThan(0.1);
  });
});

describe('light of a mirror', () => {
  const tint = { k: spectrumFrom((nm) => (nm < 550 ? 0.08 : 0.001)), s: spectrumFrom(() => 0) };

  it('looks the same until a film lies on it', () => {
    fc.assert(
      fc.property(share, fc.double({ min: 0, max: 1, noNaN: true }), (seen, mirror) => {
        const face = seenSurface(60);
        const value = face.added + seen * (0.9 - face.added);
        expect(seenThrough(innerLight([value], face, mirror), face)[0]).toBeCloseTo(value, 10);
      }),
    );
  });

  it('passes a tint twice, where scattered light passes more often', () => {
    const base = new Array<number>(31).fill(0.6);
    const through = (mirror: number) =>
      seenThrough(underFilm(innerLight(base, GLOSSY, mirror), { optics: tint, thickness: 8 }), GLOSSY);
    const straight = through(1)[0]!;
    expect(straight / base[0]!).toBeCloseTo(Math.exp(-2 * 0.08 * 8), 1);
    expect(through(0)[0]!).toBeLessThan(straight);
  });

  it('is one path for tints in passes and for films', () => {
    const base = innerLight(new Array<number>(31).fill(0.62), GLOSSY, 0.95);
    const passes = tintPasses(base, tint.k, 4, 8).at(-1)!.spectrum;
    const film = seenThrough(underFilm(base, { optics: tint, thickness: 32 }), GLOSSY);
    passes.forEach((value, band) => expect(value).toBeCloseTo(film[band]!, 12));
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

  it('keeps its digits for films of nothing but absorption', () => {
    // 1 + q - sqrt(q^2 + 2q) in doubles gives -2 here.
    expect(opaqueReflectance(1e16)).toBeCloseTo(1 / 2e16, 20);
    expect(opaqueReflectance(0)).toBe(1);
    expect(filmReflectance(1e-12, 0.2, 30, 0.1)).toBeCloseTo(integrateFilm(1e-12, 0.2, 30, 0.1), 6);
    expect(filmReflectance(0, 0.2, 30, 0.1)).toBeCloseTo(integrateFilm(0, 0.2, 30, 0.1), 6);
  });

  it('agrees with adding and doubling of thin layers', () => {
    fc.assert(
      fc.property(share, share, fc.double({ min: 1, max: 60, noNaN: true }), share, (k, s, x, under) => {
        expect(filmReflectance(k, s, x, under)).toBeCloseTo(addedAndDoubled(k, s, x, under), 4);
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
    const overBlack = coatsToClose(red, on(black), 10)!;
    const overPink = coatsToClose(red, on(pink), 10)!;
    expect(overPink).toBeLessThan(overBlack);
  });

  it('counts the coats at which the card disappears', () => {
    const coats = coatsToHide(white, 10)!;
    expect(contrastOverCard(white, coats * 10)).toBeLessThan(0.5);
    expect(contrastOverCard(white, (coats - 1) * 10)).toBeGreaterThanOrEqual(0.5);
    expect(coatsToHide({ k: white.k.map(() => 0), s: white.s.map(() => 1e-6) }, 10)).toBeUndefined();
  });

  it('starts at the undercoat and closes on the full colour', () => {
    const steps = coatByCoat(red, on(black), 10, 12);
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
