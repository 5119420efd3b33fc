// AssemblyScript, compiled to WebAssembly by `npm run kernel`; four numbers at a time. What the functions promise is
// said in ../ratioSearch.ts, which lays out the memory and calls them.

/** Fills in the half-space of a direction that nobody has asked for since the ball last changed. */
declare function reachOf(direction: i32): void;
/** By how much the box around a part's colours, at `result`, lies beyond what is wanted. */
declare function boxMargin(): f32;
/** Takes the ratio whose colour is at `result`. */
declare function meet(ratio: i32): void;

/** 31 bands and one of no weight, four at a time. */
const SPECTRUM: usize = 128;
const LANES: usize = 16;

// The record of a corner: K/S, internal reflectance, reflectance and scattering, then f(X), f(Y), f(Z) less those of
// the target, the fractions, and the choice of paints that it was last filled for.
const INTERNALS: usize = SPECTRUM;
const REFLECTED: usize = 2 * SPECTRUM;
const SCATTERING: usize = 3 * SPECTRUM;
const RESPONSES: usize = 4 * SPECTRUM;
const FRACTIONS: usize = 4 * SPECTRUM + LANES;
const STAMP: usize = 4 * SPECTRUM + 2 * LANES;
const NEXT: usize = STAMP + 4;
const RECORD: usize = 4 * SPECTRUM + 3 * LANES;

// A part of the simplex of ratios: the records of its corners, its ratios as indices, each ratio's weights on the
// corners, and two halves for each edge; 0 stands for one not yet made, 1 for one without ratios.
const RATIO_COUNT: usize = 16;
const RATIOS: usize = 20;
const WEIGHTS: usize = 24;
const HALVES: usize = 32;
const PART: usize = 80;
const NOBODY: usize = 1;

/** Heads of the lists of corners with one hash. */
const HEADS: usize = 16384;
/** Corners are told apart to this fraction: far less than what two ratios differ by. */
const GRAIN: f32 = 1048576;
/** Bytes of parts and corners beyond which they are made anew. */
const MOST_MEMORY: usize = 40 * 1024 * 1024;
/** Parts with so few ratios are worked out one by one. */
const FEW_RATIOS: i32 = 8;
/** Parts with so many ratios are small enough for the box around their colours to say something. */
const SMALL: i32 = 24;

// The tables of ../differenceBall.ts are laid out by these two.
const NEIGHBOURS: i32 = 8;
const SQUARES: i32 = 12;
const STEPS: i32 = 6;
const WORTH: f32 = 3;
/** Guards against rounding to 24 bits, as KERNEL_ERROR does in ../ratioSearch.ts; far below any difference that matters. */
const ROUNDING: f32 = 2e-3;

let count: i32 = 0;
let absorption: usize = 0;
let scatter: usize = 0;
let weightX: usize = 0;
let weightY: usize = 0;
let weightZ: usize = 0;
let weightAll: usize = 0;
let drops: usize = 0;
let heads: usize = 0;
/** Where the parts begin, and the first address that nobody uses. */
let ground: usize = 0;
let free: usize = 0;
let ratioTotal: i32 = 0;
let leastFraction: f64 = 0;
let root: usize = 0;
let directions: usize = 0;
let neighbours: usize = 0;
let onCube: usize = 0;
let result: usize = 0;
let outside: f32 = 0;
let transmitted: f32 = 0;
let inside: f32 = 0;
let perL: f32 = 0;
let perAB: f32 = 0;
let middleX: f32 = 0;
let middleY: f32 = 0;
let middleZ: f32 = 0;

let paint0: usize = 0;
let paint1: usize = 0;
let paint2: usize = 0;
let paint3: usize = 0;
let stamp: i32 = 0;
let found: i32 = 0;

let cornersX: v128 = f32x4.splat(0);
let cornersY: v128 = f32x4.splat(0);
let cornersZ: v128 = f32x4.splat(0);
let rise: v128 = f32x4.splat(0);
let fall: v128 = f32x4.splat(0);

export function setPaints(paints: i32, k: usize, s: usize, x: usize, y: usize, z: usize, all: usize): void {
  count = paints;
  absorption = k;
  scatter = s;
  weightX = x;
  weightY = y;
  weightZ = z;
  weightAll = all;
}

export function setSurface(external: f32, through: f32, internal: f32): void {
  outside = external;
  transmitted = through;
  inside = internal;
}

export function setTarget(x: f32, y: f32, z: f32, unitL: f32, unitAB: f32): void {
  middleX = x;
  middleY = y;
  middleZ = z;
  perL = 1 / unitL;
  perAB = 1 / unitAB;
}

export function setTables(ball: usize, near: usize, cube: usize, out: usize): void {
  directions = ball;
  neighbours = near;
  onCube = cube;
  result = out;
}

