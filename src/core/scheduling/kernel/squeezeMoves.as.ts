// AssemblyScript, compiled to WebAssembly by `npm run kernel`. What squeezing looks for and why is said in
// ../squeeze.ts; the memory is laid out by squeezeKernel.ts. Operations go by the addresses of their records.

/** Minutes; what is beyond reach lies this far away. */
const NEVER: i32 = 1 << 30;
/** Shares of the moves that begin in a session with an overrun, and that swap two steps. */
const FOCUS: f64 = 0.6;
const SWAP: f64 = 0.6;
/** Of the moves of a step that recoat windows tie to others, the share that moves all of them; of those, how many swap
 *  them with others that are tied, and how many of the rest are put between other steps instead of swapped with one. */
const TOGETHER: f64 = 0.5;
const WITH_TIED: f64 = 0.2;
const BETWEEN: f64 = 0.2;
/** Sessions by which they are moved at most. */
const SESSIONS_AWAY: i32 = 3;
/** Overruns beyond so many minutes weigh little more: a step that waits for days is not a hundred times as wrong. */
const FULLY: i32 = 60;
const BEYOND: f64 = 0.05;
/** A move is given up while it is worked out once it has made things so much worse than could be kept; what follows may
 *  make up for less. */
const GIVEN_UP: f64 = 60;
/** How often earlier steps are pushed back for a maximum lag before its breach is weighed instead. */
const MOST_PUSHES: i32 = 6;

// The record of an operation, as squeezeKernel.ts fills it in: what is given, a block being the list of all that recoat
// windows tie together, empty where that is none,
const HANDS: usize = 0;
const FAMILY: usize = 4;
const EARLIEST: usize = 8;
const LATEST: usize = 12;
const FIRST_SESSION: usize = 16;
const LAST_SESSION: usize = 20;
const NEEDS_BOOTH: usize = 24;
const ARCS_IN: usize = 28;
const ARCS_IN_END: usize = 32;
const WINDOWS_IN: usize = 36;
const WINDOWS_IN_END: usize = 40;
const ARCS_OUT: usize = 44;
const ARCS_OUT_END: usize = 48;
const BLOCK: usize = 52;
const BLOCK_END: usize = 56;
// where it is and what follows from that: its place in the order, minutes overrun, the paint family used last with its
// session once it is done, minutes of set-up, the start that a maximum lag asks for, its index among the late ones.
const SESSION: usize = 60;
const PLACE: usize = 64;
const START: usize = 68;
const FLOOR: usize = 72;
const OVERRUN: usize = 76;
const PAINT: usize = 80;
const PAINTED: usize = 84;
const SETUP: usize = 88;
const LATE_AT: usize = 92;
const IS_TOUCHED: usize = 96;

// An arc: the operation at its other end and its lags.
const OTHER: usize = 0;
const LEAST_LAG: usize = 4;
const MOST_LAG: usize = 8;
const ARC: usize = 12;

// A session: minutes, and whether it has the booth.
const OPENS: usize = 0;
const CLOSES: usize = 4;
const HAS_BOOTH: usize = 8;

let size: i32 = 0;
let order: usize = 0;
let windows: usize = 0;
/** The first place of every session, and of one behind the last. */
let begins: usize = 0;
let changes: usize = 0;
let kinds: i32 = 0;
let newWindow: i32 = 0;
let setupWanted: i32 = 0;
let pull: f64 = 0;
let state: u32 = 0;

