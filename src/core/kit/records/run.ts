import { RUN_KINDS, RUN_MAKES } from '../../detail/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  choiceIfAny,
  group,
  ifAny,
  list,
  reference,
  text,
  whole,
  type ValueOf,
} from './fields.ts';

/** What is at the end of a wire or hose: nothing, a boot of sleeve, a clip of foil, a banjo fitting, a plug connector, a
 *  bleed fitting; or it ends
 *  where nobody sees it, in no hole. */
export const RUN_ENDS = ['plain', 'boot', 'clip', 'banjo', 'plug', 'bleed', 'unseen'] as const;
export type RunEnd = (typeof RUN_ENDS)[number];
/** What lies about it: nothing, a braid, a wrapping of tape. */
export const RUN_COVERS = ['bare', 'braid', 'wrap'] as const;
/** On which side of a part it goes past. */
export const PAST_SIDES = ['over', 'under', 'left', 'right', 'ahead', 'behind'] as const;

export const pastFields = {
  partId: reference('the part that it goes past', 'part'),
  side: choice('on which side it goes past', PAST_SIDES),
};
export type PastPart = ValueOf<typeof pastFields>;

export const runRecord = defineRecord(
  'run',
  'runs',
  'wire or pipe',
  {
    name: text('the name', 120),
    kind: choice('the kind of wire or pipe', RUN_KINDS),
    fromPartId: reference('where it begins', 'part'),
    toPartId: reference('where it ends', 'part'),
    count: whole('how many', 1, 99),
    /** Outside diameter of the real thing, mm; null for the usual one of its kind. */
    realMm: amountOrNull('the real diameter, mm,', 0.5, 400),
    /** Length of one on the model, mm; null where nobody measured. */
    lengthMm: amountOrNull('the length, mm,', 1, 2000),
    fromEnd: choiceIfAny('the fitting where it begins', RUN_ENDS),
    toEnd: choiceIfAny('the fitting where it ends', RUN_ENDS),
    /** Of what it is made; the usual of its kind where nobody says otherwise. */
    make: choiceIfAny('of what it is made', ['usual', ...RUN_MAKES] as const),
    cover: choiceIfAny('what lies about it', RUN_COVERS),
    /** Runs of one name are tied together. */
    bundle: ifAny(text('the bundle', 60)),
    /** From its beginning to its end. */
    past: ifAny(list('the parts that it goes past', group('a part that it goes past', pastFields), 12)),
    slackMm: ifAny(amount('the slack, mm,', 0, 200, 0)),
    look: ifAny(text('colour and sheen', 80)),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** Wire, cable, pipe or hose that the builder adds between two parts. */
export type Run = RecordOf<typeof runRecord>;
