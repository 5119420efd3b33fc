import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, named, referenceOrNull, whole } from './fields.ts';

const teeth = (label: string, initial: number) => whole(label, 6, 200, initial);

export const chainRecord = defineRecord(
  'chain',
  'chains',
  'drive chain',
  {
    name: named('the name of the chain'),
    partId: referenceOrNull('the part that it goes onto', 'part'),
    count: whole('how many such chains', 1, 20),
    /** From pin to pin of the real chain, mm. */
    pitchMm: amount('the real pitch, mm,', 1, 200, 15.875),
    frontTeeth: teeth('the teeth in front', 18),
    rearTeeth: teeth('the teeth behind', 46),
    /** Between the axles on the model, mm. */
    centresMm: amount('between the axles on the model, mm,', 1, 1000, 48),
  },
  { onCopy: asItIs },
);
/** A chain over two sprockets. */
export type DriveChain = RecordOf<typeof chainRecord>;