let total: i32 = 0;
let setupTotal: i32 = 0;
/** Operations that overrun, in any order. */
let late: usize = 0;
let lateCount: i32 = 0;
/** Places still to look at, a bit each, and the first word that may hold one. */
let pending: usize = 0;
let words: i32 = 0;
let firstWord: i32 = 0;
/** What the move that is tried changed, as it was before. */
let changed: usize = 0;
let changedEnd: usize = 0;
const OLD_START: usize = 4;
const OLD_OVERRUN: usize = 8;
const OLD_PAINT: usize = 12;
const OLD_PAINTED: usize = 16;
const OLD_SETUP: usize = 20;
const CHANGE: usize = 24;
/** Operations that a maximum lag pushed back, with their floors; now, and before the move that is tried. */
let pushed: usize = 0;
let pushedCount: i32 = 0;
let pushedBefore: usize = 0;
let pushedBeforeCount: i32 = 0;
/** What a move of several steps did, in turn: places, and the session before where a step was put between others. */
let steps: usize = 0;
let stepsEnd: usize = 0;
const OLD_SESSION: usize = 0;
const FROM: usize = 4;
const TO: usize = 8;
const STEP: usize = 12;
const EXCHANGED: i32 = -1;
/** Operations that it makes necessary to look at, some of them twice. */
let noted: usize = 0;
let notedEnd: usize = 0;

/** The first address that is not taken by the tables of the logarithm. */
export function ground(): usize {
  return __heap_base;
}

export function setInstance(
  count: i32,
  places: usize,
  sessions: usize,
  firstPlaces: usize,
  table: usize,
  families: i32,
  first: i32,
): void {
  size = count;
  order = places;
  windows = sessions;
  begins = firstPlaces;
  changes = table;
  kinds = families;
  newWindow = first;
}

/** Memory for its own use: by operation 4 bytes, 24, 12 and 16; a bit for every place; twice 8 bytes for every push. */
export function setScratch(
  lateList: usize,
  changedList: usize,
  stepList: usize,
  notedList: usize,
  bits: usize,
  one: usize,
  two: usize,
): void {
  late = lateList;
  changed = changedList;
  steps = stepList;
  noted = notedList;
  pending = bits;
  words = (size + 63) >> 6;
  pushed = one;
  pushedBefore = two;
}

/** Works out everything for the order and the sessions as they are. */
export function begin(setupMinutes: i32, setupPull: f64, seed: u32): void {
  setupWanted = setupMinutes;
  pull = setupPull;
  state = seed;
  total = 0;
  setupTotal = 0;
  lateCount = 0;
  pushedCount = 0;
  for (let word = 0; word < words; word++) store<u64>(pending + ((<usize>word) << 3), 0);
  firstWord = words;
  for (let at = 0; at < size; at++) lookAtPlace(at);
  update(i32.MAX_VALUE);
}

/** Random numbers 0..2^32 (mulberry32). */
function draw(): u32 {
  state += 0x6d2b79f5;
  let t: u32 = (state ^ (state >> 15)) * (1 | state);
  t = (t + (t ^ (t >> 7)) * (61 | t)) ^ t;
  return t ^ (t >> 14);
}
function chance(share: f64): bool {
  return draw() < <u32>(share * 4294967296.0);
}
/** 0 to below `count`. */
function below(count: i32): i32 {
  return <i32>((<u64>draw() * <u64>count) >> 32);
}

function at(place: i32): usize {
  return load<usize>(order + ((<usize>place) << 2));
}
function windowAt(session: i32): usize {
  return windows + ((<usize>session) << 4);
}
function sessionOf(operation: usize): i32 {
  return load<i32>(operation, SESSION);
}
function placeOf(operation: usize): i32 {
  return load<i32>(operation, PLACE);
}

function lookAtPlace(place: i32): void {
  if (place == size) return;
  const word = place >> 6;
  const address = pending + ((<usize>word) << 3);
  store<u64>(address, load<u64>(address) | ((<u64>1) << (place & 63)));
  if (word < firstWord) firstWord = word;
}

