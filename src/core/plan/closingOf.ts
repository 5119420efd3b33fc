import type { Kit } from '../kit/index.ts';
import type { BenchStep, Consequence } from './benchStep.ts';
import { dividedKit, type Division } from './contribution.ts';
import { lateParts, type LatePart } from './contributions/lateParts.ts';

/** A join after paint, with what it ends and what small things it sets on. */
export interface ClosingJoin {
  id: string;
  name: string;
  /** Parts that it shuts in, by name. */
  shutsIn: string[];
  /** What can no longer be done after it, in a few words. */
  ends: string[];
  late: LatePart[];
}

interface DividedBuild {
  trays: readonly (Division['trays'][number] & { name: string })[];
  crossSteps: readonly { id: string; title: string }[];
  joins: readonly {
    id: string;
    name: string;
    trayIds: string[];
    afterJoinIds: string[];
    jointIds: string[];
  }[];
  consequences: readonly Consequence[];
  scale: number;
}

/** Joins after paint, those first that others wait for; in a circle, as they are listed. */
export function closingOf(
  kit: Kit,
  { trays, joins, crossSteps, consequences, scale }: DividedBuild,
): ClosingJoin[] {
  const build = dividedKit(kit, { trays, joins }, scale);
  const late = lateParts(build);
  const joints = new Map(kit.joints.map((joint) => [joint.id, joint]));
  const name = (id: string) => build.parts.get(id)?.name ?? 'a part that is gone';
  const trayName = (id: string) =>
    trays.find((tray) => tray.id === id)?.name ?? 'a sub-assembly that is gone';
  const stepWords = (step: BenchStep): string => {
    switch (step.work) {
      case 'assemble':
        return joins.find((join) => join.id === step.joinId)?.name ?? 'a join that is gone';
      case 'run':
        return crossSteps.find((run) => run.id === step.runStepId)?.title ?? 'wires and pipes';
      case 'join':
        return `joining ${trayName(step.trayId)} before paint`;
      case 'open':
        return `holes and cuts in ${trayName(step.trayId)}`;
      case 'paint':
        return `paint on ${trayName(step.trayId)}`;
    }
  };
  const paneOf = new Map(kit.panes.map((pane) => [pane.partId, pane]));
  return inOrder(joins, consequences).map(({ id, name: called }) => {
    const made = build.joins
      .find((join) => join.id === id)!
      .jointIds.flatMap((joint) => joints.get(joint) ?? []);
    const captured = made.flatMap((joint) => joint.captured);
    const behind = made.flatMap(({ a, b }) => [a, b].flatMap((part) => paneOf.get(part)?.behind ?? []));
    return {
      id,
      name: called,
      shutsIn: [...new Set([...captured, ...behind])]
        .filter((part) => build.version.used.has(part))
        .map(name),
      ends: [
        ...new Set(
          consequences.flatMap(({ effect, step, other }) =>
            effect === 'prevents' && step.work === 'assemble' && step.joinId === id ? [stepWords(other)] : [],
          ),
        ),
      ],
      late: late.filter(({ joinId }) => joinId === id),
    };
  });
}

/** Each after those that it waits for, and those whose chance it ends. */
function inOrder<T extends { id: string; afterJoinIds: readonly string[] }>(
  joins: readonly T[],
  consequences: readonly Consequence[],
): T[] {
  const before = new Map(joins.map(({ id, afterJoinIds }) => [id, new Set(afterJoinIds)]));
  for (const { effect, step, other } of consequences)
    if (
      effect === 'prevents' &&
      step.work === 'assemble' &&
      other.work === 'assemble' &&
      step.joinId !== other.joinId
    )
      before.get(step.joinId)?.add(other.joinId);
  const left = [...joins];
  const placed: T[] = [];
  while (left.length > 0) {
    const waits = (join: T) => left.some(({ id }) => id !== join.id && before.get(join.id)!.has(id));
    const at = Math.max(
      0,
      left.findIndex((join) => !waits(join)),
    );
    placed.push(...left.splice(at, 1));
  }
  return placed;
}
