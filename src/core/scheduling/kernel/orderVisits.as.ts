// AssemblyScript, compiled to WebAssembly by `npm run kernel`. What the search looks for, and why a node is cut, is said
// in ../orderSearch.ts; the memory is laid out by orderKernel.ts. Steps go by their places in an order that keeps what
// comes before what; sets of them are bits.
import { END_OF_HEADS, forget, isDominated, MINE, setRoom, THEIRS } from './orderMemo.as';

/** Whether the search is to end. */
declare function isStopped(): bool;
/** Takes the schedule at STARTS; looking for an earlier finish, it lays out the limits that the next must keep. */
declare function improve(finish: i32, setupMinutes: i32): void;

const NEVER: i32 = 1 << 30;
/** Visits between two questions whether to stop. */
const PATIENCE: i32 = 256;

// Rows of a number for each step.
const ROW: usize = 128;
const HANDS: usize = 1024;
const DRY: usize = HANDS + ROW;
const EARLIEST: usize = HANDS + 2 * ROW;
const FAMILY: usize = HANDS + 3 * ROW;
/** Sets of steps: those straight before, all before, those that a maximum lag ties to this one from before and after,
 *  and those more urgent. */
const PREDS: usize = HANDS + 4 * ROW;
const BEFORE: usize = HANDS + 5 * ROW;
const TIED_IN: usize = HANDS + 6 * ROW;
const TIED_OUT: usize = HANDS + 7 * ROW;
const URGENT: usize = HANDS + 8 * ROW;
/** Addresses of the first arc of each, and of one behind the last. */
const ARCS_IN: usize = HANDS + 9 * ROW;
const ARCS_OUT: usize = HANDS + 10 * ROW;
/** Address of when each session closes for it: before it opens where it lacks what the step needs. */
const CLOSES_FOR: usize = HANDS + 11 * ROW;
/** Limits: the latest starts, the steps by their latest ends, and the minutes open until these. */
const LATEST: usize = HANDS + 12 * ROW;
const ORDER: usize = HANDS + 13 * ROW;
const OPEN: usize = HANDS + 14 * ROW;
/** What is done: its starts, and the least that maximum lags allow. */
const STARTS: usize = HANDS + 15 * ROW;
const FLOORS: usize = HANDS + 16 * ROW;
const PLACE_OF: usize = HANDS + 17 * ROW;
/** By when each step left must start, however far what is done may still be pushed back. */
const UNTIL: usize = HANDS + 18 * ROW;
/** Of every step left: when it can begin at the earliest, the session of that, and the minutes open before. */
const READY: usize = HANDS + 19 * ROW;
const READY_SESSION: usize = HANDS + 20 * ROW;
const OPEN_AT: usize = HANDS + 21 * ROW;
const ALONG: usize = HANDS + 22 * ROW;
// The sequence so far, by place: the step, its session and its set-up, how late it could ever start if it were pushed
// back, and how late with nothing left any the later.
const SEQUENCE: usize = HANDS + 23 * ROW;
const SESSION_OF: usize = HANDS + 24 * ROW;
const NEED: usize = HANDS + 25 * ROW;
const FURTHEST: usize = HANDS + 26 * ROW;
const FREELY: usize = HANDS + 27 * ROW;
/** The steps left by their latest ends; then their minutes, paints as bits, minutes open before they can begin, and
 *  before they must have ended. */
const LEFT: usize = HANDS + 28 * ROW;
const LEFT_HANDS: usize = HANDS + 29 * ROW;
const LEFT_PAINT: usize = HANDS + 30 * ROW;
const LEFT_AT: usize = HANDS + 31 * ROW;
const LEFT_OPEN: usize = HANDS + 32 * ROW;
/** For every depth, what was there before a choice, when the steps that may come next could begin, when one without
 *  paint would have been done instead, and the choices of one session in the order of their rank. */
const FRAMES: usize = 6144;
const KEPT_STARTS: usize = 0;
const KEPT_FLOORS: usize = ROW;
const KEPT_UNTIL: usize = 2 * ROW;
const FROM: usize = 3 * ROW;
const GAP: usize = 4 * ROW;
const CHOICE: usize = 5 * ROW;
const CHOICE_NEED: usize = 6 * ROW;
const CHOICE_RANK: usize = 7 * ROW;
const FRAME: usize = 9 * ROW;

