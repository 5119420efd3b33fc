import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { PRIORS, readingDeviation, seenMixture, type MixReading } from './mixReading.ts';
import {
  doubtsLeft,
  mixDrops,
  normalNumber,
  PARAMETERS_PER_PAINT,
  priorCovariance,
  spreadOf,
  withParameters,
  type DoubtfulPaint,
  type DroppedPaint,
} from './opticsParameters.ts';

const ROUNDS = 12;
const STEP = 1e-4;

/** What readings say about the paints that were in them. */
export interface OpticsFit {
  optics: Map<string, DroppedPaint>;
  /** What is left of each paint's uncertainty, dE00 at about 90 %. */
  uncertainty: Map<string, number>;
  /** What is left of the doubt of each paint's strength and drop, standard deviations of ln. */
  doubts: Map<string, { strength: number; drop: number }>;
  /** For each reading the drops as they seem to have fallen; they add up to about the drops counted. */
  fallen: Record<string, number>[];
  /** Root mean square of reflectance that the fit leaves unexplained; 0 without readings. */
  misfit: number;
  /** Optics of all the paints as they might also be, drawn from what is left of the doubt. */
  draw: (random: () => number) => Map<string, DroppedPaint>;
  /** The paints with their parameters moved by `offset` from what was found, in the order of `ids`; and what is left
   *  of the doubt of all parameters together. */
  ids: readonly string[];
  moved: (offset: ArrayLike<number>) => Map<string, DroppedPaint>;
  covariance: () => Matrix;
}

/** Where in the state of the fit the unknowns of one reading stand. */
interface ReadingUnknowns {
  /** Slip of each paint's drops; empty where a paint is alone, which has no shares to be wrong about. */
  slips: number[];
  film: number | undefined;
}

/** The unknowns of a fit and their prior: all paints' parameters first, then slips and films. */
function unknownsOf(paints: readonly DoubtfulPaint[], readings: readonly MixReading[]) {
  const known = new Set(paints.map(({ id }) => id));
  let size = paints.length * PARAMETERS_PER_PAINT;
  const deviations: number[] = [];
  const add = (deviation: number) => {
    deviations.push(deviation);
    return size++;
  };
  const ofReading = readings.map(({ drops, film }): ReadingUnknowns => {
    const counts = Object.entries(drops);
    for (const [id, count] of counts) {
      if (!known.has(id))
        throw new RangeError(`A reading has drops of ${id}, which is not among the paints.`);
      if (!(count > 0)) throw new RangeError(`A reading has ${count} drops of ${id}.`);
    }
    return {
      slips: counts.length > 1 ? counts.map(([, count]) => add(PRIORS.drop / Math.sqrt(count))) : [],
      film: film ? add(PRIORS.film) : undefined,
    };
  });
  const blocks = paints.map(priorCovariance);
  const prior = Matrix.zeros(size, size);
  blocks.forEach((block, at) => {
    const inverse = new CholeskyDecomposition(block).solve(Matrix.eye(PARAMETERS_PER_PAINT));
    prior.setSubMatrix(evened(inverse), at * PARAMETERS_PER_PAINT, at * PARAMETERS_PER_PAINT);
  });
  deviations.forEach((deviation, at) => {
    const row = paints.length * PARAMETERS_PER_PAINT + at;
    prior.set(row, row, 1 / deviation ** 2);
  });
  return { size, prior, blocks, ofReading };
}

/** Fits the optics of paints to all readings of their mixtures by regularised least squares: Gauss and Newton's
 *  method on the misfit of reflectance plus the priors of the optics (priorCovariance), of every cup's real
 *  shares and of every film, so that a careless drop is not blamed on a paint. Without readings it gives the
 *  paints as they were believed. Throws RangeError where a reading names a paint that is not given. */
