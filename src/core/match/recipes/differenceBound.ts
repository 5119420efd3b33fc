import type { Lab } from '../../colour/index.ts';

/** An axis-aligned box of CIELAB colours. */
export interface LabBox {
  minL: number;
  maxL: number;
  minA: number;
  maxA: number;
  minB: number;
  maxB: number;
}

const C25_TO_THE_7 = 25 ** 7;
const RADIANS = Math.PI / 180;
/** Steepest slope of the hue term T, per radian: the sum of its amplitudes times their frequencies. */
const T_SLOPE = 0.17 + 2 * 0.24 + 3 * 0.32 + 4 * 0.2;
/** Mean hue at which the rotation term peaks. */
const ROTATION_PEAK = 275 * RADIANS;
const MOST_ROTATION = Math.sin(60 * RADIANS);
const T_LIMIT = 1 + 0.17 + 0.24 + 0.32 + 0.2;
const T_LEAST = 1 - 0.17 - 0.24 - 0.32 - 0.2;

function hueTerm(hue: number): number {
  return (
    1 -
    0.17 * Math.cos(hue - 30 * RADIANS) +
    0.24 * Math.cos(2 * hue) +
    0.32 * Math.cos(3 * hue + 6 * RADIANS) -
    0.2 * Math.cos(4 * hue - 63 * RADIANS)
  );
}

function chromaShare(chroma: number): number {
  const squared = chroma * chroma;
  const seventh = squared * squared * squared * chroma;
  return Math.sqrt(seventh / (seventh + C25_TO_THE_7));
}

const stretched = (stretch: number, a: number, b: number) => Math.sqrt(stretch * a * (stretch * a) + b * b);
const nearestToZero = (min: number, max: number) => (min > 0 ? min : max < 0 ? -max : 0);
const farthestFromZero = (min: number, max: number) => Math.max(Math.abs(min), Math.abs(max));

/** A function that gives, for any box of colours, a value that CIEDE2000 from the target to no colour in the
 *  box falls below.
 *
 *  Reasoning: the stretched chroma-plane distance D is at least the plain one times the least stretch; it
 *  splits into a chroma and a hue part (dC'^2 + dH'^2 = D^2), of which the chroma part is weighed less, so
 *  the least sum gives chroma as much of D as the box allows; every divisor is taken at its largest over the
 *  box. The rotation term RT c h, RT <= 0, lowers the sum only where c and h have one sign; there it is taken at
 *  its most helpful, c^2 + h^2 + RT c h >= (1 - |RT| / 2)(c^2 + h^2), or at the most that the box's ranges of c
 *  and h allow, whichever leaves more; where they have opposite signs it adds the least that the ranges allow. The lightness
 *  term grows with |dL| although its divisor grows too (slope of SL below 0.009 per unit, |dL|
 *  at most 100), so the nearer face decides it. */
