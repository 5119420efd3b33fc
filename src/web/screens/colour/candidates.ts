import type { CodeRecord, PaintRecord } from '../../../api/index.ts';
import { ciede2000, spectrumToLab, type ViewingCondition } from '../../../core/colour/index.ts';
import type { Product } from '../../../core/finish/index.ts';
import { resolveMix, type Mix, type ProductIndex } from '../../../core/kit/index.ts';
import {
  angleDifference,
  nearestPaints,
  sourceUncertainty,
  type AngleDifference,
  type FrugalRecipe,
  type RecipeAnswer,
} from '../../../core/match/index.ts';
import { flakeAngles, opaqueSpectrum, seenSurface } from '../../../core/paint/index.ts';

/** An answer to the colour wanted: a paint as it comes or a recipe. */
export interface Candidate {
  key: string;
  mix: Mix;
  product: Product;
  spectrum: number[];
  /** dE00 in the worst of the conditions that were asked for. */
  dE00: number;
  /** Over the five angles, for a colour with flake. */
  angles: AngleDifference | undefined;
  drops: number;
}

/** A recipe this much farther off than the best is no answer. */
const WORTH_SHOWING = 2.5;

/** Difference from the wanted colour under a condition. */
export function differenceIn(
  condition: ViewingCondition,
  spectrum: readonly number[],
  target: readonly number[],
): number {
  return ciede2000(spectrumToLab(target, condition), spectrumToLab(spectrum, condition));
}

/** Difference in the worst of some conditions. */
const worstOf = (
  conditions: readonly ViewingCondition[],
  spectrum: readonly number[],
  target: readonly number[],
) => Math.max(...conditions.map((condition) => differenceIn(condition, spectrum, target)));

export function targetUncertainty(code: CodeRecord): number {
  const force = code.sources.find(({ inForce }) => inForce);
  return force ? sourceUncertainty(force) : 4;
}

function candidate(
  mix: Mix,
  code: CodeRecord,
  products: ProductIndex,
  conditions: readonly ViewingCondition[],
): Candidate[] {
  const product = resolveMix(mix, products);
  if (!product) return [];
  const spectrum = opaqueSpectrum(product.optics, seenSurface(code.gloss));
  const drops = Object.values(mix).reduce((sum, count) => sum + count, 0);
  return [
    {
      key: Object.entries(mix)
        .map(([id, count]) => `${id}:${count}`)
        .join('+'),
      mix,
      product,
      spectrum,
      drops,
      dE00: worstOf(conditions, spectrum, code.spectrum),
      angles: code.angles
        ? angleDifference(flakeAngles(spectrum, product.flakeUm ?? null), code.angles)
        : undefined,
    },
  ];
}

/** Paints as they come that a builder may ask for. */
export interface PaintWish {
  family: PaintRecord['family'] | null;
  sheen: PaintRecord['sheen'] | null;
}

/** The nearest single paints; for a colour with flake by all its angles, so that flake and flop count. */
export function nearestCandidates(
  code: CodeRecord,
  pool: readonly PaintRecord[],
  products: ProductIndex,
  count: number,
  conditions: readonly ViewingCondition[],
  wish: PaintWish = { family: null, sheen: null },
): Candidate[] {
  const suitable = pool.filter(
    ({ family, sheen }) =>
      (wish.family === null || family === wish.family) && (wish.sheen === null || sheen === wish.sheen),
  );
  const seen = suitable.map((paint) => {
    const spectrum = opaqueSpectrum(paint, seenSurface(code.gloss));
    if (!code.angles) return { id: paint.id, spectrum };
    return { id: paint.id, spectrum, angles: flakeAngles(spectrum, paint.flakeUm) };
  });
  const target = { spectrum: code.spectrum, ...(code.angles ? { angles: code.angles } : {}) };
  return nearestPaints(seen, target, conditions, count).flatMap(({ id }) =>
    candidate({ [id]: 1 }, code, products, conditions),
  );
}

/** A few recipes that differ in their paints, each worth its extra bottle, fewest paints first. */
export function recipeCandidates(
  best: RecipeAnswer['best'],
  code: CodeRecord,
  products: ProductIndex,
  count: number,
  conditions: readonly ViewingCondition[],
): Candidate[] {
  const chosen: { mix: Mix; dE00: number }[] = [];
  const paintsOf = (mix: Mix) => Object.keys(mix).sort().join();
  const take = (list: RecipeAnswer['best'][number], most: number) => {
    let taken = 0;
    for (const { drops, dE00 } of list) {
      if (taken === most || chosen.some(({ mix }) => paintsOf(mix) === paintsOf(drops))) continue;
      chosen.push({ mix: drops, dE00 });
      taken++;
    }
  };
  best.slice(1).forEach((list) => take(list, 2));
  const nearest = Math.min(...chosen.map(({ dE00 }) => dE00));
  return chosen
    .filter(({ dE00 }) => dE00 <= nearest + WORTH_SHOWING)
    .sort((a, b) => a.dE00 - b.dE00)
    .slice(0, count)
    .flatMap(({ mix }) => candidate(mix, code, products, conditions));
}

/** The answers that save most, as they were found. */
export function frugalCandidates(
  recipes: readonly FrugalRecipe[],
  code: CodeRecord,
  products: ProductIndex,
  count: number,
  conditions: readonly ViewingCondition[],
): Candidate[] {
  return recipes.slice(0, count).flatMap(({ drops }) => candidate(drops, code, products, conditions));
}
