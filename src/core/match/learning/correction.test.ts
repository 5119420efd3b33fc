import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, spectrumFrom, spectrumToLab, type Lab } from '../../colour/index.ts';
import {
  filmsOver,
  mixOptics,
  opaqueSpectrum,
  underlaySpectrum,
  type PaintOptics,
} from '../../paint/index.ts';
import { seededRandom } from '../../seededRandom.ts';
import {
  additions,
  dropsInCup,
  evidenceFor,
  judgeSpoon,
  mixDrops,
  predictionBand,
  refitOptics,
  tellingReadings,
  type DoubtfulPaint,
} from '../index.ts';

const bump = (base: number, height: number, centre: number) =>
  spectrumFrom((nm) => base + height * Math.exp(-(((nm - centre) / 55) ** 2)));
const paint = (id: string, k: number[], s = 0.2, uncertainty = 2): DoubtfulPaint => ({
  id,
  k,
  s: spectrumFrom((nm) => s * (1 + (nm - 550) / 1500)),
  uncertainty,
});
const WHITE = paint('white', bump(0.001, 0, 500), 0.5);
const RED = paint('red', bump(0.004, 0.5, 510));
const BLUE = paint('blue', bump(0.004, 0.5, 620));
const YELLOW = paint('yellow', bump(0.003, 0.6, 430));
const ALL = [WHITE, RED, BLUE, YELLOW];
/** A bottle that differs from its chart. */
const off = ({ k, s }: PaintOptics, strength: number, slope: number): PaintOptics => ({
  k: k.map((value, band) => value * Math.exp(strength + (slope * (band - 15)) / 15)),
  s: s.map((value) => value * Math.exp(strength / 3)),
});
const mixture = (optics: Map<string, PaintOptics>, drops: Record<string, number>) =>
  mixOptics(Object.entries(drops).map(([id, share]) => ({ optics: optics.get(id)!, share })));
const lab = (optics: PaintOptics): Lab => spectrumToLab(opaqueSpectrum(optics), DAYLIGHT);
const believed = new Map<string, PaintOptics>(ALL.map((one) => [one.id, one]));

describe('refitOptics', () => {
  it('leaves the paints as they were believed when nothing was read', () => {
    const fit = refitOptics(ALL, []);
    for (const { id, k, uncertainty } of ALL) {
      expect(fit.optics.get(id)!.k).toEqual(k);
      expect(fit.uncertainty.get(id)).toBeCloseTo(uncertainty, 9);
    }
  });

  it('draws paints as far from the chart as their uncertainty says', () => {
    for (const uncertainty of [0.6, 2, 4]) {
      const doubtful = { ...RED, uncertainty };
      const fit = refitOptics([doubtful], []);
      const random = seededRandom(5);
      const away = Array.from({ length: 300 }, () =>
        ciede2000(lab(RED), lab(fit.draw(random).get('red')!)),
      ).sort((a, b) => a - b);
      // Nine in ten within it, as far as 300 draws can tell.
      expect(away[270]).toBeGreaterThan(0.85 * uncertainty);
      expect(away[270]).toBeLessThan(1.15 * uncertainty);
    }
  });

  it('moves towards what a spoon showed and is surer afterwards', () => {
    const truth = new Map(believed).set('red', off(RED, 0.12, 0.05));
    const drops = { white: 6, red: 2 };
    const spectrum = opaqueSpectrum(mixture(truth, drops));
    const fit = refitOptics([WHITE, RED], [{ drops, spectrum }]);
    const seen = spectrumToLab(spectrum, DAYLIGHT);
    const before = ciede2000(seen, lab(mixture(believed, drops)));
    const after = ciede2000(seen, lab(mixture(fit.optics, fit.fallen[0]!)));
    expect(before).toBeGreaterThan(0.5);
    expect(after).toBeLessThan(before / 3);
    expect(fit.uncertainty.get('red')).toBeLessThan(RED.uncertainty);
    expect(fit.misfit).toBeLessThan(0.006);
  });

  it('tells absorption from scattering by films over black and over white', () => {
    const truth = off(RED, 0.3, 0);
    const strong = { k: truth.k, s: RED.s.map((value) => value * 1.35) };
    const readings = (['black', 'white'] as const).flatMap((over) =>
      [10, 25].map((thickness) => ({
        drops: { red: 1 },
        film: { thickness, over: underlaySpectrum(over) },
        spectrum: filmsOver(underlaySpectrum(over), [{ optics: strong, thickness }]),
      })),
    );
    const fit = refitOptics([{ ...RED, uncertainty: 5 }], readings).optics.get('red')!;
    for (const band of [5, 15, 25]) {
      expect(Math.abs(Math.log(fit.s[band]! / strong.s[band]!))).toBeLessThan(0.12);
      expect(Math.abs(Math.log(fit.s[band]! / strong.s[band]!))).toBeLessThan(
        Math.abs(Math.log(RED.s[band]! / strong.s[band]!)),
      );
    }
  });

  it('blames a single strange cup on the drops rather than on well-known paints', () => {
    const sure = ALL.map((one) => ({ ...one, uncertainty: 0.3, strengthDoubt: 0.01, dropDoubt: 0.01 }));
    const spectrum = opaqueSpectrum(mixture(believed, { white: 6, red: 2.4 }));
    const fit = refitOptics(sure, [{ drops: { white: 6, red: 2 }, spectrum }]);
    const { white, red } = fit.fallen[0]!;
    expect(red! / white!).toBeGreaterThan(2.15 / 6);
  });

  it('refuses a reading of an unknown paint', () => {
    expect(() => refitOptics([RED], [{ drops: { green: 1 }, spectrum: WHITE.k }])).toThrow(/green/);
  });
});

