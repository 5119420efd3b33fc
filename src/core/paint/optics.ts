import { BAND_COUNT, requireSpectrum, type Spectrum } from '../colour/index.ts';
import { filmReflectance, opaqueReflectance } from './kubelkaMunk.ts';
import { internalReflectance, surfaceReflectance } from './saunderson.ts';

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

/** Optics of a mixture by volume fractions, which need not add up to 1 (drops will do).
 *  Throws RangeError for negative or all-zero parts. Source: Duncan (1940), K and S add by concentration. */
export function mixOptics(parts: readonly { optics: PaintOptics; share: number }[]): PaintOptics {
  const total = parts.reduce((sum, part) => sum + part.share, 0);
  if (parts.some((part) => !(part.share >= 0)) || !(total > 0)) {
    throw new RangeError('A mixture needs drops of at least one paint and none below zero.');
  }
  const blend = (pick: (optics: PaintOptics) => Spectrum) =>
    Array.from({ length: BAND_COUNT }, (_, band) =>
      parts.reduce((sum, { optics, share }) => sum + (share / total) * pick(optics)[band]!, 0),
    );
  return { k: blend((optics) => optics.k), s: blend((optics) => optics.s) };
}

/** Measured reflectance (31 bands) of a paint laid so thick that nothing under it shows. */
export function opaqueSpectrum({ k, s }: PaintOptics): number[] {
  requireSpectrum(k, 'absorption spectrum');
  return k.map((value, band) => surfaceReflectance(opaqueReflectance(value / Math.max(s[band]!, 1e-9))));
}

/** Measured reflectance (31 bands) of films laid one over another on a background, bottom first.
 *  background: measured reflectance of the bare surface. Paint on paint is taken as optically joined,
 *  so only the topmost face reflects like a surface. */
export function filmsOver(background: Spectrum, films: readonly Film[]): number[] {
  return background.map((measured, band) => {
    const internal = films.reduce(
      (under, { optics, thickness }) => filmReflectance(optics.k[band]!, optics.s[band]!, thickness, under),
      internalReflectance(measured),
    );
    return surfaceReflectance(internal);
  });
}
