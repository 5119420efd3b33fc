import { NUMBERINGS } from '../../detail/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  flag,
  group,
  list,
  named,
  referenceOrNull,
  text,
  whole,
  wholeOrNull,
} from './fields.ts';

export const ENGINE_KINDS = ['in-line', 'v', 'radial'] as const;
export const IGNITION_SOURCES = ['distributor', 'magneto', 'coil-per-plug'] as const;
export const ROTORS = ['clockwise', 'anticlockwise'] as const;

const cylinder = whole('a cylinder', 1, 28);
const along = (label: string) => amount(label, -500, 500, 0);

/** A clip or loom that leads pass. */
export const guideFields = {
  /** mm on the model: forward, to the left, and up from the crank. */
  x: along('the place of the guide, forward, mm,'),
  y: along('the place of the guide, to the left, mm,'),
  z: along('the place of the guide, up, mm,'),
  cylinders: list('the cylinders whose leads pass the guide', cylinder, 28),
};

export const harnessRecord = defineRecord(
  'harness',
  'harnesses',
  'ignition harness',
  {
    name: named('the name of the harness'),
    /** Where the leads begin and where they end, for the steps of the plan. */
    fromPartId: referenceOrNull('the part where the leads begin', 'part'),
    toPartId: referenceOrNull('the part where the leads end', 'part'),
    layout: choice('the layout of the engine', ENGINE_KINDS),
    cylinders: whole('how many cylinders', 1, 28, 6),
    bankDeg: amount('the angle between the banks, degrees,', 1, 180, 90),
    /** How far the right bank lies behind the left one; negative where it lies ahead. */
    offsetMm: amount('the offset of the banks, mm,', -50, 50, 0),
    pitchMm: amount('from one cylinder to the next, mm,', 0.1, 200, 4),
    reachMm: amount('from the crank to a plug, mm,', 0.1, 500, 12),
    numbering: choice('how the cylinders are counted', NUMBERINGS),
    /** By place instead, where the maker counts in a way of its own: along the left bank (or the only one) from the front, then
     *  along the right; empty for the numbering above. */
    ownNumbers: list('the numbers by place', cylinder, 28),
    firingOrder: list('the firing order', cylinder, 28),
    source: choice('where the spark comes from', IGNITION_SOURCES),
    lies: flag('whether the cap lies'),
    x: along('the place of the cap, forward, mm,'),
    y: along('the place of the cap, to the left, mm,'),
    z: along('the place of the cap, up, mm,'),
    capRadiusMm: amount('the radius of the cap, mm,', 0.1, 100, 1),
    /** Null for one to each cylinder. */
    towers: wholeOrNull('how many towers the cap has', 1, 28),
    rotor: choice('how the rotor turns', ROTORS),
    firstDeg: amount('the tower that fires first, degrees,', 0, 360, 0),
    plugs: whole('how many plugs a cylinder has', 1, 2),
    guides: list('guides', group('a guide', guideFields), 24),
    /** Share of its route by which a lead is longer. */
    slack: amount('the slack', 0, 2, 0.15),
    /** Outside diameter of the real lead, mm; null for the usual one. */
    realMm: amountOrNull('the real diameter, mm,', 1, 40),
    colour: text('the colour of the leads', 80),
  },
  { onCopy: asItIs },
);
/** Leads from a cap to the plugs of an engine. */
export type Harness = RecordOf<typeof harnessRecord>;
