/** The canonical spectrum of Fanfare: 31 bands, 400-700 nm by 10 nm, reflectance as a fraction 0..1. */

export const BAND_COUNT = 31;
export const FIRST_BAND_NM = 400;
export const BAND_STEP_NM = 10;

/** Thirty-one values, one for each band from 400 to 700 nm. */
export type Spectrum = readonly number[];

/** Centre of a band in nanometres; index 0..30. */
export function bandWavelength(index: number): number {
  return FIRST_BAND_NM + BAND_STEP_NM * index;
}

/** Builds a spectrum by evaluating a function of wavelength (nm) at every band. */
export function spectrumFrom(value: (wavelengthNm: number) => number): number[] {
  return Array.from({ length: BAND_COUNT }, (_, index) => value(bandWavelength(index)));
}

/** Throws a RangeError unless the values are 31 finite numbers; returns them typed as a spectrum. */
export function requireSpectrum(values: readonly number[], what = 'spectrum'): Spectrum {
  if (values.length !== BAND_COUNT) {
    throw new RangeError(
      `A ${what} needs ${BAND_COUNT} values (400-700 nm by 10); this one has ${values.length}.`,
    );
  }
  const bad = values.findIndex((value) => !Number.isFinite(value));
  if (bad >= 0) {
    throw new RangeError(`The ${what} has no number at ${bandWavelength(bad)} nm.`);
  }
  return values;
}
