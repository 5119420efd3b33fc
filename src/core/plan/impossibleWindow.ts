import type { IndexedInstance } from './scheduleInstance.ts';

/** A recoat window that no two sessions, and no single one, can hold. */
export interface ImpossibleWindow {
  from: string;
  to: string;
  /** Minutes after the end of `from` within which `to` must begin. */
  minLag: number;
  maxLag: number;
  /** A session this long, minutes, would hold both. */
  sessionMinutes: number;
}

/** The first recoat window that the sessions cannot hold even for its two steps alone; undefined where each could be
 *  held, which does not say that all can be held together. */
export function impossibleWindow(instance: IndexedInstance): ImpossibleWindow | undefined {
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
