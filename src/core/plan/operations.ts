import {
  coatMinutes,
  FAMILIES,
  formatMinutes,
  hazardLine,
  hazardsInWords,
  hazardsOfLayer,
  isPainted,
  LAYER_KINDS,
  paintVolume,
  settingLine,
  waitBefore,
  waitBetweenCoats,
  waitToHandle,
  type Conditions,
  type HazardId,
  type LayerKind,
  type Stack,
  type StackLayer,
  type ToolSettings,
} from '../finish/index.ts';
import {
  lessonsFor,
  type Join,
  type KitSummary,
  type KitTask,
  type Lesson,
  type Material,
  type TaskKind,
  type TrayTask,
} from '../kit/index.ts';

/** A build as the planner needs it: trays with their stacks resolved to products. */
export interface PlannableBuild {
  id: string;
  name: string;
  /** What it is of, for lessons that are tied to a kit. */
  subject: string;
  trays: { id: string; name: string; partCount: number; partNames: string[]; stack: Stack }[];
  joins: Join[];
  /** What the kit asks of the plan. */
  kit: Pick<
    KitSummary,
    'holds' | 'openings' | 'pickOuts' | 'joinsBefore' | 'materials' | 'tasks' | 'stance' | 'unchecked'
  >;
}

export type OperationKind =
  | LayerKind
  | TaskKind
  | 'check'
  | 'clean'
  | 'open'
  | 'join'
  | 'pick-out'
  | 'assemble'
  | 'stance'
  | 'touch-in'
  | 'inspect'
  | 'verdict';

export interface PlanOperation {
  id: string;
  buildId: string;
  /** Absent for joins between trays and the last inspection. */
  trayId?: string;
  layerId?: string;
  kind: OperationKind;
  title: string;
  place: string;
  hands: number;
  /** Minutes that run by themselves after the last step of a tray. */
  dry: number;
  /** What is in the airbrush; null for work without paint. */
  family: string | null;
  /** Chemistry of what is in the airbrush. */
  chemistry: string | null;
  because: string;
  /** What to have at hand, in short lines. */
  details: string[];
  /** What can hurt in it; `cautions` says it in a line each. */
  hazards: HazardId[];
  cautions: string[];
  /** Decisions that this step waits for; it must not be done before they are made. */
  holds: string[];
  /** What earlier builds taught about this. */
  lessons: string[];
  /** The builder said how long it takes. */
  ownMinutes?: true;
  /** A picture to take once it is done, and why; absent for most. */
  photo?: string;
}

export interface PlanArc {
  from: string;
  to: string;
  minLag: number;
  maxLag: number | null;
  because: string;
}

export interface OperationPlan {
  operations: PlanOperation[];
  arcs: PlanArc[];
}

const CLEAN_MINUTES_PER_PART = 3;
const JOIN_MINUTES = 5;
const CEMENT_CURE_MINUTES = 12 * 60;
const WASH_DRY_MINUTES = 2 * 60;
/** Work that can be put down and taken up again is cut into parts of about this length. */
const DIVISIBLE_MINUTES = 45;

const ORDINALS = ['First', 'Second', 'Third', 'Fourth'];

/** What a layer is called in the title of its steps; colours are counted where a stack has several. */
function layerWord(layer: StackLayer, { layers }: Stack): string {
  const colours = layers.filter(({ kind }) => kind === 'colour');
  if (layer.kind !== 'colour' || colours.length < 2) return LAYER_KINDS[layer.kind].name;
  return `${ORDINALS[colours.indexOf(layer)] ?? 'Next'} colour`;
}

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
    const chain = new Chain(plan, build.id, tray.id);
    prepare(
      chain,
      tray,
      build.kit.openings.filter(({ trayId }) => trayId === tray.id),
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
  addLastSteps(plan, build);
  remind(plan, build, lessons);
  return plan;
}

/** Puts to every step the decisions it waits for and the lessons that touch it. */
function remind(plan: OperationPlan, build: PlannableBuild, lessons: readonly Lesson[]): void {
  const trays = new Map(build.trays.map((tray) => [tray.id, tray]));
  const traysOfJoin = new Map(build.joins.map(({ id, trayIds }) => [`${build.id}/join/${id}`, trayIds]));
  for (const operation of plan.operations) {
    operation.cautions = operation.hazards.map(hazardLine);
    const touched = operation.trayId ? [operation.trayId] : (traysOfJoin.get(operation.id) ?? []);
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
const LATE_TASKS: ReadonlySet<OperationKind> = new Set(['bright', 'refit']);

function addTask(chain: Chain, task: KitTask, kind: 'open' | 'pick-out' | TaskKind, trayName: string): void {
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
    hazards: [...new Set([...(TASK_HAZARDS[kind] ?? []), ...hazardsInWords(task.title, ...task.details)])],
  });
}

const TASK_HAZARDS: Partial<Record<OperationKind, HazardId[]>> = {
  open: ['blades'],
  straighten: ['heat'],
  true: ['blades', 'dust'],
  fill: ['vapour', 'dust'],
};

