import { breaksTie, type IndexedInstance } from '../model/instance.ts';

export interface DecodedSchedule {
  starts: Int32Array;
  finish: number;
  setupMinutes: number;
  /** Sum of starts: lower means work done earlier where the finish is the same. */
  startSum: number;
  /** Sum of minutes by which starts miss the latest ones that the bound on the finish would need. */
  lateness: number;
  /** Minutes by which operations end after they are due, summed. */
  overdue: number;
  /** Ends of operations by their weights, summed. */
  weighted: number;
}

/** How often a breached maximum lag may push an earlier operation back before an order is given up. */
const MAX_JUMPS = 100;

/** A function that turns an order of operations (every operation after its predecessors) into the schedule
 *  that does them in that order, each as early as it fits; undefined where the order cannot hold a window.
 *  The result's array is reused by the next call. */
export function serialGeneration(
  instance: IndexedInstance,
  latestForBound: readonly number[],
): (order: ArrayLike<number>) => DecodedSchedule | undefined {
  const { size, operations, windows, family, needsBooth, hasBooth, setup, preds, tied } = instance;
  const hands = Int32Array.from(operations, (operation) => operation.hands);
  const dry = Int32Array.from(operations, (operation) => operation.dry);
  const earliest = Float64Array.from(operations, (operation) => operation.earliest ?? 0);
  const latest = Float64Array.from(operations, (operation) => operation.latest ?? Infinity);
  const opens = Int32Array.from(windows, ([start]) => start);
  const closes = Int32Array.from(windows, ([, end]) => end);
  const needed = Float64Array.from(latestForBound);
  const starts = new Int32Array(size);
  const floors = new Float64Array(size);
  const position = new Int32Array(size);
  // The state before each position, so that a jump back can resume there.
  const timeBefore = new Int32Array(size + 1);
  const windowBefore = new Int32Array(size + 1);
  const familyBefore = new Int32Array(size + 1);
  const familyWindowBefore = new Int32Array(size + 1);
  const setupBefore = new Int32Array(size + 1);
  const result: DecodedSchedule = {
    starts,
    finish: 0,
    setupMinutes: 0,
    startSum: 0,
    lateness: 0,
    overdue: 0,
    weighted: 0,
  };
  const aimed = Int32Array.from(
    operations.flatMap(({ due, weight = 0 }, index) => (due !== undefined || weight > 0 ? [index] : [])),
  );
  const due = Float64Array.from(operations, (operation) => operation.due ?? Infinity);
  const weight = Float64Array.from(operations, (operation) => operation.weight ?? 0);

  return (order) => {
    for (let at = 0; at < size; at++) position[order[at]!] = at;
    floors.set(earliest);
    timeBefore[0] = 0;
    windowBefore[0] = 0;
    familyBefore[0] = -1;
    familyWindowBefore[0] = -1;
    setupBefore[0] = 0;
    let jumps = 0;
    for (let at = 0; at < size; at++) {
      const operation = order[at]!;
      let ready = floors[operation]!;
      const arcs = preds[operation]!;
      for (let i = 0; i < arcs.length; i++) {
        const arc = arcs[i]!;
        const after = starts[arc.other]! + hands[arc.other]! + arc.minLag;
        if (after > ready) ready = after;
      }
      let window = windowBefore[at]!;
      const free = timeBefore[at]!;
      const kind = family[operation]!;
      const lastKind = familyBefore[at]!;
      const change = kind >= 0 && lastKind >= 0 && lastKind !== kind ? setup.change[lastKind]![kind]! : 0;
      let need = 0;
      let start = -1;
      for (; window < opens.length; window++) {
        if (closes[window]! < ready + hands[operation]! || needsBooth[operation]! > hasBooth[window]!)
          continue;
        need = 0;
        if (kind >= 0) {
          need = change;
          if (familyWindowBefore[at] !== window && setup.newWindow > need) need = setup.newWindow;
        }
        const from = (free > opens[window]! ? free : opens[window]!) + need;
        const candidate = ready > from ? ready : from;
        if (
          candidate + hands[operation]! <= closes[window]! &&
          !(tied[operation] && breaksTie(instance, operation, candidate, window))
        ) {
          start = candidate;
          break;
        }
      }
      if (start < 0 || start > latest[operation]!) return undefined;
      let back = -1;
      for (let i = 0; i < arcs.length; i++) {
        const arc = arcs[i]!;
        const floor = start - arc.maxLag - hands[arc.other]!;
        if (floor > starts[arc.other]!) {
          if (++jumps > MAX_JUMPS) return undefined;
          floors[arc.other] = floor;
          if (back < 0 || position[arc.other]! < back) back = position[arc.other]!;
        }
      }
      if (back >= 0) {
        at = back - 1;
        continue;
      }
      starts[operation] = start;
      timeBefore[at + 1] = start + hands[operation]!;
      windowBefore[at + 1] = window;
      setupBefore[at + 1] = setupBefore[at]! + need;
      familyBefore[at + 1] = kind >= 0 ? kind : lastKind;
      familyWindowBefore[at + 1] = kind >= 0 ? window : familyWindowBefore[at]!;
    }
    result.finish = 0;
    result.startSum = 0;
    result.lateness = 0;
    for (let i = 0; i < size; i++) {
      const end = starts[i]! + hands[i]! + dry[i]!;
      if (end > result.finish) result.finish = end;
      result.startSum += starts[i]!;
      if (starts[i]! > needed[i]!) result.lateness += starts[i]! - needed[i]!;
    }
    result.overdue = 0;
    result.weighted = 0;
    for (let i = 0; i < aimed.length; i++) {
      const operation = aimed[i]!;
      const end = starts[operation]! + hands[operation]! + dry[operation]!;
      if (end > due[operation]!) result.overdue += end - due[operation]!;
      result.weighted += weight[operation]! * end;
    }
    result.setupMinutes = setupBefore[size]!;
    return result;
  };
}
