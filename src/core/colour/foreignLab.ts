import { ciede2000 } from './ciede2000.ts';
import { isIlluminant } from './illuminants.ts';
import { spectrumToLab, type Lab } from './lab.ts';
import { metamers } from './metamers.ts';
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

/** Draws from which the uncertainty is taken. */
const DRAWS = 40;

/** CIELAB that was computed for another light or observer, as the same surface's colour in daylight: a smooth
 *  spectrum that has the Lab there is recovered and seen in daylight. Adapting the white alone would not do: it
 *  cannot change the observer. Other spectra that share the Lab say how sure the answer is.
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
  const found = spectrumToLab(spectrum, DAYLIGHT);
  const away = metamers(lab, evenly(), DRAWS, condition)
    .map((other) => ciede2000(found, spectrumToLab(other, DAYLIGHT)))
    .sort((a, b) => a - b);
  return { lab: found, spectrum, uncertainty: away[Math.floor(0.9 * away.length)] ?? 0 };
}

/** Numbers 0..1 that are the same on every call (a linear congruential generator, Numerical Recipes). */
function evenly(): () => number {
  let state = 1964;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
