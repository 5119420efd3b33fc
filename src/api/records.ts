import type { Lab, MeasuringGeometry } from '../core/colour/index.ts';
import type { Conditions, FamilyId, Sheen, ToolSettings } from '../core/finish/index.ts';
import type { Join, KitPart, Lesson, PlannedLayer, StockMaterial } from '../core/kit/index.ts';
import type { BenchCalendar, KitSummary } from '../core/plan/index.ts';
import type { CodeSource, Provenance } from '../core/match/index.ts';
import type { HidingClass } from '../core/paint/index.ts';
import type { CopyPlan, CopyState } from './copies.ts';
import type { Clock, CodeUse, DateOrder } from './schemas.ts';

/** Records as the server sends them. `version` grows with every change and guards against overwriting. */

export interface PaintRecord {
  id: string;
  range: string;
  name: string;
  family: FamilyId;
  container: 'bottle' | 'can' | 'marker';
  role: 'colour' | 'primer' | 'undercoat' | 'metal' | 'clear';
  sheen: Sheen;
  hiding: HidingClass;
  priceCents: number;
  volumeMl: number;
  flakeUm: number | null;
  k: number[];
  s: number[];
  /** How the optics are known, and their uncertainty in dE00. */
  provenance: Provenance;
  uncertainty: number;
  /** How the colour that the optics came from was seen, and its gloss where measured. */
  geometry: MeasuringGeometry;
  gloss: number | null;
  /** As measured by the builder: volume of a drop, ml, and strength against what the optics say. */
  dropMl: number | null;
  strength: number | null;
  /** Size of its drop against the usual one, and the doubts of strength and drop, standard deviations of ln: from what
   *  was measured and what readings taught. */
  perDrop: number;
  strengthDoubt: number;
  dropDoubt: number;
  /** What the builder should know since the data file was converted; '' for nothing. */
  notice: string;
  /** How many readings the optics were refitted to, and what was believed before; null where none were taken. */
  refit:
    | ({ readings: number } & Pick<
        PaintRecord,
        'k' | 's' | 'uncertainty' | 'perDrop' | 'strengthDoubt' | 'dropDoubt'
      >)
    | null;
  /** What is left in the bottle, ml; null where it is not on the shelf. */
  levelMl: number | null;
  /** When that was told, minutes since 1970; null where that was not noted. */
  toldAt: number | null;
  /** Day it was opened, like 2026-05-12; where it stands; what else there is to say. */
  openedOn: string | null;
  place: string;
  note: string;
  /** No longer made. */
  discontinued: boolean;
  version: number;
}

export type OutputDeviceId = 'cutter' | 'label-printer';

/** A machine that takes sheets, and how far it is. */
export interface OutputDeviceRecord {
  id: OutputDeviceId;
  name: string;
  simulated: boolean;
  /** What it works on, in words, and how many sheets of it are in. */
  media: string;
  loaded: number;
  state: 'away' | 'ready' | 'working' | 'standing' | 'done';
  /** Why it stands; null where it does not. */
  stop: 'out' | 'slipped' | 'paused' | 'unplugged' | null;
  job: { name: string; pieces: number; done: number; spoilt: number } | null;
}

/** A font file of the builder's. */
export interface TypefaceRecord {
  id: string;
  /** As the file calls itself. */
  name: string;
}

/** A picture that was put by. `width` and `height` in dots; `dpi` as its file says, null where it says none. */
export interface KeptPictureRecord {
  id: string;
  width: number;
  height: number;
  dpi: number | null;
}

/** A paint as the sample catalogue keeps it: what only a bench can know of it is left out. */
export type SamplePaint = Pick<
  PaintRecord,
  | 'id'
  | 'range'
  | 'name'
  | 'family'
  | 'container'
  | 'role'
  | 'sheen'
  | 'hiding'
  | 'priceCents'
  | 'volumeMl'
  | 'k'
  | 's'
> & { flakeUm?: number };

export type CodeKind = 'solid' | 'satin' | 'metallic' | 'pearl' | 'candy';

export interface CodeRecord {
  id: string;
  maker: string;
  code: string;
  name: string;
  years: string;
  suppliers: string;
  /** The body where nobody said otherwise. */
  use?: CodeUse;
  kind: CodeKind;
  /** As it is wanted: seen at 45:0 with `gloss`, gloss units at 60 degrees. */
  spectrum: number[];
  gloss: number;
  angles: { degrees: number; lab: Lab }[] | null;
  sources: CodeSource[];
  /** What the builder should know since the data file was converted; '' for nothing. */
  notice: string;
  version: number;
}

/** A sprayed and read test piece. */
export interface ReadingRecord {
  id: string;
  cupId: string | null;
  /** Minutes since 1970. */
  at: number;
  drops: Record<string, number>;
  /** Mean of the readings, 31 bands, and the largest dE00 between two of them. */
  spectrum: number[];
  spread: number;
  filmUm: number;
  over: 'white' | 'black' | 'grey';
  instrument: string;
  /** How it was read, and the gloss of the film where known. */
  geometry: MeasuringGeometry;
  gloss: number | null;
  note: string;
  /** Set aside: kept, but nothing is learned from it. */
  aside: boolean;
  version: number;
}

