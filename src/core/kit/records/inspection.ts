import { FAULTS } from '../../record/choices.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choiceOrNull, reference, referenceOrNull, text, whole } from './fields.ts';

/** What is decided of something that was found. */
export const OUTCOMES = ['accept', 'fix-now', 'fix-later', 'live-with'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export const inspectionRecord = defineRecord(
  'inspection',
  'inspections',
  'inspection',
  {
    /** After which it was looked over. */
    operationId: reference('the step', 'step'),
    /** Null where nothing was found. */
    fault: choiceOrNull('what was found', FAULTS),
    partId: referenceOrNull('the part on which it is', 'part'),
    where: text('where it is', 120),
    /** Null while it is not decided. */
    outcome: choiceOrNull('what comes of it', OUTCOMES),
    /** The mishap that mends it; empty where there is none. */
    mendId: text('the repair of it', 80),
    note: text('a note', 500),
    /** Minutes since 1970. */
    at: whole('the time', 0, 1e9),
  },
  { onCopy: staysBehind },
);
/** What was seen when a step was looked over, and what comes of it. */
export type Inspection = RecordOf<typeof inspectionRecord>;
