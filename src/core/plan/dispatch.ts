import { breaksTie, type IndexedInstance } from './scheduleInstance.ts';

/** Longest time from an operation's start to the end of everything that hangs on it, lags and drying included. */
export function tails({ operations, succs, topological }: IndexedInstance): number[] {
  const tail = new Array<number>(operations.length).fill(0);
  for (const index of [...topological].reverse()) {
    const { hands, dry } = operations[index]!;
    const after = succs[index]!.reduce(
      (most, { other, minLag }) => Math.max(most, minLag + tail[other]!),
      dry,
    );
    tail[index] = hands + after;
  }
  return tail;
}

/** Steps that start this close together count as starting together. */
const NEAR_MINUTES = 10;

/** Where the builder stands in the calendar and what is in the airbrush. */
interface BenchState {
  now: number;
  session: number;
  family: number;
  familySession: number;
}

/** An order made by walking through the sessions: at each moment the step that can start first, the one with
 *  the longest tail among equals, but never one that would let another step's recoat window close.
 *  `jitter` (0 none) shakes the priorities with the given random source. */
export function dispatchOrder(instance: IndexedInstance, jitter: number, random: () => number): number[] {
  const { size, operations, windows, family, setup, preds, succs, tied } = instance;
  const priority = tails(instance).map((tail) => tail * (1 + jitter * (random() - 0.5)));
  const waiting = preds.map((arcs) => arcs.length);
  const ready = Float64Array.from(operations, ({ earliest }) => earliest ?? 0);
  const closes = Float64Array.from(operations, ({ latest }) => latest ?? Infinity);
  const open = new Set(operations.map((_, index) => index).filter((index) => waiting[index] === 0));
  const order: number[] = [];
  let state: BenchState = { now: 0, session: 0, family: -1, familySession: -1 };

  const placeAfter = ({ now, session, family: lastFamily, familySession }: BenchState, index: number) => {
    const { hands } = operations[index]!;
    const kind = family[index]!;
    for (let w = session; w < windows.length; w++) {
      const [opensAt, closesAt] = windows[w]!;
      let need = kind >= 0 && familySession !== w ? setup.newWindow : 0;
      if (kind >= 0 && lastFamily >= 0 && lastFamily !== kind)
        need = Math.max(need, setup.change[lastFamily]![kind]!);
      const start = Math.max(ready[index]!, Math.max(now, opensAt) + need);
      if (start + hands <= closesAt && !(tied[index] && breaksTie(instance, index, start, w))) {
        return { start, session: w };
      }
    }
    return { start: Infinity, session: windows.length - 1 };
  };
  const stateAfter = (index: number, start: number, session: number): BenchState => {
    const painted = family[index]! >= 0;
    return {
      now: start + operations[index]!.hands,
      session,
      family: painted ? family[index]! : state.family,
      familySession: painted ? session : state.familySession,
    };
  };

  while (order.length < size) {
    const choices = [...open].map((index) => ({ index, ...placeAfter(state, index) }));
    choices.sort((a, b) => a.start - b.start || priority[b.index]! - priority[a.index]!);
    const urgent = choices.filter(({ index }) => closes[index]! < Infinity);
    // A step is safe when every coat with a closing window can still follow it in time, one after another.
    const isSafe = ({ index, start, session }: (typeof choices)[number]) => {
      let after = stateAfter(index, start, session);
      return urgent
        .filter((other) => other.index !== index)
        .sort((a, b) => closes[a.index]! - closes[b.index]!)
        .every((other) => {
          const next = placeAfter(after, other.index);
          after = { ...after, now: next.start + operations[other.index]!.hands, session: next.session };
          return next.start <= closes[other.index]!;
        });
    };
    const firstStart = choices[0]!.start;
    // Among steps that start within a few minutes of the first, the longest tail goes first.
    const byPriority = choices
      .filter(({ start }) => start <= firstStart + NEAR_MINUTES)
      .sort((a, b) => priority[b.index]! - priority[a.index]!);
    const chosen = byPriority.find(isSafe) ?? choices.find(isSafe) ?? urgent[0] ?? choices[0]!;
    open.delete(chosen.index);
    order.push(chosen.index);
    const start = Math.min(chosen.start, 1e9);
    const end = start + operations[chosen.index]!.hands;
    state = stateAfter(chosen.index, start, chosen.session);
    for (const { other, minLag, maxLag } of succs[chosen.index]!) {
      ready[other] = Math.max(ready[other]!, end + minLag);
      closes[other] = Math.min(closes[other]!, end + maxLag);
      if (--waiting[other]! === 0) open.add(other);
    }
  }
  return order;
}
