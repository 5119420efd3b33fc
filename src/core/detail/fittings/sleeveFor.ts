/** Shrink tube as it is sold: bore before it is heated, mm, and by how much it shrinks. */
const BORES_MM = [0.8, 1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10];
const RATIO = 2;
/** It must slide on, mm. */
const SLIDES_MM = 0.1;

export interface Sleeve {
  /** Bore to buy, mm. */
  boreMm: number;
  /** Bore that it comes down to where nothing is in it, mm. */
  shrunkMm: number;
  /** It grips what is in it. */
  grips: boolean;
}

/** The shrink tube for a wire or hose, mm: the narrowest that slides on. Undefined where none is wide enough. Throws RangeError
 *  for a diameter that is not above zero. */
export function sleeveFor(mm: number): Sleeve | undefined {
  if (!(mm > 0)) throw new RangeError(`${mm} mm is no diameter: give more than 0.`);
  const boreMm = BORES_MM.find((bore) => bore >= mm + SLIDES_MM - 1e-9);
  if (boreMm === undefined) return undefined;
  const shrunkMm = boreMm / RATIO;
  return { boreMm, shrunkMm, grips: shrunkMm < mm };
}
