import {
  scheduleOperations,
  verifySchedule,
  type ScheduleInstance,
  type ScheduleResult,
} from '../../scheduling/index.ts';
import type { RemainingWork } from '../replan.ts';
import { endOfDay, partOf, withoutBuilds, type BenchInputs } from './derive.ts';
import type { PlanRequest, StoredPlan } from './request.ts';

/** Work budget, counted so that it is repeatable: a few seconds on a small machine, since a look at an order
 *  takes longer the more steps it has. The limit in time only guards against a machine that stalls. */
const MOST_EVALUATIONS = 30_000;
const STEPS_LOOKED_AT = 16_000_000;
const TIME_MS = 20_000;
/** So many times the work where the builder asks for a longer look. */
const LONGER = 16;
/** And this share of it where the device is to be spared. */
const BRIEF = 1 / 8;
/** Long enough to tell whether one build can be planned at all. */
const SHORT_LOOK_MS = 2000;
/** A step this late makes a new plan. */
const LATE_MINUTES = 30;
const SEED = 7;

/** A schedule of some work; times in minutes since 1970. */
export interface Solution {
  work: RemainingWork;
  starts: Record<string, number>;
  finish: number;
  bound: number;
  setupMinutes: number;
  proved: boolean;
  /** Not the one that is stored. */
  replanned: boolean;
}

/** The schedule of the bench, or why there is none; builds that cannot be planned at all are left out, with the why. */
export type Solved =
  | { solution: Solution; stuck: Record<string, string> }
  | { solution: null; problem: string; missedWindows: RemainingWork['missedWindows'] };

export type OnSolution = (soFar: Solution, share: number) => void;

/** The stored plan where it was made from the same inputs and is not late, else a new one. Where some builds cannot be
 *  planned the others are; where pins and open windows cannot all be kept, as few as can be are let go of. */
export function solveBench(inputs: BenchInputs, onBetter?: OnSolution): Solved {
  const { request, fits } = inputs;
  const { work } = fits;
  const stored = request.longer ? undefined : storedOf(inputs, onBetter);
  if (stored) return stored;
  const whole = trySolve(inputs, work, onBetter);
  if (typeof whole !== 'string') return { solution: whole, stuck: {} };
  for (const less of fits.lessHeld()) {
    const found = trySolve(inputs, less, onBetter);
    if (typeof found !== 'string') return { solution: found, stuck: {} };
  }
  function* held() {
    yield work;
    yield* fits.lessHeld();
  }
  const suspects = request.snapshot.builds.map(({ id }) => id);
  const most = [...held()].at(-1)!;
  return (
    solveWithout(inputs, suspects, held, onBetter) ?? {
      solution: null,
      problem: inWords(inputs, whole),
      missedWindows: most.missedWindows,
    }
  );
}

/** The stored plan may be one that holds less than all, or that a build is left out of; it is looked up rather than
 *  searched for again. */
function storedOf(inputs: BenchInputs, onBetter?: OnSolution): Solved | undefined {
  const {
    request: { snapshot },
    fits: { work, lessHeld },
  } = inputs;
  if (isStoredFor(inputs, work.instance)) return undefined;
  const unplanned = snapshot.builds
    .map(({ id }) => id)
    .filter((id) => isUnplanned(partOf(work.instance, id), snapshot.plan));
  const missing = new Map(unplanned.map((id) => [id, '']));
  for (const held of [work, ...lessHeld()]) {
    if (isStoredFor(inputs, held.instance)) {
      const found = trySolve(inputs, held, onBetter);
      if (typeof found !== 'string') return { solution: found, stuck: {} };
    }
    if (unplanned.length === 0 || !isStoredFor(inputs, withoutBuilds(held.instance, missing))) continue;
    const found = solveWithout(inputs, unplanned, () => [held]);
    if (found) return found;
  }
  return undefined;
}

/** Plans the other builds where some cannot be planned at all; undefined where there is none such, or nothing but
 *  them. */
function solveWithout(
  inputs: BenchInputs,
  suspects: readonly string[],
  works: () => Iterable<RemainingWork>,
  onBetter?: OnSolution,
): Solved | undefined {
  const { work, lessHeld } = inputs.fits;
  const most = [...lessHeld()].at(-1) ?? work;
  const stuck = new Map(
    suspects.flatMap((id) => {
      const why = whyNone(partOf(most.instance, id));
      return why === undefined ? [] : [[id, why] as const];
    }),
  );
  const rest = inputs.request.snapshot.builds.filter(({ id }) => !stuck.has(id));
  const hasWork = rest.some(({ id }) => partOf(work.instance, id).operations.length > 0);
  if (stuck.size === 0 || !hasWork) return undefined;
  for (const held of works()) {
    const found = trySolve(inputs, { ...held, instance: withoutBuilds(held.instance, stuck) }, onBetter);
    if (typeof found === 'string') continue;
    return {
      solution: found,
      stuck: Object.fromEntries([...stuck].map(([id, why]) => [id, inWords(inputs, why)])),
    };
  }
  return undefined;
}

/** A schedule for some work, or why there is none. */
function trySolve(inputs: BenchInputs, work: RemainingWork, onBetter?: OnSolution): Solution | string {
  try {
    return solve(inputs, work, onBetter);
  } catch (error) {
    return (error as Error).message;
  }
}

