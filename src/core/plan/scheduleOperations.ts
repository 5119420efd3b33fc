import { anneal, OVERDUE_WEIGHT } from './anneal.ts';
import { candidateOf, isBetter, type Candidate } from './candidate.ts';
import { dispatchOrder, shaken, urgencies } from './dispatch.ts';
import { impossibleBlock, type ImpossibleBlock } from './impossibleBlock.ts';
import { impossibleWindow, type ImpossibleWindow } from './impossibleWindow.ts';
import { insertSchedule } from './insertSchedule.ts';
import { listDecoder } from './listDecoder.ts';
import { MOST_TO_SEARCH, orderSearch } from './orderSearch.ts';
import { proveFinish, proveSetup } from './proveSchedule.ts';
import { reinsert } from './reinsert.ts';
import { earliestStarts, finishBound, latestStarts, setupBound } from './scheduleBound.ts';
import {
  indexInstance,
  type IndexedInstance,
  type ScheduleInstance,
  type ScheduleOperation,
  type ScheduleResult,
} from './scheduleInstance.ts';
import { squeeze } from './squeeze.ts';
import {
  endOfOperation,
  inTimeOrder,
  keepingEnds,
  lowering,
  sessionBefore,
  sparingSession,
  type Aim,
} from './squeezeGoals.ts';
import { verifySchedule } from './verifySchedule.ts';

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
  /** Starts of an earlier plan: the search begins from its order, and where it still keeps every rule, nothing worse is
   *  handed out. */
  previous?: Record<string, number>;
}

/** Random numbers 0..1 from a seed (mulberry32). */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const FIRST_TRIES = 24;
/** Share of the time that first orders may take where there is a plan already. */
const FIRST_SHARE = 0.1;
/** Walking through the sessions looks at all open steps at every step: too slow for more. */
const MOST_TO_DISPATCH = 400;
/** Beyond its time a search without any plan yet goes on this long, ms. */
const PATIENCE_MS = 5000;
/** Tries at a first plan by squeezing where none was found otherwise: moves per step, and minutes by which such a plan may
 *  end later than one that breaks recoat windows. */
const TRIES_TO_FIT = 3;
const MOVES_TO_FIT = 1500;
const ROOM_TO_FIT = 7 * 1440;
/** After those, orders are shaken so often at least. */
const LEAST_SHAKEN = 500;
/** Energy that taking out and putting back may give up at first. */
const REINSERT_HEAT = 50;
/** Shares of what is left at each: taking out and putting back, packing the sessions tighter, taking out again. */
const SHARE_BEFORE_SQUEEZING = 0.05;
/** For aims: taking out and putting back, then squeezing towards them. */
const SHARE_BEFORE_AIMS = 0.3;
const AIMS_SHARE = 0.5;
/** Of few steps, orders are annealed first for so much of what is left. */
const SHARE_BEFORE_AIMS_OF_FEW = 0.5;
/** So many sessions more may be used for what is overdue. */
const SESSIONS_LATER = 2;
const SQUEEZE_SHARE = 0.8;
const SHARE_AFTER_SQUEEZING = 0.5;
const SQUEEZE_SETUP_SHARE = 0.7;
/** Share of the set-up that is first asked off it. */
const SETUP_STEP = 0.04;
/** For one finish that is tried: moves per step, and the share of the time for all of them. */
const MOST_FOR_SESSION = { moves: 3000, share: 0.4 };
/** A session that was not spared is asked for again with so many times the moves: where it hardly can be, one long try
 *  finds it sooner than many short ones. */
const LONGER = 3;
const LONGER_SHARE = 0.7;
const MOST_FOR_MINUTES = { moves: 500, share: 0.15 };
const SETUP_SHARE = 0.4;
const SETUP_HEAT = 8;
/** A minute beyond a finish that must be kept weighs so much. */
const BEYOND_WEIGHT = 10;
/** Before a small instance is searched to the end: shares of the time, tries of two kinds. The search finds what is
 *  better by itself, but sooner from a good plan; with the smallest it is done before that pays. */
