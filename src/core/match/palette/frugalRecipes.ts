import type { PaletteAim, PaletteBottle } from './palette.ts';
import type { ChoiceRecipe } from '../recipes/recipesWithin.ts';

/** What a recipe that is near enough should save. */
export type FrugalAim = Exclude<PaletteAim, 'nearest'>;

export interface FrugalRecipe extends ChoiceRecipe {
  /** Paints of the recipe that must be bought, and what their bottles cost together. */
  toBuy: string[];
  cents: number;
}

/** Recipes that are near enough, those that save most first; of two that save as much the nearer. Exact, where
 *  `recipes` holds the nearest recipe of every choice of paints within reach, as recipesWithin gives them: what a
 *  choice costs does not depend on its drops.
 *  cheapest: the price, of which an owned bottle asks nothing, then fewest bottles. fewest-bottles: fewest in the cup,
 *  then fewest to buy, then their price. */
export function frugalRecipes(
  recipes: readonly ChoiceRecipe[],
  bottles: readonly PaletteBottle[],
  aim: FrugalAim,
  keep: number,
): FrugalRecipe[] {
  const byId = new Map(bottles.map((bottle) => [bottle.id, bottle]));
  const priced = recipes.map((recipe): FrugalRecipe => {
    const toBuy = Object.keys(recipe.drops).filter((id) => !byId.get(id)?.owned);
    return { ...recipe, toBuy, cents: toBuy.reduce((sum, id) => sum + (byId.get(id)?.priceCents ?? 0), 0) };
  });
  const size = ({ drops }: FrugalRecipe) => Object.keys(drops).length;
  return priced
    .sort((a, b) =>
      aim === 'cheapest'
        ? a.cents - b.cents || size(a) - size(b) || a.dE00 - b.dE00
        : size(a) - size(b) || a.toBuy.length - b.toBuy.length || a.cents - b.cents || a.dE00 - b.dE00,
    )
    .slice(0, keep);
}