function solve(inputs: BenchInputs, work: RemainingWork, onBetter?: OnSolution): Solution {
  const { request } = inputs;
  const { now, longer = false, brief = false, goOnFrom, snapshot } = request;
  const instance = withAims(work.instance, request);
  const ids = instance.operations.map(({ id }) => id);
  const isStored = isStoredFor(inputs, instance);
  if (ids.length === 0) return noWork(work, now);
  if (isStored && !longer && !goOnFrom) return keepStored(inputs, work);
  const known = Object.fromEntries(
    Object.entries(goOnFrom ?? snapshot.plan.starts).map(([id, start]) => [id, start - now]),
  );
  const times = longer ? LONGER : brief ? BRIEF : 1;
  const solutionOf = (result: ScheduleResult): Solution => ({
    work,
    starts: Object.fromEntries(ids.map((id) => [id, result.starts[id]! + now])),
    finish: result.finish + now,
    bound: result.lowerBound + now,
    setupMinutes: result.setupMinutes,
    proved: result.finish === result.lowerBound,
    replanned: true,
  });
  let better: ScheduleResult | undefined;
  const result = scheduleOperations(instance, {
    evaluations: Math.ceil(times * Math.min(MOST_EVALUATIONS, Math.ceil(STEPS_LOOKED_AT / ids.length))),
    timeMs: Math.max(times, 1) * TIME_MS,
    seed: SEED,
    previous: ids.some((id) => known[id] !== undefined) ? known : undefined,
    onImproved: (found) => (better = found),
    onProgress: (share) => {
      if (onBetter && better) onBetter(solutionOf(better), share);
    },
  });
  const problems = verifySchedule(instance, result);
  if (problems.length > 0) throw new Error(problems[0]);
  const found = solutionOf(result);
  return isStored && movesOf(found, snapshot.plan).length === 0 ? keepStored(inputs, work) : found;
}

const noWork = (work: RemainingWork, now: number): Solution => ({
  work,
  starts: {},
  finish: now,
  bound: now,
  setupMinutes: 0,
  proved: true,
  replanned: false,
});

function keepStored({ request: { snapshot, now } }: BenchInputs, work: RemainingWork): Solution {
  const { operations } = work.instance;
  if (operations.length === 0) return noWork(work, now);
  const { starts, finish, bound, setupMinutes, proved } = snapshot.plan;
  return {
    work,
    starts: Object.fromEntries(operations.map(({ id }) => [id, starts[id]!])),
    finish,
    bound,
    setupMinutes,
    proved,
    replanned: false,
  };
}

/** A move by fewer minutes is none. */
const LEAST_MOVE = 5;

/** Steps that start elsewhere than in the stored plan. */
export const movesOf = (
  { starts }: Pick<Solution, 'starts'>,
  stored: StoredPlan,
): { id: string; from: number; to: number }[] =>
  Object.entries(starts).flatMap(([id, to]) => {
    const from = stored.starts[id];
    return from !== undefined && Math.abs(from - to) >= LEAST_MOVE ? [{ id, from, to }] : [];
  });

/** Whether the stored plan was made from the same inputs, is not late, and holds all that the work must. */
function isStoredFor(
  { request: { snapshot, now }, fingerprint }: BenchInputs,
  { operations }: ScheduleInstance,
): boolean {
  const { starts } = snapshot.plan;
  return (
    snapshot.plan.fingerprint === fingerprint &&
    operations.every(({ id, hands, latest = Infinity }) => {
      const start = starts[id];
      return start !== undefined && start + hands + LATE_MINUTES > now && start - now <= latest;
    })
  );
}

/** Why no schedule at all is found for some work, by a short look; undefined where there is one. */
function whyNone(instance: ScheduleInstance): string | undefined {
  if (instance.operations.length === 0) return undefined;
  try {
    scheduleOperations(instance, { evaluations: 1, timeMs: SHORT_LOOK_MS, seed: SEED });
    return undefined;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Whether a build has work of which a stored plan knows nothing. */
const isUnplanned = ({ operations }: ScheduleInstance, { starts }: StoredPlan): boolean =>
  operations.length > 0 && operations.every(({ id }) => starts[id] === undefined);

const RANK = { first: 2, usual: 1, last: 0 } as const;

/** The work with the end of every build due on its day and, where builds differ in rank, counting by it. */
function withAims(instance: ScheduleInstance, { snapshot: { builds }, now }: PlanRequest): ScheduleInstance {
  const ranks = new Map(builds.map(({ id, kit }) => [id, RANK[kit.plan.priority]]));
  const least = Math.min(...ranks.values());
  const leads = new Set(instance.arcs.map(({ from }) => from));
  return {
    ...instance,
    operations: instance.operations.map((operation) => {
      if (leads.has(operation.id)) return operation;
      const build = builds.find(({ id }) => operation.id.startsWith(`${id}/`));
      if (!build) return operation;
      const { deadline } = build.kit.plan;
      const weight = ranks.get(build.id)! - least;
      return {
        ...operation,
        ...(deadline === null ? {} : { due: endOfDay(deadline) - now }),
        ...(weight > 0 ? { weight } : {}),
      };
    }),
  };
}

/** A message with the steps named as the plan calls them. */
function inWords({ plan }: BenchInputs, why: string): string {
  const titles = new Map(plan.operations.map(({ id, title }) => [id, title]));
  return why.replace(/"([^"]+)"/g, (quoted, id: string) =>
    titles.has(id) ? `“${titles.get(id)!}”` : quoted,
  );
}