const MOST_TO_PROVE_AT_ONCE = 15;
const SHARE_BEFORE_PROOF = 0.2;
const REINSERTED_BEFORE_PROOF = 3000;
const SQUEEZE_BEFORE_PROOF = 0.15;
const TRIES_BEFORE_PROOF = 300;
/** Worse than any schedule. */
const ANY = { finish: 2 ** 29, setupMinutes: 2 ** 29 };
/** Shares of the time and nodes by which the searches to the end stop, for the finish and then for the set-up; what is
 *  left is for annealing. Less set-up is looked for even where the finish is not proved: it mostly is the earliest. */
const FINISH_SHARE = 0.75;
const PROOF_SHARE = 0.95;
/** Share of the time for improving the set-up before that is searched. */
const SHARE_BETWEEN_PROOFS = 0.05;
const PROOF_NODES = 4_000_000;
/** A node costs about as much as this share of a decoded order is worth, in a budget of evaluations. */
const NODES_PER_EVALUATION = 80;
/** Moves of squeezing that cost about as much. */
const MOVES_PER_EVALUATION = 180;

/** A schedule for one builder with the earliest finish found, then the least set-up, then the earliest work.
 *  Inserting and dispatch rules give first orders; taking blocks out and putting them back, squeezing them into fewer
 *  sessions, then annealing over moves that keep the arcs, improve them. Every result is verified before it is handed out.
 *  Where operations are due, being overdue is weighed before the finish; where some weigh, their ends count with it. Small
 *  instances are searched to the end. `optimal` is true only where that came to its end, or where both objectives meet their bounds.
 *  Throws RangeError where the instance makes no sense or no schedule was found. */
