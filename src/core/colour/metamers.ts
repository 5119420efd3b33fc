import { ciede2000 } from './ciede2000.ts';
import { labToXyz, spectrumToLab, xyzToLab, type Lab } from './lab.ts';
import { recoverSpectrum } from './recoverSpectrum.ts';
import { bandWavelength, BAND_COUNT, type Spectrum } from './spectrum.ts';
import { DAYLIGHT, spectrumToXyz, tristimulusWeights, type ViewingCondition } from './tristimulus.ts';

/** Broad bumps that bend a spectrum: one every 25 nm, each 30 nm wide (standard deviation). */
const KNOTS = Array.from({ length: 13 }, (_, index) => 400 + 25 * index);
const WIDTH_NM = 30;
/** Standard deviation of a bump's height in z, where R = (1 + tanh z) / 2: chosen so that nine in ten of the paints
 *  of the sample catalogue lie within the spread of what their Lab leaves open. */
const BEND = 0.16;
const ROUNDS = 8;

const BUMPS = KNOTS.map((knot) =>
  Array.from({ length: BAND_COUNT }, (_, band) =>
    Math.exp(-(((bandWavelength(band) - knot) / WIDTH_NM) ** 2) / 2),
  ),
);

/** Smooth reflectances between 0 and 1, 31 bands each, that all have one CIELAB under a light: the spectra that a
 *  surface could have of which only its Lab is known. Each is the recovered spectrum bent at random and brought back
 *  to its colour by the smallest further bend. Throws RangeError where no surface can have the colour. */
export function metamers(
  lab: Lab,
  random: () => number,
  count: number,
  condition: ViewingCondition = DAYLIGHT,
): number[][] {
  const base = recoverSpectrum(lab, condition).map((value) =>
    Math.atanh(2 * Math.min(1 - 1e-6, Math.max(1e-6, value)) - 1),
  );
  const { x, y, z, white } = tristimulusWeights(condition);
  const wanted = labToXyz(lab, white);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const made: number[][] = [];
  for (let attempt = 0; made.length < count && attempt < 4 * count; attempt++) {
    const heights = KNOTS.map(() => BEND * normal());
    let spectrum: number[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      const tanh = base.map((value, band) =>
        Math.tanh(heights.reduce((sum, height, knot) => sum + height * BUMPS[knot]![band]!, value)),
      );
      spectrum = tanh.map((value) => (1 + value) / 2);
      const got = spectrumToXyz(spectrum, condition);
      const error = [got.X - wanted.X, got.Y - wanted.Y, got.Z - wanted.Z] as const;
      const slopes = [x, y, z].map((weights) =>
        BUMPS.map((bump) =>
          bump.reduce((sum, value, band) => sum + (weights[band]! * value * (1 - tanh[band]! ** 2)) / 2, 0),
        ),
      );
      smallestBend(slopes, error).forEach((step, knot) => (heights[knot]! -= step));
    }
    const off = ciede2000(xyzToLab(spectrumToXyz(spectrum, condition), white), lab);
    if (off < 0.05) made.push(spectrum);
  }
  return made;
}

/** The shortest vector h with slopes h = error: J^T (J J^T)^-1 error, for three rows. */
function smallestBend(
  slopes: readonly (readonly number[])[],
  error: readonly [number, number, number],
): number[] {
  const product = (p: readonly number[], q: readonly number[]) =>
    p.reduce((sum, value, i) => sum + value * q[i]!, 0);
  const g = slopes.map((row) => slopes.map((other) => product(row, other)));
  const minor = (r: number, c: number) => {
    const [r1, r2] = [0, 1, 2].filter((i) => i !== r) as [number, number];
    const [c1, c2] = [0, 1, 2].filter((i) => i !== c) as [number, number];
    return g[r1]![c1]! * g[r2]![c2]! - g[r1]![c2]! * g[r2]![c1]!;
  };
  const determinant = g[0]![0]! * minor(0, 0) - g[0]![1]! * minor(0, 1) + g[0]![2]! * minor(0, 2);
  if (!(Math.abs(determinant) > 1e-30)) return slopes[0]!.map(() => 0);
  const weights = [0, 1, 2].map((row) =>
    [0, 1, 2].reduce(
      (sum, column) =>
        sum + (((row + column) % 2 === 0 ? 1 : -1) * minor(column, row) * error[column]!) / determinant,
      0,
    ),
  );
  return slopes[0]!.map((_, i) => weights.reduce((sum, weight, row) => sum + weight * slopes[row]![i]!, 0));
}

/** The spectra that a colour could have of which only the Lab under one light is known: the smoothest, and others. */
export interface PossibleSpectra {
  smooth: number[];
  others: number[][];
}

/** Throws RangeError where no surface can have the colour. */
export function possibleSpectra(
  lab: Lab,
  random: () => number,
  count = 80,
  known: ViewingCondition = DAYLIGHT,
): PossibleSpectra {
  return { smooth: recoverSpectrum(lab, known), others: metamers(lab, random, count, known) };
}

/** How far a sample may be from such a colour, seen in another light. */
export interface MetamericBand {
  /** dE00 with the smoothest spectrum, and between which nine in ten of the possible spectra lie. */
  dE00: number;
  low: number;
  high: number;
}

/** Difference of a sample, known by its spectrum, from a colour known by its Lab alone, as seen in a light. */
export function metamericBand(
  sample: Spectrum,
  { smooth, others }: PossibleSpectra,
  seen: ViewingCondition,
): MetamericBand {
  const got = spectrumToLab(sample, seen);
  const from = (spectrum: Spectrum) => ciede2000(spectrumToLab(spectrum, seen), got);
  const each = others.map(from).sort((a, b) => a - b);
  const dE00 = from(smooth);
  const at = (share: number) => each[Math.round(share * (each.length - 1))] ?? dE00;
  return { dE00, low: Math.min(dE00, at(0.05)), high: Math.max(dE00, at(0.95)) };
}
