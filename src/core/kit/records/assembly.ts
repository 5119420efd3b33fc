import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice } from './fields.ts';

export const SCHOOLS = ['pieces', 'join-first'] as const;
/** Paint in many pieces, or join and pick out by brush: two ways that builders swear by. */
export type School = (typeof SCHOOLS)[number];

export const assemblyRecord = defineRecord(
  'assembly',
  'assembly',
  'way of joining',
  { school: choice('the school', SCHOOLS) },
  { single: true, onCopy: asItIs },
);
/** How this build is to be divided. */
export type AssemblyChoice = RecordOf<typeof assemblyRecord>;
