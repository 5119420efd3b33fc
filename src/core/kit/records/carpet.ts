import { CARPET_WAYS } from '../../cabin/index.ts';
import { defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, amountOrNull, choice, named, referenceOrNull, text } from './fields.ts';

/** A colour as it is written on the web, or as L a b; '' for none. */
const colour = (label: string) => ({ ...text(label, 40), example: '#5a2020' });

export const carpetRecord = defineRecord(
  'carpet',
  'carpets',
  'carpet',
  {
    name: named('the name of the carpet'),
    partId: referenceOrNull('the floor', 'part'),
    way: choice('the way to it', CARPET_WAYS),
    /** Null for the surface of the part. */
    areaCm2: amountOrNull('its area, cm²,', 0.1, 2000),
    fibreMm: amount('the length of its fibres, mm,', 0.05, 10, 0.5),
    fibre: colour('the colour of its fibres'),
    /** Of the paint under them. */
    ground: colour('the colour under them'),
    wanted: colour('the colour that is wanted'),
    /** Of a paint that is dry-brushed over. */
    over: colour('the colour of a paint over them'),
    /** A test patch, read back. */
    patch: colour('the colour of a test patch'),
    note: text('a note', 500),
  },
  { onCopy: (carpet) => ({ ...carpet, patch: '' }) },
);
/** A carpet on a floor, with the shade that is wanted of it. */
export type Carpet = RecordOf<typeof carpetRecord>;
