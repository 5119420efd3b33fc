import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amountOrNull, choice, named, reference, text, wholeOrNull } from './fields.ts';

/** Where something on a part looks once it is in place. */
export const FACES = ['front', 'rear', 'left', 'right', 'up', 'down'] as const;
export const FACING_MARKS = ['none', 'notch', 'dot', 'arrow', 'letter', 'holes', 'pin'] as const;
/** What is done to the part so that it sits as it should. */
export const FACING_TRIMS = ['nothing', 'cut-pin', 'file-bar', 'file-hole', 'bend'] as const;

export const facingRecord = defineRecord(
  'facing',
  'facings',
  'which way round a part sits',
  {
    partId: reference('the part', 'part'),
    /** What is looked for on the part: "the end with the thick flange". */
    what: named('what faces that way', 120),
    faces: choice('where it faces', FACES),
    mark: choice('the mark', FACING_MARKS),
    /** Holes on that side, for parts that are told by their number. */
    holes: wholeOrNull('holes on that side', 1, 60),
    /** Where known parts sit off their pins, mm and degrees; null where they do not. */
    aheadMm: amountOrNull('how far ahead it sits, mm,', -50, 50),
    turnedDeg: amountOrNull('how far it is turned, degrees,', -180, 180),
    trim: choice('what is cut for it', FACING_TRIMS),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** Which way round a part sits, told by something on it. */
export type Facing = RecordOf<typeof facingRecord>;
