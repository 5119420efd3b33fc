import { RUN_KINDS } from '../../detail/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amountOrNull, choice, choiceIfAny, reference, text, whole } from './fields.ts';

/** What is at the end of a wire or hose: nothing, a boot of sleeve, a clip of foil, a banjo fitting, a plug connector. */
export const RUN_ENDS = ['plain', 'boot', 'clip', 'banjo', 'plug'] as const;
export type RunEnd = (typeof RUN_ENDS)[number];

export const runRecord = defineRecord(
  'run',
  'runs',
  'wire or pipe',
  {
    name: text('the name', 120),
    kind: choice('the kind of wire or pipe', RUN_KINDS),
    fromPartId: reference('where it begins', 'part'),
    toPartId: reference('where it ends', 'part'),
    count: whole('how many', 1, 99),
    /** Outside diameter of the real thing, mm; null for the usual one of its kind. */
    realMm: amountOrNull('the real diameter, mm,', 0.5, 400),
    /** Length of one on the model, mm; null where nobody measured. */
    lengthMm: amountOrNull('the length, mm,', 1, 2000),
    fromEnd: choiceIfAny('the fitting where it begins', RUN_ENDS),
    toEnd: choiceIfAny('the fitting where it ends', RUN_ENDS),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** Wire, cable, pipe or hose that the builder adds between two parts. */
export type Run = RecordOf<typeof runRecord>;
