import { hazardLine, waitBefore, waitToHandle, type Conditions, type ToolSettings } from '../finish/index.ts';
import { lessonsFor, type Lesson, type Material } from '../kit/index.ts';
import { withClosuresLast } from './benchSteps.ts';
import type { OperationKind, OperationPlan, PlannableBuild } from './operation.ts';
import { addLayer } from './paintLayer.ts';
import { prepareTray } from './prepareTray.ts';
import { addTask, TrayChain } from './trayChain.ts';
import { addCheck, addJoins, addLastSteps, addRuns } from './wholeBuild.ts';

/** Every step of a build with its reason, and the lags between them. `longestSession` (minutes) decides
 *  whether two coats can share an evening where a recoat window is short; `own` are the builder's tool settings. */
export function generateOperations(
  build: PlannableBuild,
  conditions: Conditions,
  longestSession: number,
  lessons: readonly Lesson[] = [],
  own: ToolSettings = {},
): OperationPlan {
  const plan: OperationPlan = { operations: [], arcs: [] };
  const lastStep = new Map<string, { id: string; wait: number; because: string }>();

  for (const tray of build.trays) {
    const chain = new TrayChain(plan, build.id, tray.id);
    prepareTray(
      chain,
      tray,
      build.kit.openings.filter(({ trayId }) => trayId === tray.id),
      build.kit.needless.filter(({ trayId }) => trayId === tray.id),
      build.kit.joinsBefore[tray.id],
      build.kit.tasks.filter(({ trayId }) => trayId === tray.id),
    );
    tray.stack.layers.forEach((layer, index) => {
      const below = tray.stack.layers[index - 1];
      if (below) {
        const wait = waitBefore(layer, below, conditions);
        chain.waitFor(wait.from, wait.until, wait.because);
      }
      addLayer(chain, tray, layer, below, conditions, longestSession, own);
    });
    const top = tray.stack.layers.at(-1);
    const wait = top ? waitToHandle(top, conditions) : { from: 0, because: 'nothing to dry' };
    for (const task of build.kit.pickOuts.filter(({ trayId }) => trayId === tray.id)) {
      chain.waitFor(wait.from, null, wait.because);
      addTask(chain, task, 'pick-out', tray.name);
    }
    // What follows the paint waits for it; what follows a bright part waits for that.
    let dry: { from: number; because: string } = wait;
    for (const task of build.kit.tasks.filter(
      ({ trayId, kind }) => trayId === tray.id && LATE_TASKS.has(kind),
    )) {
      chain.waitFor(dry.from, null, dry.because);
      addTask(chain, task, task.kind, tray.name);
      dry = { from: task.waitMinutes, because: task.waitBecause };
    }
    chain.endWith(dry.from, `${tray.name}, finished, before anything hides it`);
    if (chain.last) lastStep.set(tray.id, { id: chain.last, wait: dry.from, because: dry.because });
  }
  addCheck(plan, build);
  addJoins(plan, build, lastStep);
  addRuns(plan, build, lastStep);
  plan.arcs = withClosuresLast(build.id, plan, build.kit.consequences).arcs;
  addLastSteps(plan, build);
  remind(plan, build, lessons);
  return plan;
}

/** Puts to every step the decisions it waits for and the lessons that touch it. */
function remind(plan: OperationPlan, build: PlannableBuild, lessons: readonly Lesson[]): void {
  const trays = new Map(build.trays.map((tray) => [tray.id, tray]));
  const traysOf = new Map<string, readonly string[]>([
    ...build.joins.map(({ id, trayIds }) => [`${build.id}/join/${id}`, trayIds] as const),
    ...build.kit.runs.map(({ id, trayIds }) => [`${build.id}/${id}`, trayIds] as const),
  ]);
  for (const operation of plan.operations) {
    operation.cautions = operation.hazards.map(hazardLine);
    const touched = operation.trayId ? [operation.trayId] : (traysOf.get(operation.id) ?? []);
    const { kind } = operation;
    operation.holds = build.kit.holds
      // A decision about a tray holds its own steps; joining it to others waits only where the decision says so.
      .filter(
        ({ trayId, stepKind }) =>
          touched.includes(trayId) &&
          (stepKind === kind || (stepKind === null && operation.trayId !== undefined)),
      )
      .map(({ reason }) => reason);
    const partNames = touched.flatMap((id) => [
      trays.get(id)?.name ?? '',
      ...(trays.get(id)?.partNames ?? []),
    ]);
    const materials: Material[] = touched.flatMap((id) => build.kit.materials[id] ?? []);
    // What is tied to no kind of step is told while it can still be heeded, not at every coat.
    const due = lessons.filter(({ stepKind }) => stepKind !== null || EARLY_KINDS.has(kind));
    operation.lessons = lessonsFor(due, {
      kit: `${build.name} ${build.subject}`,
      partNames,
      materials,
      stepKind: kind,
    }).map(({ text }) => text);
  }
}

const EARLY_KINDS: ReadonlySet<OperationKind> = new Set(['clean', 'open', 'join', 'assemble']);
/** Tasks of the kit that come after the paint of their sub-assembly; the others come before it. */
const LATE_TASKS: ReadonlySet<OperationKind> = new Set(['bright', 'wire', 'plumb', 'refit']);
