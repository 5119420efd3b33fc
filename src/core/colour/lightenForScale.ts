import type { Spectrum } from './spectrum.ts';

/** Reflectance of the pale veil that a lightened colour is drawn towards. */
const VEIL = 0.8;

/** Shares of the veil by scale, for builders of the school that lightens: the smaller the model, the paler.
 *  A taste, not physics: over the tens of metres that a small model stands for, clear air changes a colour by
 *  far less than anyone sees. */
export function lighteningShare(scale: number): number {
  if (scale <= 16) return 0.04;
  if (scale <= 25) return 0.07;
  if (scale <= 35) return 0.1;
  return 0.15;
}

/** A colour lightened for scale: a share, 0 to 1, of a pale veil laid over its reflectance.
 *  Throws RangeError for a share outside 0 to 1. */
export function lightenForScale(spectrum: Spectrum, share: number): number[] {
  if (!(share >= 0 && share <= 1)) throw new RangeError(`The share of lightening is ${share}, not 0 to 1.`);
  return spectrum.map((value) => (1 - share) * value + share * VEIL);
}
