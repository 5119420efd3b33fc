import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, flag, named, reference, references } from './fields.ts';

export const WORK_KINDS = ['hole', 'cut', 'pin', 'scribe', 'plug'] as const;

export const workRecord = defineRecord(
  'work',
  'works',
  'hole, cut or line',
  {
    kind: choice('the kind of work', WORK_KINDS),
    partId: reference('the part', 'part'),
    name: named('what is opened or cut'),
    /** Options of version choices that need it. */
    neededBy: references('options that need it', 'option', 40),
    /** Needed whatever is built. */
    always: flag('needed always'),
  },
  { onCopy: asItIs },
);
/** Work that cannot be taken back. */
export type IrreversibleWork = RecordOf<typeof workRecord>;
