import { describe, expect, it } from 'vitest';
import { titleOf } from '../refusal.ts';
import { ciede2000, DAYLIGHT, spectrumFrom, spectrumToLab } from '../../core/colour/index.ts';
import { additions, refitOptics, searchRecipes, type MixReading } from '../../core/match/index.ts';
import { GLOSSY } from '../../core/paint/index.ts';
import { randomFrom, trueOptics, trueReflectance, type CataloguePaint } from './simulatedGroundTruth.ts';
import { simulatedReader } from './spectralReader.ts';

const GREY = new Array<number>(31).fill(0.4);

describe('the simulated reader', () => {
  it('must be connected, warm and calibrated, in that order', () => {
    let now = 0;
    const reader = simulatedReader(() => now, 1);
    const read = () => reader.read({ name: 'grey', reflectance: () => GREY });
    expect(titleOf(read)).toBe('No reader');
    reader.connect();
    expect(reader.state().state).toBe('warming');
    expect(titleOf(() => reader.calibrate())).toBe('Still warming');
    now += 5000;
    expect(titleOf(read)).toBe('Not calibrated');
    reader.calibrate();
    expect(reader.state().state).toBe('ready');
    expect(read().spectrum).toHaveLength(31);
    now += 2 * 3600_000;
    expect(titleOf(read)).toBe('Not calibrated');
    reader.disconnect();
    expect(reader.state().state).toBe('away');
  });

  it('reads near the truth, never twice the same, and drifts until it sees its tile', () => {
    let now = 0;
    const reader = simulatedReader(() => now, 1);
    reader.connect();
    now += 5000;
    reader.calibrate();
    const read = () => reader.read({ name: 'grey', reflectance: () => GREY });
    const [one, other] = [read(), read()];
    const from = ({ spectrum }: typeof one) =>
      ciede2000(spectrumToLab(spectrum, DAYLIGHT), spectrumToLab(GREY, DAYLIGHT));
    expect(from(one)).toBeLessThan(0.5);
    expect(one.spread).toBeGreaterThan(0);
    expect(one.spectrum).not.toEqual(other.spectrum);
    expect(reader.state().drift).toBe(0);
    now += 50 * 60_000;
    expect(reader.state().drift).toBeGreaterThan(0.05);
    reader.calibrate();
    expect(reader.state().drift).toBe(0);
  });
});

const bump = (base: number, height: number, centre: number) =>
  spectrumFrom((nm) => base + height * Math.exp(-(((nm - centre) / 60) ** 2)));
const bottles: CataloguePaint[] = [
  [430, 0.5],
  [480, 0.4],
  [530, 0.6],
  [580, 0.5],
  [640, 0.5],
  [690, 0.4],
].map(([centre, height], index) => ({
  id: `p${index}`,
  k: bump(0.003, height!, centre!),
  s: spectrumFrom(() => 0.2),
  uncertainty: 2,
}));
bottles.push({ id: 'white', k: bump(0.001, 0, 500), s: spectrumFrom(() => 0.5), uncertainty: 1 });
bottles.push({ id: 'black', k: bump(2, 0, 500), s: spectrumFrom(() => 0.1), uncertainty: 1 });
const shelf = new Map(bottles.map((bottle) => [bottle.id, bottle]));

describe('the hidden truth', () => {
  it('is the same for the same world and differs between worlds and bottles', () => {
    const [bottle] = bottles;
    expect(trueOptics(bottle!, 1)).toEqual(trueOptics(bottle!, 1));
    expect(trueOptics(bottle!, 1)).not.toEqual(trueOptics(bottle!, 2));
    expect(randomFrom('a')()).not.toBe(randomFrom('b')());
  });

  it('lets drops that are in the cup lie when more are added', () => {
    const over = new Array<number>(31).fill(0.8);
    const read = (drops: Record<string, number>) =>
      trueReflectance({ drops, filmUm: 2000, over, cup: 'c' }, shelf, 1);
    // A hundred drops of white drown what one drop of red did, whatever its size.
    const far = (one: number[], other: number[]) =>
      ciede2000(spectrumToLab(one, DAYLIGHT), spectrumToLab(other, DAYLIGHT));
    expect(far(read({ white: 1, p2: 1 }), read({ white: 1, p2: 1 }))).toBe(0);
    expect(far(read({ white: 100, p2: 1 }), read({ white: 100 }))).toBeLessThan(
      far(read({ white: 1, p2: 1 }), read({ white: 1 })),
    );
    expect(() => read({ gone: 1 })).toThrow(/no paint gone/);
  });
});

describe('the loop of spoon and correction', () => {
  it('comes nearer with every addition, over many cups', () => {
    const first: number[] = [];
    const second: number[] = [];
    const over = new Array<number>(31).fill(0.8);
    for (let cupIndex = 0; cupIndex < 14; cupIndex++) {
      const random = randomFrom('target', cupIndex);
      const target = spectrumToLab(
        trueReflectance(
          {
            drops: {
              white: 4 + Math.floor(4 * random()),
              [`p${cupIndex % 6}`]: 2,
              [`p${(cupIndex + 2) % 6}`]: 1,
            },
            filmUm: 2000,
            over,
            cup: 'target',
          },
          shelf,
          99,
        ),
        DAYLIGHT,
      );
      const { best } = searchRecipes(
        {
          format: 'recipe-request',
          version: 1,
          condition: DAYLIGHT,
          surface: GLOSSY,
          paints: bottles,
          target: { lab: [target.L, target.a, target.b] },
          maxPaints: 3,
          maxDrops: 12,
        },
        { keep: 1 },
      );
      let cup = best.flat().sort((p, q) => p.dE00 - q.dE00)[0]!.drops;
      const readings: MixReading[] = [];
      for (const spoons of [first, undefined, second]) {
        const truth = trueReflectance({ drops: cup, filmUm: 2000, over, cup: `cup ${cupIndex}` }, shelf, 1);
        spoons?.push(ciede2000(target, spectrumToLab(truth, DAYLIGHT)));
        readings.push({ drops: { ...cup }, spectrum: truth });
        const paints = Object.keys(cup).map((id) => shelf.get(id)!);
        const fit = refitOptics(paints, readings);
        const [addition] = additions({
          cup: fit.fallen.at(-1)!,
          candidates: Object.keys(cup),
          optics: fit.optics,
          target,
          maxAdded: 12,
          maxKinds: 3,
        });
        cup = Object.fromEntries(
          Object.entries(cup).map(([id, count]) => [id, count + (addition!.add[id] ?? 0)]),
        );
      }
    }
    const middle = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
    expect(middle(second)).toBeLessThan(middle(first));
    expect(middle(second)).toBeLessThan(2);
  });
});
