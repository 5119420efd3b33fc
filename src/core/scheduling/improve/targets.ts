import {
  LONGER,
  LONGER_SHARE,
  MOST_FOR_MINUTES,
  MOST_FOR_SESSION,
  MOVES_PER_EVALUATION,
  SESSIONS_LATER,
  SETUP_STEP,
} from '../budgets.ts';
import { earliestStarts } from '../model/bounds.ts';
import type { End, SearchState } from '../searchState.ts';
import { penaltySearch } from './penaltySearch.ts';
import {
  endOfOperation,
  inTimeOrder,
  keepingEnds,
  sessionBefore,
  sparingSession,
  targetBisection,
  type Aim,
} from './targetBisection.ts';

/** Tries to reach a finish and a set-up by penalty search, for at most so much of what is left until `end`; whether it
 *  did. */
function reach(
  state: SearchState,
  goal: { finish: number; setupMinutes: number },
  most: { moves: number; share: number },
  end: End,
  aim?: Aim,
): boolean {
  const { indexed, now, random, evaluations } = state;
  const began = now();
  const firstSpent = state.spent;
  const kept = keepingEnds(indexed, state.best!.starts, aim);
  const found = penaltySearch(
    kept,
    aim ? inTimeOrder(kept, state.best!.starts, goal.finish) : state.best!.starts,
    goal,
    random,
    (move) => {
      state.spent = firstSpent + move / MOVES_PER_EVALUATION;
      const byMoves = move / (most.moves * indexed.size);
      const byCount = (state.spent - firstSpent) / (most.share * (end.spent - firstSpent));
      const byTime = (now() - began) / (most.share * (end.time - began));
      return state.over() ? 1 : Math.max(byMoves, byCount, Number.isFinite(evaluations) ? 0 : byTime);
    },
  );
  // A try that fails without a move counts as well, or there would be no end of them.
  if (found) state.considerStarts(found);
  else state.spent++;
  return found !== undefined;
}

/** Lowers the finish for a share of the budget that is left: first by a whole session, then by what lies between a
 *  finish that was not reached and the best. */
export function lowerFinish(state: SearchState, share: number): void {
  const end = state.endOf(share);
  const targets = targetBisection(state.bound);
  let { moves } = MOST_FOR_SESSION;
  while (state.isBefore(end) && state.best!.finish > state.bound) {
    const { target: finish, isWhole } = targets.next(
      state.best!.finish,
      sparingSession(state.indexed, state.best!.starts),
    );
    const share = moves > MOST_FOR_SESSION.moves ? LONGER_SHARE : MOST_FOR_SESSION.share;
    const most = isWhole ? { moves, share } : MOST_FOR_MINUTES;
    const isFound = reach(state, { finish, setupMinutes: Infinity }, most, end);
    targets.learn(finish, isFound, state.best!.finish);
    if (isWhole) moves = isFound ? MOST_FOR_SESSION.moves : LONGER * moves;
  }
}

/** Lowers by turns the ends of what is tardy, or of what weighs, for a share of the budget that is left; the others and
 *  the finish stay as good as they are. */
export function lowerAims(state: SearchState, share: number, isForTardiness: boolean): void {
  const { indexed } = state;
  const end = state.endOf(share);
  const heads = earliestStarts(indexed);
  const aims = indexed.operations.flatMap(({ hands, dry, due, weight = 0 }, index) => {
    if (isForTardiness ? due === undefined : weight === 0) return [];
    const least = Math.max(heads[index]! + hands + dry, isForTardiness ? due! : 0);
    return [{ index, least, targets: targetBisection(least) }];
  });
  // Being in time is worth a later finish.
  const later = (finish: number) =>
    indexed.windows.filter(([opens]) => opens >= finish)[SESSIONS_LATER - 1]?.[1] ?? finish;
  const lower = (index: number, target: number, isWhole: boolean) => {
    const most = isWhole ? MOST_FOR_SESSION : MOST_FOR_MINUTES;
    const tryBy = (finish: number) =>
      reach(state, { finish, setupMinutes: Infinity }, most, end, { index, end: target });
    return tryBy(state.best!.finish) || (isForTardiness && tryBy(later(state.best!.finish)));
  };
  const endNow = (index: number) => endOfOperation(indexed, state.best!.starts, index);
  // A session sooner may be out of reach where a maximum lag spans the days between, and its due time is not.
  if (isForTardiness)
    for (const { index, least } of aims)
      if (endNow(index) > least && state.isBefore(end)) lower(index, least, true);
  while (state.isBefore(end)) {
    const open = aims.filter(({ index, least }) => endNow(index) > least);
    if (open.length === 0) return;
    for (const { index, targets } of open) {
      if (!state.isBefore(end)) return;
      const { target, isWhole } = targets.next(
        endNow(index),
        sessionBefore(indexed, state.best!.starts, index),
      );
      targets.learn(target, lower(index, target, isWhole), endNow(index));
    }
  }
}

/** Lowers the set-up for a share of the budget that is left, in steps that grow where they succeed. */
export function lowerSetup(state: SearchState, share: number): void {
  const end = state.endOf(share);
  const firstStep = Math.max(1, Math.round(SETUP_STEP * state.best!.setupMinutes));
  let step = firstStep;
  while (state.isBefore(end) && state.best!.setupMinutes > state.leastSetup) {
    const { finish } = state.best!;
    const setupMinutes = Math.max(state.leastSetup, state.best!.setupMinutes - step);
    const isFound = reach(state, { finish, setupMinutes }, MOST_FOR_MINUTES, end);
    if (isFound) step = 2 * step;
    else step = step === 1 ? firstStep : Math.ceil(step / 2);
  }
}
