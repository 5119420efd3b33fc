import type { ChromeRouteId, Curvature, Life, WeatherPlace } from '../finish/index.ts';
import type { RunKind } from '../detail/index.ts';
import type { KitPart } from './build.ts';

/** What a part is made of. */
export const MATERIALS = [
  'styrene',
  'clear',
  'vinyl',
  'rubber',
  'poly',
  'etch',
  'resin',
  'white-metal',
  'metal',
  'card',
] as const;
export type Material = (typeof MATERIALS)[number];

/** What a part asks for before it can be joined or painted. */
export const PART_NEEDS = ['gates', 'seam', 'sink', 'flash', 'warp', 'pins'] as const;
export type PartNeed = (typeof PART_NEEDS)[number];

export const PART_STATES = [
  'on-frame',
  'cleaned',
  'joined-before',
  'painted-before',
  'lost',
  'from-spares',
  'scratch-built',
] as const;
export type PartState = (typeof PART_STATES)[number];

/** How the edge between two colours on one part is made. */
export const BOUNDARIES = ['masked', 'brushed', 'moulded'] as const;
export type Boundary = (typeof BOUNDARIES)[number];

/** A patch of a part that has a finish of its own. The first zone of a part is its main one. */
export interface Zone {
  id: string;
  name: string;
  finishId: string;
  /** Share of the part's surface, 0..1. */
  share: number;
  /** How it meets the main zone. */
  boundary: Boundary;
  /** Length of that edge, mm; null where not measured. */
  edgeMm: number | null;
}

/** A part as it lies in the box. */
export interface Part extends KitPart {
  material: Material;
  /** Colour it is moulded in, in words. */
  colour: string;
  plated: boolean;
  /** Surface to cover, cm2; null where nobody measured. */
  areaCm2: number | null;
  lengthMm: number | null;
  needs: PartNeed[];
  state: PartState;
  checked: boolean;
  fragile: boolean;
  zones: Zone[];
  note: string;
}

/** What a finish looks like, as far as joining and glue care. */
export const LOOKS = [
  'polished',
  'gloss',
  'satin',
  'matt',
  'metal',
  'chrome-ink',
  'plating',
  'clear',
  'bare',
] as const;
export type Look = (typeof LOOKS)[number];

/** A colour and sheen that parts of the build share. */
export interface KitFinish {
  id: string;
  name: string;
  look: Look;
  codeId: string | null;
}

export const JOINT_KINDS = ['cement', 'press', 'clip', 'screw', 'hinge', 'glass', 'tyre', 'sits-in'] as const;
export type JointKind = (typeof JOINT_KINDS)[number];

export const SEAMS = ['hidden', 'vanish', 'panel-line'] as const;
export type Seam = (typeof SEAMS)[number];

export const MOTIONS = ['none', 'turns', 'swings', 'slides', 'comes-off'] as const;
export type Motion = (typeof MOTIONS)[number];

export const ENTRIES = ['any', 'front', 'rear', 'above', 'below', 'left', 'right'] as const;
export type Entry = (typeof ENTRIES)[number];

export type JointTime = 'before' | 'after';

/** Where two parts meet. */
export interface Joint {
  id: string;
  a: string;
  b: string;
  kind: JointKind;
  seam: Seam;
  /** Gap between the bare faces, mm; null where nobody measured. */
  clearanceMm: number | null;
  /** Parts shut in once this joint is made. */
  captured: string[];
  /** Where the smaller part comes from. */
  entry: Entry;
  motion: Motion;
  /** Joints that can no longer be made once this one is. */
  closes: string[];
  /** Length of the seam, mm; null for an estimate from the parts. */
  edgeMm: number | null;
  /** The builder's own decision. */
  pin: JointTime | null;
  note: string;
}

/** Work that cannot be taken back. */
export const WORK_KINDS = ['hole', 'cut', 'pin', 'scribe', 'plug'] as const;
export interface IrreversibleWork {
  id: string;
  kind: (typeof WORK_KINDS)[number];
  partId: string;
  name: string;
  /** Options of version choices that need it. */
  neededBy: string[];
  /** Needed whatever is built. */
  always: boolean;
}

export interface VersionOption {
  id: string;
  name: string;
  /** Parts that only this option uses, and parts that it rules out. */
  needs: string[];
  rulesOut: string[];
  markings: string[];
  /** Finishes that it needs. */
  finishIds: string[];
}

/** One choice of the version: roof, engine, drive side. */
export interface VersionChoice {
  id: string;
  name: string;
  options: VersionOption[];
  /** The option picked; null while open. */
  chosen: string | null;
}

