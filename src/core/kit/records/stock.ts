import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { engineKind } from './engine.ts';
import {
  amount,
  choice,
  choiceOrNull,
  flag,
  ifAny,
  layers,
  named,
  text,
  textOrNull,
  whole,
  wholeOrNull,
} from './fields.ts';
import { MATERIALS } from './part.ts';

/** What the bench has whatever is built. */

export const spareRecord = defineRecord(
  'spare',
  'spares',
  'spare part',
  {
    name: named('the name of the spare'),
    origin: text('where it came from', 200),
    material: choice('the material', MATERIALS),
    count: whole('the count', 0, 999, 1),
    /** What it is on an engine; absent for what nobody said. */
    engineKind: ifAny(engineKind('what it is on an engine')),
    /** Its longest side, mm; absent for what nobody measured. */
    lengthMm: ifAny(amount('the length in mm', 0.1, 5000)),
    note: text('a note', 2000),
  },
  { onCopy: asItIs },
);
/** A part in the spares box. */
export type Spare = RecordOf<typeof spareRecord>;

export const materialRecord = defineRecord(
  'material',
  'materials',
  'material',
  {
    name: named('the name of the material'),
    /** A kind that joints and needs ask for, such as an adhesive's id. */
    kind: named('the kind of material', 40),
    amount: text('the amount', 80),
    have: flag('there'),
    leadDays: whole('the days to wait', 0, 400),
  },
  { onCopy: asItIs },
);
/** Glue, filler, wire, foil: what a build uses up besides paint. */
export type StockMaterial = RecordOf<typeof materialRecord>;

export const lessonRecord = defineRecord(
  'lesson',
  'lessons',
  'lesson',
  {
    text: named('the lesson', 1000),
    /** Log entry or regret that it came from. */
    origin: text('where it came from', 500),
    /** A subject of the kit, a word in a part's name, a material and a kind of step; null matches anything. */
    kit: textOrNull('the subject of the kit', 200),
    partWord: textOrNull('a word in the name of a part', 80),
    material: choiceOrNull('the material', MATERIALS),
    stepKind: textOrNull('the kind of step', 20),
  },
  { onCopy: asItIs },
);
/** Something learnt, with where it should come back. */
export type Lesson = RecordOf<typeof lessonRecord>;

export const BAR_FORMS = ['wire', 'rod', 'tube', 'strip'] as const;

export const barRecord = defineRecord(
  'bar',
  'bars',
  'wire, rod or tube',
  {
    name: named('what it is', 80),
    form: choice('the form', BAR_FORMS),
    /** Outside, or the width of a strip. */
    diameterMm: amount('the diameter, mm,', 0.05, 50, 0.3),
    /** Of one piece, as it lies there or is sold. */
    lengthMm: amount('the length of one, mm,', 1, 100_000, 1000),
    /** Null for what is bought as needed. */
    count: wholeOrNull('how many there are', 0, 9999),
    priceCents: whole('the price of one, cents,', 0, 1_000_000),
  },
  { onCopy: asItIs },
);
/** Something long from which pieces are cut. */
export type StockLength = RecordOf<typeof barRecord>;

export const stackRecord = defineRecord(
  'stack',
  'stacks',
  'stack',
  {
    name: named('the name of the stack', 80),
    note: text('a note', 500),
    layers: layers('a stack to keep', 1),
  },
  { onCopy: asItIs },
);
/** A stack of the builder's own, to be put on any sub-assembly. */
export type OwnStack = RecordOf<typeof stackRecord>;
