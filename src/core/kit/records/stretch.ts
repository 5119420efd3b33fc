import { SECTIONS } from '../../detail/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  group,
  list,
  named,
  reference,
  referenceOrNull,
  text,
  type ValueOf,
} from './fields.ts';

const station = (label: string) => amount(label, -2000, 5000, 0);
const stationOrNull = (label: string) => amountOrNull(label, -2000, 5000);

export const memberFields = {
  partId: reference('a part along it', 'part'),
  fromMm: station('where its front end lies, mm,'),
  /** Null for the length of the part. */
  lengthMm: amountOrNull('its length, mm,', 0.1, 5000),
  section: choice('its section', SECTIONS),
  outsideMm: amount('its height or diameter, mm,', 0.1, 200, 3),
  insideMm: amountOrNull('its inside, mm,', 0.05, 200),
  /** Of the stretch, 0..1. */
  share: amount('its share of the stretch', 0, 1, 1),
  cutAtMm: stationOrNull('its own place of the cut, mm,'),
  dropMm: amount('how much lower its rear end lies, mm,', -500, 500, 0),
  /** Parts in a row bear one name. */
  line: text('the line that it is part of', 60),
};
export type Member = ValueOf<typeof memberFields>;

export const bracketFields = {
  name: named('the name of a bracket', 60),
  atMm: station('where a bracket sits, mm,'),
  widthMm: amount('how wide a bracket is, mm,', 0, 500, 3),
};
export type BracketPlace = ValueOf<typeof bracketFields>;

export const stretchRecord = defineRecord(
  'stretch',
  'stretches',
  'stretched frame',
  {
    name: named('the name of what is stretched'),
    /** The option of the version that asks for it: cutting cannot be taken back. */
    optionId: referenceOrNull('the option that asks for it', 'option'),
    /** On the model; negative for shorter. */
    stretchMm: amount('how much longer it becomes, mm,', -2000, 2000, 20),
    /** From the front, as all places are. */
    atMm: station('where it is cut, mm,'),
    frontAxleMm: stationOrNull('where the front axle lies, mm,'),
    rearAxleMm: stationOrNull('where the rear axle lies, mm,'),
    /** Of the real vehicle, mm. */
    realWheelbaseMm: amountOrNull('the real wheelbase, mm,', 100, 30_000),
    brackets: list('the brackets', group('a bracket', bracketFields), 40),
    members: list('the parts along it', group('a part along it', memberFields), 60),
  },
  { onCopy: asItIs },
);
/** A frame that is made longer or shorter, with everything that runs along it. */
export type Stretch = RecordOf<typeof stretchRecord>;