// An arc: the step at its other end and its lags.
const LEAST_LAG: usize = 4;
const MOST_LAG: usize = 8;
const ARC: usize = 12;

let size: i32 = 0;
let all: i32 = 0;
let allTied: i32 = 0;
let sessions: i32 = 0;
let opens: usize = 0;
let closes: usize = 0;
let openBefore: usize = 0;
let kinds: i32 = 0;
let newWindow: i32 = 0;
/** Minutes from family to family, and the least of them through others. */
let changes: usize = 0;
let between: usize = 0;
/** The table of ../setupTable.ts; 0 for none. */
let table: usize = 0;
let sets: i32 = 0;
let width: i32 = 0;

let forFinish: bool = true;
let bestFinish: i32 = NEVER;
let bestSetup: i32 = NEVER;
let hasBetter: bool = false;
let visits: i32 = 0;
let mostVisits: i32 = 0;
let isWhole: bool = true;
let depth: i32 = 0;
let leftCount: i32 = 0;
/** Whether a maximum lag from a step done could bind one left. */
let hasTies: bool = false;

/** The first address that is not taken, from which what is given is laid out. */
export function ground(): usize {
  return END_OF_HEADS;
}

export function setSteps(count: i32, tied: i32): void {
  size = count;
  all = (1 << count) - 1;
  allTied = tied;
}

export function setSessions(count: i32, opensAt: usize, closesAt: usize, openBeforeAt: usize): void {
  sessions = count;
  opens = opensAt;
  closes = closesAt;
  openBefore = openBeforeAt;
}

export function setSetup(
  families: i32,
  first: i32,
  changesAt: usize,
  betweenAt: usize,
  tableAt: usize,
  tableSets: i32,
  tableWidth: i32,
): void {
  kinds = families;
  newWindow = first;
  changes = changesAt;
  between = betweenAt;
  table = tableAt;
  sets = tableSets;
  width = tableWidth;
}

/** Looks for something better, with nothing remembered but from `room` on; whether it came to its end. */
export function look(isForFinish: bool, finish: i32, setupMinutes: i32, most: i32, room: usize): bool {
  forFinish = isForFinish;
  bestFinish = finish;
  bestSetup = setupMinutes;
  mostVisits = most;
  hasBetter = false;
  visits = 0;
  isWhole = true;
  depth = 0;
  setRoom(room);
  copyRow(FLOORS, EARLIEST);
  visit(0, -1, -1, 0);
  return isWhole;
}

export function visited(): i32 {
  return visits;
}

export { MINE, THEIRS, setRoom, isDominated };

function at(row: usize, index: i32): i32 {
  return load<i32>(row + ((<usize>index) << 2));
}
function put(row: usize, index: i32, value: i32): void {
  store<i32>(row + ((<usize>index) << 2), value);
}
function addressAt(row: usize, index: i32): usize {
  return load<usize>(row + ((<usize>index) << 2));
}
/** The rows of as many steps as are searched at most. */
function copyRow(to: usize, from: usize): void {
  v128.store(to, v128.load(from));
  v128.store(to, v128.load(from, 16), 16);
  v128.store(to, v128.load(from, 32), 32);
  v128.store(to, v128.load(from, 48), 48);
  v128.store(to, v128.load(from, 64), 64);
  v128.store(to, v128.load(from, 80), 80);
}
function has(set: i32, step: i32): bool {
  return (set & (1 << step)) !== 0;
}
function endOf(step: i32): i32 {
  return at(STARTS, step) + at(HANDS, step);
}
function change(matrix: usize, from: i32, to: i32): i32 {
  return load<i32>(matrix + ((<usize>(from * kinds + to)) << 2));
}
/** Set-up minutes that work left costs at least: from the family used last, into every one of a set, with paint in so
 *  many sessions that have seen none. */
function setupLeast(last: i32, families: i32, newSessions: i32): i32 {
  if (table === 0) return newSessions > 0 ? newWindow : 0;
  const entry = ((last + 1) * sets + families) * width + min(newSessions, width - 1);
  return load<i32>(table + ((<usize>entry) << 2));
}

