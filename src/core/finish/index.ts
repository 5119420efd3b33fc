/** Finish: families and their times, stacks on substrates, film, waits, rules and the whole evaluation. */
export { FAMILIES, type FamilyId, type PaintFamily } from './families.ts';
export {
  DEFAULT_CONDITIONS,
  isPainted,
  type Conditions,
  type LayerKind,
  type MutedRule,
  type Product,
  type Sheen,
  type Stack,
  type StackLayer,
  type Substrate,
  type Tool,
} from './stack.ts';
export { LAYER_KINDS, type LayerKindFacts } from './layerKinds.ts';
export { SUBSTRATES } from './substrates.ts';
export { GENERIC_PRODUCTS } from './genericProducts.ts';
export { BLUSH_HUMIDITY, cureFactor, dewPoint, requireConditions, STYRENE_LIMIT_C } from './air.ts';
export { formatMinutes, waitBefore, waitBetweenCoats, waitToCure, waitToHandle, type Wait } from './wait.ts';
export { airFaults, isTooDampToSpray } from './airFaults.ts';
export { filmPerCoat, layerFilm, paintVolume, sumFilm, type FilmBand, type PaintVolume } from './film.ts';
export { opaqueInSheen, SHEEN_GLOSS, sheenName } from './sheen.ts';
export { wetToDry, type WetToDry } from './wetToDry.ts';
export { mirrorOf, mirrorOfSubstrate } from './mirror.ts';
export { coatMinutes, handsOnMinutes } from './handsOn.ts';
export { FINISH_RULES, type FinishRule, type Severity } from './rules.ts';
export { evaluateStack } from './evaluateStack.ts';
export {
  MOST_LAYERS,
  type EvaluateOptions,
  type Finding,
  type LayerEvaluation,
  type StackEvaluation,
  type SeenColour,
} from './evaluateChain.ts';
export { edgeSteps, type EdgeStep } from './edgeSteps.ts';
export { coloursOf, layerArea, seenAs } from './severalColours.ts';
export {
  CLEAR_SCHOOLS,
  FINISH_LOOKS,
  suggestStacks,
  type ClearSchool,
  type FinishLook,
  type StackWish,
  type SuggestedLayer,
  type SuggestedStack,
} from './suggestStacks.ts';
export { polishBudget, POLISH_GRADES, type GradeLeft, type PolishGrade } from './polishBudget.ts';
export { TINTS, type TintId } from './tints.ts';
export { nearestTintOver, platedLight, TINT_PASS_UM, tintTowards, type TintOnMetal } from './tintOnMetal.ts';
export {
  HEAT_PASS_UM,
  heatTints,
  PIPE_METALS,
  RESTRAINED,
  type HeatTintPlan,
  type HeatTintStep,
} from './heatTints.ts';
export {
  CHROME_ROUTES,
  CHROME_ROUTE_TABLE,
  chromeRouteLayers,
  CURVATURES,
  planBrightwork,
  scoreChromeRoutes,
  type BrightPart,
  type BrightPlan,
  type ChromeMeans,
  type ChromeRouteId,
  type Curvature,
  type RouteScore,
} from './chromeRoutes.ts';
export {
  settingFor,
  settingKey,
  settingLine,
  SETTING_LIMITS,
  usualSetting,
  type ToolSetting,
  type ToolSettings,
} from './toolSettings.ts';
export {
  hardenerOf,
  hardenerShare,
  potLifeMinutes,
  stackQuantities,
  type LayerQuantity,
  type ProductQuantity,
  type StackQuantities,
  type Supply,
} from './quantities.ts';
export {
  hazard,
  hazardLine,
  HAZARDS,
  hazardsInWords,
  hazardsOfLayer,
  type Hazard,
  type HazardId,
} from './hazards.ts';
export {
  bestOfGrounds,
  compareStacks,
  stackCandidates,
  type BestOfGround,
  type ComparedStack,
  type StackCandidate,
} from './compareStacks.ts';
export {
  alikeMetals,
  readsAsOne,
  BARE_METALS,
  flakeReading,
  GROUND_WORDS,
  metalLab,
  type AlikeMetals,
  type BareMetal,
  type FlakeReading,
  type SeenMetal,
} from './bareMetals.ts';
export {
  AMOUNTS,
  LIVES,
  USUAL_LIFE,
  WEATHER_PLACES,
  weatherPlace,
  weatheringPlan,
  type Life,
  type WeatheringLayer,
  type WeatheringPlan,
  type WeatherPlace,
} from './weathering.ts';