function setOverrun(operation: usize, minutes: i32): void {
  store<i32>(operation, minutes, OVERRUN);
  const index = load<i32>(operation, LATE_AT);
  if (minutes > 0 == index >= 0) return;
  if (index < 0) {
    store<i32>(operation, lateCount, LATE_AT);
    store<usize>(late + ((<usize>lateCount) << 2), operation);
    lateCount++;
    return;
  }
  lateCount--;
  const moved = load<usize>(late + ((<usize>lateCount) << 2));
  store<usize>(late + ((<usize>index) << 2), moved);
  store<i32>(moved, index, LATE_AT);
  store<i32>(operation, -1, LATE_AT);
}

function weigh(minutes: i32): i32 {
  return minutes > FULLY ? FULLY + <i32>(<f64>(minutes - FULLY) * BEYOND) : minutes;
}

/** Brings up to date what is pending and all that follows from it, in the order of the places; whether it came to the end
 *  of that with no more overrun than `most` on the way. */
function update(most: i32): bool {
  changedEnd = changed;
  const before = pushed;
  pushed = pushedBefore;
  pushedBefore = before;
  pushedBeforeCount = pushedCount;
  pushedCount = 0;
  for (let k = 0; k < pushedBeforeCount; k++) {
    const operation = load<usize>(pushedBefore + ((<usize>k) << 3));
    store<i32>(pushedBefore + ((<usize>k) << 3), load<i32>(operation, FLOOR), 4);
    store<i32>(operation, load<i32>(operation, EARLIEST), FLOOR);
    lookAtPlace(placeOf(operation));
  }
  let pushes = 0;
  while (total <= most) {
    while (firstWord < words && load<u64>(pending + ((<usize>firstWord) << 3)) == 0) firstWord++;
    if (firstWord == words) break;
    const word = pending + ((<usize>firstWord) << 3);
    const bits = load<u64>(word);
    store<u64>(word, bits & (bits - 1));
    const place = (firstWord << 6) + <i32>ctz(bits);
    const now = at(place);
    const hands = load<i32>(now, HANDS);
    const w = sessionOf(now);
    const window = windowAt(w);
    let kind = -1;
    let paintedIn = -1;
    let start = load<i32>(window, OPENS);
    if (place > 0) {
      const ahead = at(place - 1);
      kind = load<i32>(ahead, PAINT);
      paintedIn = load<i32>(ahead, PAINTED);
      if (sessionOf(ahead) == w) start = load<i32>(ahead, START) + load<i32>(ahead, HANDS);
    }
    const own = load<i32>(now, FAMILY);
    let need = 0;
    if (own >= 0) {
      if (kind >= 0 && kind != own) need = load<i32>(changes + ((<usize>(kind * kinds + own)) << 2));
      if (paintedIn != w && need < newWindow) need = newWindow;
      start += need;
      kind = own;
      paintedIn = w;
    }
    start = max(start, load<i32>(now, FLOOR));
    const inEnd = load<usize>(now, ARCS_IN_END);
    for (let arc = load<usize>(now, ARCS_IN); arc < inEnd; arc += ARC) {
      const other = load<usize>(arc, OTHER);
      start = max(start, load<i32>(other, START) + load<i32>(other, HANDS) + load<i32>(arc, LEAST_LAG));
    }
    let minutes = 0;
    const close = min(load<i32>(window, CLOSES) - hands, load<i32>(now, LATEST));
    if (start > close) {
      minutes = weigh(start - close);
      start = close;
    }
    if (load<i32>(now, NEEDS_BOOTH) > load<i32>(window, HAS_BOOTH)) minutes += FULLY;
    const windowsEnd = load<usize>(now, WINDOWS_IN_END);
    for (let arc = load<usize>(now, WINDOWS_IN); arc < windowsEnd; arc += ARC) {
      const other = load<usize>(arc, OTHER);
      const floor = start - load<i32>(arc, MOST_LAG) - load<i32>(other, HANDS);
      if (floor <= load<i32>(other, START)) continue;
      minutes += weigh(floor - load<i32>(other, START));
      if (floor <= load<i32>(other, FLOOR) || pushes == MOST_PUSHES) continue;
      pushes++;
      if (load<i32>(other, FLOOR) == load<i32>(other, EARLIEST)) {
        store<usize>(pushed + ((<usize>pushedCount) << 3), other);
        pushedCount++;
      }
      store<i32>(other, floor, FLOOR);
      lookAtPlace(placeOf(other));
      // It is looked at again once the other has moved.
      lookAtPlace(place);
    }
    const startBefore = load<i32>(now, START);
    const isOther =
      startBefore != start || load<i32>(now, PAINT) != kind || load<i32>(now, PAINTED) != paintedIn;
    if (!load<i32>(now, IS_TOUCHED)) {
      store<i32>(now, 1, IS_TOUCHED);
      store<usize>(changedEnd, now);
      store<i32>(changedEnd, startBefore, OLD_START);
      store<i32>(changedEnd, load<i32>(now, OVERRUN), OLD_OVERRUN);
      store<i32>(changedEnd, load<i32>(now, PAINT), OLD_PAINT);
      store<i32>(changedEnd, load<i32>(now, PAINTED), OLD_PAINTED);
      store<i32>(changedEnd, load<i32>(now, SETUP), OLD_SETUP);
      changedEnd += CHANGE;
    }
    total += minutes - load<i32>(now, OVERRUN);
    setupTotal += need - load<i32>(now, SETUP);
    store<i32>(now, need, SETUP);
    if (minutes != load<i32>(now, OVERRUN)) setOverrun(now, minutes);
    if (!isOther) continue;
    lookAtPlace(place + 1);
    store<i32>(now, kind, PAINT);
    store<i32>(now, paintedIn, PAINTED);
    if (startBefore == start) continue;
    store<i32>(now, start, START);
    const later = max(start, startBefore) + hands;
    const outEnd = load<usize>(now, ARCS_OUT_END);
    for (let arc = load<usize>(now, ARCS_OUT); arc < outEnd; arc += ARC) {
      const other = load<usize>(arc, OTHER);
      // A lag that does not hold it back, neither before nor now, is passed over.
      const isSlack =
        later + load<i32>(arc, LEAST_LAG) < load<i32>(other, START) && load<i32>(arc, MOST_LAG) == NEVER;
      if (!isSlack || load<i32>(other, OVERRUN) > 0) lookAtPlace(placeOf(other));
    }
  }
  for (let old = changed; old < changedEnd; old += CHANGE) store<i32>(load<usize>(old), 0, IS_TOUCHED);
  if (total <= most) return true;
  for (let word = firstWord; word < words; word++) store<u64>(pending + ((<usize>word) << 3), 0);
  firstWord = words;
  return false;
}

