import { Matrix, solve } from 'ml-matrix';
import type { Lab } from '../../colour/index.ts';
import type { MixtureModel } from './mixtureModel.ts';

/** Paint added to a mixture to see which way its colour goes, per part of the mixture. */
const PINCH = 0.03;
/** Choices of paints that are followed further, the most promising first. */
const FOLLOWED = 160;
/** So many more are followed when so little is missing, dE00, that one of them may well spare the proof. */
const FOLLOWED_FURTHER = 600;
const LITTLE = 0.2;
const MOST_GUESSES = 700;
/** So many choices of every batch are offered in any case, so that a builder has different answers to choose from. */
const DIFFERENT = 6;
/** So many of them at a time: they are offered before the next are followed. */
const TOGETHER = 20;
const STEPS = 3;
/** Whole-drop recipes worked out next to the best mixture of a choice. */
const TRIED = 6;
/** No paint falls below this fraction while a mixture is followed. */
const LEAST_FRACTION = 0.02;
/** Keeps a step finite where two paints move a colour the same way; small against squared steps of about one dE. */
const RIDGE = 1e-3;

/** A mixture to start from, with a paint to be added where `extra` is not negative. */
interface Guess {
  paints: readonly number[];
  fractions: readonly number[];
  extra: number;
  /** Squared distance that is expected to be left, about in dE00. */
  left: number;
}

export interface LikelyQuestion {
  model: MixtureModel;
  /** Colour of a mixture in the first light. */
  see: (paints: readonly number[], parts: readonly number[]) => Lab;
  /** See HalfSpaceBound. */
  unitL: number;
  unitAB: number;
  /** The drop ratios of n paints. */
  ratios: readonly (readonly number[])[];
  /** Recipes of n - 1 paints. */
  leads: readonly { paints: readonly number[]; drops: readonly number[] }[];
  /** Takes a recipe; returns by how much the best must still be beaten before nothing is left to prove, dE00. */
  offer: (dE00: number, paints: readonly number[], drops: readonly number[]) => number;
}

/** Good recipes of n >= 2 paints without any search: every lead with every further paint is taken a step of Gauss and
 *  Newton towards what is wanted; the most promising go on, and the whole drops next to where they end are offered.
 *  Nothing is proved by them; they let the proof begin with a small difference. In small steps. */