describe('predictionBand', () => {
  const target = { lab: lab(mixture(believed, { white: 5, red: 1, blue: 1 })), uncertainty: 0.4 };
  const drops = { white: 5, red: 1, blue: 2 };

  it('is the same for the same random numbers and holds the middle of its draws', () => {
    const fit = refitOptics(ALL, []);
    const band = predictionBand(fit, { drops, target }, seededRandom(3));
    expect(predictionBand(fit, { drops, target }, seededRandom(3))).toEqual(band);
    expect(band.low).toBeLessThan(band.high);
    expect(band.dE00).toBeCloseTo(ciede2000(target.lab, lab(mixture(believed, drops))), 6);
  });

  it('names what blurs it most', () => {
    const first = (paints: DoubtfulPaint[], uncertainty: number, asked: Record<string, number>) =>
      predictionBand(
        refitOptics(paints, []),
        { drops: asked, target: { ...target, uncertainty } },
        seededRandom(4),
      ).doubts[0]!.source;
    const sure = ALL.map((one) => ({ ...one, uncertainty: 0.1, strengthDoubt: 0.01, dropDoubt: 0.01 }));
    expect(first(ALL, 8, drops)).toBe('target');
    expect(first(sure, 0.01, drops)).toBe('drops');
    expect(first([...sure.slice(1), { ...WHITE, uncertainty: 6 }], 0.01, { white: 1 })).toBe('paint white');
  });

  it('narrows with evidence', () => {
    const spectrum = opaqueSpectrum(mixture(believed, drops));
    const width = (fit: ReturnType<typeof refitOptics>, cup?: Record<string, number>) => {
      const band = predictionBand(fit, { drops: cup ? {} : drops, cup, target }, seededRandom(6));
      return band.high - band.low;
    };
    const after = refitOptics(ALL, [{ drops, spectrum }]);
    expect(width(after, after.fallen[0])).toBeLessThan(width(refitOptics(ALL, [])));
  });
});