/** Steps of one tray, each after the one before. */
class Chain {
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
    step: Omit<PlanOperation, 'id' | 'buildId' | 'trayId' | 'dry' | 'cautions' | 'holds' | 'lessons'> & {
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
      holds: [],
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

type PlannableTray = PlannableBuild['trays'][number];

function prepare(
  chain: Chain,
  { name, partCount }: PlannableTray,
  openings: readonly KitTask[],
  joints: readonly string[] | undefined,
  tasks: readonly TrayTask[],
): void {
  if (partCount === 0) return;
  addInPieces(chain, Math.max(10, partCount * CLEAN_MINUTES_PER_PART), 'clean', {
    kind: 'clean',
    title: `Clean up: ${name}`,
    place: 'bench',
    family: null,
    chemistry: null,
    because: 'Gates, seams and flash show through every coat; washed plastic holds paint.',
    details: [`${partCount} parts: cut, trim, sand 400 then 1000`, 'wash in soap and water, rinse'],
    hazards: ['blades', 'dust'],
  });
  const task = (kind: TaskKind) => {
    const found = tasks.find((each) => each.kind === kind);
    if (!found) return;
    addTask(chain, found, kind, name);
    if (found.waitMinutes > 0) chain.waitFor(found.waitMinutes, null, found.waitBecause);
  };
  for (const opening of openings) addTask(chain, opening, 'open', name);
  chain.waitFor(WASH_DRY_MINUTES, null, 'washed parts must be dry');
  task('straighten');
  task('true');
  join(chain, name, partCount, joints);
  task('fill');
  task('dry-fit');
  task('glass');
}

function join(chain: Chain, name: string, partCount: number, joints: readonly string[] | undefined): void {
  // Without a joint map every part is taken to be joined to another.
  const jointCount = joints?.length ?? partCount - 1;
  if (jointCount < 1) return;
  addInPieces(chain, Math.max(10, jointCount * JOIN_MINUTES), 'join', {
    kind: 'join',
    title: `Join before paint: ${name}`,
    place: 'bench',
    family: null,
    chemistry: null,
    because: 'They end up the same colour and finish, so the seam can be filled once and vanish.',
    details: [
      ...(joints ?? []).slice(0, 8),
      ...((joints ?? []).length > 8 ? [`and ${joints!.length - 8} more, in the kit stage`] : []),
      'solvent cement, thin, on bare plastic; taped until it holds',
    ],
    hazards: ['vapour'],
  });
  chain.waitFor(CEMENT_CURE_MINUTES, null, 'cement and filler must be hard before sanding and primer');
}

function addInPieces(
  chain: Chain,
  minutes: number,
  key: string,
  step: Omit<PlanOperation, 'id' | 'buildId' | 'trayId' | 'dry' | 'hands' | 'cautions' | 'holds' | 'lessons'>,
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

function addLayer(
  chain: Chain,
  tray: PlannableTray,
  layer: StackLayer,
  below: StackLayer | undefined,
  conditions: Conditions,
  longestSession: number,
  own: ToolSettings,
): void {
  const minutes = coatMinutes(layer, tray.stack.areaCm2);
  const sandsPrimer = layer.kind === 'flat' && below?.kind === 'primer';
  const title = `${sandsPrimer ? 'Sand primer' : layerWord(layer, tray.stack)}: ${tray.name}`;
  const because = sandsPrimer
    ? 'Primer shows every blemish; smooth primer makes smooth colour.'
    : LAYER_KINDS[layer.kind].because;
  if (!isPainted(layer)) {
    addInPieces(chain, minutes * layer.coats, layer.id, {
      layerId: layer.id,
      kind: layer.kind,
      title,
      place: 'bench',
      family: null,
      chemistry: null,
      because,
      details: sandsPrimer
        ? [
            '2000 wet, with a drop of soap',
            'look along the surface under a lamp; fill and prime again what shows',
          ]
        : [...LAYER_KINDS[layer.kind].how],
      hazards: hazardsOfLayer(layer.kind, layer.tool, undefined),
    });
    // Only the first piece waits for the layer beneath; the rest follow at will.
    return;
  }
  const { product } = layer;
  const family = FAMILIES[product.family];
  const sprayed = layer.tool === 'airbrush' || layer.tool === 'can';
  const volume = paintVolume(layer, tray.stack.areaCm2, own);
  const between = waitBetweenCoats(layer, conditions);
  // Where two coats and the flash between them do not fit one session, the first window would close overnight.
  const sameEvening = 2 * minutes + between.from <= longestSession;
  const again = family.recoatAgain ?? family.fullCure;
  for (let coat = 1; coat <= layer.coats; coat++) {
    if (coat > 1) {
      if (between.until === null || sameEvening) chain.waitFor(between.from, between.until, between.because);
      else
        chain.waitFor(
          again,
          null,
          `no session holds two coats, so the second waits for the late window of ${family.name}`,
        );
    }
    const mist = coat <= (layer.mistCoats ?? 0);
    chain.add({
      key: layer.coats === 1 ? layer.id : `${layer.id}-${coat}`,
      layerId: layer.id,
      kind: layer.kind,
      title: layer.coats === 1 ? title : `${title}, ${mist ? 'mist' : 'wet'} coat ${coat} of ${layer.coats}`,
      place: sprayed ? 'booth' : 'bench',
      hands: minutes,
      family: sprayed ? `${product.family}|${product.id}` : null,
      chemistry: sprayed ? product.family : null,
      because,
      details: [
        product.name,
        `${(volume.paintMl / layer.coats).toFixed(1)} ml paint${volume.thinnerMl > 0 ? ` + ${(volume.thinnerMl / layer.coats).toFixed(1)} ml thinner` : ''} for this coat`,
        ...LAYER_KINDS[layer.kind].how,
        settingLine(layer.tool, product.family, mist, own) ?? '',
        coat < layer.coats
          ? `next coat after ${formatMinutes(between.from)}${between.until === null ? '' : `, before ${formatMinutes(between.until)}`}`
          : '',
      ].filter(Boolean),
      hazards: hazardsOfLayer(layer.kind, layer.tool, family.id),
    });
  }
}

function addJoins(
  plan: OperationPlan,
  build: PlannableBuild,
  lastStep: Map<string, { id: string; wait: number; because: string }>,
): void {
  for (const join of build.joins) {
    const id = `${build.id}/join/${join.id}`;
    plan.operations.push({
      id,
      buildId: build.id,
      kind: 'assemble',
      title: join.name,
      place: 'bench',
      hands: join.minutes,
      dry: join.setMinutes,
      family: null,
      chemistry: null,
      because: 'Joined after paint: the parts differ in colour or would block the spray.',
      details: [join.adhesive, 'dabs, not beads; test the fit first; gloves on'],
      hazards: hazardsInWords(join.adhesive),
      cautions: [],
      holds: [],
      lessons: [],
    });
    for (const trayId of join.trayIds) {
      const last = lastStep.get(trayId);
      if (last)
        plan.arcs.push({ from: last.id, to: id, minLag: last.wait, maxLag: null, because: last.because });
    }
    for (const before of join.afterJoinIds) {
      const { setMinutes = 0, name = before } = build.joins.find((other) => other.id === before) ?? {};
      plan.arcs.push({
        from: `${build.id}/join/${before}`,
        to: id,
        minLag: setMinutes,
        maxLag: null,
        because: `${name} must have set`,
      });
    }
  }
}

/** Before anything is cut: is all of it there? */
function addCheck(plan: OperationPlan, build: PlannableBuild): void {
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
      `${unchecked} parts not ticked off yet, in the Kit stage`,
      'photograph what is missing or broken',
    ],
  });
  plan.operations.unshift(check);
  for (const { id } of first)
    plan.arcs.push({ from: check.id, to: id, minLag: 0, maxLag: null, because: 'the box is checked first' });
}

