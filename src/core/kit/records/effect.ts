import { EFFECTS } from '../../cabin/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, named, referenceOrNull, text, wholeOrNull } from './fields.ts';

export const effectRecord = defineRecord(
  'effect',
  'effects',
  'leather, cloth or wood',
  {
    name: named('the name of the piece'),
    partId: referenceOrNull('the part', 'part'),
    effect: choice('what it is to look like', EFFECTS),
    /** Colours as they are typed; empty while nobody knows. */
    base: text('its base coat', 80),
    wanted: text('the colour that is wanted', 80),
    /** Passes of its tint; null for what comes nearest. */
    passes: wholeOrNull('passes of its tint', 0, 10),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** A piece that is to look like leather, vinyl, cloth or wood. */
export type Effect = RecordOf<typeof effectRecord>;
