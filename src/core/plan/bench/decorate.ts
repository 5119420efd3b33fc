import { LAYER_KINDS, type Stack, type StackEvaluation } from '../../finish/index.ts';
import { earliestFinish, type ScheduleInstance } from '../../scheduling/index.ts';
import { consequencesByStep } from '../benchSteps.ts';
import { momentText } from '../calendar.ts';
import { adviceFrom, byDate, type Advice } from '../advice/advice.ts';
import { adviseBuild } from '../advice/adviseBuild.ts';
import type { AdvisedBuild, AdvisedTray } from '../contribution.ts';
import { explainStarts } from '../explainStarts.ts';
import { noLongerPlanned } from '../noLongerPlanned.ts';
import { curingNow } from '../replan.ts';
import { keepsPin } from '../workThatFits.ts';
import { partOf, type BenchInputs } from './derive.ts';
import type { BenchBuild, BenchPaint, BenchSchedule, PlanView } from './request.ts';
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
    consequences: Object.assign(
      {},
      ...snapshot.builds.map(({ id, kit }) => consequencesByStep(id, plan.operations, kit.consequences)),
    ) as PlanView['consequences'],
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
  const broken = new Set(brokenPins(pins, inputs, starts).map(({ operationId }) => operationId));
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
    .flatMap((build, at) => [
      // These are so already: they stand first.
      ...[
        ...followed[at]!.faults,
        ...orphans.filter(({ buildId }) => buildId === build.id).map(noLongerPlanned),
      ].map((each) => ({ ...each, at: request.now })),
      ...brokenPins(build.kit.plan.pins, inputs, starts).map(({ advice }) => advice),
      ...adviseBuild(advisedBuild(build, at, inputs, shelf), plan.operations, starts, request.now),
    ])
    .sort(byDate);
}

/** Pins that the plan does not keep, with what is to be said of each at its step. */
function brokenPins(
  pins: BenchInputs['pins'],
  { plan: { operations } }: BenchInputs,
  starts: Record<string, number>,
): { operationId: string; advice: Advice }[] {
  return pins.flatMap(({ id, operationId, start: pinned }) => {
    const start = starts[operationId];
    const operation = operations.find((each) => each.id === operationId);
    if (!operation || start === undefined || keepsPin(start, pinned, operation.family !== null)) return [];
    const advice = adviceFrom(
      operation.buildId,
      {
        rule: 'pin-not-kept',
        subject: id,
        severity: 'warn',
        text: `Cannot be held: ${operation.title}`,
        why: `You pinned it to ${momentText(pinned)}. What comes before it, a recoat window or the bench’s sessions leave no room for that; it comes ${momentText(start)}.`,
        remedy: 'Let go of the pin, or pin it to a moment at which the bench is open and it is ready.',
        stage: 'plan',
      },
      [operation],
      () => start,
    );
    return [{ operationId, advice }];
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

function advisedBuild(
  build: BenchBuild,
  at: number,
  { request, followed, evaluations, films, deadlines }: BenchInputs,
  shelf: ReadonlyMap<string, BenchPaint>,
): AdvisedBuild {
  const { conditions, calendar } = request.snapshot.settings;
  const { trays, leftOut } = followed[at]!;
  const stacks = new Map(trays.map(({ id, stack }) => [id, stack]));
  return {
    ...build,
    wants: build.kit.wants,
    films,
    deadline: deadlines[build.id] ?? null,
    leftOut: leftOut.map(({ step }) => step),
    air: { conditions, forecast: calendar.forecast ?? [] },
    muted: build.kit.plan.mutedAdvice,
    trays: build.trays.flatMap((tray): AdvisedTray[] => {
      const stack = stacks.get(tray.id);
      return stack ? [advisedTray(tray, stack, build.kit, evaluations.get(tray.id), shelf)] : [];
    }),
  };
}

function advisedTray(
  { id, name, layers }: BenchBuild['trays'][number],
  stack: Stack,
  { tyres, clear, bloom }: BenchBuild['kit'],
  evaluation: StackEvaluation | undefined,
  shelf: ReadonlyMap<string, BenchPaint>,
): AdvisedTray {
  const isBright = stack.layers.some(({ kind }) => kind === 'metal' || kind === 'foil');
  return {
    id,
    name,
    stack,
    painted: layers.some(({ kind }) => LAYER_KINDS[kind].painted),
    tyre: tyres.includes(id),
    clear: clear.includes(id),
    bloom: bloom[id] ?? (isBright ? 'bright metal' : undefined),
    findings: evaluation?.findings ?? [],
    muted: evaluation?.muted ?? [],
    needs: layers.flatMap((layer): AdvisedTray['needs'] => {
      if (!LAYER_KINDS[layer.kind].painted) return [];
      const drops = Object.entries(layer.mix ?? {});
      const unknown = { levelMl: undefined, needMl: undefined };
      if (drops.length === 0) {
        return layer.kind === 'colour'
          ? [{ ...unknown, layerId: layer.id, paintId: '', name: 'colour', chosen: false }]
          : [];
      }
      const all = drops.reduce((sum, [, count]) => sum + count, 0);
      const volume = evaluation?.layers.find((each) => each.id === layer.id)?.volume.paintMl;
      return drops.map(([paintId, count]) => {
        const paint = shelf.get(paintId);
        return {
          layerId: layer.id,
          paintId,
          name: paint ? `${paint.name} (${paint.range})` : paintId,
          levelMl: paint?.levelMl,
          needMl: volume === undefined ? undefined : (volume * count) / all,
          chosen: true,
        };
      });
    }),
  };
}
