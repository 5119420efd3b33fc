import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, group, whole } from './fields.ts';

/** A way of bringing a colour on by hand: to begin with, a cm2, and a cm of edge. */
const byHand = (label: string, begin: number, area: number, edge: number) => ({
  begin: amount(`${label}: to begin with, minutes`, 0, 120, begin),
  area: amount(`${label}: minutes a cm²`, 0, 30, area),
  edge: amount(`${label}: minutes a cm of edge`, 0, 30, edge),
});
export const byHandFields = {
  brush: byHand('by brush', 6, 1.2, 0.9),
  marker: byHand('by marker', 2, 0.8, 0.5),
  decal: byHand('by decal', 12, 0.1, 0.1),
  foil: byHand('by foil', 6, 0.5, 0.4),
};

/** Minutes of hands; the figures of a new record are working values of an ordinary bench. */
export const maskingRatesRecord = defineRecord(
  'masking-rates',
  'maskingRates',
  'pace of masking',
  {
    /** Fine edge tape: straight, along a moulded line, round a curve; and liquid mask, where tape puckers. */
    edgeTape: amount('edge tape, minutes a cm', 0, 30, 0.4),
    alongMoulding: amount('tape along a moulded line, minutes a cm', 0, 30, 0.25),
    curve: amount('narrow tape round a curve, minutes a cm', 0, 30, 0.8),
    liquidMask: amount('liquid mask, minutes a cm', 0, 30, 0.6),
    narrowBelowMm: amount('narrow tape below a radius of, mm', 0, 500, 25),
    /** Clear or base colour along the tape against bleeding. */
    sealEdge: amount('sealing the edge, minutes a cm', 0, 30, 0.1),
    cleanEdge: amount('taking it off and cleaning the edge, minutes a cm', 0, 30, 0.15),
    cover: amount('covering what is done, minutes a cm²', 0, 30, 0.05),
    beginCover: amount('beginning to cover, minutes', 0, 120, 3),
    tapeStaysHours: amount('tape may stay, hours', 1, 2000, 48),
    coat: amount('a coat: to begin with, minutes', 0, 120, 2),
    coatArea: amount('a coat: minutes a cm²', 0, 30, 0.01),
    usualCoats: whole('coats where they are not known', 1, 30, 3),
    /** Filling and cleaning the tool for another colour. */
    setUp: amount('changing the colour in the tool, minutes', 0, 240, 12),
    /** Most builders have something else to do meanwhile. */
    waitHour: amount('an hour of waiting, in minutes of work', 0, 60, 0.05),
    byHand: group('by hand', {
      brush: group('by brush', byHandFields.brush),
      marker: group('by marker', byHandFields.marker),
      decal: group('by decal', byHandFields.decal),
      foil: group('by foil', byHandFields.foil),
    }),
  },
  { single: true, onCopy: asItIs },
);
/** How fast a builder masks and paints: what the order of colours is weighed by. */
export type MaskingRates = RecordOf<typeof maskingRatesRecord>;
