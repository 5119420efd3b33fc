import { LAYER_KINDS } from '../../finish/index.ts';
import { earliestFinish, type ScheduleInstance } from '../../scheduling/index.ts';
import { consequencesByStep } from '../benchSteps.ts';
import { momentText } from '../calendar.ts';
import type { LookAheadBuild, LookAheadTray } from '../contribution.ts';
import { explainStarts } from '../explainStarts.ts';
import { lookAhead } from '../lookAhead.ts';
import { noLongerPlanned } from '../noLongerPlanned.ts';
import { curingNow } from '../replan.ts';
import type { Warning } from '../warning.ts';
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
      warnings: warningsOf(inputs, {}),
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
    warnings: warningsOf(inputs, starts),
  };
}

/** What there is to say of each build: faults of its records, what is no longer planned, pins that are not kept, and
 *  what lies ahead. */
function warningsOf(inputs: BenchInputs, starts: Record<string, number>): Record<string, Warning[]> {
  const { request, followed, orphans, films, deadlines, plan } = inputs;
  const shelf = new Map(request.paints.map((paint) => [paint.id, paint]));
  return Object.fromEntries(
    request.snapshot.builds.map((build, at) => [
      build.id,
      [
        ...followed[at]!.faults,
        ...orphans.filter(({ buildId }) => buildId === build.id).map(noLongerPlanned),
        ...brokenPins(build.kit.plan.pins, inputs, starts),
        ...lookAhead(
          {
            ...lookAheadBuild(build, shelf),
            deadline: deadlines[build.id] ?? null,
            films,
            leftOut: followed.flatMap(({ leftOut }) =>
              leftOut.flatMap(({ step }) => (step.buildId === build.id ? [step] : [])),
            ),
          },
          plan.operations,
          starts,
          request.now,
        ),
      ],
    ]),
  );
}

/** Pins that the plan does not keep, as warnings at their steps. */
function brokenPins(
  pins: BenchInputs['pins'],
  { plan: { operations } }: BenchInputs,
  starts: Record<string, number>,
): Warning[] {
  return pins.flatMap(({ id, operationId, start: pinned }): Warning[] => {
    const start = starts[operationId];
    const operation = operations.find((each) => each.id === operationId);
    if (!operation || start === undefined || keepsPin(start, pinned, operation.family !== null)) return [];
    return [
      {
        id: `pin ${id}`,
        operationId,
        title: `Cannot be held: ${operation.title}`,
        reason: `You pinned it to ${momentText(pinned)}. What comes before it, a recoat window or the bench’s sessions leave no room for that; it comes ${momentText(start)}.`,
        remedy: 'Let go of the pin, or pin it to a moment at which the bench is open and it is ready.',
        stage: 'plan',
      },
    ];
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

function lookAheadBuild(
  { id, name, trays, joins, kit }: BenchBuild,
  shelf: ReadonlyMap<string, BenchPaint>,
): Omit<LookAheadBuild, 'films' | 'leftOut' | 'deadline'> {
  return {
    id,
    name,
    joins,
    kit,
    wants: kit.wants,
    trays: trays.map((tray) => ({
      id: tray.id,
      name: tray.name,
      painted: tray.layers.some(({ kind }) => LAYER_KINDS[kind].painted),
      tyre: /tyre/i.test(tray.name) || tray.parts.some((part) => /tyre/i.test(part.name)),
      needs: tray.layers.flatMap((layer): LookAheadTray['needs'] => {
        if (!LAYER_KINDS[layer.kind].painted) return [];
        const ids = Object.keys(layer.mix ?? {});
        if (ids.length === 0) {
          return layer.kind === 'colour'
            ? [{ layerId: layer.id, name: 'colour', onShelf: null, chosen: false }]
            : [];
        }
        return ids.map((paintId) => {
          const paint = shelf.get(paintId);
          return {
            layerId: layer.id,
            name: paint ? `${paint.name} (${paint.range})` : paintId,
            onShelf: paint ? paint.levelMl !== null : null,
            chosen: true,
          };
        });
      }),
    })),
  };
}
