import { describe, expect, it } from 'vitest';
import { frugalRecipes, recipesWithin, searchRecipes, type PaletteBottle } from '../index.ts';
import { samplePaints } from '../recipes/samplePaints.ts';

const paints = samplePaints(9, 12).map((paint, at) => ({ ...paint, toBuy: at % 3 === 0 }));
const request = {
  format: 'recipe-request' as const,
  version: 1 as const,
  paints,
  target: { lab: [48, 8, 12] as const },
  maxPaints: 3,
  maxDrops: 8,
};
const bottles: PaletteBottle[] = paints.map(({ id, toBuy }, at) => ({
  id,
  owned: !toBuy,
  priceCents: 250 + 30 * at,
}));
const tolerance = searchRecipes(request).best[2]![0]!.dE00 + 6;
const within = () => {
  const search = recipesWithin(request, tolerance);
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
  }
};

/** Every recipe within the tolerance, by looking at all choices one at a time. */
function everyChoice() {
  const found: { ids: string[]; dE00: number }[] = [];
  const walk = (ids: string[], from: number) => {
    if (ids.length > 0) {
      const { best } = searchRecipes(
        { ...request, paints: paints.filter(({ id }) => ids.includes(id)), maxPaints: ids.length },
        { within: 0, keep: 1 },
      );
      const nearest = best[ids.length - 1]![0];
      if (nearest && nearest.dE00 < tolerance) found.push({ ids, dE00: nearest.dE00 });
    }
    if (ids.length === 3) return;
    for (let at = from; at < paints.length; at++) walk([...ids, paints[at]!.id], at + 1);
  };
  walk([], 0);
  return found;
}
const cost = (ids: readonly string[]) =>
  bottles
    .filter(({ id, owned }) => ids.includes(id) && !owned)
    .reduce((sum, { priceCents }) => sum + priceCents, 0);

describe('frugalRecipes', () => {
  const all = everyChoice();

  it('spends no more than any recipe that is near enough', () => {
    const [first] = frugalRecipes(within(), bottles, 'cheapest', 5);
    expect(all.length).toBeGreaterThan(5);
    expect(first!.cents).toBe(Math.min(...all.map(({ ids }) => cost(ids))));
    expect(first!.dE00).toBeLessThan(tolerance);
    expect(first!.cents).toBe(cost(Object.keys(first!.drops)));
  });

  it('opens no more bottles than any recipe that is near enough', () => {
    const [first] = frugalRecipes(within(), bottles, 'fewest-bottles', 5);
    expect(Object.keys(first!.drops)).toHaveLength(Math.min(...all.map(({ ids }) => ids.length)));
  });

  it('lists different choices of paints, in order, and says what to buy', () => {
    const list = frugalRecipes(within(), bottles, 'cheapest', 8);
    expect(new Set(list.map(({ drops }) => Object.keys(drops).join())).size).toBe(list.length);
    expect(list.map(({ cents }) => cents)).toEqual(list.map(({ cents }) => cents).sort((a, b) => a - b));
    for (const { drops, toBuy } of list) {
      expect(toBuy).toEqual(Object.keys(drops).filter((id) => !bottles.find((one) => one.id === id)!.owned));
    }
  });

  it('finds nothing where nothing is near enough', () => {
    expect(frugalRecipes([], bottles, 'fewest-bottles', 5)).toEqual([]);
  });
});