/** The drop ratios as fractions, and the first address that nobody uses; makes the part that holds every ratio. */
export function setRatios(parts: usize, size: i32, least: f64, end: usize): usize {
  drops = parts;
  ground = end;
  ratioTotal = size;
  leastFraction = least;
  plant();
  return root;
}

/** Makes the part that holds every ratio, in place of all parts and corners that there are. */
function plant(): void {
  const size = ratioTotal;
  const least = leastFraction;
  free = ground;
  heads = allocate(4 * HEADS);
  memory.fill(heads, 0, 4 * HEADS);
  root = allocate(PART);
  memory.fill(root, 0, PART);
  const scale: f64 = 1 - <f64>count * least;
  for (let i = 0; i < count; i++) {
    for (let axis = 0; axis < 4; axis++) {
      const more = axis == i ? scale : 0;
      store<f32>(result + <usize>(4 * axis), axis < count ? <f32>(least + more) : 0);
    }
    store<usize>(root + <usize>(4 * i), cornerAt(v128.load(result)));
  }
  const indices = allocate(4 * <usize>size);
  const weights = allocate(8 * <usize>(size * count));
  store<i32>(root, size, RATIO_COUNT);
  store<usize>(root, indices, RATIOS);
  store<usize>(root, weights, WEIGHTS);
  for (let ratio = 0; ratio < size; ratio++) {
    store<i32>(indices + <usize>(4 * ratio), ratio);
    let total: f64 = 0;
    for (let i = 0; i < count; i++) total += <f64>load<f32>(drops + <usize>(16 * ratio + 4 * i));
    for (let i = 0; i < count; i++) {
      const fraction = <f64>load<f32>(drops + <usize>(16 * ratio + 4 * i)) / total;
      store<f64>(
        weights + <usize>(8 * (ratio * count + i)),
        scale > 1e-12 ? (fraction - least) / scale : 1 / <f64>count,
      );
    }
  }
}

function allocate(size: usize): usize {
  const at = free;
  free += (size + 15) & ~15;
  const missing = <i32>free - memory.size() * 65536;
  if (missing > 0) memory.grow((max(missing, 1 << 20) + 65535) / 65536);
  return at;
}

function grain(fractions: v128, axis: i32): u32 {
  const value =
    axis == 0
      ? f32x4.extract_lane(fractions, 0)
      : axis == 1
        ? f32x4.extract_lane(fractions, 1)
        : f32x4.extract_lane(fractions, 2);
  return <u32>(value * GRAIN + 0.5);
}

/** The record of the corner with these fractions. */
function cornerAt(fractions: v128): usize {
  const x = grain(fractions, 0);
  const y = grain(fractions, 1);
  const z = grain(fractions, 2);
  const hash = (x * 73856093) ^ (y * 19349663) ^ (z * 83492791);
  const head = heads + 4 * <usize>((hash ^ (hash >> 15)) % <u32>HEADS);
  const first = load<usize>(head);
  for (let at = first; at != 0; at = load<usize>(at, NEXT)) {
    const known = v128.load(at, FRACTIONS);
    if (grain(known, 0) == x && grain(known, 1) == y && grain(known, 2) == z) return at;
  }
  const record = allocate(RECORD);
  v128.store(record, fractions, FRACTIONS);
  store<i32>(record, 0, STAMP);
  store<usize>(record, first, NEXT);
  store<usize>(head, record);
  return record;
}

export function begin(p0: i32, p1: i32, p2: i32, p3: i32): void {
  paint0 = <usize>p0 * SPECTRUM;
  paint1 = <usize>p1 * SPECTRUM;
  paint2 = <usize>p2 * SPECTRUM;
  paint3 = <usize>p3 * SPECTRUM;
  stamp++;
}

function sum(v: v128): f32 {
  const pairs = f32x4.add(v, v128.shuffle<f32>(v, v, 2, 3, 0, 1));
  return f32x4.extract_lane(pairs, 0) + f32x4.extract_lane(pairs, 1);
}

function least(v: v128): f32 {
  const pairs = f32x4.pmin(v, v128.shuffle<f32>(v, v, 2, 3, 0, 1));
  return min<f32>(f32x4.extract_lane(pairs, 0), f32x4.extract_lane(pairs, 1));
}

function three(x: f32, y: f32, z: f32): v128 {
  return f32x4.replace_lane(f32x4.replace_lane(f32x4.replace_lane(f32x4.splat(0), 0, x), 1, y), 2, z);
}