function takeBack(): void {
  for (let old = changed; old < changedEnd; old += CHANGE) {
    const operation = load<usize>(old);
    store<i32>(operation, load<i32>(old, OLD_START), START);
    setOverrun(operation, load<i32>(old, OLD_OVERRUN));
    store<i32>(operation, load<i32>(old, OLD_PAINT), PAINT);
    store<i32>(operation, load<i32>(old, OLD_PAINTED), PAINTED);
    store<i32>(operation, load<i32>(old, OLD_SETUP), SETUP);
  }
  for (let k = 0; k < pushedCount; k++) {
    const operation = load<usize>(pushed + ((<usize>k) << 3));
    store<i32>(operation, load<i32>(operation, EARLIEST), FLOOR);
  }
  const tried = pushed;
  pushed = pushedBefore;
  pushedBefore = tried;
  pushedCount = pushedBeforeCount;
  for (let k = 0; k < pushedCount; k++) {
    store<i32>(load<usize>(pushed + ((<usize>k) << 3)), load<i32>(pushed + ((<usize>k) << 3), 4), FLOOR);
  }
}

/** Minutes of overrun and of set-up beyond what is wanted. */
function tooMuch(): i32 {
  return total + max(0, setupTotal - setupWanted);
}

/** Whether a move is kept whose operations are pending. */
function isKept(heat: f64): bool {
  const before = <f64>tooMuch() + pull * <f64>setupTotal;
  const totalBefore = total;
  const setupBefore = setupTotal;
  const allowed = -heat * Math.log((<f64>draw() + 1) / 4294967297.0);
  if (
    update(<i32>(<f64>total + allowed + GIVEN_UP)) &&
    <f64>tooMuch() + pull * <f64>setupTotal - before <= allowed
  )
    return true;
  takeBack();
  total = totalBefore;
  setupTotal = setupBefore;
  return false;
}

