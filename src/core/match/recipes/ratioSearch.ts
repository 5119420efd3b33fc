import { BAND_COUNT, ciede2000, type Lab } from '../../colour/index.ts';
import { CUBE, NEIGHBOURS, type HalfSpaceBound } from './halfSpaceBound.ts';
import { differenceBound } from './differenceBound.ts';
import { partKernel, type KernelCalls } from './kernel/partKernel.ts';
import type { MixtureModel } from './mixtureModel.ts';

// A local copy: see mixtureModel.ts.
const difference = ciede2000;
/** Bands of a spectrum in the kernel: the last has no weight. */
const BANDS = 32;
/** The kernel's colours may be this far off, dE00: it works in 24 bits. */
export const KERNEL_ERROR = 2e-3;

/** Search of the ratios of one choice of paints after another. Parts of the simplex of mixing fractions are named by
 *  numbers. */
export interface RatioSearch {
  /** Turns to another choice of paints, as indices. */
  begin: (choice: ArrayLike<number>) => void;
  /** Offers every ratio of this choice that is nearer than a limit, and perhaps others; how many parts it looked at. */
  explore: () => number;
  /** The limit has changed. */
  setLimit: (limit: number) => void;
  /** The ball has changed. */
  ballChanged: () => void;
  /** Colour of a mixture of this choice in the first light, to KERNEL_ERROR; changed by the next call. Fewer parts than
   *  the ratios have are seen as if the rest were none. */
  see: (parts: ArrayLike<number>) => Lab;
  /** dE00 of a ratio from the target in the first light, to KERNEL_ERROR. */
  difference: (ratio: number) => number;
  /** Nothing more will be asked: another search may take over the kernel with the parts it has made. */
  end: () => void;
  /** The part that holds every ratio. */
  root: number;
  /** By how much every mixture with fractions in this part lies outside the ball, about in dE00; a value above zero
   *  is a proof, one below says nothing. */
  margin: (part: number) => number;
  /** Lower bound on dE00 over the part that `margin` was last asked for, from the box around its colours: for where
   *  the ball is not convex. */
  boxDifference: (part: number) => number;
  /** Indices of the ratios in a part, and the mixing fractions at its corners. */
  contents: (part: number) => { ratios: number[]; corners: number[][] };
  /** The parts on both sides of the middle of its edge along which reflectance changes most; those without ratios
   *  are left out. */
  halves: (part: number) => number[];
}

/** A kernel with room for so many paints and directions, planted with the ratios. */
interface Room extends ReturnType<typeof makeRoom> {
  key: string;
}

/** Rooms that wait for the next search with as many paints and the same ratios: their parts are made already. */
const empty: Room[] = [];
const MOST_EMPTY = 3;

function takeRoom(ratios: readonly (readonly number[])[], paints: number, directions: number): Room {
  const n = ratios[0]!.length;
  const key = [n, ratios.length, paints, directions].join();
  const at = empty.findIndex((room) => room.key === key);
  return at >= 0 ? empty.splice(at, 1)[0]! : { key, ...makeRoom(ratios, paints, directions) };
}

function giveBack(room: Room): void {
  const none = () => 0;
  Object.assign(room.calls, { reachOf: none, boxMargin: none, meet: none });
  empty.push(room);
  if (empty.length > MOST_EMPTY) empty.shift();
}

