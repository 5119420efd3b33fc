import type { BenchStep, Consequence } from './benchStep.ts';
import type { OperationPlan, PlanArc, PlanOperation } from './operation.ts';
import { followers, reaches } from './reaches.ts';
import { TASKS } from './tasks.ts';

/** The operations that a step of the kit became: several where it comes in pieces, none where the plan has no such. */
export function operationsOf(
  buildId: string,
  step: BenchStep,
  operations: readonly PlanOperation[],
): PlanOperation[] {
  if (step.work === 'join' || step.work === 'paint') {
    return operations.filter(
      ({ buildId: owner, trayId, kind, layerId }) =>
        owner === buildId &&
        trayId === step.trayId &&
        (step.work === 'join' ? kind === 'join' : layerId !== undefined || TASKS[kind].finishing),
    );
  }
  const id = `${buildId}/${pathOf(step)}`;
  return operations.filter((operation) => operation.id === id || isPieceOf(operation.id, id));
}

function pathOf(step: Exclude<BenchStep, { work: 'join' | 'paint' }>): string {
  if (step.work === 'open') return `${step.trayId}/open-${step.workId}`;
  return step.work === 'run' ? step.runStepId : `join/${step.joinId}`;
}

/** "a/b-2" is the second piece of "a/b". */
const isPieceOf = (id: string, whole: string): boolean =>
  id.startsWith(`${whole}-`) && /^\d+$/.test(id.slice(whole.length + 1));

/** The plan with what must come before a step that shuts it off put before it. Where the joins say the opposite, that
 *  stays as it is, and looking ahead warns of it. */
export function withClosuresLast(
  buildId: string,
  { operations, arcs }: OperationPlan,
  consequences: readonly Consequence[],
): OperationPlan {
  const added: PlanArc[] = [];
  const after = followers(arcs);
  for (const { effect, step, other, because } of consequences) {
    if (effect !== 'prevents') continue;
    const last = operationsOf(buildId, other, operations).at(-1);
    const first = operationsOf(buildId, step, operations)[0];
    // What leads to it anyway needs no word more; what it leads to would make a circle.
    if (!last || !first || reaches(last.id, first.id, after) || reaches(first.id, last.id, after)) continue;
    added.push({ from: last.id, to: first.id, minLag: last.dry, maxLag: null, because });
    after.set(last.id, [...(after.get(last.id) ?? []), first.id]);
  }
  return { operations, arcs: [...arcs, ...added] };
}
