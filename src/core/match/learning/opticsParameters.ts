import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import {
  BAND_COUNT,
  bandWavelength,
  DAYLIGHT,
  lengthAt90,
  offsetUnits,
  spectrumToLab,
} from '../../colour/index.ts';
import { mixOptics, opaqueSpectrum, type PaintOptics } from '../../paint/index.ts';

/** A paint whose optics are believed with some doubt. */
export interface DoubtfulPaint extends PaintOptics {
  id: string;
  /** Uncertainty of its masstone, dE00 at about 90 %. */
  uncertainty: number;
  /** Standard deviation of ln of its strength: how surely K and S together are known, which the masstone does not
   *  show and hiding and mixtures do; STRENGTH_DOUBT of a chart where absent. */
  strengthDoubt?: number;
  /** Volume of its drop against the usual one, 1 where absent, and the standard deviation of ln of that. */
  perDrop?: number;
  dropDoubt?: number;
}

/** A paint's optics with the size of its drop against the usual one. */
export interface DroppedPaint extends PaintOptics {
  perDrop: number;
}

/** Doubt of strength where nothing else is said: of a paint whose chart was read over black and white. */
const USUAL_STRENGTH_DOUBT = 0.08;
/** Doubt of a drop where nobody measured it: bottles and droppers differ by about a tenth. */
export const USUAL_DROP_DOUBT = 0.1;

/** How far off a paint's optics are is described by smooth factors over the spectrum: ln of the factor on K at
 *  seven wavelengths and on S at three, straight lines between; ln of the factor on both, its strength; and ln of
 *  the size of its drop. */
const K_KNOTS = [400, 450, 500, 550, 600, 650, 700];
const S_KNOTS = [400, 550, 700];
const STRENGTH_AT = K_KNOTS.length + S_KNOTS.length;
const DROP_AT = STRENGTH_AT + 1;
export const PARAMETERS_PER_PAINT = DROP_AT + 1;

/** Distance over which the errors of neighbouring wavelengths go together, nm. */
const CORRELATION_NM = 110;
/** Bounds of the standard deviation of ln K: a white hardly changes however far its K is off. */
const LOG_K_LEAST = 0.005;
const LOG_K_MOST = 0.6;
/** ln S is known about as well as ln K: both come from the same reading. */
const S_TO_K = 0.8;

const K_WEIGHTS = interpolation(K_KNOTS);
const S_WEIGHTS = interpolation(S_KNOTS);

/** Covariance of the shape parameters for a standard deviation of ln K of 1. */
const UNIT_SHAPE = (() => {
  const block = (knots: number[], scale: number) =>
    knots.map((one) =>
      knots.map(
        (other) =>
          scale ** 2 * (Math.exp(-(((one - other) / CORRELATION_NM) ** 2) / 2) + (one === other ? 0.02 : 0)),
      ),
    );
  const covariance = Matrix.zeros(STRENGTH_AT, STRENGTH_AT);
  covariance.setSubMatrix(block(K_KNOTS, 1), 0, 0);
  covariance.setSubMatrix(block(S_KNOTS, S_TO_K), K_KNOTS.length, K_KNOTS.length);
  return covariance;
})();

/** Standard deviation of ln K of a paint, so chosen that nine in ten of the paints it could be lie within its
 *  uncertainty of its masstone: the shape parameters are carried through to the colour along its tangent. */
export function logDeviation(paint: PaintOptics & { uncertainty: number }): number {
  const seen = (parameters: Float64Array) =>
    spectrumToLab(opaqueSpectrum(withParameters(paint, parameters)), DAYLIGHT);
  const origin = new Float64Array(PARAMETERS_PER_PAINT);
  const face = seen(origin);
  const step = 0.01;
  const slopes = Matrix.zeros(3, STRENGTH_AT);
  for (let at = 0; at < STRENGTH_AT; at++) {
    const moved = origin.slice();
    moved[at] = step;
    offsetUnits(face, seen(moved)).forEach((value, row) => slopes.set(row, at, value / step));
  }
  const spread = slopes.mmul(UNIT_SHAPE).mmul(slopes.transpose());
  const at90 = lengthAt90(spread.to2DArray());
  if (at90 === 0) return LOG_K_MOST;
  return Math.min(LOG_K_MOST, Math.max(LOG_K_LEAST, paint.uncertainty / at90));
}

/** Prior covariance of one paint's parameters. */
export function priorCovariance(paint: DoubtfulPaint): Matrix {
  const covariance = Matrix.zeros(PARAMETERS_PER_PAINT, PARAMETERS_PER_PAINT);
  covariance.setSubMatrix(Matrix.mul(UNIT_SHAPE, logDeviation(paint) ** 2), 0, 0);
  covariance.set(STRENGTH_AT, STRENGTH_AT, Math.max(1e-3, paint.strengthDoubt ?? USUAL_STRENGTH_DOUBT) ** 2);
  covariance.set(DROP_AT, DROP_AT, Math.max(1e-3, paint.dropDoubt ?? USUAL_DROP_DOUBT) ** 2);
  return covariance;
}

/** The optics and drop that a paint has with the parameters found at `at`; all zero gives its own. */
export function withParameters(
  paint: PaintOptics & { perDrop?: number },
  parameters: ArrayLike<number>,
  at = 0,
): DroppedPaint {
  const factor = (weights: number[][], from: number, band: number) => {
    let sum = parameters[at + STRENGTH_AT]!;
    weights[band]!.forEach((weight, knot) => (sum += weight * parameters[from + knot]!));
    return Math.exp(sum);
  };
  return {
    k: paint.k.map((value, band) => value * factor(K_WEIGHTS, at, band)),
    s: paint.s.map((value, band) => value * factor(S_WEIGHTS, at + K_KNOTS.length, band)),
    perDrop: (paint.perDrop ?? 1) * Math.exp(parameters[at + DROP_AT]!),
  };
}

/** What a covariance of one paint's parameters leaves of each doubt: of the masstone as a share of another
 *  covariance's, and the standard deviations of strength and drop. */
export function doubtsLeft(
  now: Matrix,
  before: Matrix,
): { masstone: number; strength: number; drop: number } {
  const shape = (matrix: Matrix) => matrix.subMatrix(0, STRENGTH_AT - 1, 0, STRENGTH_AT - 1).trace();
  return {
    masstone: Math.min(1, Math.sqrt(shape(now) / shape(before))),
    strength: Math.sqrt(now.get(STRENGTH_AT, STRENGTH_AT)),
    drop: Math.sqrt(now.get(DROP_AT, DROP_AT)),
  };
}

/** Optics of drops of paints together. Throws RangeError for negative or all-zero drops. */
export function mixDrops(
  parts: readonly { paint: PaintOptics & { perDrop?: number }; drops: number }[],
): PaintOptics {
  return mixOptics(parts.map(({ paint, drops }) => ({ optics: paint, share: drops * (paint.perDrop ?? 1) })));
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
