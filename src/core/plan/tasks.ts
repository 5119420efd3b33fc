import { LAYER_KINDS, type HazardId, type LayerKind } from '../finish/index.ts';
import type { RepairId } from '../kit/index.ts';

/** When in the life of a build a kind of step comes. */
export const PHASES = ['box', 'bare', 'stack', 'painted', 'assembly', 'end'] as const;
export type Phase = (typeof PHASES)[number];
/** As a builder says them. */
export const PHASE_LABELS: Readonly<Record<Phase, string>> = {
  box: 'the box',
  bare: 'on bare parts',
  stack: 'paint',
  painted: 'on painted parts',
  assembly: 'joining',
  end: 'last steps',
};

/** What a kind of step is, apart from what it is done to. */
export interface TaskFacts {
  phase: Phase;
  /** As a builder says it: conflicts, lessons and edits are tied to it by this. */
  label: string;
  /** What can hurt in it, whatever its words say. */
  hazards: readonly HazardId[];
  /** Among the first at its sub-assembly or build: told here is what is tied to no kind of step. */
  early: boolean;
  /** On bare parts, and nobody waits for it once something after it is done. */
  passable: boolean;
  /** It belongs to the finish of its sub-assembly: shutting that in ends its chance. */
  finishing: boolean;
  /** It cannot be taken back. */
  irreversible: boolean;
  /** How it is usually mended: what was laid is sanded back, what was cut is filled, what was put together is taken apart. */
  mend: RepairId;
  /** What leaving it out costs; absent where it costs nothing worth a word. */
  leftOut?: string;
}

const step = (phase: Phase, label: string, more: Partial<TaskFacts> = {}): TaskFacts => ({
  phase,
  label,
  hazards: [],
  early: false,
  passable: false,
  finishing: false,
  irreversible: false,
  mend: more.finishing ? 'sand' : phase === 'bare' ? 'refill' : 'set-right',
  ...more,
});

const LEFT_OUT_LAYERS: Partial<Record<LayerKind, string>> = {
  primer: 'Colour grips bare plastic badly, and blemishes show only once it is on.',
  undercoat: 'The colour over it comes out as another: what lies beneath shows through.',
  key: 'Paint on a shiny surface lifts with the first tape.',
  rinse: 'Grease from moulds and fingers keeps paint from holding.',
  mask: 'The next colour has no edge to stop at.',
  clear: 'Decals stay unprotected, and there is nothing to polish but colour.',
};

const layer = (kind: LayerKind, label = LAYER_KINDS[kind].name.toLowerCase()): TaskFacts =>
  step('stack', label, { finishing: true, leftOut: LEFT_OUT_LAYERS[kind] });

/** Every kind of step, in the order in which they come: the one list of kinds. */
export const TASKS = {
  check: step('box', 'checking the box', { passable: true }),
  clean: step('bare', 'clean-up', {
    hazards: ['blades', 'dust'],
    early: true,
    leftOut: 'Gates, seams and flash show through every coat.',
  }),
  make: step('bare', 'making what is lost', {
    mend: 'set-right',
    hazards: ['blades'],
    passable: true,
    leftOut: 'What sits on it has nothing to sit on.',
  }),
  open: step('bare', 'holes and cuts', { hazards: ['blades'], early: true, irreversible: true }),
  straighten: step('bare', 'straightening', { mend: 'set-right', hazards: ['heat'], passable: true }),
  true: step('bare', 'truing faces', { hazards: ['blades', 'dust'], passable: true }),
  thin: step('bare', 'thinning', { hazards: ['blades', 'dust'], passable: true }),
  join: step('bare', 'joining before paint', { mend: 'set-right', early: true, irreversible: true }),
  fill: step('bare', 'filling and sanding', {
    hazards: ['vapour', 'dust'],
    passable: true,
    leftOut: 'Seams and sink marks cannot be mended beneath colour.',
  }),
  drill: step('bare', 'drilling for wires', { hazards: ['blades'], passable: true, irreversible: true }),
  'dry-fit': step('bare', 'dry fits', {
    mend: 'set-right',
    passable: true,
    leftOut: 'What does not fit bare fits less once paint has thickened it.',
  }),
  glass: step('bare', 'glass', { mend: 'set-right', passable: true }),
  strip: layer('strip'),
  rinse: layer('rinse'),
  key: layer('key'),
  primer: layer('primer'),
  undercoat: layer('undercoat'),
  colour: layer('colour'),
  metal: layer('metal'),
  tint: layer('tint'),
  stain: layer('stain'),
  mask: layer('mask', 'masking'),
  unmask: layer('unmask', 'unmasking'),
  foil: layer('foil'),
  decal: layer('decal', 'decals'),
  clear: layer('clear'),
  flat: layer('flat', 'flatting'),
  polish: layer('polish'),
  wax: layer('wax'),
  wash: layer('wash'),
  'dry-brush': layer('dry-brush'),
  powder: layer('powder'),
  flock: layer('flock'),
  'pick-out': step('painted', 'picking out', { finishing: true }),
  marking: step('painted', 'markings', { finishing: true }),
  bright: step('painted', 'bright parts', { finishing: true }),
  'touch-hold': step('painted', 'touching in where it was held', { finishing: true }),
  wire: step('painted', 'wiring', { hazards: ['blades'], finishing: true }),
  plumb: step('painted', 'plumbing', { hazards: ['blades'], finishing: true }),
  detail: step('painted', 'fine detail', { hazards: ['blades'], finishing: true }),
  refit: step('painted', 'fits after paint', {
    leftOut: 'What paint has made tight is found out with glue on it.',
  }),
  assemble: step('assembly', 'joining after paint', { early: true, irreversible: true }),
  stance: step('end', 'stance'),
  'try-moves': step('end', 'trying what moves', {
    leftOut: 'What binds is found out by whoever opens it first.',
  }),
  'touch-in': step('end', 'touching in'),
  inspect: step('end', 'looking over'),
  verdict: step('end', 'verdict'),
} as const satisfies Record<LayerKind, TaskFacts> & Record<string, TaskFacts>;

export type TaskKind = keyof typeof TASKS;

const kinds = Object.keys(TASKS) as TaskKind[];
const placeOf = new Map(kinds.map((kind, at) => [kind, at]));

/** Order of two kinds of step in the life of a sub-assembly. */
export const inOrderOfWork = (a: { kind: TaskKind }, b: { kind: TaskKind }): number =>
  placeOf.get(a.kind)! - placeOf.get(b.kind)!;

/** What is done to a sub-assembly on bare plastic, in order. */
export const BARE_KINDS = kinds.filter((kind) => TASKS[kind].phase === 'bare');

/** How a builder says a kind of step; the word itself where it is no kind that is known. */
export const taskLabel = (kind: string): string => (kind in TASKS ? TASKS[kind as TaskKind].label : kind);

/** All kinds of step with their labels, in order of work. */
export const TASK_LABELS = kinds.map((kind) => ({ kind, label: TASKS[kind].label }));
