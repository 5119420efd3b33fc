import { BELT_CLOTHS, BELT_METALS } from '../../cabin/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choice, group, list, named, referenceOrNull, text, whole, type ValueOf } from './fields.ts';

export const beltPieceFields = {
  name: named('the name of a piece of belt', 60),
  pathMm: amount('its way over seat and shoulder, mm,', 0, 300, 20),
  fittings: whole('buckles and adjusters on it', 0, 6),
};
export type BeltPieceOf = ValueOf<typeof beltPieceFields>;

export const beltRecord = defineRecord(
  'belt',
  'belts',
  'belt',
  {
    name: named('the name of the belt'),
    partId: referenceOrNull('the seat', 'part'),
    count: whole('how many alike', 1, 12),
    realMm: amount('the real width, mm,', 20, 120, 50),
    cloth: choice('what it is cut from', BELT_CLOTHS),
    metal: choice('what its buckles are', BELT_METALS),
    colour: text('its colour', 80),
    pieces: list('its pieces', group('a piece of belt', beltPieceFields), 12),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** Belts of a seat. */
export type Belt = RecordOf<typeof beltRecord>;
