export interface SpringQuestion {
  coils: number;
  /** Over the wire, mm. */
  outsideMm: number;
  wireMm: number;
  /** From end to end as it sits on the part, mm. */
  lengthMm: number;
}

export interface WoundSpring {
  /** From coil to coil, mm. */
  pitchMm: number;
  /** What it is wound on, mm: thinner than its inside, since wire springs back. */
  windOnMm: number;
  /** Of wire for one, mm, with a closed coil at each end. */
  wireLengthMm: number;
}

/** Soft wire springs back by so much of its inside. */
const SPRINGS_BACK = 0.05;

/** A spring wound from wire: on what, how far apart, and how much wire it takes. Throws RangeError for coils that do not fit
 *  between its ends, and for wire too thick for it. */
export function windSpring({ coils, outsideMm, wireMm, lengthMm }: SpringQuestion): WoundSpring {
  if (!(coils >= 1) || !Number.isInteger(coils))
    throw new RangeError(`${coils} coils are none: give a whole number, 1 or more.`);
  for (const [value, what] of [
    [outsideMm, 'outside'],
    [wireMm, 'wire'],
    [lengthMm, 'length'],
  ] as const)
    if (!(value > 0)) throw new RangeError(`Its ${what} of ${value} mm is none: give more than 0.`);
  if (3 * wireMm > outsideMm)
    throw new RangeError(
      `Wire of ${wireMm} mm cannot be wound to ${outsideMm} mm: take ${(outsideMm / 3).toFixed(2)} mm or thinner.`,
    );
  if (coils * wireMm > lengthMm)
    throw new RangeError(
      `${coils} coils of ${wireMm} mm lie on each other in ${lengthMm} mm: at most ${Math.floor(lengthMm / wireMm)} fit.`,
    );
  const pitchMm = lengthMm / coils;
  const round = Math.PI * (outsideMm - wireMm);
  return {
    pitchMm,
    windOnMm: (outsideMm - 2 * wireMm) * (1 - SPRINGS_BACK),
    wireLengthMm: coils * Math.hypot(round, pitchMm) + 2 * round,
  };
}
