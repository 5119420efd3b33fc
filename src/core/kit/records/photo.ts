import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { amount, choice, group, list, reference, referenceOrNull, text, whole } from './fields.ts';

export const PHOTO_OF = ['build', 'reference'] as const;

const point = {
  /** Shares of the width and of the height, from the upper left. */
  x: amount('the place of a mark', 0, 1),
  y: amount('the place of a mark', 0, 1),
};

export const photoRecord = defineRecord(
  'photo',
  'photos',
  'picture',
  {
    pictureId: reference('the picture', 'picture'),
    of: choice('what it is of', PHOTO_OF),
    what: text('what it shows', 300),
    partId: referenceOrNull('the part', 'part'),
    /** After which it was taken; null for none. */
    operationId: referenceOrNull('the step', 'step'),
    /** Two marks on the thing itself, by which it is laid over another picture of it. */
    marks: list('marks on a picture', group('a mark', point), 2),
    /** Minutes since 1970. */
    at: whole('the time', 0, 1e9),
  },
  // Pictures belong to the build that they were kept with.
  { onCopy: staysBehind },
);
/** A picture in the album of a build. */
export type Photo = RecordOf<typeof photoRecord>;
