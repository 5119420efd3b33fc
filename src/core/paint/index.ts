/** Paint optics: surfaces, films, mixtures, coats and hiding. */
export {
  EXTERNAL_REFLECTION,
  FULL_GLOSS,
  GLOSSY,
  innerReflectance,
  INTERNAL_REFLECTION,
  outerReflectance,
  scatteredShare,
  seenSurface,
  surfaceOf,
  type Surface,
} from './surface.ts';
export { innerLight, mirrorShare, seenThrough, underFilm, withMirror, type InnerLight } from './lightPath.ts';
export { absorptionOverScattering, filmReflectance, opaqueReflectance } from './kubelkaMunk.ts';
export type { Film, PaintOptics } from './film.ts';
export { filmsOver, mixOptics, opaqueSpectrum } from './optics.ts';
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
export {
  FLAKE_ANGLES,
  fitFlakeLobe,
  flakeAngles,
  insideFilm,
  USUAL_LOBE,
  type FlakeLobe,
  type FlakeSample,
} from './flakeLobe.ts';
export { nearestPass, tintPasses, type TintStep } from './tintPasses.ts';
export {
  HOT_METALS,
  oxideReflectance,
  oxideThickness,
  pipeTemperature,
  type HotMetalId,
  type HotPipe,
} from './oxideTint.ts';
