import { defineRecord, type RecordOf } from './defineRecord.ts';
import {
  group,
  ifAny,
  list,
  named,
  ownId,
  referenceOrNull,
  references,
  whole,
  type ValueOf,
} from './fields.ts';

const option = {
  id: ownId('option'),
  name: named('the name of an option', 80),
  /** Parts that only this option uses, and parts that it rules out. */
  needs: references('parts that an option needs', 'part', 300),
  rulesOut: references('parts that an option rules out', 'part', 300),
  markings: list('markings of an option', named('a marking'), 60),
  /** Finishes that it needs. */
  finishIds: references('finishes that an option needs', 'finish', 40),
};
export type VersionOption = ValueOf<typeof option>;

export const choiceRecord = defineRecord(
  'choice',
  'choices',
  'choice',
  {
    name: named('the name of the choice', 80),
    options: list('options in a choice', group('an option', option), 20),
    /** The option picked; null while open. */
    chosen: referenceOrNull('the option picked', 'option'),
    /** Minutes since 1970; absent while it is open, and where nobody noted it. */
    chosenAt: ifAny(whole('the time of the decision', 0, 1e9)),
  },
  { onCopy: ({ chosenAt: _, ...choice }) => ({ ...choice, chosen: null }) },
);
/** One choice of the version: roof, engine, drive side. */
export type VersionChoice = RecordOf<typeof choiceRecord>;
