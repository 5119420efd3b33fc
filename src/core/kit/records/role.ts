import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, reference } from './fields.ts';
import { SYSTEMS } from '../roles/systems.ts';

export const roleRecord = defineRecord(
  'role',
  'roles',
  'role of a part',
  {
    partId: reference('the part', 'part'),
    system: choice('where it belongs', SYSTEMS),
  },
  { onCopy: asItIs },
);
/** Where a part belongs, as the builder says. */
export type PartRole = RecordOf<typeof roleRecord>;
