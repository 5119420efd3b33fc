import { orderMemo } from './orderMemo.ts';
import { finishBound, latestStarts } from './scheduleBound.ts';
import type { IndexedArc, IndexedInstance } from './scheduleInstance.ts';
import { setupTable } from './setupTable.ts';

/** A schedule by starts, as the search knows it. */
export interface ProvedSchedule {
  starts: Int32Array;
  finish: number;
  setupMinutes: number;
}

/** What a search is for: an earlier finish, whatever its set-up, or less set-up. */
export type SearchGoal = 'finish' | 'setup';

export interface SearchBudget {
  /** Nodes more. */
  nodes: number;
  stopped: () => boolean;
}

export interface OrderSearch {
  /** Looks for the schedule that ends by a minute and is better than what is known: the earliest finish, or the least
   *  set-up. `whole` where it came to its end: then nothing is better than `better`, or else than what is known. */
  look: (
    goal: SearchGoal,
    known: { finish: number; setupMinutes: number },
    until: number,
    budget: SearchBudget,
  ) => { whole: boolean; better: ProvedSchedule | undefined };
  /** Nodes of all looks so far. */
  nodes: () => number;
}

/** Sets of done operations are bits of a number. */
export const MOST_TO_SEARCH = 24;
const NEVER = 2 ** 30;

/** A search through every order and every session of each step.
 *
 *  Branches on the next step in time and the session it lies in. For a given order and sessions the least starts are
 *  those of a longest path, found by pushing earlier steps back where a maximum lag asks for it; they are least for all
 *  steps at once, so the finish is too. A node is cut
 *  - where some step left cannot start by the latest minute that would still do,
 *  - where the steps left do not fit between when they can begin and when they must have ended, even if they may be
 *    interrupted: for every pair of such minutes the work in between against the minutes open,
 *  - where the set-up left cannot be little enough,
 *  - where a step without paint fits whole before the next one begins: doing it there is as good,
 *  - where an earlier node with the same steps done was nowhere later (see `orderMemo`).
 *  Throws RangeError for more steps than `MOST_TO_SEARCH`. */
