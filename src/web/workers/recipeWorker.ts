import { expose } from 'comlink';
import type { Lab, ViewingCondition } from '../../core/colour/index.ts';
import {
  predictionBand,
  recipeSearch,
  refitOptics,
  type DoubtfulPaint,
  type PredictionBand,
  type Recipe,
  type RecipeAnswer,
  type RecipeRequest,
} from '../../core/match/index.ts';
import { seededRandom } from '../../core/plan/index.ts';

/** Searches recipes, telling the share done and the best so far some times a second. To cancel, end the worker. */
function search(
  request: RecipeRequest,
  options: { keep: number; within: number },
  onProgress: (share: number, soFar: Recipe[][]) => void,
): RecipeAnswer {
  const steps = recipeSearch(request, options);
  let told = Date.now();
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    if (Date.now() - told > 150) {
      told = Date.now();
      onProgress(value.share, value.soFar());
    }
  }
}

export interface BandQuestion {
  mixes: Record<string, number>[];
  paints: DoubtfulPaint[];
  target: { lab: Lab; uncertainty: number };
  condition: ViewingCondition;
}

const SEED = 11;

/** The 90 % band of each mixture, from the doubts of target, paints and drops. */
function bands({ mixes, paints, target, condition }: BandQuestion): PredictionBand[] {
  const fit = refitOptics(paints, []);
  return mixes.map((drops) => predictionBand(fit, { drops, target, condition }, seededRandom(SEED)));
}

const recipeWorker = { search, bands };
export type RecipeWorker = typeof recipeWorker;
expose(recipeWorker);
