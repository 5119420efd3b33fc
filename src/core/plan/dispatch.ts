import type { IndexedInstance } from './scheduleInstance.ts';

/** Longest time from an operation's start to the end of everything that hangs on it, lags and drying included. */
export function tails({ operations, succs, topological }: IndexedInstance): number[] {
  const tail = new Array<number>(operations.length).fill(0);
  for (const index of [...topological].reverse()) {
    const { hands, dry } = operations[index]!;
    const after = succs[index]!.reduce((most, { other, minLag }) => Math.max(most, minLag + tail[other]!), dry);
    tail[index] = hands + after;
  }
  return tail;
}

/** An order made by walking through the sessions: at each moment the step that can start first, the one with
 *  the longest tail among equals, but never one that would let another step's recoat window close.
 *  `jitter` (0 none) shakes the priorities with the given random source. */
export function dispatchOrder(instance: IndexedInstance, jitter: number, random: () => number): number[] {
  const { size, operations, windows, family, setup, preds, succs } = instance;
  const priority = tails(instance).map((tail) => tail * (1 + jitter * (random() - 0.5)));
  const waiting = preds.map((arcs) => arcs.length);
  const ready = Float64Array.from(operations, ({ earliest }) => earliest ?? 0);
  const closes = Float64Array.from(operations, ({ latest }) => latest ?? Infinity);
  const open = new Set(operations.map((_, index) => index).filter((index) => waiting[index] === 0));
  const order: number[] = [];
  let now = 0;
  let session = 0;
  let lastFamily = -1;
  let lastFamilySession = -1;

  const startOf = (index: number, from: number) => {
    const { hands } = operations[index]!;
    const kind = family[index]!;
    for (let w = session; w < windows.length; w++) {
      const [opensAt, closesAt] = windows[w]!;
      let need = kind >= 0 && lastFamilySession !== w ? setup.newWindow : 0;
      if (kind >= 0 && lastFamily >= 0 && lastFamily !== kind) need = Math.max(need, setup.change[lastFamily]![kind]!);
      const start = Math.max(ready[index]!, Math.max(from, opensAt) + need);
      if (start + hands <= closesAt) return { start, session: w };
    }
    return { start: Infinity, session: windows.length };
  };

  while (order.length < size) {
    const choices = [...open].map((index) => ({ index, ...startOf(index, now) }));
    choices.sort((a, b) => a.start - b.start || priority[b.index]! - priority[a.index]!);
    const urgent = choices.filter(({ index }) => closes[index]! < Infinity);
    const safe = choices.find(({ index, start }) => {
      const end = start + operations[index]!.hands;
      return urgent.every((other) => other.index === index || end + setup.newWindow <= closes[other.index]! || start >= closes[other.index]!);
    });
    const earliest = choices[0]!;
    // Among steps that start within a few minutes of the first, the longest tail goes first.
    const slack = safe ? choices.filter(({ start, index }) => start <= safe.start + 10 && closes[index]! === Infinity) : [];
    const chosen = safe && closes[safe.index]! === Infinity
      ? slack.reduce((best, choice) => (priority[choice.index]! > priority[best.index]! ? choice : best), safe)
      : (safe ?? urgent[0] ?? earliest);
    open.delete(chosen.index);
    order.push(chosen.index);
    const end = Math.min(chosen.start, 1e9) + operations[chosen.index]!.hands;
    now = end;
    session = Math.min(chosen.session, windows.length - 1);
    if (family[chosen.index]! >= 0) {
      lastFamily = family[chosen.index]!;
      lastFamilySession = chosen.session;
    }
    for (const { other, minLag, maxLag } of succs[chosen.index]!) {
      ready[other] = Math.max(ready[other]!, end + minLag);
      closes[other] = Math.min(closes[other]!, end + maxLag);
      if (--waiting[other]! === 0) open.add(other);
    }
  }
  return order;
}