export function differenceBound(target: Lab): (box: LabBox) => number {
  const chroma1 = Math.hypot(target.a, target.b);
  const lightnessDivisor = (L: number) => {
    const offset = ((L + target.L) / 2 - 50) ** 2;
    return 1 + (0.015 * offset) / Math.sqrt(20 + offset);
  };

  return (box) => {
    const { minL, maxL, minA, maxA, minB, maxB } = box;
    const nearL = Math.min(maxL, Math.max(minL, target.L));
    const lightness = (nearL - target.L) / lightnessDivisor(nearL);

    const nearA = nearestToZero(minA, maxA);
    const nearB = nearestToZero(minB, maxB);
    const farA = farthestFromZero(minA, maxA);
    const farB = farthestFromZero(minB, maxB);
    const leastStretch = 1.5 - 0.5 * chromaShare((chroma1 + Math.sqrt(farA * farA + farB * farB)) / 2);
    const mostStretch = 1.5 - 0.5 * chromaShare((chroma1 + Math.sqrt(nearA * nearA + nearB * nearB)) / 2);

    const gapA = leastStretch * nearestToZero(minA - target.a, maxA - target.a);
    const gapB = nearestToZero(minB - target.b, maxB - target.b);
    const plane2 = gapA * gapA + gapB * gapB;
    if (plane2 === 0) return Math.abs(lightness);

    const leastC2 = stretched(leastStretch, nearA, nearB);
    const mostC2 = stretched(mostStretch, farA, farB);
    const leastC1 = stretched(leastStretch, target.a, target.b);
    const mostC1 = stretched(mostStretch, target.a, target.b);
    const meanChroma = (mostC1 + mostC2) / 2;
    const chromaDrop = mostC1 - leastC2;
    const chromaRise = mostC2 - leastC1;
    const leastStep = Math.max(leastC2 - mostC1, leastC1 - mostC2, 0);
    const mostStep = Math.max(chromaRise, chromaDrop, 0);
    const chroma2 = Math.min(mostStep * mostStep, plane2);

    hueInfluence(target, box, leastStretch, mostStretch);
    const { largestT, leastT, rotation, leastRotation, turn, leastTurn, mostTurn } = influence;
    const SC = 1 + 0.045 * meanChroma;
    const SH = 1 + 0.015 * meanChroma * largestT;
    const spread = 2 * chromaShare(meanChroma) * rotation;
    let plane = chroma2 / (SC * SC) + (plane2 - chroma2) / (SH * SH);
    const leastMean = (leastC1 + leastC2) / 2;
    const farGapA = mostStretch * farthestFromZero(minA - target.a, maxA - target.a);
    const farGapB = farthestFromZero(minB - target.b, maxB - target.b);
    const farPlane2 = farGapA * farGapA + farGapB * farGapB;
    // The hue part, from what chroma leaves of the distance and from the angle between the hues.
    const leastHue = Math.max(
      Math.sqrt(Math.max(0, plane2 * (1 - 1e-10) - mostStep * mostStep)),
      2 * Math.sqrt(leastC1 * leastC2) * Math.sin(leastTurn / 2) * (1 - 1e-10),
    );
    const mostHue = Math.min(
      Math.sqrt(Math.max(0, farPlane2 * (1 + 1e-10) - leastStep * leastStep)),
      2 * Math.sqrt(mostC1 * mostC2) * Math.sin(mostTurn / 2) * (1 + 1e-10),
    );
    const c = leastStep / SC;
    const h = leastHue / SH;
    // The rotation term raises the sum where chroma and hue step opposite ways.
    if ((turn > 0 && chromaRise <= 0) || (turn < 0 && chromaDrop <= 0)) {
      const leastSpread = 2 * chromaShare(leastMean) * leastRotation;
      plane = Math.max(plane, c * c + h * h) + leastSpread * c * h;
    } else {
      const farC = mostStep / (1 + 0.045 * leastMean);
      const farH = mostHue / (1 + 0.015 * leastMean * leastT);
      // A convex form is least on one of the two sides of the ranges that face the origin.
      const alongH = Math.min(farH, Math.max(h, (spread / 2) * c));
      const alongC = Math.min(farC, Math.max(c, (spread / 2) * h));
      plane = Math.max(
        (1 - spread / 2) * plane,
        Math.min(
          c * c + alongH * alongH - spread * c * alongH,
          h * h + alongC * alongC - spread * h * alongC,
        ),
      );
    }
    return Math.sqrt(lightness * lightness + plane);
  };
}

/** What the mean hues that a box can give with the target do at most; filled by `hueInfluence`. */
const influence = {
  largestT: T_LIMIT,
  leastT: T_LEAST,
  /** Largest and least sine of the rotation term. */
  rotation: MOST_ROTATION,
  leastRotation: 0,
  /** Sign of the hue step from the target: 1, -1, or 0 where the box has both. */
  turn: 0,
  /** Least and largest size of that step, radians. */
  leastTurn: 0,
  mostTurn: Math.PI,
};

