import { SEEN_MM } from '../../cabin/index.ts';
import { defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  group,
  list,
  named,
  referenceOrNull,
  text,
  type ValueOf,
} from './fields.ts';

/** What it is measured with. */
export const LEVEL_GAUGES = ['calipers', 'coins', 'blocks', 'grid'] as const;

export const sidedFields = {
  name: named('the name of a measure', 60),
  leftMm: amountOrNull('the measure on the left, mm,', -50, 500),
  rightMm: amountOrNull('the measure on the right, mm,', -50, 500),
};
export type SidedOf = ValueOf<typeof sidedFields>;

export const levelRecord = defineRecord(
  'level',
  'levels',
  'thing set straight',
  {
    name: named('the name of what is set straight'),
    partId: referenceOrNull('what is set straight', 'part'),
    apartMm: amount('how far apart it is measured, mm,', 0.5, 500, 60),
    seatsMm: amount('how far apart its seats are, mm,', 0.5, 500, 40),
    mayDifferMm: amount('how much it may differ, mm,', 0.02, 5, SEEN_MM),
    gauge: choice('what it is measured with', LEVEL_GAUGES),
    measures: list('measures on both sides', group('a measure', sidedFields), 8),
    note: text('a note', 500),
  },
  // Another model is measured anew.
  {
    onCopy: (level) => ({
      ...level,
      measures: level.measures.map((each) => ({ ...each, leftMm: null, rightMm: null })),
    }),
  },
);
/** Something that must stand alike on the left and on the right. */
export type Level = RecordOf<typeof levelRecord>;