/** A cup of mixed paint: what went in first, what was added, and the spoons sprayed from it. */
export interface CupRecord {
  id: string;
  buildId: string;
  trayId: string | null;
  codeId: string;
  name: string;
  note: string;
  /** Minutes since 1970. */
  mixedAt: number;
  drops: Record<string, number>;
  additions: { at: number; add: Record<string, number> }[];
  /** Thrown away: out of sight, its readings still teach. */
  thrown: boolean;
  readings: ReadingRecord[];
  version: number;
}

/** The handheld spectral reader as it stands. */
export interface ReaderRecord {
  name: string;
  simulated: boolean;
  state: 'away' | 'warming' | 'uncalibrated' | 'ready';
  /** Milliseconds since 1970; null before. */
  readyAt: number | null;
  calibratedAt: number | null;
  /** What it would say of its white tile now, dE00 from true: the drift since its calibration. */
  drift: number;
  geometry: MeasuringGeometry;
  apertureMm: number;
}

/** The thermometer with hygrometer on the bench. */
export interface ThermometerRecord {
  name: string;
  simulated: boolean;
  state: 'away' | 'settling' | 'ready';
}

export interface TrayRecord {
  id: string;
  buildId: string;
  name: string;
  position: number;
  areaCm2: number;
  substrateId: string;
  parts: KitPart[];
  layers: PlannedLayer[];
  codeId: string | null;
  version: number;
}

/** A join with the joints of the kit that it makes. */
export type JoinRecord = Join & { buildId: string; jointIds: string[]; version: number };

export interface BuildRecord {
  id: string;
  name: string;
  subject: string;
  scale: number;
  version: number;
  trays: TrayRecord[];
  joins: JoinRecord[];
  kit: KitSummary;
}

/** One record of a kit or of the stock, as it crosses the wire. */
export interface KitItemRecord {
  kind: string;
  id: string;
  version: number;
  value: unknown;
}

export interface KitItemsRecord {
  items: KitItemRecord[];
}

export interface StepRecord {
  operationId: string;
  buildId: string;
  trayId: string | null;
  title: string;
  /** Minutes since 1970. */
  endedAt: number;
  minutes: number;
  note: string;
  /** Absent until the server has it. */
  version?: number;
}

export interface Preferences {
  temperature: 'C' | 'F';
  volume: 'ml' | 'drops';
  /** The builder's own tool settings. */
  tools?: ToolSettings;
  /** Day and month first where none is chosen. */
  dates?: DateOrder;
  /** By 24 hours where none is chosen. */
  clock?: Clock;
  /** As usual where none is chosen. */
  copies?: CopyPlan;
}

export interface SettingsRecord {
  conditions: Conditions;
  calendar: BenchCalendar;
  preferences: Preferences;
  version: number;
}

export interface PlanRecord {
  /** What the plan was made from; another value means it is out of date. */
  fingerprint: string;
  /** Starts of operations, minutes since 1970. */
  starts: Record<string, number>;
  finish: number;
  bound: number;
  setupMinutes: number;
  proved: boolean;
  version: number;
}

/** A plan as it was shown once, without its starts. */
export type PastPlanHead = Omit<PastPlanRecord, 'starts'>;

/** A plan as it was shown once. */
export interface PastPlanRecord {
  id: number;
  /** Minutes since 1970. */
  at: number;
  finish: number;
  starts: Record<string, number>;
}

/** A build in a list: `revision` tells whether what is known of the rest still stands. */
export interface BuildHead {
  id: string;
  name: string;
  subject: string;
  scale: number;
  version: number;
  revision: number;
}

/** A build with all that belongs to it. */
export interface BuildDetail extends BuildRecord {
  revision: number;
  steps: StepRecord[];
}

/** Part of a catalogue: what changed since a revision, or all of it. */
export interface Changes<T> {
  revision: number;
  /** All there is; what is not in it is gone. */
  whole: boolean;
  items: T[];
}

/** The clock of the machine jumped, as far as the data file can tell. */
export interface ClockJump {
  /** Minutes since 1970: when the bench was last at work, and what the clock said then. */
  before: number;
  now: number;
}

/** The bench with its builds as heads. */
export interface BenchOverview {
  demo: boolean;
  /** A passphrase was asked for. */
  guarded: boolean;
  /** Why nothing can be changed; null where it can. */
  readOnly: string | null;
  clockJump: ClockJump | null;
  copies: CopyState;
  settings: SettingsRecord;
  builds: BuildHead[];
  lessons: Lesson[];
  /** Glue, filler and what else is kept in stock. */
  materials: StockMaterial[];
  plan: PlanRecord;
}

/** Everything about the bench but the catalogues. */
export interface BenchSnapshot {
  /** The server's clock, milliseconds since 1970. */
  now: number;
  demo: boolean;
  guarded?: boolean;
  readOnly?: string | null;
  clockJump?: ClockJump | null;
  copies?: CopyState;
  settings: SettingsRecord;
  builds: BuildRecord[];
  /** What earlier builds taught. */
  lessons: Lesson[];
  /** Glue, filler and what else is kept in stock. */
  materials: StockMaterial[];
  steps: StepRecord[];
  plan: PlanRecord;
}

/** An error as RFC 9457 problem details, with what to do about it. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** What the builder can do. */
  remedy?: string;
  /** For a stale version: the record as it stands now. */
  current?: unknown;
}
