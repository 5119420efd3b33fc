import type { Lab } from '../colour/index.ts';
import type { Moves, MovingMotion } from '../cabin/index.ts';
import type { SeenScene } from '../detail/index.ts';
import type { Conditions, Finding, LayerKind, Stack } from '../finish/index.ts';
import {
  jointsOfJoins,
  resolveVersion,
  type AdhesiveId,
  type FilmOnFlats,
  type Insertion,
  type Inspection,
  type Kit,
  type KitFinish,
  type MarkingRoute,
  type Part,
  type ResolvedVersion,
  type Spare,
  type StockMaterial,
} from '../kit/index.ts';
import type { BenchStep, Consequence } from './benchStep.ts';
import type { GluedJoint } from './gluedJoints.ts';
import type { PlanArc, PlanOperation, StepPlace } from './operation.ts';
import type { DayForecast } from './calendar.ts';
import type { TaskKind } from './tasks.ts';
import type { Advise } from './advice/advice.ts';
import type { KitAdvice } from './advice/kitAdvice.ts';

/** Work on one sub-assembly that its parts and joints ask for, beside cleaning, joining and paint. */
export interface TrayTask {
  id: string;
  kind: TaskKind;
  trayId: string;
  title: string;
  minutes: number;
  /** Minutes to leave it be before what comes next, and why. */
  waitMinutes: number;
  waitBecause: string;
  because: string;
  details: string[];
  on?: StepPlace;
}

/** Work between two sub-assemblies, once both are finished. */
export interface CrossStep {
  id: string;
  kind: TaskKind;
  trayIds: [string, string];
  /** Parts that it touches. */
  partIds: string[];
  /** Joins without which the two would not hang together: it comes after these. */
  acrossJoinIds: string[];
  title: string;
  minutes: number;
  because: string;
  details: string[];
  on?: StepPlace;
}

/** Something that is to move, as it was found when it was tried last; null while nobody tried it. */
export interface MovingAtEnd {
  id: string;
  name: string;
  motion: MovingMotion;
  moves: Moves | null;
  /** Ways to free it that were tried. */
  tried: readonly string[];
}

/** A unit and the shell that goes over it, with the joins that bring them together. */
export interface WayInAtJoin {
  insertion: Insertion;
  /** Of the unit and of the shell. */
  trayIds: readonly [string, string];
  joinIds: readonly string[];
}

/** A joint after paint whose glue can fog panes that it does not touch. */
export interface FogAtJoin {
  jointId: string;
  joinId: string;
  name: string;
  adhesive: string;
  /** Room between, mm; null where the builder only said that the pane shuts it in. */
  near: { name: string; mm: number | null; joinIds: readonly string[] }[];
}

/** Work on the whole build, once everything is dry and set. */
export type LastStep = Pick<PlanOperation, 'kind' | 'title' | 'hands' | 'because' | 'details' | 'photo'>;

/** A build as far as its last steps ask. */
export interface BuildAtItsEnd {
  name: string;
  joins: readonly unknown[];
  kit: { stance: boolean; moving: readonly MovingAtEnd[] };
}

/** What is to be said at the steps of a layer, beside what is said of every layer of its kind. */
export interface LayerLines {
  trayId: string;
  /** One layer alone; absent for all that are of the kind and the colour. */
  layerId?: string;
  kind: LayerKind;
  /** The colour on whose areas it lies; absent for a layer of the whole body. */
  finishId?: string;
  lines: string[];
  /** Minutes that it takes, where they are known better than by its area. */
  minutes?: number;
  on?: StepPlace;
}

/** A layer of a stack, as far as a contribution asks. */
export interface DividedLayer {
  id: string;
  kind: LayerKind;
  finishId?: string;
  share?: number;
}

/** How a kit is divided into sub-assemblies, and what joins them after paint. */
export interface Division {
  trays: readonly { id: string; partIds: readonly string[]; layers?: readonly DividedLayer[] }[];
  joins: readonly { id: string; trayIds?: readonly string[]; jointIds: readonly string[] }[];
}

/** A divided kit with what all contributions ask of it. */
export interface DividedKit extends Division {
  kit: Kit;
  /** Denominator of the scale. */
  scale: number;
  version: ResolvedVersion;
  parts: ReadonlyMap<string, Part>;
  finishes: ReadonlyMap<string, KitFinish>;
  /** Sub-assembly of a part. */
  trayOf: ReadonlyMap<string, string>;
  /** Join after paint that makes a joint; absent for joints made before. */
  joinOf: ReadonlyMap<string, string>;
  /** Parts of a sub-assembly. */
  partsIn: (tray: { partIds: readonly string[] }) => Part[];
}

/** Denominator where nobody said a scale. */
const USUAL_SCALE = 24;

