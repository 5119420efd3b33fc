import type { Lab } from '../colour/index.ts';

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
const T_LIMIT = 1 + 0.17 + 0.24 + 0.32 + 0.2;

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
  const seventh = chroma ** 7;
  return Math.sqrt(seventh / (seventh + C25_TO_THE_7));
}

const nearestToZero = (min: number, max: number) => (min > 0 ? min : max < 0 ? -max : 0);
const farthestFromZero = (min: number, max: number) => Math.max(Math.abs(min), Math.abs(max));

/** A function that gives, for any box of colours, a value that CIEDE2000 from the target to no colour in the
 *  box falls below.
 *
 *  Reasoning: the stretched chroma-plane distance D is at least the plain one times the least stretch; it
 *  splits into a chroma and a hue part (dC'^2 + dH'^2 = D^2), of which the chroma part is weighed less, so
 *  the least sum gives chroma as much of D as the box allows; every divisor is taken at its largest over the
 *  box, and the rotation term at its most helpful (c^2 + h^2 + RT c h >= (1 - |RT| / 2)(c^2 + h^2)). The
 *  lightness term grows with |dL| although its divisor grows too (slope of SL below 0.009 per unit, |dL|
 *  at most 100), so the nearer face decides it. */
export function differenceBound(target: Lab): (box: LabBox) => number {
  const chroma1 = Math.hypot(target.a, target.b);
  const lightnessDivisor = (L: number) => {
    const offset = ((L + target.L) / 2 - 50) ** 2;
    return 1 + (0.015 * offset) / Math.sqrt(20 + offset);
  };

  return ({ minL, maxL, minA, maxA, minB, maxB }) => {
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

    const stretched = (stretch: number, a: number, b: number) => Math.sqrt((stretch * a) ** 2 + b * b);
    const leastC2 = stretched(leastStretch, nearA, nearB);
    const mostC2 = stretched(mostStretch, farA, farB);
    const leastC1 = stretched(leastStretch, target.a, target.b);
    const mostC1 = stretched(mostStretch, target.a, target.b);
    const meanChroma = (mostC1 + mostC2) / 2;
    const chromaGap = Math.max(mostC2 - leastC1, mostC1 - leastC2, 0);
    const chroma2 = Math.min(chromaGap * chromaGap, plane2);

    const { largestT, rotation } = hueInfluence(
      target,
      { minA, maxA, minB, maxB },
      leastStretch,
      mostStretch,
    );
    const SC = 1 + 0.045 * meanChroma;
    const SH = 1 + 0.015 * meanChroma * largestT;
    const spread = 2 * chromaShare(meanChroma) * rotation;
    const plane = chroma2 / (SC * SC) + (plane2 - chroma2) / (SH * SH);
    return Math.sqrt(lightness * lightness + (1 - spread / 2) * plane);
  };
}

/** Largest T and largest sine of the rotation term over the mean hues that a box can give with the target. */
function hueInfluence(
  target: Lab,
  { minA, maxA, minB, maxB }: Omit<LabBox, 'minL' | 'maxL'>,
  leastStretch: number,
  mostStretch: number,
): { largestT: number; rotation: number } {
  const aroundOrigin = minA <= 0 && maxA >= 0 && minB <= 0 && maxB >= 0;
  if (aroundOrigin || (target.a === 0 && target.b === 0)) {
    return { largestT: T_LIMIT, rotation: Math.sin(60 * RADIANS) };
  }
  // Mean hue = the middle of the shorter arc, so half of each signed step from the target's hue.
  const hue1 = Math.atan2(target.b, mostStretch * target.a);
  let low = Infinity;
  let high = -Infinity;
  for (const a of [minA, maxA]) {
    for (const b of [minB, maxB]) {
      for (const stretch of [leastStretch, mostStretch]) {
        let step = Math.atan2(b, stretch * a) - hue1;
        if (step > Math.PI) step -= 2 * Math.PI;
        else if (step < -Math.PI) step += 2 * Math.PI;
        low = Math.min(low, step);
        high = Math.max(high, step);
      }
    }
  }
  const drift = Math.abs(Math.atan2(target.b, leastStretch * target.a) - hue1);
  // A box seen across the cut opposite the target's hue could have its mean on either side of the circle.
  if (high - low > Math.PI || Math.max(high, -low) + drift > Math.PI - 1e-9) {
    return { largestT: T_LIMIT, rotation: Math.sin(60 * RADIANS) };
  }
  const from = hue1 + low / 2 - drift;
  const to = hue1 + high / 2 + drift;
  const middle = (from + to) / 2;
  const reach = (to - from) / 2;
  const largestT = Math.min(T_LIMIT, hueTerm(middle) + T_SLOPE * reach);

  const peak = 275 * RADIANS;
  const turns = Math.round((middle - peak) / (2 * Math.PI));
  const fromPeak = Math.max(0, Math.abs(middle - peak - 2 * Math.PI * turns) - reach);
  const rotation = Math.sin(60 * RADIANS * Math.exp(-((fromPeak / (25 * RADIANS)) ** 2)));
  return { largestT, rotation };
}
