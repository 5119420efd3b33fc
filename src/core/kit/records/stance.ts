import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { amount, corners, list, text } from './fields.ts';

/** Of one corner above the bench, mm. */
export const cornerHeight = amount('a corner height in mm', 0, 200, 20);

export const stanceRecord = defineRecord(
  'stance',
  'stances',
  'stance',
  {
    /** Above the bench, mm: front left, front right, rear left, rear right. */
    heightsMm: corners('heights: a chassis has four corners', cornerHeight),
    /** How much higher the rear should stand, mm. */
    rakeMm: amount('the rake in mm', -20, 20, 0),
    /** Thicknesses of shim on hand, mm. */
    shimsMm: list('thicknesses of sheet', amount('a sheet in mm', 0.01, 20), 12),
    note: text('a note', 2000),
  },
  { single: true, onCopy: staysBehind },
);
/** Heights of the four corners of a dry-fitted chassis. */
export type Stance = RecordOf<typeof stanceRecord>;