/** The first place whose step lies in a session or later. */
function placeOfSession(session: i32): i32 {
  return load<i32>(begins + ((<usize>session) << 2));
}

function put(operation: usize, place: i32): void {
  store<usize>(order + ((<usize>place) << 2), operation);
  store<i32>(operation, place, PLACE);
}

/** Takes a step out and puts it to another place, in another session; places as they are once it is taken out. */
function shiftTo(place: i32, to: i32, session: i32): void {
  const operation = at(place);
  if (to < place) for (let k = place; k > to; k--) put(at(k - 1), k);
  else for (let k = place; k < to; k++) put(at(k + 1), k);
  put(operation, to);
  const own = sessionOf(operation);
  store<i32>(operation, session, SESSION);
  for (let w = own + 1; w <= session; w++) countPlace(w, -1);
  for (let w = session + 1; w <= own; w++) countPlace(w, 1);
}

function countPlace(session: i32, by: i32): void {
  const address = begins + ((<usize>session) << 2);
  store<i32>(address, load<i32>(address) + by);
}

/** Moves a step to another place, mostly of another session. */
function relocate(operation: usize, heat: f64): void {
  const own = sessionOf(operation);
  const place = placeOf(operation);
  const hands = load<i32>(operation, HANDS);
  let low = load<i32>(operation, FIRST_SESSION);
  let high = load<i32>(operation, LAST_SESSION);
  let least = 0;
  let most = size - 1;
  const inEnd = load<usize>(operation, ARCS_IN_END);
  for (let arc = load<usize>(operation, ARCS_IN); arc < inEnd; arc += ARC) {
    const other = load<usize>(arc, OTHER);
    least = max(least, placeOf(other) + 1);
    low = max(low, sessionOf(other));
    const ready = load<i32>(other, START) + load<i32>(other, HANDS) + load<i32>(arc, LEAST_LAG) + hands;
    while (low < high && load<i32>(windowAt(low), CLOSES) < ready) low++;
  }
  const outEnd = load<usize>(operation, ARCS_OUT_END);
  for (let arc = load<usize>(operation, ARCS_OUT); arc < outEnd; arc += ARC) {
    const other = load<usize>(arc, OTHER);
    most = min(most, placeOf(other) - 1);
    high = min(high, sessionOf(other));
    const close =
      load<i32>(windowAt(sessionOf(other)), CLOSES) -
      load<i32>(other, HANDS) -
      load<i32>(arc, LEAST_LAG) -
      hands;
    while (high > low && load<i32>(windowAt(high), OPENS) > close) high--;
  }
  if (low > high) return;
  const wanted = draw() >> 31 ? low + below(high - low + 1) : max(low, min(high, own + below(3) - 1));
  if (load<i32>(operation, NEEDS_BOOTH) > load<i32>(windowAt(wanted), HAS_BOOTH)) return;
  // Places as they are once the step is taken out.
  const first = placeOfSession(wanted);
  const end = placeOfSession(wanted + 1);
  const lowest = max(first - (place < first ? 1 : 0), least);
  const highest = min(end - (place < end ? 1 : 0), most);
  if (lowest > highest) return;
  const to = lowest + below(highest - lowest + 1);
  if (to == place && wanted == own) return;
  shiftTo(place, to, wanted);
  lookAtPlace(to);
  lookAtPlace(to + 1);
  lookAtPlace(to < place ? place + 1 : place);
  if (isKept(heat)) return;
  shiftTo(to, place, own);
}