export function dividedKit(kit: Kit, { trays, joins: given }: Division, scale = USUAL_SCALE): DividedKit {
  const made = jointsOfJoins(kit, {
    trays,
    joins: given.map(({ trayIds = [], ...join }) => ({ ...join, trayIds })),
  });
  const joins = given.map((join) => ({ ...join, jointIds: made.get(join.id)! }));
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  return {
    kit,
    trays,
    joins,
    scale,
    version: resolveVersion(kit),
    parts,
    finishes: new Map(kit.finishes.map((finish) => [finish.id, finish])),
    trayOf: new Map(trays.flatMap(({ id, partIds }) => partIds.map((part) => [part, id] as const))),
    joinOf: new Map(joins.flatMap(({ id, jointIds }) => jointIds.map((joint) => [joint, id] as const))),
    partsIn: ({ partIds }) => partIds.flatMap((id) => parts.get(id) ?? []),
  };
}

/** Sub-assemblies of some parts, each once. */
export const traysOf = ({ trayOf }: DividedKit, partIds: readonly string[]): string[] => [
  ...new Set(partIds.flatMap((id) => trayOf.get(id) ?? [])),
];

/** Things of a kit by the sub-assembly of a part of theirs, of parts that the version uses. */
export function byTray<T>(
  { version: { used }, trayOf }: DividedKit,
  things: readonly T[],
  partOf: (thing: T) => string | null,
): [trayId: string, things: T[]][] {
  const found = new Map<string, T[]>();
  for (const thing of things) {
    const partId = partOf(thing);
    const trayId = partId !== null && used.has(partId) ? trayOf.get(partId) : undefined;
    if (trayId !== undefined) found.set(trayId, [...(found.get(trayId) ?? []), thing]);
  }
  return [...found];
}

/** Joins after paint that make a joint of one of some parts; where the joints of a join are not known, any join of their
 *  sub-assemblies. */
export function joinsOf(build: DividedKit, partIds: readonly string[]): string[] {
  const { kit, joins } = build;
  const touched = new Set(
    kit.joints.flatMap(({ id, a, b }) => (partIds.includes(a) || partIds.includes(b) ? [id] : [])),
  );
  const homes = traysOf(build, partIds);
  return joins.flatMap(({ id, jointIds, trayIds = [] }) => {
    const isOf =
      jointIds.length > 0
        ? jointIds.some((joint) => touched.has(joint))
        : trayIds.some((tray) => homes.includes(tray));
    return isOf ? [id] : [];
  });
}

export interface NeedsQuestion {
  kit: Kit;
  /** Paint that the stacks ask for, ml, and what is left on the shelf (null: not owned). */
  paints: readonly { id: string; name: string; needMl: number; levelMl: number | null }[];
  /** Adhesive of every joint, by joint. */
  adhesives: readonly { adhesive: AdhesiveId; joint: string }[];
  spares: readonly Spare[];
  materials: readonly StockMaterial[];
  /** Denominator of the scale. */
  scale: number;
}

/** The question with the parts that the version uses, and what the stock knows of a kind of material. */
export interface NeedsContext extends NeedsQuestion {
  version: ResolvedVersion;
  parts: readonly Part[];
  isInStock: (kind: string) => boolean;
  /** Something used up besides paint, by its kind in the stock. */
  material: (
    kind: string,
    what: string,
    why: string,
    instead?: { substitute: string; looks: string },
  ) => Need;
}

/** One thing that the build will ask for. */
export interface Need {
  id: string;
  group: 'paint' | 'glue and filler' | 'parts' | 'detail';
  what: string;
  why: string;
  state: 'have' | 'short' | 'buy' | 'from spares';
  leadDays: number;
  /** What would do instead, and what that costs in looks; '' where nothing would. */
  substitute: string;
  looks: string;
}

export interface AdvisedTray {
  id: string;
  name: string;
  /** Whether any paint, plating or foil ends on its faces. */
  painted: boolean;
  /** Products that its layers need, with what is left on the shelf of each, ml; null where none is, undefined where it is
   *  a plain product or a colour not chosen. */
  needs: {
    layerId: string;
    paintId: string;
    name: string;
    levelMl: number | null | undefined;
    needMl: number | undefined;
    chosen: boolean;
  }[];
  tyre: boolean;
  clear: boolean;
  /** What on it blooms from the fumes of glue: clear plastic, plating, bright metal. */
  bloom: string | undefined;
  stack: Stack;
  /** How it will look: each of its colours, or the one that it has (null). */
  colours: readonly { finishId: string | null; lab: Lab }[];
  /** What its stack breaks, and what was muted of it. */
  findings: readonly Finding[];
  muted: readonly (Finding & { note: string })[];
}

/** A marking, as far as its colour beside the paint asks. */
export interface PrintedMarking {
  id: string;
  name: string;
  trayId: string;
  /** The finish of most of what it lies on; null where that is not known. */
  finishId: string | null;
  /** That is what lies under all areas of its view: what a stack of one colour lays. */
  onBase: boolean;
  ink: { lab: Lab; transparent: boolean };
  route: MarkingRoute | null;
  /** Its printer lays white under it. */
  onWhite: boolean;
}