/** Where CIELAB's response turns from a straight line into the cube root: as a ratio and as a response. */
const KNEE: f32 = <f32>(216.0 / 24389.0);
const KNEE_RESPONSE: f32 = <f32>(6.0 / 29.0);
/** The straight line: slope, and its value at nought. */
const DARK_SLOPE: f32 = <f32>(841.0 / 108.0);
const DARK_START: f32 = <f32>(16.0 / 116.0);

/** CIELAB's responses to tristimulus ratios: f(X), f(Y), f(Z); the fourth is left as it comes. */
function responses(v: v128): v128 {
  const line = f32x4.add(f32x4.mul(v, f32x4.splat(DARK_SLOPE)), f32x4.splat(DARK_START));
  return v128.bitselect(cubeRoots(v), line, f32x4.gt(v, f32x4.splat(KNEE)));
}

/** The inverse of responses. */
function ratiosFor(f: v128): v128 {
  const line = f32x4.mul(f32x4.sub(f, f32x4.splat(DARK_START)), f32x4.splat(<f32>(108.0 / 841.0)));
  return v128.bitselect(f32x4.mul(f32x4.mul(f, f), f), line, f32x4.gt(f, f32x4.splat(KNEE_RESPONSE)));
}

/** Slopes of the responses where they have the values given. */
function slopesAt(f: v128): v128 {
  const above = f32x4.pmax(f, f32x4.splat(KNEE_RESPONSE));
  return f32x4.div(f32x4.splat(<f32>(1.0 / 3.0)), f32x4.mul(above, above));
}

/** Cube roots of numbers above 0.008, to about 1e-7 of themselves; the fourth is left as it comes. */
function cubeRoots(v: v128): v128 {
  // A third of the exponent and two of Halley's steps, each of which cubes the error.
  const third = f32x4.mul(f32x4.convert_i32x4_s(v), f32x4.splat(<f32>(1.0 / 3.0)));
  let root = i32x4.add(i32x4.trunc_sat_f32x4_s(third), i32x4.splat(709921077));
  for (let step = 0; step < 2; step++) {
    const cube = f32x4.mul(f32x4.mul(root, root), root);
    const above = f32x4.add(cube, f32x4.add(v, v));
    const below = f32x4.add(f32x4.add(cube, cube), v);
    root = f32x4.div(f32x4.mul(root, above), below);
  }
  return root;
}

/** Tristimulus values, over those of the white, of a mixture; its spectra go to `to` unless that is 0. */
function mix(parts: usize, to: usize): v128 {
  const c0 = v128.load32_splat(parts);
  const c1 = v128.load32_splat(parts, 4);
  const c2 = v128.load32_splat(parts, 8);
  const c3 = v128.load32_splat(parts, 12);
  const one = f32x4.splat(1);
  const surface = f32x4.splat(outside);
  const through = f32x4.splat(transmitted);
  const within = f32x4.splat(inside);
  let X = f32x4.splat(0);
  let Y = f32x4.splat(0);
  let Z = f32x4.splat(0);
  let mean = f32x4.splat(0);
  for (let band: usize = 0; band < SPECTRUM; band += LANES) {
    const k = absorption + band;
    const s = scatter + band;
    let absorbed = f32x4.add(f32x4.mul(c0, v128.load(k + paint0)), f32x4.mul(c1, v128.load(k + paint1)));
    let scattered = f32x4.add(f32x4.mul(c0, v128.load(s + paint0)), f32x4.mul(c1, v128.load(s + paint1)));
    if (count > 2) {
      absorbed = f32x4.add(absorbed, f32x4.mul(c2, v128.load(k + paint2)));
      scattered = f32x4.add(scattered, f32x4.mul(c2, v128.load(s + paint2)));
    }
    if (count > 3) {
      absorbed = f32x4.add(absorbed, f32x4.mul(c3, v128.load(k + paint3)));
      scattered = f32x4.add(scattered, f32x4.mul(c3, v128.load(s + paint3)));
    }
    const ratio = f32x4.div(absorbed, scattered);
    const root = f32x4.sqrt(f32x4.mul(ratio, f32x4.add(ratio, f32x4.splat(2))));
    // 1 + q - root without its cancellation: internal = 1 / below.
    const below = f32x4.add(f32x4.add(one, ratio), root);
    const reflected = f32x4.add(surface, f32x4.div(through, f32x4.sub(below, within)));
    X = f32x4.add(X, f32x4.mul(v128.load(weightX + band), reflected));
    Y = f32x4.add(Y, f32x4.mul(v128.load(weightY + band), reflected));
    Z = f32x4.add(Z, f32x4.mul(v128.load(weightZ + band), reflected));
    if (to) {
      mean = f32x4.add(mean, f32x4.mul(v128.load(weightAll + band), scattered));
      v128.store(to + band, ratio);
      v128.store(to + band, f32x4.div(one, below), INTERNALS);
      v128.store(to + band, reflected, REFLECTED);
      v128.store(to + band, scattered, SCATTERING);
    }
  }
  if (to) {
    const scale = f32x4.splat(1 / sum(mean));
    for (let band: usize = 0; band < SPECTRUM; band += LANES) {
      v128.store(to + band, f32x4.mul(v128.load(to + band, SCATTERING), scale), SCATTERING);
    }
  }
  return three(sum(X), sum(Y), sum(Z));
}

