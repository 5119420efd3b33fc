/** Plan: schedules over bench sessions. */
export { scheduleOperations, seededRandom, type ScheduleOptions } from './scheduleOperations.ts';
export { verifySchedule } from './verifySchedule.ts';
export type { ScheduleArc, ScheduleInstance, ScheduleOperation, ScheduleResult, SetupTimes } from './scheduleInstance.ts';
