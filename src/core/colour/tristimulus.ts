import {
  OBSERVER_STEP_NM,
  OBSERVER_TABLES,
  PUBLISHED_WHITES,
  TABLE_END_NM,
  TABLE_START_NM,
} from './cieTables.ts';
import { illuminantPower, isIlluminant, type IlluminantId } from './illuminants.ts';
import { BAND_COUNT, BAND_STEP_NM, FIRST_BAND_NM, requireSpectrum, type Spectrum } from './spectrum.ts';

export type ObserverId = '2deg' | '10deg';

export interface ViewingCondition {
  illuminant: IlluminantId;
  observer: ObserverId;
}

/** Tristimulus values relative to a perfect reflector: Y of that reflector is 1. */
export interface Xyz {
  X: number;
  Y: number;
  Z: number;
}

export interface TristimulusWeights {
  x: Spectrum;
  y: Spectrum;
  z: Spectrum;
  /** Tristimulus values of the perfect reflector under these weights; Y is exactly 1. */
  white: Xyz;
}

export const DAYLIGHT: ViewingCondition = { illuminant: 'D65', observer: '2deg' };

/** Colour-matching functions at a wavelength of the table, 380-780 nm by 5 nm. */
export function observerAt(observer: ObserverId, nm: number): { x: number; y: number; z: number } {
  const at = (nm - TABLE_START_NM) / OBSERVER_STEP_NM;
  const { x, y, z } = OBSERVER_TABLES[observer];
  return { x: x[at]!, y: y[at]!, z: z[at]! };
}

const cache = new Map<string, TristimulusWeights>();

/** Weights that turn a 31-band reflectance into XYZ, scaled to Y = 1 for the perfect reflector. Made as those of
 *  ASTM E308: the 5 nm sum over 380-780 nm of light times observer, with the reflectance between bands by cubic
 *  Lagrange interpolation and held beyond 400 and 700 nm; whites of the CIE lights are the published ones. No
 *  weight is below zero: the little that interpolation puts there is taken from the others.
 *  Throws RangeError for a light or observer that is not known. */
export function tristimulusWeights({ illuminant, observer }: ViewingCondition): TristimulusWeights {
  const key = `${illuminant} ${observer}`;
  const known = cache.get(key);
  if (known) return known;
  if (!isIlluminant(illuminant) || !Object.hasOwn(OBSERVER_TABLES, observer)) {
    throw new RangeError(`Unknown light or observer: ${key}.`);
  }
  const table = OBSERVER_TABLES[observer];
  const [x, y, z] = [table.x, table.y, table.z].map((cmf) => bandWeights(illuminant, cmf));
  const total = (weights: Spectrum) => weights.reduce((sum, value) => sum + value, 0);
  const published =
    illuminant in PUBLISHED_WHITES ? PUBLISHED_WHITES[illuminant as 'D65'][observer] : undefined;
  const white: Xyz = {
    X: published ? published[0] / 100 : total(x!) / total(y!),
    Y: 1,
    Z: published ? published[1] / 100 : total(z!) / total(y!),
  };
  const scaled = (weights: Spectrum, to: number) => {
    const factor = to / total(weights);
    return weights.map((value) => value * factor);
  };
  const made = { x: scaled(x!, white.X), y: scaled(y!, 1), z: scaled(z!, white.Z) };
  // The white is what the weights give, to the last digit.
  const weights = { ...made, white: { X: total(made.x), Y: total(made.y), Z: total(made.z) } };
  cache.set(key, weights);
  return weights;
}

/** One channel: light times colour-matching function, shared out over the 31 bands. */
function bandWeights(illuminant: IlluminantId, cmf: readonly number[]): number[] {
  const weights = new Array<number>(BAND_COUNT).fill(0);
  for (let nm = TABLE_START_NM; nm <= TABLE_END_NM; nm += OBSERVER_STEP_NM) {
    const value = illuminantPower(illuminant, nm) * cmf[(nm - TABLE_START_NM) / OBSERVER_STEP_NM]!;
    for (const [band, share] of interpolation((nm - FIRST_BAND_NM) / BAND_STEP_NM))
      weights[band]! += share * value;
  }
  const below = weights.reduce((sum, value) => sum + Math.min(0, value), 0);
  const above = weights.reduce((sum, value) => sum + Math.max(0, value), 0);
  return weights.map((value) => Math.max(0, value) * (1 + below / above));
}

/** Which bands a reflectance at a position, counted in bands from the first, is made of: the band itself, its
 *  neighbours by Lagrange's cubic (a parabola next to the ends), the end band beyond the ends. */
function interpolation(position: number): [band: number, share: number][] {
  const last = BAND_COUNT - 1;
  if (position <= 0) return [[0, 1]];
  if (position >= last) return [[last, 1]];
  const cell = Math.floor(position);
  if (cell === position) return [[cell, 1]];
  const first = Math.max(0, cell - 1);
  const nodes = Array.from({ length: Math.min(last, cell + 2) - first + 1 }, (_, i) => first + i);
  return nodes.map((band) => [
    band,
    nodes.reduce(
      (share, other) => (other === band ? share : (share * (position - other)) / (band - other)),
      1,
    ),
  ]);
}

/** XYZ of a 31-band reflectance (0..1) under a light and observer, relative to Y = 1 for white. */
export function spectrumToXyz(reflectance: Spectrum, condition: ViewingCondition): Xyz {
  requireSpectrum(reflectance, 'reflectance');
  const { x, y, z } = tristimulusWeights(condition);
  const xyz = { X: 0, Y: 0, Z: 0 };
  for (let band = 0; band < reflectance.length; band++) {
    xyz.X += x[band]! * reflectance[band]!;
    xyz.Y += y[band]! * reflectance[band]!;
    xyz.Z += z[band]! * reflectance[band]!;
  }
  return xyz;
}
