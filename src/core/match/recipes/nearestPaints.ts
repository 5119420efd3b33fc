import {
  ciede2000,
  spectrumToLab,
  type Lab,
  type Spectrum,
  type ViewingCondition,
} from '../../colour/index.ts';
import { angleDifference, type AngleDifference } from './angleDifference.ts';

/** A colour as it is seen: by its spectrum, and at angles from the mirror direction where it has flake. */
export interface SeenColour {
  /** Measured reflectance, 31 bands; of a paint, laid thick. */
  spectrum: Spectrum;
  angles?: readonly { degrees: number; lab: Lab }[];
}

export interface NearestPaint {
  id: string;
  /** In the worst of the conditions. */
  dE00: number;
  /** Where target and paint are both known at angles. */
  angles: AngleDifference | undefined;
}

/** The paints nearest to a target, nearest first: by the worst of some conditions, or by the mean over the angles
 *  where the target is known at angles. The target is given by its spectrum, so that target and paint are seen
 *  under the same light. */
export function nearestPaints(
  paints: readonly ({ id: string } & SeenColour)[],
  target: SeenColour,
  conditions: readonly ViewingCondition[],
  count: number,
): NearestPaint[] {
  const wanted = conditions.map((condition) => spectrumToLab(target.spectrum, condition));
  return paints
    .map(({ id, spectrum, angles }) => ({
      id,
      dE00: Math.max(
        ...conditions.map((condition, at) => ciede2000(wanted[at]!, spectrumToLab(spectrum, condition))),
      ),
      angles: angles && target.angles ? angleDifference(angles, target.angles) : undefined,
    }))
    .sort((p, q) => (p.angles?.mean ?? p.dE00) - (q.angles?.mean ?? q.dE00))
    .slice(0, count);
}
