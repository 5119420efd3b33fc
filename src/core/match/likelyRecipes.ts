import { Matrix, solve } from 'ml-matrix';
import type { MixtureModel } from './mixtureModel.ts';

/** Paint added to a mixture to see which way its colour goes, per part of the mixture. */
const PINCH = 0.03;
/** Choices of paints that are followed further, the most promising first. */
const FOLLOWED = 160;
const STEPS = 2;
/** Whole-drop recipes worked out next to the best mixture of a choice. */
const TRIED = 6;
/** No paint falls below this fraction while a mixture is followed. */
const LEAST_FRACTION = 0.02;
/** Keeps a step finite where two paints move a colour the same way; small against squared steps of about one dE. */
const RIDGE = 1e-3;

interface Guess {
  paints: number[];
  fractions: number[];
  /** Squared distance that is expected to be left, about in dE00. */
  left: number;
}

/** Good recipes of n >= 2 paints without any search: every lead, a recipe of n - 1 paints, with every further paint
 *  is taken a step of Gauss and Newton towards what is wanted; the most promising go on, and the whole drops next to
 *  where they end are offered. Nothing is proved by them; they let the proof begin with a small difference.
 *  `ratios` are the drop ratios of n paints; `unitL` and `unitAB` as in DifferenceBall. */
export function likelyRecipes(
  model: MixtureModel,
  { unitL, unitAB }: { unitL: number; unitAB: number },
  ratios: readonly (readonly number[])[],
  leads: readonly { paints: readonly number[]; drops: readonly number[] }[],
  offer: (dE00: number, paints: readonly number[], drops: readonly number[]) => void,
): void {
  const { wanted } = model;
  const seen = (paints: readonly number[], parts: readonly number[]): Point => {
    const { L, a, b } = model.lab(paints, parts);
    return [(L - wanted.L) / unitL, (a - wanted.a) / unitAB, (b - wanted.b) / unitAB];
  };
  const pinched = (paints: readonly number[], parts: readonly number[], at: number, from: Point): Point => {
    const [x, y, z] = seen(
      paints,
      parts.map((part, i) => (i === at ? part + PINCH : part)),
    );
    return [(x - from[0]) / PINCH, (y - from[1]) / PINCH, (z - from[2]) / PINCH];
  };

  /** Where a mixture goes when each paint but the reference is added, in their order. */
  const slopes = (paints: readonly number[], parts: readonly number[], reference: number, from: Point) =>
    parts.flatMap((_, at) => (at === reference ? [] : [pinched(paints, parts, at, from)]));

  const guesses = new Map<string, Guess>();
  const guess = (paints: number[], fractions: number[], left: number) => {
    const key = [...paints].sort((p, q) => p - q).join();
    const before = guesses.get(key);
    if (!before || left < before.left) guesses.set(key, { paints, fractions, left });
  };
  const n = ratios[0]!.length;
  const pairs = n > 3 ? [] : nearPairs(model);
  if (n === 2) {
    for (const { paints, drops, dE00 } of pairs) guess(paints, fractionsOf(drops), dE00 * dE00);
  }
  for (const { paints, drops } of n > 2 ? [...leads, ...pairs] : []) {
    const parts = fractionsOf(drops);
    const here = seen(paints, parts);
    const reference = largest(parts);
    const known = slopes(paints, parts, reference, here);
    const bought = paints.reduce((sum, paint) => sum + model.toBuy[paint]!, 0);
    const group = model.groups.find((members) => members.includes(paints[0]!)) ?? [];
    for (const extra of group) {
      if (paints.includes(extra) || bought + model.toBuy[extra]! > model.mostBought) continue;
      const directions = [...known, pinched([...paints, extra], [...parts, 0], paints.length, here)];
      const step = leastSquares(directions, here);
      if (step.at(-1)! <= 0) continue;
      guess(
        [...paints, extra],
        moved([...parts, 0], reference, step),
        sizeOf(stepped(here, directions, step)),
      );
    }
  }

  const promising = [...guesses.values()].sort((p, q) => p.left - q.left).slice(0, FOLLOWED);
  const followed = promising.map(({ paints, fractions }) => {
    const order = paints.map((_, at) => at).sort((p, q) => paints[p]! - paints[q]!);
    const choice = order.map((at) => paints[at]!);
    let parts = order.map((at) => fractions[at]!);
    for (let step = 0; ; step++) {
      const here = seen(choice, parts);
      const reference = largest(parts);
      const directions = slopes(choice, parts, reference, here);
      if (step === STEPS) return { choice, parts, here, reference, directions, left: sizeOf(here) };
      parts = moved(parts, reference, leastSquares(directions, here));
    }
  });
  followed.sort((p, q) => p.left - q.left);
  const nearest = new Int32Array(TRIED);
  const distances = new Float64Array(TRIED);
  let best = Infinity;
  for (const { choice, parts, here, reference, directions, left } of followed) {
    // What is left over for the best mixture is left over for whole drops.
    if (Math.sqrt(left) > 2 * best) break;
    // The colour of each ratio as the slopes have it, the nearest few kept.
    distances.fill(Infinity);
    const others = parts.map((_, at) => at).filter((at) => at !== reference);
    for (let ratio = 0; ratio < ratios.length; ratio++) {
      const drops = ratios[ratio]!;
      const scale = parts[reference]! / drops[reference]!;
      let [x, y, z] = here;
      for (let i = 0; i < others.length; i++) {
        const at = others[i]!;
        const change = scale * drops[at]! - parts[at]!;
        const direction = directions[i]!;
        x += change * direction[0];
        y += change * direction[1];
        z += change * direction[2];
      }
      const distance = x * x + y * y + z * z;
      let at = TRIED - 1;
      if (distance >= distances[at]!) continue;
      for (; at > 0 && distance < distances[at - 1]!; at--) {
        distances[at] = distances[at - 1]!;
        nearest[at] = nearest[at - 1]!;
      }
      distances[at] = distance;
      nearest[at] = ratio;
    }
    for (let at = 0; at < Math.min(TRIED, ratios.length); at++) {
      const drops = ratios[nearest[at]!]!;
      const dE00 = model.difference(choice, drops);
      best = Math.min(best, dE00);
      offer(dE00, choice, drops);
    }
  }
}

