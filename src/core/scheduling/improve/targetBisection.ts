import { latestStarts } from '../model/bounds.ts';
import type { IndexedInstance, ScheduleOperation } from '../model/instance.ts';

/** What is asked for next of an end that is to be lowered: a whole session less while that succeeds, then half of what
 *  lies between what was not reached and what is; from the beginning again once nothing lies between. */
export function targetBisection(least: number) {
  let unreached = least - 1;
  let isWhole = true;
  return {
    next(end: number, sessionLess: number) {
      isWhole &&= sessionLess >= least;
      return { isWhole, target: isWhole ? sessionLess : unreached + Math.ceil((end - 1 - unreached) / 2) };
    },
    learn(target: number, isFound: boolean, end: number) {
      isWhole &&= isFound;
      if (!isFound) unreached = target;
      if (unreached < end - 1) return;
      unreached = least - 1;
      isWhole = true;
    },
  };
}

export function endOfOperation(
  { operations }: IndexedInstance,
  starts: ArrayLike<number>,
  index: number,
): number {
  return starts[index]! + operations[index]!.hands + operations[index]!.dry;
}

/** An operation that is to end sooner, and when. */
export interface Aim {
  index: number;
  end: number;
}

/** The instance in which what is due, what weighs and the operation that is aimed at end no later than they may. For what
 *  is overdue, what weighs may wait. */
export function keepingEnds(indexed: IndexedInstance, starts: ArrayLike<number>, aim?: Aim): IndexedInstance {
  const isOverdue = (index: number) =>
    endOfOperation(indexed, starts, index) > (indexed.operations[index]!.due ?? Infinity);
  const canWait = aim !== undefined && isOverdue(aim.index);
  const operations = indexed.operations.map((operation, index): ScheduleOperation => {
    const { hands, dry, due, weight = 0, latest = Infinity } = operation;
    const end = endOfOperation(indexed, starts, index);
    let most = Infinity;
    if (due !== undefined) most = Math.max(due, end);
    if (weight > 0 && !canWait) most = Math.min(most, end);
    if (aim?.index === index) most = aim.end;
    return most === Infinity ? operation : { ...operation, latest: Math.min(latest, most - hands - dry) };
  });
  return { ...indexed, operations };
}

/** Starts to begin squeezing with where a few operations must end much sooner: none later than it may be, so that they
 *  are put in front of what can wait. */
export function inTimeOrder(instance: IndexedInstance, starts: ArrayLike<number>, finish: number): number[] {
  return latestStarts(instance, finish).map((latest, i) => Math.min(latest, starts[i]!));
}

/** The latest end of an operation that is done one session sooner. */
export function sessionBefore(
  { operations, windows }: IndexedInstance,
  starts: ArrayLike<number>,
  i: number,
): number {
  const session = windows.findLastIndex(([opens]) => opens <= starts[i]!);
  return session > 0 ? windows[session - 1]![1] + operations[i]!.dry : 0;
}

/** The latest finish that leaves the session free in which the work that ends last is done. */
export function sparingSession(instance: IndexedInstance, starts: ArrayLike<number>): number {
  const { operations, windows, size } = instance;
  const end = (i: number) => starts[i]! + operations[i]!.hands + operations[i]!.dry;
  let last = 0;
  for (let i = 1; i < size; i++) if (end(i) > end(last)) last = i;
  const [opens, closes] = windows.findLast(([begins]) => begins <= starts[last]!)!;
  let free = sessionBefore(instance, starts, last);
  // Whatever else may still be put into it must end too late as well, but for what ends late from elsewhere.
  let least = Infinity;
  for (let i = 0; i < size; i++) {
    least = Math.min(least, opens + operations[i]!.hands + operations[i]!.dry - 1);
    if (starts[i]! < opens || starts[i]! >= closes) free = Math.max(free, end(i));
  }
  return Math.min(end(last) - 1, Math.max(least, free));
}
