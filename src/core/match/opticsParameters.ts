import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { BAND_COUNT, bandWavelength } from '../colour/index.ts';
import type { PaintOptics } from '../paint/index.ts';

/** A paint whose optics are believed with some doubt. */
export interface DoubtfulPaint extends PaintOptics {
  id: string;
  /** Uncertainty of its masstone, dE00 at about 90 %. */
  uncertainty: number;
}

/** How far off a paint's optics are is described by smooth factors over the spectrum: ln of the factor on K at
 *  seven wavelengths and on S at three, straight lines between. */
const K_KNOTS = [400, 450, 500, 550, 600, 650, 700];
const S_KNOTS = [400, 550, 700];
export const PARAMETERS_PER_PAINT = K_KNOTS.length + S_KNOTS.length;

/** Distance over which the errors of neighbouring wavelengths go together, nm. */
const CORRELATION_NM = 110;
/** Standard deviation of ln K for each dE00 of uncertainty at 90 %, and its bounds. A change of K by a tenth
 *  moves a mid-tone by about 1 dE00. Working values. */
const LOG_K_PER_DE = 0.06;
const LOG_K_LEAST = 0.015;
const LOG_K_MOST = 0.6;
/** ln S is known about as well as ln K: both come from the same reading. */
const S_TO_K = 0.8;

const K_WEIGHTS = interpolation(K_KNOTS);
const S_WEIGHTS = interpolation(S_KNOTS);

/** Standard deviation of ln K of a paint. */
export function logDeviation(uncertainty: number): number {
  return Math.min(LOG_K_MOST, Math.max(LOG_K_LEAST, LOG_K_PER_DE * uncertainty));
}

/** Prior covariance of one paint's parameters. */
export function priorCovariance(uncertainty: number): Matrix {
  const sigma = logDeviation(uncertainty);
  const block = (knots: number[], scale: number) =>
    knots.map((one) =>
      knots.map(
        (other) =>
          scale ** 2 * (Math.exp(-(((one - other) / CORRELATION_NM) ** 2) / 2) + (one === other ? 0.02 : 0)),
      ),
    );
  const covariance = Matrix.zeros(PARAMETERS_PER_PAINT, PARAMETERS_PER_PAINT);
  covariance.setSubMatrix(block(K_KNOTS, sigma), 0, 0);
  covariance.setSubMatrix(block(S_KNOTS, sigma * S_TO_K), K_KNOTS.length, K_KNOTS.length);
  return covariance;
}

/** The optics that a paint has with the parameters found at `at`; all zero gives its own. */
export function withParameters(paint: PaintOptics, parameters: ArrayLike<number>, at = 0): PaintOptics {
  const factor = (weights: number[][], from: number, band: number) => {
    let sum = 0;
    weights[band]!.forEach((weight, knot) => (sum += weight * parameters[from + knot]!));
    return Math.exp(sum);
  };
  return {
    k: paint.k.map((value, band) => value * factor(K_WEIGHTS, at, band)),
    s: paint.s.map((value, band) => value * factor(S_WEIGHTS, at + K_KNOTS.length, band)),
  };
}

/** A matrix whose product with independent unit normals has the given covariance. */
export function spreadOf(covariance: Matrix): Matrix {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(covariance, {
    assumeSymmetric: true,
  });
  return Matrix.mul(
    eigenvectorMatrix,
    Matrix.ones(covariance.rows, 1).mmul(
      Matrix.rowVector(realEigenvalues.map((value) => Math.sqrt(Math.max(0, value)))),
    ),
  );
}

/** A standard normal number from two uniform ones (Box and Muller 1958). */
export function normalNumber(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** For each band the weight of each knot in a straight line between its neighbours. */
function interpolation(knots: number[]): number[][] {
  return Array.from({ length: BAND_COUNT }, (_, band) => {
    const nm = bandWavelength(band);
    return knots.map((knot, at) => {
      const before = knots[at - 1] ?? knot - 1;
      const after = knots[at + 1] ?? knot + 1;
      const weight = nm <= knot ? (nm - before) / (knot - before) : (after - nm) / (after - knot);
      return Math.max(0, weight);
    });
  });
}