/** Fills the record of a corner unless it was for these paints. */
function filled(record: usize): usize {
  if (load<i32>(record, STAMP) != stamp) {
    store<i32>(record, stamp, STAMP);
    const seen = mix(record + FRACTIONS, record);
    v128.store(record, f32x4.sub(responses(seen), three(middleX, middleY, middleZ)), RESPONSES);
  }
  return record;
}

function seeParts(parts: usize): void {
  v128.store(result, f32x4.sub(responses(mix(parts, 0)), three(middleX, middleY, middleZ)));
}

/** f(X), f(Y) and f(Z) of a ratio, less those of the target, at `result`. */
export function see(ratio: i32): void {
  seeParts(drops + <usize>ratio * LANES);
}

/** The same of any parts. */
export function seeMixture(c0: f32, c1: f32, c2: f32, c3: f32): void {
  const parts = result + 64;
  store<f32>(parts, c0);
  store<f32>(parts, c1, 4);
  store<f32>(parts, c2, 8);
  store<f32>(parts, c3, 12);
  seeParts(parts);
}

function along(direction: i32): f32 {
  const at = directions + <usize>direction * LANES;
  let d = v128.load(at);
  let limit = f32x4.extract_lane(d, 3);
  if (limit != limit) {
    reachOf(direction);
    d = v128.load(at);
    limit = f32x4.extract_lane(d, 3);
  }
  const values = f32x4.add(
    f32x4.add(f32x4.mul(v128.load32_splat(at), cornersX), f32x4.mul(v128.load32_splat(at, 4), cornersY)),
    f32x4.mul(v128.load32_splat(at, 8), cornersZ),
  );
  const none = f32x4.splat(0);
  const loss = f32x4.sub(f32x4.mul(f32x4.pmax(none, d), fall), f32x4.mul(f32x4.pmin(none, d), rise));
  return least(values) - sum(loss) - limit;
}

/** Index of about the nearest of the directions to a vector. */
function towards(x: f32, y: f32, z: f32): i32 {
  const sizeX = abs(x);
  const sizeY = abs(y);
  const sizeZ = abs(z);
  const size = max(sizeX, max(sizeY, sizeZ));
  if (size == 0) return 0;
  let face = z > 0 ? 4 : 5;
  let u = x;
  let v = y;
  if (size == sizeX) {
    face = x > 0 ? 0 : 1;
    u = y;
    v = z;
  } else if (size == sizeY) {
    face = y > 0 ? 2 : 3;
    v = z;
  }
  const half: f32 = <f32>SQUARES / 2;
  const row = min(SQUARES - 1, <i32>((u / size + 1) * half));
  const column = min(SQUARES - 1, <i32>((v / size + 1) * half));
  return load<u8>(onCube + <usize>((face * SQUARES + row) * SQUARES + column));
}

/** The direction from the nearest mixture of the corners' colours towards the target, found in a few of Gilbert's
 *  steps: towards the corner that lies farthest back, as far as that brings it nearer. */
function towardsTarget(): i32 {
  const offsetsL = f32x4.mul(f32x4.splat(116 * perL), cornersY);
  const offsetsA = f32x4.mul(f32x4.splat(500 * perAB), f32x4.sub(cornersX, cornersY));
  const offsetsB = f32x4.mul(f32x4.splat(200 * perAB), f32x4.sub(cornersY, cornersZ));
  let x = f32x4.extract_lane(offsetsL, 0);
  let y = f32x4.extract_lane(offsetsA, 0);
  let z = f32x4.extract_lane(offsetsB, 0);
  for (let step = 0; step < STEPS; step++) {
    const values = f32x4.add(
      f32x4.add(f32x4.mul(f32x4.splat(x), offsetsL), f32x4.mul(f32x4.splat(y), offsetsA)),
      f32x4.mul(f32x4.splat(z), offsetsB),
    );
    const back = least(values);
    const lane = ctz(i32x4.bitmask(f32x4.eq(values, f32x4.splat(back))));
    let stepX = f32x4.extract_lane(offsetsL, 0);
    let stepY = f32x4.extract_lane(offsetsA, 0);
    let stepZ = f32x4.extract_lane(offsetsB, 0);
    if (lane == 1) {
      stepX = f32x4.extract_lane(offsetsL, 1);
      stepY = f32x4.extract_lane(offsetsA, 1);
      stepZ = f32x4.extract_lane(offsetsB, 1);
    } else if (lane == 2) {
      stepX = f32x4.extract_lane(offsetsL, 2);
      stepY = f32x4.extract_lane(offsetsA, 2);
      stepZ = f32x4.extract_lane(offsetsB, 2);
    } else if (lane == 3) {
      stepX = f32x4.extract_lane(offsetsL, 3);
      stepY = f32x4.extract_lane(offsetsA, 3);
      stepZ = f32x4.extract_lane(offsetsB, 3);
    }
    stepX -= x;
    stepY -= y;
    stepZ -= z;
    const size = stepX * stepX + stepY * stepY + stepZ * stepZ;
    const gain = x * x + y * y + z * z - back;
    if (gain <= <f32>1e-3 * size || size == 0) break;
    const share = min<f32>(1, gain / size);
    x += share * stepX;
    y += share * stepY;
    z += share * stepZ;
  }
  return towards(x, y, z);
}

