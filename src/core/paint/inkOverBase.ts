import { requireSpectrum, type Spectrum } from '../colour/index.ts';

/** Reflectance of white decal paper or film that ink colours are given on. */
export const PAPER_WHITE = 0.88;

/** What a transparent ink lets through in a double pass, from how it looks printed on white: each band is held
 *  to what the ink can let through, which is all at most. */
export function inkTransmittance(onWhite: Spectrum, paper = PAPER_WHITE): number[] {
  requireSpectrum(onWhite, 'ink on white');
  return onWhite.map((value) => Math.min(1, value / paper));
}

/** How a transparent ink looks over a base, 31 bands: the light of the base passes the ink twice. Inks of home
 *  printers hardly scatter, so the double pass is Beer and Lambert's. */
export function inkOver(onWhite: Spectrum, base: Spectrum, paper = PAPER_WHITE): number[] {
  const through = inkTransmittance(onWhite, paper);
  return base.map((value, band) => value * through[band]!);
}

/** How an ink would have to look on white to look as wanted over a base. An ink cannot give light back, so where
 *  the base reflects less than is wanted the ink stays clear. */
export function inkFor(wanted: Spectrum, base: Spectrum, paper = PAPER_WHITE): number[] {
  return wanted.map((value, band) => paper * Math.min(1, value / Math.max(base[band]!, 1e-4)));
}
