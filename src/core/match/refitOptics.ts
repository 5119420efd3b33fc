import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Spectrum } from '../colour/index.ts';
import { filmsOver, mixOptics, opaqueSpectrum, type PaintOptics } from '../paint/index.ts';
import {
  normalNumber,
  PARAMETERS_PER_PAINT,
  priorCovariance,
  spreadOf,
  withParameters,
  type DoubtfulPaint,
} from './opticsParameters.ts';

/** A mixture that was sprayed and read. */
export interface MixReading {
  /** Drops by paint id; one paint alone is a mixture too. */
  drops: Readonly<Record<string, number>>;
  /** What the reader saw, 31 bands. */
  spectrum: Spectrum;
  /** The film and what lies under it; absent where nothing shows through. Thickness in um. */
  film?: { thickness: number; over: Spectrum };
}

/** Standard deviations that the fit takes for granted. Working values. */
export const PRIORS = {
  /** Of one reading of reflectance: the reader's noise and what the paint model leaves out. */
  reading: 0.004,
  /** Of a single drop's volume, as a share of it; n drops of one paint vary by this over the root of n. */
  drop: 0.1,
  /** Of a sprayed film's thickness, as a share of it. */
  film: 0.15,
} as const;

const ROUNDS = 12;
const STEP = 1e-4;

/** What readings say about the paints that were in them. */
export interface OpticsFit {
  optics: Map<string, PaintOptics>;
  /** What is left of each paint's uncertainty, dE00 at about 90 %. */
  uncertainty: Map<string, number>;
  /** For each reading the drops as they seem to have fallen; they add up to about the drops counted. */
  fallen: Record<string, number>[];
  /** Root mean square of reflectance that the fit leaves unexplained; 0 without readings. */
  misfit: number;
  /** Optics of all the paints as they might also be, drawn from what is left of the doubt. */
  draw: (random: () => number) => Map<string, PaintOptics>;
}

/** Fits the optics of paints to all readings of their mixtures by regularised least squares: Gauss and Newton's
 *  method on the misfit of reflectance plus the priors of the optics (priorCovariance), of every cup's real
 *  shares and of every film, so that a careless drop is not blamed on a paint. Without readings it gives the
 *  paints as they were believed. Throws RangeError where a reading names a paint that is not given. */
