/** Plan: operations from a build, the calendar, schedules, their reasons, and replanning from what was done. */
export { carriedOver } from './carriedOver.ts';
export { withoutPassed } from './withoutPassed.ts';
export { stepsOfBuild, type BenchForSteps, type BuildSteps } from './stepsOfBuild.ts';
export { generateOperations } from './generateOperations.ts';
export type { OperationPlan, PlanArc, PlanOperation, StepPlace } from './operation.ts';
export { plannableBuild, type PlannableBuild } from './plannableBuild.ts';
export { planBench } from './bench/planBench.ts';
export type { BenchSchedule, PlanRequest, PlanView } from './bench/request.ts';
export { mendBothWays, mendsOf, mendWords, type MendQuestion, type MendWay } from './bench/mendBothWays.ts';
export { whatIf, type WhatIf } from './bench/whatIf.ts';
export { PHASE_LABELS, TASK_LABELS, taskLabel, TASKS, type TaskKind } from './tasks.ts';
export { summariseKit, type KitSummary } from './kitSummary.ts';
export { kitNeeds } from './kitNeeds.ts';
export type { Need } from './contribution.ts';
export { cutKey, cutList, stockFor, type CutGroup } from './contributions/cutList.ts';
export { cutWords } from './contributions/stretches.ts';
export { HARDLY, PARTLY } from './seen/hardly.ts';
export { seenDetail, type SeenDetail, type SeenWork } from './seen/seenDetail.ts';
export { FACES_RULE } from './contributions/engines.ts';
export { closingOf, type ClosingJoin } from './closingOf.ts';
export { dotWords, heldWords, type LatePart } from './contributions/lateParts.ts';
export { LEVEL_RULE, levelWords } from './contributions/levels.ts';
export { effectMade, lampMade } from './contributions/effects.ts';
export { seatPacked } from './contributions/seats.ts';
export { webWords } from './contributions/panels.ts';
export { dressedLines } from './contributions/dressed.ts';
export { endLines } from './contributions/runEnds.ts';
export { bundleLines, PAST_WORDS, routeLines } from './contributions/runLines.ts';
export {
  localDate,
  longestSessions,
  longestSpraying,
  requireCalendar,
  sessionsToHold,
  upcomingSessions,
  type BenchCalendar,
  type DayForecast,
  type LongestSessions,
  type Session,
  type WeeklySession,
} from './calendar.ts';

export { keepsPin, workThatFits } from './workThatFits.ts';
export { curingNow, remainingWork, type Curing, type DoneStep, type RemainingWork } from './replan.ts';
export { explainStarts, type BindingKind, type StartReason } from './explainStarts.ts';
export {
  earliestFinish,
  scheduleOperations,
  verifySchedule,
  type ScheduleArc,
  type ScheduleInstance,
  type ScheduleOptions,
  type ScheduleResult,
  type SetupTimes,
} from '../scheduling/index.ts';
export { atOwnPace, learnPace, type Pace } from './learnPace.ts';
export { atOwnCures, learnCures, type CurePace } from './learnCures.ts';
export {
  adviceAhead,
  adviceAt,
  type Advice,
  type AdviceSeverity,
  type AdviceStage,
  type AdviceTopic,
  type AdviceDraft,
} from './advice/advice.ts';
export { missingPictureId } from './contributions/milestones.ts';
export { noLongerPlanned } from './noLongerPlanned.ts';
export { onceThePaintIs, REPAIRS, usualRepair, withRepairs } from './repairs.ts';
export { withOwnSteps } from './ownSteps.ts';
export { isDivisible, nextToJoin, withStepEdits } from './stepEdits.ts';
