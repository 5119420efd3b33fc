import type { Lab } from './lab.ts';

const RADIANS = Math.PI / 180;
const C25_TO_THE_7 = 25 ** 7;

/** CIEDE2000 colour difference with unit weights.
 *  Source: CIE 142-2001; worked as in Sharma, Wu and Dalal (2005), Color Research and Application 30(1). */
export function ciede2000(first: Lab, second: Lab): number {
  const meanChroma = (Math.hypot(first.a, first.b) + Math.hypot(second.a, second.b)) / 2;
  const stretch = 1.5 - 0.5 * Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + C25_TO_THE_7));
  const a1 = first.a * stretch;
  const a2 = second.a * stretch;
  const chroma1 = Math.hypot(a1, first.b);
  const chroma2 = Math.hypot(a2, second.b);
  const hue1 = hueDegrees(a1, first.b);
  const hue2 = hueDegrees(a2, second.b);
  const achromatic = chroma1 * chroma2 === 0;

  let hueStep = achromatic ? 0 : hue2 - hue1;
  if (hueStep > 180) hueStep -= 360;
  else if (hueStep < -180) hueStep += 360;
  let meanHue = hue1 + hue2;
  if (!achromatic) {
    if (Math.abs(hue1 - hue2) <= 180) meanHue /= 2;
    else meanHue = meanHue < 360 ? (meanHue + 360) / 2 : (meanHue - 360) / 2;
  }

  const meanL = (first.L + second.L) / 2;
  const meanC = (chroma1 + chroma2) / 2;
  const T =
    1 -
    0.17 * Math.cos((meanHue - 30) * RADIANS) +
    0.24 * Math.cos(2 * meanHue * RADIANS) +
    0.32 * Math.cos((3 * meanHue + 6) * RADIANS) -
    0.2 * Math.cos((4 * meanHue - 63) * RADIANS);
  const SL = 1 + (0.015 * (meanL - 50) ** 2) / Math.sqrt(20 + (meanL - 50) ** 2);
  const SC = 1 + 0.045 * meanC;
  const SH = 1 + 0.015 * meanC * T;
  const RT =
    -2 *
    Math.sqrt(meanC ** 7 / (meanC ** 7 + C25_TO_THE_7)) *
    Math.sin(60 * Math.exp(-(((meanHue - 275) / 25) ** 2)) * RADIANS);

  const lightness = (second.L - first.L) / SL;
  const chroma = (chroma2 - chroma1) / SC;
  const hue = (2 * Math.sqrt(chroma1 * chroma2) * Math.sin((hueStep / 2) * RADIANS)) / SH;
  return Math.sqrt(lightness ** 2 + chroma ** 2 + hue ** 2 + RT * chroma * hue);
}

function hueDegrees(a: number, b: number): number {
  if (a === 0 && b === 0) return 0;
  const degrees = Math.atan2(b, a) / RADIANS;
  return degrees < 0 ? degrees + 360 : degrees;
}