export function scheduleOperations(
  instance: ScheduleInstance,
  options: ScheduleOptions = {},
): ScheduleResult {
  const { timeMs = 1000, evaluations = Infinity, seed = 1, signal, onImproved, previous } = options;
  // A search budget in time needs a clock; nothing else in the core looks at one.
  // eslint-disable-next-line no-restricted-properties
  const { now = Date.now } = options;
  const deadline = now() + timeMs;
  const indexed = indexInstance(instance);
  let bound = finishBound(indexed);
  const leastSetup = setupBound(indexed);
  const decode = listDecoder(indexed, latestStarts(indexed, bound));
  const random = seededRandom(seed);
  const weighs = indexed.operations.some(({ weight = 0 }) => weight > 0);
  const isDue = indexed.operations.some(({ due }) => due !== undefined);
  let spent = 0;
  let best: Candidate | undefined;

  /** The search of every order came to its end. */
  let exhausted = false;
  const provedBest = () =>
    exhausted ||
    (best !== undefined &&
      !weighs &&
      best.overdue === 0 &&
      best.finish === bound &&
      best.setupMinutes === leastSetup);
  const publish = (): ScheduleResult => {
    const result: ScheduleResult = {
      starts: Object.fromEntries(indexed.operations.map(({ id }, i) => [id, best!.starts[i]!])),
      finish: best!.finish,
      setupMinutes: best!.setupMinutes,
      overdue: best!.overdue,
      lowerBound: bound,
      optimal: provedBest(),
    };
    const problems = verifySchedule(instance, result);
    if (problems.length > 0) throw new Error(`The schedule failed its own check: ${problems[0]}.`);
    return result;
  };
  const adopt = (candidate: Candidate) => {
    if (best && !isBetter(candidate, best)) return;
    best = candidate;
    onImproved?.(publish());
  };
  const consider = (order: number[]): Candidate | undefined => {
    spent++;
    const decoded = decode(order);
    if (!decoded) return undefined;
    const candidate = { ...decoded, order, starts: decoded.starts.slice() };
    adopt(candidate);
    return candidate;
  };
  /** A schedule found by its starts, and the one in the same order with each step as early as it fits. */
  const considerStarts = (starts: ArrayLike<number>) => {
    const made = candidateOf(indexed, starts);
    consider(made.order);
    adopt(made);
  };
  const over = () => {
    const at = now();
    options.onProgress?.(Math.min(1, Math.max(spent / evaluations, 1 - (deadline - at) / timeMs)));
    return spent >= evaluations || signal?.aborted === true || at > deadline;
  };

  if (indexed.size === 0) {
    return { starts: {}, finish: 0, setupMinutes: 0, overdue: 0, lowerBound: 0, optimal: true };
  }
  let current: Candidate | undefined;
  if (previous) {
    const kept = previousIfItHolds(instance, indexed, previous);
    if (kept) adopt(kept);
    current = consider(orderOfPrevious(indexed, previous)) ?? kept;
  }
  const began = now();
  const take = (order: number[] | undefined) => {
    const candidate = order && consider(order);
    if (candidate && (!current || isBetter(candidate, current))) current = candidate;
  };
  // Inserting is the surer way to a first plan, walking through the sessions saves more set-ups: both begin.
  const urgency = urgencies(indexed);
  for (let attempt = 0; attempt < FIRST_TRIES; attempt++) {
    take(insertedOrder(indexed, shaken(urgency, attempt === 0 ? 0 : 0.6, random)));
    if (best && (over() || provedBest())) break;
    if (best && attempt >= 2 && (indexed.size <= MOST_TO_SEARCH || now() - began > FIRST_SHARE * timeMs))
      break;
    if (indexed.size <= MOST_TO_DISPATCH || !best) {
      take(dispatchOrder(indexed, shaken(urgency, attempt === 0 ? 0 : 0.6, random)));
    }
    if (best && (over() || provedBest())) break;
  }
  if (!current) {
    const work = sum(instance.operations.map(({ hands }) => hands));
    const open = sum(instance.windows.map(([from, to]) => to - from));
    if (work > open) throw new RangeError(whyTooMuch(work, open, instance.windows.length));
    const window = impossibleWindow(indexed);
    if (window) throw new RangeError(whyImpossible(window));
    const block = impossibleBlock(indexed);
    if (block) throw new RangeError(whyNotHeld(block));
    squeezeToFit();
    current = best;
  }
  if (!current) {
    const isStuck = () => now() > deadline + PATIENCE_MS;
    current = searchForAny(
      indexed,
      urgency,
      consider,
      random,
      () => isStuck() || (over() && spent > LEAST_SHAKEN),
    );
    if (!current && isStuck()) {
      throw new RangeError(
        `No plan that keeps every recoat window was found among ${spent} tried: add a session or make one longer, or let a paint wait.`,
      );
    }
  }
  if (!best || !current) {
    throw new RangeError(
      'No plan keeps every recoat window within these sessions: add a session or make one longer.',
    );
  }
  if (!provedBest() && !over() && indexed.size <= MOST_TO_SEARCH && !weighs) {
    const isSmallest = indexed.size <= MOST_TO_PROVE_AT_ONCE;
    if (!isSmallest) {
      takeOutAndPutBack(SHARE_BEFORE_PROOF, REINSERTED_BEFORE_PROOF);
      if (best.overdue === 0) squeezeSessions(SQUEEZE_BEFORE_PROOF);
    }
    current = best;
    const small = Math.min(evaluations, spent + (isSmallest ? 0 : TRIES_BEFORE_PROOF));
    anneal(
      indexed,
      current,
      decode,
      random,
      () => over() || spent >= small,
      () => spent++,
      consider,
      {
        left: () => deadline - now(),
        evaluations: small,
        timeMs,
        spent: () => spent,
      },
    );
    searchToTheEnd(isSmallest);
    current = best;
  }
  if (!provedBest() && !over() && (indexed.size > MOST_TO_SEARCH || weighs)) {
    if (indexed.size <= MOST_TO_SEARCH) {
      const end = endOf(SHARE_BEFORE_AIMS_OF_FEW);
      anneal(
        indexed,
        current,
        decode,
        random,
        () => !isBefore(end),
        () => spent++,
        consider,
        {
          left: () => end.time - now(),
          evaluations: end.spent,
          timeMs: end.time - now(),
          spent: () => spent,
        },
      );
    }
    takeOutAndPutBack(SHARE_BEFORE_SQUEEZING, Infinity);
    if (weighs || best.overdue > 0) takeOutAndPutBack(SHARE_BEFORE_AIMS, Infinity);
    if (best.overdue > 0) squeezeAims(AIMS_SHARE, true);
    if (weighs) squeezeAims(AIMS_SHARE, false);
    squeezeSessions(SQUEEZE_SHARE);
    takeOutAndPutBack(SHARE_AFTER_SQUEEZING, Infinity);
    takeOutAndPutBack(SETUP_SHARE, Infinity, best.finish);
    squeezeSetup(SQUEEZE_SETUP_SHARE);
    current = best;
  }
  if (!provedBest() && !over())
    anneal(indexed, current, decode, random, over, () => spent++, consider, {
      left: () => deadline - now(),
      evaluations,
      timeMs,
      spent: () => spent,
    });
  return publish();

  /** Searches every order: for the finish, and then for the set-up. */
  function searchToTheEnd(isSmallest: boolean): void {
    // Being in time comes first: what is proved is the best of the plans that are, if there are any.
    const isInTime = best!.overdue === 0;
    const search = orderSearch(
      isDue ? { ...indexed, operations: indexed.operations.map(startingInTime) } : indexed,
    );
    const budget = (until: number) => ({
      nodes: until * Math.min(PROOF_NODES, NODES_PER_EVALUATION * evaluations) - search.nodes(),
      stopped: () => signal?.aborted === true || now() > deadline - (1 - until) * timeMs,
    });
    const first = proveFinish(search, isInTime ? best! : ANY, bound, budget(FINISH_SHARE));
    if (first.better) adopt(candidateOf(indexed, first.better.starts));
    if (!isInTime && !first.better) return;
    // With due times it bounds only the plans that keep them.
    if (first.isProved && !isDue) bound = best!.finish;
    if (!isSmallest) takeOutAndPutBack(SHARE_BETWEEN_PROOFS, REINSERTED_BEFORE_PROOF, best!.finish);
    const second = proveSetup(search, best!, budget(PROOF_SHARE));
    if (second.better) adopt(candidateOf(indexed, second.better.starts));
    exhausted = first.isProved && second.isProved;
  }

  /** Looks for a first plan by letting go of recoat windows and latest starts, and squeezing until all are kept. */
  function squeezeToFit(): void {
    const free = indexInstance({
      ...instance,
      operations: instance.operations.map((operation) => ({ ...operation, latest: undefined })),
      arcs: instance.arcs.map((arc) => ({ ...arc, maxLag: null })),
    });
    for (let attempt = 0; attempt < TRIES_TO_FIT && !best; attempt++) {
      const starts = insertSchedule(free, shaken(urgency, attempt === 0 ? 0 : 0.6, random));
      if (!starts) return;
      const finish = candidateOf(free, starts).finish + ROOM_TO_FIT * (attempt + 1);
      const found = squeeze(indexed, starts, { finish, setupMinutes: Infinity }, random, (move) =>
        signal?.aborted || now() > deadline + PATIENCE_MS ? 1 : move / (MOVES_TO_FIT * indexed.size),
      );
      if (found) considerStarts(found);
    }
  }

  /** Tries to reach a finish and a set-up, for at most so much of what is left until `end`; whether it did. */
  function squeezeTo(
    goal: { finish: number; setupMinutes: number },
    most: { moves: number; share: number },
    end: { time: number; spent: number },
    aim?: Aim,
  ): boolean {
    const began = now();
    const firstSpent = spent;
    const kept = keepingEnds(indexed, best!.starts, aim);
    const found = squeeze(
      kept,
      aim ? inTimeOrder(kept, best!.starts, goal.finish) : best!.starts,
      goal,
      random,
      (move) => {
        spent = firstSpent + move / MOVES_PER_EVALUATION;
        const byMoves = move / (most.moves * indexed.size);
        const byCount = (spent - firstSpent) / (most.share * (end.spent - firstSpent));
        const byTime = (now() - began) / (most.share * (end.time - began));
        return over() ? 1 : Math.max(byMoves, byCount, Number.isFinite(evaluations) ? 0 : byTime);
      },
    );
    // A try that fails without a move counts as well, or there would be no end of them.
    if (found) considerStarts(found);
    else spent++;
    return found !== undefined;
  }
  function endOf(share: number) {
    return { time: now() + share * (deadline - now()), spent: spent + share * (evaluations - spent) };
  }
  function isBefore(end: { time: number; spent: number }) {
    return !over() && now() < end.time && spent < end.spent;
  }

  /** Lowers the finish for a share of the budget that is left: first by a whole session, then by what lies between a
   *  finish that was not reached and the best. */
  function squeezeSessions(share: number): void {
    const end = endOf(share);
    const steps = lowering(bound);
    let { moves } = MOST_FOR_SESSION;
    while (isBefore(end) && best!.finish > bound) {
      const { target: finish, isWhole } = steps.next(best!.finish, sparingSession(indexed, best!.starts));
      const share = moves > MOST_FOR_SESSION.moves ? LONGER_SHARE : MOST_FOR_SESSION.share;
      const most = isWhole ? { moves, share } : MOST_FOR_MINUTES;
      const isFound = squeezeTo({ finish, setupMinutes: Infinity }, most, end);
      steps.learn(finish, isFound, best!.finish);
      if (isWhole) moves = isFound ? MOST_FOR_SESSION.moves : LONGER * moves;
    }
  }

  /** Lowers by turns the ends of what is overdue, or of what weighs, for a share of the budget that is left; the others
   *  and the finish stay as good as they are. */
  function squeezeAims(share: number, isForOverdue: boolean): void {
    const end = endOf(share);
    const soonest = earliestStarts(indexed);
    const aims = indexed.operations.flatMap(({ hands, dry, due, weight = 0 }, index) => {
      if (isForOverdue ? due === undefined : weight === 0) return [];
      const least = Math.max(soonest[index]! + hands + dry, isForOverdue ? due! : 0);
      return [{ index, least, steps: lowering(least) }];
    });
    // Being in time is worth a later finish.
    const later = (finish: number) =>
      indexed.windows.filter(([opens]) => opens >= finish)[SESSIONS_LATER - 1]?.[1] ?? finish;
    const reach = (index: number, target: number, isWhole: boolean) => {
      const most = isWhole ? MOST_FOR_SESSION : MOST_FOR_MINUTES;
      const tryBy = (finish: number) =>
        squeezeTo({ finish, setupMinutes: Infinity }, most, end, { index, end: target });
      return tryBy(best!.finish) || (isForOverdue && tryBy(later(best!.finish)));
    };
    const endNow = (index: number) => endOfOperation(indexed, best!.starts, index);
    // A session sooner may be out of reach where a recoat window spans the days between, and its due time is not.
    if (isForOverdue)
      for (const { index, least } of aims)
        if (endNow(index) > least && isBefore(end)) reach(index, least, true);
    while (isBefore(end)) {
      const open = aims.filter(({ index, least }) => endNow(index) > least);
      if (open.length === 0) return;
      for (const { index, steps } of open) {
        if (!isBefore(end)) return;
        const { target, isWhole } = steps.next(endNow(index), sessionBefore(indexed, best!.starts, index));
        steps.learn(target, reach(index, target, isWhole), endNow(index));
      }
    }
  }

  /** Lowers the set-up for a share of the budget that is left, in steps that grow where they succeed. */
  function squeezeSetup(share: number): void {
    const end = endOf(share);
    const firstStep = Math.max(1, Math.round(SETUP_STEP * best!.setupMinutes));
    let step = firstStep;
    while (isBefore(end) && best!.setupMinutes > leastSetup) {
      const { finish } = best!;
      const setupMinutes = Math.max(leastSetup, best!.setupMinutes - step);
      const isFound = squeezeTo({ finish, setupMinutes }, MOST_FOR_MINUTES, end);
      if (isFound) step = 2 * step;
      else step = step === 1 ? firstStep : Math.ceil(step / 2);
    }
  }

  /** Improves the best for a share of the budget that is left, with at most so many tries; set-ups alone where a finish
   *  is given that must be kept. */
  function takeOutAndPutBack(share: number, most: number, kept = -Infinity): void {
    const firstSpent = spent;
    const firstLeft = deadline - now();
    const tries = Math.min(most, (evaluations - firstSpent) * share);
    const progress = () => {
      const byTime = (1 - (deadline - now()) / firstLeft) / share;
      const byCount = (spent - firstSpent) / tries;
      return Number.isFinite(evaluations) ? byCount : Math.max(byTime, byCount);
    };
    reinsert(indexed, best!.starts, urgency, random, {
      energyOf: (starts, setupMinutes) => {
        spent++;
        return reinsertEnergy(indexed, starts, setupMinutes, kept);
      },
      heat: kept > -Infinity ? SETUP_HEAT : REINSERT_HEAT,
      progress,
      over: () => over() || progress() >= 1 || provedBest(),
      improved: considerStarts,
    });
  }
}

