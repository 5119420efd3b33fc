import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, spectrumFrom, spectrumToLab, type Lab } from '../../colour/index.ts';
import { GLOSSY, mixOptics, opaqueSpectrum } from '../../paint/index.ts';
import {
  besideDecal,
  planPalette,
  programmeSolver,
  recipesWithin,
  searchRecipes,
  type PaletteAim,
  type PaletteBottle,
  type PaletteColour,
  type PalettePlan,
  type ProgrammeSolver,
  type RecipePaint,
  type RecipeRequest,
} from '../index.ts';
import { dropRatios } from '../recipes/ratios.ts';
import { repeatable, samplePaints } from '../recipes/samplePaints.ts';

/** Paints of two chemistries. */
const twoChemistries = (count: number, seed: number): RecipePaint[] =>
  samplePaints(count, seed).map((paint, at) => ({ ...paint, group: at % 4 === 0 ? 'enamel' : 'lacquer' }));

/** Reflectance of every mixture of up to n paints of one group, the slow way. */
function mixtures(paints: readonly RecipePaint[], n: number, maxDrops: number) {
  const found: { drops: Record<string, number>; spectrum: number[] }[] = [];
  const choose = (picked: RecipePaint[], from: number) => {
    for (const drops of picked.length > 0 ? dropRatios(picked.length, maxDrops) : []) {
      const optics = mixOptics(picked.map((paint, at) => ({ optics: paint, share: drops[at]! })));
      found.push({
        drops: Object.fromEntries(picked.map(({ id }, at) => [id, drops[at]!])),
        spectrum: opaqueSpectrum(optics),
      });
    }
    if (picked.length === n) return;
    for (let at = from; at < paints.length; at++) {
      if (picked.every(({ group }) => group === paints[at]!.group)) choose([...picked, paints[at]!], at + 1);
    }
  };
  choose([], 0);
  return found;
}

const setOf = (drops: object) => Object.keys(drops).sort().join(' ');
const finish = <T>(work: Generator<number, T>): T => {
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
    expect(value).toBeGreaterThanOrEqual(0);
    expect(value).toBeLessThanOrEqual(1);
  }
};
const requestFor = (paints: RecipePaint[], lab: Lab): RecipeRequest => ({
  format: 'recipe-request',
  version: 1,
  paints,
  target: { lab: [lab.L, lab.a, lab.b] },
  condition: DAYLIGHT,
  surface: GLOSSY,
  maxPaints: 3,
  maxDrops: 6,
});

describe('recipesWithin', () => {
  it.each([1, 2, 3, 4])(
    'holds the nearest recipe of every choice in reach, as found the slow way (%i)',
    (seed) => {
      const paints = twoChemistries(8, seed);
      const all = mixtures(paints, 3, 6);
      const target = spectrumToLab(all[(seed * 131) % all.length]!.spectrum, DAYLIGHT);
      const tolerance = 3;
      const slow = new Map<string, number>();
      for (const { drops, spectrum } of all) {
        const dE00 = ciede2000(target, spectrumToLab(spectrum, DAYLIGHT));
        const key = setOf(drops);
        if (dE00 < tolerance && dE00 < (slow.get(key) ?? Infinity)) slow.set(key, dE00);
      }
      for (const [key, dE00] of [...slow]) {
        const beaten = [...slow].some(
          ([other, of]) =>
            other !== key && other.split(' ').every((id) => key.split(' ').includes(id)) && of <= dE00 + 1e-9,
        );
        if (beaten) slow.delete(key);
      }
      const fast = finish(recipesWithin(requestFor(paints, target), tolerance));
      expect(slow.size).toBeGreaterThan(0);
      expect(new Map(fast.map(({ drops, dE00 }) => [setOf(drops), dE00.toFixed(6)]))).toEqual(
        new Map([...slow].map(([key, dE00]) => [key, dE00.toFixed(6)])),
      );
    },
  );
});

