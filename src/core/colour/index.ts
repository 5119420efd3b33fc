/** Colour: spectra, lights, observers, CIELAB, differences, display, spectrum recovery. */
export {
  BAND_COUNT,
  BAND_STEP_NM,
  bandWavelength,
  requireSpectrum,
  spectrumFrom,
  type Spectrum,
} from './spectrum.ts';
export {
  ILLUMINANT_IDS,
  ILLUMINANT_NAMES,
  illuminantPower,
  isIlluminant,
  type IlluminantId,
} from './illuminants.ts';
export {
  ASSUMED_GEOMETRY,
  GEOMETRIES,
  GEOMETRY_NAMES,
  readGeometry,
  type MeasuringGeometry,
} from './geometry.ts';
export {
  DAYLIGHT,
  observerAt,
  spectrumToXyz,
  tristimulusWeights,
  type ObserverId,
  type TristimulusWeights,
  type ViewingCondition,
  type Xyz,
} from './tristimulus.ts';
export { chroma, hueAngle, labResponse, labToXyz, spectrumToLab, xyzToLab, type Lab } from './lab.ts';
export { adaptWhite } from './adaptation.ts';
export { ciede2000 } from './ciede2000.ts';
export { describeDifference } from './describeDifference.ts';
export {
  hexToLab,
  labToDisplay,
  linearToLab,
  parseHex,
  spectrumToDisplay,
  type DisplayColour,
} from './srgb.ts';
export { nearestPossible, possibleSpectrum, recoverSpectrum } from './recoverSpectrum.ts';
export {
  metamericBand,
  metamericDoubt,
  metamers,
  possibleSpectra,
  type MetamericBand,
  type PossibleSpectra,
} from './metamers.ts';
export { lengthAt90 } from './lengthOfError.ts';
export { differenceUnits, offsetUnits } from './offsetUnits.ts';
export { labInDaylight, type DaylightColour } from './foreignLab.ts';
export { typedColour } from './typedColour.ts';
export { lightenForScale, lighteningShare } from './lightenForScale.ts';
export {
  CARD_GREY,
  photographAgainst,
  photographColours,
  sampleRegion,
  type AgainstTarget,
  type CardReading,
  type PhotographColour,
  type Pixels,
  type Region,
  type RegionSample,
} from './photograph.ts';
