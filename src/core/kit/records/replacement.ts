import { PIECE_SHAPES } from '../../detail/index.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { amount, choice, choiceOrNull, named, referenceOrNull, text, whole } from './fields.ts';

/** How a part that is lost or broken comes back. */
export const REPLACEMENT_WAYS = ['spare', 'maker', 'other-kit', 'scratch', 'print'] as const;
export type ReplacementWay = (typeof REPLACEMENT_WAYS)[number];

/** How its size is known. */
export const SIZE_SOURCES = ['not known', 'twin', 'place', 'sheet', 'picture', 'box'] as const;

const size = (label: string, initial: number, least = 0) => amount(`${label}, mm,`, least, 1000, initial);

export const replacementRecord = defineRecord(
  'replacement',
  'replacements',
  'part that comes back',
  {
    name: named('the name of what is lost'),
    partId: referenceOrNull('the part', 'part'),
    way: choiceOrNull('how it comes back', REPLACEMENT_WAYS),
    /** Of the stock, which belongs to no build; '' for none. */
    spareId: text('the spare', 120),
    sizeFrom: choice('how its size is known', SIZE_SOURCES),
    shape: choice('the shape', PIECE_SHAPES),
    count: whole('how many of it', 1, 200),
    lengthMm: size('the length', 0),
    widthMm: size('the diameter or width', 0),
    heightMm: size('the thickness', 0.5),
    wallMm: size('the wall', 0.25),
    holeMm: size('the hole', 0),
    holes: whole('the holes', 0, 40),
    radiusMm: size('the corners', 0),
    degrees: amount('the angle of the cut, degrees,', 0, 60, 0),
    note: text('a note', 500),
  },
  { onCopy: staysBehind },
);
/** A part that is lost or broken, with what it was and how it comes back. */
export type Replacement = RecordOf<typeof replacementRecord>;
