import { OBSERVER_TABLES } from './cieTables.ts';
import { ILLUMINANTS, type IlluminantId } from './illuminants.ts';
import { requireSpectrum, type Spectrum } from './spectrum.ts';

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

const cache = new Map<string, TristimulusWeights>();

/** Weights that turn a 31-band reflectance into XYZ by plain summation over 400-700 nm, scaled to Y = 1
 *  for the perfect reflector (CIE 15:2004, equation 7.1 with a 10 nm sum). */
export function tristimulusWeights({ illuminant, observer }: ViewingCondition): TristimulusWeights {
  const key = `${illuminant} ${observer}`;
  const known = cache.get(key);
  if (known) return known;
  if (!(illuminant in ILLUMINANTS) || !(observer in OBSERVER_TABLES)) {
    throw new RangeError(`Unknown light or observer: ${key}.`);
  }
  const power = ILLUMINANTS[illuminant];
  const table = OBSERVER_TABLES[observer];
  const scale = 1 / power.reduce((sum, value, band) => sum + value * table.y[band]!, 0);
  const channel = (cmf: Spectrum) => cmf.map((value, band) => value * power[band]! * scale);
  const [x, y, z] = [channel(table.x), channel(table.y), channel(table.z)];
  const total = (weights: Spectrum) => weights.reduce((sum, value) => sum + value, 0);
  const weights = { x, y, z, white: { X: total(x), Y: total(y), Z: total(z) } };
  cache.set(key, weights);
  return weights;
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
