import { isIlluminant } from './illuminants.ts';
import { spectrumToLab, type Lab } from './lab.ts';
import { metamericDoubt } from './metamers.ts';
import { recoverSpectrum } from './recoverSpectrum.ts';
import { DAYLIGHT, type ObserverId } from './tristimulus.ts';

export interface DaylightColour {
  /** CIELAB in daylight, 2 degree. */
  lab: Lab;
  /** The reflectance that was recovered on the way, 31 bands. */
  spectrum: number[];
  /** What a Lab under that light leaves open of the colour in daylight, dE00 at 90 %; 0 for daylight itself. */
  uncertainty: number;
}

/** CIELAB that was computed for another light or observer, as the same surface's colour in daylight: a smooth
 *  spectrum that has the Lab there is recovered and seen in daylight. Adapting the white alone would not do: it
 *  cannot change the observer. What other spectra that share the Lab would give says how sure the answer is.
 *  Throws RangeError for a light that Fanfare does not know, or a colour that no surface can have in it. */
export function labInDaylight(lab: Lab, illuminant: string, observer: ObserverId): DaylightColour {
  if (!isIlluminant(illuminant)) {
    throw new RangeError(
      `Lab for the light ${illuminant} cannot be brought into daylight: D65, D50 and A are known. Give a spectrum, or Lab for one of these.`,
    );
  }
  const condition = { illuminant: illuminant, observer };
  const spectrum = recoverSpectrum(lab, condition);
  if (illuminant === DAYLIGHT.illuminant && observer === DAYLIGHT.observer) {
    return { lab, spectrum, uncertainty: 0 };
  }
  return {
    lab: spectrumToLab(spectrum, DAYLIGHT),
    spectrum,
    uncertainty: metamericDoubt(spectrum, condition, DAYLIGHT),
  };
}
