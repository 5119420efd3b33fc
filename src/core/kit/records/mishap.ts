import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choice, named, reference, text, whole } from './fields.ts';

/** What a spoilt step needs before it can be done again. */
export const REPAIR_IDS = ['wipe', 'sand', 'strip', 'refill', 'set-right'] as const;
export type RepairId = (typeof REPAIR_IDS)[number];

export const mishapRecord = defineRecord(
  'mishap',
  'mishaps',
  'mishap',
  {
    operationId: reference('the step', 'step'),
    /** First step to repeat: the same one, or one before it. */
    redoFrom: reference('the first step to repeat', 'step'),
    repair: choice('the repair', REPAIR_IDS),
    what: named('what went wrong', 300),
    why: text('why it went wrong', 500),
    /** Minutes since 1970. */
    at: whole('the time', 0, 1e9),
  },
  { onCopy: staysBehind },
);
/** Something that went wrong at a step, and from which step of its sub-assembly the work is done again. */
export type Mishap = RecordOf<typeof mishapRecord>;
