import { differenceBall } from './differenceBall.ts';
import { mixtureModel, type MixtureModel } from './mixtureModel.ts';
import { ratioBound } from './ratioBound.ts';
import { buildRatioTree, type RatioNode } from './ratioTree.ts';
import { requireRecipeRequest, type Recipe, type RecipeAnswer, type RecipeRequest } from './recipeRequest.ts';
import { shortlist, type Entry, type Shortlist } from './shortlist.ts';

/** The part of an AbortSignal that the core looks at. */
export interface CancelSignal {
  readonly aborted: boolean;
}

export interface RecipeSearchOptions {
  /** How many recipes to keep for each number of paints; default 10. */
  keep?: number;
  /** See RecipeAnswer.within; default 0.1. 0 gives the plain enumeration's own answer. */
  within?: number;
  signal?: CancelSignal;
  /** Called with the share of the work done, 0..1. */
  onProgress?: (share: number) => void;
}

/** Nodes looked at between two looks at the signal: a few milliseconds. */
const NODES_PER_STEP = 4000;
/** Parts with so few ratios are worked out one by one. */
const FEW_RATIOS = 3;
/** Parts with so many ratios are small enough for the box around their colours to say something. */
const SMALL = 24;
/** The half-spaces around the target are drawn in again when the limit has fallen to this share. */
const REDRAW = 0.95;

/** Nearest recipes of 1 to maxPaints paints in whole drops, with a proof of how near: see RecipeAnswer.
 *  Branch and bound: for every choice of paints the simplex of ratios is halved until a part is proved to lie
 *  outside the ball of useful differences or its few ratios are worked out; good answers come first, from the
 *  nearest choices of one paint fewer with one more paint.
 *  Throws RangeError for a request that makes no sense and an AbortError when cancelled. */
export function searchRecipes(request: RecipeRequest, options: RecipeSearchOptions = {}): RecipeAnswer {
  const search = recipeSearch(request, options);
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
    if (options.signal?.aborted) {
      throw Object.assign(new Error('The search was cancelled.'), { name: 'AbortError' });
    }
    options.onProgress?.(value.share);
  }
}

/** Where a search stands. */
export interface RecipeProgress {
  /** Share of the work done, 0..1. */
  share: number;
  /** The nearest recipes met so far for each number of paints; nothing is promised of the last. */
  soFar: () => Recipe[][];
}

/** The same search in small steps, so that a caller can pause, show progress or stop between them. */
export function* recipeSearch(
  request: RecipeRequest,
  { keep = 10, within = 0.1 }: Pick<RecipeSearchOptions, 'keep' | 'within'> = {},
): Generator<RecipeProgress, RecipeAnswer> {
  requireRecipeRequest(request);
  const model = mixtureModel(request);
  const ball = differenceBall(model.wanted);
  const best: Recipe[][] = [];
  const recipesOf = ({ entries }: Shortlist) =>
    entries.map(({ dE00, paints, drops }): Recipe => ({
      drops: Object.fromEntries(paints.map((paint, i) => [request.paints[paint]!.id, drops[i]!])),
      lab: model.lab(paints, drops),
      dE00,
    }));
  let evaluated = 0;
  let leads: Entry[] = [];
  for (let n = 1; n <= request.maxPaints; n++) {
    const found = shortlist(keep, within);
    if (n === 1) {
      for (let paint = 0; paint < model.size; paint++) {
        found.offer(model.difference([paint], [1]), [paint], [1]);
      }
    } else if (n <= request.maxDrops) {
      const soFar = () => [...best, recipesOf(found)];
      yield { share: (n - 2) / (request.maxPaints - 1), soFar };
      for (const share of combinations(model, ball, n, request.maxDrops, found, leads)) {
        yield { share: (n - 2 + share) / (request.maxPaints - 1), soFar };
      }
    }
    evaluated += found.evaluated;
    leads = found.leads();
    best.push(recipesOf(found));
  }
  return { best, within, evaluated };
}

/** Searches all choices of n >= 2 paints; yields the share done and fills the shortlist. */
function* combinations(
  model: MixtureModel,
  ball: ReturnType<typeof differenceBall>,
  n: number,
  maxDrops: number,
  found: Shortlist,
  leads: readonly Entry[],
): Generator<number> {
  const explore = choiceExplorer(model, ball, n, maxDrops, found);
  const seen = new Set<number>();
  const keyOf = (choice: readonly number[]) => {
    let key = 0;
    for (let i = 0; i < n; i++) key = key * model.size + choice[i]!;
    return key;
  };
  const extended = leads.flatMap(({ paints, drops }) =>
    (model.groups.find((group) => group.includes(paints[0]!)) ?? [])
      .filter((extra) => !paints.includes(extra))
      .map((extra) => ({ paints: [...paints, extra], drops: [...drops, 1] })),
  );
  for (const { paints, drops } of extended) {
    if (drops.reduce((sum, count) => sum + count, 0) > maxDrops) continue;
    const order = paints.map((_, i) => i).sort((p, q) => paints[p]! - paints[q]!);
    const choice = order.map((i) => paints[i]!);
    const parts = order.map((i) => drops[i]!);
    found.offer(model.difference(choice, parts), choice, parts);
  }
  let nodes = 0;
  for (const { paints } of extended) {
    // A difference is never below zero, so nothing is left to rule out.
    if (found.limit <= 0) return;
    const choice = [...paints].sort((p, q) => p - q);
    const key = keyOf(choice);
    if (seen.has(key)) continue;
    seen.add(key);
    nodes += explore(choice);
    if (nodes < NODES_PER_STEP) continue;
    nodes = 0;
    yield 0.05;
  }

  const total = model.groups.reduce((sum, group) => sum + choose(group.length, n), 0);
  let done = 0;
  const picked: number[] = [];
  function* grow(group: readonly number[], from: number): Generator<number> {
    for (let at = from; at <= group.length - (n - picked.length); at++) {
      if (found.limit <= 0) return;
      picked.push(group[at]!);
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
  found: Shortlist,
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
    if (found.limit < REDRAW * held || held === Infinity) {
      held = found.limit;
      ball.hold(held, Math.max(0.1, held * (n === 2 ? 0.25 : 0.12)));
    }
    members = choice;
    nodes = 1;
    bound.begin(choice);
    const margin = bound.margin(tree.root.corners, lastDirection);
    lastDirection = bound.direction();
    look(tree.root, margin, lastDirection);
    return nodes;
  };
}

function choose(size: number, n: number): number {
  let ways = 1;
  for (let i = 0; i < n; i++) ways = (ways * (size - i)) / (i + 1);
  return Math.max(0, Math.round(ways));
}
