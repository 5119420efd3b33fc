import type { IndexedInstance } from './instance.ts';

/** The builder's sessions with what is placed in them so far, set-ups kept. `place` puts an operation into the first gap
 *  that holds it, at `ready` or later but not after `latest`, and says whether there is one. */
export function benchTimeline({
  size,
  operations,
  windows,
  family,
  needsBooth,
  hasBooth,
  setup,
}: IndexedInstance) {
  const starts = new Int32Array(size);
  const sessionOf = new Int32Array(size).fill(-1);
  const placed: number[][] = windows.map(() => []);
  /** Minutes of each session that no hands are at work in, set-ups included. */
  const idle = Float64Array.from(windows, ([from, to]) => to - from);
  const endOf = (index: number) => starts[index]! + operations[index]!.hands;
  /** The family last used before a place in a session, -1 for none, and whether that was in this session. */
  let lastFamily = -1;
  let usedHere = false;
  const lookBack = (session: number, at: number) => {
    usedHere = true;
    for (let i = at - 1; i >= 0; i--) {
      lastFamily = family[placed[session]![i]!]!;
      if (lastFamily >= 0) return;
    }
    usedHere = false;
    for (let before = session - 1; before >= 0; before--) {
      const list = placed[before]!;
      for (let i = list.length - 1; i >= 0; i--) {
        lastFamily = family[list[i]!]!;
        if (lastFamily >= 0) return;
      }
    }
    lastFamily = -1;
  };
  const setupFor = (kind: number, last: number, isFirst: boolean) =>
    kind < 0
      ? 0
      : Math.max(isFirst ? setup.newWindow : 0, last >= 0 && last !== kind ? setup.change[last]![kind]! : 0);

  /** Whether the next painted operation from a place on still has its set-up when `kind`, ending at `end`, comes
   *  directly before that place. */
  const leavesSetup = (kind: number, end: number, session: number, at: number): boolean => {
    for (let later = session; later < windows.length; later++) {
      const list = placed[later]!;
      for (let i = later === session ? at : 0; i < list.length; i++) {
        const next = list[i]!;
        if (family[next]! < 0) continue;
        const need = setupFor(family[next]!, kind, later !== session);
        const from = later === session && i === at ? end : i > 0 ? endOf(list[i - 1]!) : windows[later]![0];
        return starts[next]! - from >= need;
      }
    }
    return true;
  };

  const place = (index: number, ready: number, latest = Infinity): boolean => {
    const { hands } = operations[index]!;
    const kind = family[index]!;
    let session = 0;
    let beyond = windows.length;
    while (session < beyond) {
      const middle = (session + beyond) >> 1;
      if (windows[middle]![1] < ready + hands) session = middle + 1;
      else beyond = middle;
    }
    for (; session < windows.length; session++) {
      const [opensAt, closesAt] = windows[session]!;
      if (opensAt > latest) return false;
      if (idle[session]! < hands || needsBooth[index]! > hasBooth[session]!) continue;
      const list = placed[session]!;
      for (let at = 0; at <= list.length; at++) {
        const next = list[at];
        const limit = next === undefined ? closesAt : starts[next]!;
        if (Math.max(ready, opensAt) + hands > limit) continue;
        const from = at > 0 ? endOf(list[at - 1]!) : opensAt;
        if (from + hands > limit) continue;
        let need = 0;
        if (kind >= 0) {
          lookBack(session, at);
          need = setupFor(kind, lastFamily, !usedHere);
        }
        const start = Math.max(ready, from + need);
        if (start > latest) return false;
        const end = start + hands;
        if (end > limit) continue;
        if (kind >= 0) {
          if (!leavesSetup(kind, end, session, at)) continue;
        } else if (next !== undefined && family[next]! >= 0) {
          lookBack(session, at);
          if (starts[next]! - end < setupFor(family[next]!, lastFamily, !usedHere)) continue;
        }
        starts[index] = start;
        sessionOf[index] = session;
        list.splice(at, 0, index);
        idle[session]! -= hands;
        return true;
      }
    }
    return false;
  };
  const remove = (index: number): void => {
    const session = sessionOf[index]!;
    if (session < 0) return;
    const list = placed[session]!;
    list.splice(list.indexOf(index), 1);
    sessionOf[index] = -1;
    idle[session]! += operations[index]!.hands;
  };
  /** The operation that has no room for its set-up any more since `index` was taken out of a session; -1 for none. */
  const brokenWithout = (index: number, from: number): number => {
    for (let session = from; session < windows.length; session++) {
      const list = placed[session]!;
      for (let at = 0; at < list.length; at++) {
        const next = list[at]!;
        if (family[next]! < 0 || (session === from && starts[next]! < starts[index]!)) continue;
        lookBack(session, at);
        const end = at > 0 ? endOf(list[at - 1]!) : windows[session]![0];
        return starts[next]! - end < setupFor(family[next]!, lastFamily, !usedHere) ? next : -1;
      }
    }
    return -1;
  };
  /** Puts an operation back where it was, into a gap that is known to hold it. */
  const restore = (index: number, start: number, session: number): void => {
    const list = placed[session]!;
    let at = list.length;
    while (at > 0 && starts[list[at - 1]!]! > start) at--;
    starts[index] = start;
    sessionOf[index] = session;
    list.splice(at, 0, index);
    idle[session]! -= operations[index]!.hands;
  };
  const setupMinutes = (): number => {
    let total = 0;
    let last = -1;
    for (const list of placed) {
      let isFirst = true;
      for (const index of list) {
        const kind = family[index]!;
        if (kind < 0) continue;
        total += setupFor(kind, last, isFirst);
        last = kind;
        isFirst = false;
      }
    }
    return total;
  };
  return { starts, sessionOf, placed, place, remove, brokenWithout, restore, setupMinutes };
}
