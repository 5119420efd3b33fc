import { BAND_COUNT, type Lab, type ViewingCondition } from '../../colour/index.ts';
import type { Surface } from '../../paint/index.ts';

/** One paint on offer: K and S in 31 bands, in any unit that all paints of the request share. */
export interface RecipePaint {
  id: string;
  k: readonly number[];
  s: readonly number[];
  /** Volume of its drop against the usual one; 1 when absent. */
  perDrop?: number;
  /** Only paints of one group are mixed with each other (one chemistry); absent means one common group. */
  group?: string;
  /** Not on the shelf; see RecipeRequest.mostBought. */
  toBuy?: boolean;
}

export interface RecipeRequest {
  format: 'recipe-request';
  version: 1;
  paints: RecipePaint[];
  /** CIELAB wanted; the reference reads it as [L, a, b]. */
  target: { lab: readonly [number, number, number] };
  /** Recipes of 1 up to this many paints. */
  maxPaints: number;
  /** Whole drops altogether. */
  maxDrops: number;
  /** At most this many paints of a recipe may be bought; any number when absent. */
  mostBought?: number;
  /** The light the difference is judged in. When absent the request is read as the exchange format has it: D65 and
   *  the 2 degree observer by plain sums over the bands. */
  condition?: ViewingCondition;
  /** The face that target and mixtures are seen with; when absent as the exchange format has it: gloss, measured
   *  with the shine included. */
  surface?: Surface;
  /** Further lights with the colour wanted in each: a recipe is then as far off as in the worst of all. */
  alsoIn?: readonly { condition: ViewingCondition; lab: readonly [number, number, number] }[];
}

export interface Recipe {
  /** Whole drops by paint id. */
  drops: Record<string, number>;
  lab: Lab;
  /** In the worst light where several were asked for. */
  dE00: number;
}

export interface RecipeAnswer {
  /** best[n - 1] holds recipes of exactly n paints, nearest first. */
  best: Recipe[][];
  /** For every n, no recipe of n paints beats best[n - 1][0] by more than this. */
  within: number;
  /** How many recipes were worked out one by one; the rest were ruled out by bounds. */
  evaluated: number;
}

const LIMITS = { paints: 5000, maxPaints: 4, maxDrops: 60 };

/** Throws RangeError with a builder's explanation where a request makes no sense. */
export function requireRecipeRequest(request: RecipeRequest): void {
  const { paints, target, maxPaints, maxDrops, alsoIn = [] } = request;
  if (paints.length === 0) {
    throw new RangeError('There is no paint to search: put paints on the shelf or widen the choice.');
  }
  if (paints.length > LIMITS.paints) {
    throw new RangeError(`At most ${LIMITS.paints} paints can be searched at once.`);
  }
  if (!Number.isInteger(maxPaints) || maxPaints < 1 || maxPaints > LIMITS.maxPaints) {
    throw new RangeError(`A recipe takes 1 to ${LIMITS.maxPaints} paints, not ${maxPaints}.`);
  }
  if (!Number.isInteger(maxDrops) || maxDrops < 1 || maxDrops > LIMITS.maxDrops) {
    throw new RangeError(`Drops must be a whole number from 1 to ${LIMITS.maxDrops}, not ${maxDrops}.`);
  }
  for (const { lab } of [target, ...alsoIn]) {
    if ((lab as readonly number[]).length !== 3 || lab.some((value) => !Number.isFinite(value))) {
      throw new RangeError('The target needs three numbers: L, a and b.');
    }
    if (lab[0] < 0 || lab[0] > 100) {
      throw new RangeError(`L of the target must lie between 0 and 100; it is ${lab[0]}.`);
    }
  }
  const ids = new Set<string>();
  for (const { id, k, s, perDrop = 1 } of paints) {
    if (ids.has(id)) throw new RangeError(`Paint ${id} is listed twice.`);
    ids.add(id);
    if (k.length !== BAND_COUNT || s.length !== BAND_COUNT) {
      throw new RangeError(`Paint ${id} needs ${BAND_COUNT} values of K and of S.`);
    }
    if (!(perDrop > 0)) throw new RangeError(`Paint ${id} has a drop of no volume.`);
    if (k.some((value) => !(value >= 0)) || s.some((value) => !(value > 0))) {
      throw new RangeError(`Paint ${id} has a K below zero or an S that is not above zero.`);
    }
  }
}