/** Least starts from a place on; false where a session or a given latest start is overrun. */
function settle(from: i32): bool {
  for (let place = from; place < depth; place++) {
    const step = at(SEQUENCE, place);
    const session = at(SESSION_OF, place);
    const before = place === 0 ? 0 : endOf(at(SEQUENCE, place - 1));
    let start = max(at(FLOORS, step), max(before, at(opens, session)) + at(NEED, place));
    const first = addressAt(ARCS_IN, step);
    const end = addressAt(ARCS_IN, step + 1);
    for (let arc = first; arc < end; arc += ARC) {
      start = max(start, endOf(load<i32>(arc)) + load<i32>(arc, LEAST_LAG));
    }
    if (start + at(HANDS, step) > at(closes, session) || start > at(LATEST, step)) return false;
    put(STARTS, step, start);
    if (at(TIED_IN, step) === 0) continue;
    let back = place;
    for (let arc = first; arc < end; arc += ARC) {
      const other = load<i32>(arc);
      const floor = start - load<i32>(arc, MOST_LAG) - at(HANDS, other);
      if (floor <= at(STARTS, other)) continue;
      put(FLOORS, other, floor);
      back = min(back, at(PLACE_OF, other));
    }
    if (back < place) place = back - 1;
  }
  return true;
}

/** When what is done lets a step begin. All its predecessors are done. */
function readyAfterDone(step: i32): i32 {
  let from = at(FLOORS, step);
  const end = addressAt(ARCS_IN, step + 1);
  for (let arc = addressAt(ARCS_IN, step); arc < end; arc += ARC) {
    from = max(from, endOf(load<i32>(arc)) + load<i32>(arc, LEAST_LAG));
  }
  return from;
}

/** Fills READY from what is done and what is left; false where some step comes too late. */
function canBegin(mask: i32, now: i32, session: i32, painting: bool): bool {
  for (let left = all & ~mask; left !== 0; left &= left - 1) {
    const step = ctz(left);
    let from = max(at(FLOORS, step), now);
    const end = addressAt(ARCS_IN, step + 1);
    for (let arc = addressAt(ARCS_IN, step); arc < end; arc += ARC) {
      const other = load<i32>(arc);
      const start = has(mask, other) ? at(STARTS, other) : at(READY, other);
      from = max(from, start + at(HANDS, other) + load<i32>(arc, LEAST_LAG));
    }
    let w = session;
    // Somebody pays for the first paint of a session.
    const extra = at(FAMILY, step) >= 0 ? newWindow : 0;
    let opening = painting ? at(opens, w) : max(now, at(opens, w)) + extra;
    const ends = addressAt(CLOSES_FOR, step);
    const hands = at(HANDS, step);
    while (max(from, opening) + hands > at(ends, w)) {
      if (++w === sessions) return false;
      opening = at(opens, w) + extra;
    }
    const start = max(from, opening);
    if (start > at(UNTIL, step)) return false;
    put(READY, step, start);
    put(READY_SESSION, step, w);
    put(OPEN_AT, step, at(openBefore, w) + start - at(opens, w));
  }
  return true;
}

/** Fills LEFT. */
function listLeft(mask: i32): void {
  leftCount = 0;
  for (let q = 0; q < size; q++) {
    const step = at(ORDER, q);
    if (has(mask, step)) continue;
    put(LEFT, leftCount, step);
    leftCount++;
  }
}

/** Whether the work between any minute when a step can begin and any by which one must have ended, with the set-up that
 *  its paints cost at least, fits the minutes open in between; and all that is left with all its set-up. */
function fits(openNow: i32, lastFamily: i32, setupLeft: i32): bool {
  let work = 0;
  let families = 0;
  let minutes = 0;
  let end = 0;
  for (let q = 0; q < leftCount; q++) {
    const step = at(LEFT, q);
    const hands = at(HANDS, step);
    const kind = at(FAMILY, step);
    const open = at(OPEN, step);
    work += hands;
    const paint = kind < 0 ? 0 : 1 << kind;
    if ((paint & ~families) !== 0) {
      families |= paint;
      minutes = setupLeast(lastFamily, families, 0);
    }
    end = open - openNow;
    if (work + minutes > end) return false;
    put(LEFT_HANDS, q, hands);
    put(LEFT_PAINT, q, paint);
    put(LEFT_AT, q, at(OPEN_AT, step));
    put(LEFT_OPEN, q, open);
  }
  if (work + setupLeft > end) return false;
  for (let p = 0; p < leftCount; p++) {
    const from = at(LEFT_AT, p);
    if (from <= openNow) continue;
    work = 0;
    families = 0;
    minutes = 0;
    for (let q = 0; q < leftCount; q++) {
      if (at(LEFT_AT, q) < from) continue;
      work += at(LEFT_HANDS, q);
      const paint = at(LEFT_PAINT, q);
      if ((paint & ~families) !== 0) {
        families |= paint;
        minutes = setupLeast(-1, families, 0);
      }
      if (work + minutes > at(LEFT_OPEN, q) - from) return false;
    }
  }
  return true;
}

