/** Paint optics: surfaces, films, mixtures, coats and hiding. */
export {
  EXTERNAL_REFLECTION,
  INTERNAL_REFLECTION,
  internalReflectance,
  surfaceReflectance,
} from './saunderson.ts';
export { absorptionOverScattering, filmReflectance, opaqueReflectance } from './kubelkaMunk.ts';
export { filmsOver, mixOptics, opaqueSpectrum, type Film, type PaintOptics } from './optics.ts';
export {
  coatByCoat,
  coatsToClose,
  coatsToHide,
  contrastOverCard,
  HIDING_DIFFERENCE,
  type CoatStep,
} from './coatsToHide.ts';
export { estimateOptics, HIDING_FILM_UM, type HidingClass } from './estimateOptics.ts';
export { underlaySpectrum, type Underlay } from './underlay.ts';
export { inkFor, inkOver, inkTransmittance, PAPER_WHITE } from './inkOverBase.ts';
export { FLAKE_ANGLES, flakeAngles } from './flakeAngles.ts';
export { nearestPass, tintPasses, type TintStep } from './tintPasses.ts';
export {
  HOT_METALS,
  oxideReflectance,
  oxideThickness,
  pipeTemperature,
  type HotMetalId,
  type HotPipe,
} from './oxideTint.ts';
