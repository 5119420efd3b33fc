import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, amountOrNull, named, referenceOrNull, text } from './fields.ts';

const fromFloor = (what: string) => amountOrNull(`from the floor to ${what}, mm,`, 0.1, 500);

export const seatRecord = defineRecord(
  'seat',
  'seats',
  'seat',
  {
    name: named('the name of the seat'),
    partId: referenceOrNull('the seat', 'part'),
    /** Floor to the top of the cushion, at its back, as it stands in the dry fit. */
    heightMm: amount('the height of its cushion, mm,', 0.5, 300, 12),
    baseMm: amount('its base from front to back, mm,', 0.5, 300, 20),
    rakeDeg: amountOrNull('how far its back leans, degrees,', -20, 80),
    reachMm: amountOrNull('from the foot of its back to the wheel, mm,', 0.1, 400),
    roofMm: fromFloor('the lining of the roof'),
    wheelMm: fromFloor('the lower rim of the wheel'),
    sillMm: fromFloor('the top of the sill'),
    wantedHeightMm: fromFloor('the cushion of the reference'),
    wantedRakeDeg: amountOrNull('how far the back of the reference leans, degrees,', -20, 80),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** A seat as it stands in the dry fit, and what is around it. */
export type Seat = RecordOf<typeof seatRecord>;
