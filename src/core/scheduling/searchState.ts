import { seededRandom } from '../seededRandom.ts';
import { serialGeneration } from './construct/serialGeneration.ts';
import { finishBound, latestStarts, setupBound } from './model/bounds.ts';
import { candidateOf, isBetter, type Candidate } from './model/candidate.ts';
import {
  indexInstance,
  type IndexedInstance,
  type ScheduleInstance,
  type ScheduleResult,
} from './model/instance.ts';
import { verifySchedule } from './model/verifySchedule.ts';

export interface ScheduleOptions {
  /** Wall-clock budget; default 1000 ms. */
  timeMs?: number;
  /** Budget in decoded orders, for repeatable results; unlimited when absent. */
  evaluations?: number;
  seed?: number;
  /** Milliseconds on any clock; the machine's when absent. */
  now?: () => number;
  signal?: { readonly aborted: boolean };
  onImproved?: (result: ScheduleResult) => void;
  /** Called now and then with the share of the budget used, 0..1. */
  onProgress?: (share: number) => void;
  /** Warm start: starts of an earlier plan. The search begins from its order, and where it still keeps every rule,
   *  nothing worse is handed out. */
  previous?: Record<string, number>;
}

/** When a part of the search is to end. */
export interface End {
  time: number;
  spent: number;
}

/** A search as it stands: what is asked, what is known, and what is left to spend. */
export interface SearchState {
  instance: ScheduleInstance;
  indexed: IndexedInstance;
  options: ScheduleOptions;
  random: () => number;
  decode: ReturnType<typeof serialGeneration>;
  /** Whether ends of single operations count beside the finish, and whether some are due. */
  weighs: boolean;
  isDue: boolean;
  /** Least finish that any schedule can have, and least set-up, as far as is known. */
  bound: number;
  leastSetup: number;
  /** The search of every order came to its end. */
  exhausted: boolean;
  /** Decoded orders, or what cost as much. */
  spent: number;
  evaluations: number;
  timeMs: number;
  deadline: number;
  now: () => number;
  best: Candidate | undefined;
  /** The schedule from which orders are changed. */
  current: Candidate | undefined;
  /** Takes a schedule where it is better than the best. */
  adopt: (candidate: Candidate) => void;
  /** Decodes an order and takes what comes of it; undefined where it breaks a maximum lag. */
  consider: (order: number[]) => Candidate | undefined;
  /** Takes a schedule found by its starts, and the one in the same order with each operation as early as it fits. */
  considerStarts: (starts: ArrayLike<number>) => void;
  /** Whether the budget is used up or the search was called off. */
  over: () => boolean;
  /** When a share of what is left is used up. */
  endOf: (share: number) => End;
  isBefore: (end: End) => boolean;
  provedBest: () => boolean;
  /** The best so far, verified. Throws Error where it fails its check. */
  publish: () => ScheduleResult;
}

/** Throws RangeError where the instance makes no sense. */
export function searchState(instance: ScheduleInstance, options: ScheduleOptions): SearchState {
  const { timeMs = 1000, evaluations = Infinity, seed = 1, signal, onImproved, onProgress } = options;
  // A search budget in time needs a clock; nothing else in the core looks at one.
  // eslint-disable-next-line no-restricted-properties
  const { now = Date.now } = options;
  const deadline = now() + timeMs;
  const indexed = indexInstance(instance);
  const bound = finishBound(indexed);
  const state: SearchState = {
    instance,
    indexed,
    options,
    random: seededRandom(seed),
    decode: serialGeneration(indexed, latestStarts(indexed, bound)),
    weighs: indexed.operations.some(({ weight = 0 }) => weight > 0),
    isDue: indexed.operations.some(({ due }) => due !== undefined),
    bound,
    leastSetup: setupBound(indexed),
    exhausted: false,
    spent: 0,
    evaluations,
    timeMs,
    deadline,
    now,
    best: undefined,
    current: undefined,
    adopt(candidate) {
      if (state.best && !isBetter(candidate, state.best)) return;
      state.best = candidate;
      onImproved?.(state.publish());
    },
    consider(order) {
      state.spent++;
      const decoded = state.decode(order);
      if (!decoded) return undefined;
      const candidate = { ...decoded, order, starts: decoded.starts.slice() };
      state.adopt(candidate);
      return candidate;
    },
    considerStarts(starts) {
      const made = candidateOf(indexed, starts);
      state.consider(made.order);
      state.adopt(made);
    },
    over() {
      const at = now();
      onProgress?.(Math.min(1, Math.max(state.spent / evaluations, 1 - (deadline - at) / timeMs)));
      return state.spent >= evaluations || signal?.aborted === true || at > deadline;
    },
    // A budget of decoded orders is shared out by count alone: the same result on every machine.
    endOf: (share) => ({
      time: Number.isFinite(evaluations) ? deadline : now() + share * (deadline - now()),
      spent: state.spent + share * (evaluations - state.spent),
    }),
    isBefore: (end) => !state.over() && now() < end.time && state.spent < end.spent,
    provedBest: () => state.exhausted || meetsBounds(state),
    publish: () => resultOf(state),
  };
  return state;
}

function meetsBounds({ best, weighs, bound, leastSetup }: SearchState): boolean {
  return (
    best !== undefined &&
    !weighs &&
    best.overdue === 0 &&
    best.finish === bound &&
    best.setupMinutes === leastSetup
  );
}

function resultOf(state: SearchState): ScheduleResult {
  const best = state.best!;
  const result: ScheduleResult = {
    starts: Object.fromEntries(state.indexed.operations.map(({ id }, i) => [id, best.starts[i]!])),
    finish: best.finish,
    setupMinutes: best.setupMinutes,
    overdue: best.overdue,
    lowerBound: state.bound,
    optimal: state.provedBest(),
  };
  const problems = verifySchedule(state.instance, result);
  if (problems.length > 0) throw new Error(`The schedule failed its own check: ${problems[0]}.`);
  return result;
}
