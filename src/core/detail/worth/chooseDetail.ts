import { frontierOrder } from './frontierOrder.ts';

/** A detail that could be added: `after` must be chosen too, `not` never together. */
export interface DetailTask {
  id: string;
  minutes: number;
  /** What it is worth; below zero for what others need and nobody sees. */
  gain: number;
  after: readonly string[];
  not: readonly string[];
}

export interface DetailQuestion {
  /** The time there is. */
  minutes: number;
  tasks: readonly DetailTask[];
}

export interface DetailChoice {
  /** In the order in which the tasks are given. */
  chosen: string[];
  gain: number;
  minutes: number;
  /** Nothing is worth more in the time. */
  proved: boolean;
  /** Best gain against minutes, each point worth more than the one before: also beyond the time there is. */
  next: { minutes: number; gain: number }[];
}

/** Budgets count work: sets of choices at the frontier that are followed side by side, and best choices kept in all. */
const MOST_STATES = 512;
const MOST_PRUNED_STATES = 4096;
const MOST_CHOICES = 800_000;
/** The curve goes on for another evening at least. */
const FURTHER_MINUTES = 240;

/** Best choices of one state, minutes and gain both rising; `last` names the choice in the arena. */
interface Front {
  minutes: number[];
  gain: number[];
  last: number[];
}

interface Constraint {
  other: number;
  /** needs: chosen only with the other; needed: the other only with it; not: never both. */
  kind: 'needs' | 'needed' | 'not';
}

/** The detail that is worth most in the time there is. Tasks are decided one after the other; of what is decided only those
 *  are remembered that a task still to come asks about, and for each set of these the best gain for every time: dynamic
 *  programming along the width of the question, exact while that stays within the budget. Throws RangeError for a task that
 *  is given twice or refers to none, and for minutes below zero. */
export function chooseDetail({ minutes, tasks }: DetailQuestion): DetailChoice {
  const constraints = constraintsOf(minutes, tasks);
  const order = frontierOrder(constraints.map((each) => new Set(each.map(({ other }) => other))));
  const asked = { tasks, constraints, order };
  const curve = decide(asked, minutes + FURTHER_MINUTES);
  let best = bestWithin(curve, minutes);
  let isProved = curve.isWhole;
  if (!isProved) {
    // Once more for the time there is alone: what cannot beat the best so far is not followed.
    const pruned = decide(asked, minutes, best.gain);
    const better = bestWithin(pruned, minutes);
    isProved = pruned.isWhole;
    if (better.gain > best.gain) best = better;
  }
  return {
    chosen: tasks.flatMap(({ id }, at) => (best.chosen.has(at) ? [id] : [])),
    gain: best.gain,
    minutes: best.minutes,
    proved: isProved,
    next: curve.front.minutes.map((each, at) => ({ minutes: each, gain: curve.front.gain[at]! })),
  };
}

/** The last point of a front that is not beyond a time. */
function bestWithin({ front, taken }: Decided, minutes: number) {
  let best = 0;
  while (best + 1 < front.minutes.length && front.minutes[best + 1]! <= minutes + 1e-9) best++;
  return { minutes: front.minutes[best]!, gain: front.gain[best]!, chosen: taken(front.last[best]!) };
}