export function refitOptics(paints: readonly DoubtfulPaint[], readings: readonly MixReading[]): OpticsFit {
  const steps = refitInSteps(paints, readings);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** The same in steps of some milliseconds, for where nothing else may be held up. */
export function* refitInSteps(
  paints: readonly DoubtfulPaint[],
  readings: readonly MixReading[],
): Generator<void, OpticsFit> {
  const index = new Map(paints.map(({ id }, at) => [id, at]));
  const { size, prior, blocks, ofReading } = unknownsOf(paints, readings);
  const slipped = (state: ArrayLike<number>, at: number): [id: string, drops: number][] =>
    Object.entries(readings[at]!.drops).map(([id, count], i) => {
      const slip = ofReading[at]!.slips[i];
      return [id, count * (slip === undefined ? 1 : Math.exp(state[slip]!))];
    });
  const opticsOfPaint = (state: ArrayLike<number>, paint: number) =>
    withParameters(paints[paint]!, state, paint * PARAMETERS_PER_PAINT);
  /** `believed`: the optics of all paints at that state, which several readings share. */
  const predicted = (state: Float64Array, at: number, believed: readonly DroppedPaint[]): number[] => {
    const { film, surface } = readings[at]!;
    const thin = ofReading[at]!.film;
    const parts = slipped(state, at).map(([id, drops]) => ({ paint: believed[index.get(id)!]!, drops }));
    return seenMixture(
      mixDrops(parts),
      film && { ...film, thickness: film.thickness * Math.exp(state[thin!]!) },
      surface,
    );
  };
  /** The parameters that a reading depends on. */
  const touching = readings.map(({ drops }, at) => [
    ...Object.keys(drops).flatMap((id) =>
      Array.from({ length: PARAMETERS_PER_PAINT }, (_, i) => index.get(id)! * PARAMETERS_PER_PAINT + i),
    ),
    ...ofReading[at]!.slips,
    ...(ofReading[at]!.film === undefined ? [] : [ofReading[at]!.film]),
  ]);
  const deviations = readings.map(({ spectrum }) => spectrum.map(readingDeviation));
  const { state, normal } = yield* descend({
    size,
    prior,
    readings,
    predicted,
    touching,
    deviations,
    paintCount: paints.length,
    opticsOfPaint,
  });

  const covariance = evened(new CholeskyDecomposition(normal).solve(Matrix.eye(size)));
  const ofPaints = paints.length * PARAMETERS_PER_PAINT;
  const paintCovariance = () => covariance.subMatrix(0, ofPaints - 1, 0, ofPaints - 1);
  const opticsOf = (at: ArrayLike<number>) =>
    new Map(paints.map((paint, i) => [paint.id, opticsOfPaint(at, i)]));
  const moved = (offset: ArrayLike<number>) =>
    opticsOf(Array.from({ length: ofPaints }, (_, at) => state[at]! + offset[at]!));
  const left = paints.map((_, i) => {
    const from = i * PARAMETERS_PER_PAINT;
    const to = from + PARAMETERS_PER_PAINT - 1;
    return doubtsLeft(covariance.subMatrix(from, to, from, to), blocks[i]!);
  });
  let spread: Matrix | undefined;
  const draw = (random: () => number) => {
    spread ??= spreadOf(paintCovariance());
    const unit = Matrix.columnVector(Array.from({ length: ofPaints }, () => normalNumber(random)));
    return moved(spread.mmul(unit).getColumn(0));
  };
  const found = paints.map((_, paint) => opticsOfPaint(state, paint));
  const squares = readings.map(({ spectrum }, reading) => {
    const away = predicted(state, reading, found).map((value, band) => value - spectrum[band]!);
    return dot(away, away);
  });
  const values = readings.reduce((sum, { spectrum }) => sum + spectrum.length, 0);
  return {
    optics: opticsOf(state),
    uncertainty: new Map(paints.map(({ id, uncertainty }, i) => [id, uncertainty * left[i]!.masstone])),
    doubts: new Map(paints.map(({ id }, i) => [id, { strength: left[i]!.strength, drop: left[i]!.drop }])),
    fallen: readings.map((_, at) => Object.fromEntries(slipped(state, at))),
    misfit: values === 0 ? 0 : Math.sqrt(squares.reduce((sum, value) => sum + value, 0) / values),
    draw,
    ids: paints.map(({ id }) => id),
    moved,
    covariance: paintCovariance,
  };
}

interface Descent {
  size: number;
  prior: Matrix;
  readings: readonly MixReading[];
  predicted: (state: Float64Array, reading: number, believed: readonly DroppedPaint[]) => number[];
  touching: readonly (readonly number[])[];
  deviations: readonly (readonly number[])[];
  paintCount: number;
  opticsOfPaint: (state: ArrayLike<number>, paint: number) => DroppedPaint;
}

/** Gauss and Newton's steps, each halved until it gains, from the prior's own state to where none gains; with the
 *  normal matrix there, the inverse of what is left of the doubt. */
function* descend({
  size,
  prior,
  readings,
  predicted,
  touching,
  deviations,
  paintCount,
  opticsOfPaint,
}: Descent): Generator<void, { state: Float64Array; normal: Matrix }> {
  const opticsAt = (at: Float64Array) => Array.from({ length: paintCount }, (_, i) => opticsOfPaint(at, i));
  let state: Float64Array = new Float64Array(size);
  let normal = prior.clone();
  if (readings.length === 0) return { state, normal };
  const cost = (at: Float64Array): number => {
    const column = Matrix.columnVector([...at]);
    let sum = column.transpose().mmul(prior).mmul(column).get(0, 0);
    const believed = opticsAt(at);
    readings.forEach(({ spectrum }, reading) => {
      predicted(at, reading, believed).forEach(
        (value, band) => (sum += ((spectrum[band]! - value) / deviations[reading]![band]!) ** 2),
      );
    });
    return sum;
  };
  let now = cost(state);
  for (let round = 0; round < ROUNDS; round++) {
    normal = prior.clone();
    const right = prior.mmul(Matrix.columnVector([...state])).mul(-1);
    const believed = opticsAt(state);
    /** The state with one parameter moved, and the optics of all paints there: readings share them. */
    const aside = new Map<number, { state: Float64Array; optics: readonly DroppedPaint[] }>();
    const movedBy = (parameter: number) => {
      let moved = aside.get(parameter);
      if (!moved) {
        const at = Float64Array.from(state);
        at[parameter]! += STEP;
        const paint = Math.floor(parameter / PARAMETERS_PER_PAINT);
        const optics =
          paint < paintCount
            ? believed.map((each, i) => (i === paint ? opticsOfPaint(at, paint) : each))
            : believed;
        aside.set(parameter, (moved = { state: at, optics }));
      }
      return moved;
    };
    for (const [reading, { spectrum }] of readings.entries()) {
      yield;
      const base = predicted(state, reading, believed);
      const deviation = deviations[reading]!;
      const slopes = touching[reading]!.map((parameter) => {
        const moved = movedBy(parameter);
        return predicted(moved.state, reading, moved.optics).map(
          (value, band) => (value - base[band]!) / STEP / deviation[band]!,
        );
      });
      const errors = base.map((value, band) => (spectrum[band]! - value) / deviation[band]!);
      touching[reading]!.forEach((one, i) => {
        const slope = slopes[i]!;
        right.set(one, 0, right.get(one, 0) + dot(slope, errors));
        for (let j = 0; j <= i; j++) {
          const other = touching[reading]![j]!;
          const sum = normal.get(one, other) + dot(slope, slopes[j]!);
          normal.set(one, other, sum);
          normal.set(other, one, sum);
        }
      });
    }
    const step = new CholeskyDecomposition(normal).solve(right).getColumn(0);
    let next = state;
    let reached = now;
    for (let length = 1; length > 1e-3; length /= 2) {
      yield;
      next = state.map((value, at) => value + length * step[at]!);
      reached = cost(next);
      if (reached < now) break;
    }
    const gained = now - reached;
    if (gained <= 0) break;
    state = next;
    now = reached;
    if (gained < 1e-6) break;
  }
  return { state, normal };
}

function dot(one: readonly number[], other: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < one.length; i++) sum += one[i]! * other[i]!;
  return sum;
}

/** A matrix that is symmetric but for rounding, made exactly so. */
function evened(matrix: Matrix): Matrix {
  return Matrix.add(matrix, matrix.transpose()).mul(0.5);
}
