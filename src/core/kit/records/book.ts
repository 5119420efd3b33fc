import { BOOK_SECTIONS } from '../../record/choices.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choice, list, text } from './fields.ts';

export const bookRecord = defineRecord(
  'book',
  'books',
  'build book',
  {
    builder: text('who built it', 120),
    foreword: text('the foreword', 4000),
    /** What the card beside the model says besides its facts. */
    cardWords: text('the words on the card', 300),
    leftOut: list('what is left out', choice('what is left out', BOOK_SECTIONS), BOOK_SECTIONS.length),
  },
  { single: true, onCopy: staysBehind },
);
/** How a build is told of in print. */
export type Book = RecordOf<typeof bookRecord>;
