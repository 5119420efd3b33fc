import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choice, flag, whole } from './fields.ts';

export const PAPERS = ['a4', 'letter', 'a5', 'own'] as const;
export type Paper = (typeof PAPERS)[number];

export const printingRecord = defineRecord(
  'printing',
  'printings',
  'sheet and cutter',
  {
    paper: choice('the sheet', PAPERS),
    /** Of a sheet of one's own, mm. */
    widthMm: amount('the width of the sheet in mm', 20, 1200, 100),
    heightMm: amount('the height of the sheet in mm', 20, 1200, 150),
    marginMm: amount('the margin in mm', 0, 60, 8),
    gapMm: amount('the room between markings in mm', 0, 40, 2),
    /** Copies of each beside those that go on the model. */
    spares: whole('spares of each', 0, 20, 1),
    /** What a bar of 50 mm measures as this printer prints it. */
    barMm: amount('the printed bar in mm', 40, 60, 50),
    /** The printer lays white: each sheet gets a plate of it. */
    whitePlate: flag('a white plate'),
    /** Of masks that are cut: how far they reach past the outline, what the tool takes away, and the knife. */
    bleedMm: amount('how far masks reach past the outline, in mm', 0, 50, 3),
    kerfMm: amount('the width of the cut in mm', 0, 2, 0),
    bladeOffsetMm: amount('the offset of the blade in mm', 0, 2, 0.25),
    overcutMm: amount('the overcut in mm', 0, 5, 0.5),
  },
  { single: true, onCopy: asItIs },
);
/** The sheet that markings are printed on and masks are cut from, how true the printer is, and how the cutter cuts. */
export type Printing = RecordOf<typeof printingRecord>;
