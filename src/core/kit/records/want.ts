import { defineRecord, type RecordOf } from './defineRecord.ts';
import { flag, ifAny, named, referenceIfAny, referenceOrNull, text, textOrNull, whole } from './fields.ts';

export const wantRecord = defineRecord(
  'want',
  'wants',
  'thing needed',
  {
    name: named('what is needed'),
    why: text('why', 500),
    /** Option of a version that it belongs to; null for all. What only a gone option needed is not needed. */
    optionId: referenceIfAny('the option that needs it', 'option'),
    /** The part and the kind of step that it is for; without them, the whole build. */
    partId: ifAny(referenceOrNull('the part it is for', 'part')),
    stepKind: ifAny(textOrNull('the kind of step it is for', 20)),
    leadDays: whole('the days to wait', 0, 400),
    have: flag('there already'),
    substitute: text('the substitute', 500),
    /** What the substitute costs in looks. */
    looks: text('what it costs in looks', 500),
  },
  { onCopy: (want) => ({ ...want, have: false }) },
);
/** Something that the build needs and that no stack or joint names. */
export type Want = RecordOf<typeof wantRecord>;
