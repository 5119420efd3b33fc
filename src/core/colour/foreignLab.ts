import { adaptWhite } from './adaptation.ts';
import { ILLUMINANTS, type IlluminantId } from './illuminants.ts';
import { labToXyz, xyzToLab, type Lab } from './lab.ts';
import { DAYLIGHT, tristimulusWeights, type ObserverId } from './tristimulus.ts';

/** CIELAB that was computed for another light or observer, as the same surface's appearance in daylight: the
 *  tristimulus values are adapted from that white to D65 (linear Bradford). Without a spectrum this is an estimate,
 *  good to about 1 dE00 for D50 and worse for lamplight. Throws RangeError for a light that Fanfare does not know. */
export function labInDaylight(lab: Lab, illuminant: string, observer: ObserverId): Lab {
  if (illuminant === DAYLIGHT.illuminant && observer === DAYLIGHT.observer) return lab;
  if (!(illuminant in ILLUMINANTS)) {
    throw new RangeError(`Lab for the light ${illuminant} cannot be adapted: D65, D50 and A are known.`);
  }
  const { white: from } = tristimulusWeights({ illuminant: illuminant as IlluminantId, observer });
  const { white: to } = tristimulusWeights(DAYLIGHT);
  return xyzToLab(adaptWhite(labToXyz(lab, from), from, to), to);
}
