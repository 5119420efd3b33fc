import { ciede2000 } from './ciede2000.ts';
import { labToXyz, spectrumToLab, xyzToLab, type Lab } from './lab.ts';
import { lengthAt90 } from './lengthOfError.ts';
import { offsetUnits } from './offsetUnits.ts';
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
/** Height of a bump by which slopes are taken. */
const STEP = 1e-3;

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
  const g = slopes.map((row) => slopes.map((other) => dot(row, other)));
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

/** How far the colour in another light may be from that of the smooth spectrum, where only the Lab under one is known:
 *  dE00 at 90 %. The same bends as in `metamers`, carried along their tangent, less what the known colour forbids:
 *  quick enough for long lists. */
export function metamericDoubt(smooth: Spectrum, known: ViewingCondition, seen: ViewingCondition): number {
  const base = smooth.map((value) => Math.atanh(2 * Math.min(1 - 1e-6, Math.max(1e-6, value)) - 1));
  const [here, there] = [known, seen].map((condition) => {
    const face = spectrumToLab(smooth, condition);
    const columns = BUMPS.map((bump) =>
      offsetUnits(
        face,
        spectrumToLab(
          base.map((value, band) => (1 + Math.tanh(value + STEP * bump[band]!)) / 2),
          condition,
        ),
      ).map((value) => (BEND * value) / STEP),
    );
    return [0, 1, 2].map((row) => columns.map((column) => column[row]!));
  });
  const free = there!.map((row) => {
    const held = here!.map((other) => dot(other, row)) as [number, number, number];
    const forbidden = smallestBend(here!, held);
    return row.map((value, at) => value - forbidden[at]!);
  });
  return lengthAt90(free.map((row) => free.map((other) => dot(row, other))));
}

function dot(p: readonly number[], q: readonly number[]): number {
  return p.reduce((sum, value, i) => sum + value * q[i]!, 0);
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
