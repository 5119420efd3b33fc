import { BAND_COUNT, bandWavelength } from '../colour/index.ts';

/** A measured spectrum on an even grid, wavelengths in nm. */
export interface EvenSpectrum {
  start: number;
  step: number;
  values: readonly number[];
}

/** Missing at either end of 400-700 nm at most, nm; more would be invention. */
const MOST_MISSING = 30;
/** Extra points before the first and after the last value (CIE 167:2005, table of coefficients over 209). */
const BEFORE_SECOND = [884, -1960, 3033, -2648, 1080, -180];
const BEFORE_FIRST = [508, -540, 488, -367, 144, -24];

/** Values of an evenly sampled spectrum in the canonical 31 bands. A grid that has those bands is taken as it is.
 *  Coarser or shifted ones are interpolated by Sprague's fifth-order polynomial, which CIE 167:2005 recommends
 *  for even steps: it runs through every point with matching slopes and curvatures and does not overshoot on
 *  spectra as smooth as paint. Finer ones are first averaged under a triangle of 10 nm half-width, the bandpass
 *  the bands stand for. Beyond the ends the nearest value is held (CIE 15:2004).
 *  Throws RangeError with fewer than six values, a step over 20 nm or more than 30 nm missing. */
export function toBands({ start, step, values }: EvenSpectrum): { spectrum: number[]; notes: string[] } {
  const notes: string[] = [];
  const end = start + step * (values.length - 1);
  if (!(step > 0) || !Number.isFinite(start))
    throw new RangeError('A spectrum needs a first wavelength and a step.');
  const bad = values.findIndex((value) => !Number.isFinite(value));
  if (bad >= 0) throw new RangeError(`The spectrum has no number at ${start + step * bad} nm.`);
  const first = bandWavelength(0);
  const last = bandWavelength(BAND_COUNT - 1);
  if (start > first + MOST_MISSING || end < last - MOST_MISSING) {
    throw new RangeError(
      `The spectrum runs from ${start} to ${end} nm; colour needs at least ${first + MOST_MISSING} to ${last - MOST_MISSING} nm.`,
    );
  }
  if (values.length < 6 || step > 20) {
    throw new RangeError(
      `The spectrum has ${values.length} values by ${step} nm; steps of up to 20 nm can be used.`,
    );
  }
  if (start > first || end < last)
    notes.push(`measured ${start}–${end} nm; the nearest value is held beyond`);
  const aligned = Number.isInteger((first - start) / step) && Number.isInteger(10 / step);
  if (step === 10 && aligned) {
    return {
      spectrum: Array.from({ length: BAND_COUNT }, (_, band) => {
        const at = Math.round((bandWavelength(band) - start) / step);
        return values[Math.min(values.length - 1, Math.max(0, at))]!;
      }),
      notes,
    };
  }
  if (step < 10) {
    notes.push(`steps of ${step} nm averaged to 10 nm`);
    return {
      spectrum: Array.from({ length: BAND_COUNT }, (_, band) =>
        triangle(start, step, values, bandWavelength(band)),
      ),
      notes,
    };
  }
  notes.push(`steps of ${step} nm from ${start} nm interpolated to 10 nm (Sprague)`);
  return {
    spectrum: Array.from({ length: BAND_COUNT }, (_, band) => {
      const nm = Math.min(end, Math.max(start, bandWavelength(band)));
      return sprague(values, (nm - start) / step);
    }),
    notes,
  };
}

function triangle(start: number, step: number, values: readonly number[], centre: number): number {
  let sum = 0;
  let weights = 0;
  values.forEach((value, index) => {
    const weight = Math.max(0, 1 - Math.abs(start + step * index - centre) / 10);
    sum += weight * value;
    weights += weight;
  });
  return weights > 0 ? sum / weights : values[centre < start ? 0 : values.length - 1]!;
}

/** Sprague's interpolation (1880) of evenly spaced values at a position counted in steps from the first. */
export function sprague(values: readonly number[], position: number): number {
  const n = values.length;
  const extra = (weights: readonly number[], pick: (index: number) => number) =>
    weights.reduce((sum, weight, index) => sum + weight * pick(index), 0) / 209;
  const front = (index: number) => values[index]!;
  const back = (index: number) => values[n - 1 - index]!;
  const padded = [
    extra(BEFORE_SECOND, front),
    extra(BEFORE_FIRST, front),
    ...values,
    extra(BEFORE_FIRST, back),
    extra(BEFORE_SECOND, back),
  ];
  const cell = Math.min(n - 2, Math.max(0, Math.floor(position)));
  const x = position - cell;
  const [a, b, c, d, e, f] = padded.slice(cell, cell + 6) as [number, number, number, number, number, number];
  const a1 = (2 * a - 16 * b + 16 * d - 2 * e) / 24;
  const a2 = (-a + 16 * b - 30 * c + 16 * d - e) / 24;
  const a3 = (-9 * a + 39 * b - 70 * c + 66 * d - 33 * e + 7 * f) / 24;
  const a4 = (13 * a - 64 * b + 126 * c - 124 * d + 61 * e - 12 * f) / 24;
  const a5 = (-5 * a + 25 * b - 50 * c + 50 * d - 25 * e + 5 * f) / 24;
  return c + x * (a1 + x * (a2 + x * (a3 + x * (a4 + x * a5))));
}

/** Whether reflectances are fractions or per cent, and what is odd about them. Above 1.5 on any sample they can only
 *  be per cent; a brightest value between 1 and 1.5 is either very dark per cent or a fluorescent surface and must
 *  be asked. */
export function reflectanceScale(spectra: readonly (readonly number[])[]): {
  scale: 'fraction' | 'percent' | 'unsure';
  negative: boolean;
  fluorescent: boolean;
} {
  let most = -Infinity;
  let least = Infinity;
  for (const spectrum of spectra) {
    for (const value of spectrum) {
      if (value > most) most = value;
      if (value < least) least = value;
    }
  }
  const scale = most > 1.5 ? 'percent' : most > 1 ? 'unsure' : 'fraction';
  return { scale, negative: least < 0, fluorescent: scale === 'percent' ? most > 100 : most > 1 };
}

/** Reflectance as a fraction, negatives raised to nought and what is above 1 held there; both are said. */
export function asFractions(
  spectra: readonly (readonly number[])[],
  scale: 'fraction' | 'percent',
): { spectra: number[][]; notes: string[] } {
  const factor = scale === 'percent' ? 0.01 : 1;
  const notes: string[] = [];
  if (scale === 'percent') notes.push('reflectance was in per cent');
  let below = 0;
  let above = 0;
  const fractions = spectra.map((spectrum) =>
    spectrum.map((value) => {
      // Dividing keeps values that were written as decimals exact where multiplying would not.
      const fraction = scale === 'percent' ? value / 100 : value;
      if (fraction < 0) below++;
      if (fraction > 1) above++;
      return Math.min(1, Math.max(0, fraction));
    }),
  );
  if (below > 0) notes.push(`${below} ${below === 1 ? 'value' : 'values'} below nought taken as nought`);
  if (above > 0) {
    notes.push(
      `${above} ${above === 1 ? 'value' : 'values'} above ${1 / factor}: a fluorescent surface or a false white; held at ${1 / factor}, since paint cannot give back more than it gets`,
    );
  }
  return { spectra: fractions, notes };
}
