import type { IndexedInstance } from '../model/instance.ts';

/** A recoat window that no session and no two of them can hold, or that work in between outlasts. */
export interface ImpossibleWindow {
  from: string;
  to: string;
  /** Minutes after the end of `from` within which `to` must begin. */
  minLag: number;
  maxLag: number;
  /** What must happen in between and takes longer than the window: the steps in order, and minutes with their waits. */
  between?: { ids: string[]; minutes: number };
  /** A session this long, minutes, would hold both. */
  sessionMinutes: number;
}

/** The first recoat window that cannot be held: by what must happen within it, or by the sessions even for its two steps
 *  alone. undefined where each could be held, which does not say that all can be held together. */
export function impossibleWindow(instance: IndexedInstance): ImpossibleWindow | undefined {
  return outlastedWindow(instance) ?? windowBetweenSessions(instance);
}

/** The first window that is shorter than the steps and waits on the way from its one end to the other. */
function outlastedWindow({
  operations,
  preds,
  succs,
  topological,
}: IndexedInstance): ImpossibleWindow | undefined {
  const place = new Int32Array(operations.length);
  topological.forEach((index, at) => (place[index] = at));
  for (const [from, arcs] of succs.entries()) {
    for (const { other: to, minLag, maxLag } of arcs) {
      if (maxLag === Infinity) continue;
      // Minutes from the end of the first to the earliest start of each, and the step before it on that way.
      const minutes = new Map([[from, -operations[from]!.hands]]);
      const before = new Map<number, number>();
      for (const index of topological.slice(place[from]! + 1, place[to]! + 1)) {
        for (const { other, minLag: lag } of preds[index]!) {
          const ready = minutes.get(other);
          if (ready === undefined) continue;
          const start = ready + operations[other]!.hands + lag;
          if (start <= (minutes.get(index) ?? -Infinity)) continue;
          minutes.set(index, start);
          before.set(index, other);
        }
      }
      if (minutes.get(to)! <= maxLag) continue;
      const ids: string[] = [];
      for (let at = before.get(to)!; at !== from; at = before.get(at)!) ids.unshift(operations[at]!.id);
      return {
        from: operations[from]!.id,
        to: operations[to]!.id,
        minLag,
        maxLag,
        ...(ids.length > 0 ? { between: { ids, minutes: minutes.get(to)! } } : {}),
        sessionMinutes: operations[from]!.hands + minutes.get(to)! + operations[to]!.hands,
      };
    }
  }
  return undefined;
}

function windowBetweenSessions(instance: IndexedInstance): ImpossibleWindow | undefined {
  const { operations, windows, succs, family, needsBooth, hasBooth, setup } = instance;
  for (const [index, arcs] of succs.entries()) {
    const { id, hands, earliest = 0, latest = Infinity } = operations[index]!;
    const before = family[index]! >= 0 ? setup.newWindow : 0;
    for (const { other, minLag, maxLag } of arcs) {
      if (maxLag === Infinity) continue;
      const next = operations[other]!;
      const change =
        family[other]! < 0 || family[index]! < 0 || family[other] === family[index]
          ? 0
          : setup.change[family[index]!]![family[other]!]!;
      const isHeld = windows.some(([from, to], session) => {
        if (needsBooth[index]! > hasBooth[session]!) return false;
        const first = Math.max(from + before, earliest);
        const last = Math.min(to - hands, latest);
        if (first > last) return false;
        const soonest = first + hands + Math.max(minLag, change);
        const isOpen = needsBooth[other]! <= hasBooth[session]!;
        if (isOpen && maxLag >= change && soonest + next.hands <= to) return true;
        // In a later session: the window reaches from the latest end here to the first start there.
        return windows.some(([opens, closes], later) => {
          if (later <= session || needsBooth[other]! > hasBooth[later]!) return false;
          const need = family[other]! >= 0 ? Math.max(setup.newWindow, change) : 0;
          const start = Math.max(opens + need, first + hands + minLag);
          return start + next.hands <= closes && start <= last + hands + maxLag;
        });
      });
      if (isHeld) continue;
      return {
        from: id,
        to: next.id,
        minLag,
        maxLag,
        sessionMinutes: before + hands + Math.max(minLag, change) + next.hands,
      };
    }
  }
  return undefined;
}
