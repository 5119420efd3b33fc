import { ciede2000, type Lab } from '../../colour/index.ts';

interface SeenAt {
  degrees: number;
  lab: Lab;
}

export interface AngleDifference {
  /** Mean dE00 over the angles, and the worst with its angle. */
  mean: number;
  worst: number;
  at: number;
}

/** Difference of two colours with flake over the angles that both were given at; undefined where none is shared. */
export function angleDifference(
  sample: readonly SeenAt[],
  target: readonly SeenAt[],
): AngleDifference | undefined {
  const shared = target.flatMap(({ degrees, lab }) => {
    const same = sample.find((other) => other.degrees === degrees);
    return same ? [{ degrees, dE00: ciede2000(lab, same.lab) }] : [];
  });
  if (shared.length === 0) return undefined;
  const worst = shared.reduce((most, one) => (one.dE00 > most.dE00 ? one : most));
  return {
    mean: shared.reduce((sum, { dE00 }) => sum + dE00, 0) / shared.length,
    worst: worst.dE00,
    at: worst.degrees,
  };
}
