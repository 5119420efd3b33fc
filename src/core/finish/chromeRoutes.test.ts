import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  CHROME_ROUTES,
  CURVATURES,
  planBrightwork,
  scoreChromeRoutes,
  type BrightPart,
  type ChromeMeans,
} from './index.ts';

const part = (change: Partial<BrightPart> = {}): BrightPart => ({
  id: 'p',
  plated: false,
  lengthMm: 40,
  areaCm2: 6,
  curvature: 'gentle',
  seam: false,
  handled: false,
  visibility: 'seen',
  cleared: false,
  ...change,
});
const means: ChromeMeans = { owned: new Set(CHROME_ROUTES), days: null };
const best = (change: Partial<BrightPart>, with_: Partial<ChromeMeans> = {}) =>
  scoreChromeRoutes(part(change), { ...means, ...with_ })[0]!.route.id;
const scoreOf = (id: string, change: Partial<BrightPart>) =>
  scoreChromeRoutes(part(change), means).find(({ route }) => route.id === id)!.score;

const anyPart = fc.record({
  plated: fc.boolean(),
  lengthMm: fc.integer({ min: 2, max: 200 }),
  areaCm2: fc.double({ min: 0.1, max: 80, noNaN: true }),
  curvature: fc.constantFrom(...CURVATURES),
  seam: fc.boolean(),
  handled: fc.boolean(),
  visibility: fc.constantFrom('seen', 'partly', 'hidden'),
  cleared: fc.boolean(),
});

describe('scoreChromeRoutes', () => {
  it('keeps good plating, strips what has a seam, foils flat trims, marks small hidden parts', () => {
    expect(best({ plated: true })).toBe('keep-plating');
    expect(best({ plated: true, seam: true })).not.toBe('keep-plating');
    expect(best({ curvature: 'flat', handled: true })).toBe('foil');
    expect(best({ lengthMm: 4, areaCm2: 0.2, visibility: 'hidden', curvature: 'tight' })).toBe(
      'silver-marker',
    );
    expect(best({ curvature: 'tight' })).toMatch(/ink|lacquer/);
  });

  it('takes what is cured in time and what is owned', () => {
    const ink = scoreChromeRoutes(part({ curvature: 'tight' }), { ...means, days: 1 });
    expect(ink[0]!.days).toBeLessThanOrEqual(1);
    const poor = { owned: new Set(['silver-marker'] as const), days: null };
    const owned = scoreChromeRoutes(part(), means).find(({ route }) => route.id === 'foil')!;
    const bought = scoreChromeRoutes(part(), poor).find(({ route }) => route.id === 'foil')!;
    expect(bought.score).toBeLessThan(owned.score);
    expect(bought.because.map(({ words }) => words)).toContain('€9.00 to buy');
  });

  it('offers plating only where there is some, best first, and its reasons add up to its score', () => {
    fc.assert(
      fc.property(anyPart, (change) => {
        const all = scoreChromeRoutes(part(change), means);
        expect(all.some(({ route }) => route.id === 'keep-plating')).toBe(change.plated);
        all.forEach(({ score, because }, at) => {
          expect(because.reduce((sum, { counts }) => sum + counts, 0)).toBeCloseTo(score, 9);
          if (at > 0) expect(score).toBeLessThanOrEqual(all[at - 1]!.score);
        });
      }),
    );
  });

  it('never rates a route higher for a seam, handling or clear over paint', () => {
    fc.assert(
      fc.property(anyPart, (change) => {
        for (const id of ['ink-airbrush', 'black-metal-lacquer'] as const) {
          expect(scoreOf(id, { ...change, handled: true })).toBeLessThanOrEqual(
            scoreOf(id, { ...change, handled: false }),
          );
          expect(scoreOf(id, { ...change, cleared: true })).toBeLessThanOrEqual(
            scoreOf(id, { ...change, cleared: false }),
          );
        }
      }),
    );
    expect(() => scoreChromeRoutes(part({ areaCm2: 0 }), means)).toThrow(/length and an area/);
  });
});

describe('planBrightwork', () => {
  const parts = [
    part({ id: 'grille', plated: true, seam: true }),
    part({ id: 'bumper', plated: true }),
    part({ id: 'lamp', plated: true, seam: true }),
  ];
  const pins = new Map([
    ['grille', 'strip-paint'],
    ['lamp', 'strip-paint'],
  ] as const);

  it('serves all that is stripped with one bath, buys once, and says which neighbours clash', () => {
    const bare = { owned: new Set<never>(), days: null };
    const plan = planBrightwork(
      parts,
      pins,
      [
        ['grille', 'bumper'],
        ['grille', 'lamp'],
      ],
      bare,
    );
    expect(plan.bath).toEqual(['grille', 'lamp']);
    expect(plan.chosen.map(({ pinned }) => pinned)).toEqual([true, false, true]);
    expect(plan.priceCents).toBe(700);
    const alone = plan.chosen.reduce((sum, { pick }) => sum + pick.minutes, 0);
    expect(plan.minutes).toBe(alone - 25);
    expect(plan.clashes).toHaveLength(1);
    expect(plan.clashes[0]).toMatchObject({ a: 'grille', b: 'bumper' });
  });

  it('drops a pin that the part no longer allows', () => {
    const plan = planBrightwork([part({ id: 'grille' })], pins, [], means);
    expect(plan.chosen[0]!.pinned).toBe(false);
    expect(plan.chosen[0]!.pick.route.id).not.toBe('strip-paint');
  });
});
