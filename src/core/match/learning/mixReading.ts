import type { Spectrum } from '../../colour/index.ts';
import { filmsOver, GLOSSY, opaqueSpectrum, type PaintOptics, type Surface } from '../../paint/index.ts';

/** A film that does not hide, and the ground it lies on: thickness in um, and what is seen of the bare ground through
 *  a glossy face without its shine. */
export interface ThinFilm {
  thickness: number;
  over: Spectrum;
}

/** A mixture that was sprayed and read. */
export interface MixReading {
  /** Drops by paint id; one paint alone is a mixture too. */
  drops: Readonly<Record<string, number>>;
  /** What the reader saw, 31 bands. */
  spectrum: Spectrum;
  /** Absent where nothing shows through. */
  film?: ThinFilm;
  /** The face it was read through: geometry and gloss. A full gloss without its shine where absent. */
  surface?: Surface;
}

/** Standard deviations that the fit takes for granted. Working values. */
export const PRIORS = {
  /** Of a single drop's volume, as a share of it; n drops of one paint vary by this over the root of n. */
  drop: 0.1,
  /** Of a sprayed film's thickness, as a share of it. */
  film: 0.15,
  /** What the paint model itself leaves out of a colour it has not seen, dE00 along each of lightness, chroma and
   *  hue. */
  model: 0.25,
  /** How far mixtures are off from adding up: standard deviation of ln of K, and of S, of two paints in equal parts;
   *  less, the more one of them prevails. */
  mixing: 0.08,
} as const;

/** Standard deviation of one reading of reflectance: the reader's noise, and what the model leaves out, which grows
 *  with the light there is. */
export function readingDeviation(reflectance: number): number {
  return Math.hypot(0.0012, 0.012 * reflectance);
}

/** What is seen of a mixture: as a film over its ground, or so thick that nothing shows through. */
export function seenMixture(
  optics: PaintOptics,
  film: ThinFilm | undefined,
  surface: Surface = GLOSSY,
): number[] {
  if (!film) return opaqueSpectrum(optics, surface);
  return filmsOver(film.over, [{ optics, thickness: film.thickness }], surface, GLOSSY);
}
