import { halfSpaceBound } from './halfSpaceBound.ts';
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
  const ball = halfSpaceBound(model.wanted);
  const nearest = new Map<string, { dE00: number; paints: number[]; drops: readonly number[] }>();
  /** The nearest that any part of a choice comes, all parts having been searched before. */
  const bestOfParts = (choice: readonly number[]): number => {
    let best = Infinity;
    for (let parts = 1; parts < 2 ** choice.length - 1; parts++) {
      const key = choice.filter((_, at) => (parts >> at) & 1).join();
      best = Math.min(best, nearest.get(key)?.dE00 ?? Infinity);
    }
    return best;
  };
  let limit = tolerance;
  const found: Collection = {
    reach: tolerance,
    get limit() {
      return limit;
    },
    get notice() {
      return limit;
    },
    begin: (choice) => {
      limit = Math.min(tolerance, bestOfParts(choice));
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
      for (const share of searchChoices(model, ball, n, request.maxDrops, found)) {
        yield (n - 2 + share) / (request.maxPaints - 1);
      }
    }
  }
  return [...nearest.values()].map(({ dE00, paints, drops }) => ({
    dE00,
    drops: Object.fromEntries(paints.map((paint, i) => [request.paints[paint]!.id, drops[i]!])),
  }));
}
