import { finishBound, latestStarts } from './scheduleBound.ts';
import type { IndexedInstance } from './scheduleInstance.ts';

/** A schedule by starts, as the search knows it. */
export interface ProvedSchedule {
  starts: Int32Array;
  finish: number;
  setupMinutes: number;
}

export interface ScheduleProof {
  /** Better than what was known at the start, where there is anything better. */
  better: ProvedSchedule | undefined;
  /** True where the whole tree was searched: nothing beats `better`, or else what was known. */
  complete: boolean;
  nodes: number;
}

/** Sets of done operations are bits of a number. */
export const MOST_TO_PROVE = 24;
/** Vectors kept for one set of done operations, at most: beyond that dominance is looked for no further. */
const MOST_KEPT = 64;

/** Searches every order and every session of each step for a finish, then a set-up, below what is known.
 *
 *  Branches on the next step in time and the session it lies in. For a given order and sessions the least starts are
 *  those of a longest path, found by pushing earlier steps back where a maximum lag asks for it; they are least for all
 *  steps at once, so the finish is too. A node is cut where some step left cannot start by the latest minute that
 *  would still beat the best, where the steps left do not fit their deadlines even when they may be interrupted
 *  (earliest deadline first, which is exact for that), where the set-up cannot be less for the same finish, or where
 *  an earlier node with the same steps done, session and paint was nowhere later. */