function constraintsOf(minutes: number, tasks: readonly DetailTask[]): Constraint[][] {
  if (!(minutes >= 0)) throw new RangeError(`The time must be 0 minutes or more, not ${minutes}.`);
  const at = new Map<string, number>();
  tasks.forEach(({ id, minutes: own, gain }, index) => {
    if (at.has(id)) throw new RangeError(`The task ${id} is given twice.`);
    if (!(own >= 0) || !Number.isFinite(own))
      throw new RangeError(`The task ${id} takes ${own} minutes: give 0 or more.`);
    if (!Number.isFinite(gain)) throw new RangeError(`The task ${id} gains ${gain}: give a number.`);
    at.set(id, index);
  });
  const constraints: Constraint[][] = tasks.map(() => []);
  const place = (id: string, other: string): number => {
    const found = at.get(other);
    if (found === undefined) throw new RangeError(`The task ${id} refers to ${other}, which is none.`);
    return found;
  };
  tasks.forEach(({ id, after, not }, own) => {
    for (const other of after) {
      const needed = place(id, other);
      if (needed === own) continue;
      constraints[own]!.push({ other: needed, kind: 'needs' });
      constraints[needed]!.push({ other: own, kind: 'needed' });
    }
    for (const other of not) {
      const barred = place(id, other);
      constraints[own]!.push({ other: barred, kind: 'not' });
      if (barred !== own) constraints[barred]!.push({ other: own, kind: 'not' });
    }
  });
  return constraints;
}

/** Whether a choice agrees with what was chosen of a neighbour. */
const agrees = (isChosen: boolean, other: boolean, kind: Constraint['kind']): boolean =>
  kind === 'needs' ? !isChosen || other : kind === 'needed' ? isChosen || !other : !(isChosen && other);

interface Arena {
  /** The choice that each one goes on from, and the task that it adds. */
  before: number[];
  task: number[];
}

interface Decided {
  front: Front;
  /** Tasks of a choice in the arena. */
  taken: (last: number) => Set<number>;
  /** Nothing was given up. */
  isWhole: boolean;
}

interface Asked {
  tasks: readonly DetailTask[];
  constraints: readonly Constraint[][];
  order: readonly number[];
}

/** What the tasks from each place of the order on could gain in a time at most: as if each could be had in part, and none
 *  asked for another. */
function boundsOf({ tasks, order }: Asked): ((minutes: number) => number)[] {
  const worthFirst = order
    .map((task, at) => ({ at, ...tasks[task]! }))
    .filter(({ gain }) => gain > 0)
    .sort((p, q) => q.gain * p.minutes - p.gain * q.minutes);
  return [...order, -1].map((_, from) => {
    const left = worthFirst.filter(({ at }) => at >= from);
    const [time, gain] = [[0], [0]];
    for (const each of left) {
      time.push(time.at(-1)! + each.minutes);
      gain.push(gain.at(-1)! + each.gain);
    }
    return (minutes) => {
      let [low, high] = [0, time.length - 1];
      while (low < high) {
        const middle = (low + high + 1) >> 1;
        if (time[middle]! <= minutes) low = middle;
        else high = middle - 1;
      }
      const next = left[low];
      return gain[low]! + (next ? ((minutes - time[low]!) / next.minutes) * next.gain : 0);
    };
  });
}