/** Tries the direction given, that of the nearest mixture, and then neighbours while the margin grows. */
function climb(start: i32): f32 {
  found = start;
  let best = along(start);
  if (best > ROUNDING) return best - ROUNDING;
  const guess = towardsTarget();
  if (guess != start) {
    const value = along(guess);
    if (value > best) {
      best = value;
      found = guess;
    }
  }
  let from = -1;
  while (best <= ROUNDING && best > -WORTH && from != found) {
    from = found;
    const next = neighbours + <usize>(from * NEIGHBOURS);
    for (let i = 0; i < NEIGHBOURS; i++) {
      const d = <i32>load<u8>(next + <usize>i);
      const value = along(d);
      if (value > best) {
        best = value;
        found = d;
        if (value > ROUNDING) break;
      }
    }
  }
  return best - ROUNDING;
}

function transposed(lane: i32, v0: v128, v1: v128, v2: v128, v3: v128): v128 {
  if (lane == 0) {
    return v128.shuffle<f32>(
      v128.shuffle<f32>(v0, v1, 0, 4, 0, 4),
      v128.shuffle<f32>(v2, v3, 0, 4, 0, 4),
      0,
      1,
      4,
      5,
    );
  }
  if (lane == 1) {
    return v128.shuffle<f32>(
      v128.shuffle<f32>(v0, v1, 1, 5, 1, 5),
      v128.shuffle<f32>(v2, v3, 1, 5, 1, 5),
      0,
      1,
      4,
      5,
    );
  }
  return v128.shuffle<f32>(
    v128.shuffle<f32>(v0, v1, 2, 6, 2, 6),
    v128.shuffle<f32>(v2, v3, 2, 6, 2, 6),
    0,
    1,
    4,
    5,
  );
}

/** The corners of a part, each ready; the first stands in for those it has not. */
function corner(part: usize, at: i32): usize {
  return filled(load<usize>(part + <usize>(at < count ? 4 * at : 0)));
}

