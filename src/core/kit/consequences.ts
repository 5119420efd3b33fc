import { jointName, precedencesOf } from './hardConstraints.ts';
import { isPaintedLook } from './jointCosts.ts';
import { areaOf, mainFinish, type Joint, type Kit, type Part } from './kit.ts';
import { resolveVersion } from './version.ts';

/** A step of the bench as far as a kit can name it: a hole or cut, what a sub-assembly is joined from before paint, its
 *  paint, a join after paint, or the wires and pipes between two sub-assemblies. */
export type BenchStep =
  | { work: 'open'; trayId: string; workId: string }
  | { work: 'join'; trayId: string }
  | { work: 'paint'; trayId: string }
  | { work: 'assemble'; joinId: string }
  | { work: 'run'; runStepId: string };

/** What a step that cannot be taken back, or that shuts something in, means for another. */
export interface Consequence {
  id: string;
  step: BenchStep;
  /** It makes the other possible, or ends its chance, or shuts in a mask that the other needs. */
  effect: 'serves' | 'prevents' | 'traps-mask';
  other: BenchStep;
  because: string;
}

/** Wires or pipes between two sub-assemblies: parts at their ends, and the joins that bring these together. */
interface LedRun {
  id: string;
  partIds: readonly string[];
  acrossJoinIds: readonly string[];
}

export interface DividedKit {
  trays: readonly { id: string; partIds: readonly string[] }[];
  joins: readonly { id: string; jointIds: readonly string[] }[];
}

/** What every irreversible or closing step of a divided kit serves and prevents. Joints that no sub-assembly and no
 *  join makes are passed over: nothing is known of when they are made. `runs`: wires and pipes
 *  between sub-assemblies. */
export function consequencesOf(
  kit: Kit,
  { trays, joins }: DividedKit,
  runs: readonly LedRun[] = [],
): Consequence[] {
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const trayOf = new Map(trays.flatMap(({ id, partIds }) => partIds.map((part) => [part, id] as const)));
  const joinOf = new Map(joins.flatMap(({ id, jointIds }) => jointIds.map((joint) => [joint, id] as const)));
  const stepOf = ({ id, a, b }: Joint): BenchStep | undefined => {
    const joinId = joinOf.get(id);
    if (joinId !== undefined) return { work: 'assemble', joinId };
    const trayId = trayOf.get(a);
    return trayId !== undefined && trayId === trayOf.get(b) ? { work: 'join', trayId } : undefined;
  };
  return [
    ...servedByWork(kit, parts, trayOf, stepOf),
    ...shutOff(kit.joints, parts, stepOf),
    ...shutIn(kit, parts, trayOf, stepOf, trays),
    ...shutOffRuns(kit.joints, parts, trayOf, stepOf, runs),
  ];
}

type StepOf = (joint: Joint) => BenchStep | undefined;

/** Holes and cuts serve the joints of the parts for whose sake a version needs them. */
function servedByWork(
  kit: Kit,
  parts: ReadonlyMap<string, Part>,
  trayOf: ReadonlyMap<string, string>,
  stepOf: StepOf,
): Consequence[] {
  const options = new Map(
    kit.choices.flatMap(({ options: all }) => all.map((option) => [option.id, option] as const)),
  );
  return resolveVersion(kit).works.flatMap(({ work, verdict }): Consequence[] => {
    const trayId = trayOf.get(work.partId);
    if (verdict !== 'do' || trayId === undefined) return [];
    const wanted = new Set(work.neededBy.flatMap((id) => options.get(id)?.needs ?? []));
    return kit.joints.flatMap((joint): Consequence[] => {
      if (joint.a !== work.partId && joint.b !== work.partId) return [];
      const other = joint.a === work.partId ? joint.b : joint.a;
      const step = stepOf(joint);
      if (!wanted.has(other) || !step) return [];
      return [
        {
          id: `${work.id} serves ${joint.id}`,
          step: { work: 'open', trayId, workId: work.id },
          effect: 'serves',
          other: step,
          because: `${parts.get(other)?.name ?? other} needs it`,
        },
      ];
    });
  });
}

/** Joints that close off others, or shut in a part whose own joint must be made first. */
function shutOff(joints: readonly Joint[], parts: ReadonlyMap<string, Part>, stepOf: StepOf): Consequence[] {
  return precedencesOf(joints).flatMap(({ first, then }): Consequence[] => {
    const [before, after] = [joints[first]!, joints[then]!];
    const [step, other] = [stepOf(after), stepOf(before)];
    if (!step || !other || isSame(step, other)) return [];
    return [
      {
        id: `${after.id} prevents ${before.id}`,
        step,
        effect: 'prevents',
        other,
        because: `once ${jointName(after, parts)} is made, ${jointName(before, parts)} can no longer be`,
      },
    ];
  });
}

/** Parts shut in: their own paint must come first, and where that is on the same sub-assembly, a mask over it must
 *  still come out. */
function shutIn(
  kit: Kit,
  parts: ReadonlyMap<string, Part>,
  trayOf: ReadonlyMap<string, string>,
  stepOf: StepOf,
  trays: DividedKit['trays'],
): Consequence[] {
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const finishOf = (id: string) => {
    const part = parts.get(id);
    return part && mainFinish(part, finishes);
  };
  return kit.joints.flatMap((joint) => {
    const step = stepOf(joint);
    if (!step) return [];
    return joint.captured.flatMap((captured): Consequence[] => {
      const home = trayOf.get(captured);
      const finish = finishOf(captured);
      if (home === undefined || !finish || !isPaintedLook(finish.look)) return [];
      const name = parts.get(captured)?.name ?? captured;
      const paint = { work: 'paint', trayId: home } as const;
      if (step.work !== 'join') {
        return [
          {
            id: `${joint.id} shuts in ${captured}`,
            step,
            effect: 'prevents',
            other: paint,
            because: `${name} is shut in by ${jointName(joint, parts)}, and no brush reaches it there`,
          },
        ];
      }
      const around = largestFinish(trays.find(({ id }) => id === step.trayId)!.partIds, parts);
      if (around === undefined || around === finish.id) return [];
      return [
        {
          id: `${joint.id} traps the mask of ${captured}`,
          step,
          effect: 'traps-mask',
          other: { work: 'paint', trayId: step.trayId },
          because: `${name} (${finish.name.toLowerCase()}) is shut in by ${jointName(joint, parts)} before the rest is painted ${(finishes.get(around)?.name ?? 'another colour').toLowerCase()}`,
        },
      ];
    });
  });
}

/** Joins that shut in the part at an end of a wire or pipe, or that shut off other joins of its sub-assembly and so its
 *  wires; not one that first brings its two ends together. */
function shutOffRuns(
  joints: readonly Joint[],
  parts: ReadonlyMap<string, Part>,
  trayOf: ReadonlyMap<string, string>,
  stepOf: StepOf,
  runs: readonly LedRun[],
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

/** The finish of most of the surface. */
function largestFinish(partIds: readonly string[], parts: ReadonlyMap<string, Part>): string | undefined {
  const surface = new Map<string, number>();
  for (const id of partIds) {
    const part = parts.get(id);
    const finish = part?.zones[0]?.finishId;
    if (part && finish !== undefined)
      surface.set(finish, (surface.get(finish) ?? 0) + areaOf(part) * part.count);
  }
  return [...surface].sort((p, q) => q[1] - p[1])[0]?.[0];
}

/** Whether two names mean one step. */
const isSame = (p: BenchStep, q: BenchStep): boolean => JSON.stringify(p) === JSON.stringify(q);