/** Joints after paint and measured places whose room is known, with the sub-assemblies that carry film into them. */
export interface KitFits {
  joints: {
    jointId: string;
    joinId: string;
    name: string;
    clearanceMm: [number, number, number];
    /** How it went together when it was last tried, in words. */
    tried: string | undefined;
    trayIds: string[];
  }[];
  places: { place: Kit['places'][number]; name: string; trayId: string; matingTrayId: string | null }[];
  /** Room between parts that do not touch. */
  gaps: { gap: Kit['gaps'][number]; name: string; trayIds: string[] }[];
}

/** Something that a build needs, with the sub-assembly and the kind of step that it is for; null where that is not said. */
export interface KitWant {
  id: string;
  name: string;
  leadDays: number;
  have: boolean;
  substitute: string;
  looks: string;
  trayId: string | null;
  stepKind: string | null;
}

/** Detail of a build with the scene in which it is looked at: what it takes to say at its steps how much of it is seen. */
export interface SeenAtSteps {
  scene: SeenScene;
  /** Parts of the scene whose place is only guessed. */
  guessed: string[];
  work: { id: string; name: string; partIds: string[]; kind: TaskKind; trays: string[] }[];
}

/** A build as far as what is said of it goes. */
export interface AdvisedBuild {
  id: string;
  name: string;
  trays: AdvisedTray[];
  joins: { id: string; name: string; trayIds: readonly string[]; adhesive: string }[];
  wants: KitWant[];
  kit: {
    advice: readonly KitAdvice[];
    consequences: readonly Consequence[];
    fits: KitFits;
    waysIn: readonly WayInAtJoin[];
    fogs: readonly FogAtJoin[];
    moving: readonly MovingAtEnd[];
    inspections: readonly Inspection[];
    crossSteps: readonly Pick<CrossStep, 'id' | 'trayIds'>[];
    joinsBefore: Readonly<Record<string, readonly GluedJoint[]>>;
    joinsAfter: Readonly<Record<string, readonly GluedJoint[]>>;
    printed: readonly PrintedMarking[];
    seen?: SeenAtSteps;
  };
  /** Film on the flats of a sub-assembly, um; absent where nothing is known of its stack. */
  films: Readonly<Record<string, FilmOnFlats>>;
  /** What is kept in stock besides paint; empty where nobody wrote it down. */
  materials: readonly StockMaterial[];
  /** Steps that the builder left out. */
  leftOut: readonly PlanOperation[];
  /** Minutes since 1970 by which it must be ready; null for no matter. */
  deadline: number | null;
  /** The air at the bench, and as it is forecast. */
  air: { conditions: Conditions; forecast: readonly DayForecast[] };
  /** Steps whose picture was taken, or given up. */
  milestones: readonly { operationId: string }[];
  /** What the builder knows and does not want to be stopped by, with the note why. */
  muted: readonly { adviceId: string; note: string }[];
}

/** A build as it is planned, for what is to be said of it; times in minutes since 1970. */
export interface Ahead {
  build: AdvisedBuild;
  /** Its steps, and those of them that are still to come, soonest first. */
  all: readonly PlanOperation[];
  arcs: readonly PlanArc[];
  own: readonly PlanOperation[];
  starts: Readonly<Record<string, number>>;
  startOf: (operation: PlanOperation) => number;
  now: number;
  advise: Advise;
}

/** What one capability gives to the plan, the needs, and what is said of what lies ahead: each a pure function of the
 *  build. The plan goes over the list of them and knows none by name. */
export interface PlanContribution {
  id: string;
  trayTasks?: (build: DividedKit) => TrayTask[];
  crossSteps?: (build: DividedKit) => CrossStep[];
  layerLines?: (build: DividedKit) => LayerLines[];
  lastSteps?: (build: BuildAtItsEnd) => LastStep[];
  /** What steps that cannot be taken back serve and prevent. */
  consequences?: (build: DividedKit, stepOf: StepOfJoint, crossSteps: readonly CrossStep[]) => Consequence[];
  needs?: (context: NeedsContext) => Need[];
  /** Things that are added to the kit and that the plan leaves out, since they are not decided or cannot be made. */
  stillOpen?: (build: DividedKit) => number;
  /** What the kit alone has to say, and what follows from the plan. */
  kitAdvice?: (build: DividedKit) => KitAdvice[];
  advice?: (ahead: Ahead) => void;
}

/** The step in which a joint is made; undefined where nothing is known of when it is. */
export type StepOfJoint = (joint: Kit['joints'][number]) => BenchStep | undefined;

const SHOWN = 6;

/** Names in a list that stays short. */
export const few = (names: readonly string[]): string[] =>
  names.length > SHOWN ? [...names.slice(0, SHOWN), `and ${names.length - SHOWN} more`] : [...names];

/** A task of a sub-assembly, of minutes within reason. */
export const trayTask = (
  kind: TaskKind,
  trayId: string,
  task: Partial<TrayTask> & Pick<TrayTask, 'title' | 'minutes' | 'because'>,
): TrayTask => ({
  id: kind,
  kind,
  trayId,
  waitMinutes: 0,
  waitBecause: 'follows at once',
  details: [],
  ...task,
  minutes: Math.min(90, Math.max(5, Math.round(task.minutes))),
});
