export interface ChainDrive {
  /** mm on the model, from pin to pin. */
  pitchMm: number;
  teeth: readonly [number, number];
  /** Between the two axles, mm. */
  centresMm: number;
}

export interface ChainLength {
  /** Even, so that inner and outer links alternate; one of them is the joining link. */
  links: number;
  /** What goes round both sprockets with no slack, in links. */
  exactLinks: number;
  lengthMm: number;
  /** How far the slack run hangs in its middle, mm. */
  sagMm: number;
  /** Between the axles so that it would lie tight, mm. */
  tightCentresMm: number;
}

/** Length of an open belt round two circles, and half the angle by which it leaves the line of centres. */
function beltLength(radii: readonly [number, number], centres: number): number {
  const [small, large] = [Math.min(...radii), Math.max(...radii)];
  const lean = Math.asin((large - small) / centres);
  return 2 * centres * Math.cos(lean) + Math.PI * (small + large) + 2 * lean * (large - small);
}

/** A span longer than the straight line between its ends by so much hangs so far (parabola): excess = 8 sag^2 / 3 span. */
const sagOf = (span: number, excess: number) => Math.sqrt((3 * span * Math.max(0, excess)) / 8);

/** Links of a chain for two sprockets and the distance of their axles, rounded up to an even number, and how it hangs. Pitch
 *  lines are circles as long as their teeth. Throws RangeError for what cannot run. */
export function chainFor({ pitchMm, teeth, centresMm }: ChainDrive): ChainLength {
  if (!(pitchMm > 0)) throw new RangeError(`A pitch of ${pitchMm} mm is none: give more than 0.`);
  for (const count of teeth)
    if (!Number.isInteger(count) || count < 6 || count > 200)
      throw new RangeError(`A sprocket has 6 to 200 teeth, not ${count}.`);
  const radii = teeth.map((count) => (count * pitchMm) / (2 * Math.PI)) as [number, number];
  if (!(centresMm > radii[0] + radii[1]))
    throw new RangeError(
      `At ${centresMm} mm the sprockets touch: their axles stand more than ${(radii[0] + radii[1]).toFixed(1)} mm apart.`,
    );
  const tight = beltLength(radii, centresMm);
  const exactLinks = tight / pitchMm;
  const links = 2 * Math.ceil(exactLinks / 2 - 1e-9);
  const lengthMm = links * pitchMm;
  const span = Math.sqrt(centresMm * centresMm - (radii[0] - radii[1]) ** 2);
  return {
    links,
    exactLinks,
    lengthMm,
    sagMm: sagOf(span, lengthMm - tight),
    tightCentresMm: centresFor(radii, lengthMm, centresMm),
  };
}

/** Centres at which a belt of a length lies tight: it grows with them, so halving finds them. */
function centresFor(radii: readonly [number, number], length: number, from: number): number {
  let [low, high] = [from, from + length];
  for (let step = 0; step < 80; step++) {
    const middle = (low + high) / 2;
    if (beltLength(radii, middle) < length) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