function wholeBuild(
  { id: buildId }: PlannableBuild,
  kind: OperationKind,
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
    holds: [],
    lessons: [],
    ...step,
  };
}

/** What ends a build, one after the other, once everything is dry and set. */
function addLastSteps(plan: OperationPlan, build: PlannableBuild): void {
  if (plan.operations.length === 0) return;
  const lead = new Set(plan.arcs.map(({ from }) => from));
  const open = plan.operations.filter(({ id }) => !lead.has(id));
  const steps = [
    ...(build.kit.stance && build.joins.length > 0
      ? [
          wholeBuild(build, 'stance', {
            title: `Stance and shims: ${build.name}`,
            hands: 20,
            because: 'Four wheels that do not all touch are the first thing anyone sees.',
            details: [
              'stand it on glass; measure the four corners in the Kit stage',
              'shim before the glue sets',
            ],
          }),
        ]
      : []),
    ...(build.joins.length > 0
      ? [
          wholeBuild(build, 'touch-in', {
            title: `Touch in: ${build.name}`,
            hands: 20,
            because:
              'Handling marks, glue spots and bare edges are mended last, with paint kept from the job.',
            details: [
              'the smallest brush, the paint of the recipe card',
              'nothing that was cemented is moved',
            ],
          }),
        ]
      : []),
    wholeBuild(build, 'inspect', {
      title: `Look over and photograph: ${build.name}`,
      hands: 15,
      because: 'Photographs get forgotten, and the finished model is never again as clean.',
      details: [
        'natural light, same angle as the reference',
        'every side once, and what nobody will see again',
      ],
      photo: `${build.name}, finished`,
    }),
    wholeBuild(build, 'verdict', {
      title: `Verdict: ${build.name}`,
      hands: 10,
      because: 'Small regrets are lessons for the next kit, while they are fresh.',
      details: ['what went well, what to do better; keep each as a lesson in the Kit stage'],
    }),
  ];
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