const sum = (minutes: readonly number[]): number => minutes.reduce((all, each) => all + each, 0);

function whyTooMuch(work: number, open: number, sessions: number): string {
  const hours = (minutes: number) => `${Math.round(minutes / 6) / 10} h`;
  const all = sessions === 1 ? 'the only session is' : `all ${sessions} sessions together are`;
  return `The steps need your hands for ${hours(work)} and ${all} open for ${hours(open)}: keep more evenings for the bench, or longer ones.`;
}

function whyImpossible({ from, to, maxLag, between, sessionMinutes }: ImpossibleWindow): string {
  const need = `"${to}" must follow "${from}" within ${maxLag} min, and`;
  return between
    ? `${need} ${between.ids.map((id) => `"${id}"`).join(', ')} between them ${between.ids.length === 1 ? 'takes' : 'take'} ${between.minutes} min with the waits: put that elsewhere, shorten it, or take a paint that can wait.`
    : `${need} no session holds both or lies that near to the next: one of ${sessionMinutes} min would, or a paint that can wait.`;
}

function whyNotHeld({ ids, sessionMinutes }: ImpossibleBlock): string {
  const tied = `Recoat windows tie ${ids.length} steps together, from "${ids[0]!}" to "${ids.at(-1)!}",`;
  return sessionMinutes === null
    ? `${tied} and they need your hands at the same time, however long the session: take a paint that can wait, or let go of what you put between them.`
    : `${tied} and no session holds them all or lies near enough to the next: one of ${sessionMinutes} min would, or fewer coats, or a paint that can wait.`;
}

