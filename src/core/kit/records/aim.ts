import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choiceIfAny, dayOrNull } from './fields.ts';

export const PRIORITIES = ['first', 'usual', 'last'] as const;
export type Priority = (typeof PRIORITIES)[number];

export const aimRecord = defineRecord(
  'aim',
  'aims',
  'aim',
  {
    /** null where no day is set. */
    deadline: dayOrNull('the day by which it must be ready'),
    priority: choiceIfAny('the place among the builds', PRIORITIES),
  },
  { single: true, onCopy: staysBehind },
);
/** The day by which a build must be ready, and its place among the builds. */
export type BuildAim = RecordOf<typeof aimRecord>;