function canLieIn(operation: usize, session: i32): bool {
  return (
    session >= load<i32>(operation, FIRST_SESSION) &&
    session <= load<i32>(operation, LAST_SESSION) &&
    load<i32>(operation, NEEDS_BOOTH) <= load<i32>(windowAt(session), HAS_BOOTH)
  );
}

/** Swaps what lies at two places. */
function exchange(p: i32, q: i32): void {
  const one = at(p);
  const two = at(q);
  const mine = sessionOf(one);
  put(two, p);
  put(one, q);
  store<i32>(one, sessionOf(two), SESSION);
  store<i32>(two, mine, SESSION);
}

/** Swaps two steps, the first in the order named first. */
function swap(one: usize, two: usize, heat: f64): void {
  const p = placeOf(one);
  const q = placeOf(two);
  if (!canLieIn(one, sessionOf(two)) || !canLieIn(two, sessionOf(one))) return;
  const outEnd = load<usize>(one, ARCS_OUT_END);
  for (let arc = load<usize>(one, ARCS_OUT); arc < outEnd; arc += ARC)
    if (placeOf(load<usize>(arc, OTHER)) <= q) return;
  const inEnd = load<usize>(two, ARCS_IN_END);
  for (let arc = load<usize>(two, ARCS_IN); arc < inEnd; arc += ARC)
    if (placeOf(load<usize>(arc, OTHER)) >= p) return;
  exchange(p, q);
  lookAtPlace(p);
  lookAtPlace(p + 1);
  lookAtPlace(q);
  lookAtPlace(q + 1);
  if (!isKept(heat)) exchange(p, q);
}

/** Whether a step is behind all that come before it and in front of all that follow. */
function isInOrder(operation: usize): bool {
  const place = placeOf(operation);
  const inEnd = load<usize>(operation, ARCS_IN_END);
  for (let arc = load<usize>(operation, ARCS_IN); arc < inEnd; arc += ARC)
    if (placeOf(load<usize>(arc, OTHER)) >= place) return false;
  const outEnd = load<usize>(operation, ARCS_OUT_END);
  for (let arc = load<usize>(operation, ARCS_OUT); arc < outEnd; arc += ARC)
    if (placeOf(load<usize>(arc, OTHER)) <= place) return false;
  return true;
}

/** Notes that what lies at a place now must be looked at, wherever it comes to lie. */
function note(place: i32): void {
  if (place == size) return;
  store<usize>(notedEnd, at(place));
  notedEnd += 4;
}

function remember(session: i32, from: i32, to: i32): void {
  store<i32>(stepsEnd, session, OLD_SESSION);
  store<i32>(stepsEnd, from, FROM);
  store<i32>(stepsEnd, to, TO);
  stepsEnd += STEP;
}

/** Swaps two steps as a part of a move. */
function exchangeStep(p: i32, q: i32): void {
  exchange(p, q);
  note(p);
  note(p + 1);
  note(q);
  note(q + 1);
  remember(EXCHANGED, p, q);
}

/** Puts a step into a session between others as a part of a move. */
function shiftStep(p: i32, to: i32, session: i32): void {
  remember(sessionOf(at(p)), p, to);
  note(p + 1);
  shiftTo(p, to, session);
  note(to);
  note(to + 1);
}

/** Takes the parts of a move back, the last first. */
function takeStepsBack(): void {
  while (stepsEnd > steps) {
    stepsEnd -= STEP;
    const session = load<i32>(stepsEnd, OLD_SESSION);
    const from = load<i32>(stepsEnd, FROM);
    const to = load<i32>(stepsEnd, TO);
    if (session == EXCHANGED) exchange(from, to);
    else shiftTo(to, from, session);
  }
}

