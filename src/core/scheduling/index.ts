/** Scheduling: one builder, sessions, time lags and set-ups. Knows nothing of kits or paint. */
export { scheduleOperations } from './scheduleOperations.ts';
export type { ScheduleOptions } from './searchState.ts';
export type {
  ScheduleArc,
  ScheduleInstance,
  ScheduleOperation,
  ScheduleResult,
  SetupTimes,
} from './model/instance.ts';
export { earliestFinish } from './model/bounds.ts';
export { verifySchedule } from './model/verifySchedule.ts';
export { impossibleStarts } from './infeasible/impossibleStarts.ts';