export function* likelyRecipes({
  model,
  see,
  unitL,
  unitAB,
  ratios,
  leads,
  offer,
}: LikelyQuestion): Generator<undefined> {
  const { wanted } = model;
  const seen = (paints: readonly number[], parts: readonly number[]): Point => {
    const { L, a, b } = see(paints, parts);
    return [(L - wanted.L) / unitL, (a - wanted.a) / unitAB, (b - wanted.b) / unitAB];
  };
  const pinched = (paints: readonly number[], parts: readonly number[], at: number, from: Point): Point => {
    const more = parts.slice();
    more[at]! += PINCH;
    const [x, y, z] = seen(paints, more);
    return [(x - from[0]) / PINCH, (y - from[1]) / PINCH, (z - from[2]) / PINCH];
  };

  /** Where a mixture goes when each paint but the reference is added, in their order. */
  const slopes = (paints: readonly number[], parts: readonly number[], reference: number, from: Point) =>
    parts.flatMap((_, at) => (at === reference ? [] : [pinched(paints, parts, at, from)]));

  const n = ratios[0]!.length;
  const pairs = n > 3 ? [] : yield* nearPairs(model, seen);
  const guesses = nearestOnes<Guess>(MOST_GUESSES);
  if (n === 2) {
    for (const { paints, drops, left } of pairs)
      guesses.add({ paints, fractions: fractionsOf(drops), extra: -1, left });
  }
  const extend = ({ paints, drops }: { paints: readonly number[]; drops: readonly number[] }) => {
    const fractions = fractionsOf(drops);
    const here = seen(paints, fractions);
    const known = slopes(paints, fractions, largest(fractions), here);
    const bought = paints.reduce((sum, paint) => sum + model.toBuy[paint]!, 0);
    const group = model.groups.find((members) => members.includes(paints[0]!)) ?? [];
    // What the paints at hand can do among themselves is taken out; the further paint has to see to the rest.
    const axes: Point[] = [];
    for (const direction of known) {
      const rest = without(direction, axes);
      const size = Math.sqrt(dot(rest, rest));
      if (size > 1e-3) axes.push([rest[0] / size, rest[1] / size, rest[2] / size]);
    }
    const missing = without(here, axes);
    const more = [...paints, -1];
    const pinch = [...fractions, PINCH];
    for (const extra of group) {
      if (paints.includes(extra) || bought + model.toBuy[extra]! > model.mostBought) continue;
      more[paints.length] = extra;
      const there = seen(more, pinch);
      const direction = without([there[0] - here[0], there[1] - here[1], there[2] - here[2]], axes);
      // For as many pinches as do the most good.
      const step = -dot(direction, missing) / (dot(direction, direction) + RIDGE * PINCH * PINCH);
      if (step <= 0) continue;
      const x = missing[0] + step * direction[0];
      const y = missing[1] + step * direction[1];
      const z = missing[2] + step * direction[2];
      const left = x * x + y * y + z * z;
      if (left < guesses.farthest()) guesses.add({ paints, fractions, extra, left });
    }
  };

  /** The best mixture of a choice of paints, and how its colour goes when each but the reference is added. */
  const follow = (choice: readonly number[], { paints, fractions }: Guess) => {
    let parts = choice.map((paint) => fractions[paints.indexOf(paint)] ?? 0);
    for (let step = 0; ; step++) {
      const here = seen(choice, parts);
      const reference = largest(parts);
      const directions = slopes(choice, parts, reference, here);
      if (step === STEPS) return { choice, parts, here, reference, directions, left: dot(here, here) };
      parts = moved(parts, reference, leastSquares(directions, here));
    }
  };
  const nearestRatios = ratioFinder(ratios);
  let best = Infinity;
  let missing = Infinity;
  const done = new Set<number>();
  /** Follows the most promising guesses and offers what they lead to, batch by batch, until nothing is left to prove. */
  function* tryGuesses(most: number): Generator<undefined> {
    let tried = 0;
    let followed: ReturnType<typeof follow>[] = [];
    const promising = guesses.sorted();
    for (let at = 0; at < promising.length && tried < most && missing > 0; at++) {
      const found = promising[at]!;
      const choice = (found.extra < 0 ? found.paints.slice() : [...found.paints, found.extra]).sort(
        (p, q) => p - q,
      );
      const key = choice.reduce((sum, paint) => sum * model.size + paint, 0);
      if (!done.has(key)) {
        done.add(key);
        tried++;
        followed.push(follow(choice, found));
      }
      if (followed.length < TOGETHER && tried < most && at < promising.length - 1) continue;
      followed.sort((p, q) => p.left - q.left);
      let offered = 0;
      for (const { choice, parts, here, reference, directions, left } of followed) {
        // What is left over for the best mixture is left over for whole drops.
        if (Math.sqrt(left) > 2 * best && offered >= DIFFERENT) break;
        offered++;
        for (const ratio of nearestRatios(parts, reference, here, directions)) {
          const drops = ratios[ratio]!;
          const dE00 = model.difference(choice, drops);
          best = Math.min(best, dE00);
          missing = offer(dE00, choice, drops);
        }
      }
      followed = [];
      yield;
    }
  }
  function* extendAll(from: LikelyQuestion['leads']): Generator<undefined> {
    for (const lead of n > 2 ? from : []) {
      extend(lead);
      yield;
    }
  }
  yield* extendAll([...leads, ...pairs.slice(0, NEAREST_PAIRS)]);
  yield* tryGuesses(FOLLOWED);
  if (missing > LITTLE || missing <= 0) return;
  yield* extendAll(pairs.slice(NEAREST_PAIRS));
  yield* tryGuesses(FOLLOWED_FURTHER);
}

