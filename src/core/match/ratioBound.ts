import { BAND_COUNT, labResponse } from '../colour/index.ts';
import {
  EXTERNAL_REFLECTION,
  INTERNAL_REFLECTION,
  opaqueReflectance,
  surfaceReflectance,
} from '../paint/index.ts';
import { NEIGHBOURS, type DifferenceBall } from './differenceBall.ts';
import { differenceBound } from './differenceBound.ts';
import type { MixtureModel } from './mixtureModel.ts';
import type { RatioTree } from './ratioTree.ts';

// Local copies: see mixtureModel.ts.
const BANDS = BAND_COUNT;
const surface = surfaceReflectance;
const opaque = opaqueReflectance;
const response = labResponse;

/** Share of light that gets through the surface both ways. */
const TRANSMITTED = (1 - EXTERNAL_REFLECTION) * (1 - INTERNAL_REFLECTION);
const OUTSIDE = EXTERNAL_REFLECTION;
const INSIDE = INTERNAL_REFLECTION;
/** Guards the bound against rounding; far below any difference that matters. */
const ROUNDING = 1e-7;
/** f(X), f(Y), f(Z), X, Y and Z of a corner. */
const SEEN = 6;
/** Steps towards the nearest mixture when a direction is looked for. */
const STEPS = 6;
/** A direction this far from a proof, about in dE00, is not improved upon: the part is divided instead. */
const WORTH = 3;

/** Proof that the mixtures of some part of the ratios lie outside the ball around the target. */
export interface RatioBound {
  /** Turns to another choice of paints, as indices. */
  begin: (choice: ArrayLike<number>) => void;
  /** By how much every mixture with fractions among these corners lies outside the ball, about in dE00; a value
   *  above zero is a proof, one below says nothing. `start` is a direction to try first. */
  margin: (corners: Int32Array, start: number) => number;
  /** Lower bound on dE00 over the part last asked for, from the box around its colours: for where the ball is not
   *  convex. */
  boxDifference: (corners: Int32Array) => number;
  /** The direction in which the last margin was found. */
  direction: () => number;
  /** The edge along which reflectance changes most, as an index into RatioTree.edges. */
  widestEdge: (corners: Int32Array) => number;
}

/** Bound on mixtures inside a node of the ratio tree, from the colours at its corners.
 *
 *  With fractions c = sum of l_v times corner v, K and S are linear in l, so each band's K/S is the mean of the
 *  corners' with weights l_v s_v / s. Reflectance F is convex in K/S, hence it lies between the weighted mean of
 *  the corners' reflectances and that mean less J, the most by which the chord of F over the corners' range lies
 *  above a tangent. That mean differs from the plain mean by Cov(s, R) / s. Where the mean of s is
 *  smin + t ds, Cov(s, R) <= E|s - mean| dR / 2 <= t (1 - t) ds dR, and t (1 - t) / (smin + t ds) is never above
 *  1 / (sqrt(smin) + sqrt(smax))^2, which gives D = ds dR / (sqrt(smin) + sqrt(smax))^2.
 *  So tristimulus values are those of the corners, mixed by l, plus [-(D + J), D] summed over the bands; the
 *  cube root, concave, adds its own Jensen gap above. Lab is linear in the cube roots, so along any direction
 *  the least over the node is that of a corner less these errors, which fall with the square of the node's
 *  size; the node is outside the ball when that is beyond the ball's reach. The best direction is climbed to
 *  from neighbour to neighbour: the margin is concave over directions. */
