import {
  BAND_COUNT,
  ciede2000,
  DAYLIGHT,
  labResponse,
  tristimulusWeights,
  type Lab,
} from '../colour/index.ts';
import { opaqueReflectance, surfaceReflectance } from '../paint/index.ts';
import { differenceBound } from './differenceBound.ts';
import { buildRatioTree, type RatioNode, type RatioTree } from './ratioTree.ts';
import { requireRecipeRequest, type Recipe, type RecipeAnswer, type RecipeRequest } from './recipeRequest.ts';

// Local copies: module loaders that turn imports into property look-ups would slow the inner loops tenfold.
const BANDS = BAND_COUNT;
const surface = surfaceReflectance;
const opaque = opaqueReflectance;
const response = labResponse;

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

/** Guards the bounds against rounding; far below any difference that matters. */
const ROUNDING = 1e-9;
/** Nodes looked at between two looks at the signal. */
const NODES_PER_STEP = 4000;

/** Nearest recipes of 1 to maxPaints paints in whole drops, with a proof of how near: see RecipeAnswer.
 *  Branch and bound: for every choice of paints a bound over the whole simplex of ratios, choices visited
 *  nearest bound first, the simplex halved until a part can be ruled out or its few ratios are worked out.
 *  Throws RangeError for a request that makes no sense and an AbortError when cancelled. */
export function searchRecipes(request: RecipeRequest, options: RecipeSearchOptions = {}): RecipeAnswer {
  const search = recipeSearch(request, options);
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
    if (options.signal?.aborted) {
      throw Object.assign(new Error('The search was cancelled.'), { name: 'AbortError' });
    }
    options.onProgress?.(value);
  }
}

/** The same search in small steps, so that a caller can pause, show progress or stop between them.
 *  Yields the share of the work done. */
export function* recipeSearch(
  request: RecipeRequest,
  { keep = 10, within = 0.1 }: Pick<RecipeSearchOptions, 'keep' | 'within'> = {},
): Generator<number, RecipeAnswer> {
  requireRecipeRequest(request);
  const model = mixtureModel(request);
  const answer: RecipeAnswer = { best: [], within, evaluated: 0 };
  for (let n = 1; n <= request.maxPaints; n++) {
    const shortlist = new Shortlist(keep, within);
    if (n === 1) {
      request.paints.forEach((_, paint) => {
        shortlist.offer(model.difference([paint], [1]), [paint], [1]);
      });
      answer.evaluated += request.paints.length;
    } else if (n <= request.maxDrops) {
      for (const share of combinations(model, n, request.maxDrops, shortlist)) {
        yield (n - 2 + share) / (request.maxPaints - 1);
      }
      answer.evaluated += shortlist.evaluated;
    }
    answer.best.push(
      shortlist.entries.map(({ dE00, paints, drops }): Recipe => ({
        drops: Object.fromEntries(paints.map((paint, i) => [request.paints[paint]!.id, drops[i]!])),
        lab: model.lab(paints, drops),
        dE00,
      })),
    );
  }
  return answer;
}

interface Entry {
  dE00: number;
  paints: number[];
  drops: readonly number[];
}

/** The nearest recipes found so far and the bound at which anything else can be passed over. */
class Shortlist {
  readonly entries: Entry[] = [];
  evaluated = 0;
  /** What has a bound at or above this cannot change the promise. */
  limit = Infinity;
  readonly #keep: number;
  readonly #within: number;

  constructor(keep: number, within: number) {
    this.#keep = keep;
    this.#within = within;
  }