describe('tellingReadings', () => {
  const target = { lab: lab(mixture(believed, { white: 5, red: 2 })), uncertainty: 0.4 };
  const drops = { white: 5, red: 2 };
  const told = (paints: DoubtfulPaint[]) =>
    tellingReadings(refitOptics(paints, []), { drops, target }, 'white');

  it('names the paint whose strength is only guessed, mixed with white or as the mix itself', () => {
    const [first, ...rest] = told([
      { ...WHITE, strengthDoubt: 0.02, dropDoubt: 0.02 },
      { ...RED, uncertainty: 0.5, strengthDoubt: 0.5, dropDoubt: 0.02 },
    ]);
    expect(first!.kind === 'this-mix' || (first!.kind === 'with-white' && first!.paintId === 'red')).toBe(
      true,
    );
    expect(first!.after).toBeLessThan(0.5 * first!.now);
    for (const other of rest) expect(other.after).toBeGreaterThanOrEqual(first!.after);
  });

  it('promises what the reading then keeps', () => {
    const paints = [
      { ...WHITE, strengthDoubt: 0.02, dropDoubt: 0.02 },
      { ...RED, uncertainty: 0.5, strengthDoubt: 0.5, dropDoubt: 0.02 },
    ];
    const promised = told(paints).find(({ kind, paintId }) => kind === 'with-white' && paintId === 'red')!;
    const read = { white: 4, red: 1 };
    const fit = refitOptics(paints, [{ drops: read, spectrum: opaqueSpectrum(mixture(believed, read)) }]);
    const spread = (one: ReturnType<typeof refitOptics>) => {
      const random = seededRandom(2);
      const away = Array.from(
        { length: 200 },
        () => ciede2000(lab(mixture(one.draw(random), drops)), lab(mixture(one.optics, drops))) ** 2,
      );
      return Math.sqrt(away.reduce((sum, value) => sum + value, 0) / away.length);
    };
    expect(spread(refitOptics(paints, []))).toBeGreaterThan(0.7 * promised.now);
    // What is left after the reading is what was promised, as far as 200 draws and a tangent can tell.
    expect(spread(fit)).toBeGreaterThan(0.6 * promised.after);
    expect(spread(fit)).toBeLessThan(1.5 * promised.after);
    expect(fit.doubts.get('red')!.strength).toBeLessThan(0.25);
  });

  it('offers nothing where nothing is in doubt', () => {
    const sure = [WHITE, RED].map((one) => ({
      ...one,
      uncertainty: 0.05,
      strengthDoubt: 0.002,
      dropDoubt: 0.002,
    }));
    for (const { now } of told(sure)) expect(now).toBeLessThan(0.15);
  });
});

describe('drops of different size', () => {
  it('count by their volume, and one spoon of a mix teaches it', () => {
    const large = { ...RED, perDrop: 1.5 };
    const drops = { white: 6, red: 2 };
    const truth = mixDrops([
      { paint: WHITE, drops: 6 },
      { paint: large, drops: 2 },
    ]);
    expect(lab(truth).L).toBeLessThan(lab(mixture(believed, drops)).L);
    const readings = [2, 3, 4].map((red) => ({
      drops: { white: 6, red },
      spectrum: opaqueSpectrum(
        mixDrops([
          { paint: WHITE, drops: 6 },
          { paint: large, drops: red },
        ]),
      ),
    }));
    const sure = { uncertainty: 0.2, strengthDoubt: 0.01 };
    const fit = refitOptics(
      [
        { ...WHITE, ...sure, dropDoubt: 0.01 },
        { ...RED, ...sure, dropDoubt: 0.3 },
      ],
      readings,
    );
    expect(fit.optics.get('red')!.perDrop).toBeGreaterThan(1.3);
    expect(fit.optics.get('red')!.perDrop).toBeLessThan(1.6);
    expect(fit.doubts.get('red')!.drop).toBeLessThan(0.1);
  });
});