function makeRoom(ratios: readonly (readonly number[])[], paints: number, directions: number) {
  const n = ratios[0]!.length;
  const calls: KernelCalls = { reachOf: () => undefined, boxMargin: () => 0, meet: () => undefined };
  const { kernel, allocate, floats, integers, bytes, used } = partKernel(calls);
  const absorptionAt = allocate(4 * BANDS * paints);
  const scatteringAt = allocate(4 * BANDS * paints);
  const weightsAt = allocate(4 * BANDS * 4);
  kernel.setPaints(
    n,
    absorptionAt,
    scatteringAt,
    weightsAt,
    weightsAt + 4 * BANDS,
    weightsAt + 8 * BANDS,
    weightsAt + 12 * BANDS,
  );
  const directionsAt = allocate(16 * directions);
  const neighboursAt = allocate(directions * NEIGHBOURS);
  const cubeAt = allocate(CUBE.length);
  const resultAt = allocate(80);
  kernel.setTables(directionsAt, neighboursAt, cubeAt, resultAt);
  bytes().set(CUBE, cubeAt);
  const dropsAt = allocate(16 * ratios.length);
  const drops = floats().subarray(dropsAt / 4);
  let most = 0;
  ratios.forEach((parts, at) => {
    const total = parts.reduce((sum, part) => sum + part, 0);
    most = Math.max(most, total);
    parts.forEach((part, i) => (drops[4 * at + i] = part / total));
  });
  const root = kernel.setRatios(dropsAt, ratios.length, 1 / most, used());
  return {
    calls,
    kernel,
    floats,
    integers,
    bytes,
    absorptionAt,
    scatteringAt,
    weightsAt,
    directionsAt,
    neighboursAt,
    resultAt,
    root,
  };
}

/** Branch and bound over the ratios of one choice of paints, in a WebAssembly kernel that works on four bands at a time.
 *  The simplex of mixing fractions is halved along the edge where reflectance changes most until a part is proved
 *  to lie outside the ball or its few ratios are worked out; the halves serve every choice of paints.
 *
 *  The bound on the mixtures of a part comes from the colours at its corners.
 *
 *  With fractions c = sum of l_v times corner v, K and S are linear in l, so each band's K/S is the mean of the
 *  corners' with weights l_v s_v / s. Reflectance F is convex in K/S, hence it lies between the weighted mean of
 *  the corners' reflectances and that mean less J, the most by which the chord of F over the corners' range lies
 *  above a tangent. That mean differs from the plain mean by Cov(s, R) / s. Where the mean of s is
 *  smin + t ds, Cov(s, R) <= E|s - mean| dR / 2 <= t (1 - t) ds dR, and t (1 - t) / (smin + t ds) is never above
 *  1 / (sqrt(smin) + sqrt(smax))^2, which gives D = ds dR / (sqrt(smin) + sqrt(smax))^2.
 *  So tristimulus values are those of the corners, mixed by l, plus [-(D + J), D] summed over the bands; the
 *  response (a cube root, a straight line for the darkest), concave, adds its own gap above. Lab is linear in the
 *  responses, so along any direction
 *  the least over the part is that of a corner less these errors, which fall with the square of the part's
 *  size; the part is outside the ball when that is beyond the ball's reach. The best direction is climbed to
 *  from neighbour to neighbour: the margin is concave over directions. */