export const CONFIDENCES = ['sure', 'likely', 'doubtful'] as const;
export const VERDICTS = ['open', 'sheet', 'evidence', 'other'] as const;

/** Where the sheet and the evidence differ, and what was decided. */
export interface Evidence {
  id: string;
  title: string;
  partIds: string[];
  /** Kind of step that it touches; null for any step of the parts. */
  stepKind: string | null;
  sheet: string;
  evidence: string;
  source: string;
  /** A picture kept with it, by id. */
  pictureId: string | null;
  confidence: (typeof CONFIDENCES)[number];
  verdict: (typeof VERDICTS)[number];
  decision: string;
}

/** A frame, bag or sheet of the box to be ticked off. */
export interface BoxItem {
  id: string;
  name: string;
  checked: boolean;
  note: string;
}

export const FITS = ['free', 'snug', 'tight', 'forced'] as const;
export type FitFeel = (typeof FITS)[number];

/** A test fit of a joint. */
export interface DryFit {
  id: string;
  jointId: string;
  stage: 'bare' | 'painted';
  feel: FitFeel;
  /** Measured gap, mm. */
  clearanceMm: number | null;
  motionChecked: boolean;
  done: string;
}

export const PLACE_KINDS = ['hole', 'slot', 'line'] as const;

/** A hole, slot or panel line that was measured bare. */
export interface MeasuredPlace {
  id: string;
  partId: string;
  /** The part whose pin or tongue goes through it; null for bare metal, wire or nothing. */
  matingPartId: string | null;
  name: string;
  kind: (typeof PLACE_KINDS)[number];
  /** Diameter of a hole, opening of a slot, depth of a line, mm. */
  sizeMm: number;
  /** Width of a line, mm; null where nobody measured. */
  widthMm: number | null;
  /** What must go through, bare, mm; null where nothing does. */
  throughMm: number | null;
}

/** Wire, cable, pipe or hose that the builder adds between two parts. */
export interface Run {
  id: string;
  name: string;
  kind: RunKind;
  fromPartId: string;
  toPartId: string;
  count: number;
  /** Outside diameter of the real thing, mm; null for the usual one of its kind. */
  realMm: number | null;
  /** Length of one on the model, mm; null where nobody measured. */
  lengthMm: number | null;
  note: string;
}

/** Heights of the four corners of a dry-fitted chassis above the bench, mm: front left, front right, rear left,
 *  rear right. */
export interface Stance {
  id: string;
  heightsMm: [number, number, number, number];
  /** How much higher the rear should stand, mm. */
  rakeMm: number;
  /** Thicknesses of shim on hand, mm. */
  shimsMm: number[];
  note: string;
}

/** Something that the build needs and that no stack or joint names. */
export interface Want {
  id: string;
  name: string;
  why: string;
  /** Option of a version that it belongs to; null for all. */
  optionId: string | null;
  leadDays: number;
  have: boolean;
  substitute: string;
  /** What the substitute costs in looks. */
  looks: string;
}

/** A printed colour that cannot be mixed anew: a decal's white, or an ink. */
export interface DecalColour {
  id: string;
  name: string;
  /** How it looks on white paper, CIELAB in daylight. */
  lab: { L: number; a: number; b: number };
  /** Transparent ink lets the base show through; opaque ink and white film do not. */
  transparent: boolean;
  /** The factory code that it lies on or beside; null where it lies on nothing in particular. */
  codeId: string | null;
}

/** How a part becomes bright: what the builder knows of it and decided. */
export interface Brightwork {
  id: string;
  partId: string;
  curvature: Curvature;
  /** The route pinned by the builder; null lets the best one win. */
  route: ChromeRouteId | null;
}

export const SCHOOLS = ['pieces', 'join-first'] as const;
/** Paint in many pieces, or join and pick out by brush: two ways that builders swear by. */
export type School = (typeof SCHOOLS)[number];

/** One record: how this build is to be divided. */
export interface AssemblyChoice {
  id: string;
  school: School;
}

/** How hard a life the vehicle had, and what each sub-assembly is as far as dirt cares. */
export interface Weathering {
  id: string;
  life: Life;
  places: Record<string, WeatherPlace>;
}

/** What a spoilt step needs before it can be done again. */
export const REPAIR_IDS = ['wipe', 'sand', 'strip', 'refill'] as const;
export type RepairId = (typeof REPAIR_IDS)[number];

