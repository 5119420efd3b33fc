import { BAND_COUNT, requireSpectrum, type Spectrum } from '../colour/index.ts';
import { opaqueReflectance } from './kubelkaMunk.ts';
import type { Film, PaintOptics } from './film.ts';
import { innerLight, seenThrough, underFilm } from './lightPath.ts';
import { GLOSSY, outerReflectance, type Surface } from './surface.ts';

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

/** Reflectance (31 bands) of a paint laid so thick that nothing under it shows, as measured or seen through the face
 *  given: on a full gloss without the shine where none is. */
export function opaqueSpectrum({ k, s }: PaintOptics, surface: Surface = GLOSSY): number[] {
  requireSpectrum(k, 'absorption spectrum');
  return k.map((value, band) =>
    outerReflectance(opaqueReflectance(value / Math.max(s[band]!, 1e-9)), surface),
  );
}

/** Reflectance (31 bands) of films laid one over another on a background, bottom first, seen through `surface`.
 *  background: reflectance of the bare ground, seen through `face`. Paint on paint is taken as optically joined,
 *  so only the topmost face reflects like a surface. */
export function filmsOver(
  background: Spectrum,
  films: readonly Film[],
  surface: Surface = GLOSSY,
  face: Surface = surface,
): number[] {
  return seenThrough(films.reduce(underFilm, innerLight(background, face)), surface);
}
