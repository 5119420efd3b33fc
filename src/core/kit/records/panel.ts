import { PANEL_ROUTES } from '../../cabin/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  choiceOrNull,
  flag,
  group,
  list,
  named,
  referenceOrNull,
  text,
  whole,
  type ValueOf,
} from './fields.ts';

/** What is on the face of a panel. */
export const ON_PANEL = ['dial', 'switch', 'lamp', 'vent', 'lettering'] as const;
/** Whether it is made, or comes as the kit's decal. */
export const PANEL_ART = ['own', 'kit-decal'] as const;

const place = (label: string) => amount(label, 0, 400, 5);
const placeOrNull = (label: string) => amountOrNull(label, -50, 400);

export const drillField = amount('a drill, mm,', 0.1, 10, 1);

export const onPanelFields = {
  name: named('the name of what is on the panel', 60),
  what: choice('what it is', ON_PANEL),
  /** To its middle, from the left and from above. */
  xMm: place('its place from the left, mm,'),
  yMm: place('its place from above, mm,'),
  round: flag('whether it is round', true),
  widthMm: amount('its diameter or width, mm,', 0.1, 100, 3),
  heightMm: amount('its height, mm,', 0.1, 100, 3),
  /** Ring about it that is silvered. */
  bezel: flag('whether it has a bright ring'),
  /** Where the kit's decal has it; null where the two agree. */
  printedXMm: placeOrNull('where it is printed, from the left, mm,'),
  printedYMm: placeOrNull('where it is printed, from above, mm,'),
  from: amount('where its scale begins', -1000, 100_000, 0),
  to: amount('where its scale ends', -1000, 100_000, 100),
  step: amount('from figure to figure', 0.01, 100_000, 20),
  between: whole('lines between two figures', 0, 9),
  startDeg: amount('where the scale begins, degrees,', -360, 360, 45),
  sweepDeg: amount('how far the scale goes, degrees,', 10, 360, 270),
  needle: amountOrNull('what its needle shows', -1000, 100_000),
  redFrom: amountOrNull('from where it is red', -1000, 100_000),
  unit: text('the unit of its scale', 12),
};
export type OnPanel = ValueOf<typeof onPanelFields>;

export const panelRecord = defineRecord(
  'panel',
  'panels',
  'instrument panel',
  {
    name: named('the name of the panel'),
    partId: referenceOrNull('the part that it sits on', 'part'),
    widthMm: amount('the width of its face, mm,', 1, 400, 50),
    heightMm: amount('the height of its face, mm,', 1, 400, 12),
    cornerMm: amount('the radius of its corners, mm,', 0, 200, 1),
    /** Of the recess in the moulding; null where nobody measured. */
    recessWidthMm: amountOrNull('the width of its recess, mm,', 1, 400),
    recessHeightMm: amountOrNull('the height of its recess, mm,', 1, 400),
    /** Of the sheet of an overlay. */
    gaugeMm: amount('the thickness of the sheet, mm,', 0.05, 3, 0.25),
    relief: flag('whether its dials are moulded', true),
    etched: flag('whether there is an etched frame'),
    art: choice('where its artwork comes from', PANEL_ART),
    /** Of the decal as it is printed. */
    decalWidthMm: amountOrNull('the width of the decal, mm,', 1, 400),
    decalHeightMm: amountOrNull('the height of the decal, mm,', 1, 400),
    lensMm: amount('how high a lens stands on a dial, mm,', 0, 5, 0),
    /** Drills that are owned; all usual ones where none is listed. */
    drills: list('drills that are owned', drillField, 60),
    route: choiceOrNull('the way to it', PANEL_ROUTES),
    on: list('what is on the panel', group('what is on a panel', onPanelFields), 60),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** The face of an instrument panel, and how it is made. */
export type InstrumentPanel = RecordOf<typeof panelRecord>;
