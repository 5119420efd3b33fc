import { breaksTie, type IndexedInstance } from '../model/instance.ts';

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

/** Tails that count what is due as if it ended where the longest chain does, and what weighs as a good deal nearer. */
export function urgencies(instance: IndexedInstance): number[] {
  const { operations, succs, topological } = instance;
  const urgency = tails(instance);
  if (!operations.some(({ due, weight = 0 }) => due !== undefined || weight > 0)) return urgency;
  const room = operations.reduce((sum, { hands }) => sum + hands, 0);
  const inSessions = instance.windows.reduce((sum, [from, to]) => sum + to - from, 0);
  const span = instance.windows.at(-1)![1];
  // About when all of it would be done, were every session filled.
  const horizon = Math.max(...urgency, (span * room) / inSessions);
  const pull = operations.map(({ due = horizon, weight = 0 }) =>
    Math.max(0, horizon - due, weight > 0 ? horizon / 2 : 0),
  );
  for (const index of [...topological].reverse()) {
    for (const { other } of succs[index]!) pull[index] = Math.max(pull[index]!, pull[other]!);
  }
  return urgency.map((tail, index) => tail + pull[index]!);
}

/** Urgencies with some chance in them: `jitter` 0 for none. */
export function shaken(urgency: readonly number[], jitter: number, random: () => number): number[] {
  return urgency.map((value) => value * (1 + jitter * (random() - 0.5)));
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
 *  the greatest priority among equals, but never one that would let another step's recoat window close. */
export function priorityRuleOrder(instance: IndexedInstance, priority: readonly number[]): number[] {
  const { size, operations, windows, family, needsBooth, hasBooth, setup, preds, succs, tied } = instance;
  const waiting = preds.map((arcs) => arcs.length);
  const ready = Float64Array.from(operations, ({ earliest }) => earliest ?? 0);
  const closes = Float64Array.from(operations, ({ latest }) => latest ?? Infinity);
  const open = new Set(operations.map((_, index) => index).filter((index) => waiting[index] === 0));
  const order: number[] = [];
  let state: BenchState = { now: 0, session: 0, family: -1, familySession: -1 };

  const placeAfter = ({ now, session, family: lastFamily, familySession }: BenchState, index: number) => {
    const { hands } = operations[index]!;
    const kind = family[index]!;
    // The first session that could still hold it, found by halving.
    let w = session;
    let beyond = windows.length;
    const least = ready[index]! + hands;
    while (w < beyond) {
      const middle = (w + beyond) >> 1;
      if (windows[middle]![1] < least) w = middle + 1;
      else beyond = middle;
    }
    for (; w < windows.length; w++) {
      if (needsBooth[index]! > hasBooth[w]!) continue;
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

  const soonest = (choices: readonly { index: number; start: number; session: number }[]) =>
    [...choices].sort((a, b) => a.start - b.start || priority[b.index]! - priority[a.index]!);

  while (order.length < size) {
    const choices: { index: number; start: number; session: number }[] = [];
    let firstStart = Infinity;
    for (const index of open) {
      const placed = placeAfter(state, index);
      choices.push({ index, start: placed.start, session: placed.session });
      if (placed.start < firstStart) firstStart = placed.start;
    }
    const urgent = choices
      .filter(({ index }) => closes[index]! < Infinity)
      .sort((a, b) => closes[a.index]! - closes[b.index]!);
    // A step is safe when every coat with a closing window can still follow it in time, one after another.
    const isSafe = ({ index, start, session }: (typeof choices)[number]) => {
      let after = stateAfter(index, start, session);
      return urgent.every((other) => {
        if (other.index === index) return true;
        const next = placeAfter(after, other.index);
        after = { ...after, now: next.start + operations[other.index]!.hands, session: next.session };
        return next.start <= closes[other.index]!;
      });
    };
    // Among steps that start within a few minutes of the first, the longest tail goes first.
    const byPriority = choices
      .filter(({ start }) => start <= firstStart + NEAR_MINUTES)
      .sort((a, b) => priority[b.index]! - priority[a.index]!);
    const chosen = byPriority.find(isSafe) ?? soonest(choices).find(isSafe) ?? urgent[0] ?? byPriority[0]!;
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
