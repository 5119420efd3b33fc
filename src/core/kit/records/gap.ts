import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choice, named, reference } from './fields.ts';
import { MOTIONS } from './joint.ts';

export const gapRecord = defineRecord(
  'gap',
  'gaps',
  'gap between parts',
  {
    a: reference('a part beside the gap', 'part'),
    b: reference('a part beside the gap', 'part'),
    where: named('where the gap is'),
    /** As measured bare. */
    gapMm: amount('the gap in mm', 0, 50, 0.5),
    /** What moves in it. */
    motion: choice('what moves in it', MOTIONS),
  },
  { onCopy: asItIs, check: ({ a, b }) => (a === b ? 'A gap lies between two parts: name two.' : null) },
);
/** Room between two parts that are near and do not touch: tyre and arch, door and frame. */
export type Gap = RecordOf<typeof gapRecord>;
