import { expose } from 'comlink';
import {
  metamericBand,
  possibleSpectra,
  type Lab,
  type MetamericBand,
  type ViewingCondition,
} from '../../core/colour/index.ts';
import {
  frugalRecipes,
  mixDrops,
  predictionBand,
  recipeSearch,
  recipesWithin,
  refitOptics,
  tellingReadings,
  type DoubtfulPaint,
  type FrugalAim,
  type FrugalRecipe,
  type PaletteBottle,
  type PredictionBand,
  type Recipe,
  type RecipeAnswer,
  type RecipeRequest,
  type TellingReading,
} from '../../core/match/index.ts';
import { opaqueSpectrum, type Surface } from '../../core/paint/index.ts';
import { seededRandom } from '../../core/seededRandom.ts';

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
  surface: Surface;
  /** For each mix a white that it could be mixed with, among the paints. */
  whiteIds: (string | undefined)[];
  /** Lights in which the target is known only by its Lab in daylight, and that Lab; none where its spectrum is known. */
  onlyLab: { lab: Lab; lights: ViewingCondition[] } | undefined;
}

/** The band of an answer, what one reading would narrow it most, and how far it may be off in lights where the target's
 *  own spectrum is not known, in the order asked for. */
export interface AnswerBand extends PredictionBand {
  telling: TellingReading[];
  inOtherLights: MetamericBand[];
}

const SEED = 11;

/** The 90 % band of each mixture, from the doubts of target, paints and drops. */
function bands({ mixes, paints, target, condition, surface, whiteIds, onlyLab }: BandQuestion): AnswerBand[] {
  const lights = onlyLab?.lights ?? [];
  const possible = onlyLab && possibleSpectra(onlyLab.lab, seededRandom(SEED));
  const known = new Map(paints.map((paint) => [paint.id, paint]));
  return mixes.map((drops, index): AnswerBand => {
    const white = whiteIds[index];
    const ids = new Set([...Object.keys(drops), ...(white === undefined ? [] : [white])]);
    const fit = refitOptics(
      [...ids].flatMap((id) => known.get(id) ?? []),
      [],
    );
    const prediction = { drops, target, condition, surface };
    const mixture = mixDrops(
      Object.entries(drops).map(([id, count]) => ({ paint: fit.optics.get(id)!, drops: count })),
    );
    return {
      ...predictionBand(fit, prediction, seededRandom(SEED)),
      telling: tellingReadings(fit, prediction, white),
      inOtherLights: lights.map((light) => metamericBand(opaqueSpectrum(mixture, surface), possible!, light)),
    };
  });
}

const recipeWorker = { search, save, bands };
export type RecipeWorker = typeof recipeWorker;
expose(recipeWorker);
