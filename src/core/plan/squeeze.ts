import { earliestStarts, latestStarts } from './scheduleBound.ts';
import type { IndexedArc, IndexedInstance } from './scheduleInstance.ts';

const LOOK_EVERY = 256;
/** Minutes of overrun that may be taken on at first and at last, in mean steps. */
const HOTTEST = 0.18;
const COLDEST = 0.024;
/** Shares of the moves that begin in a session with an overrun, and that swap two steps. */
const FOCUS = 0.6;
const SWAP = 0.6;
/** Overruns beyond so many minutes weigh little more: a step that waits for days is not a hundred times as wrong. */
const FULLY = 60;
const BEYOND = 0.05;
/** A move is given up while it is worked out once it has made things so much worse than could be kept; what follows may
 *  make up for less. */
const GIVEN_UP = 60;
/** How often earlier steps are pushed back for a maximum lag before its breach is weighed instead. */
const MOST_PUSHES = 6;
const NEVER = 2 ** 30;
/** Minutes of set-up weigh up to so much beside minutes of overrun, drawn anew for every try: less of it leaves room for
 *  work, but some instances fit only where it is left alone. */
const SETUP_PULL = 1.5;

/** Looks for a schedule that ends by `finish` with no more than so much set-up, by packing its sessions tighter than they
 *  hold and then making it fit.
 *
 *  Every step has a session and a place in it. Where one overruns its session, its latest start or a maximum lag, the
 *  minutes are weighed, as is set-up, most of all beyond what is wanted, and moves to another place and swaps of two steps lower their
 *  sum, with rises at a chance that falls as `progress` runs from 0 to 1. Begins with the order of the starts `from`.
 *  Starts by operation once nothing is too much, or undefined where `progress` came to its end first or `finish` is
 *  beyond all reach. */
