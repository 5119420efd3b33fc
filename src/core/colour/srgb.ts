import { adaptWhite } from './adaptation.ts';
import { mapToGamut } from './gamut.ts';
import { labToXyz, xyzToLab, type Lab } from './lab.ts';
import type { Spectrum } from './spectrum.ts';
import {
  DAYLIGHT,
  spectrumToXyz,
  tristimulusWeights,
  type ViewingCondition,
  type Xyz,
} from './tristimulus.ts';

const XYZ_TO_LINEAR = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
] as const;

const LINEAR_TO_XYZ = [
  [0.4124564, 0.3575761, 0.1804375],
  [0.2126729, 0.7151522, 0.072175],
  [0.0193339, 0.119192, 0.9503041],
] as const;

/** The white of the screen: XYZ of full red, green and blue. */
const SRGB_WHITE: Xyz = rowSums(LINEAR_TO_XYZ);

function rowSums(matrix: readonly (readonly number[])[]): Xyz {
  const [X, Y, Z] = matrix.map((row) => row.reduce((sum, value) => sum + value, 0));
  return { X: X!, Y: Y!, Z: Z! };
}

export interface DisplayColour {
  /** Six-digit hex with a leading hash. */
  hex: string;
  /** False where the screen cannot show the colour and one of its lightness and hue stands in, less vivid. */
  inGamut: boolean;
}

function encode(linear: number): number {
  return linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
}

/** Linear light of an sRGB value, both 0..1. Source: IEC 61966-2-1. */
export function srgbToLinear(encoded: number): number {
  return encoded <= 0.04045 ? encoded / 12.92 : ((encoded + 0.055) / 1.055) ** 2.4;
}

function dot(row: readonly number[], { X, Y, Z }: Xyz): number {
  return row[0]! * X + row[1]! * Y + row[2]! * Z;
}

function displayXyz(xyz: Xyz, white: Xyz): DisplayColour {
  const adapted = adaptWhite(xyz, white, SRGB_WHITE);
  const linear = XYZ_TO_LINEAR.map((row) => dot(row, adapted)) as [number, number, number];
  const inGamut = linear.every((value) => value >= -0.002 && value <= 1.002);
  const shown = inGamut ? linear : mapToGamut(linear);
  const hex = shown
    .map((value) => Math.round(255 * encode(Math.min(1, Math.max(0, value)))))
    .map((value) => value.toString(16).padStart(2, '0'))
    .join('');
  return { hex: `#${hex}`, inGamut };
}

/** What a screen shows for a surface in a light: XYZ in that light, adapted to the screen's D65 white,
 *  since the eye adapts to the light of the room. Source: IEC 61966-2-1. */
export function spectrumToDisplay(
  reflectance: Spectrum,
  condition: ViewingCondition = DAYLIGHT,
): DisplayColour {
  return displayXyz(spectrumToXyz(reflectance, condition), tristimulusWeights(condition).white);
}

/** What a screen shows for a Lab colour known under a light. */
export function labToDisplay(lab: Lab, condition: ViewingCondition = DAYLIGHT): DisplayColour {
  const { white } = tristimulusWeights(condition);
  return displayXyz(labToXyz(lab, white), white);
}

/** Reads #rgb or #rrggbb (the hash may be missing) as red, green and blue 0..255.
 *  Throws RangeError, naming what is wrong, for anything else. */
export function parseHex(text: string): [number, number, number] {
  const digits = text.trim().replace(/^#/, '');
  if (/[^0-9a-f]/i.test(digits)) {
    throw new RangeError(`"${text}" is not a hex colour: use only 0-9 and a-f, like #2a7f86.`);
  }
  if (digits.length !== 3 && digits.length !== 6) {
    throw new RangeError(`"${text}" has ${digits.length} hex digits; a colour needs 6 (or 3), like #2a7f86.`);
  }
  const full = digits.length === 3 ? digits.replace(/./g, '$&$&') : digits;
  return [0, 2, 4].map((at) => parseInt(full.slice(at, at + 2), 16)) as [number, number, number];
}

/** CIELAB (D65, 2 degree) of linear red, green and blue of the sRGB primaries, 1 for white; L is held to 0..100. */
export function linearToLab([red, green, blue]: readonly [number, number, number]): Lab {
  const linear: Xyz = { X: red, Y: green, Z: blue };
  const xyz = {
    X: dot(LINEAR_TO_XYZ[0], linear),
    Y: dot(LINEAR_TO_XYZ[1], linear),
    Z: dot(LINEAR_TO_XYZ[2], linear),
  };
  const { white } = tristimulusWeights(DAYLIGHT);
  const lab = xyzToLab(adaptWhite(xyz, SRGB_WHITE, white), white);
  return { ...lab, L: Math.min(100, Math.max(0, lab.L)) };
}

/** CIELAB (D65, 2 degree) of an sRGB hex colour. Throws RangeError for a malformed hex. */
export function hexToLab(text: string): Lab {
  const [red, green, blue] = parseHex(text).map((value) => srgbToLinear(value / 255));
  return linearToLab([red!, green!, blue!]);
}
