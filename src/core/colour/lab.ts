import type { Spectrum } from './spectrum.ts';
import { spectrumToXyz, tristimulusWeights, type ViewingCondition, type Xyz } from './tristimulus.ts';

/** CIELAB 1976: L 0..100, a and b without bound (about -128..127 for surfaces). */
export interface Lab {
  L: number;
  a: number;
  b: number;
}

const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;

/** The CIELAB response to a tristimulus ratio (CIE 15:2004, 8.2.1). */
export function labResponse(ratio: number): number {
  return ratio > EPSILON ? Math.cbrt(ratio) : (KAPPA * ratio + 16) / 116;
}

function inverseLabResponse(response: number): number {
  const cube = response ** 3;
  return cube > EPSILON ? cube : (116 * response - 16) / KAPPA;
}

/** CIELAB of XYZ against a white given in the same scale. */
export function xyzToLab(xyz: Xyz, white: Xyz): Lab {
  const fx = labResponse(xyz.X / white.X);
  const fy = labResponse(xyz.Y / white.Y);
  const fz = labResponse(xyz.Z / white.Z);
  return { L: 116 * fy - 16, a: 500 * (fx - fy), b: 200 * (fy - fz) };
}

/** XYZ of a CIELAB colour against a white; the inverse of xyzToLab. */
export function labToXyz({ L, a, b }: Lab, white: Xyz): Xyz {
  const fy = (L + 16) / 116;
  return {
    X: white.X * inverseLabResponse(fy + a / 500),
    Y: white.Y * inverseLabResponse(fy),
    Z: white.Z * inverseLabResponse(fy - b / 200),
  };
}

/** CIELAB of a 31-band reflectance (0..1, 400-700 nm by 10) under a light and observer.
 *  The white is the perfect reflector under the same weights, so that it is exactly (100, 0, 0).
 *  Throws RangeError unless there are 31 finite values. */
export function spectrumToLab(reflectance: Spectrum, condition: ViewingCondition): Lab {
  return xyzToLab(spectrumToXyz(reflectance, condition), tristimulusWeights(condition).white);
}

/** Chroma of a colour in CIELAB. */
export function chroma({ a, b }: Lab): number {
  return Math.hypot(a, b);
}

/** Hue angle in CIELAB, 0 to 360 degrees: red near 25, yellow 90, green 160, blue 270. */
export function hueAngle({ a, b }: Lab): number {
  return ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
}
