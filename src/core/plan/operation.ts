import type { HazardId, LayerKind, Stack } from '../finish/index.ts';
import type { Join, KitSummary, TaskKind } from '../kit/index.ts';

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
    | 'holds'
    | 'openings'
    | 'pickOuts'
    | 'joinsBefore'
    | 'materials'
    | 'tasks'
    | 'stance'
    | 'unchecked'
    | 'consequences'
    | 'needless'
    | 'runs'
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

/** The place of work that needs a session in which paint can be sprayed. */
export const SPRAY_BOOTH = 'booth';

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

export type PlannableTray = PlannableBuild['trays'][number];
