import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, named, reference } from './fields.ts';

export const HOLDS_SHOW = ['hidden', 'shows', 'not-known'] as const;

export const holdingRecord = defineRecord(
  'holding',
  'holdings',
  'holding point',
  {
    /** The part that the clip, stick or pin goes on: the point stays with it however the kit is divided. */
    partId: reference('the part that is held', 'part'),
    where: named('where it is held'),
    /** Whether the mark of the clip will be seen on the finished model. */
    shows: choice('whether it will show', HOLDS_SHOW),
  },
  { onCopy: asItIs },
);
/** Where a sub-assembly is held while it is painted. */
export type HoldingPoint = RecordOf<typeof holdingRecord>;
