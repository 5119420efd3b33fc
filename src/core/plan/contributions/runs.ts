import { RUN_FACTS } from '../../detail/index.ts';
import { figure } from '../../figures.ts';
import { jointName, routeOfRun, runAtScale, runName, type Kit, type Run } from '../../kit/index.ts';
import type { CrossStep, DividedKit, PlanContribution, StepOfJoint, TrayTask } from '../contribution.ts';
import type { Consequence } from '../benchStep.ts';
import { endLines } from './runEnds.ts';
import { harnessRuns, type LedRun } from './harnesses.ts';
import { bundleLines, lookLine, routeAdvice, routeLines } from './runLines.ts';

type RunWork = 'wire' | 'plumb';

const START = { wire: 8, plumb: 8, drill: 5 };
/** Minutes to drill one hole. */
const HOLE = 1.5;
const SHOWN = 8;
/** Work of a kind is never planned shorter or longer than this, minutes. */
const MINUTES = { least: 5, most: 120 };

const WORDS = {
  wire: {
    title: 'Wire up',
    because: 'Wires go in after paint, so that nothing has to be masked, and before anything hides them.',
  },
  plumb: {
    title: 'Plumb in',
    because: 'Pipes and hoses go in after paint, in their own colours, while both ends can be reached.',
  },
} as const;

/** Runs of parts that the version uses, the leads of its harnesses among them. */
const usedRuns = ({
  kit,
  scale,
  version: { used },
}: Pick<DividedKit, 'kit' | 'version' | 'scale'>): LedRun[] =>
  [...kit.runs, ...harnessRuns(kit, scale)].filter(
    ({ fromPartId, toPartId }) => used.has(fromPartId) && used.has(toPartId),
  );

const clamp = (minutes: number) => Math.round(Math.min(MINUTES.most, Math.max(MINUTES.least, minutes)));

const WAITS = { waitMinutes: 0, waitBecause: 'follows at once' };

function workOn(kind: RunWork, group: readonly LedRun[], { kit, scale }: DividedKit) {
  const line = (run: Run) => {
    const { wireMm, drillMm } = runAtScale(run, scale);
    const { lengthMm, isMeasured } = routeOfRun(run, kit, scale);
    const length = lengthMm === null ? '' : `, ${isMeasured ? '' : 'about '}${lengthMm} mm long`;
    return `${runName(run, kit)}: ${wireMm} mm${length}${drillMm === undefined ? '' : `, holes ${figure(drillMm, 'mm')}`}`;
  };
  return {
    title: WORDS[kind].title,
    minutes: clamp(group.reduce((sum, run) => sum + RUN_FACTS[run.kind].minutes * run.count, START[kind])),
    because: WORDS[kind].because,
    details: [
      ...group.slice(0, SHOWN).map(line),
      ...(group.length > SHOWN ? [`and ${group.length - SHOWN} more, in the Detail stage`] : []),
      ...new Set(group.map((run) => RUN_FACTS[run.kind].how)),
      ...new Set(group.flatMap((run) => lookLine(run) ?? [])),
      ...group.flatMap(({ lines = [] }) => lines),
      ...group.flatMap((run) =>
        routeLines(run, kit, scale).map((each) => `${run.name || RUN_FACTS[run.kind].name}: ${each}`),
      ),
      ...bundleLines(group, scale),
      ...group.flatMap((run) =>
        endLines(run, runAtScale(run, scale).wireMm).map((line) => `${RUN_FACTS[run.kind].name}: ${line}`),
      ),
      ...new Set(group.map(({ note }) => note).filter(Boolean)),
    ],
  };
}

/** Holes for the ends that lie on a sub-assembly. */
function drilling(trayId: string, ends: readonly Run[], { kit, scale }: DividedKit): TrayTask[] {
  if (ends.length === 0) return [];
  const sizes = new Map<string, number>();
  for (const run of ends) {
    const { drillMm } = runAtScale(run, scale);
    const size = drillMm === undefined ? 'by hand, wider than a pin vice drills' : figure(drillMm, 'mm');
    sizes.set(size, (sizes.get(size) ?? 0) + run.count);
  }
  const holes = [...sizes.values()].reduce((sum, count) => sum + count, 0);
  return [
    {
      id: 'drill',
      kind: 'drill',
      trayId,
      title: 'Drill for wires and pipes',
      minutes: clamp(START.drill + HOLE * holes),
      because: 'Drilled bare the holes stay crisp; after paint the drill lifts it.',
      details: [
        ...[...sizes].map(([size, count]) => `${count} ${count === 1 ? 'hole' : 'holes'} ${size}`),
        ...[...new Set(ends.map((run) => runName(run, kit)))].slice(0, SHOWN),
        'start each with a needle, turn the drill by hand',
      ],
      ...WAITS,
    },
  ];
}

