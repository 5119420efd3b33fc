export interface FinQuestion {
  /** Of the core, across its fins, mm. */
  heightMm: number;
  /** From fin to fin as it is moulded, and on the real one, mm. */
  pitchMm: number;
  realPitchMm: number;
  scale: number;
}

/** How many fins a moulded core has, and how many it should: fins are always too coarse. Throws RangeError for sizes that are
 *  not above zero, and for fins wider than the core. */
export function finsOf({ heightMm, pitchMm, realPitchMm, scale }: FinQuestion): {
  fins: number;
  realFins: number;
  timesTooCoarse: number;
} {
  for (const value of [heightMm, pitchMm, realPitchMm, scale])
    if (!(value > 0)) throw new RangeError(`${value} is no size: give more than 0.`);
  if (pitchMm > heightMm)
    throw new RangeError(`Fins ${pitchMm} mm apart do not fit a core of ${heightMm} mm.`);
  const trueMm = realPitchMm / scale;
  return {
    fins: Math.floor(heightMm / pitchMm),
    realFins: Math.floor(heightMm / trueMm),
    timesTooCoarse: pitchMm / trueMm,
  };
}
