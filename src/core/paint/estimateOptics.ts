import { requireSpectrum, type Spectrum } from '../colour/index.ts';
import { contrastOverCard, HIDING_DIFFERENCE } from './coatsToHide.ts';
import { absorptionOverScattering } from './kubelkaMunk.ts';
import type { PaintOptics } from './film.ts';
import { GLOSSY, innerReflectance, type Surface } from './surface.ts';

export type HidingClass = 'opaque' | 'semi-opaque' | 'transparent';

/** Dry film in um at which a paint of each class is taken to hide black and white alike. */
export const HIDING_FILM_UM: Readonly<Record<HidingClass, number>> = {
  opaque: 22,
  'semi-opaque': 45,
  transparent: 110,
};

/** Guesses K and S of a paint from how it looks laid thick (31-band reflectance, measured or seen through the face
 *  given: a full gloss without its shine where none is) and how well its maker says it hides. Scattering is taken flat
 *  over the bands and scaled until the film of the class just hides; a guess, so results built on it deserve a wide
 *  band: see STRENGTH_DOUBT in ../match. */
export function estimateOptics(
  masstone: Spectrum,
  hiding: HidingClass,
  surface: Surface = GLOSSY,
): PaintOptics {
  requireSpectrum(masstone, 'reflectance');
  const ratio = masstone.map((value) => absorptionOverScattering(innerReflectance(value, surface)));
  const at = (scattering: number): PaintOptics => ({
    k: ratio.map((value) => value * scattering),
    s: ratio.map(() => scattering),
  });
  let low = 1e-5;
  let high = 5;
  for (let step = 0; step < 60; step++) {
    const middle = Math.sqrt(low * high);
    if (contrastOverCard(at(middle), HIDING_FILM_UM[hiding]) > HIDING_DIFFERENCE) low = middle;
    else high = middle;
  }
  return at(high);
}
