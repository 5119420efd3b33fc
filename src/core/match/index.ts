/** Matching: nearest paints, recipes in whole drops, and how far to believe them. */
export {
  recipeSearch,
  searchRecipes,
  type CancelSignal,
  type RecipeProgress,
  type RecipeSearchOptions,
} from './searchRecipes.ts';
export type { Recipe, RecipeAnswer, RecipePaint, RecipeRequest } from './recipeRequest.ts';
export { nearestPaints, type NearestPaint, type SeenColour } from './nearestPaints.ts';
export {
  MEASURED_DROP_DOUBT,
  MEASURED_STRENGTH_DOUBT,
  PROVENANCE_UNCERTAINTY,
  STRENGTH_DOUBT,
  USUAL_DROP_ML,
  type Provenance,
} from './provenance.ts';
export { refitInSteps, refitOptics, type OpticsFit } from './refitOptics.ts';
export { PRIORS, readingDeviation, seenMixture, type MixReading, type ThinFilm } from './mixReading.ts';
export {
  logDeviation,
  mixDrops,
  normalNumber,
  USUAL_DROP_DOUBT,
  type DoubtfulPaint,
  type DroppedPaint,
} from './opticsParameters.ts';
export { tellingReadings, type TellingReading, type TestPiece } from './tellingReading.ts';
export {
  predictionBand,
  shifted,
  type DoubtSource,
  type Prediction,
  type PredictionBand,
} from './predictionBand.ts';
export { additions, type Addition, type CupQuestion } from './additions.ts';
export { GOOD_ENOUGH, judgeSpoon, type SpoonVerdict } from './judgeSpoon.ts';
export { dropsInCup, type Drops } from './cup.ts';
export { evidenceFor } from './evidence.ts';
export {
  codeLab,
  disagreements,
  seenSource,
  sourceUncertainty,
  targetGloss,
  withSourceInForce,
  type CodeSource,
  type Disagreement,
} from './codeSources.ts';
export { searchCodes, type CodeSearch, type FoundCode, type SearchableCode } from './searchCodes.ts';
export { recipesWithin, type ChoiceRecipe } from './recipesWithin.ts';
export { frugalRecipes, type FrugalAim, type FrugalRecipe } from './frugalRecipes.ts';
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
} from './palette.ts';
export { besideDecal, type BesideDecal } from './decalColours.ts';
export { whatIsMissing } from './whatIsMissing.ts';
export { angleDifference, type AngleDifference } from './angleDifference.ts';
export { substitutes, type Substitute, type SubstitutePaint } from './substitutes.ts';
