import { ENTRY_KINDS } from '../../record/choices.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { amountOrNull, choice, named, referenceOrNull, whole } from './fields.ts';

export const logEntryRecord = defineRecord(
  'log-entry',
  'logEntries',
  'entry in the log',
  {
    entry: choice('the kind of entry', ENTRY_KINDS),
    text: named('the entry', 1000),
    /** In the unit of its kind; null where it has none, or nobody measured. */
    amount: amountOrNull('the amount', 0, 100_000),
    /** At which it was written; null for none. */
    operationId: referenceOrNull('the step', 'step'),
    /** Minutes since 1970. */
    at: whole('the time', 0, 1e9),
  },
  { onCopy: staysBehind },
);
/** Something that the builder wrote into the log. */
export type LogEntry = RecordOf<typeof logEntryRecord>;