export function refitOptics(paints: readonly DoubtfulPaint[], readings: readonly MixReading[]): OpticsFit {
  const index = new Map(paints.map(({ id }, at) => [id, at]));
  const shareAt: number[][] = [];
  const filmAt: (number | undefined)[] = [];
  let size = paints.length * PARAMETERS_PER_PAINT;
  const sharePriors: number[] = [];
  for (const { drops, film } of readings) {
    const counts = Object.entries(drops);
    for (const [id, count] of counts) {
      if (!index.has(id))
        throw new RangeError(`A reading has drops of ${id}, which is not among the paints.`);
      if (!(count > 0)) throw new RangeError(`A reading has ${count} drops of ${id}.`);
    }
    // A paint alone has no shares to be wrong about.
    const doubtful = counts.length > 1 ? counts : [];
    shareAt.push(doubtful.map(([, count]) => (sharePriors.push(PRIORS.drop / Math.sqrt(count)), size++)));
    filmAt.push(film && (sharePriors.push(PRIORS.film), size++));
  }

  const prior = Matrix.zeros(size, size);
  const blocks = paints.map(({ uncertainty }) => priorCovariance(uncertainty));
  blocks.forEach((block, at) => {
    const inverse = new CholeskyDecomposition(block).solve(Matrix.eye(PARAMETERS_PER_PAINT));
    prior.setSubMatrix(evened(inverse), at * PARAMETERS_PER_PAINT, at * PARAMETERS_PER_PAINT);
  });
  sharePriors.forEach((deviation, at) => {
    const row = paints.length * PARAMETERS_PER_PAINT + at;
    prior.set(row, row, 1 / deviation ** 2);
  });

  const predicted = (state: Float64Array, at: number): number[] => {
    const { drops, film } = readings[at]!;
    const parts = Object.entries(drops).map(([id, count], i) => {
      const paint = index.get(id)!;
      const slip = shareAt[at]![i];
      return {
        optics: withParameters(paints[paint]!, state, paint * PARAMETERS_PER_PAINT),
        share: count * (slip === undefined ? 1 : Math.exp(state[slip]!)),
      };
    });
    const optics = mixOptics(parts);
    if (!film) return opaqueSpectrum(optics);
    return filmsOver(film.over, [{ optics, thickness: film.thickness * Math.exp(state[filmAt[at]!]!) }]);
  };
  /** The parameters that a reading depends on. */
  const touching = readings.map(({ drops }, at) => [
    ...Object.keys(drops).flatMap((id) =>
      Array.from({ length: PARAMETERS_PER_PAINT }, (_, i) => index.get(id)! * PARAMETERS_PER_PAINT + i),
    ),
    ...shareAt[at]!,
    ...(filmAt[at] === undefined ? [] : [filmAt[at]]),
  ]);

  let state = new Float64Array(size);
  let normal = prior.clone();
  const cost = (at: Float64Array): number => {
    const column = Matrix.columnVector([...at]);
    let sum = column.transpose().mmul(prior).mmul(column).get(0, 0);
    readings.forEach(({ spectrum }, reading) => {
      predicted(at, reading).forEach(
        (value, band) => (sum += ((spectrum[band]! - value) / PRIORS.reading) ** 2),
      );
    });
    return sum;
  };
  let now = readings.length > 0 ? cost(state) : 0;
  for (let round = 0; round < ROUNDS && readings.length > 0; round++) {
    normal = prior.clone();
    const right = prior.mmul(Matrix.columnVector([...state])).mul(-1);
    readings.forEach(({ spectrum }, reading) => {
      const base = predicted(state, reading);
      const slopes = touching[reading]!.map((parameter) => {
        const moved = Float64Array.from(state);
        moved[parameter]! += STEP;
        return predicted(moved, reading).map((value, band) => (value - base[band]!) / STEP / PRIORS.reading);
      });
      const errors = base.map((value, band) => (spectrum[band]! - value) / PRIORS.reading);
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
    });
    const step = new CholeskyDecomposition(normal).solve(right).getColumn(0);
    let length = 1;
    let next = state;
    let reached = now;
    for (; length > 1e-3; length /= 2) {
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

  const covariance = evened(new CholeskyDecomposition(normal).solve(Matrix.eye(size)));
  const opticsOf = (at: ArrayLike<number>) =>
    new Map(paints.map((paint, i) => [paint.id, withParameters(paint, at, i * PARAMETERS_PER_PAINT)]));
  const uncertainty = new Map(
    paints.map(({ id, uncertainty: before }, i) => {
      const from = i * PARAMETERS_PER_PAINT;
      const block = covariance.subMatrix(
        from,
        from + PARAMETERS_PER_PAINT - 1,
        from,
        from + PARAMETERS_PER_PAINT - 1,
      );
      return [id, before * Math.min(1, Math.sqrt(block.trace() / blocks[i]!.trace()))];
    }),
  );
  let spread: Matrix | undefined;
  const draw = (random: () => number) => {
    const used = paints.length * PARAMETERS_PER_PAINT;
    spread ??= spreadOf(covariance.subMatrix(0, used - 1, 0, used - 1));
    const unit = Matrix.columnVector(Array.from({ length: used }, () => normalNumber(random)));
    const away = spread.mmul(unit).getColumn(0);
    return opticsOf(away.map((value, at) => value + state[at]!));
  };
  const squares = readings.map(({ spectrum }, reading) => {
    const seen = predicted(state, reading);
    return dot(
      seen.map((value, band) => value - spectrum[band]!),
      seen.map((value, band) => value - spectrum[band]!),
    );
  });
  const misfit =
    readings.length === 0
      ? 0
      : Math.sqrt(
          squares.reduce((sum, value) => sum + value, 0) / (readings.length * readings[0]!.spectrum.length),
        );
  const fallen = readings.map(({ drops }, at) =>
    Object.fromEntries(
      Object.entries(drops).map(([id, count], i) => {
        const slip = shareAt[at]![i];
        return [id, count * (slip === undefined ? 1 : Math.exp(state[slip]!))];
      }),
    ),
  );
  return { optics: opticsOf(state), uncertainty, fallen, misfit, draw };
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
