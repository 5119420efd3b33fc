import type { halfSpaceBound } from './halfSpaceBound.ts';
import { likelyRecipes } from './likelyRecipes.ts';
import type { MixtureModel } from './mixtureModel.ts';
import { dropRatios } from './ratios.ts';
import { KERNEL_ERROR, ratioSearch } from './ratioSearch.ts';
import type { Collection, Entry } from './shortlist.ts';

/** Nodes looked at between two looks at the signal: a few milliseconds. */
const NODES_PER_STEP = 4000;
/** The half-spaces around the target are drawn in again when the limit has fallen to this share. */
const REDRAW = 0.95;

/** Searches all choices of n >= 2 paints; yields the share done and fills the collection. With `leads`, recipes of one
 *  paint fewer, the likely recipes come first; without, each choice is begun before any of its recipes is offered. */
export function* searchChoices(
  model: MixtureModel,
  ball: ReturnType<typeof halfSpaceBound>,
  n: number,
  maxDrops: number,
  found: Collection,
  leads?: readonly Entry[],
): Generator<number> {
  const ratios = dropRatios(n, maxDrops);
  const explorer = choiceExplorer(model, ball, ratios, found);
  try {
    const seen = new Set<number>();
    const keyOf = (choice: readonly number[]) => {
      let key = 0;
      for (let i = 0; i < n; i++) key = key * model.size + choice[i]!;
      return key;
    };
    const bought = (choice: readonly number[]) => choice.reduce((sum, paint) => sum + model.toBuy[paint]!, 0);
    const extended = (leads ?? []).flatMap(({ paints }) =>
      (model.groups.find((group) => group.includes(paints[0]!)) ?? [])
        .filter(
          (extra) => !paints.includes(extra) && bought(paints) + model.toBuy[extra]! <= model.mostBought,
        )
        .map((extra) => [...paints, extra].sort((p, q) => p - q)),
    );
    if (leads) {
      const likely = likelyRecipes({
        model,
        see: explorer.see,
        unitL: ball.unitL,
        unitAB: ball.unitAB,
        ratios,
        leads,
        offer: (dE00, paints, drops) => {
          found.offer(dE00, paints, drops);
          // A difference is never below zero: then nothing is left to rule out.
          return found.reach;
        },
      });
      for (const _ of likely) yield 0;
    }
    let nodes = 0;
    for (const choice of extended) {
      if (found.reach <= 0) return;
      const key = keyOf(choice);
      if (seen.has(key)) continue;
      seen.add(key);
      nodes += explorer.explore(choice);
      if (nodes < NODES_PER_STEP) continue;
      nodes = 0;
      yield 0.05;
    }

    const total = model.groups.reduce((sum, group) => sum + choices(group, n, model), 0);
    let done = 0;
    const picked: number[] = [];
    let toBuy = 0;
    function* grow(group: readonly number[], from: number): Generator<number> {
      for (let at = from; at <= group.length - (n - picked.length); at++) {
        if (found.reach <= 0) return;
        const paint = group[at]!;
        if (toBuy + model.toBuy[paint]! > model.mostBought) continue;
        toBuy += model.toBuy[paint]!;
        picked.push(paint);
        if (picked.length < n) {
          yield* grow(group, at + 1);
        } else {
          done++;
          if (!seen.has(keyOf(picked))) nodes += explorer.explore(picked);
          if (nodes >= NODES_PER_STEP) {
            nodes = 0;
            yield 0.1 + (0.9 * done) / total;
          }
        }
        picked.pop();
        toBuy -= model.toBuy[paint]!;
      }
    }
    for (const group of model.groups) yield* grow(group, 0);
  } finally {
    explorer.end();
  }
}

/** Searches the ratios of one choice of paints at a time and tells how many parts it looked at; sees any mixture. */
function choiceExplorer(
  model: MixtureModel,
  ball: ReturnType<typeof halfSpaceBound>,
  ratios: readonly (readonly number[])[],
  found: Collection,
) {
  const n = ratios[0]!.length;
  let members: readonly number[] = [];
  let held = Infinity;
  const search = ratioSearch(model, ratios, ball, (ratio, dE00) => {
    if (dE00 - KERNEL_ERROR >= found.notice) return;
    const drops = ratios[ratio]!;
    found.offer(model.difference(members, drops), members, drops);
    search.setLimit(found.limit);
  });
  const explore = (choice: readonly number[]): number => {
    if (found.reach < REDRAW * held || held === Infinity) {
      held = found.reach;
      ball.hold(held, Math.max(0.1, held * (n === 2 ? 0.25 : 0.08)));
      search.ballChanged();
    }
    members = choice;
    found.begin(choice);
    search.begin(choice);
    search.setLimit(found.limit);
    return search.explore();
  };
  const see = (paints: readonly number[], parts: readonly number[]) => {
    search.begin(paints);
    return search.see(parts);
  };
  return { explore, see, end: search.end };
}

/** How many choices of n paints of a group there are, with no more to buy than allowed. */
function choices(group: readonly number[], n: number, { toBuy, mostBought }: MixtureModel): number {
  const shop = group.reduce((sum, paint) => sum + toBuy[paint]!, 0);
  let ways = 0;
  for (let bought = 0; bought <= Math.min(n, mostBought); bought++) {
    ways += choose(shop, bought) * choose(group.length - shop, n - bought);
  }
  return ways;
}

function choose(size: number, n: number): number {
  let ways = 1;
  for (let i = 0; i < n; i++) ways = (ways * (size - i)) / (i + 1);
  return Math.max(0, Math.round(ways));
}