/** An operation that must start so that it has ended when it is due. */
function startingInTime(operation: ScheduleOperation): ScheduleOperation {
  const { hands, dry, due = Infinity, latest = Infinity } = operation;
  return { ...operation, latest: Math.min(latest, due - hands - dry) };
}

/** What taking out and putting back tries to lower, minutes. Set-ups take up room in the sessions, so they count fully. */
function reinsertEnergy(
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
    if (end > due) aims += OVERDUE_WEIGHT * (end - due);
    aims += weight * end;
    sum += starts[index]!;
  }
  const late = kept > -Infinity ? BEYOND_WEIGHT * Math.max(0, finish - kept) : finish;
  return late + setupMinutes + aims + (0.1 * sum) / size;
}

/** The earlier plan as it was, if it has a start for every operation and keeps every rule. */
function previousIfItHolds(
  instance: ScheduleInstance,
  indexed: IndexedInstance,
  previous: Record<string, number>,
): Candidate | undefined {
  const closes = indexed.windows.at(-1)?.[1] ?? 0;
  const starts = indexed.operations.map(({ id }) => previous[id] ?? -1);
  if (starts.some((start, i) => start < 0 || start + indexed.operations[i]!.hands > closes)) return undefined;
  const made = candidateOf(indexed, starts);
  const own = Object.fromEntries(indexed.operations.map(({ id }, i) => [id, starts[i]!]));
  return verifySchedule(instance, { ...made, starts: own }).length === 0 ? made : undefined;
}

