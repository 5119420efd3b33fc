import { hazardsInWords } from '../finish/index.ts';
import type { TrayTask } from './contribution.ts';
import type { OperationPlan, PlanOperation } from './operation.ts';
import { TASKS } from './tasks.ts';

/** Work that can be put down and taken up again is cut into parts of about this length. */
const DIVISIBLE_MINUTES = 45;

/** Steps of one tray, each after the one before. */
export class TrayChain {
  last: string | undefined;
  readonly #plan: OperationPlan;
  readonly #buildId: string;
  readonly #trayId: string;
  #lag: { min: number; max: number | null; because: string } = {
    min: 0,
    max: null,
    because: 'follows at once',
  };

  constructor(plan: OperationPlan, buildId: string, trayId: string) {
    this.#plan = plan;
    this.#buildId = buildId;
    this.#trayId = trayId;
  }

  waitFor(min: number, max: number | null, because: string): void {
    this.#lag = { min, max, because };
  }

  add(
    step: Omit<PlanOperation, 'id' | 'buildId' | 'trayId' | 'dry' | 'cautions' | 'lessons'> & {
      key: string;
    },
  ): void {
    const { key, ...rest } = step;
    const id = `${this.#buildId}/${this.#trayId}/${key}`;
    this.#plan.operations.push({
      ...rest,
      id,
      buildId: this.#buildId,
      trayId: this.#trayId,
      dry: 0,
      cautions: [],
      lessons: [],
    });
    if (this.last) {
      this.#plan.arcs.push({
        from: this.last,
        to: id,
        minLag: this.#lag.min,
        maxLag: this.#lag.max,
        because: this.#lag.because,
      });
    }
    this.last = id;
    this.waitFor(0, null, 'follows at once');
  }

  endWith(dry: number, photo: string): void {
    const last = this.#plan.operations.find(({ id }) => id === this.last);
    if (!last) return;
    last.dry = dry;
    last.photo = photo;
  }
}

/** Adds work that can be put down and taken up again, in pieces where it is long. */
export function addInPieces(
  chain: TrayChain,
  minutes: number,
  key: string,
  step: Omit<PlanOperation, 'id' | 'buildId' | 'trayId' | 'dry' | 'hands' | 'cautions' | 'lessons'>,
): void {
  const pieces = Math.ceil(minutes / DIVISIBLE_MINUTES);
  for (let piece = 1; piece <= pieces; piece++) {
    chain.add({
      ...step,
      key: pieces === 1 ? key : `${key}-${piece}`,
      title: pieces === 1 ? step.title : `${step.title} (${piece} of ${pieces})`,
      hands: Math.ceil(minutes / pieces),
    });
  }
}

/** Adds work that the kit asks of a sub-assembly. */
export function addTask(chain: TrayChain, task: TrayTask, trayName: string): void {
  const { kind } = task;
  chain.add({
    key: task.id.startsWith(kind) ? task.id : `${kind}-${task.id}`,
    kind,
    title: `${task.title}: ${trayName}`,
    place: 'bench',
    hands: task.minutes,
    family: null,
    chemistry: null,
    because: task.because,
    details: task.details,
    ...(task.on ? { on: task.on } : {}),
    hazards: [...new Set([...TASKS[kind].hazards, ...hazardsInWords(task.title, ...task.details)])],
  });
}
