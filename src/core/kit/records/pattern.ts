import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choice, flag, named, referenceOrNull, whole } from './fields.ts';

export const PATTERN_SHAPES = ['cylinder', 'rounded-box', 'cone', 'mitred-pipe', 'dome', 'hopper'] as const;
export type PatternShape = (typeof PATTERN_SHAPES)[number];
export const PATTERN_MATERIALS = ['foil', 'paper', 'sheet'] as const;

const size = (label: string, initial: number, least = 0) => amount(`${label}, mm,`, least, 1000, initial);

export const patternRecord = defineRecord(
  'pattern',
  'patterns',
  'pattern in the flat',
  {
    name: named('the name of the pattern'),
    partId: referenceOrNull('the part that it covers', 'part'),
    count: whole('how many of it', 1, 99),
    shape: choice('the shape', PATTERN_SHAPES),
    material: choice('what it is cut from', PATTERN_MATERIALS),
    radiusMm: size('the radius', 6),
    topRadiusMm: size('the radius at the top', 3),
    lengthMm: size('the length', 40),
    widthMm: size('the width', 20),
    heightMm: size('the height', 15),
    bottomLengthMm: size('the length below', 10),
    bottomWidthMm: size('the width below', 10),
    degrees: amount('the angle of the cut, degrees,', 0, 89, 45),
    petals: whole('how many petals', 4, 48, 12),
    ends: flag('whether it has flat ends', true),
    thicknessMm: amount('the thickness, mm,', 0, 5, 0.03),
    lapMm: amount('the lap, mm,', 0, 20, 2),
  },
  { onCopy: asItIs },
);
/** A shape laid out flat, to be cut from foil, paper or sheet. */
export type Pattern = RecordOf<typeof patternRecord>;