export function margin(part: usize, start: i32): f32 {
  const v0 = corner(part, 0);
  const v1 = corner(part, 1);
  const v2 = corner(part, 2);
  const v3 = corner(part, 3);
  const one = f32x4.splat(1);
  const half = f32x4.splat(0.5);
  const three3 = f32x4.splat(3);
  const surface = f32x4.splat(outside);
  const through = f32x4.splat(transmitted);
  const within = f32x4.splat(inside);
  let overX = f32x4.splat(0);
  let overY = f32x4.splat(0);
  let overZ = f32x4.splat(0);
  let underX = f32x4.splat(0);
  let underY = f32x4.splat(0);
  let underZ = f32x4.splat(0);
  for (let band: usize = 0; band < SPECTRUM; band += LANES) {
    const s0 = v128.load(v0 + band, SCATTERING);
    const s1 = v128.load(v1 + band, SCATTERING);
    const R0 = v128.load(v0 + band, REFLECTED);
    const R1 = v128.load(v1 + band, REFLECTED);
    const q0 = v128.load(v0 + band);
    const q1 = v128.load(v1 + band);
    const i0 = v128.load(v0 + band, INTERNALS);
    const i1 = v128.load(v1 + band, INTERNALS);
    let lowS = f32x4.pmin(s0, s1);
    let highS = f32x4.pmax(s0, s1);
    let lowR = f32x4.pmin(R0, R1);
    let highR = f32x4.pmax(R0, R1);
    let lowQ = f32x4.pmin(q0, q1);
    let highQ = f32x4.pmax(q0, q1);
    let lowI = f32x4.pmin(i0, i1);
    let highI = f32x4.pmax(i0, i1);
    if (count > 2) {
      const s2 = v128.load(v2 + band, SCATTERING);
      const R2 = v128.load(v2 + band, REFLECTED);
      const q2 = v128.load(v2 + band);
      const i2 = v128.load(v2 + band, INTERNALS);
      lowS = f32x4.pmin(lowS, s2);
      highS = f32x4.pmax(highS, s2);
      lowR = f32x4.pmin(lowR, R2);
      highR = f32x4.pmax(highR, R2);
      lowQ = f32x4.pmin(lowQ, q2);
      highQ = f32x4.pmax(highQ, q2);
      lowI = f32x4.pmin(lowI, i2);
      highI = f32x4.pmax(highI, i2);
    }
    if (count > 3) {
      const s3 = v128.load(v3 + band, SCATTERING);
      const R3 = v128.load(v3 + band, REFLECTED);
      const q3 = v128.load(v3 + band);
      const i3 = v128.load(v3 + band, INTERNALS);
      lowS = f32x4.pmin(lowS, s3);
      highS = f32x4.pmax(highS, s3);
      lowR = f32x4.pmin(lowR, R3);
      highR = f32x4.pmax(highR, R3);
      lowQ = f32x4.pmin(lowQ, q3);
      highQ = f32x4.pmax(highQ, q3);
      lowI = f32x4.pmin(lowI, i3);
      highI = f32x4.pmax(highI, i3);
    }
    // sqrt(a b) is at least their harmonic mean, and at least a.
    const shift = f32x4.div(
      f32x4.mul(f32x4.sub(highS, lowS), f32x4.sub(highR, lowR)),
      f32x4.add(f32x4.mul(three3, lowS), highS),
    );
    // The tangent of F nearly parallel to the chord: the chord is farthest above it at one of its ends.
    const touch = f32x4.pmin(f32x4.sqrt(f32x4.mul(lowI, highI)), f32x4.splat(0.9999));
    const inverse = f32x4.div(half, touch);
    const light = f32x4.sub(one, touch);
    const q = f32x4.mul(f32x4.mul(light, light), inverse);
    const root = f32x4.mul(f32x4.mul(light, f32x4.add(one, touch)), inverse);
    // Through the surface per internal reflectance, and the slope -T r / (root (1 - k2 r)^2).
    const clear = f32x4.div(one, f32x4.sub(one, f32x4.mul(within, touch)));
    const seen = f32x4.mul(f32x4.mul(through, touch), clear);
    const touched = f32x4.add(surface, seen);
    const slope = f32x4.div(f32x4.mul(seen, clear), root);
    const gapLow = f32x4.add(f32x4.sub(highR, touched), f32x4.mul(slope, f32x4.sub(lowQ, q)));
    const gapHigh = f32x4.add(f32x4.sub(lowR, touched), f32x4.mul(slope, f32x4.sub(highQ, q)));
    const gap = f32x4.pmax(gapLow, gapHigh);
    let over = shift;
    let under = f32x4.add(gap, shift);
    if (count == 2) {
      const differ = v128.xor(f32x4.gt(s1, s0), f32x4.gt(R1, R0));
      over = v128.andnot(over, differ);
      under = v128.bitselect(under, gap, differ);
    }
    const wx = v128.load(weightX + band);
    const wy = v128.load(weightY + band);
    const wz = v128.load(weightZ + band);
    overX = f32x4.add(overX, f32x4.mul(wx, over));
    overY = f32x4.add(overY, f32x4.mul(wy, over));
    overZ = f32x4.add(overZ, f32x4.mul(wz, over));
    underX = f32x4.add(underX, f32x4.mul(wx, under));
    underY = f32x4.add(underY, f32x4.mul(wy, under));
    underZ = f32x4.add(underZ, f32x4.mul(wz, under));
  }
  spread(
    v0,
    v1,
    v2,
    v3,
    three(sum(overX), sum(overY), sum(overZ)),
    three(sum(underX), sum(underY), sum(underZ)),
  );
  return climb(start);
}

