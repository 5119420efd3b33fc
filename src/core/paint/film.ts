import type { Spectrum } from '../colour/index.ts';

/** What a paint does to light: absorption and scattering per micrometre of dry film, in 31 bands. */
export interface PaintOptics {
  k: Spectrum;
  s: Spectrum;
}

/** A film of one paint, thickness in micrometres. */
export interface Film {
  optics: PaintOptics;
  thickness: number;
}
