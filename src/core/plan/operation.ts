import type { HazardId } from '../finish/index.ts';
import type { TaskKind } from './tasks.ts';

/** The place of work that needs a session in which paint can be sprayed. */
export const SPRAY_BOOTH = 'booth';

/** Where on the livery a step is at work, to be drawn at it. */
export interface StepPlace {
  viewIds: string[];
  /** What goes on, in this order. */
  markingIds: string[];
  /** The colour that lies open; null where none is sprayed. */
  colourId: string | null;
  /** Finishes whose areas lie under tape. */
  masked: string[];
}

/** One of several steps that are done in one go. */
export interface StepShare {
  kind: TaskKind;
  /** Minutes. */
  hands: number;
  ownMinutes: boolean;
}

export interface PlanOperation {
  id: string;
  buildId: string;
  /** Absent for joins between trays and the last inspection. */
  trayId?: string;
  layerId?: string;
  kind: TaskKind;
  title: string;
  place: string;
  hands: number;
  /** Minutes that run by themselves after the last step of a tray. */
  dry: number;
  /** Minutes of hands before the builder's own pace was learnt; absent where they are the same. */
  usual?: number;
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
  /** What earlier builds taught about this. */
  lessons: string[];
  /** The builder said how long it takes. */
  ownMinutes?: true;
  /** What is done in one go in it, each with its own pace; absent where it is one thing. */
  oneGo?: readonly StepShare[];
  /** Where on the livery it is at work; absent where no view shows it. */
  on?: StepPlace;
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
