import { ciede2000, DAYLIGHT, spectrumToLab, type Lab, type Spectrum } from '../colour/index.ts';

/** A base under some passes of a transparent colour. */
export interface TintStep {
  passes: number;
  spectrum: number[];
  lab: Lab;
}

/** Colour of a base after each pass of a transparent tint, from none to `passes`: the light goes through the film,
 *  is thrown back by the base and goes through again, so every pass takes the same share (Beer and Lambert).
 *  k: absorption of the tint per um in 31 bands; film: dry film of one dusted pass, um. Throws RangeError for a
 *  film that is not above zero. */
export function tintPasses(base: Spectrum, k: Spectrum, film: number, passes: number): TintStep[] {
  if (!(film > 0)) throw new RangeError(`A pass of ${film} um lays nothing; give a film above zero.`);
  return Array.from({ length: passes + 1 }, (_, count) => {
    const spectrum = base.map((value, band) => value * Math.exp(-2 * k[band]! * film * count));
    return { passes: count, spectrum, lab: spectrumToLab(spectrum, DAYLIGHT) };
  });
}

/** The pass at which a tint comes nearest to a colour, and how near, dE00. */
export function nearestPass(steps: readonly TintStep[], wanted: Lab): { passes: number; dE00: number } {
  let best = { passes: 0, dE00: Infinity };
  for (const { passes, lab } of steps) {
    const dE00 = ciede2000(wanted, lab);
    if (dE00 < best.dE00) best = { passes, dE00 };
  }
  return best;
}
