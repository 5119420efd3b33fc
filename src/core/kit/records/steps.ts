import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { amountOrNull, flag, named, reference, text, whole } from './fields.ts';

/** What the builder changed in the plan: each belongs to the steps of one build. */

export const ownStepRecord = defineRecord(
  'own-step',
  'ownSteps',
  'step of your own',
  {
    /** The step that it follows. */
    after: reference('the step before', 'step'),
    title: named('the title of the step', 200),
    minutes: whole('the minutes of the step', 1, 600, 30),
    /** Minutes to leave it be before what came next. */
    waitMinutes: whole('the minutes to leave it be', 0, 20160),
    note: text('a note', 1000),
  },
  { onCopy: staysBehind },
);
/** A step that the builder added to the plan. */
export type OwnStep = RecordOf<typeof ownStepRecord>;

export const stepEditRecord = defineRecord(
  'step-edit',
  'stepEdits',
  'change of a step',
  {
    operationId: reference('the step', 'step'),
    /** Other words for it; empty leaves those of the plan. */
    title: text('the title of the step', 200),
    /** Minutes of work; null leaves those of the plan. */
    minutes: amountOrNull('the minutes of the step', 1, 600),
    note: text('a note', 1000),
    /** So many sittings; 1 for one. */
    parts: whole('the parts of the step', 1, 8),
    /** Done in one go with the step that follows at once. */
    withNext: flag('with the next'),
    leaveOut: flag('left out'),
  },
  { onCopy: staysBehind },
);
/** How the builder changed a step of the plan. */
export type StepEdit = RecordOf<typeof stepEditRecord>;

export const cureCheckRecord = defineRecord(
  'cure-check',
  'cureChecks',
  'cure check',
  {
    operationId: reference('the step', 'step'),
    /** Since the coat was on. */
    minutes: whole('the minutes since the coat', 0, 20160),
    /** Dry enough for what comes next. */
    isDry: flag('dry'),
  },
  { onCopy: staysBehind },
);
/** A coat that the builder felt before the next step. */
export type CureCheck = RecordOf<typeof cureCheckRecord>;

export const pinRecord = defineRecord(
  'pin',
  'pins',
  'pinned start',
  {
    operationId: reference('the step', 'step'),
    /** Minutes since 1970. */
    start: whole('the start', 0, 1e9),
  },
  { onCopy: staysBehind },
);
/** A step held to a moment. */
export type PinnedStart = RecordOf<typeof pinRecord>;