export function squeeze(
  instance: IndexedInstance,
  from: ArrayLike<number>,
  { finish, setupMinutes }: { finish: number; setupMinutes: number },
  random: () => number,
  progress: (moves: number) => number,
): Int32Array | undefined {
  const { size, operations, windows, setup, family, needsBooth, hasBooth } = instance;
  const { newWindow } = setup;
  const kinds = setup.families.length;
  const change = Int32Array.from(setup.change.flat());
  const hands = Int32Array.from(operations, (operation) => operation.hands);
  const earliest = Int32Array.from(operations, (operation) => operation.earliest ?? 0);
  const reachable = earliestStarts(instance);
  const ends = latestStarts(instance, finish);
  if (reachable.some((start, i) => start > ends[i]!)) return undefined;
  const latest = Int32Array.from(ends, (start) => Math.min(NEVER, start));
  const opens = Int32Array.from(windows, ([start]) => start);
  const closes = Int32Array.from(windows, ([, end]) => end);
  const sessionAt = (minute: number) =>
    Math.max(
      0,
      windows.findLastIndex(([start]) => start <= minute),
    );
  const first = Int32Array.from(reachable, sessionAt);
  const last = Int32Array.from(latest, sessionAt);
  const into = listOfArcs(instance.preds);
  const windowsInto = listOfArcs(
    instance.preds.map((arcs) => arcs.filter(({ maxLag }) => maxLag < Infinity)),
  );
  const outOf = listOfArcs(instance.succs);

  const order = Int32Array.from(instance.topological).sort((a, b) => from[a]! - from[b]!);
  const place = new Int32Array(size);
  order.forEach((operation, at) => (place[operation] = at));
  const session = Int32Array.from(order, (_, i) => Math.min(last[i]!, sessionAt(from[i]!)));
  for (let at = size - 2; at >= 0; at--)
    session[order[at]!] = Math.min(session[order[at]!]!, session[order[at + 1]!]!);

  const starts = new Int32Array(size);
  const floors = Int32Array.from(earliest);
  /** Operations that a maximum lag pushed back. */
  let pushed: number[] = [];
  // Of each operation: minutes overrun, and the family used last with its session once it is done.
  const overrun = new Int32Array(size);
  const paint = new Int32Array(size).fill(-1);
  const painted = new Int32Array(size).fill(-1);
  const setups = new Int32Array(size);
  // What the move that is tried changed, as it was before.
  const touched = new Int32Array(size);
  let touchedCount = 0;
  const isTouched = new Uint8Array(size);
  const oldStarts = new Int32Array(size);
  const oldOverrun = new Int32Array(size);
  const oldPaint = new Int32Array(size);
  const oldPainted = new Int32Array(size);
  const oldSetups = new Int32Array(size);
  let oldPushed: number[] = [];
  let oldFloors: number[] = [];
  // Places still to look at, a bit each, and the first word that may hold one.
  const words = (size + 31) >> 5;
  const pending = new Int32Array(words);
  let firstWord = words;
  let total = 0;
  let setupTotal = 0;
  // Operations that overrun, in any order, and where each is in that list; -1 where it does not.
  const late = new Int32Array(size);
  const lateAt = new Int32Array(size).fill(-1);
  let lateCount = 0;
  const setOverrun = (operation: number, minutes: number) => {
    overrun[operation] = minutes;
    const at = lateAt[operation]!;
    if (minutes > 0 === at >= 0) return;
    if (at < 0) {
      lateAt[operation] = lateCount;
      late[lateCount++] = operation;
      return;
    }
    const moved = late[--lateCount]!;
    late[at] = moved;
    lateAt[moved] = at;
    lateAt[operation] = -1;
  };

  const weigh = (minutes: number) =>
    minutes > FULLY ? FULLY + Math.floor((minutes - FULLY) * BEYOND) : minutes;
  const lookAtPlace = (at: number) => {
    if (at === size) return;
    const word = at >> 5;
    pending[word]! |= 1 << (at & 31);
    if (word < firstWord) firstWord = word;
  };
  const lookAt = (operation: number) => lookAtPlace(place[operation]!);

  /** Brings up to date what is pending and all that follows from it, in the order of the places; whether it came to the
   *  end of that with no more overrun than `most` on the way. */
  const update = (most: number): boolean => {
    touchedCount = 0;
    oldPushed = pushed;
    oldFloors = [];
    for (const operation of pushed) {
      oldFloors.push(floors[operation]!);
      floors[operation] = earliest[operation]!;
      lookAt(operation);
    }
    pushed = [];
    let pushes = 0;
    while (total <= most) {
      while (firstWord < words && pending[firstWord] === 0) firstWord++;
      if (firstWord === words) break;
      const bits = pending[firstWord]!;
      pending[firstWord] = bits & (bits - 1);
      const at = (firstWord << 5) + 31 - Math.clz32(bits & -bits);
      const now = order[at]!;
      const w = session[now]!;
      const ahead = at > 0 ? order[at - 1]! : -1;
      let kind = ahead < 0 ? -1 : paint[ahead]!;
      let paintedIn = ahead < 0 ? -1 : painted[ahead]!;
      let start = ahead >= 0 && session[ahead] === w ? starts[ahead]! + hands[ahead]! : opens[w]!;
      const own = family[now]!;
      let need = 0;
      if (own >= 0) {
        need = kind >= 0 && kind !== own ? change[kind * kinds + own]! : 0;
        if (paintedIn !== w && need < newWindow) need = newWindow;
        start += need;
        kind = own;
        paintedIn = w;
      }
      if (floors[now]! > start) start = floors[now]!;
      for (let a = into.from[now]!; a < into.from[now + 1]!; a++) {
        const other = into.other[a]!;
        const ready = starts[other]! + hands[other]! + into.minLag[a]!;
        if (ready > start) start = ready;
      }
      let minutes = 0;
      const close = Math.min(closes[w]! - hands[now]!, latest[now]!);
      if (start > close) {
        minutes = weigh(start - close);
        start = close;
      }
      if (needsBooth[now]! > hasBooth[w]!) minutes += FULLY;
      for (let a = windowsInto.from[now]!; a < windowsInto.from[now + 1]!; a++) {
        const other = windowsInto.other[a]!;
        const floor = start - windowsInto.maxLag[a]! - hands[other]!;
        if (floor <= starts[other]!) continue;
        minutes += weigh(floor - starts[other]!);
        if (floor <= floors[other]! || pushes === MOST_PUSHES) continue;
        pushes++;
        if (floors[other] === earliest[other]) pushed.push(other);
        floors[other] = floor;
        lookAt(other);
        // It is looked at again once the other has moved.
        lookAt(now);
      }
      if (!isTouched[now]) {
        isTouched[now] = 1;
        oldStarts[touchedCount] = starts[now]!;
        oldOverrun[touchedCount] = overrun[now]!;
        oldPaint[touchedCount] = paint[now]!;
        oldPainted[touchedCount] = painted[now]!;
        oldSetups[touchedCount] = setups[now]!;
        touched[touchedCount++] = now;
      }
      total += minutes - overrun[now]!;
      setupTotal += need - setups[now]!;
      setups[now] = need;
      setOverrun(now, minutes);
      if (starts[now] !== start || paint[now] !== kind || painted[now] !== paintedIn) {
        lookAtPlace(at + 1);
        if (starts[now] !== start) {
          const later = Math.max(start, starts[now]!) + hands[now]!;
          starts[now] = start;
          for (let a = outOf.from[now]!; a < outOf.from[now + 1]!; a++) {
            const other = outOf.other[a]!;
            // A lag that does not hold it back, neither before nor now, is passed over.
            const isSlack = later + outOf.minLag[a]! < starts[other]! && outOf.maxLag[a] === NEVER;
            if (!isSlack || overrun[other]! > 0) lookAt(other);
          }
        }
        paint[now] = kind;
        painted[now] = paintedIn;
      }
    }
    for (let k = 0; k < touchedCount; k++) isTouched[touched[k]!] = 0;
    if (total <= most) return true;
    pending.fill(0);
    firstWord = words;
    return false;
  };
  const takeBack = () => {
    for (let k = 0; k < touchedCount; k++) {
      const operation = touched[k]!;
      starts[operation] = oldStarts[k]!;
      setOverrun(operation, oldOverrun[k]!);
      paint[operation] = oldPaint[k]!;
      painted[operation] = oldPainted[k]!;
      setups[operation] = oldSetups[k]!;
    }
    for (const operation of pushed) floors[operation] = earliest[operation]!;
    pushed = oldPushed;
    pushed.forEach((operation, k) => (floors[operation] = oldFloors[k]!));
  };
  const pull = SETUP_PULL * random();
  const tooMuch = () => total + Math.max(0, setupTotal - setupMinutes);
  const energy = () => tooMuch() + pull * setupTotal;
  /** Whether a move is kept whose operations are pending. */
  const isKept = (heat: number): boolean => {
    const before = energy();
    const [totalBefore, setupBefore] = [total, setupTotal];
    const allowed = -heat * Math.log(random());
    if (update(total + allowed + GIVEN_UP) && energy() - before <= allowed) return true;
    takeBack();
    total = totalBefore;
    setupTotal = setupBefore;
    return false;
  };

  /** The first place whose step lies in a session or later. */
  const placeOfSession = (wanted: number): number => {
    let low = 0;
    let high = size;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (session[order[middle]!]! < wanted) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const shiftTo = (at: number, to: number) => {
    const operation = order[at]!;
    if (to < at) order.copyWithin(to + 1, to, at);
    else order.copyWithin(at, at + 1, to + 1);
    order[to] = operation;
    for (let k = Math.min(at, to); k <= Math.max(at, to); k++) place[order[k]!] = k;
  };

  /** Moves a step to another place, mostly of another session. */
  const relocate = (operation: number, heat: number): void => {
    const own = session[operation]!;
    const at = place[operation]!;
    let low = first[operation]!;
    let high = last[operation]!;
    let least = 0;
    let most = size - 1;
    for (let a = into.from[operation]!; a < into.from[operation + 1]!; a++) {
      const other = into.other[a]!;
      least = Math.max(least, place[other]! + 1);
      low = Math.max(low, session[other]!);
      const ready = starts[other]! + hands[other]! + into.minLag[a]! + hands[operation]!;
      while (low < high && closes[low]! < ready) low++;
    }
    for (let a = outOf.from[operation]!; a < outOf.from[operation + 1]!; a++) {
      const other = outOf.other[a]!;
      most = Math.min(most, place[other]! - 1);
      high = Math.min(high, session[other]!);
      const close = closes[session[other]!]! - hands[other]! - outOf.minLag[a]! - hands[operation]!;
      while (high > low && opens[high]! > close) high--;
    }
    if (low > high) return;
    const wanted =
      random() < 0.5
        ? low + Math.floor(random() * (high - low + 1))
        : Math.max(low, Math.min(high, own + Math.floor(random() * 3) - 1));
    if (needsBooth[operation]! > hasBooth[wanted]!) return;
    // Places as they are once the step is taken out.
    const begin = placeOfSession(wanted);
    const end = placeOfSession(wanted + 1);
    const lowest = Math.max(begin - (at < begin ? 1 : 0), least);
    const highest = Math.min(end - (at < end ? 1 : 0), most);
    if (lowest > highest) return;
    const to = lowest + Math.floor(random() * (highest - lowest + 1));
    if (to === at && wanted === own) return;
    shiftTo(at, to);
    session[operation] = wanted;
    lookAt(operation);
    lookAtPlace(to + 1);
    lookAtPlace(to < at ? at + 1 : at);
    if (isKept(heat)) return;
    shiftTo(to, at);
    session[operation] = own;
  };

  const put = (operation: number, at: number, wanted: number) => {
    order[at] = operation;
    place[operation] = at;
    session[operation] = wanted;
  };
  const swap = (one: number, two: number, heat: number): void => {
    const [p, q] = [place[one]!, place[two]!];
    const [mine, theirs] = [session[one]!, session[two]!];
    if (theirs > last[one]! || mine < first[two]!) return;
    if (needsBooth[one]! > hasBooth[theirs]! || needsBooth[two]! > hasBooth[mine]!) return;
    for (let a = outOf.from[one]!; a < outOf.from[one + 1]!; a++) if (place[outOf.other[a]!]! <= q) return;
    for (let a = into.from[two]!; a < into.from[two + 1]!; a++) if (place[into.other[a]!]! >= p) return;
    put(two, p, mine);
    put(one, q, theirs);
    lookAt(one);
    lookAt(two);
    lookAtPlace(p + 1);
    lookAtPlace(q + 1);
    if (isKept(heat)) return;
    put(one, p, mine);
    put(two, q, theirs);
  };

  for (let at = 0; at < size; at++) lookAtPlace(at);
  update(Infinity);
  const mean = hands.reduce((sum, minutes) => sum + minutes, 0) / size;
  let heat = 0;
  for (let move = 0; tooMuch() > 0; move++) {
    if (move % LOOK_EVERY === 0) {
      const share = progress(move);
      if (share >= 1) return undefined;
      heat = mean * HOTTEST * (COLDEST / HOTTEST) ** share;
    }
    let operation = Math.floor(random() * size);
    if (random() < FOCUS && lateCount > 0) {
      const w = session[late[Math.floor(random() * lateCount)]!]!;
      const begin = placeOfSession(w);
      operation = order[begin + Math.floor(random() * (placeOfSession(w + 1) - begin))]!;
    }
    if (random() < SWAP) {
      const other = Math.floor(random() * size);
      if (place[operation]! < place[other]!) swap(operation, other, heat);
      else if (operation !== other) swap(other, operation, heat);
    } else relocate(operation, heat);
  }
  return starts;
}

/** Arcs one after another: those of operation i from `from[i]` to before `from[i + 1]`. */
function listOfArcs(arcs: readonly (readonly IndexedArc[])[]) {
  const all = arcs.flat();
  const from = new Int32Array(arcs.length + 1);
  arcs.forEach((own, i) => (from[i + 1] = from[i]! + own.length));
  return {
    from,
    other: Int32Array.from(all, ({ other }) => other),
    minLag: Int32Array.from(all, ({ minLag }) => minLag),
    maxLag: Int32Array.from(all, ({ maxLag }) => Math.min(NEVER, maxLag)),
  };
}