/** Holes before paint, and the work after it, on one sub-assembly. */
function trayTasks(build: DividedKit): TrayTask[] {
  const { trays, trayOf } = build;
  const runs = usedRuns(build);
  return trays.flatMap(({ id: trayId }) => {
    const ends = runs.flatMap((run) =>
      [
        { part: run.fromPartId, end: run.fromEnd },
        { part: run.toPartId, end: run.toEnd },
      ].flatMap(({ part, end }) => (trayOf.get(part) === trayId && end !== 'unseen' ? [run] : [])),
    );
    const within = (['wire', 'plumb'] as const).flatMap((kind): TrayTask[] => {
      const own = runs.filter(
        (run) =>
          RUN_FACTS[run.kind].work === kind &&
          trayOf.get(run.fromPartId) === trayId &&
          trayOf.get(run.toPartId) === trayId,
      );
      return own.length > 0 ? [{ id: kind, kind, trayId, ...workOn(kind, own, build), ...WAITS }] : [];
    });
    return [...drilling(trayId, ends, build), ...within];
  });
}

/** Wires or pipes between two sub-assemblies, put in once both are painted. */
function crossSteps(build: DividedKit): CrossStep[] {
  const { kit, trayOf, joins } = build;
  const groups = new Map<string, { kind: RunWork; trayIds: [string, string]; runs: LedRun[] }>();
  for (const run of usedRuns(build)) {
    const [from, to] = [trayOf.get(run.fromPartId), trayOf.get(run.toPartId)];
    if (from === undefined || to === undefined || from === to) continue;
    const trayIds: [string, string] = from < to ? [from, to] : [to, from];
    const { work: kind } = RUN_FACTS[run.kind];
    const id = `${kind}-${trayIds.join('-')}`;
    const group = groups.get(id) ?? { kind, trayIds, runs: [] };
    group.runs.push(run);
    groups.set(id, group);
  }
  return [...groups].map(([id, { kind, trayIds, runs: group }]) => ({
    id,
    kind,
    trayIds,
    acrossJoinIds: joinsBetween(trayIds, kit, trayOf, joins),
    partIds: [...new Set(group.flatMap(({ fromPartId, toPartId }) => [fromPartId, toPartId]))],
    ...workOn(kind, group, build),
  }));
}

/** Joins of which each, were it not made, would leave two sub-assemblies apart. */
function joinsBetween(
  [from, to]: readonly [string, string],
  kit: Pick<Kit, 'joints'>,
  trayOf: ReadonlyMap<string, string>,
  joins: DividedKit['joins'],
): string[] {
  const joints = new Map(kit.joints.map((joint) => [joint.id, joint]));
  const edges = joins.flatMap(({ id, jointIds }) =>
    jointIds.flatMap((jointId) => {
      const joint = joints.get(jointId);
      const [a, b] = [trayOf.get(joint?.a ?? ''), trayOf.get(joint?.b ?? '')];
      return a === undefined || b === undefined ? [] : [{ id, a, b }];
    }),
  );
  const hangTogether = (without: string | undefined): boolean => {
    const reached = new Set([from]);
    for (let before = 0; before < reached.size;) {
      before = reached.size;
      for (const { id, a, b } of edges) {
        if (id !== without && (reached.has(a) || reached.has(b))) reached.add(a).add(b);
      }
    }
    return reached.has(to);
  };
  return hangTogether(undefined) ? joins.map(({ id }) => id).filter((id) => !hangTogether(id)) : [];
}

/** Joins that shut in the part at an end of a wire or pipe, or that shut off other joins of its sub-assembly and so its
 *  wires; not one that first brings its two ends together. */
function shutOffRuns(
  { kit: { joints }, parts, trayOf }: DividedKit,
  stepOf: StepOfJoint,
  runs: readonly CrossStep[],
): Consequence[] {
  const byId = new Map(joints.map((joint) => [joint.id, joint]));
  return joints.flatMap((joint) => {
    const step = stepOf(joint);
    if (step?.work !== 'assemble') return [];
    const closed = joint.closes
      .flatMap((id) => byId.get(id) ?? [])
      .filter((other) => stepOf(other)?.work === 'assemble')
      .flatMap(({ a, b }) => [a, b]);
    const behind = new Set(closed.flatMap((part) => trayOf.get(part) ?? []));
    return runs.flatMap(({ id, partIds, acrossJoinIds }): Consequence[] => {
      const inside = partIds.find((part) => joint.captured.includes(part));
      const beside = partIds.find((part) => behind.has(trayOf.get(part) ?? ''));
      const isAcross = acrossJoinIds.includes(step.joinId);
      if (inside === undefined && (beside === undefined || isAcross)) return [];
      const name = parts.get(inside ?? beside!)?.name ?? 'its end';
      return [
        {
          id: `${joint.id} shuts off ${id}`,
          step,
          effect: 'prevents',
          other: { work: 'run', runStepId: id },
          because: `${name} is shut ${inside === undefined ? 'off' : 'in'} by ${jointName(joint, parts)}, and nothing can be led to it any more`,
        },
      ];
    });
  });
}

/** Wire, cable, pipe and hose between parts. */
export const runs: PlanContribution = {
  id: 'runs',
  trayTasks,
  crossSteps,
  consequences: shutOffRuns,
  kitAdvice: (build) => usedRuns(build).flatMap((run) => routeAdvice(build, run)),
};
