import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { amountOrNull, choice, flag, reference, text } from './fields.ts';

export const FITS = ['free', 'snug', 'tight', 'forced'] as const;
export type FitFeel = (typeof FITS)[number];

export const fitRecord = defineRecord(
  'fit',
  'fits',
  'dry fit',
  {
    jointId: reference('the joint', 'joint'),
    stage: choice('the stage', ['bare', 'painted']),
    feel: choice('how it fits', FITS),
    /** Measured gap, mm. */
    clearanceMm: amountOrNull('the clearance in mm', -1, 20),
    motionChecked: flag('motion checked'),
    done: text('what was done', 500),
  },
  { onCopy: staysBehind },
);
/** A test fit of a joint. */
export type DryFit = RecordOf<typeof fitRecord>;
