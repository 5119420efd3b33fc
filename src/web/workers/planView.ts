import type { BenchSnapshot, CodeRecord, PaintRecord } from '../../api/index.ts';
import { evaluateStack, type Finding } from '../../core/finish/index.ts';
import { productIndex } from '../../core/kit/index.ts';
import {
  curingNow,
  explainStarts,
  generateOperations,
  plannableBuild,
  remainingWork,
  scheduleOperations,
  upcomingSessions,
  verifySchedule,
  type Curing,
  type OperationPlan,
  type PlanArc,
  type PlanOperation,
  type ScheduleInstance,
  type Session,
  type StartReason,
} from '../../core/plan/index.ts';

export interface PlanRequest {
  snapshot: BenchSnapshot;
  paints: PaintRecord[];
  codes: CodeRecord[];
  /** Minutes since 1970. */
  now: number;
}

/** Everything that follows from the bench as it stands; times in minutes since 1970. */
export interface PlanView {
  fingerprint: string;
  operations: PlanOperation[];
  arcs: PlanArc[];
  starts: Record<string, number>;
  reasons: Record<string, StartReason>;
  finish: number;
  bound: number;
  setupMinutes: number;
  proved: boolean;
  /** True where this is not the plan that is stored. */
  replanned: boolean;
  /** Steps that start elsewhere than in the stored plan. */
  moves: { id: string; from: number; to: number }[];
  missedWindows: { operationId: string; from: number }[];
  curing: Curing[];
  sessions: Session[];
  findings: Record<string, Finding[]>;
  /** Why there is no plan. */
  problem: string | null;
}

const HORIZON_DAYS = 365;
/** Work budget, counted so that it is repeatable: about a second on a small machine, since a look at an order
 *  takes longer the more steps it has. The limit in time only guards against a machine that stalls. */
const MOST_EVALUATIONS = 24_000;
const STEPS_LOOKED_AT = 4_000_000;
const TIME_MS = 20_000;
/** A step this late makes a new plan. */
const LATE_MINUTES = 30;

/** Operations, schedule, reasons, what cures and what warns, from the bench as it stands. A stored plan that was
 *  made from the same inputs and is not late is kept as it is. */
export function planView({ snapshot, paints, codes, now }: PlanRequest): PlanView {
  const { settings, builds, lessons, steps, plan: stored } = snapshot;
  const products = productIndex(paints);
  const codeIndex = new Map(codes.map((code) => [code.id, code]));
  const sessions = upcomingSessions(settings.calendar, now, HORIZON_DAYS);
  const longest = settings.calendar.sessions.reduce((most, { start, end }) => Math.max(most, end - start), 0);
  const plannable = builds.map((build) => plannableBuild(build, products, codeIndex));
  const plans = plannable.map((build) => generateOperations(build, settings.conditions, longest, lessons));
  const plan: OperationPlan = {
    operations: plans.flatMap(({ operations }) => operations),
    arcs: plans.flatMap(({ arcs }) => arcs),
  };
  const work = remainingWork(plan, steps, sessions, now);
  // A lesson or a decision changes what a step says, not when it is done.
  const timed = plan.operations.map(({ holds: _holds, lessons: _lessons, ...operation }) => operation);
  const fingerprint = fingerprintOf(
    { operations: timed, arcs: plan.arcs },
    steps.map(({ operationId, endedAt }) => `${operationId}@${endedAt}`),
    settings.calendar,
  );
  const view: PlanView = {
    fingerprint,
    operations: plan.operations,
    arcs: plan.arcs,
    starts: {},
    reasons: {},
    finish: now,
    bound: now,
    setupMinutes: 0,
    proved: true,
    replanned: false,
    moves: [],
    missedWindows: work.missedWindows.map(({ arc, from }) => ({ operationId: arc.to, from })),
    curing: curingNow(plan, steps, now),
    sessions: sessions.slice(0, 120),
    findings: Object.fromEntries(
      plannable.flatMap(({ trays }) =>
        trays.map(({ id, stack }) => [id, findingsOf(stack, settings.conditions)] as const),
      ),
    ),
    problem: null,
  };
  try {
    if (work.instance.operations.length > 0) fillSchedule(view, work.instance, stored, now);
  } catch (error) {
    view.problem = (error as Error).message;
  }
  return view;
}

function findingsOf(...args: Parameters<typeof evaluateStack>): Finding[] {
  try {
    return evaluateStack(...args).findings;
  } catch {
    return [];
  }
}

function fillSchedule(
  view: PlanView,
  instance: ScheduleInstance,
  stored: BenchSnapshot['plan'],
  now: number,
): void {
  const ids = instance.operations.map(({ id }) => id);
  const upToDate =
    stored.fingerprint === view.fingerprint &&
    ids.every((id) => stored.starts[id] !== undefined) &&
    instance.operations.every(({ id, hands }) => stored.starts[id]! + hands + LATE_MINUTES > now);
  const known = Object.fromEntries(Object.entries(stored.starts).map(([id, start]) => [id, start - now]));
  if (upToDate) {
    view.starts = Object.fromEntries(ids.map((id) => [id, stored.starts[id]!]));
    view.finish = stored.finish;
    view.bound = stored.bound;
    view.setupMinutes = stored.setupMinutes;
    view.proved = stored.proved;
  } else {
    const previous = ids.some((id) => known[id] !== undefined) ? known : undefined;
    const result = scheduleOperations(instance, {
      evaluations: Math.min(MOST_EVALUATIONS, Math.ceil(STEPS_LOOKED_AT / instance.operations.length)),
      timeMs: TIME_MS,
      seed: 7,
      previous,
    });
    const problems = verifySchedule(instance, result);
    if (problems.length > 0) throw new Error(problems[0]);
    view.starts = Object.fromEntries(ids.map((id) => [id, result.starts[id]! + now]));
    view.finish = result.finish + now;
    view.bound = result.lowerBound + now;
    view.setupMinutes = result.setupMinutes;
    view.proved = result.finish === result.lowerBound;
    view.replanned = true;
    view.moves = ids.flatMap((id) => {
      const from = stored.starts[id];
      const to = view.starts[id]!;
      return from !== undefined && Math.abs(from - to) >= 5 ? [{ id, from, to }] : [];
    });
  }
  const titles = new Map(view.operations.map(({ id, title }) => [id, title]));
  const relative = Object.fromEntries(ids.map((id) => [id, view.starts[id]! - now]));
  view.reasons = Object.fromEntries(explainStarts(instance, relative, view.arcs, titles));
}

/** A short text that changes whenever the plan's inputs do (FNV-1a, 53 bits in two halves). */
function fingerprintOf(...parts: unknown[]): string {
  const text = JSON.stringify(parts);
  let [low, high] = [0x811c9dc5, 0x1000193];
  for (let i = 0; i < text.length; i++) {
    low = Math.imul(low ^ text.charCodeAt(i), 0x01000193) >>> 0;
    high = Math.imul(high ^ text.charCodeAt(text.length - 1 - i), 0x01000193) >>> 0;
  }
  return `${low.toString(36)}-${high.toString(36)}-${text.length.toString(36)}`;
}
