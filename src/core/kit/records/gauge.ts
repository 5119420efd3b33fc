import { THICKNESS_WAYS } from '../../detail/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choiceOrNull, flag, named, referenceOrNull } from './fields.ts';

export const gaugeRecord = defineRecord(
  'gauge',
  'gauges',
  'measured thickness',
  {
    name: named('what was measured'),
    partId: referenceOrNull('the part', 'part'),
    measuredMm: amount('the measured thickness, mm,', 0.01, 100, 1),
    /** Of the real thing. */
    realMm: amount('the real thickness, mm,', 0.05, 2000, 10),
    edgeOnly: flag('whether only its edge is seen'),
    /** What the builder decided; null while that is open. */
    way: choiceOrNull('what is done about it', THICKNESS_WAYS),
  },
  { onCopy: asItIs },
);
/** How thick a part is, against the real one. */
export type Gauge = RecordOf<typeof gaugeRecord>;
