import { figure } from '../figures.ts';
import { RUN_FACTS, scaledRun, type ScaledRun } from '../detail/index.ts';
import type { DividedKit } from './consequences.ts';
import type { Kit, Run } from './kit.ts';
import type { TrayTask } from './kitTasks.ts';
import { resolveVersion } from './version.ts';

/** Wires or pipes between two sub-assemblies, put in once both are painted. */
export interface RunStep {
  id: string;
  kind: 'wire' | 'plumb';
  trayIds: [string, string];
  /** Parts at its ends. */
  partIds: string[];
  /** Joins without which the two would not hang together: it comes after these. */
  acrossJoinIds: string[];
  title: string;
  minutes: number;
  because: string;
  details: string[];
}

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

/** Diameter of a run at the scale of the build. */
export function runAtScale({ kind, realMm }: Pick<Run, 'kind' | 'realMm'>, scale: number): ScaledRun {
  return scaledRun(realMm === null ? RUN_FACTS[kind].realMm : [realMm, realMm], scale);
}

/** "6 × ignition lead, distributor to cylinder head". */
export function runName({ name, kind, count, fromPartId, toPartId }: Run, kit: Pick<Kit, 'parts'>): string {
  const part = (id: string) =>
    kit.parts.find((each) => each.id === id)?.name.toLowerCase() ?? 'a part that is gone';
  const what = name || RUN_FACTS[kind].name;
  return `${count > 1 ? `${count} × ` : ''}${what}, ${part(fromPartId)} to ${part(toPartId)}`;
}

/** What wires and pipes ask for: holes before paint, and the work after it, on a sub-assembly or between two. Those of
 *  parts that the version leaves off are passed over. */
export function runTasks(
  kit: Kit,
  { trays, joins }: DividedKit,
  scale: number,
): { tasks: TrayTask[]; between: RunStep[] } {
  const { used } = resolveVersion(kit);
  const trayOf = new Map(trays.flatMap(({ id, partIds }) => partIds.map((part) => [part, id] as const)));
  const runs = kit.runs.filter(({ fromPartId, toPartId }) => used.has(fromPartId) && used.has(toPartId));
  const line = (run: Run) => {
    const { wireMm, drillMm } = runAtScale(run, scale);
    const length = run.lengthMm === null ? '' : `, ${run.lengthMm} mm long`;
    return `${runName(run, kit)}: ${wireMm} mm${length}${drillMm === undefined ? '' : `, holes ${figure(drillMm, 'mm')}`}`;
  };
  const clamp = (minutes: number) => Math.round(Math.min(MINUTES.most, Math.max(MINUTES.least, minutes)));
  const workOn = (kind: RunStep['kind'], group: readonly Run[]) => ({
    title: WORDS[kind].title,
    minutes: clamp(group.reduce((sum, run) => sum + RUN_FACTS[run.kind].minutes * run.count, START[kind])),
    because: WORDS[kind].because,
    details: [
      ...group.slice(0, SHOWN).map(line),
      ...(group.length > SHOWN ? [`and ${group.length - SHOWN} more, in the Kit stage`] : []),
      ...new Set(group.map((run) => RUN_FACTS[run.kind].how)),
      ...new Set(group.map(({ note }) => note).filter(Boolean)),
    ],
  });

  const tasks: TrayTask[] = [];
  const waits = { waitMinutes: 0, waitBecause: 'follows at once' };
  for (const { id: trayId } of trays) {
    const ends = runs.flatMap((run) =>
      [run.fromPartId, run.toPartId].flatMap((part) => (trayOf.get(part) === trayId ? [run] : [])),
    );
    if (ends.length > 0) {
      const sizes = new Map<string, number>();
      for (const run of ends) {
        const { drillMm } = runAtScale(run, scale);
        const size = drillMm === undefined ? 'by hand, wider than a pin vice drills' : figure(drillMm, 'mm');
        sizes.set(size, (sizes.get(size) ?? 0) + run.count);
      }
      const holes = [...sizes.values()].reduce((sum, count) => sum + count, 0);
      tasks.push({
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
        ...waits,
      });
    }
    for (const kind of ['wire', 'plumb'] as const) {
      const own = runs.filter(
        (run) =>
          RUN_FACTS[run.kind].work === kind &&
          trayOf.get(run.fromPartId) === trayId &&
          trayOf.get(run.toPartId) === trayId,
      );
      if (own.length > 0) tasks.push({ id: kind, kind, trayId, ...workOn(kind, own), ...waits });
    }
  }

  const groups = new Map<string, { kind: RunStep['kind']; trayIds: [string, string]; runs: Run[] }>();
  for (const run of runs) {
    const [from, to] = [trayOf.get(run.fromPartId), trayOf.get(run.toPartId)];
    if (from === undefined || to === undefined || from === to) continue;
    const trayIds: [string, string] = from < to ? [from, to] : [to, from];
    const { work: kind } = RUN_FACTS[run.kind];
    const id = `${kind}-${trayIds.join('-')}`;
    const group = groups.get(id) ?? { kind, trayIds, runs: [] };
    group.runs.push(run);
    groups.set(id, group);
  }
  return {
    tasks,
    between: [...groups].map(([id, { kind, trayIds, runs: group }]) => ({
      id,
      kind,
      trayIds,
      acrossJoinIds: joinsBetween(trayIds, kit, trayOf, joins),
      partIds: [...new Set(group.flatMap(({ fromPartId, toPartId }) => [fromPartId, toPartId]))],
      ...workOn(kind, group),
    })),
  };
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
