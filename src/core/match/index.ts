/** Matching: nearest paints, recipes in whole drops, and how far to believe them. */
export {
  recipeSearch,
  searchRecipes,
  type CancelSignal,
  type RecipeProgress,
  type RecipeSearchOptions,
} from './searchRecipes.ts';
export type { Recipe, RecipeAnswer, RecipePaint, RecipeRequest } from './recipeRequest.ts';
export { nearestPaints, type NearestCandidate, type NearestPaint } from './nearestPaints.ts';
export { differenceBand, PROVENANCE_UNCERTAINTY, type Provenance } from './differenceBand.ts';