  offer(dE00: number, paints: readonly number[], drops: readonly number[]): void {
    const full = this.entries.length >= this.#keep;
    if (full && dE00 >= this.entries.at(-1)!.dE00) return;
    const at = this.entries.findIndex((entry) => dE00 < entry.dE00);
    this.entries.splice(at < 0 ? this.entries.length : at, 0, { dE00, paints: [...paints], drops });
    if (this.entries.length > this.#keep) this.entries.pop();
    if (this.#within > 0) this.limit = this.entries[0]!.dE00 - this.#within;
    else if (this.entries.length >= this.#keep) this.limit = this.entries.at(-1)!.dE00;
  }
}

type MixtureModel = ReturnType<typeof mixtureModel>;

/** The paints of a request in flat arrays, and the colour of any mixture of them. */
function mixtureModel({ paints, target, condition = DAYLIGHT }: RecipeRequest) {
  const k = Float64Array.from(paints.flatMap((paint) => paint.k));
  const s = Float64Array.from(paints.flatMap((paint) => paint.s));
  const own = k.map((value, at) => surface(opaque(value / s[at]!)));
  const weights = tristimulusWeights(condition);
  const { white } = weights;
  const wx = Float64Array.from(weights.x, (value) => value / white.X);
  const wy = Float64Array.from(weights.y, (value) => value / white.Y);
  const wz = Float64Array.from(weights.z, (value) => value / white.Z);
  const [L, a, b] = target.lab;
  const wanted: Lab = { L, a, b };

  const lab = (members: readonly number[], parts: readonly number[]): Lab => {
    let X = 0;
    let Y = 0;
    let Z = 0;
    let total = 0;
    for (let i = 0; i < parts.length; i++) total += parts[i]!;
    for (let band = 0; band < BANDS; band++) {
      let absorbed = 0;
      let scattered = 0;
      for (let i = 0; i < members.length; i++) {
        const share = parts[i]! / total;
        absorbed += share * k[members[i]! * BANDS + band]!;
        scattered += share * s[members[i]! * BANDS + band]!;
      }
      const reflectance = surface(opaque(absorbed / scattered));
      X += wx[band]! * reflectance;
      Y += wy[band]! * reflectance;
      Z += wz[band]! * reflectance;
    }
    const fy = response(Y);
    return { L: 116 * fy - 16, a: 500 * (response(X) - fy), b: 200 * (fy - response(Z)) };
  };
  const groups = new Map<string, number[]>();
  paints.forEach(({ group = '' }, index) => {
    groups.set(group, [...(groups.get(group) ?? []), index]);
  });
  return {
    k,
    s,
    own,
    wx,
    wy,
    wz,
    wanted,
    groups: [...groups.values()],
    lab,
    difference: (members: readonly number[], parts: readonly number[]) =>
      ciede2000(wanted, lab(members, parts)),
  };
}

/** Lower bound on dE00 over all mixtures whose reflectance lies, band by band, between the least and the
 *  greatest of the given corner spectra: K/S of a mixture is quasi-linear in the fractions, so on a simplex
 *  of fractions each band's reflectance is extremal at a corner. Differences of tristimulus ratios are
 *  bounded as wholes, since their parts rise and fall together. */
function spectraBound({ wx, wy, wz, wanted }: MixtureModel) {
  const bound = differenceBound(wanted);
  const xy = wx.map((value, band) => value - wy[band]!);
  const yz = wy.map((value, band) => value - wz[band]!);
  const box = { minL: 0, maxL: 0, minA: 0, maxA: 0, minB: 0, maxB: 0 };
  /** f(base + step) - f(base) is least where the concave f is flattest for a rise, steepest for a fall. */
  const rise = (step: number, base: number) => response(Math.max(0, base + step)) - response(base);

  return (low: Float64Array, high: Float64Array): number => {
    let minX = 0;
    let maxX = 0;
    let minY = 0;
    let maxY = 0;
    let minZ = 0;
    let maxZ = 0;
    let minXY = 0;
    let maxXY = 0;
    let minYZ = 0;
    let maxYZ = 0;
    for (let band = 0; band < BANDS; band++) {
      const least = low[band]!;
      const most = high[band]!;
      minX += wx[band]! * least;
      maxX += wx[band]! * most;
      minY += wy[band]! * least;
      maxY += wy[band]! * most;
      minZ += wz[band]! * least;
      maxZ += wz[band]! * most;
      const forXY = xy[band]!;
      minXY += forXY * (forXY > 0 ? least : most);
      maxXY += forXY * (forXY > 0 ? most : least);
      const forYZ = yz[band]!;
      minYZ += forYZ * (forYZ > 0 ? least : most);
      maxYZ += forYZ * (forYZ > 0 ? most : least);
    }
    const fMinY = response(minY);
    const fMaxY = response(maxY);
    box.minL = 116 * fMinY - 16;
    box.maxL = 116 * fMaxY - 16;
    const plainMinA = response(minX) - fMaxY;
    const plainMaxA = response(maxX) - fMinY;
    const plainMinB = fMinY - response(maxZ);
    const plainMaxB = fMaxY - response(minZ);
    box.minA = 500 * Math.max(plainMinA, rise(minXY, minXY > 0 ? maxY : minY));
    box.maxA = 500 * Math.min(plainMaxA, rise(maxXY, maxXY > 0 ? minY : maxY));
    box.minB = 200 * Math.max(plainMinB, -rise(-minYZ, minYZ > 0 ? maxY : minY));
    box.maxB = 200 * Math.min(plainMaxB, -rise(-maxYZ, maxYZ > 0 ? minY : maxY));
    return bound(box) - ROUNDING;
  };
}

/** Searches all choices of n >= 2 paints; yields the share done and fills the shortlist. */
function* combinations(
  model: MixtureModel,
  n: number,
  maxDrops: number,
  shortlist: Shortlist,
): Generator<number> {
  const tree = buildRatioTree(n, maxDrops);
  const { choices, order, bounds } = yield* boundedChoices(model, n);
  const explore = choiceExplorer(model, tree, shortlist);
  let nodes = 0;
  for (let at = 0; at < order.length; at++) {
    const choice = order[at]!;
    // The order is by buckets of bounds, so a single bound above the limit does not end the search.
    if (bounds[choice]! >= shortlist.limit) continue;
    nodes += 1 + explore(choices.subarray(choice * n, choice * n + n));
    if (nodes >= NODES_PER_STEP) {
      nodes = 0;
      yield 0.2 + (0.8 * at) / order.length;
    }
  }
}

/** All choices of n paints within a group, each with the bound over all its ratios, nearest bound first. */
function* boundedChoices(model: MixtureModel, n: number) {
  const spectra = model.own;
  const boundOf = spectraBound(model);
  const total = model.groups.reduce((sum, group) => sum + choose(group.length, n), 0);
  const choices = new Uint16Array(total * n);
  const bounds = new Float32Array(total);
  let count = 0;
  const low = Array.from({ length: n }, () => new Float64Array(BANDS));
  const high = Array.from({ length: n }, () => new Float64Array(BANDS));
  const picked = new Uint16Array(n);

  function* grow(group: number[], depth: number, from: number): Generator<number> {
    for (let at = from; at <= group.length - (n - depth); at++) {
      const base = group[at]! * BANDS;
      picked[depth] = group[at]!;
      const least = low[depth]!;
      const most = high[depth]!;
      const outerLeast = depth > 0 ? low[depth - 1]! : least;
      const outerMost = depth > 0 ? high[depth - 1]! : most;
      for (let band = 0; band < BANDS; band++) {
        const value = spectra[base + band]!;
        least[band] = depth === 0 || value < outerLeast[band]! ? value : outerLeast[band]!;
        most[band] = depth === 0 || value > outerMost[band]! ? value : outerMost[band]!;
      }
      if (depth < n - 1) {
        yield* grow(group, depth + 1, at + 1);
        continue;
      }
      choices.set(picked, count * n);
      // Single precision rounds to nearest; stay below.
      bounds[count] = Math.max(0, boundOf(least, most) * (1 - 1e-6));
      count++;
      if (count % NODES_PER_STEP === 0) yield (0.2 * count) / total;
    }
  }
  for (const group of model.groups) yield* grow(group, 0, 0);
  return { choices, bounds, order: orderByBucket(bounds) };
}

/** Indices in order of value, to a hundredth: a counting sort, since there may be millions. */
function orderByBucket(values: Float32Array): Uint32Array {
  const buckets = 20000;
  const bucketOf = (value: number) => Math.min(buckets - 1, Math.floor(value * 100));
  const starts = new Uint32Array(buckets + 1);
  for (const value of values) starts[bucketOf(value) + 1]!++;
  for (let i = 0; i < buckets; i++) starts[i + 1]! += starts[i]!;
  const order = new Uint32Array(values.length);
  values.forEach((value, index) => (order[starts[bucketOf(value)]!++] = index));
  return order;
}

/** A function that searches the ratios of one choice of paints and tells how many nodes it looked at. */
function choiceExplorer(model: MixtureModel, tree: RatioTree, shortlist: Shortlist) {
  const { k, s } = model;
  const boundOf = spectraBound(model);
  const spectra = new Float64Array(tree.corners.length * BANDS);
  const stamps = new Uint32Array(tree.corners.length);
  let stamp = 0;
  let members: Uint16Array = new Uint16Array(0);
  const low = new Float64Array(BANDS);
  const high = new Float64Array(BANDS);

  const fillCorner = (corner: number) => {
    stamps[corner] = stamp;
    const fractions = tree.corners[corner]!;
    for (let band = 0; band < BANDS; band++) {
      let absorbed = 0;
      let scattered = 0;
      for (let i = 0; i < members.length; i++) {
        absorbed += fractions[i]! * k[members[i]! * BANDS + band]!;
        scattered += fractions[i]! * s[members[i]! * BANDS + band]!;
      }
      spectra[corner * BANDS + band] = surface(opaque(absorbed / scattered));
    }
  };

  const nodeBound = ({ corners }: RatioNode): number => {
    for (let i = 0; i < corners.length; i++) {
      const corner = corners[i]!;
      if (stamps[corner] !== stamp) fillCorner(corner);
      const base = corner * BANDS;
      for (let band = 0; band < BANDS; band++) {
        const value = spectra[base + band]!;
        if (i === 0 || value < low[band]!) low[band] = value;
        if (i === 0 || value > high[band]!) high[band] = value;
      }
    }
    return boundOf(low, high);
  };

  const visit = (node: RatioNode): number => {
    if (node.children.length === 0) {
      for (const ratio of node.ratios) {
        const drops = tree.ratios[ratio]!;
        shortlist.evaluated++;
        shortlist.offer(
          model.difference(members as unknown as number[], drops),
          members as unknown as number[],
          drops,
        );
      }
      return 1;
    }
    const children = node.children
      .map((child) => ({ child, bound: nodeBound(child) }))
      .sort((first, second) => first.bound - second.bound);
    let nodes = 1;
    for (const { child, bound } of children) {
      if (bound < shortlist.limit) nodes += visit(child);
    }
    return nodes;
  };

  return (choice: Uint16Array): number => {
    members = choice;
    stamp++;
    return visit(tree.root);
  };
}

function choose(size: number, n: number): number {
  let ways = 1;
  for (let i = 0; i < n; i++) ways = (ways * (size - i)) / (i + 1);
  return Math.max(0, Math.round(ways));
}
