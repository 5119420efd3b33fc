import { LAYER_KINDS, type LayerKind } from '../../finish/index.ts';
import type { PlanOperation } from '../operation.ts';
import { TASKS, type TaskKind } from '../tasks.ts';
import type { AdviceDraft, Advise } from './advice.ts';

/** What a kit alone has to say, whatever its plan is: at which steps, and what. */
export interface KitAdvice extends AdviceDraft {
  at: {
    /** Sub-assemblies whose own steps it touches, and joins after paint. */
    trays: string[];
    joins: string[];
    /** Also what is led between those sub-assemblies and others, such as wires. */
    between?: true;
    kinds: readonly TaskKind[];
    /** Said once, at the first of them still to come; else at each. */
    once: boolean;
    /** Only where a step of these kinds is still to come at those sub-assemblies: after that it cannot be heeded. */
    until?: readonly TaskKind[];
    /** Only while no step of these kinds is done there. */
    before?: readonly TaskKind[];
  };
}

/** A build as far as its kit speaks of it. */
interface AdvisingBuild {
  id: string;
  kit: {
    advice: readonly KitAdvice[];
    /** What is led between two sub-assemblies. */
    crossSteps: readonly { id: string; trayIds: readonly string[] }[];
  };
}

const kinds = Object.keys(TASKS) as TaskKind[];
/** Among the first at a sub-assembly or build. */
export const EARLY = kinds.filter((kind) => TASKS[kind].early);
/** Steps that lay paint, of whatever tool. */
export const COATS = kinds.filter((kind) => kind in LAYER_KINDS && LAYER_KINDS[kind as LayerKind].painted);
/** On bare plastic. */
export const BARE = kinds.filter((kind) => TASKS[kind].phase === 'bare');

/** Puts what the kit says to the steps still to come. */
export function adviseFromKit(
  { id: buildId, kit }: AdvisingBuild,
  { all, own, advise }: { all: readonly PlanOperation[]; own: readonly PlanOperation[]; advise: Advise },
): void {
  const isLeft = new Set(own.map(({ id }) => id));
  const crossed = new Map(kit.crossSteps.map(({ id, trayIds }) => [`${buildId}/${id}`, trayIds]));
  for (const { at, ...draft } of kit.advice) {
    const joins = new Set(at.joins.map((join) => `${buildId}/join/${join}`));
    const isOf = ({ trayId, id }: PlanOperation) =>
      trayId !== undefined
        ? at.trays.includes(trayId)
        : joins.has(id) || (at.between === true && crossed.get(id)?.some((tray) => at.trays.includes(tray)));
    const touched = own.filter(isOf);
    if (at.until && !touched.some(({ kind }) => at.until!.includes(kind))) continue;
    const isTooLate = (step: PlanOperation) => !isLeft.has(step.id) && at.before!.includes(step.kind);
    if (at.before && all.some((step) => isOf(step) && isTooLate(step))) continue;
    const steps = touched.filter(({ kind }) => at.kinds.includes(kind));
    if (steps.length > 0) advise(at.once ? steps.slice(0, 1) : steps, draft);
  }
}
