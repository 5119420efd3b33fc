import { ciede2000 } from './ciede2000.ts';
import { labToXyz, spectrumToLab, xyzToLab, type Lab } from './lab.ts';
import { BAND_COUNT } from './spectrum.ts';
import { DAYLIGHT, tristimulusWeights, type ViewingCondition } from './tristimulus.ts';

const UNKNOWNS = BAND_COUNT + 3;
/** Black and white themselves lie at infinity in the tanh parametrisation; this is well below a visible step. */
const MARGIN = 1e-5;
/** Colours that can be are found in some twenty steps; those that cannot never settle. */
const MOST_STEPS = 70;
/** A recovered spectrum has its colour to this, dE00. */
const UNSEEN = 0.05;

/** The smoothest reflectance strictly between 0 and 1 that has the given CIELAB under a light and observer (daylight
 *  and 2 degree where none is named).
 *  Minimises the squared slope of z where R = (1 + tanh z) / 2, by Newton's method on the Lagrangian
 *  (least slope in hyperbolic tangent space; S. A. Burns, Color Research and Application 45, 2020).
 *  Throws RangeError where no surface can have that colour, naming the nearest that one can. */
export function recoverSpectrum(lab: Lab, condition: ViewingCondition = DAYLIGHT): number[] {
  const found = smoothest(lab, condition);
  if (found) return found;
  const words = ({ L, a, b }: Lab) => [L, a, b].map((value) => Number(value.toFixed(1))).join(' ');
  throw new RangeError(
    `No surface can have the colour L a b ${words(lab)}: it is more vivid than any pigment at that lightness. The nearest that can be is ${words(nearestPossible(lab, condition))}.`,
  );
}

/** The spectrum of recoverSpectrum; undefined where no surface can have the colour. */
function smoothest(lab: Lab, condition: ViewingCondition): number[] | undefined {
  for (const value of [lab.L, lab.a, lab.b]) {
    if (!Number.isFinite(value)) throw new RangeError('A Lab colour needs three numbers.');
  }
  if (lab.L < 0 || lab.L > 100) {
    throw new RangeError(`L must lie between 0 and 100; it is ${lab.L}.`);
  }
  const { x, y, z: zWeights, white } = tristimulusWeights(condition);
  const wanted = labToXyz(lab, white);
  if (Math.abs(lab.a) + Math.abs(lab.b) < 0.02) {
    return new Array<number>(BAND_COUNT).fill(wanted.Y / white.Y);
  }
  const rows = [x, y, zWeights];
  const within = (value: number, ceiling: number) =>
    Math.min(ceiling * (1 - MARGIN), Math.max(ceiling * MARGIN, value));
  const held = { X: within(wanted.X, white.X), Y: within(wanted.Y, white.Y), Z: within(wanted.Z, white.Z) };
  if (ciede2000(xyzToLab(held, white), lab) > UNSEEN) return undefined;
  const goal = [held.X, held.Y, held.Z];

  const start = Math.atanh(2 * Math.min(0.95, Math.max(0.02, wanted.Y)) - 1);
  const state = new Float64Array(UNKNOWNS).fill(start, 0, BAND_COUNT);
  for (let iteration = 0; iteration < MOST_STEPS; iteration++) {
    const { matrix, residual, size } = newtonSystem(state, rows, goal);
    if (size < 1e-10) break;
    const step = solve(matrix, residual);
    if (!step) break;
    const largest = step.subarray(0, BAND_COUNT).reduce((max, v) => Math.max(max, Math.abs(v)), 0);
    const damping = largest > 1.5 ? 1.5 / largest : 1;
    for (let i = 0; i < UNKNOWNS; i++) state[i]! -= damping * step[i]!;
  }

  const reflectance = Array.from(state.subarray(0, BAND_COUNT), (v) => (1 + Math.tanh(v)) / 2);
  const reached = reflectance.every(Number.isFinite)
    ? ciede2000(spectrumToLab(reflectance, condition), lab)
    : Infinity;
  return reached < UNSEEN ? reflectance : undefined;
}

/** The colour nearest to a Lab colour, in dE00, that some surface can have under a light: the colour itself where
 *  one can. Hue is kept; lightness and chroma give way as little as they can. */
export function nearestPossible(lab: Lab, condition: ViewingCondition = DAYLIGHT): Lab {
  const possible = (candidate: Lab) => smoothest(candidate, condition) !== undefined;
  if (possible(lab)) return lab;
  const scaled = (L: number, share: number): Lab => ({ L, a: share * lab.a, b: share * lab.b });
  /** The most vivid possible colour of that lightness, and how far it is. */
  const at = (L: number): { lab: Lab; dE00: number } => {
    let low = 0;
    let high = 1;
    for (let halving = 0; halving < 9; halving++) {
      const middle = (low + high) / 2;
      if (possible(scaled(L, middle))) low = middle;
      else high = middle;
    }
    // Rounded towards grey, so that what is offered can be typed back.
    const share = low * 0.998;
    return { lab: scaled(L, share), dE00: ciede2000(lab, scaled(L, share)) };
  };
  const middle = Math.min(99, Math.max(1, lab.L));
  let best = at(middle);
  for (const step of [12, 4, 1]) {
    const around = best.lab.L;
    for (const L of [-3, -2, -1, 1, 2, 3].map((times) => around + times * step)) {
      if (L <= 0 || L >= 100) continue;
      const found = at(L);
      if (found.dE00 < best.dE00) best = found;
    }
  }
  const rounded = { L: round(best.lab.L), a: round(best.lab.a), b: round(best.lab.b) };
  return possible(rounded) ? rounded : best.lab;
}

/** The spectrum of a colour, or of the nearest that a surface can have where none can have that one. */
export function possibleSpectrum(lab: Lab, condition: ViewingCondition = DAYLIGHT): number[] {
  const held = { ...lab, L: Math.min(100, Math.max(0, lab.L)) };
  return smoothest(held, condition) ?? recoverSpectrum(nearestPossible(held, condition), condition);
}

const round = (value: number) => Math.trunc(10 * value) / 10;

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