/** Follows every choice that may be among the best. `known`: a gain that can be had, below which nothing is followed. */
function decide(asked: Asked, horizon: number, known = -Infinity): Decided {
  const { tasks, constraints, order } = asked;
  const bounds = known > -Infinity ? boundsOf(asked) : undefined;
  const arena: Arena = { before: [-1], task: [-1] };
  const place = new Map(order.map((task, at) => [task, at]));
  const bitOf = new Map<number, bigint>();
  const free: bigint[] = [];
  let bits = 0n;
  let states = new Map<bigint, Front>([[0n, { minutes: [0], gain: [0], last: [0] }]]);
  let isWhole = true;
  order.forEach((task, at) => {
    const isAskedLater = (each: number) => constraints[each]!.some(({ other }) => place.get(other)! > at);
    const isBarred = constraints[task]!.some(({ other }) => other === task);
    const met = constraints[task]!.flatMap(({ other, kind }) => {
      const bit = bitOf.get(other);
      return bit === undefined ? [] : [{ bit, kind }];
    });
    // What no task to come asks about is forgotten.
    for (const [other, bit] of bitOf) {
      if (isAskedLater(other)) continue;
      bitOf.delete(other);
      free.push(bit);
    }
    let own = 0n;
    if (isAskedLater(task)) {
      own = free.pop() ?? 1n << bits++;
      bitOf.set(task, own);
    }
    const kept = [...bitOf.values()].reduce((sum, bit) => sum | bit, 0n);
    const next = new Map<bigint, Front>();
    for (const [state, front] of states)
      for (const isChosen of isBarred ? [false] : [false, true]) {
        if (!met.every(({ bit, kind }) => agrees(isChosen, (state & bit) !== 0n, kind))) continue;
        const whole = isChosen ? withTask(front, task, tasks[task]!, horizon, arena) : front;
        const added = bounds ? promising(whole, bounds[at + 1]!, horizon, known) : whole;
        if (added.minutes.length === 0) continue;
        // A bit that is freed may be taken at once by the task itself.
        const key = (state & kept & ~own) | (isChosen ? own : 0n);
        const there = next.get(key);
        next.set(key, there ? merged(there, added) : added);
      }
    states = next;
    const isFull = arena.task.length > MOST_CHOICES;
    const most = bounds ? MOST_PRUNED_STATES : MOST_STATES;
    if (states.size > most || isFull) {
      states = narrowed(states, isFull ? 1 : most / 2);
      isWhole = false;
    }
  });
  // Where nothing beats what is known nothing is left.
  const front = states.get(0n) ?? { minutes: [0], gain: [0], last: [0] };
  return { front, taken: (last) => chainOf(last, arena), isWhole };
}

/** Every choice of a front with one task more, as far as the time goes. */
function withTask(
  front: Front,
  task: number,
  { minutes, gain }: DetailTask,
  horizon: number,
  arena: Arena,
): Front {
  const added: Front = { minutes: [], gain: [], last: [] };
  for (let at = 0; at < front.minutes.length; at++) {
    const whole = front.minutes[at]! + minutes;
    if (whole > horizon + 1e-9) break;
    added.minutes.push(whole);
    added.gain.push(front.gain[at]! + gain);
    added.last.push(arena.task.length);
    arena.before.push(front.last[at]!);
    arena.task.push(task);
  }
  return added;
}

/** What of a front could still come to more than is known. */
function promising(front: Front, bound: (minutes: number) => number, horizon: number, known: number): Front {
  const kept = front.minutes.map((minutes, at) => front.gain[at]! + bound(horizon - minutes) > known + 1e-9);
  const of = (values: readonly number[]) => values.filter((_, at) => kept[at]);
  return { minutes: of(front.minutes), gain: of(front.gain), last: of(front.last) };
}

/** The best of two fronts: of what takes no longer only what gains more. */
function merged(one: Front, other: Front): Front {
  const best: Front = { minutes: [], gain: [], last: [] };
  let [p, q] = [0, 0];
  while (p < one.minutes.length || q < other.minutes.length) {
    const [mp, mq] = [one.minutes[p] ?? Infinity, other.minutes[q] ?? Infinity];
    const isFirst = mp < mq || (mp === mq && one.gain[p]! >= other.gain[q]!);
    const [from, at] = isFirst ? [one, p++] : [other, q++];
    if (best.gain.length > 0 && from.gain[at]! <= best.gain.at(-1)!) continue;
    best.minutes.push(from.minutes[at]!);
    best.gain.push(from.gain[at]!);
    best.last.push(from.last[at]!);
  }
  return best;
}

/** The states that promise most; that in which nothing is chosen stays, since it can always go on. */
function narrowed(states: ReadonlyMap<bigint, Front>, most: number): Map<bigint, Front> {
  const ranked = [...states].sort(([, p], [, q]) => q.gain.at(-1)! - p.gain.at(-1)!);
  const none = states.get(0n);
  return new Map([...(none ? [[0n, none] as const] : []), ...ranked.slice(0, most)]);
}

function chainOf(last: number, { before, task }: Arena): Set<number> {
  const chain = new Set<number>();
  for (let at = last; at > 0; at = before[at]!) chain.add(task[at]!);
  return chain;
}
