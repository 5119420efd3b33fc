import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, flag, named, referenceOrNull, text, whole } from './fields.ts';

/** What lies behind the glass of a lamp. */
export const REFLECTORS = ['plating', 'foil', 'chrome-ink', 'silver', 'none'] as const;
export type Reflector = (typeof REFLECTORS)[number];
/** What its glass is. */
export const LAMP_GLASSES = ['part', 'drop', 'painted'] as const;

export const lampRecord = defineRecord(
  'lamp',
  'lamps',
  'lamp',
  {
    name: named('the name of the lamp'),
    /** Its glass, or the whole lamp where that is one piece. */
    partId: referenceOrNull('the glass of the lamp', 'part'),
    count: whole('how many alike', 1, 60),
    reflector: choice('what lies behind its glass', REFLECTORS, 'silver'),
    /** A clear part, a drop of clear, or paint alone. */
    glass: choice('what its glass is', LAMP_GLASSES),
    /** Its colour, as it is typed; empty for clear. */
    colour: text('the colour of its light', 80),
    bezel: flag('whether it has a bright ring'),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** A lamp: what lies behind its glass, its colour and its ring. */
export type Lamp = RecordOf<typeof lampRecord>;