export function ratioBound(model: MixtureModel, tree: RatioTree, ball: DifferenceBall): RatioBound {
  const { k, s, wx, wy, wz } = model;
  const weight = wx.map((value, band) => value + wy[band]! + wz[band]!);
  const n = tree.root.corners.length;
  const fractionsOf = tree.corners;
  const { nL, na, nb, reach, reachOf, neighbours, towards, unitL, unitAB } = ball;
  // n . Lab = onX f(X) + onY f(Y) + onZ f(Z) - 16 nL.
  const onX = na.map((value) => 500 * value);
  const onY = nL.map((value, d) => 116 * value - 500 * na[d]! + 200 * nb[d]!);
  const onZ = nb.map((value) => -200 * value);

  let capacity = 256;
  let spectra = new Float64Array(capacity * BANDS);
  let ratios = new Float64Array(capacity * BANDS);
  let internals = new Float64Array(capacity * BANDS);
  let scattering = new Float64Array(capacity * BANDS);
  let seen = new Float64Array(capacity * SEEN);
  let stamps = new Uint32Array(capacity);
  let stamp = 0;
  const base = new Int32Array(n);

  const grow = (): void => {
    const larger = (old: Float64Array, each: number) => {
      const array = new Float64Array(capacity * each);
      array.set(old);
      return array;
    };
    while (capacity < fractionsOf.length) capacity *= 2;
    spectra = larger(spectra, BANDS);
    ratios = larger(ratios, BANDS);
    internals = larger(internals, BANDS);
    scattering = larger(scattering, BANDS);
    seen = larger(seen, SEEN);
    const marks = new Uint32Array(capacity);
    marks.set(stamps);
    stamps = marks;
  };

  const fill = (corner: number): void => {
    stamps[corner] = stamp;
    const fractions = fractionsOf[corner]!;
    const c0 = fractions[0]!;
    const c1 = fractions[1]!;
    const c2 = n > 2 ? fractions[2]! : 0;
    const c3 = n > 3 ? fractions[3]! : 0;
    const p0 = base[0]!;
    const p1 = base[1]!;
    const p2 = n > 2 ? base[2]! : p0;
    const p3 = n > 3 ? base[3]! : p0;
    const at = corner * BANDS;
    let X = 0;
    let Y = 0;
    let Z = 0;
    let mean = 0;
    for (let band = 0; band < BANDS; band++) {
      let absorbed = c0 * k[p0 + band]! + c1 * k[p1 + band]!;
      let scattered = c0 * s[p0 + band]! + c1 * s[p1 + band]!;
      if (n > 2) {
        absorbed += c2 * k[p2 + band]!;
        scattered += c2 * s[p2 + band]!;
      }
      if (n > 3) {
        absorbed += c3 * k[p3 + band]!;
        scattered += c3 * s[p3 + band]!;
      }
      const ratio = absorbed / scattered;
      const internal = opaque(ratio);
      const reflectance = surface(internal);
      ratios[at + band] = ratio;
      internals[at + band] = internal;
      scattering[at + band] = scattered;
      mean += weight[band]! * scattered;
      spectra[at + band] = reflectance;
      X += wx[band]! * reflectance;
      Y += wy[band]! * reflectance;
      Z += wz[band]! * reflectance;
    }
    for (let band = 0; band < BANDS; band++) scattering[at + band]! /= mean;
    const to = corner * SEEN;
    seen[to] = response(X);
    seen[to + 1] = response(Y);
    seen[to + 2] = response(Z);
    seen[to + 3] = X;
    seen[to + 4] = Y;
    seen[to + 5] = Z;
  };

  /** What the cube root can add above (`rise`) and below (`fall`) the mixed corner values of one channel. */
  const rise = new Float64Array(3);
  const fall = new Float64Array(3);
  const spread = (corners: Int32Array, channel: number, over: number, under: number): void => {
    let least = Infinity;
    let most = 0;
    for (let i = 0; i < n; i++) {
      const value = seen[corners[i]! * SEEN + 3 + channel]!;
      if (value < least) least = value;
      if (value > most) most = value;
    }
    rise[channel] = responseGap(least, most) + over * responseSlope(least);
    fall[channel] = under * responseSlope(Math.max(0, least - under));
  };

  const along = (corners: Int32Array, d: number): number => {
    const x = onX[d]!;
    const y = onY[d]!;
    const z = onZ[d]!;
    let least = Infinity;
    for (let i = 0; i < n; i++) {
      const at = corners[i]! * SEEN;
      const value = x * seen[at]! + y * seen[at + 1]! + z * seen[at + 2]!;
      if (value < least) least = value;
    }
    const loss =
      (x > 0 ? x * fall[0]! : -x * rise[0]!) +
      (y > 0 ? y * fall[1]! : -y * rise[1]!) +
      (z > 0 ? z * fall[2]! : -z * rise[2]!);
    const known = reach[d]!;
    // NaN alone differs from itself.
    const limit = known === known ? known : reachOf(d);
    return least - 16 * nL[d]! - loss - limit;
  };

  const { L: targetL, a: targetA, b: targetB } = model.wanted;
  /** Corners seen from the target in about dE00 along each axis. */
  const offsets = new Float64Array(n * 3);
  /** The direction from the nearest mixture of the corners' colours towards the target, found in a few of
   *  Gilbert's steps: towards the corner that lies farthest back, as far as that brings it nearer. */
  const towardsTarget = (corners: Int32Array): number => {
    for (let i = 0; i < n; i++) {
      const at = corners[i]! * SEEN;
      const fy = seen[at + 1]!;
      offsets[3 * i] = (116 * fy - 16 - targetL) / unitL;
      offsets[3 * i + 1] = (500 * (seen[at]! - fy) - targetA) / unitAB;
      offsets[3 * i + 2] = (200 * (fy - seen[at + 2]!) - targetB) / unitAB;
    }
    let x = offsets[0]!;
    let y = offsets[1]!;
    let z = offsets[2]!;
    for (let step = 0; step < STEPS; step++) {
      let back = 0;
      let least = Infinity;
      for (let i = 0; i < n; i++) {
        const along = x * offsets[3 * i]! + y * offsets[3 * i + 1]! + z * offsets[3 * i + 2]!;
        if (along < least) {
          least = along;
          back = i;
        }
      }
      const stepX = offsets[3 * back]! - x;
      const stepY = offsets[3 * back + 1]! - y;
      const stepZ = offsets[3 * back + 2]! - z;
      const size = stepX * stepX + stepY * stepY + stepZ * stepZ;
      const gain = x * x + y * y + z * z - least;
      if (gain <= 1e-3 * size || size === 0) break;
      const share = Math.min(1, gain / size);
      x += share * stepX;
      y += share * stepY;
      z += share * stepZ;
    }
    return towards(x, y, z);
  };

  /** Tries the direction last found, that of the nearest mixture, and then neighbours while the margin grows. */
  const climb = (corners: Int32Array, start: number): number => {
    found = start;
    let best = along(corners, start);
    if (best > ROUNDING) return best - ROUNDING;
    const guess = towardsTarget(corners);
    if (guess !== start) {
      const value = along(corners, guess);
      if (value > best) {
        best = value;
        found = guess;
      }
    }
    for (let from = -1; best <= ROUNDING && best > -WORTH && from !== found;) {
      from = found;
      for (let i = 0; i < NEIGHBOURS; i++) {
        const d = neighbours[from * NEIGHBOURS + i]!;
        const value = along(corners, d);
        if (value > best) {
          best = value;
          found = d;
          if (value > ROUNDING) break;
        }
      }
    }
    return best - ROUNDING;
  };

  const boundOf = differenceBound(model.wanted);
  const box = { minL: 0, maxL: 0, minA: 0, maxA: 0, minB: 0, maxB: 0 };
  let found = 0;
  return {
    begin: (choice) => {
      stamp++;
      for (let i = 0; i < n; i++) base[i] = choice[i]! * BANDS;
    },
    direction: () => found,
    boxDifference: (corners) => {
      let minL = Infinity;
      let maxL = -Infinity;
      let minA = Infinity;
      let maxA = -Infinity;
      let minB = Infinity;
      let maxB = -Infinity;
      for (let i = 0; i < n; i++) {
        const at = corners[i]! * SEEN;
        const L = 116 * seen[at + 1]! - 16;
        const a = 500 * (seen[at]! - seen[at + 1]!);
        const b = 200 * (seen[at + 1]! - seen[at + 2]!);
        if (L < minL) minL = L;
        if (L > maxL) maxL = L;
        if (a < minA) minA = a;
        if (a > maxA) maxA = a;
        if (b < minB) minB = b;
        if (b > maxB) maxB = b;
      }
      box.minL = minL - 116 * fall[1]!;
      box.maxL = maxL + 116 * rise[1]!;
      box.minA = minA - 500 * (fall[0]! + rise[1]!);
      box.maxA = maxA + 500 * (rise[0]! + fall[1]!);
      box.minB = minB - 200 * (fall[1]! + rise[2]!);
      box.maxB = maxB + 200 * (rise[1]! + fall[2]!);
      return boundOf(box) - ROUNDING;
    },
    margin: (corners, start) => {
      if (fractionsOf.length > capacity) grow();
      for (let i = 0; i < n; i++) if (stamps[corners[i]!] !== stamp) fill(corners[i]!);
      const scatters = scattering;
      const quotients = ratios;
      const inside = internals;
      const reflected = spectra;
      const v0 = corners[0]! * BANDS;
      const v1 = corners[1]! * BANDS;
      const v2 = n > 2 ? corners[2]! * BANDS : v0;
      const v3 = n > 3 ? corners[3]! * BANDS : v0;
      let overX = 0;
      let overY = 0;
      let overZ = 0;
      let underX = 0;
      let underY = 0;
      let underZ = 0;
      for (let band = 0; band < BANDS; band++) {
        const s0 = scatters[v0 + band]!;
        const s1 = scatters[v1 + band]!;
        const q0 = quotients[v0 + band]!;
        const i0 = inside[v0 + band]!;
        const q1 = quotients[v1 + band]!;
        const i1 = inside[v1 + band]!;
        const R0 = reflected[v0 + band]!;
        const R1 = reflected[v1 + band]!;
        let lowS = s0;
        let highS = s1;
        if (s1 < s0) {
          lowS = s1;
          highS = s0;
        }
        let lowQ = q0;
        let highQ = q1;
        if (q1 < q0) {
          lowQ = q1;
          highQ = q0;
        }
        let lowI = i0;
        let highI = i1;
        if (i1 < i0) {
          lowI = i1;
          highI = i0;
        }
        let lowR = R0;
        let highR = R1;
        if (R1 < R0) {
          lowR = R1;
          highR = R0;
        }
        if (n > 2) {
          const s2 = scatters[v2 + band]!;
          const q2 = quotients[v2 + band]!;
          const i2 = inside[v2 + band]!;
          const R2 = reflected[v2 + band]!;
          if (s2 < lowS) lowS = s2;
          else if (s2 > highS) highS = s2;
          if (q2 < lowQ) lowQ = q2;
          else if (q2 > highQ) highQ = q2;
          if (i2 < lowI) lowI = i2;
          else if (i2 > highI) highI = i2;
          if (R2 < lowR) lowR = R2;
          else if (R2 > highR) highR = R2;
        }
        if (n > 3) {
          const s3 = scatters[v3 + band]!;
          const q3 = quotients[v3 + band]!;
          const i3 = inside[v3 + band]!;
          const R3 = reflected[v3 + band]!;
          if (s3 < lowS) lowS = s3;
          else if (s3 > highS) highS = s3;
          if (q3 < lowQ) lowQ = q3;
          else if (q3 > highQ) highQ = q3;
          if (i3 < lowI) lowI = i3;
          else if (i3 > highI) highI = i3;
          if (R3 < lowR) lowR = R3;
          else if (R3 > highR) highR = R3;
        }
        // sqrt(a b) is at least their harmonic mean, and at least a.
        const shift = ((highS - lowS) * (highR - lowR)) / (3 * lowS + highS);
        // The tangent of F nearly parallel to the chord: the chord is farthest above it at one of its ends.
        const touch = Math.sqrt(lowI * highI);
        const inverse = 1 / touch;
        const q = (touch + inverse) / 2 - 1;
        const root = (inverse - touch) / 2;
        const through = 1 / ((1 - INSIDE * touch) * root);
        const touched = OUTSIDE + TRANSMITTED * touch * root * through;
        // dF/dq = dR/dr dr/dq with r = 1 + q - root, whose slope is -r / root.
        const slope = -TRANSMITTED * touch * root * through * through;
        const gapLow = highR - touched - slope * (lowQ - q);
        const gapHigh = lowR - touched - slope * (highQ - q);
        const gap = gapLow > gapHigh ? gapLow : gapHigh;
        const agree = s1 > s0 === R1 > R0;
        const over = n > 2 || agree ? shift : 0;
        const under = n > 2 || !agree ? gap + shift : gap;
        overX += wx[band]! * over;
        overY += wy[band]! * over;
        overZ += wz[band]! * over;
        underX += wx[band]! * under;
        underY += wy[band]! * under;
        underZ += wz[band]! * under;
      }
      spread(corners, 0, overX, underX);
      spread(corners, 1, overY, underY);
      spread(corners, 2, overZ, underZ);
      return climb(corners, start);
    },
    widestEdge: (corners) => {
      let widest = 0;
      let most = -1;
      for (let edge = 0; edge < tree.edges.length; edge++) {
        const [i, j] = tree.edges[edge]!;
        const one = corners[i]! * BANDS;
        const other = corners[j]! * BANDS;
        let change = 0;
        for (let band = 0; band < BANDS; band++)
          change += weight[band]! * Math.abs(spectra[one + band]! - spectra[other + band]!);
        if (change > most) {
          most = change;
          widest = edge;
        }
      }
      return widest;
    },
  };
}

/** Slope of the CIELAB response; it only falls as the ratio grows. */
function responseSlope(ratio: number): number {
  if (ratio <= 216 / 24389) return 24389 / 27 / 116;
  const root = Math.cbrt(ratio);
  return 1 / (3 * root * root);
}

/** The most by which the CIELAB response between two ratios lies above its chord: where it runs parallel. */
function responseGap(least: number, most: number): number {
  if (least <= 216 / 24389) return 2 * response((least + most) / 2) - response(least) - response(most);
  const low = Math.cbrt(least);
  const high = Math.cbrt(most);
  const squares = low * low + low * high + high * high;
  const touch = Math.sqrt(squares / 3);
  return touch - low - (touch * touch * touch - low * low * low) / squares;
}
