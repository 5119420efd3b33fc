import type { ChoiceRecipe } from '../recipes/recipesWithin.ts';

/** A colour that the palette has to hold, with the recipes that come within its tolerance. */
export interface PaletteColour {
  id: string;
  recipes: readonly ChoiceRecipe[];
}

/** A bottle that the palette may open. */
export interface PaletteBottle {
  id: string;
  /** On the shelf. */
  owned: boolean;
  priceCents: number;
}

/** fewest-bottles: open as few as can be; cheapest: spend as little as can be; nearest: the smallest worst
 *  difference. What an aim leaves open is decided by the others, in the order bottles, money, differences. */
export type PaletteAim = 'fewest-bottles' | 'cheapest' | 'nearest';

export interface PaletteQuestion {
  colours: readonly PaletteColour[];
  bottles: readonly PaletteBottle[];
  aim: PaletteAim;
  /** Most bottles to open and most of them to buy. */
  mostBottles?: number;
  mostBought?: number;
}

export interface PalettePlan {
  /** One recipe for each colour, in the order asked. */
  recipes: ({ colourId: string } & ChoiceRecipe)[];
  bottles: string[];
  bought: string[];
  costCents: number;
  worst: number;
}

export interface NoPalette {
  /** Colours that no recipe comes within tolerance of; empty where only the limits on bottles stand in the way. */
  unreachable: string[];
}

/** A solver of mixed-integer programmes: takes one in the LP file format and gives the values of its variables,
 *  or undefined where there is no solution. */
export type ProgrammeSolver = (programme: string) => Record<string, number> | undefined;

/** What a solver of mixed-integer programmes gives back. */
interface SolvedProgramme {
  Status: string;
  Columns: Record<string, object>;
}

/** A solver as palettes want it, from one that reads the LP file format and answers with status and columns. No gap
 *  is left to the optimum. */
export function programmeSolver(solver: {
  solve: (programme: string, options: { output_flag: boolean; mip_rel_gap: number }) => SolvedProgramme;
}): ProgrammeSolver {
  return (programme) => {
    const { Status, Columns } = solver.solve(programme, { output_flag: false, mip_rel_gap: 0 });
    if (Status !== 'Optimal') return undefined;
    return Object.fromEntries(
      Object.entries(Columns).map(([name, column]) => [name, (column as { Primal: number }).Primal]),
    );
  };
}

const EPSILON = 1e-6;

/** The best palette, exactly among the recipes given: an integer programme with one choice for each recipe and
 *  for each bottle, solved for the aim and then again for what the aim leaves open.
 *  Throws RangeError where no colour is asked for or a recipe needs an unknown bottle. */
export function planPalette(question: PaletteQuestion, solve: ProgrammeSolver): PalettePlan | NoPalette {
  const { colours, bottles, aim } = question;
  if (colours.length === 0) throw new RangeError('There is no colour to plan a palette for.');
  const known = new Map(bottles.map((bottle) => [bottle.id, bottle]));
  for (const { recipes } of colours) {
    for (const id of recipes.flatMap(({ drops }) => Object.keys(drops))) {
      if (!known.has(id)) throw new RangeError(`A recipe needs ${id}, which is not among the bottles.`);
    }
  }
  const unreachable = colours.filter(({ recipes }) => recipes.length === 0).map(({ id }) => id);
  if (unreachable.length > 0) return { unreachable };

  const opened = (): Weight[] => bottles.map(({ id }) => ({ bottle: id, weight: 1 }));
  const money = (): Weight[] =>
    bottles
      .filter(({ owned }) => !owned)
      .map(({ id, priceCents }) => ({ bottle: id, weight: priceCents / 100 }));
  const limits: Limit[] = [];
  if (question.mostBottles !== undefined) limits.push({ weights: opened(), most: question.mostBottles });
  if (question.mostBought !== undefined) {
    const bought = bottles.filter(({ owned }) => !owned).map(({ id }) => ({ bottle: id, weight: 1 }));
    limits.push({ weights: bought, most: question.mostBought });
  }

  let within = Infinity;
  const least = (weights: readonly Weight[]): number | undefined => {
    const picked = solveFor({ colours: smallest(colours, within), bottles, weights, limits }, solve);
    return (
      picked &&
      weights.reduce((sum, { bottle, weight }) => sum + (picked.bottles.has(bottle) ? weight : 0), 0)
    );
  };
  /** Solves for some weights and holds the result in what follows. */
  const settle = (weights: Weight[]): boolean => {
    const value = least(weights);
    if (value === undefined) return false;
    limits.push({ weights, most: value + EPSILON });
    return true;
  };

  if (aim === 'nearest') {
    const steps = [...new Set(colours.flatMap(({ recipes }) => recipes.map(({ dE00 }) => dE00)))].sort(
      (p, q) => p - q,
    );
    const possible = (step: number) => {
      within = steps[step]!;
      return least(opened()) !== undefined;
    };
    if (!possible(steps.length - 1)) return { unreachable: [] };
    // The worst difference is that of some recipe: halve their list down to the first that will do.
    let [low, high] = [0, steps.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (possible(middle)) high = middle;
      else low = middle + 1;
    }
    within = steps[high]!;
    if (!settle(opened()) || !settle(money())) return { unreachable: [] };
  } else {
    const order = aim === 'cheapest' ? [money, opened] : [opened, money];
    for (const weights of order) if (!settle(weights())) return { unreachable: [] };
  }

  const kept = colours.map(({ id, recipes }) => ({
    id,
    recipes: recipes.filter(({ dE00 }) => dE00 <= within),
  }));
  const picked = solveFor({ colours: kept, bottles, weights: 'differences', limits }, solve);
  if (!picked) return { unreachable: [] };
  const recipes = kept.map(({ id, recipes: of }, index) => ({
    colourId: id,
    ...of[picked.recipes[index]!]!,
  }));
  const used = [...new Set(recipes.flatMap(({ drops }) => Object.keys(drops)))].sort();
  const bought = used.filter((id) => !known.get(id)!.owned);
  return {
    recipes,
    bottles: used,
    bought,
    costCents: bought.reduce((sum, id) => sum + known.get(id)!.priceCents, 0),
    worst: Math.max(...recipes.map(({ dE00 }) => dE00)),
  };
}