/** The earlier plan's order, with operations it did not know at their dispatch place. */
function orderOfPrevious(indexed: IndexedInstance, previous: Record<string, number>): number[] {
  const rank = new Array<number>(indexed.size).fill(0);
  for (const index of indexed.topological) {
    const known = previous[indexed.operations[index]!.id];
    const afterPreds = indexed.preds[index]!.reduce(
      (most, { other }) => Math.max(most, rank[other]! + 0.5),
      0,
    );
    rank[index] = Math.max(known ?? 0, afterPreds);
  }
  return [...indexed.topological].sort((a, b) => rank[a]! - rank[b]!);
}

/** The order of a schedule made by insertion. */
function insertedOrder(indexed: IndexedInstance, urgency: readonly number[]): number[] | undefined {
  const starts = insertSchedule(indexed, urgency);
  return starts && [...indexed.topological].sort((a, b) => starts[a]! - starts[b]!);
}

/** Tries shaken orders until one can be decoded at all. */
function searchForAny(
  indexed: IndexedInstance,
  urgency: readonly number[],
  consider: (order: number[]) => Candidate | undefined,
  random: () => number,
  over: () => boolean,
): Candidate | undefined {
  for (let attempt = 0; attempt < 4000 && !over(); attempt++) {
    const found = consider(dispatchOrder(indexed, shaken(urgency, 0.5 + random() * 2, random)));
    if (found) return found;
  }
  return undefined;
}
