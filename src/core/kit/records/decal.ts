import { recoverSpectrum } from '../../colour/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, flag, group, named, referenceOrNull } from './fields.ts';

/** Why no surface can look so; null where one can. */
function impossibleColour(lab: { L: number; a: number; b: number }): string | null {
  // Numbers out of bounds are said by their own words.
  if (!(lab.L >= 0 && lab.L <= 100)) return null;
  try {
    recoverSpectrum(lab);
    return null;
  } catch (error) {
    return (error as Error).message;
  }
}

export const decalRecord = defineRecord(
  'decal',
  'decals',
  'printed colour',
  {
    name: named('the name of the decal colour', 80),
    /** How it looks on white paper, CIELAB in daylight. */
    lab: group(
      'the colour',
      {
        L: amount('L of a decal colour', 0, 100),
        a: amount('a of a decal colour', -130, 130, 0),
        b: amount('b of a decal colour', -130, 130, 0),
      },
      impossibleColour,
    ),
    /** Transparent ink lets the base show through; opaque ink and white film do not. */
    transparent: flag('transparent'),
    /** The factory code that it lies on or beside; null where it lies on nothing in particular. */
    codeId: referenceOrNull('the factory code', 'code'),
  },
  { onCopy: asItIs },
);
/** A printed colour that cannot be mixed anew: a decal's white, or an ink. */
export type DecalColour = RecordOf<typeof decalRecord>;
