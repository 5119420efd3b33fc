import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { group, list, named, references, text, type ValueOf } from './fields.ts';

const placement = {
  /** Parts put on, and parts that they go onto; parts that are only joined to each other have none. */
  partIds: references('parts put on', 'part', 60),
  ontoIds: references('parts that they go onto', 'part', 20),
};
/** Some parts of a step put onto others. */
export type Placement = ValueOf<typeof placement>;

export const sheetStepRecord = defineRecord(
  'sheet-step',
  'sheetSteps',
  'step of the sheet',
  {
    /** As it is printed: "7", "7a". */
    number: named('the number of the step', 8),
    placements: list('what is put on', group('what is put on', placement), 20),
    /** Parts that it names and the box does not hold, as the sheet calls them. */
    absent: list('parts that are not in the box', named('a part that is not in the box', 12), 40),
    drill: text('what is drilled', 300),
    cut: text('what is cut', 300),
    /** Colours as the sheet calls them out. */
    colour: text('the colours called out', 300),
    marking: text('the markings', 300),
    note: text('a note', 1000),
  },
  { onCopy: asItIs },
);
/** A step of the instruction sheet, in its own order. */
export type SheetStep = RecordOf<typeof sheetStepRecord>;
