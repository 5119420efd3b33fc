import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, named, referenceOrNull } from './fields.ts';

/** What a finish looks like, as far as joining and glue care. */
export const LOOKS = [
  'polished',
  'gloss',
  'satin',
  'matt',
  'metal',
  'chrome-ink',
  'plating',
  'clear',
  'bare',
] as const;
export type Look = (typeof LOOKS)[number];

export const finishRecord = defineRecord(
  'finish',
  'finishes',
  'finish',
  {
    name: named('the name of the finish', 80),
    look: choice('the look of the finish', LOOKS, 'gloss'),
    codeId: referenceOrNull('the factory code', 'code'),
  },
  { onCopy: asItIs },
);
/** A colour and sheen that parts of the build share. */
export type KitFinish = RecordOf<typeof finishRecord>;
