import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choice, whole } from './fields.ts';

export const PAPERS = ['a4', 'letter', 'a5', 'own'] as const;
export type Paper = (typeof PAPERS)[number];

export const printingRecord = defineRecord(
  'printing',
  'printings',
  'way of printing',
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
  },
  { single: true, onCopy: asItIs },
);
/** The sheet that markings are printed on, and how true the printer is. */
export type Printing = RecordOf<typeof printingRecord>;
