import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  choiceIfAny,
  group,
  ifAny,
  list,
  named,
  reference,
  references,
  text,
  whole,
} from './fields.ts';

/** From where a model is looked at: walking round a table, in a row on a shelf, turned in the hand. */
export const SHOWN_FROM = ['table', 'shelf', 'hand'] as const;
export type ShownFrom = (typeof SHOWN_FROM)[number];

/** What hides the inside of a model: its body as the views of the livery have it, or nothing but its parts among each other, as on
 *  a motorcycle or a bare chassis. */
export const SHELLS = ['views', 'none'] as const;

const weightFields = {
  workId: named('the work', 80),
  times: amount('how much it counts', 0, 9, 1),
};

export const showingRecord = defineRecord(
  'showing',
  'showings',
  'way of showing it',
  {
    from: choice('from where it is seen', SHOWN_FROM),
    /** From the views where nobody says otherwise. */
    shell: choiceIfAny('what hides its inside', SHELLS),
    /** Of the model, where no view shows it. */
    widthMm: amountOrNull('the width of the model, mm,', 1, 2000),
    /** Light that openings let through. */
    glass: amount('the light through its glass', 0, 1, 0.85),
    /** Behind the front, where it has no roof: a drophead, an open deck; null where it has. */
    openFromMm: amountOrNull('where the open roof begins, mm,', 0, 2000),
    openToMm: amountOrNull('where the open roof ends, mm,', 0, 2000),
    /** Doors and lids that stand open. */
    openPartIds: references('what stands open', 'part', 60),
    /** The time there is for detail. */
    minutes: whole('the minutes there are', 0, 10_000, 240),
    /** Work that is done whatever is seen of it. */
    pleasure: list('what is done for its own sake', text('work that is done for its own sake', 80), 200),
    /** What a detail counts against the others, seen alike; 1 for what is not listed. */
    weights: ifAny(list('what details count', group('what a detail counts', weightFields), 200)),
  },
  { single: true, onCopy: asItIs },
);
/** How a model is shown, and how much time there is for what can be seen. */
export type Showing = RecordOf<typeof showingRecord>;

const across = (label: string) => amount(label, -2000, 2000, 0);
const size = (label: string) => amount(label, 0.1, 2000, 10);

export const partBoxRecord = defineRecord(
  'part-box',
  'partBoxes',
  'place of a part',
  {
    partId: reference('the part', 'part'),
    /** Its middle: behind the front, to the left of the middle, above the lowest; mm on the model. */
    behindMm: across('the place behind the front, mm,'),
    leftMm: across('the place to the left, mm,'),
    upMm: across('the place above the lowest, mm,'),
    lengthMm: size('the length, mm,'),
    widthMm: size('the width, mm,'),
    heightMm: size('the height, mm,'),
  },
  { onCopy: asItIs },
);
/** Where a part sits in the model, as a box. */
export type PartBox = RecordOf<typeof partBoxRecord>;
