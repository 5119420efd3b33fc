import {
  hazardLine,
  isPainted,
  waitBefore,
  waitToCure,
  waitToHandle,
  type Conditions,
  type ToolSettings,
} from '../finish/index.ts';
import { lessonsFor, type Lesson, type Material } from '../kit/index.ts';
import { withClosuresLast } from './benchSteps.ts';
import type { TrayTask } from './contribution.ts';
import type { OperationPlan } from './operation.ts';
import type { PlannableBuild, PlannableTray } from './plannableBuild.ts';
import { TASKS } from './tasks.ts';
import { addLayer, type KitOfLayers } from './paintLayer.ts';
import { prepareTray } from './prepareTray.ts';
import { addTask, TrayChain } from './trayChain.ts';
import { addCheck, addCrossSteps, addJoins, addLastSteps, type TrayEnd } from './wholeBuild.ts';

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
  const lastStep = new Map<string, TrayEnd>();

  for (const tray of build.trays) {
    const chain = new TrayChain(plan, build.id, tray.id);
    const tasks = build.kit.tasks.filter(({ trayId }) => trayId === tray.id);
    prepareTray(chain, tray, build.kit.joinsBefore[tray.id], tasks);
    const ends = addStack(chain, plan, tray, conditions, longestSession, own, build.kit);
    const dry = finishTray(chain, tray, tasks, conditions);
    if (chain.last) {
      const coat = tray.stack.layers.findLast((layer) => isPainted(layer));
      const last = coat && ends.get(coat.id);
      const cure = coat && waitToCure(coat, conditions);
      lastStep.set(tray.id, {
        id: chain.last,
        wait: dry.from,
        because: dry.because,
        ...(last !== undefined && cure ? { coat: { id: last, wait: cure.from, because: cure.because } } : {}),
      });
    }
  }
  addCheck(plan, build);
  addJoins(plan, build, lastStep);
  addCrossSteps(plan, build, lastStep);
  plan.arcs = withClosuresLast(build.id, plan, build.kit.consequences).arcs;
  addLastSteps(plan, build);
  remind(plan, build, lessons);
  return plan;
}

/** Adds the layers of a sub-assembly, and gives the last step of each. What is laid over a decal, a mask or a sanded
 *  face waits for that and for the paint beneath it, too. */
function addStack(
  chain: TrayChain,
  plan: OperationPlan,
  tray: PlannableTray,
  conditions: Conditions,
  longestSession: number,
  own: ToolSettings,
  kit: KitOfLayers,
): Map<string, string> {
  const ends = new Map<string, string>();
  const { layers } = tray.stack;
  let waited = 0;
  layers.forEach((layer, index) => {
    const below = layers[index - 1];
    if (below) {
      const wait = waitBefore(layer, below, conditions);
      chain.waitFor(wait.from, wait.until, wait.because);
      waited = isPainted(below) ? wait.from : waited + wait.from;
    }
    const from = plan.operations.length;
    addLayer(chain, tray, layer, below, conditions, longestSession, own, kit);
    const first = plan.operations[from];
    const paint = layers.slice(0, index).findLast((each) => isPainted(each));
    const beneath = paint && ends.get(paint.id);
    if (first && paint && paint !== below && beneath !== undefined && isPainted(layer)) {
      const through = waitBefore(layer, paint, conditions);
      if (through.from > waited)
        plan.arcs.push({
          from: beneath,
          to: first.id,
          minLag: through.from,
          maxLag: null,
          because: through.because,
        });
    }
    if (chain.last) ends.set(layer.id, chain.last);
  });
  return ends;
}

/** Adds what is done to a sub-assembly once its stack is on, and gives what must pass before it is handled. */
function finishTray(
  chain: TrayChain,
  { name, stack }: PlannableTray,
  tasks: readonly TrayTask[],
  conditions: Conditions,
): { from: number; because: string } {
  const top = stack.layers.at(-1);
  const wait = top ? waitToHandle(top, conditions) : { from: 0, because: 'nothing to dry' };
  // What follows the paint waits for it; what follows a bright part waits for that.
  let dry: { from: number; because: string } = wait;
  for (const task of tasks) {
    if (TASKS[task.kind].phase !== 'painted') continue;
    chain.waitFor(dry.from, null, dry.because);
    addTask(chain, task, name);
    if (task.kind !== 'pick-out') dry = { from: task.waitMinutes, because: task.waitBecause };
  }
  chain.endWith(dry.from, `${name}, finished, before anything hides it`);
  return dry;
}

/** Puts to every step its cautions and the lessons that touch it. */
function remind(plan: OperationPlan, build: PlannableBuild, lessons: readonly Lesson[]): void {
  const trays = new Map(build.trays.map((tray) => [tray.id, tray]));
  const traysOf = new Map<string, readonly string[]>([
    ...build.joins.map(({ id, trayIds }) => [`${build.id}/join/${id}`, trayIds] as const),
    ...build.kit.crossSteps.map(({ id, trayIds }) => [`${build.id}/${id}`, trayIds] as const),
  ]);
  for (const operation of plan.operations) {
    operation.cautions = operation.hazards.map(hazardLine);
    const touched = operation.trayId ? [operation.trayId] : (traysOf.get(operation.id) ?? []);
    const { kind } = operation;
    const partNames = touched.flatMap((id) => [
      trays.get(id)?.name ?? '',
      ...(trays.get(id)?.partNames ?? []),
    ]);
    const materials: Material[] = touched.flatMap((id) => build.kit.materials[id] ?? []);
    // What is tied to no kind of step is told while it can still be heeded, not at every coat.
    const due = lessons.filter(({ stepKind }) => stepKind !== null || TASKS[kind].early);
    operation.lessons = lessonsFor(due, {
      kit: `${build.name} ${build.subject}`,
      partNames,
      materials,
      stepKind: kind,
    }).map(({ text }) => text);
  }
}