/** Largest T and largest sine of the rotation term over the mean hues that a box can give with the target.
 *  A stretch of the a axis off by a factor r turns a hue by at most (r - 1) / 2. */
function hueInfluence(target: Lab, box: LabBox, leastStretch: number, mostStretch: number): void {
  const { minA, maxA, minB, maxB } = box;
  influence.largestT = T_LEAST;
  influence.leastT = T_LIMIT;
  influence.rotation = 0;
  influence.leastRotation = MOST_ROTATION;
  influence.turn = 0;
  influence.leastTurn = 0;
  influence.mostTurn = Math.PI;
  if (target.a === 0 && target.b === 0) {
    widen(0, Math.PI);
    return;
  }
  // Mean hue = the middle of the shorter arc, so half of each signed step from the target's hue.
  const stretch = Math.sqrt(leastStretch * mostStretch);
  const drift = (mostStretch / stretch - 1) / 2;
  const hue1 = Math.atan2(target.b, stretch * target.a);
  if (minA <= 0 && maxA >= 0 && minB <= 0 && maxB >= 0) {
    widen(hue1, Math.PI / 2);
    return;
  }
  const first = shorterArc(Math.atan2(minB, stretch * minA) - hue1);
  const second = shorterArc(Math.atan2(minB, stretch * maxA) - hue1);
  const third = shorterArc(Math.atan2(maxB, stretch * minA) - hue1);
  const fourth = shorterArc(Math.atan2(maxB, stretch * maxA) - hue1);
  const low = Math.min(first, second, third, fourth);
  const high = Math.max(first, second, third, fourth);
  if (high - low < Math.PI && Math.max(high, -low) + 2 * drift < Math.PI - 1e-9) {
    if (low > 2 * drift) influence.turn = 1;
    else if (high < -2 * drift) influence.turn = -1;
    influence.leastTurn = Math.max(0, low - 2 * drift, -high - 2 * drift);
    influence.mostTurn = Math.max(high, -low) + 2 * drift;
    widen(hue1 + (low + high) / 4, (high - low) / 4 + drift);
    return;
  }
  // A box seen across the cut opposite the target's hue could have its mean on either side of the circle.
  const turned = [first, second, third, fourth].map((step) => (step < 0 ? step + 2 * Math.PI : step));
  const lowest = Math.min(...turned);
  const highest = Math.max(...turned);
  const reach = (highest - lowest) / 4 + drift;
  influence.leastTurn = Math.max(0, Math.min(lowest, 2 * Math.PI - highest) - 2 * drift);
  widen(hue1 + (lowest + highest) / 4, reach);
  widen(hue1 + (lowest + highest) / 4 + Math.PI, reach);
}

/** Lets the influence cover the mean hues within `reach` of a hue. */
function widen(hue: number, reach: number): void {
  influence.largestT = Math.max(influence.largestT, Math.min(T_LIMIT, hueTerm(hue) + T_SLOPE * reach));
  influence.leastT = Math.min(influence.leastT, Math.max(T_LEAST, hueTerm(hue) - T_SLOPE * reach));
  const turns = Math.round((hue - ROTATION_PEAK) / (2 * Math.PI));
  const fromPeak = Math.abs(hue - ROTATION_PEAK - 2 * Math.PI * turns);
  influence.rotation = Math.max(influence.rotation, rotationSine(Math.max(0, fromPeak - reach)));
  // The formula measures the distance to the peak without going round the circle; up to here that is the same.
  const least = fromPeak + reach < 85 * RADIANS ? rotationSine(fromPeak + reach) : 0;
  influence.leastRotation = Math.min(influence.leastRotation, least);
}

/** Sine of the rotation angle at a mean hue so many radians from the peak. */
function rotationSine(fromPeak: number): number {
  const share = fromPeak / (25 * RADIANS);
  return Math.sin(60 * RADIANS * Math.exp(-share * share));
}

function shorterArc(step: number): number {
  if (step > Math.PI) return step - 2 * Math.PI;
  return step < -Math.PI ? step + 2 * Math.PI : step;
}
