import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, amountOrNull, named, referenceOrNull, whole } from './fields.ts';

export const wheelRecord = defineRecord(
  'wheel',
  'wheels',
  'laced wheel',
  {
    name: named('the name of the wheel'),
    partId: referenceOrNull('the part whose spokes it replaces', 'part'),
    count: whole('how many such wheels', 1, 20),
    /** On the model, mm. */
    rimRadiusMm: amount('the radius of the rim, mm,', 0.5, 500, 18),
    flangeRadiusMm: amount('the radius of the holes in the hub, mm,', 0.1, 400, 3),
    offsetMm: amount('from the middle to a flange, mm,', 0, 200, 2),
    spokes: whole('how many spokes', 4, 120, 36),
    crosses: whole('how many spokes each one crosses', 0, 12, 3),
    /** Of the real spoke, mm; null for the usual one. */
    realMm: amountOrNull('the real diameter of a spoke, mm,', 0.5, 20),
  },
  { onCopy: asItIs },
);
/** A wheel whose spokes are laced with wire. */
export type WireWheel = RecordOf<typeof wheelRecord>;