export function ratioSearch(
  model: MixtureModel,
  ratios: readonly (readonly number[])[],
  ball: HalfSpaceBound,
  /** Called with a ratio and its dE00 in the first light, to KERNEL_ERROR. */
  meet: (ratio: number, dE00: number) => void,
): RatioSearch {
  const n = ratios[0]!.length;
  const { wanted } = model;
  const { nL, na, nb, count } = ball;
  // n . Lab = onX f(X) + onY f(Y) + onZ f(Z) - 16 nL; the kernel counts f from the target's.
  const atTarget = nL.map((value, d) => value * wanted.L + na[d]! * wanted.a + nb[d]! * wanted.b);
  let limit = Infinity;
  const room = takeRoom(ratios, model.size, count);
  const { kernel, floats, integers, root, directionsAt, resultAt } = room;
  kernel.setSurface(model.surface.added, model.surface.through, model.surface.inside);
  room.calls.reachOf = (d) => {
    floats()[directionsAt / 4 + 4 * d + 3] = ball.reachOf(d) - atTarget[d]!;
  };
  room.calls.boxMargin = () => boxOf() - limit;
  room.calls.meet = (ratio) => {
    meet(ratio, difference(wanted, seen()));
  };

  const fill = (at: number, values: Float64Array, rest: number) => {
    const spectra = values.length / BAND_COUNT;
    const to = floats()
      .subarray(at / 4, at / 4 + BANDS * spectra)
      .fill(rest);
    for (let i = 0; i < spectra; i++)
      to.set(values.subarray(i * BAND_COUNT, (i + 1) * BAND_COUNT), i * BANDS);
  };
  const { k, s, wx, wy, wz } = model;
  fill(room.absorptionAt, k, 1);
  fill(room.scatteringAt, s, 1);
  [wx, wy, wz, wx.map((value, band) => value + wy[band]! + wz[band]!)].forEach((values, i) => {
    fill(room.weightsAt + 4 * BANDS * i, values, 0);
  });
  const middle = (wanted.L + 16) / 116;
  kernel.setTarget(middle + wanted.a / 500, middle, middle - wanted.b / 200, ball.unitL, ball.unitAB);
  room.bytes().set(ball.neighbours, room.neighboursAt);
  for (let d = 0; d < count; d++) {
    floats().set(
      [500 * na[d]!, 116 * nL[d]! - 500 * na[d]! + 200 * nb[d]!, -200 * nb[d]!, NaN],
      directionsAt / 4 + 4 * d,
    );
  }

  const boundOf = differenceBound(wanted);
  const box = { minL: 0, maxL: 0, minA: 0, maxA: 0, minB: 0, maxB: 0 };
  const boxOf = (): number => {
    const at = resultAt / 4;
    const values = floats();
    const riseX = values[at + 8]!;
    const riseY = values[at + 9]!;
    const riseZ = values[at + 10]!;
    const fallX = values[at + 12]!;
    const fallY = values[at + 13]!;
    const fallZ = values[at + 14]!;
    box.minL = wanted.L + values[at]! - 116 * fallY;
    box.maxL = wanted.L + values[at + 1]! + 116 * riseY;
    box.minA = wanted.a + values[at + 2]! - 500 * (fallX + riseY);
    box.maxA = wanted.a + values[at + 3]! + 500 * (riseX + fallY);
    box.minB = wanted.b + values[at + 4]! - 200 * (fallY + riseZ);
    box.maxB = wanted.b + values[at + 5]! + 200 * (riseY + fallZ);
    return boundOf(box) - KERNEL_ERROR;
  };
  const colour = { L: 0, a: 0, b: 0 };
  const seen = (): Lab => {
    const values = floats();
    const fx = values[resultAt / 4]!;
    const fy = values[resultAt / 4 + 1]!;
    const fz = values[resultAt / 4 + 2]!;
    colour.L = wanted.L + 116 * fy;
    colour.a = wanted.a + 500 * (fx - fy);
    colour.b = wanted.b + 200 * (fy - fz);
    return colour;
  };
  return {
    begin: (choice) => {
      kernel.begin(choice[0]!, choice[1]!, choice[2] ?? 0, choice[3] ?? 0);
    },
    explore: () => kernel.explore(),
    setLimit: (value) => {
      limit = value;
      kernel.setLimit(value);
    },
    ballChanged: () => {
      const values = floats();
      for (let d = 0; d < count; d++) values[directionsAt / 4 + 4 * d + 3] = NaN;
    },
    difference: (ratio) => {
      kernel.see(ratio);
      return difference(wanted, seen());
    },
    see: (parts) => {
      kernel.seeMixture(parts[0]!, parts[1]!, parts[2] ?? 0, parts[3] ?? 0);
      return seen();
    },
    end: () => {
      giveBack(room);
    },
    root,
    margin: (part) => kernel.margin(part, 0),
    boxDifference: (part) => {
      kernel.box(part);
      return boxOf();
    },
    contents: (part) => {
      const start = kernel.ratiosOf(part) / 4;
      return {
        ratios: Array.from(integers().subarray(start, start + kernel.ratioCount(part))),
        corners: Array.from({ length: n }, (_, i) => {
          const at = kernel.cornerOf(part, i) / 4;
          return Array.from(floats().subarray(at, at + n));
        }),
      };
    },
    halves: (part) => {
      const at = kernel.halve(part, kernel.widestEdge(part)) / 4;
      return Array.from(integers().subarray(at, at + 2)).filter((half) => half !== kernel.nobody());
    },
  };
}
