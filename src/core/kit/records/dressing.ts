import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, amountOrNull, choice, named, referenceOrNull, text, whole } from './fields.ts';

/** What is one moulding and looks like several things. */
export const DRESSED = ['fork', 'radiator', 'disc', 'strap', 'step'] as const;
/** What the tubes of a fork are made to look like: left bright, or tinted towards a metal. */
export const TUBE_LOOKS = [
  'bright',
  'gold-anodised',
  'nickel',
  'titanium',
  'steel-blued',
  'chrome-dark',
] as const;

export const dressingRecord = defineRecord(
  'dressing',
  'dressings',
  'fork, radiator, disc, strap or step',
  {
    name: named('the name of what is finished in several colours'),
    what: choice('what it is', DRESSED),
    partId: referenceOrNull('the part', 'part'),
    count: whole('how many alike', 1, 40),
    /** Of a fork: its clean tube, and the spring that is seen; no coils for none. */
    tubeMm: amount('the diameter of the tube, mm,', 0.3, 60, 1.6),
    tubeLengthMm: amount('the length of tube that is seen, mm,', 0.5, 500, 20),
    tubeLook: choice('the look of the tube', TUBE_LOOKS),
    coils: whole('the coils of a spring', 0, 80),
    springMm: amount('the outside of the spring, mm,', 0.3, 60, 2.4),
    springWireMm: amount('the wire of the spring, mm,', 0.05, 10, 0.3),
    springLengthMm: amount('the length of the spring, mm,', 0.5, 500, 14),
    /** Of a radiator or cooler: its core across the fins. */
    coreHeightMm: amount('the height of the core, mm,', 0.5, 500, 14),
    coreWidthMm: amount('the width of the core, mm,', 0.5, 500, 20),
    /** From fin to fin as it is moulded; null where nobody measured. */
    finMm: amountOrNull('the distance of its fins, mm,', 0.05, 20),
    realFinMm: amount('the distance of real fins, mm,', 0.5, 50, 2),
    /** Of a disc: the ring that is drilled. */
    outerMm: amount('the outside of the ring, mm,', 1, 200, 12),
    innerMm: amount('the inside of the ring, mm,', 0, 200, 6),
    holes: whole('the holes of a disc', 0, 240),
    rows: whole('the circles of holes', 1, 8),
    realHoleMm: amount('the real hole, mm,', 0.5, 100, 8),
    /** Of a strap: the bright band over its dark bed. */
    bandMm: amount('the width of the band, mm,', 0.2, 40, 1),
    bandLengthMm: amount('the length of the band, mm,', 1, 500, 30),
    note: text('a note', 500),
  },
  { onCopy: asItIs },
);
/** A fork, radiator, brake disc, tank strap or step that is finished in its several colours. */
export type Dressing = RecordOf<typeof dressingRecord>;
