import { differenceBall } from './differenceBall.ts';
import { mixtureModel } from './mixtureModel.ts';
import { requireRecipeRequest, type RecipeRequest } from './recipeRequest.ts';
import { searchChoices } from './searchChoices.ts';
import type { Collection } from './shortlist.ts';

/** The nearest recipe of one choice of paints. */
export interface ChoiceRecipe {
  drops: Record<string, number>;
  dE00: number;
}

/** For every choice of 1 to maxPaints paints whose nearest recipe lies within a difference: that recipe, exactly.
 *  A choice that does no better than a part of it is left out, since the part does the same with fewer bottles.
 *  In small steps, each telling the share done. Throws RangeError for a request that makes no sense. */
export function* recipesWithin(request: RecipeRequest, tolerance: number): Generator<number, ChoiceRecipe[]> {
  requireRecipeRequest(request);
  const model = mixtureModel(request);
  const ball = differenceBall(model.wanted);
  const nearest = new Map<string, { dE00: number; paints: number[]; drops: readonly number[] }>();
  /** How near the choices of fewer paints come, by their key. */
  const bestOfPart = (paints: readonly number[]): number => {
    let best = Infinity;
    for (let left = 0; left < paints.length; left++) {
      const key = paints.filter((_, at) => at !== left).join();
      best = Math.min(best, known.get(key) ?? Infinity);
    }
    return best;
  };
  /** The best of a choice or any part of it. */
  const known = new Map<string, number>();
  let limit = tolerance;
  const found: Collection = {
    reach: tolerance,
    get limit() {
      return limit;
    },
    begin: (choice) => {
      limit = Math.min(tolerance, bestOfPart(choice), nearest.get(choice.join())?.dE00 ?? Infinity);
    },
    offer: (dE00, paints, drops) => {
      if (dE00 >= limit) return;
      limit = dE00;
      const members = Array.from(paints);
      nearest.set(members.join(), { dE00, paints: members, drops });
    },
  };
  for (let n = 1; n <= Math.min(request.maxPaints, request.maxDrops); n++) {
    if (n === 1) {
      for (let paint = 0; paint < model.size; paint++) {
        if (model.toBuy[paint]! > model.mostBought) continue;
        found.begin([paint]);
        found.offer(model.difference([paint], [1]), [paint], [1]);
      }
    } else {
      for (const share of searchChoices(model, ball, n, request.maxDrops, found, [])) {
        yield (n - 2 + share) / (request.maxPaints - 1);
      }
    }
    for (const [key, { dE00, paints }] of nearest) {
      if (paints.length === n) known.set(key, dE00);
    }
    if (n < request.maxPaints) spreadToLarger(n);
  }
  return [...nearest.values()].map(({ dE00, paints, drops }) => ({
    dE00,
    drops: Object.fromEntries(paints.map((paint, i) => [request.paints[paint]!.id, drops[i]!])),
  }));

  /** Choices of n + 1 paints that hold a good choice of n inherit its difference, for those of n + 2. */
  function spreadToLarger(n: number): void {
    if (n + 1 >= request.maxPaints) return;
    for (const { dE00, paints } of [...nearest.values()].filter((entry) => entry.paints.length === n)) {
      const group = model.groups.find((members) => members.includes(paints[0]!)) ?? [];
      for (const extra of group) {
        if (paints.includes(extra)) continue;
        const key = [...paints, extra].sort((p, q) => p - q).join();
        known.set(key, Math.min(known.get(key) ?? Infinity, dE00));
      }
    }
  }
}
