import { construct } from './construct/construct.ts';
import { MOST_TO_SEARCH } from './exact/orderSearch.ts';
import { prove } from './exact/proveSmall.ts';
import { annealWithin } from './improve/annealing.ts';
import { improve } from './improve/improve.ts';
import type { ScheduleInstance, ScheduleResult } from './model/instance.ts';
import { searchState, type ScheduleOptions } from './searchState.ts';

/** A schedule for one builder with the earliest finish found, then the least set-up, then the earliest work.
 *
 *  First schedules come from an earlier plan, block insertion and a priority rule. Small instances are then searched to
 *  the end; larger ones are improved by large neighbourhood search and by penalty search towards bisected targets; what
 *  is left of the budget anneals orders under the serial schedule generation scheme. Total tardiness against due times is
 *  weighed before the finish; where some ends weigh, they count with it. Every result is verified before it is handed
 *  out. `optimal` is true only where the search of every order came to its end, or where both objectives meet their
 *  bounds.
 *  Throws RangeError where the instance makes no sense or no schedule was found. */
export function scheduleOperations(
  instance: ScheduleInstance,
  options: ScheduleOptions = {},
): ScheduleResult {
  const state = searchState(instance, options);
  const { size } = state.indexed;
  if (size === 0) return { starts: {}, finish: 0, setupMinutes: 0, overdue: 0, lowerBound: 0, optimal: true };
  construct(state);
  const isOpen = () => !state.provedBest() && !state.over();
  const isSmall = size <= MOST_TO_SEARCH && !state.weighs;
  if (isOpen() && isSmall) prove(state);
  if (isOpen() && !isSmall) improve(state);
  if (isOpen())
    annealWithin(state, state.over, {
      time: state.deadline,
      spent: state.evaluations,
      timeMs: state.timeMs,
    });
  return state.publish();
}