/** Sessions without paint so far in which some must be done at least: each step's latest session in turn, unless one
 *  taken already serves it. Uses READY. */
function sessionsLeft(session: i32, painting: bool): i32 {
  let count = 0;
  let taken = painting ? session : -1;
  for (let q = 0; q < leftCount; q++) {
    const step = at(LEFT, q);
    if (at(FAMILY, step) < 0) continue;
    let w = session;
    const end = at(READY, step) + at(HANDS, step);
    while (at(closes, w) < end) w++;
    if (taken >= w) continue;
    const latest = at(LATEST, step);
    while (w + 1 < sessions && at(opens, w + 1) <= latest) w++;
    taken = w;
    count++;
  }
  return count;
}

/** Set-up minutes along the dearest chain of painted steps of which each must come before the next. */
function chainLeft(lastFamily: i32, session: i32, painting: bool): i32 {
  let most = 0;
  for (let q = 0; q < leftCount; q++) {
    const j = at(LEFT, q);
    const kind = at(FAMILY, j);
    if (kind < 0) continue;
    const opening = at(opens, at(READY_SESSION, j));
    const isNew = !painting || at(READY_SESSION, j) > session;
    let minutes = lastFamily < 0 ? 0 : change(between, lastFamily, kind);
    if (isNew) minutes = max(minutes, newWindow);
    const end = at(READY, j) + at(HANDS, j);
    const before = at(BEFORE, j);
    for (let p = 0; p < q; p++) {
      const i = at(LEFT, p);
      const other = at(FAMILY, i);
      if (other < 0) continue;
      const until = at(UNTIL, i);
      // What could still come after j is not surely before it.
      if (end <= until && !has(before, i)) continue;
      let minutesBetween = change(between, other, kind);
      if (opening > until) minutesBetween = max(minutesBetween, newWindow);
      minutes = max(minutes, at(ALONG, i) + minutesBetween);
    }
    put(ALONG, j, minutes);
    most = max(most, minutes);
  }
  return most;
}

/** Whether a more urgent step could begin in a step's place. */
function comesAfter(step: i32, mask: i32, start: i32): bool {
  for (let left = at(URGENT, step) & ~mask; left !== 0; left &= left - 1) {
    const other = ctz(left);
    if ((at(PREDS, other) & ~mask) === 0 && readyAfterDone(other) <= start) return true;
  }
  return false;
}

/** When a step whose predecessors are done could begin if all that is done were pushed back as far as it ever can. */
function pushedReady(step: i32, session: i32): i32 {
  const last = at(SEQUENCE, depth - 1);
  let from = max(at(FLOORS, step), at(FURTHEST, depth - 1) + at(HANDS, last));
  const end = addressAt(ARCS_IN, step + 1);
  for (let arc = addressAt(ARCS_IN, step); arc < end; arc += ARC) {
    const other = load<i32>(arc);
    from = max(from, at(FURTHEST, at(PLACE_OF, other)) + at(HANDS, other) + load<i32>(arc, LEAST_LAG));
  }
  const ends = addressAt(CLOSES_FOR, step);
  for (let w = session; w < sessions; w++) {
    const start = max(from, at(opens, w));
    if (start + at(HANDS, step) <= at(ends, w)) return start;
  }
  return NEVER;
}

/** The latest start in a session that is no later than a minute. */
function inSession(minute: i32, minutes: i32): i32 {
  let w = sessions - 1;
  while (w > 0 && at(opens, w) > minute) w--;
  return min(minute, at(closes, w) - minutes);
}

function isPending(done: i32, left: i32, mostLag: i32, mask: i32): bool {
  return mostLag < NEVER && has(mask, done) && endOf(done) + mostLag < at(LATEST, left);
}