describe('additions', () => {
  it('finds the same best as adding drop by drop through the paint model', () => {
    fc.assert(
      fc.property(
        fc.record({
          white: fc.integer({ min: 1, max: 6 }),
          red: fc.integer({ min: 0, max: 3 }),
        }),
        fc.tuple(
          fc.integer({ min: 25, max: 90 }),
          fc.integer({ min: -40, max: 60 }),
          fc.integer({ min: -50, max: 50 }),
        ),
        ({ white, red }, [L, a, b]) => {
          const target = { L, a, b };
          const cup = { white, ...(red > 0 && { red }) };
          let least = Infinity;
          for (let x = 0; x <= 4; x++) {
            for (let y = 0; x + y <= 4; y++) {
              for (let z = 0; x + y + z <= 4; z++) {
                const sum = { white: white + x, red: red + y, blue: z };
                const parts = Object.fromEntries(Object.entries(sum).filter(([, count]) => count > 0));
                least = Math.min(least, ciede2000(target, lab(mixture(believed, parts))));
              }
            }
          }
          const [best] = additions({
            cup,
            candidates: ['white', 'red', 'blue'],
            optics: believed,
            target,
            maxAdded: 4,
            maxKinds: 3,
          });
          expect(best!.dE00).toBeCloseTo(least, 9);
          const total = dropsInCup({ drops: cup, additions: [best!] });
          expect(best!.dE00).toBeCloseTo(ciede2000(target, lab(mixture(believed, total))), 9);
          expect(Object.values(best!.add).every((count) => count > 0)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('keeps to the kinds and drops allowed and may leave the cup alone', () => {
    const cup = { white: 4, red: 1 };
    const target = lab(mixture(believed, cup));
    const found = additions(
      { cup, candidates: ALL.map(({ id }) => id), optics: believed, target, maxAdded: 3, maxKinds: 1 },
      50,
    );
    expect(found[0]).toMatchObject({ add: {}, added: 0 });
    for (const { add, added } of found) {
      expect(Object.keys(add).length).toBeLessThanOrEqual(1);
      expect(added).toBeLessThanOrEqual(3);
    }
    expect(() =>
      additions({ cup: {}, candidates: [], optics: believed, target, maxAdded: 1, maxKinds: 1 }),
    ).toThrow(/empty/);
  });
});

describe('judgeSpoon', () => {
  const target = { lab: { L: 50, a: 20, b: 10 }, uncertainty: 0.4 };
  const spoon = (L: number) => ({ L, a: 20, b: 10 });

  it('goes on while a clear gain is in sight', () => {
    const verdict = judgeSpoon(spoon(46), target, 0.1, { dE00: 0.3, low: 0.1, high: 0.9 });
    expect(verdict).toMatchObject({ stop: false, words: 'darker' });
  });
  it('stops where no eye can tell', () => {
    expect(judgeSpoon(spoon(50.3), target, 0.1)).toMatchObject({ stop: true });
  });
  it('stops where the target is not known well enough', () => {
    const { stop, reason } = judgeSpoon(spoon(48), { ...target, uncertainty: 4.5 }, 0.1);
    expect(stop).toBe(true);
    expect(reason).toMatch(/±4\.5/);
  });
  it('stops where the band of the best addition is larger than the error', () => {
    expect(judgeSpoon(spoon(49), target, 0.1, { dE00: 0.8, low: 0.3, high: 2 })).toMatchObject({
      stop: true,
    });
  });
});

describe('evidenceFor', () => {
  it('follows paints from cup to cup and leaves the others alone', () => {
    const readings: { drops: Record<string, number> }[] = [
      { drops: { a: 1, b: 2 } },
      { drops: { b: 1, c: 1 } },
      { drops: { x: 1, y: 1 } },
    ];
    const { paintIds, readings: found } = evidenceFor(['a'], readings);
    expect(paintIds.sort()).toEqual(['a', 'b', 'c']);
    expect(found).toEqual(readings.slice(0, 2));
  });

  it('takes the newest of every paint that is asked about, then the nearest, newest first, in their order', () => {
    const ab = { drops: { a: 1, b: 1 } };
    const bc = { drops: { b: 1, c: 1 } };
    const cd = { drops: { c: 1, d: 1 } };
    const readings: { drops: Record<string, number> }[] = [ab, bc, cd, { ...cd }, { ...bc }, { ...cd }];
    expect(evidenceFor(['a'], readings, 1).readings).toEqual([ab]);
    expect(evidenceFor(['a'], readings, 3).readings.map((each) => readings.indexOf(each))).toEqual([0, 1, 4]);
    expect(evidenceFor(['a'], readings, 4).readings.map((each) => readings.indexOf(each))).toEqual([
      0, 1, 4, 5,
    ]);
    // However few there may be, none that is asked about goes without.
    expect(evidenceFor(['a', 'd'], readings, 1).readings.map((each) => readings.indexOf(each))).toEqual([
      0, 5,
    ]);
    expect(evidenceFor(['a'], readings, 1).paintIds.sort()).toEqual(['a', 'b', 'c', 'd']);
  });
});
