import {
  FIRST_SHARE,
  FIRST_TRIES,
  LEAST_SHAKEN,
  MOST_SHAKEN,
  MOST_TO_DISPATCH,
  MOVES_TO_FIT,
  PATIENCE_MS,
  ROOM_TO_FIT,
  TRIES_TO_FIT,
} from '../budgets.ts';
import { MOST_TO_SEARCH } from '../exact/orderSearch.ts';
import { penaltySearch } from '../improve/penaltySearch.ts';
import { impossibleBlock } from '../infeasible/impossibleBlock.ts';
import { impossibleWindow } from '../infeasible/impossibleWindow.ts';
import { NO_SCHEDULE, noneAmong, whyImpossible, whyNotHeld, whyTooMuch } from '../messages.ts';
import { candidateOf, isBetter } from '../model/candidate.ts';
import { indexInstance, type IndexedInstance } from '../model/instance.ts';
import type { SearchState } from '../searchState.ts';
import { insertBlocks } from './blockInsertion.ts';
import { priorityRuleOrder, shaken, urgencies } from './priorityRule.ts';
import { orderOfPrevious, previousIfItHolds } from './warmStart.ts';

/** How much first orders differ from the rule's own. */
const JITTER = 0.6;

/** Makes first schedules: from an earlier plan, by block insertion and by a priority rule; where neither finds any, by
 *  letting go of maximum lags and closing in on them again, then by shaking the rule.
 *  Throws RangeError, saying why, where there is none. */
export function construct(state: SearchState): void {
  warmStart(state);
  const urgency = urgencies(state.indexed);
  tryFirstOrders(state, urgency);
  if (!state.current) {
    refuseImpossible(state);
    relaxAndRepair(state, urgency);
    state.current = state.best;
  }
  if (!state.current) shakeUntilOneFits(state, urgency);
  if (!state.best || !state.current) throw new RangeError(NO_SCHEDULE);
}

function warmStart(state: SearchState): void {
  const { previous } = state.options;
  if (!previous) return;
  const kept = previousIfItHolds(state.instance, state.indexed, previous);
  if (kept) state.adopt(kept);
  state.current = state.consider(orderOfPrevious(state.indexed, previous)) ?? kept;
}

/** Inserting is the surer way to a first schedule, the priority rule saves more set-ups: both begin. */
function tryFirstOrders(state: SearchState, urgency: readonly number[]): void {
  const { indexed, random } = state;
  const began = state.now();
  const take = (order: number[] | undefined) => {
    const candidate = order && state.consider(order);
    if (candidate && (!state.current || isBetter(candidate, state.current))) state.current = candidate;
  };
  const isEnough = () => state.best !== undefined && (state.over() || state.provedBest());
  for (let attempt = 0; attempt < FIRST_TRIES; attempt++) {
    const jitter = attempt === 0 ? 0 : JITTER;
    take(insertedOrder(indexed, shaken(urgency, jitter, random)));
    if (isEnough()) return;
    const isSlow =
      indexed.size <= MOST_TO_SEARCH ||
      (!Number.isFinite(state.evaluations) && state.now() - began > FIRST_SHARE * state.timeMs);
    if (state.best && attempt >= 2 && isSlow) return;
    if (indexed.size <= MOST_TO_DISPATCH || !state.best)
      take(priorityRuleOrder(indexed, shaken(urgency, jitter, random)));
    if (isEnough()) return;
  }
}

/** The order of a schedule made by block insertion. */
function insertedOrder(indexed: IndexedInstance, urgency: readonly number[]): number[] | undefined {
  const starts = insertBlocks(indexed, urgency);
  return starts && [...indexed.topological].sort((a, b) => starts[a]! - starts[b]!);
}

const sum = (minutes: readonly number[]): number => minutes.reduce((all, each) => all + each, 0);

/** Throws RangeError where it can be said what makes a schedule impossible. */
function refuseImpossible({ instance, indexed }: SearchState): void {
  const work = sum(instance.operations.map(({ hands }) => hands));
  const open = sum(instance.windows.map(([from, to]) => to - from));
  if (work > open) throw new RangeError(whyTooMuch(work, open, instance.windows.length));
  const window = impossibleWindow(indexed);
  if (window) throw new RangeError(whyImpossible(window));
  const block = impossibleBlock(indexed);
  if (block) throw new RangeError(whyNotHeld(block));
}

/** Constraint relaxation: a schedule without maximum lags and latest starts, from which a penalty search closes in on
 *  one that keeps them all. */
function relaxAndRepair(state: SearchState, urgency: readonly number[]): void {
  const { instance, indexed, random } = state;
  const free = indexInstance({
    ...instance,
    operations: instance.operations.map((operation) => ({ ...operation, latest: undefined })),
    arcs: instance.arcs.map((arc) => ({ ...arc, maxLag: null })),
  });
  for (let attempt = 0; attempt < TRIES_TO_FIT && !state.best; attempt++) {
    const starts = insertBlocks(free, shaken(urgency, attempt === 0 ? 0 : JITTER, random));
    if (!starts) return;
    const finish = candidateOf(free, starts).finish + ROOM_TO_FIT * (attempt + 1);
    const found = penaltySearch(indexed, starts, { finish, setupMinutes: Infinity }, random, (move) =>
      state.options.signal?.aborted || isStuck(state) ? 1 : move / (MOVES_TO_FIT * indexed.size),
    );
    if (found) state.considerStarts(found);
  }
}

const isStuck = ({ now, deadline }: SearchState): boolean => now() > deadline + PATIENCE_MS;

/** Tries shaken orders until one can be decoded at all. */
function shakeUntilOneFits(state: SearchState, urgency: readonly number[]): void {
  const { indexed, random } = state;
  const isEnough = () => isStuck(state) || (state.over() && state.spent > LEAST_SHAKEN);
  for (let attempt = 0; attempt < MOST_SHAKEN && !isEnough(); attempt++) {
    state.current = state.consider(priorityRuleOrder(indexed, shaken(urgency, 0.5 + random() * 2, random)));
    if (state.current) return;
  }
  if (isStuck(state)) throw new RangeError(noneAmong(state.spent));
}