/** Fills UNTIL and says whether there are ties. */
function pushTies(mask: i32): void {
  copyRow(UNTIL, LATEST);
  hasTies = false;
  for (let left = allTied & ~mask; left !== 0; left &= left - 1) {
    const step = ctz(left);
    if ((at(TIED_IN, step) & mask) === 0) continue;
    const end = addressAt(ARCS_IN, step + 1);
    for (let arc = addressAt(ARCS_IN, step); arc < end; arc += ARC) {
      const other = load<i32>(arc);
      const mostLag = load<i32>(arc, MOST_LAG);
      if (!isPending(other, step, mostLag, mask)) continue;
      if (!hasTies) pushBack(mask);
      hasTies = true;
      put(UNTIL, step, min(at(UNTIL, step), at(FURTHEST, at(PLACE_OF, other)) + at(HANDS, other) + mostLag));
    }
  }
}

/** Fills FURTHEST. */
function pushBack(mask: i32): void {
  for (let place = depth - 1; place >= 0; place--) {
    const step = at(SEQUENCE, place);
    const hands = at(HANDS, step);
    let latest = min(at(closes, at(SESSION_OF, place)) - hands, at(LATEST, step));
    if (place + 1 < depth && at(SESSION_OF, place + 1) === at(SESSION_OF, place)) {
      latest = min(latest, at(FURTHEST, place + 1) - at(NEED, place + 1) - hands);
    }
    const end = addressAt(ARCS_OUT, step + 1);
    for (let arc = addressAt(ARCS_OUT, step); arc < end; arc += ARC) {
      const other = load<i32>(arc);
      if (has(mask, other))
        latest = min(latest, at(FURTHEST, at(PLACE_OF, other)) - load<i32>(arc, LEAST_LAG) - hands);
    }
    put(FURTHEST, place, latest);
  }
}

/** Fills FREELY, all steps pushed at once. */
function pushFreely(mask: i32): void {
  for (let place = 0; place < depth; place++) put(FREELY, place, NEVER);
  for (let isSettled = false; !isSettled;) {
    isSettled = true;
    for (let place = depth - 1; place >= 0; place--) {
      const step = at(SEQUENCE, place);
      const hands = at(HANDS, step);
      let latest = place === depth - 1 ? at(STARTS, step) : at(FREELY, place);
      latest = min(latest, min(at(closes, at(SESSION_OF, place)) - hands, at(LATEST, step)));
      if (place + 1 < depth && at(SESSION_OF, place + 1) === at(SESSION_OF, place)) {
        latest = min(latest, at(FREELY, place + 1) - at(NEED, place + 1) - hands);
      }
      const first = addressAt(ARCS_OUT, step);
      const end = addressAt(ARCS_OUT, step + 1);
      for (let arc = first; arc < end; arc += ARC) {
        const other = load<i32>(arc);
        const start = has(mask, other) ? at(FREELY, at(PLACE_OF, other)) : at(READY, other);
        latest = min(latest, start - load<i32>(arc, LEAST_LAG) - hands);
      }
      put(FREELY, place, latest);
      for (let arc = first; arc < end; arc += ARC) {
        const other = load<i32>(arc);
        const mostLag = load<i32>(arc, MOST_LAG);
        if (mostLag === NEVER || !has(mask, other)) continue;
        const until = latest + hands + mostLag;
        if (at(FREELY, at(PLACE_OF, other)) <= until) continue;
        put(FREELY, at(PLACE_OF, other), until);
        isSettled = false;
      }
    }
  }
}

function tell(index: i32, value: i32): void {
  put(MINE, index, value);
  put(THEIRS, index, value);
}