/** A function that finds the TRIED ratios whose colours, as the slopes have them, lie nearest to what is wanted. */
function ratioFinder(ratios: readonly (readonly number[])[]) {
  const n = ratios[0]!.length;
  const drops = new Float64Array(n * ratios.length);
  for (let ratio = 0; ratio < ratios.length; ratio++) drops.set(ratios[ratio]!, n * ratio);
  const nearest = new Int32Array(Math.min(TRIED, ratios.length));
  const distances = new Float64Array(nearest.length);
  const slopes = new Float64Array(3 * n);
  return (
    parts: readonly number[],
    reference: number,
    here: Point,
    directions: readonly Point[],
  ): Int32Array => {
    // A ratio is reached from `parts` by adding drops / drops of the reference less parts, in units of its part.
    slopes.fill(0);
    let [startX, startY, startZ] = here;
    let next = 0;
    for (let at = 0; at < n; at++) {
      if (at === reference) continue;
      const [x, y, z] = directions[next++]!;
      const part = parts[at]!;
      const scale = parts[reference]!;
      startX -= part * x;
      startY -= part * y;
      startZ -= part * z;
      slopes.set([scale * x, scale * y, scale * z], 3 * at);
    }
    distances.fill(Infinity);
    for (let ratio = 0; ratio < ratios.length; ratio++) {
      const share = 1 / drops[ratio * n + reference]!;
      let x = startX;
      let y = startY;
      let z = startZ;
      for (let at = 0; at < n; at++) {
        const change = share * drops[ratio * n + at]!;
        x += change * slopes[3 * at]!;
        y += change * slopes[3 * at + 1]!;
        z += change * slopes[3 * at + 2]!;
      }
      const distance = x * x + y * y + z * z;
      let at = nearest.length - 1;
      if (distance >= distances[at]!) continue;
      for (; at > 0 && distance < distances[at - 1]!; at--) {
        distances[at] = distances[at - 1]!;
        nearest[at] = nearest[at - 1]!;
      }
      distances[at] = distance;
      nearest[at] = ratio;
    }
    return nearest;
  };
}

/** Drops of two paints that show about where the line between them runs. */
const ALONG_A_LINE = [
  [1, 3],
  [1, 1],
  [3, 1],
] as const;
/** Pairs that lead the way to three paints, and those tried when these leave little missing. */
const NEAREST_PAIRS = 48;
const FURTHER_PAIRS = 240;

/** The pairs of paints that come nearest in a few proportions, as leads for three paints. */
function* nearPairs(
  model: MixtureModel,
  seen: (paints: readonly number[], parts: readonly number[]) => Point,
): Generator<undefined, { paints: number[]; drops: readonly number[]; left: number }[]> {
  const found = nearestOnes<{ paints: number[]; drops: readonly number[]; left: number }>(FURTHER_PAIRS);
  const pair = [-1, -1];
  for (const group of model.groups) {
    for (let i = 0; i < group.length; i++) {
      if (i % 10 === 9) yield;
      pair[0] = group[i]!;
      for (let j = i + 1; j < group.length; j++) {
        pair[1] = group[j]!;
        if (model.toBuy[pair[0]]! + model.toBuy[pair[1]]! > model.mostBought) continue;
        for (const drops of ALONG_A_LINE) {
          const point = seen(pair, drops);
          const left = dot(point, point);
          if (left < found.farthest()) found.add({ paints: pair.slice(), drops, left });
        }
      }
    }
  }
  return found.sorted();
}

/** Keeps at least the `most` with the least left of what is added. */
function nearestOnes<T extends { left: number }>(most: number) {
  const kept: T[] = [];
  let farthest = Infinity;
  const sorted = () => {
    kept.sort((p, q) => p.left - q.left);
    if (kept.length > most) kept.length = most;
    return kept;
  };
  return {
    add: (one: T): void => {
      kept.push(one);
      if (kept.length >= 3 * most) farthest = sorted().at(-1)!.left;
    },
    /** What has more left than this need not be added. */
    farthest: () => farthest,
    sorted: () => sorted().slice(),
  };
}

type Point = readonly [number, number, number];

const largest = (parts: readonly number[]) => parts.indexOf(Math.max(...parts));
const dot = (p: Point, q: Point) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];

/** What of a point is not along any of these axes, which stand square to each other. */
function without(point: Point, axes: readonly Point[]): Point {
  let [x, y, z] = point;
  for (const axis of axes) {
    const along = dot(point, axis);
    x -= along * axis[0];
    y -= along * axis[1];
    z -= along * axis[2];
  }
  return [x, y, z];
}

function fractionsOf(parts: readonly number[]): number[] {
  const total = parts.reduce((sum, part) => sum + part, 0);
  return parts.map((part) => part / total);
}

/** Fractions after so much of every paint but the reference has been added, none of them gone. */
function moved(parts: readonly number[], reference: number, step: readonly number[]): number[] {
  let next = 0;
  return fractionsOf(
    parts.map((part, at) => Math.max(LEAST_FRACTION, at === reference ? part : part + step[next++]!)),
  );
}

/** Steps along up to three directions that bring a point nearest to the origin, by the normal equations. */
function leastSquares(directions: readonly Point[], from: Point): number[] {
  const normal = new Matrix(
    directions.map((direction, i) =>
      directions.map((other, j) => dot(direction, other) + (i === j ? RIDGE : 0)),
    ),
  );
  return solve(normal, Matrix.columnVector(directions.map((direction) => -dot(direction, from)))).to1DArray();
}
