import { expose } from 'comlink';
import { recipeSearch, type Recipe, type RecipeAnswer, type RecipeRequest } from '../../core/match/index.ts';

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

const recipeWorker = { search };
export type RecipeWorker = typeof recipeWorker;
expose(recipeWorker);
