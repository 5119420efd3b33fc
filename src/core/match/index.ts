/** Matching: nearest paints, recipes in whole drops, and how far to believe them. */
export {
  recipeSearch,
  searchRecipes,
  type CancelSignal,
  type RecipeProgress,
  type RecipeSearchOptions,
} from './recipes/searchRecipes.ts';
export type { Recipe, RecipeAnswer, RecipePaint, RecipeRequest } from './recipes/recipeRequest.ts';
export { nearestPaints, type NearestPaint, type SeenColour } from './recipes/nearestPaints.ts';
export {
  MEASURED_DROP_DOUBT,
  MEASURED_STRENGTH_DOUBT,
  PROVENANCE_UNCERTAINTY,
  STRENGTH_DOUBT,
  USUAL_DROP_ML,
  type Provenance,
} from './codes/provenance.ts';
export { refitInSteps, refitOptics, type OpticsFit } from './learning/refitOptics.ts';
export {
  PRIORS,
  readingDeviation,
  seenMixture,
  type MixReading,
  type ThinFilm,
} from './learning/mixReading.ts';
export {
  logDeviation,
  mixDrops,
  normalNumber,
  USUAL_DROP_DOUBT,
  type DoubtfulPaint,
  type DroppedPaint,
} from './learning/opticsParameters.ts';
export { tellingReadings, type TellingReading, type TestPiece } from './learning/tellingReading.ts';
export {
  predictionBand,
  shifted,
  type DoubtSource,
  type Prediction,
  type PredictionBand,
} from './learning/predictionBand.ts';
export { additions, type Addition, type CupQuestion } from './learning/additions.ts';
export { GOOD_ENOUGH, judgeSpoon, type SpoonVerdict } from './learning/judgeSpoon.ts';
export { dropsInCup, type Drops } from './learning/cup.ts';
export { evidenceFor } from './learning/evidence.ts';
export {
  codeLab,
  disagreements,
  seenSource,
  sourceUncertainty,
  targetGloss,
  withSourceInForce,
  type CodeSource,
  type Disagreement,
} from './codes/codeSources.ts';
export { searchCodes, type CodeSearch, type FoundCode, type SearchableCode } from './codes/searchCodes.ts';
export { recipesWithin, type ChoiceRecipe } from './recipes/recipesWithin.ts';
export { frugalRecipes, type FrugalAim, type FrugalRecipe } from './palette/frugalRecipes.ts';
export {
  planPalette,
  programmeSolver,
  type NoPalette,
  type PaletteAim,
  type PaletteBottle,
  type PaletteColour,
  type PalettePlan,
  type PaletteQuestion,
  type ProgrammeSolver,
} from './palette/palette.ts';
export { besideDecal, type BesideDecal } from './palette/decalColours.ts';
export { whatIsMissing } from './palette/whatIsMissing.ts';
export { angleDifference, type AngleDifference } from './recipes/angleDifference.ts';
export { substitutes, type Substitute, type SubstitutePaint } from './recipes/substitutes.ts';
