import { earliestFinish, type ScheduleInstance } from '../../scheduling/index.ts';
import { figure } from '../../figures.ts';
import { adviceFrom, byDate, type Advice } from '../advice/advice.ts';
import { adviseBuild } from '../advice/adviseBuild.ts';
import { explainStarts } from '../explainStarts.ts';
import { noLongerPlanned } from '../noLongerPlanned.ts';
import { curingNow } from '../replan.ts';
import { keepsPin } from '../workThatFits.ts';
import { advisedBuild } from './advisedBuild.ts';
import { partOf, type BenchInputs } from './derive.ts';
import type { BenchSchedule, PlanView } from './request.ts';
import { movesOf, type Solution, type Solved } from './solve.ts';

/** Everything that follows from the bench and its schedule. */
export function decorate(inputs: BenchInputs, solved: Solved): PlanView {
  const { request, plan, evaluations, followed } = inputs;
  const { now, snapshot } = request;
  const { work } = inputs.fits;
  const missed = solved.solution ? solved.solution.work.missedWindows : solved.missedWindows;
  return {
    ...scheduleOf(inputs, solved.solution),
    fingerprint: inputs.fingerprint,
    operations: plan.operations,
    arcs: plan.arcs,
    missedWindows: missed.map(({ arc, until, from }) => ({ operationId: arc.to, until, from })),
    curing: curingNow(plan, inputs.done, now),
    sessions: inputs.sessions,
    findings: Object.fromEntries(
      [...evaluations].map(([id, evaluation]) => [id, evaluation?.findings ?? []]),
    ),
    paces: inputs.paces,
    cures: inputs.cures,
    deadlines: inputs.deadlines,
    earliest: Object.fromEntries(
      snapshot.builds.flatMap(({ id }) => {
        const finish = earliestFinish(partOf(work.instance, id));
        return finish === undefined ? [] : [[id, finish + now] as const];
      }),
    ),
    leftOut: followed.flatMap(({ leftOut }) =>
      leftOut.map(({ editId, step: { title } }) => ({ editId, title })),
    ),
    tooLong: tooLongFor(work.instance),
    problem: solved.solution ? null : solved.problem,
    stuck: solved.solution ? solved.stuck : {},
  };
}

/** What follows from a schedule alone: reasons, moves against the stored one, and what lies ahead. */
export function scheduleOf(inputs: BenchInputs, solution: Solution | null): BenchSchedule {
  const { request, pins, plan } = inputs;
  const { now, snapshot } = request;
  if (!solution) {
    return {
      starts: {},
      reasons: {},
      finish: now,
      bound: now,
      setupMinutes: 0,
      proved: true,
      replanned: false,
      moves: [],
      advice: adviceOf(inputs, {}),
    };
  }
  const { work, ...schedule } = solution;
  const { starts } = schedule;
  const titles = new Map(plan.operations.map(({ id, title }) => [id, title]));
  const relative = Object.fromEntries(Object.entries(starts).map(([id, start]) => [id, start - now]));
  const broken = new Set(brokenPins(pins, inputs, starts).flatMap(({ about }) => about.steps));
  const pinned = new Set(pins.flatMap(({ operationId }) => (broken.has(operationId) ? [] : [operationId])));
  return {
    ...schedule,
    reasons: Object.fromEntries(explainStarts(work.instance, relative, plan.arcs, titles, pinned)),
    moves: schedule.replanned ? movesOf(schedule, snapshot.plan) : [],
    advice: adviceOf(inputs, starts),
  };
}

/** What there is to say of the builds: faults of their records, what is no longer planned, pins that are not kept, and
 *  everything that follows from kit, stacks and plan; soonest first. */
function adviceOf(inputs: BenchInputs, starts: Record<string, number>): Advice[] {
  const { request, followed, orphans, plan } = inputs;
  const shelf = new Map(request.paints.map((paint) => [paint.id, paint]));
  return request.snapshot.builds
    .flatMap((build, at) =>
      build.kit.end
        ? []
        : [
            // These are so already: they stand first.
            ...[
              ...followed[at]!.faults,
              ...orphans.filter(({ buildId }) => buildId === build.id).map(noLongerPlanned),
            ].map((each) => ({ ...each, at: request.now })),
            ...brokenPins(build.kit.plan.pins, inputs, starts),
            ...adviseBuild(
              advisedBuild(build, at, inputs, shelf),
              plan.operations,
              starts,
              request.now,
              plan.arcs,
            ),
          ],
    )
    .sort(byDate);
}

/** What is to be said of pins that the plan does not keep, each at its step. */
function brokenPins(
  pins: BenchInputs['pins'],
  { plan: { operations } }: BenchInputs,
  starts: Record<string, number>,
): Advice[] {
  return pins.flatMap(({ id, operationId, start: pinned }) => {
    const start = starts[operationId];
    const operation = operations.find((each) => each.id === operationId);
    if (!operation || start === undefined || keepsPin(start, pinned, operation.family !== null)) return [];
    return adviceFrom(
      operation.buildId,
      {
        rule: 'pin-not-kept',
        subject: id,
        severity: 'warn',
        text: `Cannot be held: ${operation.title}`,
        why: `What comes before it, a recoat window or the bench’s sessions leave no room for it at the moment to which you pinned it; it comes ${figure(Math.abs(start - pinned) / 60, 'h')} ${start > pinned ? 'later' : 'sooner'}.`,
        remedy: 'Let go of the pin, or pin it to a moment at which the bench is open and it is ready.',
        stage: 'plan',
      },
      [operation],
      () => start,
    );
  });
}

/** Operations that take longer than any session. */
function tooLongFor({ operations, windows, boothOpen }: ScheduleInstance): PlanView['tooLong'] {
  const longestOf = (sprayed: boolean) =>
    windows.reduce(
      (most, [start, end], at) => (sprayed && boothOpen?.[at] === false ? most : Math.max(most, end - start)),
      0,
    );
  const [longest, spraying] = [longestOf(false), longestOf(true)];
  return operations.flatMap(({ id, hands, needsBooth }) => {
    const most = needsBooth ? spraying : longest;
    // Where none can be sprayed at all, a longer session would not help: the plan says what would.
    return hands > most && most > 0 ? [{ operationId: id, hands, longest: most }] : [];
  });
}