/** Asks the memo, and tells it, whether a node met before was nowhere later. */
function isKnown(mask: i32, lastFamily: i32, session: i32, painting: bool, setupSoFar: i32, now: i32): bool {
  let length = 0;
  tell(length++, now);
  tell(length++, forFinish ? 0 : setupSoFar);
  for (let left = all & ~mask; left !== 0; left &= left - 1) tell(length++, at(READY, ctz(left)));
  // A step left that a maximum lag ties to one done must start by a minute: the earlier, the worse. A node gains some by
  // pushing back what it did, as far as nothing left is the later for it; to beat another, it must have as much as that
  // could ever gain.
  if (hasTies) pushFreely(mask);
  let ties = 0;
  let from = depth;
  for (let left = allTied & ~mask; left !== 0; left &= left - 1) {
    const step = ctz(left);
    if ((at(TIED_IN, step) & mask) === 0) continue;
    let own = at(LATEST, step);
    const end = addressAt(ARCS_IN, step + 1);
    for (let arc = addressAt(ARCS_IN, step); arc < end; arc += ARC) {
      const other = load<i32>(arc);
      const mostLag = load<i32>(arc, MOST_LAG);
      if (!isPending(other, step, mostLag, mask)) continue;
      const place = at(PLACE_OF, other);
      own = min(own, at(FREELY, place) + at(HANDS, other) + mostLag);
      from = min(from, place);
    }
    put(MINE, length + ties, -inSession(own, at(HANDS, step)));
    put(THEIRS, length + ties, -inSession(at(UNTIL, step), at(HANDS, step)));
    ties++;
  }
  // Whatever is pushed pushes what follows it, and what a maximum lag ties to that.
  for (let place = depth - 1; place >= from; place--) {
    for (let tied = at(TIED_IN, at(SEQUENCE, place)); tied !== 0; tied &= tied - 1) {
      from = min(from, at(PLACE_OF, ctz(tied)));
    }
  }
  for (let place = from, index = length + ties; place < depth; place++) {
    tell(index++, at(SEQUENCE, place) * sessions + at(SESSION_OF, place));
    tell(index++, at(STARTS, at(SEQUENCE, place)));
  }
  return isDominated(mask, lastFamily, session, painting, length, ties, depth - from);
}

/** Everything is done: whether that is better than the best. */
function weigh(setupMinutes: i32): void {
  let finish = 0;
  for (let step = 0; step < size; step++) finish = max(finish, endOf(step) + at(DRY, step));
  if (forFinish ? finish >= bestFinish : setupMinutes >= bestSetup) return;
  bestFinish = finish;
  bestSetup = setupMinutes;
  hasBetter = true;
  improve(finish, setupMinutes);
  // What was cut for being no sooner than another may be sooner than the new best.
  if (forFinish) forget();
}

/** Since a better finish was found, what is done may have become too late. */
function isOvertaken(mask: i32): bool {
  for (let done = mask; done !== 0; done &= done - 1) {
    const step = ctz(done);
    if (at(STARTS, step) > at(LATEST, step)) return true;
  }
  return false;
}

function visit(mask: i32, lastFamily: i32, familySession: i32, setupSoFar: i32): void {
  if (!isWhole) return;
  visits++;
  if (visits > mostVisits || (visits % PATIENCE === 0 && isStopped())) {
    isWhole = false;
    return;
  }
  if (mask === all) {
    weigh(setupSoFar);
    return;
  }
  if (forFinish && hasBetter && isOvertaken(mask)) return;
  const now = depth === 0 ? 0 : endOf(at(SEQUENCE, depth - 1));
  const session = depth === 0 ? 0 : at(SESSION_OF, depth - 1);
  const painting = familySession === session;
  pushTies(mask);
  if (!canBegin(mask, now, session, painting)) return;
  listLeft(mask);
  let families = 0;
  for (let q = 0; q < leftCount; q++) {
    const kind = at(FAMILY, at(LEFT, q));
    if (kind >= 0) families |= 1 << kind;
  }
  let setupLeft = 0;
  if (families !== 0) {
    setupLeft = setupLeast(lastFamily, families, sessionsLeft(session, painting));
    if (!forFinish && setupSoFar + setupLeft >= bestSetup) return;
    setupLeft = max(setupLeft, chainLeft(lastFamily, session, painting));
  }
  if (!forFinish && setupSoFar + setupLeft >= bestSetup) return;
  const openNow = depth === 0 ? 0 : at(openBefore, session) + now - at(opens, session);
  if (!fits(openNow, lastFamily, setupLeft)) return;
  const isUnpainted = families === 0;
  if (isKnown(mask, isUnpainted ? -1 : lastFamily, session, painting || isUnpainted, setupSoFar, now)) return;
  branch(mask, lastFamily, familySession, setupSoFar, now, session);
}

