import { Matrix, solve } from 'ml-matrix';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BAND_COUNT, ciede2000, DAYLIGHT, spectrumToLab, xyzToLab, type Lab } from '../../colour/index.ts';
import { GLOSSY, mixOptics, opaqueSpectrum, seenSurface } from '../../paint/index.ts';
import { halfSpaceBound } from './halfSpaceBound.ts';
import { differenceBound } from './differenceBound.ts';
import { exchangeWeights } from './exchangeModel.ts';
import {
  nearestPaints,
  recipeSearch,
  searchRecipes,
  type RecipePaint,
  type RecipeRequest,
} from '../index.ts';
import { likelyRecipes } from './likelyRecipes.ts';
import { mixtureModel } from './mixtureModel.ts';
import { dropRatios } from './ratios.ts';
import { repeatable, samplePaints } from './samplePaints.ts';
import { KERNEL_ERROR, ratioSearch } from './ratioSearch.ts';

/** The slow way: every ratio of every choice, worked out one by one through the paint model. */
function enumerate({ paints, target, maxPaints, maxDrops, surface }: RecipeRequest, keep: number) {
  const [L, a, b] = target.lab;
  return Array.from({ length: maxPaints }, (_, i) => {
    const n = i + 1;
    const found: { dE00: number; key: string }[] = [];
    const choose = (picked: RecipePaint[], from: number) => {
      if (picked.length < n) {
        for (let at = from; at < paints.length; at++) choose([...picked, paints[at]!], at + 1);
        return;
      }
      for (const drops of dropRatios(n, maxDrops)) {
        const optics = mixOptics(picked.map((paint, at) => ({ optics: paint, share: drops[at]! })));
        const dE00 = ciede2000({ L, a, b }, spectrumToLab(opaqueSpectrum(optics, surface), DAYLIGHT));
        found.push({ dE00, key: picked.map((paint, at) => `${paint.id}:${drops[at]}`).join() });
      }
    };
    choose([], 0);
    return found.sort((p, q) => p.dE00 - q.dE00).slice(0, keep);
  });
}

/** Paints of which every second is so strong that it is nearly black. */
const darkPaints = (size: number, seed: number): RecipePaint[] =>
  samplePaints(size, seed).map((paint, at) =>
    at % 2 ? paint : { ...paint, k: paint.k.map((value) => 12 * value + 2) },
  );

function request(
  seed: number,
  lab: [number, number, number],
  size = 7,
  paints = samplePaints(size, seed),
): RecipeRequest {
  return {
    format: 'recipe-request',
    version: 1,
    paints,
    target: { lab },
    condition: DAYLIGHT,
    surface: GLOSSY,
    maxPaints: 3,
    maxDrops: 9,
  };
}

const targets = fc.tuple(
  fc.integer({ min: 1, max: 1e6 }),
  fc.tuple(
    fc.integer({ min: 10, max: 95 }),
    fc.integer({ min: -60, max: 60 }),
    fc.integer({ min: -60, max: 60 }),
  ),
);

describe('dropRatios', () => {
  it.each([
    [1, 12, 1],
    [2, 12, 45],
    [3, 12, 196],
  ])('lists %i paints in up to %i drops in lowest terms', (n, drops, count) => {
    const ratios = dropRatios(n, drops);
    expect(ratios).toHaveLength(count);
    expect(new Set(ratios.map((r) => r.map((d) => d / r.reduce((x, y) => x + y)).join())).size).toBe(count);
  });
});

