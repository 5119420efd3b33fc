import { areaOf, isPaintedLook, jointName, mainFinish, precedencesOf, type Part } from '../../kit/index.ts';
import { operationsOf } from '../benchSteps.ts';
import type { Ahead, DividedKit, StepOfJoint } from '../contribution.ts';
import type { BenchStep, Consequence } from '../benchStep.ts';

/** Joints that close off others, or shut in a part whose own joint must be made first. */
export function shutOff({ kit: { joints }, parts }: DividedKit, stepOf: StepOfJoint): Consequence[] {
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
export function shutIn(
  { kit, parts, finishes, trayOf, trays }: DividedKit,
  stepOf: StepOfJoint,
): Consequence[] {
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

/** Steps planned after another that ends their chance, masks that a join shuts in, and what each closing step ends. */
export function adviseOfClosures({
  build: { id: buildId, kit },
  all: operations,
  starts,
  advise,
}: Ahead): void {
  for (const { id, effect, step, other, because } of kit.consequences) {
    const closing = operationsOf(buildId, step, operations);
    const closes = closing.at(-1);
    const targets = operationsOf(buildId, other, operations);
    const last = targets.findLast((operation) => starts[operation.id] !== undefined);
    if (!closes || !last) continue;
    const at = starts[closes.id];
    const why = `${because[0]!.toUpperCase()}${because.slice(1)}.`;
    const said = { subject: id, why, stage: 'kit' as const, page: 'joints' };
    if (effect === 'traps-mask') {
      if (at === undefined) continue;
      advise([closes], {
        ...said,
        rule: 'mask-shut-in',
        severity: 'warn',
        text: 'A mask would be shut in',
        why: `${why} Its own colour goes on first, under a mask that must come out again.`,
        remedy: 'Try bare whether tape can be drawn out, or pin that joint to after paint.',
      });
    } else if (effect === 'serves') {
      if (at !== undefined && last === targets[0])
        advise([closes], {
          ...said,
          rule: 'serves',
          severity: 'note',
          topic: 'after',
          text: `Serves “${last.title}”`,
        });
    } else if (at === undefined) {
      advise([last], {
        ...said,
        rule: 'shut-off-already',
        severity: 'stop',
        text: `Shut off already: ${last.title}`,
        why: `${why} “${closes.title}” is done.`,
        remedy:
          'See whether it can still be reached, or open that joint again before anything more is painted.',
      });
    } else if (starts[last.id]! > at) {
      advise([closes], {
        ...said,
        rule: 'no-longer-enters',
        severity: 'stop',
        text: `No longer enters: ${last.title}`,
        why: `${why} It is planned after “${closes.title}”.`,
        remedy: 'Change the order of the joins in the Kit stage, or what this one shuts in.',
      });
    } else {
      advise([closes], {
        ...said,
        rule: 'ends-the-chance',
        severity: 'note',
        topic: 'after',
        text: `After this, no more “${last.title}”`,
      });
    }
  }
}
