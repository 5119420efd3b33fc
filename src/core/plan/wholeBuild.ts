import { hazardsInWords } from '../finish/index.ts';
import { ADHESIVES, counted } from '../kit/index.ts';
import { CONTRIBUTIONS } from './contributions/index.ts';
import { epoxyMinutes, joinLines } from './gluedJoints.ts';
import type { OperationPlan, PlanOperation } from './operation.ts';
import type { PlannableBuild } from './plannableBuild.ts';
import { inOrderOfWork, TASKS, type TaskKind } from './tasks.ts';

/** How a sub-assembly ends: its last step, what must pass before it is handled, and its last coat with what must pass
 *  until that is hard right through. */
export interface TrayEnd {
  id: string;
  wait: number;
  because: string;
  coat?: { id: string; wait: number; because: string } | undefined;
}

/** Adds the joins after paint, each after the last step of what it joins. */
export function addJoins(
  plan: OperationPlan,
  build: PlannableBuild,
  lastStep: ReadonlyMap<string, TrayEnd>,
): void {
  const jointsOf = (joinId: string) => build.kit.joinsAfter[joinId] ?? [];
  for (const join of build.joins) {
    const id = `${build.id}/join/${join.id}`;
    const joints = jointsOf(join.id);
    plan.operations.push({
      id,
      buildId: build.id,
      kind: 'assemble',
      title: join.name,
      place: 'bench',
      hands: join.minutes,
      dry: Math.max(join.setMinutes, epoxyMinutes(joints)),
      family: null,
      chemistry: null,
      because: 'Joined after paint: the parts differ in colour or would block the spray.',
      details: joinLines(join.adhesive, joints),
      hazards: hazardsInWords(join.adhesive, ...joints.map(({ adhesive }) => ADHESIVES[adhesive].name)),
      cautions: [],
      lessons: [],
    });
    const tyres = build.kit.tyres.filter((tray) => join.trayIds.includes(tray));
    const holdsTyre = tyres.length > 0 || joints.some(({ isTyre }) => isTyre);
    for (const trayId of join.trayIds) {
      const last = lastStep.get(trayId);
      if (last)
        plan.arcs.push({ from: last.id, to: id, minLag: last.wait, maxLag: null, because: last.because });
      // Vinyl marks what is only dry, and chrome ink most of all.
      if (last?.coat && holdsTyre && !tyres.includes(trayId))
        plan.arcs.push({
          from: last.coat.id,
          to: id,
          minLag: last.coat.wait,
          maxLag: null,
          because: `vinyl marks it before that: ${last.coat.because}`,
        });
    }
    for (const before of join.afterJoinIds) {
      const { setMinutes = 0, name = before } = build.joins.find((other) => other.id === before) ?? {};
      const bears = epoxyMinutes(jointsOf(before));
      plan.arcs.push({
        from: `${build.id}/join/${before}`,
        to: id,
        minLag: Math.max(setMinutes, bears),
        maxLag: null,
        because: bears > setMinutes ? `epoxy of ${name} must bear load` : `${name} must have set`,
      });
    }
  }
}

/** Adds work between two sub-assemblies, such as wires and pipes: after the paint of both and after what brings the two
 *  together, unless that shuts their ends in. */
export function addCrossSteps(
  plan: OperationPlan,
  build: PlannableBuild,
  lastStep: ReadonlyMap<string, TrayEnd>,
): void {
  for (const { id, kind, trayIds, acrossJoinIds, title, minutes, because, details, on } of build.kit
    .crossSteps) {
    const names = trayIds.map((trayId) => build.trays.find((tray) => tray.id === trayId)?.name ?? trayId);
    const operation = {
      ...wholeBuild(build, kind, {
        title: `${title}: ${names.join(' and ')}`,
        hands: minutes,
        because,
        details,
      }),
      ...(on ? { on } : {}),
      id: `${build.id}/${id}`,
      hazards: [...new Set([...TASKS[kind].hazards, ...hazardsInWords(...details)])],
    };
    plan.operations.push(operation);
    for (const trayId of trayIds) {
      const last = lastStep.get(trayId);
      if (!last) continue;
      plan.arcs.push({
        from: last.id,
        to: operation.id,
        minLag: last.wait,
        maxLag: null,
        because: last.because,
      });
    }
    for (const join of build.joins) {
      if (!acrossJoinIds.includes(join.id)) continue;
      const isShut = build.kit.consequences.some(
        ({ effect, step, other }) =>
          effect === 'prevents' &&
          step.work === 'assemble' &&
          step.joinId === join.id &&
          other.work === 'run' &&
          other.runStepId === id,
      );
      if (isShut) continue;
      plan.arcs.push({
        from: `${build.id}/join/${join.id}`,
        to: operation.id,
        minLag: join.setMinutes,
        maxLag: null,
        because: `${join.name} must have set before anything is led across it`,
      });
    }
  }
}

/** Before anything is cut: is all of it there? */
export function addCheck(plan: OperationPlan, build: PlannableBuild): void {
  const { unchecked } = build.kit;
  if (unchecked === 0 || plan.operations.length === 0) return;
  const first = build.trays.flatMap(
    ({ id: trayId }) => plan.operations.find((operation) => operation.trayId === trayId) ?? [],
  );
  const check = wholeBuild(build, 'check', {
    title: `Check the box: ${build.name}`,
    hands: Math.min(45, Math.max(5, Math.ceil(unchecked / 4))),
    because:
      'A part that is missing or short-shot is asked for while there is time, not on the last evening.',
    details: [
      `${counted(unchecked, 'part')} not ticked off yet, in the Kit stage`,
      'photograph what is missing or broken',
    ],
  });
  plan.operations.unshift(check);
  for (const { id } of first)
    plan.arcs.push({ from: check.id, to: id, minLag: 0, maxLag: null, because: 'the box is checked first' });
}

function wholeBuild(
  { id: buildId }: PlannableBuild,
  kind: TaskKind,
  step: Pick<PlanOperation, 'title' | 'hands' | 'because' | 'details'> & Partial<PlanOperation>,
): PlanOperation {
  return {
    id: `${buildId}/${kind}`,
    buildId,
    kind,
    place: 'bench',
    dry: 0,
    family: null,
    chemistry: null,
    hazards: [],
    cautions: [],
    lessons: [],
    ...step,
  };
}

/** What ends a build, one after the other, once everything is dry and set. */
export function addLastSteps(plan: OperationPlan, build: PlannableBuild): void {
  if (plan.operations.length === 0) return;
  const lead = new Set(plan.arcs.map(({ from }) => from));
  const open = plan.operations.filter(({ id }) => !lead.has(id));
  const steps = CONTRIBUTIONS.flatMap(({ lastSteps }) => lastSteps?.(build) ?? [])
    .sort(inOrderOfWork)
    .map(({ kind, ...step }) => wholeBuild(build, kind, step));
  steps.forEach((step, at) => {
    plan.operations.push(step);
    const before = at === 0 ? open : [steps[at - 1]!];
    for (const { id, dry } of before)
      plan.arcs.push({
        from: id,
        to: step.id,
        minLag: dry,
        maxLag: null,
        because: at === 0 ? 'everything must be dry and set' : 'comes last',
      });
  });
}
