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
/** How many choices of n paints are carried into the search for n + 1. */
const LEADS = 32;
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
  let leads: readonly (readonly number[])[] = [];
  for (let n = 1; n <= request.maxPaints; n++) {
    const shortlist = new Shortlist(keep, within);
    if (n === 1) {
      request.paints.forEach((_, paint) => {
        shortlist.offer(model.difference([paint], [1]), [paint], [1]);
      });
      answer.evaluated += request.paints.length;
    } else if (n <= request.maxDrops) {
      yield (n - 2) / (request.maxPaints - 1);
      for (const share of combinations(model, n, request.maxDrops, shortlist, leads)) {
        yield (n - 2 + share) / (request.maxPaints - 1);
      }
      answer.evaluated += shortlist.evaluated;
    }
    leads = shortlist.leads();
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
  readonly #leads = new Map<string, { dE00: number; paints: number[] }>();
  #farthestLead = Infinity;
  readonly #keep: number;
  readonly #within: number;

  constructor(keep: number, within: number) {
    this.#keep = keep;
    this.#within = within;
  }

  /** The nearest different choices of paints met so far, nearest first. */
  leads(): number[][] {
    return [...this.#leads.values()].sort((p, q) => p.dE00 - q.dE00).map(({ paints }) => paints);
  }

  #lead(dE00: number, paints: readonly number[]): void {
    if (dE00 >= this.#farthestLead) return;
    const key = paints.join();
    const known = this.#leads.get(key);
    if (known) {
      known.dE00 = Math.min(known.dE00, dE00);
      return;
    }
    this.#leads.set(key, { dE00, paints: [...paints] });
    if (this.#leads.size <= LEADS) return;
    const sorted = [...this.#leads].sort((p, q) => p[1].dE00 - q[1].dE00);
    this.#leads.delete(sorted[LEADS]![0]);
    this.#farthestLead = sorted[LEADS - 1]![1].dE00;
  }

  offer(dE00: number, paints: readonly number[], drops: readonly number[]): void {
    this.#lead(dE00, paints);
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
    size: paints.length,
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

/** Searches all choices of n >= 2 paints; yields the share done and fills the shortlist. The nearest
 *  choices of one paint fewer, each with one more paint, come first: they set a limit that rules most others out. */
function* combinations(
  model: MixtureModel,
  n: number,
  maxDrops: number,
  shortlist: Shortlist,
  leads: readonly (readonly number[])[],
): Generator<number> {
  const tree = buildRatioTree(n, maxDrops);
  const explore = choiceExplorer(model, tree, shortlist);
  const seen = new Set<number>();
  const keyOf = (choice: ArrayLike<number>) => {
    let key = 0;
    for (let i = 0; i < n; i++) key = key * model.size + choice[i]!;
    return key;
  };
  let nodes = 0;
  for (const paints of leads) {
    for (const extra of model.groups.find((group) => group.includes(paints[0]!)) ?? []) {
      const choice = Uint16Array.from([...paints, extra].sort((p, q) => p - q));
      if (paints.includes(extra) || seen.has(keyOf(choice))) continue;
      seen.add(keyOf(choice));
      nodes += 1 + explore(choice);
      if (nodes < NODES_PER_STEP) continue;
      nodes = 0;
      yield 0.05;
    }
  }
  // A difference is never below zero, so nothing is left to rule out.
  if (shortlist.limit <= 0) return;

  const { choices, order, bounds } = yield* boundedChoices(model, n);
  for (let at = 0; at < order.length; at++) {
    const index = order[at]!;
    // The order is by buckets of bounds, so a single bound above the limit does not end the search.
    if (bounds[index]! >= shortlist.limit) continue;
    const choice = choices.subarray(index * n, index * n + n);
    if (seen.has(keyOf(choice))) continue;
    nodes += 1 + explore(choice);
    if (nodes >= NODES_PER_STEP) {
      nodes = 0;
      yield 0.25 + (0.75 * at) / order.length;
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
      if (count % NODES_PER_STEP === 0) yield 0.05 + (0.2 * count) / total;
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

/** Lower bound on dE00 over the mixtures inside a node, from the colours at its corners.
 *
 *  With fractions c = sum of l_v times corner v, K and S are linear in l, so each band's K/S is the mean of the
 *  corners' with weights l_v s_v / s. Reflectance F is convex in K/S, hence it lies between the weighted mean of
 *  the corners' reflectances and that mean less J = F(qmin) + F(qmax) - 2 F((qmin + qmax) / 2) (Simic's bound on
 *  Jensen's gap). That mean differs from the plain mean by Cov(s, R) / s, at most D = ds dR / (4 smin) (Gruss).
 *  So tristimulus values are those of the corners, mixed by l, plus [-(D + J), D] summed over the bands; the
 *  cube root adds its own Jensen gap. The errors fall with the square of the node's size, and what is left is
 *  the box around the corners' colours. */
function cornerBound({ k, s, wx, wy, wz, wanted }: MixtureModel, corners: number[][]) {
  const bound = differenceBound(wanted);
  const count = corners.length;
  const spectra = new Float64Array(count * BANDS);
  const ratios = new Float64Array(count * BANDS);
  const scattering = new Float64Array(count * BANDS);
  /** f(X), f(Y), f(Z) and X, Y, Z of each corner. */
  const seen = new Float64Array(count * 6);
  const stamps = new Uint32Array(count);
  const box = { minL: 0, maxL: 0, minA: 0, maxA: 0, minB: 0, maxB: 0 };
  let stamp = 0;
  let members: Uint16Array = new Uint16Array(0);

  const fill = (corner: number) => {
    stamps[corner] = stamp;
    const fractions = corners[corner]!;
    let X = 0;
    let Y = 0;
    let Z = 0;
    for (let band = 0; band < BANDS; band++) {
      let absorbed = 0;
      let scattered = 0;
      for (let i = 0; i < members.length; i++) {
        const at = members[i]! * BANDS + band;
        absorbed += fractions[i]! * k[at]!;
        scattered += fractions[i]! * s[at]!;
      }
      const at = corner * BANDS + band;
      const ratio = absorbed / scattered;
      const reflectance = surface(opaque(ratio));
      ratios[at] = ratio;
      scattering[at] = scattered;
      spectra[at] = reflectance;
      X += wx[band]! * reflectance;
      Y += wy[band]! * reflectance;
      Z += wz[band]! * reflectance;
    }
    const at = corner * 6;
    seen[at] = response(X);
    seen[at + 1] = response(Y);
    seen[at + 2] = response(Z);
    seen[at + 3] = X;
    seen[at + 4] = Y;
    seen[at + 5] = Z;
  };

  /** What the cube root can add above (`rise`) and below (`fall`) the mixed corner values of one channel. */
  let rise = 0;
  let fall = 0;
  const spread = (node: number[], channel: number, over: number, under: number) => {
    let least = Infinity;
    let most = 0;
    for (let i = 0; i < node.length; i++) {
      const value = seen[node[i]! * 6 + 3 + channel]!;
      if (value < least) least = value;
      if (value > most) most = value;
    }
    const gap = 2 * response((least + most) / 2) - response(least) - response(most);
    rise = gap + over * responseSlope(least);
    fall = under * responseSlope(Math.max(0, least - under));
  };

  return {
    begin: (choice: Uint16Array) => {
      members = choice;
      stamp++;
    },
    ofNode: (node: number[]): number => {
      for (let i = 0; i < node.length; i++) if (stamps[node[i]!] !== stamp) fill(node[i]!);
      let overX = 0;
      let overY = 0;
      let overZ = 0;
      let underX = 0;
      let underY = 0;
      let underZ = 0;
      for (let band = 0; band < BANDS; band++) {
        let at = node[0]! * BANDS + band;
        let lowS = scattering[at]!;
        let highS = lowS;
        let lowQ = ratios[at]!;
        let highQ = lowQ;
        let lowR = spectra[at]!;
        let highR = lowR;
        for (let i = 1; i < node.length; i++) {
          at = node[i]! * BANDS + band;
          const scattered = scattering[at]!;
          const ratio = ratios[at]!;
          const reflectance = spectra[at]!;
          if (scattered < lowS) lowS = scattered;
          else if (scattered > highS) highS = scattered;
          if (ratio < lowQ) lowQ = ratio;
          else if (ratio > highQ) highQ = ratio;
          if (reflectance < lowR) lowR = reflectance;
          else if (reflectance > highR) highR = reflectance;
        }
        const D = ((highS - lowS) * (highR - lowR)) / (4 * lowS);
        const under = D + highR + lowR - 2 * surface(opaque((lowQ + highQ) / 2));
        overX += wx[band]! * D;
        overY += wy[band]! * D;
        overZ += wz[band]! * D;
        underX += wx[band]! * under;
        underY += wy[band]! * under;
        underZ += wz[band]! * under;
      }
      spread(node, 0, overX, underX);
      const riseX = rise;
      const fallX = fall;
      spread(node, 1, overY, underY);
      const riseY = rise;
      const fallY = fall;
      spread(node, 2, overZ, underZ);
      let minL = Infinity;
      let maxL = -Infinity;
      let minA = Infinity;
      let maxA = -Infinity;
      let minB = Infinity;
      let maxB = -Infinity;
      for (let i = 0; i < node.length; i++) {
        const at = node[i]! * 6;
        const L = 116 * seen[at + 1]! - 16;
        const a = 500 * (seen[at]! - seen[at + 1]!);
        const b = 200 * (seen[at + 1]! - seen[at + 2]!);
        if (L < minL) minL = L;
        if (L > maxL) maxL = L;
        if (a < minA) minA = a;
        if (a > maxA) maxA = a;
        if (b < minB) minB = b;
        if (b > maxB) maxB = b;
      }
      box.minL = minL - 116 * fallY;
      box.maxL = maxL + 116 * riseY;
      box.minA = minA - 500 * (fallX + riseY);
      box.maxA = maxA + 500 * (riseX + fallY);
      box.minB = minB - 200 * (fallY + rise);
      box.maxB = maxB + 200 * (riseY + fall);
      return bound(box) - ROUNDING;
    },
  };
}

/** Slope of the CIELAB response; it only falls as the ratio grows. */
function responseSlope(ratio: number): number {
  if (ratio <= 216 / 24389) return 24389 / 27 / 116;
  const root = Math.cbrt(ratio);
  return 1 / (3 * root * root);
}

/** A function that searches the ratios of one choice of paints and tells how many nodes it looked at. */
function choiceExplorer(model: MixtureModel, tree: RatioTree, shortlist: Shortlist) {
  const corners = cornerBound(model, tree.corners);
  let members: number[] = [];

  const visit = (node: RatioNode): number => {
    if (node.children.length === 0) {
      for (const ratio of node.ratios) {
        const drops = tree.ratios[ratio]!;
        shortlist.evaluated++;
        shortlist.offer(model.difference(members, drops), members, drops);
      }
      return 1;
    }
    const first = node.children[0]!;
    const second = node.children[1];
    const firstBound = corners.ofNode(first.corners);
    if (!second) return 1 + (firstBound < shortlist.limit ? visit(first) : 0);
    const secondBound = corners.ofNode(second.corners);
    const nearerFirst = firstBound <= secondBound;
    let nodes = 1;
    if (Math.min(firstBound, secondBound) < shortlist.limit) nodes += visit(nearerFirst ? first : second);
    if (Math.max(firstBound, secondBound) < shortlist.limit) nodes += visit(nearerFirst ? second : first);
    return nodes;
  };

  return (choice: Uint16Array): number => {
    members = [...choice];
    corners.begin(choice);
    return visit(tree.root);
  };
}

function choose(size: number, n: number): number {
  let ways = 1;
  for (let i = 0; i < n; i++) ways = (ways * (size - i)) / (i + 1);
  return Math.max(0, Math.round(ways));
}