interface Weight {
  bottle: string;
  weight: number;
}

interface Limit {
  weights: readonly Weight[];
  most: number;
}

interface Programme {
  colours: readonly PaletteColour[];
  bottles: readonly PaletteBottle[];
  /** What is made least: weighed bottles, or the sum of the differences. */
  weights: readonly Weight[] | 'differences';
  limits: readonly Limit[];
}

/** Where only bottles count, a recipe is not needed beside one that makes do with some of its bottles. */
function smallest(colours: readonly PaletteColour[], within: number): PaletteColour[] {
  return colours.map(({ id, recipes }) => {
    const near = recipes.filter(({ dE00 }) => dE00 <= within);
    const sets = new Set(near.map(({ drops }) => Object.keys(drops).sort().join(' ')));
    return { id, recipes: near.filter(({ drops }) => !hasSmaller(Object.keys(drops).sort(), sets)) };
  });
}

function hasSmaller(ids: readonly string[], sets: ReadonlySet<string>): boolean {
  return ids.some((_, left) => {
    const rest = ids.filter((_id, at) => at !== left);
    return rest.length > 0 && (sets.has(rest.join(' ')) || hasSmaller(rest, sets));
  });
}

/** Writes the programme, has it solved and reads which recipe each colour takes and which bottles are open. */
function solveFor({ colours, bottles, weights, limits }: Programme, solve: ProgrammeSolver) {
  if (colours.some(({ recipes }) => recipes.length === 0)) return undefined;
  const useful = new Set(
    colours.flatMap(({ recipes }) => recipes.flatMap(({ drops }) => Object.keys(drops))),
  );
  const bottleName = new Map(
    bottles.filter(({ id }) => useful.has(id)).map(({ id }, index) => [id, `b${index}`]),
  );
  const recipeName = (colour: number, recipe: number) => `r${colour}_${recipe}`;
  const weigh = (terms: readonly Weight[]) =>
    terms.flatMap(({ bottle, weight }) => {
      const name = bottleName.get(bottle);
      return name && weight > 0 ? [`${weight.toFixed(6)} ${name}`] : [];
    });
  const aim =
    weights === 'differences'
      ? colours.flatMap(({ recipes }, c) =>
          recipes.map(({ dE00 }, r) => `${dE00.toFixed(6)} ${recipeName(c, r)}`),
        )
      : weigh(weights);
  const rows: string[] = [];
  colours.forEach(({ recipes }, c) => {
    rows.push(`${joined(recipes.map((_, r) => recipeName(c, r)))} = 1`);
    const using = new Map<string, string[]>();
    recipes.forEach(({ drops }, r) => {
      for (const id of Object.keys(drops)) using.set(id, [...(using.get(id) ?? []), recipeName(c, r)]);
    });
    // One recipe of a colour is made, so all that use a bottle are held by it together.
    for (const [id, names] of using) rows.push(`${joined(names)} - ${bottleName.get(id)!} <= 0`);
  });
  for (const { weights: terms, most } of limits) {
    const weighed = weigh(terms);
    if (weighed.length > 0) rows.push(`${joined(weighed)} <= ${most.toFixed(6)}`);
    else if (most < 0) return undefined;
  }
  const names = [
    ...bottleName.values(),
    ...colours.flatMap(({ recipes }, c) => recipes.map((_, r) => recipeName(c, r))),
  ];
  const programme = [
    'Minimize',
    ` ${aim.length > 0 ? joined(aim) : `0 ${names[0]!}`}`,
    'Subject To',
    ...rows.map((row, index) => ` c${index}: ${row}`),
    'Binary',
    ...wrapped(names),
    'End',
  ].join('\n');
  const values = solve(programme);
  if (!values) return undefined;
  return {
    bottles: new Set([...bottleName].filter(([, name]) => values[name]! > 0.5).map(([id]) => id)),
    recipes: colours.map(({ recipes }, c) => recipes.findIndex((_, r) => values[recipeName(c, r)]! > 0.5)),
  };
}

const PER_LINE = 12;

/** A sum over several lines: readers of the format limit the length of a line. */
function joined(terms: readonly string[]): string {
  return terms.map((term, index) => (index > 0 && index % PER_LINE === 0 ? `\n ${term}` : term)).join(' + ');
}

function wrapped(names: readonly string[]): string[] {
  const lines: string[] = [];
  for (let at = 0; at < names.length; at += PER_LINE)
    lines.push(` ${names.slice(at, at + PER_LINE).join(' ')}`);
  return lines;
}
