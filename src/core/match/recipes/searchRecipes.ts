import { halfSpaceBound } from './halfSpaceBound.ts';
import { mixtureModel } from './mixtureModel.ts';
import { requireRecipeRequest, type Recipe, type RecipeAnswer, type RecipeRequest } from './recipeRequest.ts';
import { searchChoices } from './searchChoices.ts';
import { shortlist, type Entry, type Shortlist } from './shortlist.ts';

/** The part of an AbortSignal that the core looks at. */
export interface CancelSignal {
  readonly aborted: boolean;
}

export interface RecipeSearchOptions {
  /** How many recipes to keep for each number of paints; default 10. */
  keep?: number;
  /** See RecipeAnswer.within; default 0.1. 0 gives the plain enumeration's own answer. */
  within?: number;
  signal?: CancelSignal;
  /** Called with the share of the work done, 0..1. */
  onProgress?: (share: number) => void;
}

/** Nearest recipes of 1 to maxPaints paints in whole drops, with a proof of how near: see RecipeAnswer.
 *  Branch and bound: for every choice of paints the simplex of ratios is halved until a part is proved to lie
 *  outside the ball of useful differences or its few ratios are worked out; good answers come first, from the
 *  nearest choices of one paint fewer with one more paint.
 *  Throws RangeError for a request that makes no sense and an AbortError when cancelled. */
export function searchRecipes(request: RecipeRequest, options: RecipeSearchOptions = {}): RecipeAnswer {
  const search = recipeSearch(request, options);
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
    if (options.signal?.aborted) {
      throw Object.assign(new Error('The search was cancelled.'), { name: 'AbortError' });
    }
    options.onProgress?.(value.share);
  }
}

/** Where a search stands. */
export interface RecipeProgress {
  /** Share of the work done, 0..1. */
  share: number;
  /** The nearest recipes met so far for each number of paints; nothing is promised of the last. */
  soFar: () => Recipe[][];
}

/** The same search in small steps, so that a caller can pause, show progress or stop between them. */
export function* recipeSearch(
  request: RecipeRequest,
  { keep = 10, within = 0.1 }: Pick<RecipeSearchOptions, 'keep' | 'within'> = {},
): Generator<RecipeProgress, RecipeAnswer> {
  requireRecipeRequest(request);
  const model = mixtureModel(request);
  const ball = halfSpaceBound(model.wanted);
  const best: Recipe[][] = [];
  const recipesOf = ({ entries }: Shortlist) =>
    entries.map(({ dE00, paints, drops }): Recipe => ({
      drops: Object.fromEntries(paints.map((paint, i) => [request.paints[paint]!.id, drops[i]!])),
      lab: model.lab(paints, drops),
      dE00,
    }));
  let evaluated = 0;
  let leads: Entry[] = [];
  for (let n = 1; n <= request.maxPaints; n++) {
    const found = shortlist(keep, within);
    if (n === 1) {
      for (let paint = 0; paint < model.size; paint++) {
        if (model.toBuy[paint]! > model.mostBought) continue;
        found.offer(model.difference([paint], [1]), [paint], [1]);
      }
    } else if (n <= request.maxDrops) {
      const soFar = () => [...best, recipesOf(found)];
      yield { share: (n - 2) / (request.maxPaints - 1), soFar };
      for (const share of searchChoices(model, ball, n, request.maxDrops, found, leads)) {
        yield { share: (n - 2 + share) / (request.maxPaints - 1), soFar };
      }
    }
    evaluated += found.evaluated;
    leads = found.leads();
    best.push(recipesOf(found));
  }
  return { best, within, evaluated };
}