/** Every step that may come next, in every session. */
function branch(
  mask: i32,
  lastFamily: i32,
  familySession: i32,
  setupSoFar: i32,
  now: i32,
  session: i32,
): void {
  // The step without paint that would have ended soonest, and the next: another that begins only after that waits.
  let filler = -1;
  let filled = NEVER;
  let second = NEVER;
  // All that is left comes after the next step: the step that must start soonest, and the next such.
  let soonest = -1;
  let must = NEVER;
  let mustNext = NEVER;
  let open = 0;
  for (let left = all & ~mask; left !== 0; left &= left - 1) {
    const step = ctz(left);
    const until = at(UNTIL, step);
    if (until < must) {
      mustNext = must;
      must = until;
      soonest = step;
    } else if (until < mustNext) mustNext = until;
    if ((at(PREDS, step) & ~mask) !== 0) continue;
    open |= 1 << step;
    if (at(FAMILY, step) >= 0 || at(TIED_OUT, step) !== 0) continue;
    const end = (hasTies ? pushedReady(step, session) : at(READY, step)) + at(HANDS, step);
    if (end < filled) {
      second = filled;
      filled = end;
      filler = step;
    } else if (end < second) second = end;
  }
  const frame = FRAMES + <usize>depth * FRAME;
  copyRow(frame + KEPT_STARTS, STARTS);
  copyRow(frame + KEPT_FLOORS, FLOORS);
  copyRow(frame + KEPT_UNTIL, UNTIL);
  for (let left = open; left !== 0; left &= left - 1) {
    const step = ctz(left);
    put(frame + FROM, step, readyAfterDone(step));
    put(frame + GAP, step, step === filler ? second : filled);
  }
  const isTied = hasTies;
  for (let w = session; w < sessions && at(opens, w) <= must && open !== 0; w++) {
    let choices = 0;
    const opening = max(now, at(opens, w));
    for (let left = open; left !== 0; left &= left - 1) {
      const step = ctz(left);
      const kind = at(FAMILY, step);
      let minutes = 0;
      if (kind >= 0) {
        if (lastFamily >= 0 && lastFamily !== kind) minutes = change(changes, lastFamily, kind);
        if (familySession !== w) minutes = max(minutes, newWindow);
      }
      const start = max(at(frame + FROM, step), opening + minutes);
      const end = start + at(HANDS, step);
      if (end > at(addressAt(CLOSES_FOR, step), w)) continue;
      if (
        start > at(frame + KEPT_UNTIL, step) ||
        at(frame + GAP, step) <= start - minutes ||
        end > (step === soonest ? mustNext : must)
      ) {
        // Nor in any session after this one.
        open &= ~(1 << step);
        continue;
      }
      if (!isTied && comesAfter(step, mask, start)) continue;
      // The least slack first, then what can begin first.
      const rank = <f64>at(LATEST, step) + <f64>start * 1e-5;
      const ranks = frame + CHOICE_RANK;
      let index = choices++;
      for (; index > 0 && load<f64>(ranks + ((<usize>(index - 1)) << 3)) > rank; index--) {
        store<f64>(ranks + ((<usize>index) << 3), load<f64>(ranks + ((<usize>(index - 1)) << 3)));
        put(frame + CHOICE, index, at(frame + CHOICE, index - 1));
        put(frame + CHOICE_NEED, index, at(frame + CHOICE_NEED, index - 1));
      }
      store<f64>(ranks + ((<usize>index) << 3), rank);
      put(frame + CHOICE, index, step);
      put(frame + CHOICE_NEED, index, minutes);
    }
    for (let c = 0; c < choices; c++) {
      const step = at(frame + CHOICE, c);
      const minutes = at(frame + CHOICE_NEED, c);
      put(SEQUENCE, depth, step);
      put(SESSION_OF, depth, w);
      put(NEED, depth, minutes);
      put(PLACE_OF, step, depth);
      depth++;
      if (settle(depth - 1)) {
        const kind = at(FAMILY, step);
        if (kind >= 0) visit(mask | (1 << step), kind, w, setupSoFar + minutes);
        else visit(mask | (1 << step), lastFamily, familySession, setupSoFar + minutes);
      }
      depth--;
      copyRow(STARTS, frame + KEPT_STARTS);
      copyRow(FLOORS, frame + KEPT_FLOORS);
      if (!isWhole) return;
    }
  }
}
