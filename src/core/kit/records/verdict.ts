import { ASPECTS, VERDICT_ENDS } from '../../record/choices.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choice, choiceOrNull, group, list, text, whole } from './fields.ts';

const mark = {
  aspect: choice('what is marked', ASPECTS),
  mark: whole('a mark', 0, 100),
};

export const verdictRecord = defineRecord(
  'verdict',
  'verdicts',
  'verdict',
  {
    /** Null while the build goes on. */
    end: choiceOrNull('how it ended', VERDICT_ENDS),
    /** Minutes since 1970; 0 while it goes on. */
    at: whole('the time', 0, 1e9),
    /** The builder's own scale of marks: from 0 to this. */
    best: whole('the best mark', 2, 100, 5),
    marks: list('marks', group('a mark', mark), ASPECTS.length),
    again: choiceOrNull('whether it would be built again', ['yes', 'perhaps', 'no']),
    onKit: text('on the kit', 4000),
    onWork: text('on the work', 4000),
    /** Lessons that were proposed and are not wanted, by what proposed them. */
    dropped: list('lessons that are not wanted', text('a lesson that is not wanted', 120), 300),
  },
  {
    single: true,
    onCopy: staysBehind,
    check: ({ best, marks }) => {
      const over = marks.find((each) => each.mark > best);
      if (over) return `A mark lies between 0 and ${best}; ${over.mark} was given.`;
      const twice = marks.find(({ aspect }, at) => marks.findIndex((each) => each.aspect === aspect) !== at);
      return twice ? `“${twice.aspect}” is marked twice.` : null;
    },
  },
);
/** What is to be said of a kit and of the work on it, once a build is over. */
export type Verdict = RecordOf<typeof verdictRecord>;
