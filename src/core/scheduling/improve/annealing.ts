import type { Candidate } from '../model/candidate.ts';
import type { SearchState } from '../searchState.ts';

/** Set-up minutes weigh against finish minutes while searching; the answer itself is strictly by finish first. */
const SETUP_WEIGHT = 0.2;
/** Being late against the bound anywhere points the way where many orders share one finish. */
const LATENESS_WEIGHT = 4;
const START_WEIGHT = 0.02;
/** Annealing heats up again from the best order this many times. */
const CYCLES = 4;
const EVALUATIONS_PER_LOOK = 64;
/** A minute after a due time outweighs several of the finish. */
export const TARDINESS_WEIGHT = 4;

/** When annealing has cooled down: by the clock, of so many ms, or by decoded orders. */
interface Cooling {
  time: number;
  spent: number;
  timeMs: number;
}

/** Simulated annealing over orders: one operation, or a run of neighbours, moves to another place that keeps
 *  every arc. */
export function annealWithin(state: SearchState, isOver: () => boolean, end: Cooling): void {
  const { decode, random } = state;
  const from = state.current!;
  const { size, preds, succs } = state.indexed;
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
    TARDINESS_WEIGHT * overdue +
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
      if (isOver()) return;
      const byCount = state.spent / end.spent;
      const byTime = 1 - (end.time - state.now()) / end.timeMs;
      const progress = Math.min(1, Math.max(byCount, Number.isFinite(end.spent) ? byCount : byTime));
      const cycle = Math.min(CYCLES - 1, Math.floor(progress * CYCLES));
      if (cycle !== lastCycle) {
        lastCycle = cycle;
        restart();
      }
      heat = hottest * (1 - (progress * CYCLES - cycle)) ** 2 + 0.05;
    }
    // A look at a move that the arcs forbid counts too, or a single chain would never use up the budget.
    state.spent++;
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
      state.consider([...candidate]);
    }
    energyNow = energyNext;
    [order, candidate] = [candidate, order];
    for (let i = Math.min(at, to); i < Math.max(at, to) + run; i++) position[order[i]!] = i;
  }
}