describe('recipesWithin of four paints', () => {
  it('leaves out a choice that does no better than any part of it, also two paints smaller', () => {
    const paints = samplePaints(6, 21);
    const target = spectrumToLab(opaqueSpectrum(paints[2]!), DAYLIGHT);
    const found = finish(recipesWithin({ ...requestFor(paints, target), maxPaints: 4, maxDrops: 6 }, 4));
    expect(found.find(({ drops }) => setOf(drops) === 'p2')!.dE00).toBeLessThan(1e-9);
    // The paint itself is exact, so nothing that holds it is worth a bottle more.
    expect(found.filter(({ drops }) => 'p2' in drops)).toHaveLength(1);
    for (const one of found) {
      for (const other of found) {
        const part = Object.keys(other.drops);
        if (other === one || !part.every((id) => id in one.drops)) continue;
        expect(one.dE00).toBeLessThan(other.dE00);
      }
    }
  });
});

describe('searchRecipes in several lights', () => {
  it.each([5, 6, 7])('is best in the worst of them, as found the slow way (%i)', (seed) => {
    const paints = twoChemistries(7, seed);
    const lights = [
      DAYLIGHT,
      { illuminant: 'A', observer: '2deg' },
      { illuminant: 'LED-4000', observer: '10deg' },
    ] as const;
    const wanted = spectrumFrom((nm) => 0.3 + 0.2 * Math.sin(nm / 40 + seed));
    const labs = lights.map((light) => spectrumToLab(wanted, light));
    const worstOf = (spectrum: number[]) =>
      Math.max(...lights.map((light, at) => ciede2000(labs[at]!, spectrumToLab(spectrum, light))));
    const slow = mixtures(paints, 3, 6).map(({ drops, spectrum }) => ({
      count: Object.keys(drops).length,
      worst: worstOf(spectrum),
    }));
    const answer = searchRecipes(
      {
        ...requestFor(paints, labs[0]!),
        alsoIn: [1, 2].map((at) => ({
          condition: lights[at]!,
          lab: [labs[at]!.L, labs[at]!.a, labs[at]!.b] as const,
        })),
      },
      { within: 0 },
    );
    for (const n of [1, 2, 3]) {
      const best = Math.min(...slow.filter(({ count }) => count === n).map(({ worst }) => worst));
      expect(answer.best[n - 1]![0]!.dE00).toBeCloseTo(best, 8);
    }
  });
});

describe('searchRecipes with few purchases', () => {
  it.each([0, 1, 2])('is best among recipes with at most %i bought', (mostBought) => {
    const paints = twoChemistries(8, 11).map((paint, at) => ({ ...paint, toBuy: at % 2 === 1 }));
    const bought = new Set(paints.filter(({ toBuy }) => toBuy).map(({ id }) => id));
    const target = { L: 55, a: 12, b: -20 };
    const slow = mixtures(paints, 3, 6)
      .filter(({ drops }) => Object.keys(drops).filter((id) => bought.has(id)).length <= mostBought)
      .map(({ drops, spectrum }) => ({
        count: Object.keys(drops).length,
        dE00: ciede2000(target, spectrumToLab(spectrum, DAYLIGHT)),
      }));
    const answer = searchRecipes({ ...requestFor(paints, target), mostBought }, { within: 0 });
    for (const n of [1, 2, 3]) {
      const best = Math.min(...slow.filter(({ count }) => count === n).map(({ dE00 }) => dE00));
      if (best === Infinity) expect(answer.best[n - 1]).toEqual([]);
      else expect(answer.best[n - 1]![0]!.dE00).toBeCloseTo(best, 8);
    }
  });
});

