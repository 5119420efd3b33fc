import { defineRecord, type RecordOf } from './defineRecord.ts';
import { engineKind } from './engine.ts';
import {
  amount,
  amountOrNull,
  choice,
  choiceIfAny,
  flag,
  group,
  ifAny,
  list,
  named,
  ownId,
  reference,
  text,
  whole,
  type ValueOf,
} from './fields.ts';

/** What a part is made of. */
export const MATERIALS = [
  'styrene',
  'clear',
  'vinyl',
  'rubber',
  'poly',
  'etch',
  'resin',
  'white-metal',
  'metal',
  'card',
] as const;
export type Material = (typeof MATERIALS)[number];

/** What a part asks for before it can be joined or painted. */
export const PART_NEEDS = ['gates', 'seam', 'sink', 'flash', 'warp', 'pins'] as const;
export type PartNeed = (typeof PART_NEEDS)[number];

export const PART_STATES = [
  'on-frame',
  'cleaned',
  'joined-before',
  'painted-before',
  'lost',
  'from-spares',
  'scratch-built',
] as const;
export type PartState = (typeof PART_STATES)[number];

/** Whether a part is built at all, whatever the version asks. */
export const PART_USES = ['build', 'left-off'] as const;

/** How the edge between two colours on one part is made. */
export const BOUNDARIES = ['masked', 'brushed', 'moulded'] as const;
export type Boundary = (typeof BOUNDARIES)[number];

const zone = {
  id: ownId(),
  name: text('the name of a zone', 80),
  finishId: reference('the finish of a zone', 'finish'),
  /** Share of the part's surface, 0..1. */
  share: amount('the share of a zone', 0, 1, 1),
  /** How it meets the main zone. */
  boundary: choice('the edge of a zone', BOUNDARIES),
  /** Length of that edge, mm; null where not measured. */
  edgeMm: amountOrNull('the edge of a zone, mm,', 0, 5000),
};
/** A patch of a part that has a finish of its own. The first zone of a part is its main one. */
export type Zone = ValueOf<typeof zone>;

export const partRecord = defineRecord(
  'part',
  'parts',
  'part',
  {
    /** Letter of the sprue frame and number on it. */
    frame: text('the frame', 3),
    number: named('the part number', 8),
    name: named('the name of the part'),
    count: whole('the count of a part', 1, 200),
    material: choice('the material', MATERIALS),
    /** Colour it is moulded in, in words. */
    colour: text('the moulded colour', 200),
    plated: flag('plated'),
    /** Surface to cover, cm2; null where nobody measured. */
    areaCm2: amountOrNull('the area in cm2', 0.01, 20000),
    lengthMm: amountOrNull('the length in mm', 0.1, 5000),
    needs: list('what a part needs', choice('what a part needs', PART_NEEDS), PART_NEEDS.length),
    state: choice('the state of the part', PART_STATES),
    use: choiceIfAny('whether it is built', PART_USES),
    /** What it is on an engine; absent for what nobody said. */
    engineKind: ifAny(engineKind('what it is on an engine')),
    checked: flag('checked'),
    fragile: flag('fragile'),
    zones: list('zones on a part', group('a zone', zone), 12),
    note: text('a note', 2000),
  },
  // Another box: nothing of it is done yet.
  { onCopy: (part) => ({ ...part, state: 'on-frame' as const, checked: false }) },
);
/** A part as it lies in the box. */
export type Part = RecordOf<typeof partRecord>;
