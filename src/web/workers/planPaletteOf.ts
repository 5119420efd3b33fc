import type { Lab, ViewingCondition } from '../../core/colour/index.ts';
import {
  planPalette,
  predictionBand,
  recipesWithin,
  refitOptics,
  searchRecipes,
  whatIsMissing,
  type ChoiceRecipe,
  type DoubtfulPaint,
  type NoPalette,
  type PaletteAim,
  type PalettePlan,
  type PredictionBand,
  type ProgrammeSolver,
} from '../../core/match/index.ts';
import { seenSurface } from '../../core/paint/index.ts';
import { seededRandom } from '../../core/seededRandom.ts';

export interface PaletteTarget {
  id: string;
  lab: Lab;
  /** Half-width of its 90 % band, dE00. */
  uncertainty: number;
  /** How near its recipe has to come, dE00. */
  tolerance: number;
  /** Flake may be in it. */
  flake: boolean;
  /** Gloss that it is seen with, gloss units at 60 degrees. */
  gloss: number;
}

export interface PalettePaint extends DoubtfulPaint {
  family: string;
  flake: boolean;
  owned: boolean;
  priceCents: number;
}

export interface PaletteRequest {
  targets: PaletteTarget[];
  paints: PalettePaint[];
  maxPaints: number;
  maxDrops: number;
  aim: PaletteAim;
  mostBottles?: number;
  mostBought?: number;
  condition: ViewingCondition;
}

/** A colour that no recipe comes within tolerance of: how near one comes, and what paint is missing. */
export interface OutOfReach {
  id: string;
  dE00: number;
  drops: Record<string, number>;
  missing: string;
}

export type PaletteAnswer =
  | { kind: 'planned'; plan: PalettePlan; bands: PredictionBand[] }
  | { kind: 'out-of-reach'; colours: OutOfReach[] }
  | { kind: 'too-few-bottles'; fewest: number | undefined };

const SEED = 13;
/** Recipes found for one colour among the same paints; they serve again when only the aim changes. */
const found = new Map<string, ChoiceRecipe[]>();
const MOST_KEPT = 60;

/** Plans a palette; tells the share done on the way. */
export function planPaletteOf(
  request: PaletteRequest,
  solve: ProgrammeSolver,
  onProgress: (share: number) => void,
): PaletteAnswer {
  const { targets, paints, maxPaints, maxDrops, condition } = request;
  const poolKey = `${paints.map(({ id, k, s, perDrop }) => `${id}${k[15]}${s[15]}${perDrop}`).join()} ${maxPaints} ${maxDrops}`;
  const recipeRequest = ({ lab, flake, gloss }: PaletteTarget) => ({
    format: 'recipe-request' as const,
    version: 1 as const,
    paints: paints
      .filter((paint) => flake || !paint.flake)
      .map(({ id, k, s, perDrop = 1, family }) => ({ id, k, s, perDrop, group: family })),
    target: { lab: [lab.L, lab.a, lab.b] as const },
    maxPaints,
    maxDrops,
    condition,
    surface: seenSurface(gloss),
  });
  const colours = targets.map((target, index) => {
    const { lab, tolerance, flake, gloss } = target;
    const key = `${poolKey} ${JSON.stringify([lab, tolerance, flake, gloss, condition])}`;
    let recipes = found.get(key);
    if (!recipes) {
      const search = recipesWithin(recipeRequest(target), tolerance);
      for (;;) {
        const { done, value } = search.next();
        if (done) {
          recipes = value;
          break;
        }
        onProgress((index + value) / targets.length);
      }
      if (found.size >= MOST_KEPT) found.clear();
      found.set(key, recipes);
    }
    onProgress((index + 1) / targets.length);
    return { id: target.id, recipes };
  });
  const bottles = paints.map(({ id, owned, priceCents }) => ({ id, owned, priceCents }));
  const { aim, mostBottles, mostBought } = request;
  const limits = {
    ...(mostBottles === undefined ? {} : { mostBottles }),
    ...(mostBought === undefined ? {} : { mostBought }),
  };
  const plan = planPalette({ colours, bottles, aim, ...limits }, solve);
  if ('unreachable' in plan) return noPalette(plan);
  return { kind: 'planned', plan, bands: bandsOf(plan) };

  function noPalette({ unreachable }: NoPalette): PaletteAnswer {
    if (unreachable.length === 0) {
      const free = planPalette(
        { colours, bottles, aim: 'fewest-bottles', ...(mostBought === undefined ? {} : { mostBought }) },
        solve,
      );
      return { kind: 'too-few-bottles', fewest: 'unreachable' in free ? undefined : free.bottles.length };
    }
    return {
      kind: 'out-of-reach',
      colours: unreachable.map((id) => {
        const target = targets.find((one) => one.id === id)!;
        const { best } = searchRecipes(recipeRequest(target), { keep: 1 });
        const nearest = best.flat().reduce((least, one) => (one.dE00 < least.dE00 ? one : least));
        return {
          id,
          dE00: nearest.dE00,
          drops: nearest.drops,
          missing: whatIsMissing(nearest.lab, target.lab),
        };
      }),
    };
  }

  function bandsOf({ recipes, bottles: used }: PalettePlan): PredictionBand[] {
    const fit = refitOptics(
      paints.filter(({ id }) => used.includes(id)),
      [],
    );
    return recipes.map(({ colourId, drops }) => {
      const target = targets.find(({ id }) => id === colourId)!;
      const surface = seenSurface(target.gloss);
      return predictionBand(fit, { drops, target, condition, surface }, seededRandom(SEED));
    });
  }
}
