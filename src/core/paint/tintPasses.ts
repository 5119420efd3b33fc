import { ciede2000, DAYLIGHT, spectrumToLab, type Lab, type Spectrum } from '../colour/index.ts';
import { seenThrough, underFilm, type InnerLight } from './lightPath.ts';
import { GLOSSY, type Surface } from './surface.ts';

/** A base under some passes of a transparent colour. */
export interface TintStep {
  passes: number;
  spectrum: number[];
  lab: Lab;
}

/** Colour of a base after each pass of a transparent tint, from none to `passes`. Light of a mirror goes through the
 *  film and back, so every pass takes the same share (Beer and Lambert); light of a plain base is thrown about under
 *  the face and passes more often. k: absorption of the tint per um in 31 bands; film: dry film of one dusted pass,
 *  um. Throws RangeError for a film that is not above zero. */
export function tintPasses(
  base: InnerLight,
  k: Spectrum,
  film: number,
  passes: number,
  surface: Surface = GLOSSY,
): TintStep[] {
  if (!(film > 0)) throw new RangeError(`A pass of ${film} µm lays nothing; give a film above zero.`);
  const optics = { k, s: k.map(() => 0) };
  return Array.from({ length: passes + 1 }, (_, count) => {
    const spectrum = seenThrough(underFilm(base, { optics, thickness: film * count }), surface);
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
