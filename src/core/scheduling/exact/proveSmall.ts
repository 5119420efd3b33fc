import {
  BEFORE_PROOF,
  FINISH_SHARE,
  MOST_TO_PROVE_AT_ONCE,
  NODES_PER_EVALUATION,
  PROOF_NODES,
  PROOF_SHARE,
  SHARE_BETWEEN_PROOFS,
} from '../budgets.ts';
import { annealWithin } from '../improve/annealing.ts';
import { searchNeighbourhoods } from '../improve/neighbourhoods.ts';
import { lowerFinish } from '../improve/targets.ts';
import { candidateOf } from '../model/candidate.ts';
import type { ScheduleOperation } from '../model/instance.ts';
import type { SearchState } from '../searchState.ts';
import { orderSearch } from './orderSearch.ts';
import { proveFinish, proveSetup } from './proveSchedule.ts';

/** Worse than any schedule. */
const ANY = { finish: 2 ** 29, setupMinutes: 2 ** 29 };

/** Searches a small instance to the end, after some improving: the search is quicker from a good schedule. */
export function prove(state: SearchState): void {
  const isSmallest = state.indexed.size <= MOST_TO_PROVE_AT_ONCE;
  if (!isSmallest) {
    searchNeighbourhoods(state, BEFORE_PROOF.share, BEFORE_PROOF.reinserted);
    if (state.best!.overdue === 0) lowerFinish(state, BEFORE_PROOF.targets);
  }
  state.current = state.best;
  const few = Math.min(state.evaluations, state.spent + (isSmallest ? 0 : BEFORE_PROOF.annealed));
  annealWithin(state, () => state.over() || state.spent >= few, {
    time: state.deadline,
    spent: few,
    timeMs: state.timeMs,
  });
  searchToTheEnd(state, isSmallest);
  state.current = state.best;
}

/** Searches every order: for the finish, and then for the set-up. */
function searchToTheEnd(state: SearchState, isSmallest: boolean): void {
  const { indexed, isDue, evaluations, deadline, timeMs } = state;
  // Being in time comes first: what is proved is the best of the plans that are, if there are any.
  const isInTime = state.best!.overdue === 0;
  const search = orderSearch(
    isDue ? { ...indexed, operations: indexed.operations.map(startingInTime) } : indexed,
  );
  const budget = (until: number) => ({
    nodes: until * Math.min(PROOF_NODES, NODES_PER_EVALUATION * evaluations) - search.nodes(),
    stopped: () => state.options.signal?.aborted === true || state.now() > deadline - (1 - until) * timeMs,
  });
  const first = proveFinish(search, isInTime ? state.best! : ANY, state.bound, budget(FINISH_SHARE));
  if (first.better) state.adopt(candidateOf(indexed, first.better.starts));
  if (!isInTime && !first.better) return;
  // With due times it bounds only the plans that keep them.
  if (first.isProved && !isDue) state.bound = state.best!.finish;
  if (!isSmallest)
    searchNeighbourhoods(state, SHARE_BETWEEN_PROOFS, BEFORE_PROOF.reinserted, state.best!.finish);
  const second = proveSetup(search, state.best!, budget(PROOF_SHARE));
  if (second.better) state.adopt(candidateOf(indexed, second.better.starts));
  state.exhausted = first.isProved && second.isProved;
}

/** An operation that must start so that it has ended when it is due. */
function startingInTime(operation: ScheduleOperation): ScheduleOperation {
  const { hands, dry, due = Infinity, latest = Infinity } = operation;
  return { ...operation, latest: Math.min(latest, due - hands - dry) };
}