describe('differenceBound', () => {
  const coordinate = fc.double({ min: -100, max: 100, noNaN: true });
  const size = fc.oneof(
    fc.double({ min: 0, max: 3, noNaN: true }),
    fc.double({ min: 0, max: 90, noNaN: true }),
  );
  const unit = fc.double({ min: 0, max: 1, noNaN: true });
  const lab = fc.record({ L: fc.double({ min: 0, max: 100, noNaN: true }), a: coordinate, b: coordinate });

  it('never exceeds the difference to any colour in the box', () => {
    fc.assert(
      fc.property(
        lab,
        lab,
        fc.tuple(size, size, size),
        fc.tuple(unit, unit, unit),
        (target, corner, [dL, da, db], [u, v, w]) => {
          const box = {
            minL: corner.L,
            maxL: corner.L + dL,
            minA: corner.a,
            maxA: corner.a + da,
            minB: corner.b,
            maxB: corner.b + db,
          };
          const inside: Lab = { L: corner.L + u * dL, a: corner.a + v * da, b: corner.b + w * db };
          expect(differenceBound(target)(box)).toBeLessThanOrEqual(ciede2000(target, inside) + 1e-7);
        },
      ),
      { numRuns: 20000 },
    );
  });

  it('is tight enough to be of use: exact for a point', () => {
    const target = { L: 50, a: 30, b: 30 };
    const point = { L: 55, a: 38, b: 24 };
    const bound = differenceBound(target)({ minL: 55, maxL: 55, minA: 38, maxA: 38, minB: 24, maxB: 24 });
    expect(bound).toBeGreaterThan(0.999 * ciede2000(target, point));
  });
});

describe('likelyRecipes', () => {
  const likely = (asked: RecipeRequest, n: number) => {
    const model = mixtureModel(asked);
    const leads = (searchRecipes({ ...asked, maxPaints: n - 1 }, { within: 0 }).best[n - 2] ?? []).map(
      ({ drops }) => ({
        paints: Object.keys(drops).map((id) => asked.paints.findIndex((paint) => paint.id === id)),
        drops: Object.values(drops),
      }),
    );
    const offered: { dE00: number; paints: readonly number[]; drops: readonly number[] }[] = [];
    const ball = halfSpaceBound(model.wanted);
    const steps = likelyRecipes({
      model,
      see: model.lab,
      unitL: ball.unitL,
      unitAB: ball.unitAB,
      ratios: dropRatios(n, asked.maxDrops),
      leads,
      offer: (dE00, paints, drops) => offered.push({ dE00, paints, drops }),
    });
    while (!steps.next().done);
    return { model, offered };
  };
  const within = (seed: number): RecipeRequest => {
    const random = repeatable(seed);
    const asked = request(seed, [50, 0, 0], 12);
    const parts = asked.paints.slice(0, 3).map((optics) => ({ optics, share: 1 + 3 * random() }));
    const { L, a, b } = spectrumToLab(opaqueSpectrum(mixOptics(parts)), DAYLIGHT);
    return { ...asked, target: { lab: [L, a, b] } };
  };

  it('offers recipes of so many paints, in whole drops, at the difference they have', () => {
    for (const n of [2, 3, 4]) {
      const { model, offered } = likely(within(5), n);
      expect(offered.length).toBeGreaterThan(0);
      for (const { dE00, paints, drops } of offered) {
        expect(new Set(paints).size).toBe(n);
        expect([...paints]).toEqual([...paints].sort((p, q) => p - q));
        expect(drops.reduce((sum, count) => sum + count, 0)).toBeLessThanOrEqual(9);
        expect(dE00).toBeCloseTo(model.difference(paints, drops), 12);
      }
    }
  });

  it('comes near the best of all for colours within reach', () => {
    const behind = Array.from({ length: 20 }, (_, seed) => {
      const asked = within(seed + 1);
      const best = searchRecipes(asked, { within: 0 }).best[2]![0]!.dE00;
      return Math.min(...likely(asked, 3).offered.map(({ dE00 }) => dE00)) - best;
    }).sort((p, q) => p - q);
    expect(behind[0]).toBeGreaterThanOrEqual(-1e-9);
    expect(behind[14]).toBeLessThan(1e-9);
    expect(behind[19]).toBeLessThan(0.5);
  });

  it('keeps to the paints that may be mixed and bought', () => {
    const asked = within(3);
    asked.paints = asked.paints.map((paint, at) => ({
      ...paint,
      group: at % 2 ? 'one' : 'other',
      toBuy: at < 6,
    }));
    asked.mostBought = 1;
    const { offered } = likely(asked, 3);
    expect(offered.length).toBeGreaterThan(0);
    for (const { paints } of offered) {
      expect(new Set(paints.map((paint) => paint % 2)).size).toBe(1);
      expect(paints.filter((paint) => paint < 6).length).toBeLessThanOrEqual(1);
    }
  });
});

