import { expose } from 'comlink';
import type { Lab, ViewingCondition } from '../../core/colour/index.ts';
import {
  frugalRecipes,
  predictionBand,
  recipeSearch,
  recipesWithin,
  refitOptics,
  type DoubtfulPaint,
  type FrugalAim,
  type FrugalRecipe,
  type PaletteBottle,
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

export interface FrugalQuestion {
  request: RecipeRequest;
  /** How near is near enough, dE00. */
  tolerance: number;
  aim: FrugalAim;
  bottles: PaletteBottle[];
  keep: number;
}

/** The recipes that save most of all that are near enough, and how many choices of paints those are. */
function save(
  { request, tolerance, aim, bottles, keep }: FrugalQuestion,
  onProgress: (share: number) => void,
): { recipes: FrugalRecipe[]; nearEnough: number } {
  const steps = recipesWithin(request, tolerance);
  let told = Date.now();
  for (;;) {
    const { done, value } = steps.next();
    if (done) return { recipes: frugalRecipes(value, bottles, aim, keep), nearEnough: value.length };
    if (Date.now() - told > 150) {
      told = Date.now();
      onProgress(value);
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

const recipeWorker = { search, save, bands };
export type RecipeWorker = typeof recipeWorker;
expose(recipeWorker);
