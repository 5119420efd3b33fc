import {
  ciede2000,
  describeDifference,
  spectrumToLab,
  type Lab,
  type Spectrum,
  type ViewingCondition,
} from '../colour/index.ts';

export interface NearestCandidate {
  id: string;
  /** Measured reflectance of the paint laid thick. */
  spectrum: Spectrum;
}

export interface NearestPaint {
  id: string;
  lab: Lab;
  dE00: number;
  /** How the paint differs, in words; '' where nothing shows. */
  words: string;
}

/** The paints nearest to a target in a light, nearest first. The target is given by its spectrum, so that
 *  target and paint are both seen under the same light. */
export function nearestPaints(
  paints: readonly NearestCandidate[],
  target: Spectrum,
  condition: ViewingCondition,
  count: number,
): NearestPaint[] {
  const wanted = spectrumToLab(target, condition);
  return paints
    .map(({ id, spectrum }) => {
      const lab = spectrumToLab(spectrum, condition);
      return { id, lab, dE00: ciede2000(wanted, lab), words: '' };
    })
    .sort((first, second) => first.dE00 - second.dE00)
    .slice(0, count)
    .map((paint) => ({ ...paint, words: describeDifference(paint.lab, wanted) }));
}
