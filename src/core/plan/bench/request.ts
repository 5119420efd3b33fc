import type { Spectrum } from '../../colour/index.ts';
import type { Conditions, Finding, ToolSettings } from '../../finish/index.ts';
import type { Build, CataloguePaint, Join, Lesson, StockMaterial } from '../../kit/index.ts';
import type { Advice } from '../advice/advice.ts';
import type { BenchCalendar, Session } from '../calendar.ts';
import type { StartReason } from '../explainStarts.ts';
import type { KitSummary } from '../kitSummary.ts';
import type { CurePace } from '../learnCures.ts';
import type { Pace } from '../learnPace.ts';
import type { PlanArc, PlanOperation } from '../operation.ts';
import type { Curing, DoneStep } from '../replan.ts';

/** A build as the bench plans it. */
export type BenchBuild = Omit<Build, 'joins'> & { joins: Join[]; subject: string; kit: KitSummary };

/** A paint of the catalogue, and what is on the shelf of it. */
export type BenchPaint = CataloguePaint & { range: string; levelMl: number | null };

/** A plan that is stored; times in minutes since 1970. */
export interface StoredPlan {
  /** What it was made from; another value means it is out of date. */
  fingerprint: string;
  starts: Record<string, number>;
  finish: number;
  bound: number;
  setupMinutes: number;
  proved: boolean;
}

/** A step of the log. */
export type LoggedStep = DoneStep & { buildId: string; title: string; minutes: number };

export interface BenchSettings {
  conditions: Conditions;
  calendar: BenchCalendar;
  preferences: { tools?: ToolSettings };
}

/** What is planned: the bench as it stands. */
export interface PlanRequest {
  snapshot: {
    settings: BenchSettings;
    builds: BenchBuild[];
    /** What earlier builds taught. */
    lessons: Lesson[];
    /** What is kept in stock besides paint; absent or empty where nobody wrote it down. */
    materials?: StockMaterial[];
    steps: LoggedStep[];
    plan: StoredPlan;
  };
  paints: BenchPaint[];
  codes: { id: string; spectrum: Spectrum }[];
  /** Minutes since 1970. */
  now: number;
  /** The builder has from now until then tonight, whatever the calendar says; minutes since 1970. */
  tonightUntil?: number;
  /** A better one is looked for, much longer than at first, although the stored plan is up to date. */
  longer?: boolean;
  /** Better ones are looked for only briefly, on a device that should be spared. */
  brief?: boolean;
  /** What a search had found that was broken off, starts by step, minutes since 1970: this one goes on from it. */
  goOnFrom?: Record<string, number>;
}

/** When everything comes, and what follows from that alone; times in minutes since 1970. */
export interface BenchSchedule {
  starts: Record<string, number>;
  reasons: Record<string, StartReason>;
  finish: number;
  bound: number;
  setupMinutes: number;
  proved: boolean;
  /** True where this is not the plan that is stored. */
  replanned: boolean;
  /** Steps that start elsewhere than in the stored plan. */
  moves: { id: string; from: number; to: number }[];
  /** Everything there is to say of the builds, soonest first. */
  advice: Advice[];
}

/** Everything that follows from the bench as it stands; times in minutes since 1970. */
export interface PlanView extends BenchSchedule {
  fingerprint: string;
  operations: PlanOperation[];
  arcs: PlanArc[];
  /** Steps whose recoat window has closed, or closes before they can come: when, and until when they wait for cure. */
  missedWindows: { operationId: string; until: number; from: number }[];
  curing: Curing[];
  sessions: Session[];
  findings: Record<string, Finding[]>;
  /** How this builder's minutes compare with the planned ones. */
  paces: Pace[];
  /** How this bench's cures compare with the products' times. */
  cures: CurePace[];
  /** Days by which builds must be ready, minutes since 1970. */
  deadlines: Record<string, number>;
  /** What no plan could beat for each build, were it the only one; minutes since 1970. */
  earliest: Record<string, number>;
  /** Steps that the builder left out and that would be there otherwise. */
  leftOut: { editId: string; title: string }[];
  /** Steps that no session holds, minutes; they are why there is no plan. */
  tooLong: { operationId: string; hands: number; longest: number }[];
  /** Why there is no plan at all. */
  problem: string | null;
  /** Why single builds have none while the others are planned, by build id. */
  stuck: Record<string, string>;
}