/** What the response can add above (`rise`) and below (`fall`) the mixed corner values of the channels. */
function spread(v0: usize, v1: usize, v2: usize, v3: usize, over: v128, under: v128): void {
  const F0 = v128.load(v0, RESPONSES);
  const F1 = v128.load(v1, RESPONSES);
  const F2 = v128.load(v2, RESPONSES);
  const F3 = v128.load(v3, RESPONSES);
  cornersX = transposed(0, F0, F1, F2, F3);
  cornersY = transposed(1, F0, F1, F2, F3);
  cornersZ = transposed(2, F0, F1, F2, F3);
  const centre = three(middleX, middleY, middleZ);
  // The fourth lane must stay finite.
  const low = f32x4.replace_lane(f32x4.add(centre, f32x4.pmin(f32x4.pmin(F0, F1), f32x4.pmin(F2, F3))), 3, 1);
  const high = f32x4.replace_lane(
    f32x4.add(centre, f32x4.pmax(f32x4.pmax(F0, F1), f32x4.pmax(F2, F3))),
    3,
    1,
  );
  const third = f32x4.splat(<f32>(1.0 / 3.0));
  // The concave root lies farthest above its chord where it runs parallel.
  const squares = f32x4.add(f32x4.mul(low, f32x4.add(low, high)), f32x4.mul(high, high));
  const touch = f32x4.sqrt(f32x4.mul(squares, third));
  const cubes = f32x4.sub(f32x4.mul(f32x4.mul(touch, touch), touch), f32x4.mul(f32x4.mul(low, low), low));
  const bow = f32x4.sub(f32x4.sub(touch, low), f32x4.div(cubes, squares));
  // Where it begins on the straight line: a concave function lies above its chord by no more than a quarter of the
  // chord's length in ratios times the change of its slope.
  const darkest = ratiosFor(low);
  const steepest = slopesAt(low);
  const quarter = f32x4.mul(
    f32x4.mul(f32x4.splat(0.25), f32x4.sub(ratiosFor(high), darkest)),
    f32x4.sub(steepest, slopesAt(high)),
  );
  const bent = v128.bitselect(bow, quarter, f32x4.gt(low, f32x4.splat(KNEE_RESPONSE)));
  rise = f32x4.add(bent, f32x4.mul(over, steepest));
  // No mixture is darker than what the surface alone reflects.
  const floor = f32x4.pmax(f32x4.splat(outside * <f32>0.9999), f32x4.sub(darkest, under));
  fall = f32x4.mul(under, slopesAt(responses(floor)));
}

/** Least and most of L, a and b at the corners, less those of the target, then rise and fall, at `result`. */
export function box(part: usize): void {
  const F0 = v128.load(corner(part, 0), RESPONSES);
  const F1 = v128.load(corner(part, 1), RESPONSES);
  const F2 = v128.load(corner(part, 2), RESPONSES);
  const F3 = v128.load(corner(part, 3), RESPONSES);
  const onL = f32x4.splat(116);
  const onA = f32x4.splat(500);
  const onB = f32x4.splat(200);
  const X = transposed(0, F0, F1, F2, F3);
  const Y = transposed(1, F0, F1, F2, F3);
  const Z = transposed(2, F0, F1, F2, F3);
  store<f32>(result, least(f32x4.mul(onL, Y)));
  store<f32>(result, -least(f32x4.neg(f32x4.mul(onL, Y))), 4);
  store<f32>(result, least(f32x4.mul(onA, f32x4.sub(X, Y))), 8);
  store<f32>(result, -least(f32x4.mul(onA, f32x4.sub(Y, X))), 12);
  store<f32>(result, least(f32x4.mul(onB, f32x4.sub(Y, Z))), 16);
  store<f32>(result, -least(f32x4.mul(onB, f32x4.sub(Z, Y))), 20);
  v128.store(result, rise, 32);
  v128.store(result, fall, 48);
}

/** The sum of the changes of reflectance from one record to another. */
function change(v0: usize, v1: usize): f32 {
  let total = f32x4.splat(0);
  for (let band: usize = 0; band < SPECTRUM; band += LANES) {
    const gap = f32x4.abs(f32x4.sub(v128.load(v0 + band, REFLECTED), v128.load(v1 + band, REFLECTED)));
    total = f32x4.add(total, f32x4.mul(v128.load(weightAll + band), gap));
  }
  return sum(total);
}

/** The edge along which reflectance changes most: the edges are 01, 02, 03, 12, 13, 23 as far as there are corners. */
export function widestEdge(part: usize): i32 {
  let widest = 0;
  let most: f32 = -1;
  let edge = 0;
  for (let i = 0; i < count; i++) {
    for (let j = i + 1; j < count; j++) {
      const value = change(corner(part, i), corner(part, j));
      if (value > most) {
        most = value;
        widest = edge;
      }
      edge++;
    }
  }
  return widest;
}

