import type { differenceBall } from './differenceBall.ts';
import { likelyRecipes } from './likelyRecipes.ts';
import type { MixtureModel } from './mixtureModel.ts';
import { ratioBound } from './ratioBound.ts';
import { buildRatioTree, type RatioNode } from './ratioTree.ts';
import { dropRatios } from './ratios.ts';
import type { Collection, Entry } from './shortlist.ts';

/** Nodes looked at between two looks at the signal: a few milliseconds. */
const NODES_PER_STEP = 4000;
/** Parts with so few ratios are worked out one by one. */
const FEW_RATIOS = 3;
/** Parts with so many ratios are small enough for the box around their colours to say something. */
const SMALL = 24;
/** The half-spaces around the target are drawn in again when the limit has fallen to this share. */
const REDRAW = 0.95;

/** Searches all choices of n >= 2 paints; yields the share done and fills the collection. With `leads`, recipes of one
 *  paint fewer, the likely recipes come first; without, each choice is begun before any of its recipes is offered. */
export function* searchChoices(
  model: MixtureModel,
  ball: ReturnType<typeof differenceBall>,
  n: number,
  maxDrops: number,
  found: Collection,
  leads?: readonly Entry[],
): Generator<number> {
  const explore = choiceExplorer(model, ball, n, maxDrops, found);
  const seen = new Set<number>();
  const keyOf = (choice: readonly number[]) => {
    let key = 0;
    for (let i = 0; i < n; i++) key = key * model.size + choice[i]!;
    return key;
  };
  const bought = (choice: readonly number[]) => choice.reduce((sum, paint) => sum + model.toBuy[paint]!, 0);
  const extended = (leads ?? []).flatMap(({ paints }) =>
    (model.groups.find((group) => group.includes(paints[0]!)) ?? [])
      .filter((extra) => !paints.includes(extra) && bought(paints) + model.toBuy[extra]! <= model.mostBought)
      .map((extra) => [...paints, extra].sort((p, q) => p - q)),
  );
  if (leads)
    likelyRecipes(model, ball, dropRatios(n, maxDrops), leads, (dE00, paints, drops) =>
      found.offer(dE00, paints, drops),
    );
  let nodes = 0;
  for (const choice of extended) {
    // A difference is never below zero, so nothing is left to rule out.
    if (found.reach <= 0) return;
    const key = keyOf(choice);
    if (seen.has(key)) continue;
    seen.add(key);
    nodes += explore(choice);
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
        if (!seen.has(keyOf(picked))) nodes += explore(picked);
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
}

/** A function that searches the ratios of one choice of paints and tells how many nodes it looked at. */
function choiceExplorer(
  model: MixtureModel,
  ball: ReturnType<typeof differenceBall>,
  n: number,
  maxDrops: number,
  found: Collection,
) {
  const tree = buildRatioTree(n, maxDrops);
  const bound = ratioBound(model, tree, ball);
  let members: readonly number[] = [];
  let held = Infinity;
  let nodes = 0;
  /** Where the last root was ruled out: neighbouring choices are often ruled out there too. */
  let lastDirection = 0;

  const marginOf = (node: RatioNode, direction: number): number => {
    const margin = bound.margin(node.corners, direction);
    if (margin > 0 || node.ratios.length > SMALL) return margin;
    return Math.max(margin, bound.boxDifference(node.corners) - found.limit);
  };
  const evaluate = (node: RatioNode): void => {
    for (const ratio of node.ratios) {
      const drops = tree.ratios[ratio]!;
      found.offer(model.difference(members, drops), members, drops);
    }
  };
  /** Halves a part that could not be ruled out. */
  const divide = (node: RatioNode, direction: number): void => {
    const halves = tree.halve(node, bound.widestEdge(node.corners));
    const first = halves[0]!;
    const second = halves[1];
    nodes += halves.length;
    if (!second) {
      look(first, marginOf(first, direction), bound.direction());
      return;
    }
    const firstMargin = marginOf(first, direction);
    const firstDirection = bound.direction();
    const secondMargin = marginOf(second, direction);
    const secondDirection = bound.direction();
    if (firstMargin <= secondMargin) {
      look(first, firstMargin, firstDirection);
      look(second, secondMargin, secondDirection);
    } else {
      look(second, secondMargin, secondDirection);
      look(first, firstMargin, firstDirection);
    }
  };
  const look = (node: RatioNode, margin: number, direction: number): void => {
    if (margin > 0 || found.limit <= 0) return;
    if (node.ratios.length <= FEW_RATIOS) evaluate(node);
    else divide(node, direction);
  };

  return (choice: readonly number[]): number => {
    if (found.reach < REDRAW * held || held === Infinity) {
      held = found.reach;
      ball.hold(held, Math.max(0.1, held * (n === 2 ? 0.25 : 0.12)));
    }
    members = choice;
    nodes = 1;
    found.begin(choice);
    bound.begin(choice);
    const margin = bound.margin(tree.root.corners, lastDirection);
    lastDirection = bound.direction();
    look(tree.root, margin, lastDirection);
    return nodes;
  };
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
