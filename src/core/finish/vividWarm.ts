import { chroma, hueAngle, type Lab } from '../colour/index.ts';

/** Bright red, orange and yellow: colours whose pigments hide poorly and want white or pink under them. */
export function vividWarm(lab: Lab): boolean {
  const hue = hueAngle(lab);
  return chroma(lab) > 45 && lab.L > 30 && hue > 10 && hue < 110;
}