export function proveSchedule(
  instance: IndexedInstance,
  known: { finish: number; setupMinutes: number },
  mostNodes: number,
  stopped: () => boolean = () => false,
): ScheduleProof {
  const { size, operations, windows, family, setup, preds, succs } = instance;
  if (size > MOST_TO_PROVE) return { better: undefined, complete: false, nodes: 0 };
  const hands = operations.map((operation) => operation.hands);
  const earliest = operations.map((operation) => operation.earliest ?? 0);
  const latestGiven = operations.map((operation) => operation.latest ?? Infinity);
  const { topological } = instance;
  const all = 2 ** size - 1;
  const predMask = preds.map((arcs) => arcs.reduce((mask, { other }) => mask | (1 << other), 0));

  let best = { finish: known.finish, setupMinutes: known.setupMinutes };
  let better: ProvedSchedule | undefined;
  /** Latest starts that can still meet a finish, and the steps by the ends of these. */
  const deadlinesOf = (finish: number) => {
    const starts = latestStarts(instance, finish).map((start, i) => Math.min(start, latestGiven[i]!));
    const order = operations.map((_, i) => i).sort((p, q) => starts[p]! + hands[p]! - starts[q]! - hands[q]!);
    return { latest: starts, order };
  };
  let same = deadlinesOf(best.finish);
  let sooner = deadlinesOf(best.finish - 1);

  // The sequence so far, one entry for each place.
  const sequence = new Int32Array(size);
  const sessionOf = new Int32Array(size);
  const need = new Int32Array(size);
  const placeOf = new Int32Array(size);
  const starts = new Int32Array(size);
  const floors = Float64Array.from(earliest);
  const leastFinish = finishBound(instance);
  let depth = 0;
  let nodes = 0;
  const search = { complete: true };
  const halted = () => !search.complete;

  /** Least starts from a place on; false where a session or a given latest start is overrun. */
  const settle = (from: number): boolean => {
    for (let at = from; at < depth; at++) {
      const operation = sequence[at]!;
      const [opens, closes] = windows[sessionOf[at]!]!;
      const before = at === 0 ? -Infinity : starts[sequence[at - 1]!]! + hands[sequence[at - 1]!]!;
      let start = Math.max(floors[operation]!, Math.max(before, opens) + need[at]!);
      for (const { other, minLag } of preds[operation]!) {
        start = Math.max(start, starts[other]! + hands[other]! + minLag);
      }
      if (start + hands[operation]! > closes || start > latestGiven[operation]!) return false;
      starts[operation] = start;
      let back = at;
      for (const { other, maxLag } of preds[operation]!) {
        const floor = start - maxLag - hands[other]!;
        if (floor <= starts[other]!) continue;
        floors[other] = floor;
        if (placeOf[other]! < back) back = placeOf[other]!;
      }
      if (back < at) at = back - 1;
    }
    return true;
  };

  const minInto = setup.families.map((_, to) =>
    Math.min(...setup.families.map((__, from) => (from === to ? Infinity : setup.change[from]![to]!))),
  );
  /** Set-up minutes that the steps left cost at least: the cheapest change into each further family, and a start in
   *  every session that some step with paint cannot do without. Uses \`ready\`. */
  const setupLeft = (mask: number, lastFamily: number, session: number, fresh: boolean): number => {
    let changes = 0;
    let minutes = 0;
    let seen = 0;
    let painted = false;
    for (let i = 0; i < size; i++) {
      const kind = family[i]!;
      if (mask & (1 << i) || kind < 0) continue;
      painted = true;
      if (kind === lastFamily || seen & (1 << kind)) continue;
      seen |= 1 << kind;
      if (lastFamily < 0 || !Number.isFinite(minInto[kind]!)) continue;
      changes++;
      minutes += minInto[kind]!;
    }
    if (!painted) return 0;
    // Sessions that are needed at least: each step's latest session in turn, unless one taken already serves it.
    let sessions = 0;
    let taken = fresh ? session : -1;
    for (const i of same.order) {
      if (mask & (1 << i) || family[i]! < 0) continue;
      let w = session;
      while (windows[w]![1] < ready[i]! + hands[i]!) w++;
      if (taken >= w) continue;
      let last = w;
      while (last + 1 < windows.length && windows[last + 1]![0] <= same.latest[i]!) last++;
      taken = last;
      sessions++;
    }
    return minutes + setup.newWindow * Math.max(0, sessions - changes);
  };

  const ready = new Float64Array(size);
  /** Whether the steps left can still meet their deadlines; fills `ready`. */
  const canMeet = (
    mask: number,
    now: number,
    session: number,
    lastFamily: number,
    { latest, order }: typeof same,
  ): boolean => {
    for (const i of topological) {
      if (mask & (1 << i)) continue;
      let from = Math.max(floors[i]!, now);
      for (const { other, minLag } of preds[i]!) {
        const end = (mask & (1 << other) ? starts[other]! : ready[other]!) + hands[other]! + minLag;
        if (end > from) from = end;
      }
      let w = session;
      while (w < windows.length && Math.max(from, windows[w]![0]) + hands[i]! > windows[w]![1]) w++;
      if (w === windows.length) return false;
      ready[i] = Math.max(from, windows[w]![0]);
      if (ready[i] > latest[i]!) return false;
    }
    // Earliest deadline first with interruption: work due by each deadline against the minutes open until then.
    let due = 0;
    let changed = 0;
    let w = session;
    let open = Math.max(0, windows[w]![1] - Math.max(now, windows[w]![0]));
    for (const i of order) {
      if (mask & (1 << i)) continue;
      due += hands[i]!;
      // A paint that is needed by then must have been changed to by then.
      const kind = family[i]!;
      if (kind >= 0 && kind !== lastFamily && !(changed & (1 << kind))) {
        changed |= 1 << kind;
        if (lastFamily >= 0 && Number.isFinite(minInto[kind]!)) due += minInto[kind]!;
      }
      const deadline = latest[i]! + hands[i]!;
      while (w + 1 < windows.length && windows[w + 1]![0] < deadline) {
        w++;
        open += windows[w]![1] - windows[w]![0];
      }
      const beyond = Math.max(
        0,
        Math.min(windows[w]![1] - deadline, windows[w]![1] - Math.max(windows[w]![0], now)),
      );
      if (due > open - beyond) return false;
    }
    return true;
  };

  const memo = new Map<string, Float64Array[]>();
  const tiedTo = preds.map((arcs) =>
    arcs.filter(({ maxLag }) => maxLag < Infinity).map(({ other }) => other),
  );
  /** True where a node met before was nowhere later and has the same end, as far back as a maximum lag still to come
   *  could push; else the node is kept. */
  const dominated = (
    mask: number,
    session: number,
    lastFamily: number,
    fresh: number,
    setupSoFar: number,
    now: number,
  ): boolean => {
    let from = depth;
    for (let at = 0; at < depth; at++) {
      const pending = succs[sequence[at]!]!.some(
        ({ other, maxLag }) => maxLag < Infinity && !(mask & (1 << other)),
      );
      if (pending) {
        from = at;
        break;
      }
    }
    // What is pushed pushes all that follows it, and whatever a maximum lag ties to that.
    for (let at = depth - 1; at >= from; at--) {
      for (const other of tiedTo[sequence[at]!]!) if (placeOf[other]! < from) from = placeOf[other]!;
    }
    let key = `${mask} ${session} ${lastFamily} ${fresh}`;
    let tail = 0;
    for (let at = from; at < depth; at++) {
      key += ` ${sequence[at]},${sessionOf[at]},${need[at]}`;
      tail |= 1 << sequence[at]!;
    }
    const before = from === 0 ? 0 : starts[sequence[from - 1]!]! + hands[sequence[from - 1]!]!;
    const vector: number[] = [now, setupSoFar, before];
    let finish = leastFinish;
    for (let i = 0; i < size; i++) {
      if (mask & (1 << i)) {
        finish = Math.max(finish, starts[i]! + hands[i]! + operations[i]!.dry);
        if (tail && succs[i]!.some(({ other }) => tail & (1 << other))) vector.push(starts[i]!);
        continue;
      }
      // When what is done lets it begin, in a session that holds it: that is all the future sees of the past.
      let ready = Math.max(now, floors[i]!);
      for (const { other, minLag } of preds[i]!) {
        if (mask & (1 << other)) ready = Math.max(ready, starts[other]! + hands[other]! + minLag);
      }
      let w = session;
      while (w + 1 < windows.length && Math.max(ready, windows[w]![0]) + hands[i]! > windows[w]![1]) w++;
      vector.push(Math.max(ready, windows[w]![0]));
    }
    vector.push(finish);
    const kept = memo.get(key);
    if (!kept) {
      memo.set(key, [Float64Array.from(vector)]);
      return false;
    }
    if (kept.some((other) => vector.every((value, i) => other[i]! <= value))) return true;
    if (kept.length < MOST_KEPT) kept.push(Float64Array.from(vector));
    return false;
  };

  const saved: { starts: Int32Array; floors: Float64Array }[] = Array.from({ length: size + 1 }, () => ({
    starts: new Int32Array(size),
    floors: new Float64Array(size),
  }));

  const visit = (mask: number, lastFamily: number, familySession: number, setupSoFar: number): void => {
    if (halted()) return;
    if (++nodes > mostNodes || (nodes % 256 === 0 && stopped())) {
      search.complete = false;
      return;
    }
    if (mask === all) {
      let finish = 0;
      for (let i = 0; i < size; i++) finish = Math.max(finish, starts[i]! + hands[i]! + operations[i]!.dry);
      if (finish > best.finish || (finish === best.finish && setupSoFar >= best.setupMinutes)) return;
      best = { finish, setupMinutes: setupSoFar };
      better = { starts: starts.slice(), finish, setupMinutes: setupSoFar };
      same = deadlinesOf(finish);
      sooner = deadlinesOf(finish - 1);
      return;
    }
    const last = depth === 0 ? -1 : sequence[depth - 1]!;
    const now = last < 0 ? 0 : starts[last]! + hands[last]!;
    const session = depth === 0 ? 0 : sessionOf[depth - 1]!;
    // For the same finish only less set-up is worth finding.
    if (!canMeet(mask, now, session, lastFamily, same)) return;
    let due = same;
    if (setupSoFar + setupLeft(mask, lastFamily, session, familySession === session) >= best.setupMinutes) {
      due = sooner;
      if (!canMeet(mask, now, session, lastFamily, due)) return;
    }
    if (dominated(mask, session, lastFamily, familySession === session ? 1 : 0, setupSoFar, now)) return;

    const choices: { operation: number; session: number; need: number; start: number }[] = [];
    for (let i = 0; i < size; i++) {
      if (mask & (1 << i) || (predMask[i]! & ~mask) !== 0) continue;
      const kind = family[i]!;
      for (let w = session; w < windows.length; w++) {
        const [opens, closes] = windows[w]!;
        if (opens > due.latest[i]!) break;
        let minutes = 0;
        if (kind >= 0) {
          if (lastFamily >= 0 && lastFamily !== kind) minutes = setup.change[lastFamily]![kind]!;
          if (familySession !== w) minutes = Math.max(minutes, setup.newWindow);
        }
        const start = Math.max(readyAfterDone(i, mask), Math.max(now, opens) + minutes);
        if (start + hands[i]! > closes) continue;
        if (start > due.latest[i]!) break;
        choices.push({ operation: i, session: w, need: minutes, start });
      }
    }
    choices.sort(
      (p, q) =>
        p.session - q.session || due.latest[p.operation]! - due.latest[q.operation]! || p.start - q.start,
    );
    const keep = saved[depth]!;
    keep.starts.set(starts);
    keep.floors.set(floors);
    for (const choice of choices) {
      if (choice.start > same.latest[choice.operation]!) continue;
      const { operation } = choice;
      sequence[depth] = operation;
      sessionOf[depth] = choice.session;
      need[depth] = choice.need;
      placeOf[operation] = depth;
      depth++;
      if (settle(depth - 1)) {
        const kind = family[operation]!;
        visit(
          mask | (1 << operation),
          kind >= 0 ? kind : lastFamily,
          kind >= 0 ? choice.session : familySession,
          setupSoFar + choice.need,
        );
      }
      depth--;
      starts.set(keep.starts);
      floors.set(keep.floors);
      if (halted()) return;
    }
  };
  /** When what is done lets a step begin. */
  const readyAfterDone = (i: number, mask: number): number => {
    let from = floors[i]!;
    for (const { other, minLag } of preds[i]!) {
      if (mask & (1 << other)) from = Math.max(from, starts[other]! + hands[other]! + minLag);
    }
    return from;
  };

  visit(0, -1, -1, 0);
  return { better, complete: search.complete, nodes };
}