export function orderSearch(instance: IndexedInstance): OrderSearch {
  const { size, operations, windows, family, needsBooth, hasBooth, setup, preds, succs } = instance;
  if (size > MOST_TO_SEARCH)
    throw new RangeError(`${size} steps are too many to look at every order: ${MOST_TO_SEARCH} at most.`);
  const hands = Int32Array.from(operations, (operation) => operation.hands);
  const dry = Int32Array.from(operations, (operation) => operation.dry);
  const earliest = Int32Array.from(operations, (operation) => operation.earliest ?? 0);
  const latestGiven = Int32Array.from(operations, (operation) => Math.min(NEVER, operation.latest ?? NEVER));
  const topological = Int32Array.from(instance.topological);
  const all = 2 ** size - 1;
  const masksOf = (arcs: typeof preds) =>
    Int32Array.from(arcs, (each) => each.reduce((mask, { other }) => mask | (1 << other), 0));
  const predMask = masksOf(preds);
  /** All that must come before each step, directly or not. */
  const before = new Int32Array(size);
  for (const i of topological) for (const { other } of preds[i]!) before[i]! |= before[other]! | (1 << other);
  /** Steps that a maximum lag ties to one before, or after. */
  const tiedIn = masksOf(preds.map((arcs) => arcs.filter(({ maxLag }) => maxLag < Infinity)));
  const allTied = tiedIn.reduce((mask, arcs, i) => (arcs ? mask | (1 << i) : mask), 0);
  const tiedOut = masksOf(succs.map((arcs) => arcs.filter(({ maxLag }) => maxLag < Infinity)));
  const into = flatArcs(preds);
  const outOf = flatArcs(succs);
  const opens = Int32Array.from(windows, ([start]) => start);
  const closes = Int32Array.from(windows, ([, end]) => end);
  /** When each session closes for each step: before it opens where it lacks what the step needs. */
  const closesFor = operations.map((_, i) =>
    closes.map((end, w) => (needsBooth[i]! > hasBooth[w]! ? -1 : end)),
  );
  /** Open minutes before each session. */
  const openBefore = new Int32Array(windows.length);
  for (let w = 1; w < windows.length; w++)
    openBefore[w] = openBefore[w - 1]! + closes[w - 1]! - opens[w - 1]!;
  const openUntil = (minute: number): number => {
    let w = 0;
    while (w + 1 < opens.length && opens[w + 1]! < minute) w++;
    return openBefore[w]! + Math.max(0, Math.min(minute, closes[w]!) - opens[w]!);
  };
  const used = family.reduce((set, kind) => (kind >= 0 ? set | (1 << kind) : set), 0);
  const setupLeast = setupTable(setup, used, Math.min(size, windows.length));

  /** Steps that had better take a step's place where they can, whatever the finish: as long, with the same paint, needed
   *  no later, and before all that waits for the other. Of two alike the first goes first. */
  const urgent = Int32Array.from(operations, (_, k) => {
    const serves = (one: number, two: number) =>
      tiedOut[one] === 0 &&
      tiedIn[two] === 0 &&
      dry[one]! >= dry[two]! &&
      latestGiven[one]! <= latestGiven[two]! &&
      succs[two]!.every(({ other, minLag }) =>
        succs[one]!.some((arc) => arc.other === other && arc.minLag >= minLag),
      );
    return operations.reduce((mask, __, i) => {
      const isMeant =
        i !== k &&
        hands[i] === hands[k] &&
        family[i] === family[k] &&
        needsBooth[i] === needsBooth[k] &&
        serves(i, k);
      return isMeant && (i < k || !serves(k, i)) ? mask | (1 << i) : mask;
    }, 0);
  });

  /** What must hold for a finish: latest starts, the steps by their latest ends, and the minutes open until these. */
  const limitsOf = (finish: number) => {
    const latest = Int32Array.from(latestStarts(instance, finish), (start, i) =>
      Math.max(-1, Math.min(start, latestGiven[i]!)),
    );
    const order = Int32Array.from(operations, (_, i) => i).sort(
      (p, q) => latest[p]! + hands[p]! - latest[q]! - hands[q]!,
    );
    return {
      latest,
      order,
      open: Int32Array.from(latest, (start, i) => openUntil(start + hands[i]!)),
    };
  };

  let best = { finish: NEVER, setupMinutes: NEVER };
  let better: ProvedSchedule | undefined;
  /** Looking for an earlier finish, whatever its set-up; or else for less set-up. */
  let forFinish = true;
  let limits = limitsOf(finishBound(instance));
  let memo = orderMemo(size);
  let nodes = 0;
  /** Until when the tree is searched, and whether it was searched whole. */
  const search = { most: 0, whole: true, stopped: () => false };
  const halted = () => !search.whole;

  // The sequence so far, one entry for each place.
  const sequence = new Int32Array(size);
  const sessionOf = new Int32Array(size);
  const need = new Int32Array(size);
  const placeOf = new Int32Array(size);
  const starts = new Int32Array(size);
  const floors = Int32Array.from(earliest);
  const furthest = new Int32Array(size);
  const freely = new Int32Array(size);
  let depth = 0;

  /** Least starts from a place on; false where a session or a given latest start is overrun. */
  const settle = (from: number): boolean => {
    for (let at = from; at < depth; at++) {
      const operation = sequence[at]!;
      const session = sessionOf[at]!;
      const before = at === 0 ? 0 : starts[sequence[at - 1]!]! + hands[sequence[at - 1]!]!;
      let start = Math.max(floors[operation]!, Math.max(before, opens[session]!) + need[at]!);
      const [arcs, end] = [into.from[operation]!, into.from[operation + 1]!];
      for (let a = arcs; a < end; a++) {
        const other = into.other[a]!;
        const after = starts[other]! + hands[other]! + into.minLag[a]!;
        if (after > start) start = after;
      }
      if (start + hands[operation]! > closes[session]! || start > limits.latest[operation]!) return false;
      starts[operation] = start;
      if (tiedIn[operation] === 0) continue;
      let back = at;
      for (let a = arcs; a < end; a++) {
        const other = into.other[a]!;
        const floor = start - into.maxLag[a]! - hands[other]!;
        if (floor <= starts[other]!) continue;
        floors[other] = floor;
        if (placeOf[other]! < back) back = placeOf[other]!;
      }
      if (back < at) at = back - 1;
    }
    return true;
  };

  // Of every step left: when it can begin at the earliest, and the minutes open before that.
  const ready = new Int32Array(size);
  const openAt = new Int32Array(size);
  const readySession = new Int32Array(size);
  /** Fills `ready` from what is done and what is left; false where some step comes too late. */
  const canBegin = (mask: number, now: number, session: number, painting: boolean): boolean => {
    for (let t = 0; t < size; t++) {
      const i = topological[t]!;
      if (mask & (1 << i)) continue;
      let from = floors[i]! > now ? floors[i]! : now;
      for (let a = into.from[i]!; a < into.from[i + 1]!; a++) {
        const other = into.other[a]!;
        const end = (mask & (1 << other) ? starts[other]! : ready[other]!) + hands[other]! + into.minLag[a]!;
        if (end > from) from = end;
      }
      let w = session;
      // Somebody pays for the first paint of a session.
      const extra = family[i]! >= 0 ? setup.newWindow : 0;
      let opening = painting ? opens[w]! : Math.max(now, opens[w]!) + extra;
      const ends = closesFor[i]!;
      while ((from > opening ? from : opening) + hands[i]! > ends[w]!) {
        if (++w === opens.length) return false;
        opening = opens[w]! + extra;
      }
      const start = from > opening ? from : opening;
      if (start > until[i]!) return false;
      ready[i] = start;
      readySession[i] = w;
      openAt[i] = openBefore[w]! + start - opens[w]!;
    }
    return true;
  };

  // Of the steps left, in the order of their latest ends: minutes, paint as a bit, and the minutes open before they can
  // begin and before they must have ended.
  const leftHands = new Int32Array(size);
  const leftPaint = new Int32Array(size);
  const leftAt = new Int32Array(size);
  const leftOpen = new Int32Array(size);
  /** Whether the work between any minute when a step can begin and any by which one must have ended, with the set-up
   *  that its paints cost at least, fits the minutes open in between; and all that is left with all its set-up. */
  const fits = (mask: number, openNow: number, lastFamily: number, setupLeft: number): boolean => {
    const { order, open } = limits;
    let count = 0;
    let work = 0;
    let families = 0;
    let minutes = 0;
    let end = 0;
    for (let q = 0; q < size; q++) {
      const i = order[q]!;
      if (mask & (1 << i)) continue;
      work += hands[i]!;
      const paint = family[i]! < 0 ? 0 : 1 << family[i]!;
      if (paint & ~families) {
        families |= paint;
        minutes = setupLeast(lastFamily, families, 0);
      }
      end = open[i]! - openNow;
      if (work + minutes > end) return false;
      leftHands[count] = hands[i]!;
      leftPaint[count] = paint;
      leftAt[count] = openAt[i]!;
      leftOpen[count] = open[i]!;
      count++;
    }
    if (work + setupLeft > end) return false;
    for (let p = 0; p < count; p++) {
      const from = leftAt[p]!;
      if (from <= openNow) continue;
      work = 0;
      families = 0;
      minutes = 0;
      for (let q = 0; q < count; q++) {
        if (leftAt[q]! < from) continue;
        work += leftHands[q]!;
        const paint = leftPaint[q]!;
        if (paint & ~families) {
          families |= paint;
          minutes = setupLeast(-1, families, 0);
        }
        if (work + minutes > leftOpen[q]! - from) return false;
      }
    }
    return true;
  };

  /** Sessions without paint so far in which some must be done at least: each step's latest session in turn, unless one
   *  taken already serves it. Uses `ready`. */
  const sessionsLeft = (mask: number, session: number, painting: boolean): number => {
    let sessions = 0;
    let taken = painting ? session : -1;
    const { latest, order } = limits;
    for (let q = 0; q < size; q++) {
      const i = order[q]!;
      if (mask & (1 << i) || family[i]! < 0) continue;
      let w = session;
      while (closes[w]! < ready[i]! + hands[i]!) w++;
      if (taken >= w) continue;
      while (w + 1 < opens.length && opens[w + 1]! <= latest[i]!) w++;
      taken = w;
      sessions++;
    }
    return sessions;
  };

  // Least change minutes from family to family, through others where that is cheaper.
  const between = setup.change.map((row) => [...row]);
  for (let via = 0; via < between.length; via++) {
    if (!(used & (1 << via))) continue;
    for (const row of between) {
      for (let to = 0; to < row.length; to++) row[to] = Math.min(row[to]!, row[via]! + between[via]![to]!);
    }
  }
  const along = new Float64Array(size);
  /** Set-up minutes along the dearest chain of painted steps of which each must come before the next. */
  const chainLeft = (mask: number, lastFamily: number, session: number, painting: boolean): number => {
    const { order } = limits;
    let most = 0;
    for (let q = 0; q < size; q++) {
      const j = order[q]!;
      if (mask & (1 << j) || family[j]! < 0) continue;
      const opening = opens[readySession[j]!]!;
      const isNew = !painting || readySession[j]! > session;
      let minutes = lastFamily < 0 ? 0 : between[lastFamily]![family[j]!]!;
      if (isNew && setup.newWindow > minutes) minutes = setup.newWindow;
      const end = ready[j]! + hands[j]!;
      for (let p = 0; p < q; p++) {
        const i = order[p]!;
        // What could still come after j is not surely before it.
        if (mask & (1 << i) || family[i]! < 0 || (end <= until[i]! && !(before[j]! & (1 << i)))) continue;
        let change = between[family[i]!]![family[j]!]!;
        if (opening > until[i]! && setup.newWindow > change) change = setup.newWindow;
        if (along[i]! + change > minutes) minutes = along[i]! + change;
      }
      along[j] = minutes;
      if (minutes > most) most = minutes;
    }
    return most;
  };

  const saved = Array.from({ length: size }, () => ({
    starts: new Int32Array(size),
    floors: new Int32Array(size),
    until: new Int32Array(size),
    /** Steps that may come next, when they could begin, and when one without paint would have been done instead. */
    open: 0,
    from: new Int32Array(size),
    gap: new Int32Array(size),
    // The choices of one session, in the order of their rank.
    operation: new Int32Array(size),
    need: new Int32Array(size),
    rank: new Float64Array(size),
  }));

  const visit = (mask: number, lastFamily: number, familySession: number, setupSoFar: number): void => {
    if (halted()) return;
    if (++nodes > search.most || (nodes % 256 === 0 && search.stopped())) {
      search.whole = false;
      return;
    }
    if (mask === all) {
      let finish = 0;
      for (let i = 0; i < size; i++) finish = Math.max(finish, starts[i]! + hands[i]! + dry[i]!);
      if (forFinish ? finish >= best.finish : setupSoFar >= best.setupMinutes) return;
      best = { finish, setupMinutes: setupSoFar };
      better = { starts: starts.slice(), finish, setupMinutes: setupSoFar };
      if (forFinish) {
        limits = limitsOf(finish - 1);
        // What was cut for being no sooner than another may be sooner than the new best.
        memo = orderMemo(size);
      }
      return;
    }
    // Since a better finish was found, what is done may have become too late.
    if (forFinish && better) {
      for (let i = 0; i < size; i++) if (mask & (1 << i) && starts[i]! > limits.latest[i]!) return;
    }
    const last = depth === 0 ? -1 : sequence[depth - 1]!;
    const now = last < 0 ? 0 : starts[last]! + hands[last]!;
    const session = depth === 0 ? 0 : sessionOf[depth - 1]!;
    const painting = familySession === session;
    pushTies(mask);
    if (!canBegin(mask, now, session, painting)) return;
    let families = 0;
    for (let i = 0; i < size; i++) if (!(mask & (1 << i)) && family[i]! >= 0) families |= 1 << family[i]!;
    let setupLeft = 0;
    if (families !== 0) {
      setupLeft = setupLeast(lastFamily, families, sessionsLeft(mask, session, painting));
      if (!forFinish && setupSoFar + setupLeft >= best.setupMinutes) return;
      setupLeft = Math.max(setupLeft, chainLeft(mask, lastFamily, session, painting));
    }
    if (!forFinish && setupSoFar + setupLeft >= best.setupMinutes) return;
    if (!fits(mask, depth === 0 ? 0 : openBefore[session]! + now - opens[session]!, lastFamily, setupLeft))
      return;
    if (isKnown(mask, families === 0 ? -1 : lastFamily, session, painting || families === 0, setupSoFar, now))
      return;

    // The step without paint that would have ended soonest, and the next: another that begins only after that waits.
    let filler = -1;
    let filled = NEVER;
    let second = NEVER;
    for (let k = 0; k < size; k++) {
      if (mask & (1 << k) || (predMask[k]! & ~mask) !== 0 || family[k]! >= 0 || tiedOut[k] !== 0) continue;
      const end = (pendingTies ? pushedReady(k, session) : ready[k]!) + hands[k]!;
      if (end < filled) {
        second = filled;
        filled = end;
        filler = k;
      } else if (end < second) second = end;
    }
    // All that is left comes after the next step: the step that must start soonest, and the next such.
    let soonest = -1;
    let must = NEVER;
    let mustNext = NEVER;
    for (let j = 0; j < size; j++) {
      if (mask & (1 << j)) continue;
      if (until[j]! < must) {
        mustNext = must;
        must = until[j]!;
        soonest = j;
      } else if (until[j]! < mustNext) mustNext = until[j]!;
    }
    const keep = saved[depth]!;
    keep.starts.set(starts);
    keep.floors.set(floors);
    keep.until.set(until);
    keep.open = 0;
    for (let i = 0; i < size; i++) {
      if (mask & (1 << i) || (predMask[i]! & ~mask) !== 0) continue;
      keep.from[i] = readyAfterDone(i);
      keep.gap[i] = i === filler ? second : filled;
      keep.open |= 1 << i;
    }
    const isTied = pendingTies;
    for (let w = session; w < opens.length && opens[w]! <= must && keep.open !== 0; w++) {
      let choices = 0;
      for (let left = keep.open; left !== 0; left &= left - 1) {
        const i = 31 - Math.clz32(left & -left);
        const kind = family[i]!;
        let minutes = 0;
        if (kind >= 0) {
          if (lastFamily >= 0 && lastFamily !== kind) minutes = setup.change[lastFamily]![kind]!;
          if (familySession !== w && setup.newWindow > minutes) minutes = setup.newWindow;
        }
        const start = Math.max(keep.from[i]!, Math.max(now, opens[w]!) + minutes);
        const end = start + hands[i]!;
        if (end > closesFor[i]![w]!) continue;
        if (
          start > keep.until[i]! ||
          keep.gap[i]! <= start - minutes ||
          end > (i === soonest ? mustNext : must)
        ) {
          // Nor in any session after this one.
          keep.open &= ~(1 << i);
          continue;
        }
        if (!isTied && comesAfter(i, mask, start)) continue;
        // The least slack first, then what can begin first.
        const rank = limits.latest[i]! + start * 1e-5;
        let at = choices++;
        for (; at > 0 && keep.rank[at - 1]! > rank; at--) {
          keep.rank[at] = keep.rank[at - 1]!;
          keep.operation[at] = keep.operation[at - 1]!;
          keep.need[at] = keep.need[at - 1]!;
        }
        keep.rank[at] = rank;
        keep.operation[at] = i;
        keep.need[at] = minutes;
      }
      for (let c = 0; c < choices; c++) {
        const operation = keep.operation[c]!;
        sequence[depth] = operation;
        sessionOf[depth] = w;
        need[depth] = keep.need[c]!;
        placeOf[operation] = depth;
        depth++;
        if (settle(depth - 1)) {
          const kind = family[operation]!;
          visit(
            mask | (1 << operation),
            kind >= 0 ? kind : lastFamily,
            kind >= 0 ? w : familySession,
            setupSoFar + keep.need[c]!,
          );
        }
        depth--;
        starts.set(keep.starts);
        floors.set(keep.floors);
        if (halted()) return;
      }
    }
  };

  /** When what is done lets a step begin. All its predecessors are done. */
  const readyAfterDone = (i: number): number => {
    let from = floors[i]!;
    for (let a = into.from[i]!; a < into.from[i + 1]!; a++) {
      const other = into.other[a]!;
      from = Math.max(from, starts[other]! + hands[other]! + into.minLag[a]!);
    }
    return from;
  };

  /** Whether a more urgent step could begin in a step's place. */
  const comesAfter = (k: number, mask: number, start: number): boolean => {
    for (let left = urgent[k]! & ~mask; left !== 0; left &= left - 1) {
      const i = 31 - Math.clz32(left & -left);
      if ((predMask[i]! & ~mask) === 0 && readyAfterDone(i) <= start) return true;
    }
    return false;
  };

  /** When a step whose predecessors are done could begin if all that is done were pushed back as far as it ever can. */
  const pushedReady = (k: number, session: number): number => {
    const last = sequence[depth - 1]!;
    let from = Math.max(floors[k]!, furthest[depth - 1]! + hands[last]!);
    for (let a = into.from[k]!; a < into.from[k + 1]!; a++) {
      const other = into.other[a]!;
      from = Math.max(from, furthest[placeOf[other]!]! + hands[other]! + into.minLag[a]!);
    }
    for (let w = session; w < opens.length; w++) {
      const start = Math.max(from, opens[w]!);
      if (start + hands[k]! <= closesFor[k]![w]!) return start;
    }
    return NEVER;
  };

  /** The latest start in a session that is no later than a minute. */
  const inSession = (minute: number, minutes: number): number => {
    let w = opens.length - 1;
    while (w > 0 && opens[w]! > minute) w--;
    return Math.min(minute, closes[w]! - minutes);
  };

  let pendingTies = false;
  /** By when each step left must start, however far what is done may still be pushed back. */
  const until = new Int32Array(size);
  /** Whether a maximum lag from a step done could bind one left. */
  const isPending = (done: number, left: number, maxLag: number, mask: number): boolean =>
    maxLag < NEVER &&
    (mask & (1 << done)) !== 0 &&
    starts[done]! + hands[done]! + maxLag < limits.latest[left]!;
  /** Fills `until` and sets `pendingTies`. */
  const pushTies = (mask: number): void => {
    until.set(limits.latest);
    pendingTies = false;
    for (let left = allTied & ~mask; left !== 0; left &= left - 1) {
      const j = 31 - Math.clz32(left & -left);
      if (!(tiedIn[j]! & mask)) continue;
      for (let a = into.from[j]!; a < into.from[j + 1]!; a++) {
        const [other, maxLag] = [into.other[a]!, into.maxLag[a]!];
        if (!isPending(other, j, maxLag, mask)) continue;
        if (!pendingTies) pushBack(mask);
        pendingTies = true;
        until[j] = Math.min(until[j]!, furthest[placeOf[other]!]! + hands[other]! + maxLag);
      }
    }
  };
  /** Asks the memo, and tells it, whether a node met before was nowhere later. */
  const isKnown = (
    mask: number,
    lastFamily: number,
    session: number,
    painting: boolean,
    setupSoFar: number,
    now: number,
  ): boolean => {
    const { mine, theirs } = memo;
    let length = 0;
    mine[length] = theirs[length] = now;
    length++;
    mine[length] = theirs[length] = forFinish ? 0 : setupSoFar;
    length++;
    for (let i = 0; i < size; i++) {
      if (mask & (1 << i)) continue;
      mine[length] = theirs[length] = ready[i]!;
      length++;
    }
    // A step left that a maximum lag ties to one done must start by a minute: the earlier, the worse. A node gains some
    // by pushing back what it did, as far as nothing left is the later for it; to beat another, it must have as much as
    // that could ever gain.
    if (pendingTies) pushFreely(mask);
    let ties = 0;
    let from = depth;
    for (let j = 0; j < size; j++) {
      if (mask & (1 << j) || !(tiedIn[j]! & mask)) continue;
      let own = limits.latest[j]!;
      for (let a = into.from[j]!; a < into.from[j + 1]!; a++) {
        const [other, maxLag] = [into.other[a]!, into.maxLag[a]!];
        if (!isPending(other, j, maxLag, mask)) continue;
        const place = placeOf[other]!;
        own = Math.min(own, freely[place]! + hands[other]! + maxLag);
        if (place < from) from = place;
      }
      mine[length + ties] = -inSession(own, hands[j]!);
      theirs[length + ties] = -inSession(until[j]!, hands[j]!);
      ties++;
    }
    // Whatever is pushed pushes what follows it, and what a maximum lag ties to that.
    for (let at = depth - 1; at >= from; at--) {
      const tied = tiedIn[sequence[at]!]!;
      if (tied === 0) continue;
      for (let i = 0; i < size; i++) if (tied & (1 << i) && placeOf[i]! < from) from = placeOf[i]!;
    }
    const tail = depth - from;
    for (let at = from, p = length + ties; at < depth; at++) {
      mine[p] = theirs[p] = sequence[at]! * windows.length + sessionOf[at]!;
      p++;
      mine[p] = theirs[p] = starts[sequence[at]!]!;
      p++;
    }
    return memo.isDominated(mask, lastFamily, session, painting, length, ties, tail);
  };
  /** Fills `furthest`: how late each step done could ever start if it were pushed back. */
  const pushBack = (mask: number): void => {
    for (let at = depth - 1; at >= 0; at--) {
      const operation = sequence[at]!;
      let latest = Math.min(closes[sessionOf[at]!]! - hands[operation]!, limits.latest[operation]!);
      if (at + 1 < depth && sessionOf[at + 1] === sessionOf[at]) {
        latest = Math.min(latest, furthest[at + 1]! - need[at + 1]! - hands[operation]!);
      }
      for (let a = outOf.from[operation]!; a < outOf.from[operation + 1]!; a++) {
        const other = outOf.other[a]!;
        if (mask & (1 << other))
          latest = Math.min(latest, furthest[placeOf[other]!]! - outOf.minLag[a]! - hands[operation]!);
      }
      furthest[at] = latest;
    }
  };

  /** Fills `freely`: how late each step done could start, all at once, with nothing left any the later. */
  const pushFreely = (mask: number): void => {
    for (let at = 0; at < depth; at++) freely[at] = NEVER;
    for (let isSettled = false; !isSettled;) {
      isSettled = true;
      for (let at = depth - 1; at >= 0; at--) {
        const operation = sequence[at]!;
        const minutes = hands[operation]!;
        let latest = at === depth - 1 ? starts[operation]! : freely[at]!;
        latest = Math.min(latest, closes[sessionOf[at]!]! - minutes, limits.latest[operation]!);
        if (at + 1 < depth && sessionOf[at + 1] === sessionOf[at]) {
          latest = Math.min(latest, freely[at + 1]! - need[at + 1]! - minutes);
        }
        const [arcs, end] = [outOf.from[operation]!, outOf.from[operation + 1]!];
        for (let a = arcs; a < end; a++) {
          const other = outOf.other[a]!;
          const start = mask & (1 << other) ? freely[placeOf[other]!]! : ready[other]!;
          latest = Math.min(latest, start - outOf.minLag[a]! - minutes);
        }
        freely[at] = latest;
        for (let a = arcs; a < end; a++) {
          const other = outOf.other[a]!;
          if (outOf.maxLag[a] === NEVER || !(mask & (1 << other))) continue;
          const until = latest + minutes + outOf.maxLag[a]!;
          if (freely[placeOf[other]!]! <= until) continue;
          freely[placeOf[other]!] = until;
          isSettled = false;
        }
      }
    }
  };

  const look: OrderSearch['look'] = (goal, known, until, budget) => {
    forFinish = goal === 'finish';
    best = { finish: known.finish, setupMinutes: known.setupMinutes };
    better = undefined;
    limits = limitsOf(until);
    memo = orderMemo(size);
    search.most = nodes + budget.nodes;
    search.whole = true;
    search.stopped = budget.stopped;
    visit(0, -1, -1, 0);
    return { whole: search.whole, better };
  };
  return { look, nodes: () => nodes };
}

/** Arcs one after another: those of operation i from `from[i]` to before `from[i + 1]`. */
function flatArcs(arcs: readonly (readonly IndexedArc[])[]) {
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