/** Something that went wrong at a step, and from which step of its sub-assembly the work is done again. */
export interface Mishap {
  id: string;
  operationId: string;
  /** First step to repeat: the same one, or one before it. */
  redoFrom: string;
  repair: RepairId;
  what: string;
  why: string;
  /** Minutes since 1970. */
  at: number;
}

/** A step that the builder added to the plan. */
export interface OwnStep {
  id: string;
  /** The step that it follows. */
  after: string;
  title: string;
  minutes: number;
  /** Minutes to leave it be before what came next. */
  waitMinutes: number;
  note: string;
}

/** How the builder changed a step of the plan. */
export interface StepEdit {
  id: string;
  operationId: string;
  /** Other words for it; empty leaves those of the plan. */
  title: string;
  /** Minutes of work; null leaves those of the plan. */
  minutes: number | null;
  note: string;
  /** So many sittings; 1 for one. */
  parts: number;
  /** Done in one go with the step that follows at once. */
  withNext: boolean;
  leaveOut: boolean;
}

/** A coat that the builder felt before the next step. */
export interface CureCheck {
  id: string;
  operationId: string;
  /** Since the coat was on. */
  minutes: number;
  /** Dry enough for what comes next. */
  isDry: boolean;
}

/** A step held to a moment, minutes since 1970. */
export interface PinnedStart {
  id: string;
  operationId: string;
  start: number;
}

export const PRIORITIES = ['first', 'usual', 'last'] as const;
export type Priority = (typeof PRIORITIES)[number];

/** The day by which a build must be ready, like 2026-07-04, and its place among the builds. */
export interface BuildAim {
  id: string;
  /** null where no day is set. */
  deadline: string | null;
  priority?: Priority;
}

/** Everything about what is in the box and what becomes of it. */
export interface Kit {
  parts: Part[];
  finishes: KitFinish[];
  joints: Joint[];
  choices: VersionChoice[];
  works: IrreversibleWork[];
  evidence: Evidence[];
  box: BoxItem[];
  fits: DryFit[];
  places: MeasuredPlace[];
  runs: Run[];
  stances: Stance[];
  wants: Want[];
  decals: DecalColour[];
  brightwork: Brightwork[];
  /** At most one. */
  weathering: Weathering[];
  mishaps: Mishap[];
  ownSteps: OwnStep[];
  stepEdits: StepEdit[];
  cureChecks: CureCheck[];
  pins: PinnedStart[];
  /** At most one. */
  aims: BuildAim[];
  school: School;
}

/** A part in the spares box. */
export interface Spare {
  id: string;
  name: string;
  origin: string;
  material: Material;
  count: number;
  note: string;
}

/** Glue, filler, wire, foil: what a build uses up besides paint. */
export interface StockMaterial {
  id: string;
  name: string;
  /** A kind that joints and needs ask for, such as an adhesive's id. */
  kind: string;
  amount: string;
  have: boolean;
  leadDays: number;
}

/** Something learnt, with where it should come back. */
export interface Lesson {
  id: string;
  text: string;
  /** Log entry or regret that it came from. */
  origin: string;
  /** A subject of the kit, a word in a part's name, a material and a kind of step; null matches anything. */
  kit: string | null;
  partWord: string | null;
  material: Material | null;
  stepKind: string | null;
}

export const EMPTY_KIT: Kit = {
  parts: [],
  finishes: [],
  joints: [],
  choices: [],
  works: [],
  evidence: [],
  box: [],
  fits: [],
  stances: [],
  wants: [],
  decals: [],
  brightwork: [],
  weathering: [],
  mishaps: [],
  ownSteps: [],
  stepEdits: [],
  cureChecks: [],
  pins: [],
  aims: [],
  places: [],
  runs: [],
  school: 'pieces',
};

/** "A12", as it stands on the frame. */
export function partLabel({ frame, number }: Pick<Part, 'frame' | 'number'>): string {
  return `${frame}${number}`;
}

/** The finish of a part's main zone; undefined where none is given. */
export function mainFinish(part: Part, finishes: ReadonlyMap<string, KitFinish>): KitFinish | undefined {
  return part.zones[0] && finishes.get(part.zones[0].finishId);
}

const GUESSED_AREA_CM2 = 4;

/** Surface of one part, cm2, with a guess where nobody measured. */
export function areaOf({ areaCm2, lengthMm }: Part): number {
  if (areaCm2 !== null) return areaCm2;
  // A thing a third as wide as it is long, both faces.
  return lengthMm === null ? GUESSED_AREA_CM2 : (2 * lengthMm * lengthMm) / 3 / 100;
}