/** Drops of two paints that show about where the line between them runs. */
const ALONG_A_LINE = [
  [1, 3],
  [1, 1],
  [3, 1],
] as const;
/** Beyond so many pairs of paints only the leads of the search before are followed. */
const MOST_PAIRS = 6000;
const NEAREST_PAIRS = 48;

/** The pairs of paints that come nearest in a few proportions, as leads for three paints. */
function nearPairs(model: MixtureModel): { paints: number[]; drops: readonly number[]; dE00: number }[] {
  const pairs = model.groups.reduce((sum, { length }) => sum + (length * (length - 1)) / 2, 0);
  if (pairs > MOST_PAIRS) return [];
  const found: { paints: number[]; drops: readonly number[]; dE00: number }[] = [];
  for (const group of model.groups) {
    for (let i = 0; i < group.length; i++) {
      for (let j = i + 1; j < group.length; j++) {
        const paints = [group[i]!, group[j]!];
        if (model.toBuy[paints[0]!]! + model.toBuy[paints[1]!]! > model.mostBought) continue;
        for (const drops of ALONG_A_LINE)
          found.push({ paints, drops, dE00: model.difference(paints, drops) });
      }
    }
  }
  return found.sort((p, q) => p.dE00 - q.dE00).slice(0, NEAREST_PAIRS);
}

type Point = readonly [number, number, number];

const largest = (parts: readonly number[]) => parts.indexOf(Math.max(...parts));
const sizeOf = ([x, y, z]: Point) => x * x + y * y + z * z;
const dot = (p: Point, q: Point) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];

function stepped(from: Point, directions: readonly Point[], step: readonly number[]): Point {
  let [x, y, z] = from;
  for (let i = 0; i < directions.length; i++) {
    const direction = directions[i]!;
    const size = step[i]!;
    x += size * direction[0];
    y += size * direction[1];
    z += size * direction[2];
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
