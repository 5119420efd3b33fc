import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { named, reference, referenceOrNull, text, whole } from './fields.ts';

export const milestoneRecord = defineRecord(
  'milestone',
  'milestones',
  'milestone',
  {
    /** The step at whose end the picture was due. */
    operationId: reference('the step', 'step'),
    what: named('what the picture shows', 300),
    pictureId: referenceOrNull('the picture', 'picture'),
    /** Why there is none. */
    note: text('why there is no picture', 300),
    /** When it was taken or given up, minutes since 1970. */
    at: whole('the time', 0, 1e9),
  },
  {
    onCopy: staysBehind,
    check: ({ pictureId, note }) =>
      pictureId === null && note === '' ? 'A milestone has a picture, or says why it has none.' : null,
  },
);
/** A picture of the work as it stood after a step: taken, or given up with a note. */
export type Milestone = RecordOf<typeof milestoneRecord>;