/** The parts of a part on both sides of the middle of an edge, made when first asked for; where they are kept. */
export function halve(part: usize, edge: i32): usize {
  const halves = part + HALVES + <usize>(8 * edge);
  if (load<usize>(halves) != 0) return halves;
  let i = 0;
  let j = 1;
  for (let at = 0; at < edge; at++) {
    j++;
    if (j == count) {
      i++;
      j = i + 1;
    }
  }
  const from = load<usize>(part, RATIOS);
  const size = load<i32>(part, RATIO_COUNT);
  const weights = load<usize>(part, WEIGHTS);
  const middle = cornerAt(
    f32x4.mul(
      f32x4.splat(0.5),
      f32x4.add(
        v128.load(load<usize>(part + <usize>(4 * i)), FRACTIONS),
        v128.load(load<usize>(part + <usize>(4 * j)), FRACTIONS),
      ),
    ),
  );
  for (let side = 0; side < 2; side++) {
    const kept = side == 0 ? i : j;
    const dropped = side == 0 ? j : i;
    let members = 0;
    for (let at = 0; at < size; at++) {
      if (isOn(side, weights + <usize>(8 * at * count), i, j)) members++;
    }
    if (members == 0) {
      store<usize>(halves + <usize>(4 * side), NOBODY);
      continue;
    }
    const half = allocate(PART);
    memory.copy(half, part, 16);
    memory.fill(half + HALVES, 0, PART - HALVES);
    store<usize>(half + <usize>(4 * dropped), middle);
    const to = allocate(4 * <usize>members);
    const toWeights = allocate(8 * <usize>(members * count));
    store<i32>(half, members, RATIO_COUNT);
    store<usize>(half, to, RATIOS);
    store<usize>(half, toWeights, WEIGHTS);
    let next = 0;
    for (let at = 0; at < size; at++) {
      const old = weights + <usize>(8 * at * count);
      if (!isOn(side, old, i, j)) continue;
      store<i32>(to + <usize>(4 * next), load<i32>(from + <usize>(4 * at)));
      const fresh = toWeights + <usize>(8 * next * count);
      memory.copy(fresh, old, <usize>(8 * count));
      const weight = load<f64>(old + <usize>(8 * dropped));
      store<f64>(fresh + <usize>(8 * kept), load<f64>(old + <usize>(8 * kept)) - weight);
      store<f64>(fresh + <usize>(8 * dropped), 2 * weight);
      next++;
    }
    store<usize>(halves + <usize>(4 * side), half);
  }
  return halves;
}

function isOn(side: i32, weights: usize, i: i32, j: i32): bool {
  const gap = load<f64>(weights + <usize>(8 * i)) - load<f64>(weights + <usize>(8 * j));
  return side == 0 ? gap >= 0 : gap < 0;
}

let limit: f32 = 0;
let nodes: i32 = 0;
/** Where the last root was ruled out: neighbouring choices are often ruled out there too. */
let lastDirection: i32 = 0;

/** No recipe of the choice at hand that is at least this far is wanted. */
export function setLimit(value: f32): void {
  limit = value;
}

function marginOf(part: usize, start: i32): f32 {
  const value = margin(part, start);
  if (value > 0 || load<i32>(part, RATIO_COUNT) > SMALL) return value;
  box(part);
  return max<f32>(value, boxMargin());
}

/** Halves a part that could not be ruled out. */
function divide(part: usize, start: i32): void {
  const halves = halve(part, widestEdge(part));
  const first = load<usize>(halves);
  const second = load<usize>(halves, 4);
  if (first == NOBODY || second == NOBODY) {
    nodes++;
    const only = first == NOBODY ? second : first;
    const value = marginOf(only, start);
    look(only, value, found);
    return;
  }
  nodes += 2;
  const firstMargin = marginOf(first, start);
  const firstDirection = found;
  const secondMargin = marginOf(second, start);
  const secondDirection = found;
  if (firstMargin <= secondMargin) {
    look(first, firstMargin, firstDirection);
    look(second, secondMargin, secondDirection);
  } else {
    look(second, secondMargin, secondDirection);
    look(first, firstMargin, firstDirection);
  }
}

function look(part: usize, value: f32, start: i32): void {
  if (value > 0 || limit <= 0) return;
  const size = load<i32>(part, RATIO_COUNT);
  if (size > FEW_RATIOS) {
    divide(part, start);
    return;
  }
  const ratios = load<usize>(part, RATIOS);
  for (let at = 0; at < size; at++) {
    const ratio = load<i32>(ratios + <usize>(4 * at));
    see(ratio);
    meet(ratio);
  }
}

/** Searches the ratios of the choice at hand; how many parts it looked at. */
export function explore(): i32 {
  if (free > ground + MOST_MEMORY) plant();
  nodes = 1;
  const value = margin(root, lastDirection);
  lastDirection = found;
  look(root, value, lastDirection);
  return nodes;
}

export function nobody(): usize {
  return NOBODY;
}

export function ratioCount(part: usize): i32 {
  return load<i32>(part, RATIO_COUNT);
}

export function ratiosOf(part: usize): usize {
  return load<usize>(part, RATIOS);
}

/** Where the fractions of a corner lie. */
export function cornerOf(part: usize, at: i32): usize {
  return load<usize>(part + <usize>(4 * at)) + FRACTIONS;
}
