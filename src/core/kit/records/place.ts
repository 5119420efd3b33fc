import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, amountOrNull, choice, named, reference, referenceOrNull } from './fields.ts';

export const PLACE_KINDS = ['hole', 'slot', 'line'] as const;

export const placeRecord = defineRecord(
  'place',
  'places',
  'measured hole, slot or line',
  {
    partId: reference('the part', 'part'),
    /** The part whose pin or tongue goes through it; null for bare metal, wire or nothing. */
    matingPartId: referenceOrNull('the part that goes through', 'part'),
    name: named('the name of the place'),
    kind: choice('the kind of place', PLACE_KINDS),
    /** Diameter of a hole, opening of a slot, depth of a line, mm. */
    sizeMm: amount('the size of a hole, slot or line, mm,', 0.02, 200, 1),
    /** Width of a line, mm; null where nobody measured. */
    widthMm: amountOrNull('the width of a line, mm,', 0.02, 50),
    /** What must go through, bare, mm; null where nothing does. */
    throughMm: amountOrNull('what goes through, mm,', 0.02, 200),
  },
  { onCopy: asItIs },
);
/** A hole, slot or panel line that was measured bare. */
export type MeasuredPlace = RecordOf<typeof placeRecord>;