function sizeOfBlock(operation: usize): usize {
  return load<usize>(operation, BLOCK_END) - load<usize>(operation, BLOCK);
}

/** Swaps the steps of two blocks of one size, each with the one that comes as late in its own; false where a session does
 *  not allow it. */
function exchangeBlocks(block: usize, other: usize, length: usize): bool {
  for (let k: usize = 0; k < length; k += 4) {
    const one = load<usize>(block + k);
    const two = load<usize>(other + k);
    if (!canLieIn(one, sessionOf(two)) || !canLieIn(two, sessionOf(one))) return false;
    exchangeStep(placeOf(one), placeOf(two));
  }
  return true;
}

/** Moves the steps of a block by so many sessions each, into the places of single steps or between them; false where a
 *  session does not allow it. */
function moveBlock(block: usize, length: usize, by: i32): bool {
  for (let k: usize = 0; k < length; k += 4) {
    const one = load<usize>(block + k);
    const mine = sessionOf(one);
    const theirs = mine + by;
    if (!canLieIn(one, theirs)) return false;
    const first = placeOfSession(theirs);
    const there = placeOfSession(theirs + 1) - first;
    if (there == 0 || chance(BETWEEN)) {
      // Places as they are once the step is taken out.
      shiftStep(placeOf(one), first + below(there + 1) - (by > 0 ? 1 : 0), theirs);
      continue;
    }
    const two = at(first + below(there));
    if (sizeOfBlock(two) > 0 || !canLieIn(two, mine)) return false;
    exchangeStep(placeOf(one), placeOf(two));
  }
  return true;
}

/** Moves all that recoat windows tie to a step, as no window lets one of them alone over days without a session. */
function moveTogether(operation: usize, heat: f64): void {
  stepsEnd = steps;
  notedEnd = noted;
  const by = draw() >> 31 ? 1 + below(SESSIONS_AWAY) : -1 - below(SESSIONS_AWAY);
  const target = sessionOf(operation) + by;
  if (!canLieIn(operation, target)) return;
  const block = load<usize>(operation, BLOCK);
  const length = sizeOfBlock(operation);
  const first = placeOfSession(target);
  const there = placeOfSession(target + 1) - first;
  let isPossible: bool;
  if (there > 0 && chance(WITH_TIED)) {
    const partner = at(first + below(there));
    const other = load<usize>(partner, BLOCK);
    if (sizeOfBlock(partner) != length || other == block) return;
    isPossible = exchangeBlocks(block, other, length);
  } else isPossible = moveBlock(block, length, by);
  for (let k = noted; isPossible && k < notedEnd; k += 4) isPossible = isInOrder(load<usize>(k));
  if (isPossible) {
    for (let k = noted; k < notedEnd; k += 4) lookAtPlace(placeOf(load<usize>(k)));
    if (isKept(heat)) return;
  }
  takeStepsBack();
}

/** Tries so many moves at a heat in minutes, or fewer where nothing is too much any more; whether that is so. */
export function tryMoves(moves: i32, heat: f64): bool {
  for (let move = 0; move < moves && tooMuch() > 0; move++) {
    let operation: usize;
    if (lateCount > 0 && chance(FOCUS)) {
      const w = sessionOf(load<usize>(late + ((<usize>below(lateCount)) << 2)));
      const first = placeOfSession(w);
      operation = at(first + below(placeOfSession(w + 1) - first));
    } else operation = at(below(size));
    if (sizeOfBlock(operation) > 0 && chance(TOGETHER)) moveTogether(operation, heat);
    else if (chance(SWAP)) {
      const other = at(below(size));
      const p = placeOf(operation);
      const q = placeOf(other);
      if (p < q) swap(operation, other, heat);
      else if (q < p) swap(other, operation, heat);
    } else relocate(operation, heat);
  }
  return tooMuch() == 0;
}