describe('differenceBall', () => {
  it('holds every colour nearer than its difference in every half-space, also after a change', () => {
    fc.assert(
      fc.property(
        fc.record({
          L: fc.double({ min: 5, max: 95, noNaN: true }),
          a: fc.double({ min: -80, max: 80, noNaN: true }),
          b: fc.double({ min: -80, max: 80, noNaN: true }),
        }),
        fc.double({ min: 0.1, max: 15, noNaN: true }),
        fc.integer({ min: 1, max: 1e6 }),
        (target, difference, seed) => {
          const ball = halfSpaceBound(target);
          const random = repeatable(seed);
          for (const held of [difference, difference / 2]) {
            ball.hold(held, held / 4);
            for (let i = 0; i < 400; i++) {
              const lab = {
                L: Math.min(100, Math.max(0, target.L + 4 * held * (random() - 0.5))),
                a: target.a + 8 * held * (random() - 0.5),
                b: target.b + 8 * held * (random() - 0.5),
              };
              if (ciede2000(target, lab) >= held) continue;
              const d = i % ball.count;
              const along = ball.nL[d]! * lab.L + ball.na[d]! * lab.a + ball.nb[d]! * lab.b;
              expect(along).toBeLessThanOrEqual(ball.reachOf(d) + 1e-9);
            }
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  it('is not much larger than what it holds', () => {
    const target = { L: 35, a: 20, b: -35 };
    const ball = halfSpaceBound(target);
    ball.hold(6, 0.6);
    // Along L alone the reach is that of a grey step of the same difference.
    const up = [...ball.nL.keys()].reduce((best, d) => (ball.nL[d]! > ball.nL[best]! ? d : best), 0);
    let far = 0;
    while (ciede2000(target, { ...target, L: target.L + far }) < 6) far += 0.01;
    const beyond =
      ball.reachOf(up) - ball.nL[up]! * target.L - ball.na[up]! * target.a - ball.nb[up]! * target.b;
    expect(beyond).toBeLessThan(1.3 * ball.nL[up]! * far);
  });
});

describe('ratioSearch', () => {
  const searchOf = (
    n: number,
    lab: [number, number, number],
    reach: number,
    paints = samplePaints(12, 21),
  ) => {
    const asked = request(21, lab, 12, paints);
    const model = mixtureModel(asked);
    const ratios = dropRatios(n, 9);
    const ball = halfSpaceBound(model.wanted);
    ball.hold(reach, reach / 12);
    const met = new Set<number>();
    const search = ratioSearch(model, ratios, ball, (ratio) => met.add(ratio));
    const random = repeatable(n);
    /** Some choices of neighbouring paints. */
    const choices = Array.from({ length: 120 }, () => {
      const first = Math.floor(random() * (12 - n));
      return Array.from({ length: n }, (_, at) => first + at);
    });
    return { model, ratios, search, choices, met };
  };

  it.each([2, 3, 4])('keeps every ratio of %i paints once, inside its part', (n) => {
    const { ratios, search, choices } = searchOf(n, [48, 12, 18], 6);
    search.begin(choices[0]!);
    const seen: number[] = [];
    const walk = (part: number): void => {
      const { ratios: held, corners } = search.contents(part);
      for (const ratio of held) {
        const total = ratios[ratio]!.reduce((x, y) => x + y);
        const weights = solve(
          new Matrix(corners).transpose(),
          Matrix.columnVector(ratios[ratio]!.map((count) => count / total)),
        ).to1DArray();
        expect(Math.min(...weights)).toBeGreaterThanOrEqual(-1e-4);
      }
      if (held.length > 2) search.halves(part).forEach(walk);
      else seen.push(...held);
    };
    walk(search.root);
    expect(seen.sort((x, y) => x - y)).toEqual(ratios.map((_, index) => index));
  });

  it.each([
    [2, 'plain'],
    [3, 'plain'],
    [4, 'plain'],
    [2, 'dark'],
    [3, 'dark'],
    [4, 'dark'],
  ] as const)('sees mixtures of %i %s paints as the model does', (n, kind) => {
    let worst = 0;
    const paints = kind === 'dark' ? darkPaints(12, 21) : undefined;
    const targets: [number, number, number][] = [
      [48, 12, 18],
      [8, 2, -3],
      [97, -1, 3],
      [55, 60, -40],
    ];
    for (const lab of targets) {
      const { model, ratios, search, choices } = searchOf(n, lab, 6, paints);
      for (const choice of choices.slice(0, 40)) {
        search.begin(choice);
        ratios.forEach((drops, ratio) => {
          worst = Math.max(worst, Math.abs(search.difference(ratio) - model.difference(choice, drops)));
        });
      }
    }
    expect(worst).toBeGreaterThan(0);
    expect(worst).toBeLessThan(KERNEL_ERROR / 4);
  });

  it.each([
    [2, 'plain', [48, 12, 18]],
    [3, 'plain', [48, 12, 18]],
    [4, 'plain', [48, 12, 18]],
    [2, 'dark', [6, 1, -2]],
    [3, 'dark', [6, 1, -2]],
    [4, 'dark', [12, 9, 4]],
  ] as const)('rules out no part of %i %s paints that holds a near enough ratio', (n, kind, lab) => {
    const paints = kind === 'dark' ? darkPaints(12, 21) : undefined;
    const { model, ratios, search, choices } = searchOf(n, [...lab], 6, paints);
    let ruledOut = 0;
    for (const choice of choices) {
      search.begin(choice);
      const walk = (part: number): void => {
        const margin = search.margin(part);
        const held = search.contents(part).ratios;
        const least = Math.min(...held.map((ratio) => model.difference(choice, ratios[ratio]!)));
        expect(search.boxDifference(part)).toBeLessThanOrEqual(least + 1e-9);
        if (margin > 0) {
          ruledOut++;
          expect(least).toBeGreaterThanOrEqual(6);
          return;
        }
        if (held.length > 2) search.halves(part).forEach(walk);
      };
      walk(search.root);
    }
    expect(ruledOut).toBeGreaterThan(100);
  });

  it.each([2, 3, 4])('meets every near enough ratio of %i paints', (n) => {
    const { model, ratios, search, choices, met } = searchOf(n, [48, 12, 18], 9);
    search.setLimit(9);
    let near = 0;
    let all = 0;
    let looked = 0;
    for (const choice of choices) {
      met.clear();
      search.begin(choice);
      search.explore();
      all += ratios.length;
      looked += met.size;
      ratios.forEach((drops, ratio) => {
        if (model.difference(choice, drops) >= 9) return;
        near++;
        expect(met.has(ratio)).toBe(true);
      });
    }
    expect(near).toBeGreaterThan(0);
    expect(looked).toBeLessThan(all / 2);
  });
});

describe('searchRecipes', () => {
  it('gives the plain enumeration its own answer when asked for it', () => {
    fc.assert(
      fc.property(targets, ([seed, lab]) => {
        const asked = request(seed, lab);
        const slow = enumerate(asked, 6);
        const fast = searchRecipes(asked, { within: 0, keep: 6 });
        fast.best.forEach((list, i) => {
          expect(list.map(({ dE00 }) => dE00.toFixed(6))).toEqual(
            slow[i]!.map(({ dE00 }) => dE00.toFixed(6)),
          );
        });
      }),
      { numRuns: 8 },
    );
  }, 30_000);

  it('gives the plain enumeration its own answer for near blacks, in gloss and in matt', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.tuple(
          fc.integer({ min: 0, max: 28 }),
          fc.integer({ min: -8, max: 20 }),
          fc.integer({ min: -22, max: 8 }),
        ),
        fc.constantFrom(85, 30, 8),
        (seed, lab, gloss) => {
          const asked = {
            ...request(seed, lab, 7, darkPaints(7, seed)),
            surface: seenSurface(gloss),
          };
          const slow = enumerate(asked, 6);
          const fast = searchRecipes(asked, { within: 0, keep: 6 });
          fast.best.forEach((list, i) => {
            expect(list.map(({ dE00 }) => dE00.toFixed(6))).toEqual(
              slow[i]!.map(({ dE00 }) => dE00.toFixed(6)),
            );
          });
        },
      ),
      { numRuns: 10 },
    );
  }, 30_000);

  it('reads a request that names neither light nor surface as the exchange format has it', () => {
    const { condition: _, surface: __, ...asked } = request(4, [42, 12, -8]);
    // The format's own words: k1 = 0.04, k2 = 0.6, and sums over the 31 bands.
    const { x, y, z, white } = exchangeWeights();
    const sum = (weights: readonly number[], seen: number[]) =>
      weights.reduce((total, weight, band) => total + weight * seen[band]!, 0);
    for (const { drops, dE00, lab } of searchRecipes(asked, { within: 0 }).best.flat()) {
      const total = Object.values(drops).reduce((p, q) => p + q, 0);
      const seen = Array.from({ length: BAND_COUNT }, (_band, band) => {
        const part = (pick: 'k' | 's') =>
          Object.entries(drops).reduce(
            (value, [id, count]) =>
              value + (count / total) * asked.paints.find((paint) => paint.id === id)![pick][band]!,
            0,
          );
        const q = part('k') / part('s');
        const r = 1 + q - Math.sqrt(q * q + 2 * q);
        return 0.04 + (0.96 * 0.4 * r) / (1 - 0.6 * r);
      });
      const again = xyzToLab({ X: sum(x, seen), Y: sum(y, seen), Z: sum(z, seen) }, white);
      expect(ciede2000(lab, again)).toBeLessThan(1e-9);
      expect(dE00).toBeCloseTo(ciede2000({ L: 42, a: 12, b: -8 }, again), 9);
    }
  });

  it('lets a larger drop count for more', () => {
    const asked = request(8, [50, 5, 5], 2);
    const double = {
      ...asked,
      paints: asked.paints.map((paint, at) => (at ? paint : { ...paint, perDrop: 2 })),
    };
    const [one] = searchRecipes({ ...asked, maxDrops: 12 }, { within: 0, keep: 40 }).best[1]!.filter(
      ({ drops }) => drops['p0'] === 4 && drops['p1'] === 3,
    );
    const [other] = searchRecipes({ ...double, maxDrops: 12 }, { within: 0, keep: 40 }).best[1]!.filter(
      ({ drops }) => drops['p0'] === 2 && drops['p1'] === 3,
    );
    expect(ciede2000(one!.lab, other!.lab)).toBeLessThan(1e-9);
    expect(() => searchRecipes({ ...asked, paints: [{ ...asked.paints[0]!, perDrop: 0 }] })).toThrow(
      /drop of no volume/,
    );
  });

  it('keeps its promise of within', () => {
    fc.assert(
      fc.property(targets, fc.constantFrom(0.1, 0.5, 2), ([seed, lab], within) => {
        const asked = request(seed, lab);
        const slow = enumerate(asked, 1);
        searchRecipes(asked, { within }).best.forEach((list, i) => {
          expect(list[0]!.dE00).toBeLessThanOrEqual(slow[i]![0]!.dE00 + within + 1e-9);
        });
      }),
      { numRuns: 8 },
    );
  }, 30_000);

  it('rules most recipes out without working them out', () => {
    const asked = { ...request(5, [50, 10, 20], 20), maxDrops: 14 };
    const all = [1, 2, 3].reduce((sum, n) => sum + dropRatios(n, 14).length * [20, 190, 1140][n - 1]!, 0);
    expect(searchRecipes(asked).evaluated).toBeLessThan(all / 20);
  });

  it('reports what its recipes say: the drops give the colour and the difference', () => {
    const asked = request(9, [60, -10, 15]);
    for (const { drops, lab, dE00 } of searchRecipes(asked).best.flat()) {
      const parts = Object.entries(drops).map(([id, share]) => ({
        share,
        optics: asked.paints.find((p) => p.id === id)!,
      }));
      const again = spectrumToLab(opaqueSpectrum(mixOptics(parts)), DAYLIGHT);
      expect(lab.L).toBeCloseTo(again.L, 6);
      expect(dE00).toBeCloseTo(ciede2000({ L: 60, a: -10, b: 15 }, again), 6);
    }
  });

  it('never mixes across groups', () => {
    const asked = request(3, [40, 20, 20]);
    asked.paints.forEach((paint, i) => (paint.group = i % 2 ? 'lacquer' : 'enamel'));
    for (const { drops } of searchRecipes(asked).best.flat()) {
      const groups = new Set(Object.keys(drops).map((id) => asked.paints.find((p) => p.id === id)!.group));
      expect(groups.size).toBe(1);
    }
  });

  it('stops when cancelled and reports progress that grows', () => {
    const asked = { ...request(4, [55, 30, -20], 40), maxDrops: 20 };
    expect(() => searchRecipes(asked, { signal: { aborted: true } })).toThrow(/cancelled/);
    const shares: number[] = [];
    searchRecipes(asked, { within: 0, onProgress: (share) => shares.push(share) });
    expect(shares.length).toBeGreaterThan(1);
    expect([...shares].sort((x, y) => x - y)).toEqual(shares);
    expect(shares.at(-1)).toBeLessThanOrEqual(1);
  });

  it('answers two questions at once as it answers each alone', () => {
    const one = { ...request(4, [55, 30, -20], 14), maxDrops: 12 };
    const other = { ...request(6, [30, -10, 25], 14), maxDrops: 12 };
    const alone = [one, other].map((asked) => searchRecipes(asked, { within: 0 }).best);
    const searches = [one, other].map((asked) => recipeSearch(asked, { within: 0 }));
    const answers: unknown[] = [];
    while (answers.filter(Boolean).length < 2) {
      searches.forEach((search, at) => {
        const { done, value } = search.next();
        if (done) answers[at] ??= value.best;
      });
    }
    expect(answers).toEqual(alone);
  });

  it('shows the best so far while it proves', () => {
    const steps = recipeSearch({ ...request(4, [55, 30, -20], 40), maxDrops: 20 }, { within: 0 });
    const nearest: number[] = [];
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) {
        expect(step.value.best[2]![0]!.dE00).toBe(nearest.at(-1));
        break;
      }
      const [first] = step.value.soFar()[2] ?? [];
      if (first) nearest.push(first.dE00);
    }
    expect(nearest.length).toBeGreaterThan(1);
    expect([...nearest].sort((x, y) => y - x)).toEqual(nearest);
  });

  it.each<[string, Partial<RecipeRequest>, RegExp]>([
    ['no paints', { paints: [] }, /no paint/],
    ['L out of range', { target: { lab: [130, 0, 0] } }, /between 0 and 100/],
    ['negative drops', { maxDrops: -3 }, /whole number/],
    ['five paints', { maxPaints: 5 }, /1 to 4/],
    ['the same paint twice', { paints: [...samplePaints(1, 1), ...samplePaints(1, 1)] }, /listed twice/],
    ['a short spectrum', { paints: [{ id: 'x', k: [1], s: [1] }] }, /31 values/],
    [
      'zero scattering',
      {
        paints: [
          { id: 'x', k: new Array<number>(BAND_COUNT).fill(1), s: new Array<number>(BAND_COUNT).fill(0) },
        ],
      },
      /above zero/,
    ],
  ])('refuses %s', (_, change, message) => {
    expect(() => recipeSearch({ ...request(1, [50, 0, 0]), ...change }).next()).toThrow(message);
  });
});

describe('nearestPaints', () => {
  it('orders by difference and finds the paint itself', () => {
    const paints = samplePaints(30, 8).map((paint) => ({ id: paint.id, spectrum: opaqueSpectrum(paint) }));
    const found = nearestPaints(paints, { spectrum: paints[11]!.spectrum }, [DAYLIGHT], 5);
    expect(found).toHaveLength(5);
    expect(found[0]).toMatchObject({ id: 'p11', dE00: 0 });
    expect(found[1]!.dE00).toBeGreaterThan(0);
    expect(found.map((p) => p.dE00)).toEqual([...found.map((p) => p.dE00)].sort((x, y) => x - y));
  });
});
