import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  flag,
  named,
  referenceOrNull,
  text,
  whole,
  wholeOrNull,
} from './fields.ts';

export const CORNER_SIDES = ['left', 'right'] as const;
export const RIM_WAYS = ['plated', 'stripped', 'painted', 'ringed'] as const;
export const TREADS = ['as-moulded', 'sanded', 'flattened'] as const;
export const LETTERS = ['as-moulded', 'painted', 'inward', 'sanded-off'] as const;

export const cornerRecord = defineRecord(
  'corner',
  'corners',
  'wheel by its corner',
  {
    name: named('the name of the corner'),
    axle: whole('the axle, counted from the front,', 1, 12),
    side: choice('the side', CORNER_SIDES),
    rimPartId: referenceOrNull('the rim', 'part'),
    tyrePartId: referenceOrNull('the tyre', 'part'),
    backPartId: referenceOrNull('the back plate', 'part'),
    capPartId: referenceOrNull('the cap', 'part'),
    rim: choice('what is done to the rim', RIM_WAYS),
    tread: choice('what is done to the tread', TREADS),
    letters: choice('what is done to the letters', LETTERS),
    spins: flag('whether it spins'),
    /** From the axle to the ground as the tyre stands, mm; null where nobody measured. */
    radiusMm: amountOrNull('the radius of the tyre, mm,', 0.5, 300),
    /** Taken off where it stands. */
    flatMm: amount('how much its foot is flattened, mm,', 0, 10, 0),
    /** Where it is out of round: clock face as seen from outside; null where it is not. */
    flawHour: wholeOrNull('where it is out of round, as on a clock,', 1, 12),
    steers: flag('whether it steers'),
    widthMm: amount('the width of the tyre, mm,', 0.5, 100, 8),
    pivotMm: amount('from its middle inward to its pivot, mm,', -50, 100, 0),
    outerGapMm: amountOrNull('from its outer face to the wing, mm,', 0, 100),
    innerGapMm: amountOrNull('from its inner face to the frame, mm,', 0, 100),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** A wheel with its tyre, at its corner. */
export type Corner = RecordOf<typeof cornerRecord>;
