import { BEYOND_WEIGHT, NEIGHBOURHOOD_HEAT, SETUP_HEAT } from '../budgets.ts';
import { urgencies } from '../construct/priorityRule.ts';
import type { IndexedInstance } from '../model/instance.ts';
import type { SearchState } from '../searchState.ts';
import { TARDINESS_WEIGHT } from './annealing.ts';
import { largeNeighbourhoodSearch } from './largeNeighbourhood.ts';

/** Improves the best by large neighbourhoods for a share of the budget that is left, with at most so many tries; set-ups
 *  alone where a finish is given that must be kept. */
export function searchNeighbourhoods(
  state: SearchState,
  share: number,
  most: number,
  kept = -Infinity,
): void {
  const { indexed, evaluations, deadline, now } = state;
  const firstSpent = state.spent;
  const firstLeft = deadline - now();
  const tries = Math.min(most, (evaluations - firstSpent) * share);
  const progress = () => {
    const byTime = (1 - (deadline - now()) / firstLeft) / share;
    const byCount = (state.spent - firstSpent) / tries;
    return Number.isFinite(evaluations) ? byCount : Math.max(byTime, byCount);
  };
  largeNeighbourhoodSearch(indexed, state.best!.starts, urgencies(indexed), state.random, {
    energyOf: (starts, setupMinutes) => {
      state.spent++;
      return energy(indexed, starts, setupMinutes, kept);
    },
    heat: kept > -Infinity ? SETUP_HEAT : NEIGHBOURHOOD_HEAT,
    progress,
    over: () => state.over() || progress() >= 1 || state.provedBest(),
    improved: state.considerStarts,
  });
}

/** What is lowered, minutes. Set-ups take up room in the sessions, so they count fully. */
function energy(
  { operations, size }: IndexedInstance,
  starts: Int32Array,
  setupMinutes: number,
  kept: number,
): number {
  let finish = 0;
  let sum = 0;
  let aims = 0;
  for (let index = 0; index < size; index++) {
    const { hands, dry, due = Infinity, weight = 0 } = operations[index]!;
    const end = starts[index]! + hands + dry;
    if (end > finish) finish = end;
    if (end > due) aims += TARDINESS_WEIGHT * (end - due);
    aims += weight * end;
    sum += starts[index]!;
  }
  const late = kept > -Infinity ? BEYOND_WEIGHT * Math.max(0, finish - kept) : finish;
  return late + setupMinutes + aims + (0.1 * sum) / size;
}
