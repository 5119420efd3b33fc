import type { BeltCloth, BeltMetal } from '../choices.ts';

/** Minutes for one belt, and what it costs in looks beside cloth ribbon and etched buckles; working values. */
export const BELT_CLOTH_FACTS: Readonly<Record<BeltCloth, { minutes: number; looks: string }>> = {
  ribbon: { minutes: 8, looks: 'woven and matt, as it should be' },
  tape: { minutes: 6, looks: 'flat; paint it matt, and it passes' },
  foil: { minutes: 7, looks: 'holds every fold, shines where paint is rubbed off' },
  film: { minutes: 5, looks: 'flat and without folds' },
};
export const BELT_METAL_FACTS: Readonly<Record<BeltMetal, { minutes: number; looks: string }>> = {
  etched: { minutes: 6, looks: 'true' },
  decal: { minutes: 2, looks: 'flat' },
  film: { minutes: 3, looks: 'bright and flat' },
  painted: { minutes: 4, looks: 'blurred at its edges' },
};

/** Ribbon as it is sold, mm wide; tape, foil and film are cut to their width. */
const RIBBON_MM = [1, 1.5, 2, 2.5, 3, 4, 5, 6];
/** Folded round each end of a piece, mm. */
const FOLD_MM = 2;

export interface BeltPiece {
  name: string;
  /** Over seat and shoulder as it lies, mm. */
  pathMm: number;
  /** Metal that it goes through: each is threaded before the next end is glued. */
  fittings: number;
}

export interface BeltPlan {
  /** True to scale, and what is taken, mm. */
  trueMm: number;
  widthMm: number;
  /** How far that is off, as a share; negative where it is narrower. */
  off: number;
  pieces: { name: string; cutMm: number; fittings: number }[];
  /** Of one belt, mm. */
  totalMm: number;
}

/** A belt from its real width and the ways of its pieces: how wide to take it, how long to cut each. Throws RangeError for a belt
 *  without pieces, and for sizes that are not above zero. */
export function planBelt(
  realMm: number,
  scale: number,
  cloth: BeltCloth,
  pieces: readonly BeltPiece[],
): BeltPlan {
  if (!(realMm > 0) || !(scale > 0))
    throw new RangeError(`A belt of ${realMm} mm at 1:${scale} is none: give more than 0.`);
  if (pieces.length === 0)
    throw new RangeError('It has no pieces yet: say how long each lies over seat and shoulder.');
  const bad = pieces.find(({ pathMm }) => !(pathMm > 0));
  if (bad) throw new RangeError(`${bad.name} has no length: measure its way with a thread.`);
  const trueMm = realMm / scale;
  const widthMm =
    cloth === 'ribbon'
      ? RIBBON_MM.reduce((best, each) =>
          Math.abs(Math.log(each / trueMm)) < Math.abs(Math.log(best / trueMm)) - 1e-12 ? each : best,
        )
      : Math.round(20 * trueMm) / 20;
  const cut = pieces.map(({ name, pathMm, fittings }) => ({
    name,
    fittings,
    // One fold at each end, and one round every fitting.
    cutMm: pathMm + FOLD_MM * (2 + fittings),
  }));
  return {
    trueMm,
    widthMm,
    off: widthMm / trueMm - 1,
    pieces: cut,
    totalMm: cut.reduce((sum, { cutMm }) => sum + cutMm, 0),
  };
}
