import { SHARES } from '../budgets.ts';
import { MOST_TO_SEARCH } from '../exact/orderSearch.ts';
import type { SearchState } from '../searchState.ts';
import { annealWithin } from './annealing.ts';
import { searchNeighbourhoods } from './neighbourhoods.ts';
import { lowerAims, lowerFinish, lowerSetup } from './targets.ts';

/** Improves a schedule that is too large to be searched to the end, or whose ends weigh: large neighbourhoods, and lower
 *  and lower targets for tardiness, ends that weigh, finish and set-up. */
export function improve(state: SearchState): void {
  if (state.indexed.size <= MOST_TO_SEARCH) {
    const end = state.endOf(SHARES.annealingOfFew);
    annealWithin(state, () => !state.isBefore(end), { ...end, timeMs: end.time - state.now() });
  }
  searchNeighbourhoods(state, SHARES.beforeTargets, Infinity);
  if (state.weighs || state.best!.overdue > 0) searchNeighbourhoods(state, SHARES.beforeAims, Infinity);
  if (state.best!.overdue > 0) lowerAims(state, SHARES.aims, true);
  if (state.weighs) lowerAims(state, SHARES.aims, false);
  lowerFinish(state, SHARES.sessions);
  searchNeighbourhoods(state, SHARES.afterTargets, Infinity);
  searchNeighbourhoods(state, SHARES.setupNeighbourhoods, Infinity, state.best!.finish);
  lowerSetup(state, SHARES.setup);
  state.current = state.best;
}
