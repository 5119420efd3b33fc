import { NEVER, type OrderLayout, type OrderLimits, tiedSets, visitOrders } from '../kernel/orderKernel.ts';
import { latestStarts } from '../model/bounds.ts';
import type { IndexedArc, IndexedInstance } from '../model/instance.ts';
import { setupTable } from '../model/setupTable.ts';

/** A schedule by starts, as the search knows it. */
export interface ProvedSchedule {
  starts: Int32Array;
  finish: number;
  setupMinutes: number;
}

/** What a search is for: an earlier finish, whatever its set-up, or less set-up. */
export type SearchGoal = 'finish' | 'setup';

export interface SearchBudget {
  /** Nodes more. */
  nodes: number;
  stopped: () => boolean;
}

export interface OrderSearch {
  /** Looks for the schedule that ends by a minute and is better than what is known: the earliest finish, or the least
   *  set-up. `whole` where it came to its end: then nothing is better than `better`, or else than what is known. */
  look: (
    goal: SearchGoal,
    known: { finish: number; setupMinutes: number },
    until: number,
    budget: SearchBudget,
  ) => { whole: boolean; better: ProvedSchedule | undefined };
  /** Nodes of all looks so far. */
  nodes: () => number;
}

/** Sets of done operations are bits of a number. */
export const MOST_TO_SEARCH = 24;

/** A search through every order and every session of each step.
 *
 *  Branches on the next step in time and the session it lies in. For a given order and sessions the least starts are
 *  those of a longest path, found by pushing earlier steps back where a maximum lag asks for it; they are least for all
 *  steps at once, so the finish is too. A node is cut
 *  - where some step left cannot start by the latest minute that would still do,
 *  - where the steps left do not fit between when they can begin and when they must have ended, even if they may be
 *    interrupted: for every pair of such minutes the work in between against the minutes open,
 *  - where the set-up left cannot be little enough,
 *  - where a step without paint fits whole before the next one begins: doing it there is as good,
 *  - where an earlier node with the same steps done was nowhere later.
 *  All that is a WebAssembly kernel; what it is told once is worked out here.
 *  Throws RangeError for more steps than `MOST_TO_SEARCH`. */
export function orderSearch(instance: IndexedInstance): OrderSearch {
  const { size, topological } = instance;
  if (size > MOST_TO_SEARCH)
    throw new RangeError(`${size} steps are too many to look at every order: ${MOST_TO_SEARCH} at most.`);
  const sorted = inOrder(instance, topological);
  const { operations, windows, family, setup, preds } = sorted;
  const openBefore = new Int32Array(windows.length);
  for (let w = 1; w < windows.length; w++) {
    const [opens, closes] = windows[w - 1]!;
    openBefore[w] = openBefore[w - 1]! + closes - opens;
  }
  const openUntil = (minute: number): number => {
    let w = 0;
    while (w + 1 < windows.length && windows[w + 1]![0] < minute) w++;
    const [opens, closes] = windows[w]!;
    return openBefore[w]! + Math.max(0, Math.min(minute, closes) - opens);
  };
  const before = new Int32Array(size);
  preds.forEach((arcs, i) => {
    for (const { other } of arcs) before[i]! |= before[other]! | (1 << other);
  });
  const used = family.reduce((set, kind) => (kind >= 0 ? set | (1 << kind) : set), 0);
  const layout: OrderLayout = {
    instance: sorted,
    before,
    urgent: urgentSets(sorted),
    openBefore,
    setupLeft: setupTable(setup, used, Math.min(size, windows.length)),
    between: leastChanges(setup.change, used),
  };
  /** What must hold for a finish. */
  const limitsOf = (finish: number): OrderLimits => {
    const latest = Int32Array.from(latestStarts(sorted, finish), (start, i) =>
      Math.max(-1, Math.min(start, operations[i]!.latest ?? NEVER)),
    );
    const end = (i: number) => latest[i]! + operations[i]!.hands;
    return {
      latest,
      order: Int32Array.from(operations, (_, i) => i).sort((p, q) => end(p) - end(q)),
      open: Int32Array.from(operations, (_, i) => openUntil(end(i))),
    };
  };
  let nodes = 0;
  return {
    nodes: () => nodes,
    look: (goal, known, until, budget) => {
      let better: ProvedSchedule | undefined;
      const limits = limitsOf(until);
      const { visited, whole } = visitOrders(layout, {
        isForFinish: goal === 'finish',
        ...known,
        limits,
        mostVisits: budget.nodes,
        isStopped: budget.stopped,
        improve: ({ starts, finish, setupMinutes }) => {
          const byIndex = new Int32Array(size);
          topological.forEach((index, at) => (byIndex[index] = starts[at]!));
          better = { starts: byIndex, finish, setupMinutes };
          return goal === 'finish' ? limitsOf(finish - 1) : limits;
        },
      });
      nodes += visited;
      return { whole, better };
    },
  };
}

/** An instance with its operations in an order that keeps what comes before what. */
function inOrder(instance: IndexedInstance, order: readonly number[]): IndexedInstance {
  const place = new Int32Array(order.length);
  order.forEach((index, at) => (place[index] = at));
  const moved = (arcs: IndexedArc[][]) =>
    order.map((index) => arcs[index]!.map((arc) => ({ ...arc, other: place[arc.other]! })));
  return {
    ...instance,
    operations: order.map((index) => instance.operations[index]!),
    family: Int32Array.from(order, (index) => instance.family[index]!),
    needsBooth: Uint8Array.from(order, (index) => instance.needsBooth[index]!),
    tied: order.map((index) => instance.tied[index]!),
    chainSpan: Float64Array.from(order, (index) => instance.chainSpan[index]!),
    chainWindow: Float64Array.from(order, (index) => instance.chainWindow[index]!),
    preds: moved(instance.preds),
    succs: moved(instance.succs),
    topological: order.map((_, at) => at),
  };
}

/** Steps that had better take a step's place where they can, whatever the finish: as long, with the same paint, needed
 *  no later, and before all that waits for the other. Of two alike the first goes first. */
function urgentSets({ operations, family, needsBooth, preds, succs }: IndexedInstance): Int32Array {
  const [tiedIn, tiedOut] = [tiedSets(preds), tiedSets(succs)];
  const serves = (one: number, two: number) =>
    tiedOut[one] === 0 &&
    tiedIn[two] === 0 &&
    operations[one]!.dry >= operations[two]!.dry &&
    (operations[one]!.latest ?? NEVER) <= (operations[two]!.latest ?? NEVER) &&
    succs[two]!.every(({ other, minLag }) =>
      succs[one]!.some((arc) => arc.other === other && arc.minLag >= minLag),
    );
  return Int32Array.from(operations, ({ hands }, k) =>
    operations.reduce((set, other, i) => {
      const isMeant =
        i !== k &&
        other.hands === hands &&
        family[i] === family[k] &&
        needsBooth[i] === needsBooth[k] &&
        serves(i, k);
      return isMeant && (i < k || !serves(k, i)) ? set | (1 << i) : set;
    }, 0),
  );
}

/** Least change minutes from family to family, through others that are used (bits) where that is cheaper. */
function leastChanges(change: readonly (readonly number[])[], used: number): number[][] {
  const between = change.map((own) => [...own]);
  for (let via = 0; via < between.length; via++) {
    if (!(used & (1 << via))) continue;
    for (const own of between) {
      for (let to = 0; to < own.length; to++) own[to] = Math.min(own[to]!, own[via]! + between[via]![to]!);
    }
  }
  return between;
}
