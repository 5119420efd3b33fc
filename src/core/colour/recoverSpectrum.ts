import { labToXyz, type Lab } from './lab.ts';
import { BAND_COUNT } from './spectrum.ts';
import { DAYLIGHT, tristimulusWeights } from './tristimulus.ts';

const UNKNOWNS = BAND_COUNT + 3;
/** Black and white themselves lie at infinity in the tanh parametrisation; this is well below a visible step. */
const MARGIN = 1e-5;

/** The smoothest reflectance strictly between 0 and 1 that has the given CIELAB (D65, 2 degree).
 *  Minimises the squared slope of z where R = (1 + tanh z) / 2, by Newton's method on the Lagrangian
 *  (least slope in hyperbolic tangent space; S. A. Burns, Color Research and Application 45, 2020).
 *  Throws RangeError where no surface can have that colour. */
export function recoverSpectrum(lab: Lab): number[] {
  for (const value of [lab.L, lab.a, lab.b]) {
    if (!Number.isFinite(value)) throw new RangeError('A Lab colour needs three numbers.');
  }
  if (lab.L < 0 || lab.L > 100) {
    throw new RangeError(`L must lie between 0 and 100; it is ${lab.L}.`);
  }
  const { x, y, z: zWeights, white } = tristimulusWeights(DAYLIGHT);
  const wanted = labToXyz(lab, white);
  if (Math.abs(lab.a) + Math.abs(lab.b) < 0.02) {
    return new Array<number>(BAND_COUNT).fill(wanted.Y / white.Y);
  }
  const rows = [x, y, zWeights];
  const goal = [wanted.X, wanted.Y, wanted.Z];
  const ceiling = [white.X, white.Y, white.Z];
  goal.forEach((value, row) => {
    goal[row] = Math.min(ceiling[row]! * (1 - MARGIN), Math.max(ceiling[row]! * MARGIN, value));
  });

  const start = Math.atanh(2 * Math.min(0.95, Math.max(0.02, wanted.Y)) - 1);
  const state = new Float64Array(UNKNOWNS).fill(start, 0, BAND_COUNT);
  for (let iteration = 0; iteration < 200; iteration++) {
    const { matrix, residual, size } = newtonSystem(state, rows, goal);
    if (size < 1e-10) break;
    const step = solve(matrix, residual);
    if (!step) break;
    const largest = step.subarray(0, BAND_COUNT).reduce((max, v) => Math.max(max, Math.abs(v)), 0);
    const damping = largest > 1.5 ? 1.5 / largest : 1;
    for (let i = 0; i < UNKNOWNS; i++) state[i]! -= damping * step[i]!;
  }

  const reflectance = Array.from(state.subarray(0, BAND_COUNT), (v) => (1 + Math.tanh(v)) / 2);
  const misfit = rows.some((weights, row) => {
    const got = weights.reduce((sum, weight, band) => sum + weight * reflectance[band]!, 0);
    return !(Math.abs(got - goal[row]!) < 2e-5);
  });
  if (misfit) {
    throw new RangeError(
      `No surface can have the colour L ${lab.L}, a ${lab.a}, b ${lab.b}: it is more vivid than any pigment at that lightness.`,
    );
  }
  return reflectance;
}

/** Gradient of the Lagrangian and its Jacobian: slope terms in z, then the three colour constraints. */
function newtonSystem(state: Float64Array, rows: readonly (readonly number[])[], goal: number[]) {
  const matrix = Array.from({ length: UNKNOWNS }, () => new Float64Array(UNKNOWNS));
  const residual = new Float64Array(UNKNOWNS);
  for (let i = 0; i < BAND_COUNT; i++) {
    const tanh = Math.tanh(state[i]!);
    const slope = (1 - tanh * tanh) / 2;
    const curve = -2 * tanh * slope;
    const neighbours = (i > 0 ? 1 : 0) + (i < BAND_COUNT - 1 ? 1 : 0);
    matrix[i]![i] = 2 * neighbours;
    residual[i] = 2 * neighbours * state[i]!;
    for (const j of [i - 1, i + 1]) {
      if (j < 0 || j >= BAND_COUNT) continue;
      matrix[i]![j] = -2;
      residual[i]! -= 2 * state[j]!;
    }
    rows.forEach((weights, row) => {
      const multiplier = state[BAND_COUNT + row]!;
      residual[i]! += multiplier * weights[i]! * slope;
      matrix[i]![i]! += multiplier * weights[i]! * curve;
      matrix[i]![BAND_COUNT + row] = weights[i]! * slope;
      matrix[BAND_COUNT + row]![i] = weights[i]! * slope;
      residual[BAND_COUNT + row]! += (weights[i]! * (1 + tanh)) / 2;
    });
  }
  rows.forEach((_, row) => (residual[BAND_COUNT + row]! -= goal[row]!));
  const size = residual.reduce((max, value) => Math.max(max, Math.abs(value)), 0);
  return { matrix, residual, size };
}

/** Gaussian elimination with partial pivoting; undefined where the matrix is singular. */
function solve(matrix: Float64Array[], right: Float64Array): Float64Array | undefined {
  const n = right.length;
  const answer = right.slice();
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++) {
      if (Math.abs(matrix[row]![column]!) > Math.abs(matrix[pivot]![column]!)) pivot = row;
    }
    if (Math.abs(matrix[pivot]![column]!) < 1e-14) return undefined;
    [matrix[column], matrix[pivot]] = [matrix[pivot]!, matrix[column]!];
    [answer[column], answer[pivot]] = [answer[pivot]!, answer[column]!];
    for (let row = column + 1; row < n; row++) {
      const factor = matrix[row]![column]! / matrix[column]![column]!;
      if (factor === 0) continue;
      for (let k = column; k < n; k++) matrix[row]![k]! -= factor * matrix[column]![k]!;
      answer[row]! -= factor * answer[column]!;
    }
  }
  for (let row = n - 1; row >= 0; row--) {
    for (let k = row + 1; k < n; k++) answer[row]! -= matrix[row]![k]! * answer[k]!;
    answer[row]! /= matrix[row]![row]!;
  }
  return answer;
}
