import type { Candidate } from './candidate.ts';
import type { listDecoder } from './listDecoder.ts';
import type { IndexedInstance } from './scheduleInstance.ts';

/** Set-up minutes weigh against finish minutes while searching; the answer itself is strictly by finish first. */
const SETUP_WEIGHT = 0.2;
/** Being late against the bound anywhere points the way where many orders share one finish. */
const LATENESS_WEIGHT = 4;
const START_WEIGHT = 0.02;
/** Annealing heats up again from the best order this many times. */
const CYCLES = 4;
const EVALUATIONS_PER_LOOK = 64;
/** A minute after a due time outweighs several of the finish. */
export const OVERDUE_WEIGHT = 4;

interface Budget {
  /** Milliseconds left. */
  left: () => number;
  evaluations: number;
  timeMs: number;
  spent: () => number;
}

/** Simulated annealing over orders: one operation, or a run of neighbours, moves to another place that keeps
 *  every arc. */
export function anneal(
  indexed: IndexedInstance,
  from: Candidate,
  decode: ReturnType<typeof listDecoder>,
  random: () => number,
  over: () => boolean,
  count: () => void,
  consider: (order: number[]) => Candidate | undefined,
  budget: Budget,
): void {
  const { size, preds, succs } = indexed;
  if (size < 2) return;
  const energy = ({
    finish,
    setupMinutes,
    startSum,
    lateness,
    overdue,
    weighted,
  }: Omit<Candidate, 'order' | 'starts'>) =>
    finish +
    weighted +
    OVERDUE_WEIGHT * overdue +
    SETUP_WEIGHT * setupMinutes +
    (LATENESS_WEIGHT * lateness + START_WEIGHT * startSum) / size;
  let order = Int32Array.from(from.order);
  let candidate = order.slice();
  let energyNow = energy(from);
  let bestEnergy = energyNow;
  const bestOrder = order.slice();
  const position = new Int32Array(size);
  order.forEach((operation, at) => (position[operation] = at));
  const hottest = Math.max(20, 0.01 * from.finish);
  let heat = hottest;
  let lastCycle = 0;
  const restart = () => {
    order.set(bestOrder);
    energyNow = bestEnergy;
    order.forEach((operation, at) => (position[operation] = at));
  };

  for (let step = 0; ; step++) {
    if (step % EVALUATIONS_PER_LOOK === 0) {
      if (over()) return;
      const byCount = budget.spent() / budget.evaluations;
      const byTime = 1 - budget.left() / budget.timeMs;
      const progress = Math.min(1, Math.max(byCount, Number.isFinite(budget.evaluations) ? byCount : byTime));
      const cycle = Math.min(CYCLES - 1, Math.floor(progress * CYCLES));
      if (cycle !== lastCycle) {
        lastCycle = cycle;
        restart();
      }
      heat = hottest * (1 - (progress * CYCLES - cycle)) ** 2 + 0.05;
    }
    // A look at a move that the arcs forbid counts too, or a single chain would never use up the budget.
    count();
    const at = Math.floor(random() * size);
    const run = random() < 0.2 ? Math.min(size - at, 2 + Math.floor(random() * 4)) : 1;
    let least = 0;
    let most = size - run;
    for (let i = at; i < at + run; i++) {
      for (const { other } of preds[order[i]!]!)
        if (position[other]! < at) least = Math.max(least, position[other]! + 1);
      for (const { other } of succs[order[i]!]!)
        if (position[other]! >= at + run) most = Math.min(most, position[other]! - run);
    }
    if (most <= least) continue;
    const reach = random() < 0.5 ? 6 : size;
    const to = Math.max(least, Math.min(most, at + Math.round((random() * 2 - 1) * reach)));
    if (to === at) continue;
    candidate.set(order);
    const moved = order.slice(at, at + run);
    if (to < at) candidate.copyWithin(to + run, to, at);
    else candidate.copyWithin(at, at + run, to + run);
    candidate.set(moved, to);

    const decoded = decode(candidate);
    if (!decoded) continue;
    const energyNext = energy(decoded);
    if (energyNext > energyNow && random() >= Math.exp((energyNow - energyNext) / heat)) continue;
    if (energyNext < bestEnergy) {
      bestEnergy = energyNext;
      bestOrder.set(candidate);
      consider([...candidate]);
    }
    energyNow = energyNext;
    [order, candidate] = [candidate, order];
    for (let i = Math.min(at, to); i < Math.max(at, to) + run; i++) position[order[i]!] = i;
  }
}
