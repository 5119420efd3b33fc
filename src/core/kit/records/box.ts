import { defineRecord, type RecordOf } from './defineRecord.ts';
import { flag, named, text } from './fields.ts';

export const boxRecord = defineRecord(
  'box',
  'box',
  'frame or bag',
  {
    name: named('the name of the frame or bag', 80),
    checked: flag('checked'),
    note: text('a note', 2000),
  },
  { onCopy: (item) => ({ ...item, checked: false }) },
);
/** A frame, bag or sheet of the box to be ticked off. */
export type BoxItem = RecordOf<typeof boxRecord>;
