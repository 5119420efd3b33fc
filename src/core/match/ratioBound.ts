import { BAND_COUNT, labResponse } from '../colour/index.ts';
import { opaqueReflectance, surfaceReflectance } from '../paint/index.ts';
import { NEIGHBOURS, type DifferenceBall } from './differenceBall.ts';
import { differenceBound } from './differenceBound.ts';
import type { MixtureModel } from './mixtureModel.ts';
import type { RatioTree } from './ratioTree.ts';

// Local copies: see mixtureModel.ts.
const BANDS = BAND_COUNT;
const surface = surfaceReflectance;
const opaque = opaqueReflectance;
const response = labResponse;

/** Guards the bound against rounding; far below any difference that matters. */
const ROUNDING = 1e-7;
/** f(X), f(Y), f(Z), X, Y and Z of a corner. */
const SEEN = 6;

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
 *  the corners' reflectances and that mean less J = F(qmin) + F(qmax) - 2 F((qmin + qmax) / 2) (Simic's bound on
 *  Jensen's gap). That mean differs from the plain mean by Cov(s, R) / s, at most D = ds dR / (4 smin) (Gruss).
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
  const { nL, na, nb, reach, reachOf, neighbours } = ball;
  // n . Lab = onX f(X) + onY f(Y) + onZ f(Z) - 16 nL.
  const onX = na.map((value) => 500 * value);
  const onY = nL.map((value, d) => 116 * value - 500 * na[d]! + 200 * nb[d]!);
  const onZ = nb.map((value) => -200 * value);

  let capacity = 256;
  let spectra = new Float64Array(capacity * BANDS);
  let ratios = new Float64Array(capacity * BANDS);
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
      const reflectance = surface(opaque(ratio));
      ratios[at + band] = ratio;
      scattering[at + band] = scattered;
      spectra[at + band] = reflectance;
      X += wx[band]! * reflectance;
      Y += wy[band]! * reflectance;
      Z += wz[band]! * reflectance;
    }
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
    const gap = 2 * response((least + most) / 2) - response(least) - response(most);
    rise[channel] = gap + over * responseSlope(least);
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
        let lowS = scatters[v0 + band]!;
        let highS = lowS;
        let lowQ = quotients[v0 + band]!;
        let highQ = lowQ;
        let lowR = reflected[v0 + band]!;
        let highR = lowR;
        let scattered = scatters[v1 + band]!;
        let ratio = quotients[v1 + band]!;
        let reflectance = reflected[v1 + band]!;
        if (scattered < lowS) lowS = scattered;
        else highS = scattered;
        // Reflectance falls as K/S rises.
        if (ratio < lowQ) {
          lowQ = ratio;
          highR = reflectance;
        } else {
          highQ = ratio;
          lowR = reflectance;
        }
        if (n > 2) {
          scattered = scatters[v2 + band]!;
          ratio = quotients[v2 + band]!;
          reflectance = reflected[v2 + band]!;
          if (scattered < lowS) lowS = scattered;
          else if (scattered > highS) highS = scattered;
          if (ratio < lowQ) {
            lowQ = ratio;
            highR = reflectance;
          } else if (ratio > highQ) {
            highQ = ratio;
            lowR = reflectance;
          }
        }
        if (n > 3) {
          scattered = scatters[v3 + band]!;
          ratio = quotients[v3 + band]!;
          reflectance = reflected[v3 + band]!;
          if (scattered < lowS) lowS = scattered;
          else if (scattered > highS) highS = scattered;
          if (ratio < lowQ) {
            lowQ = ratio;
            highR = reflectance;
          } else if (ratio > highQ) {
            highQ = ratio;
            lowR = reflectance;
          }
        }
        const D = ((highS - lowS) * (highR - lowR)) / (4 * lowS);
        const under = D + highR + lowR - 2 * surface(opaque((lowQ + highQ) / 2));
        overX += wx[band]! * D;
        overY += wy[band]! * D;
        overZ += wz[band]! * D;
        underX += wx[band]! * under;
        underY += wy[band]! * under;
        underZ += wz[band]! * under;
      }
      spread(corners, 0, overX, underX);
      spread(corners, 1, overY, underY);
      spread(corners, 2, overZ, underZ);

      found = start;
      let best = along(corners, start);
      for (let from = -1; best <= ROUNDING && from !== found;) {
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
