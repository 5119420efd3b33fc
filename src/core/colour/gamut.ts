type Triple = readonly [number, number, number];

const TO_CONES = [
  [0.4122214708, 0.5363325363, 0.0514459929],
  [0.2119034982, 0.6806995451, 0.1073969566],
  [0.0883024619, 0.2817188376, 0.6299787005],
] as const;
const TO_OKLAB = [
  [0.2104542553, 0.793617785, -0.0040720468],
  [1.9779984951, -2.428592205, 0.4505937099],
  [0.0259040371, 0.7827717662, -0.808675766],
] as const;
const FROM_OKLAB = [
  [1, 0.3963377774, 0.2158037573],
  [1, -0.1055613458, -0.0638541728],
  [1, -0.0894841775, -1.291485548],
] as const;
const FROM_CONES = [
  [4.0767416621, -3.3077115913, 0.2309699292],
  [-1.2684380046, 2.6097574011, -0.3413193965],
  [-0.0041960863, -0.7034186147, 1.707614701],
] as const;

function times(matrix: readonly Triple[], [x, y, z]: Triple): Triple {
  return matrix.map(([p, q, r]) => p * x + q * y + r * z) as unknown as Triple;
}

/** OKLab of linear sRGB (Ottosson 2020). */
function toOklab(linear: Triple): Triple {
  return times(TO_OKLAB, times(TO_CONES, linear).map(Math.cbrt) as unknown as Triple);
}

function fromOklab(lab: Triple): Triple {
  return times(FROM_CONES, times(FROM_OKLAB, lab).map((value) => value ** 3) as unknown as Triple);
}

const clipped = (linear: Triple): Triple =>
  linear.map((value) => Math.min(1, Math.max(0, value))) as unknown as Triple;
const inside = (linear: Triple) => linear.every((value) => value >= 0 && value <= 1);

/** Two colours closer than this in OKLab look the same. */
const JUST_SEEN = 0.02;
const NEAR_ENOUGH = 1e-4;

/** The colour of a screen that stands in for linear sRGB outside 0..1: chroma is taken back at constant lightness
 *  and hue (OKLCh) until what clipping would change can no longer be seen.
 *  Source: CSS Color Module Level 4, 13.2, binary search with local clipping. */
export function mapToGamut(linear: Triple): Triple {
  if (inside(linear)) return linear;
  const [L, a, b] = toOklab(linear);
  if (L >= 1) return [1, 1, 1];
  if (L <= 0) return [0, 0, 0];
  const differs = (one: Triple, lab: Triple) => {
    const other = toOklab(one);
    return Math.hypot(other[0] - lab[0], other[1] - lab[1], other[2] - lab[2]);
  };
  let nearest = clipped(linear);
  if (differs(nearest, [L, a, b]) < JUST_SEEN) return nearest;
  let low = 0;
  let high = 1;
  let lowInside = true;
  while (high - low > NEAR_ENOUGH) {
    const share = (low + high) / 2;
    const lab: Triple = [L, share * a, share * b];
    const current = fromOklab(lab);
    if (lowInside && inside(current)) {
      low = share;
      nearest = current;
      continue;
    }
    nearest = clipped(current);
    const off = differs(nearest, lab);
    if (off >= JUST_SEEN) high = share;
    else if (JUST_SEEN - off < NEAR_ENOUGH) return nearest;
    else {
      lowInside = false;
      low = share;
    }
  }
  return clipped(nearest);
}
