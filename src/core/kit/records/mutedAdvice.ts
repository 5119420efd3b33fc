import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { named, text } from './fields.ts';

export const mutedAdviceRecord = defineRecord(
  'muted-advice',
  'mutedAdvice',
  'muted advice',
  {
    /** What was said, by its id. */
    adviceId: text('what was said', 400),
    /** Why it is not to be said again. */
    note: named('why you go on all the same', 500),
  },
  { onCopy: staysBehind },
);
/** A warning that the builder knows of, and goes on all the same. */
export type MutedAdvice = RecordOf<typeof mutedAdviceRecord>;
