import {
  BAND_COUNT,
  ciede2000,
  labResponse,
  tristimulusWeights,
  type Lab,
  type TristimulusWeights,
} from '../../colour/index.ts';
import { opaqueReflectance, outerReflectance, type Surface } from '../../paint/index.ts';
import { EXCHANGE_SURFACE, exchangeWeights } from './exchangeModel.ts';
import type { RecipeRequest } from './recipeRequest.ts';

// Local copies: module loaders that turn imports into property look-ups would slow the inner loops tenfold.
const BANDS = BAND_COUNT;
const outer = outerReflectance;
const opaque = opaqueReflectance;
const response = labResponse;
const difference = ciede2000;

/** The paints of a request in flat arrays, and the colour of any mixture of them. */
export interface MixtureModel {
  /** Number of paints. */
  size: number;
  /** K and S of paint p at p * 31. */
  k: Float64Array;
  s: Float64Array;
  /** Tristimulus weights of each band over those of the white. */
  wx: Float64Array;
  wy: Float64Array;
  wz: Float64Array;
  /** The face that every mixture is seen with. */
  surface: Surface;
  wanted: Lab;
  /** Paints that may be mixed with each other, as indices. */
  groups: number[][];
  /** 1 for a paint that would have to be bought, and how many of those one recipe may hold. */
  toBuy: Uint8Array;
  mostBought: number;
  lab: (members: ArrayLike<number>, parts: ArrayLike<number>) => Lab;
  /** dE00 from what is wanted, in the worst of the lights; never below that in the first light. */
  difference: (members: ArrayLike<number>, parts: ArrayLike<number>) => number;
}

/** Colour of mixtures in one light. */
function seenIn(weights: TristimulusWeights, surface: Surface, k: Float64Array, s: Float64Array) {
  const { white } = weights;
  const wx = Float64Array.from(weights.x, (value) => value / white.X);
  const wy = Float64Array.from(weights.y, (value) => value / white.Y);
  const wz = Float64Array.from(weights.z, (value) => value / white.Z);

  const lab = (members: ArrayLike<number>, parts: ArrayLike<number>): Lab => {
    let X = 0;
    let Y = 0;
    let Z = 0;
    for (let band = 0; band < BANDS; band++) {
      let absorbed = 0;
      let scattered = 0;
      for (let i = 0; i < members.length; i++) {
        const at = members[i]! * BANDS + band;
        absorbed += parts[i]! * k[at]!;
        scattered += parts[i]! * s[at]!;
      }
      const reflectance = outer(opaque(absorbed / scattered), surface);
      X += wx[band]! * reflectance;
      Y += wy[band]! * reflectance;
      Z += wz[band]! * reflectance;
    }
    const fy = response(Y);
    return { L: 116 * fy - 16, a: 500 * (response(X) - fy), b: 200 * (fy - response(Z)) };
  };
  return { wx, wy, wz, lab };
}

export function mixtureModel({
  paints,
  target,
  condition,
  surface = EXCHANGE_SURFACE,
  alsoIn = [],
  mostBought = Infinity,
}: RecipeRequest): MixtureModel {
  const k = new Float64Array(paints.length * BANDS);
  const s = new Float64Array(paints.length * BANDS);
  paints.forEach((paint, index) => {
    // A larger drop brings more of both.
    const { perDrop = 1 } = paint;
    k.set(
      paint.k.map((value) => perDrop * value),
      index * BANDS,
    );
    s.set(
      paint.s.map((value) => perDrop * value),
      index * BANDS,
    );
  });
  const weights = condition ? tristimulusWeights(condition) : exchangeWeights();
  const { wx, wy, wz, lab } = seenIn(weights, surface, k, s);
  const labOf = ([L, a, b]: readonly [number, number, number]): Lab => ({ L, a, b });
  const wanted = labOf(target.lab);
  const others = alsoIn.map((light) => ({
    wanted: labOf(light.lab),
    lab: seenIn(tristimulusWeights(light.condition), surface, k, s).lab,
  }));
  const groups = new Map<string, number[]>();
  paints.forEach(({ group = '' }, index) => {
    const members = groups.get(group);
    if (members) members.push(index);
    else groups.set(group, [index]);
  });
  return {
    size: paints.length,
    k,
    s,
    wx,
    wy,
    wz,
    surface,
    wanted,
    groups: [...groups.values()],
    toBuy: Uint8Array.from(paints, (paint) => (paint.toBuy ? 1 : 0)),
    mostBought,
    lab,
    difference:
      others.length === 0
        ? (members, parts) => difference(wanted, lab(members, parts))
        : (members, parts) =>
            others.reduce(
              (worst, other) => Math.max(worst, difference(other.wanted, other.lab(members, parts))),
              difference(wanted, lab(members, parts)),
            ),
  };
}
