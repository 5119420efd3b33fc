import { SHELL_STUFFS } from '../../cabin/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  group,
  list,
  named,
  referenceOrNull,
  text,
  type ValueOf,
} from './fields.ts';

const width = (of: string) => amountOrNull(`the width of ${of}, mm,`, 0, 500);

export const entryStationFields = {
  atMm: amount('a place from the front, mm,', 0, 1000),
  unitMm: width('the unit'),
  openMm: width('the opening'),
};
export type EntryStationOf = ValueOf<typeof entryStationFields>;

export const insertionRecord = defineRecord(
  'insertion',
  'insertions',
  'way in',
  {
    name: named('the name of the way in'),
    /** What goes in. */
    partId: referenceOrNull('what goes in', 'part'),
    shellPartId: referenceOrNull('what it goes into', 'part'),
    stuff: choice('what the shell is made of', SHELL_STUFFS),
    gaugeMm: amountOrNull('the thickness of its sides, mm,', 0.05, 20),
    sideMm: amountOrNull('from the fold of the roof down to the sill, mm,', 0.5, 300),
    frontRoomMm: amount('room inside ahead of the opening, mm,', 0, 300, 0),
    rearRoomMm: amount('room inside behind the opening, mm,', 0, 300, 0),
    stations: list('places at which it is measured', group('a measured place', entryStationFields), 24),
    note: text('a note', 500),
  },
  {
    onCopy: asItIs,
    check: ({ partId, shellPartId }) =>
      partId !== null && partId === shellPartId ? 'Nothing goes into itself: name two parts.' : null,
  },
);
/** A unit and the opening of the shell that goes over it. */
export type Insertion = RecordOf<typeof insertionRecord>;
