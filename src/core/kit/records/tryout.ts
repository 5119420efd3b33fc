import { MOVES } from '../../cabin/index.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choice, list, named, reference, text } from './fields.ts';

export const tryoutRecord = defineRecord(
  'tryout',
  'tryouts',
  'trial of what moves',
  {
    jointId: reference('the joint', 'joint'),
    moves: choice('how it moves', MOVES),
    /** Which of the ways to free it were tried. */
    tried: list('what was tried', named('a way to free it', 40), 20),
    note: text('a note', 500),
  },
  { onCopy: staysBehind },
);
/** How something that is to move was found once everything was together. */
export type Tryout = RecordOf<typeof tryoutRecord>;