describe('planPalette', () => {
  let solve: ProgrammeSolver;
  beforeAll(async () => {
    solve = programmeSolver(await loadHighs());
  });

  const randomCase = (seed: number) => {
    const random = repeatable(seed * 7919);
    const bottles: PaletteBottle[] = Array.from({ length: 7 }, (_, at) => ({
      id: `b${at}`,
      owned: random() < 0.5,
      priceCents: 200 + Math.floor(500 * random()),
    }));
    const colours: PaletteColour[] = Array.from({ length: 3 }, (_, at) => ({
      id: `c${at}`,
      recipes: Array.from({ length: 5 }, () => ({
        drops: Object.fromEntries(
          Array.from({ length: 1 + Math.floor(3 * random()) }, () => [`b${Math.floor(7 * random())}`, 1]),
        ),
        dE00: Math.round(200 * random()) / 100,
      })),
    }));
    return { colours, bottles };
  };

  /** Tries every choice of recipes. */
  const slowest = (colours: PaletteColour[], bottles: PaletteBottle[], mostBought: number) => {
    const plans: { opened: number; cost: number; worst: number }[] = [];
    const grow = (at: number, used: Set<string>, worst: number) => {
      if (at === colours.length) {
        const bought = bottles.filter(({ id, owned }) => used.has(id) && !owned);
        if (bought.length > mostBought) return;
        plans.push({
          opened: used.size,
          cost: bought.reduce((sum, { priceCents }) => sum + priceCents, 0),
          worst,
        });
        return;
      }
      for (const { drops, dE00 } of colours[at]!.recipes) {
        grow(at + 1, new Set([...used, ...Object.keys(drops)]), Math.max(worst, dE00));
      }
    };
    grow(0, new Set(), 0);
    return plans;
  };

  it.each(Array.from({ length: 12 }, (_, seed) => seed + 1))('agrees with trying everything (%i)', (seed) => {
    const { colours, bottles } = randomCase(seed);
    const mostBought = seed % 3 === 0 ? 1 : 7;
    const plans = slowest(colours, bottles, mostBought);
    const plan = (aim: PaletteAim) => planPalette({ colours, bottles, aim, mostBought }, solve);
    if (plans.length === 0) {
      expect(plan('cheapest')).toEqual({ unreachable: [] });
      return;
    }
    const least = (pick: (one: (typeof plans)[number]) => number, of = plans) => Math.min(...of.map(pick));
    const fewest = plan('fewest-bottles') as PalettePlan;
    const opened = least((one) => one.opened);
    expect(fewest.bottles).toHaveLength(opened);
    expect(fewest.costCents).toBe(
      least(
        (one) => one.cost,
        plans.filter((one) => one.opened === opened),
      ),
    );
    const cheapest = plan('cheapest') as PalettePlan;
    const cost = least((one) => one.cost);
    expect(cheapest.costCents).toBe(cost);
    expect(cheapest.bottles).toHaveLength(
      least(
        (one) => one.opened,
        plans.filter((one) => one.cost === cost),
      ),
    );
    const nearest = plan('nearest') as PalettePlan;
    expect(nearest.worst).toBe(least((one) => one.worst));
  });

  it('shares a base, says what is out of reach and what the limits forbid', () => {
    const bottles: PaletteBottle[] = ['white', 'red', 'blue', 'pink'].map((id) => ({
      id,
      owned: id !== 'pink',
      priceCents: 300,
    }));
    const colours: PaletteColour[] = [
      {
        id: 'rose',
        recipes: [
          { drops: { pink: 1 }, dE00: 0.2 },
          { drops: { white: 3, red: 1 }, dE00: 0.9 },
        ],
      },
      { id: 'sky', recipes: [{ drops: { white: 4, blue: 1 }, dE00: 0.5 }] },
      { id: 'signal', recipes: [{ drops: { red: 1 }, dE00: 0.1 }] },
    ];
    const plan = planPalette({ colours, bottles, aim: 'fewest-bottles' }, solve) as PalettePlan;
    expect(plan.bottles).toEqual(['blue', 'red', 'white']);
    expect(plan.bought).toEqual([]);
    expect(planPalette({ colours, bottles, aim: 'cheapest', mostBottles: 2 }, solve)).toEqual({
      unreachable: [],
    });
    expect(
      planPalette({ colours: [...colours, { id: 'gold', recipes: [] }], bottles, aim: 'cheapest' }, solve),
    ).toEqual({ unreachable: ['gold'] });
    expect(() => planPalette({ colours: [], bottles, aim: 'cheapest' }, solve)).toThrow(/no colour/);
    expect(() => planPalette({ colours, bottles: bottles.slice(1), aim: 'cheapest' }, solve)).toThrow(
      /white/,
    );
  });
});

describe('besideDecal', () => {
  const grey = (level: number) => new Array<number>(31).fill(level);
  it('tells a white that sits from one that shows and one that must be masked', () => {
    expect(besideDecal(grey(0.86), grey(0.87), DAYLIGHT).verdict).toBe('sits');
    expect(besideDecal(grey(0.81), grey(0.86), DAYLIGHT).verdict).toBe('seen');
    const far = besideDecal(
      spectrumFrom((nm) => (nm < 480 ? 0.7 : 0.85)),
      grey(0.88),
      DAYLIGHT,
    );
    expect(far.verdict).toBe('mask');
    expect(far.words).toMatch(/vivid/);
  });
});
