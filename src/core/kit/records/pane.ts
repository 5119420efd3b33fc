import { PANE_EDGES, PANE_FLAWS, PANE_SOURCES, PANE_TINTS, REAL_GLASS_MM } from '../../cabin/index.ts';
import { defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, amountOrNull, choice, flag, named, referenceOrNull, references, text } from './fields.ts';

/** From which side of the opening it goes in. */
export const PANE_ENTRIES = ['inside', 'outside'] as const;
/** When its edge is painted. */
export const EDGE_TIMES = ['before', 'after'] as const;
const MOST_PARTS = 40;

export const paneRecord = defineRecord(
  'pane',
  'panes',
  'pane of glass',
  {
    name: named('the name of the pane'),
    partId: referenceOrNull('the pane', 'part'),
    /** What has its opening. */
    intoPartId: referenceOrNull('the part that it goes into', 'part'),
    source: choice('from what it is', PANE_SOURCES),
    /** Null where nobody measured. */
    gaugeMm: amountOrNull('its thickness, mm,', 0.02, 20),
    realMm: amount('the real glass, mm,', 1, 60, REAL_GLASS_MM),
    tint: choice('its tint', PANE_TINTS),
    edge: choice('what runs round it', PANE_EDGES),
    edgeWhen: choice('when its edge is painted', EDGE_TIMES),
    enters: choice('from which side it goes in', PANE_ENTRIES),
    flaws: choice('what is wrong with it', PANE_FLAWS),
    /** Before every other that need not come before it. */
    first: flag('whether it comes first'),
    /** What lies behind it once it is in, and must be there before. */
    behind: references('what it shuts in', 'part', MOST_PARTS),
    /** What holds it or covers its edge, and goes in after it. */
    coveredBy: references('what covers it', 'part', MOST_PARTS),
    /** Its opening on a view, for masks. */
    viewId: referenceOrNull('the view that shows it', 'view'),
    openingId: text('the opening on that view', 60),
    /** Masks are so much larger than the opening; smaller where it is negative. */
    maskMm: amount('how much larger its mask is, mm,', -3, 3, 0),
    maskKept: flag('whether its mask is cut and kept'),
    note: text('a note', 500),
  },
  { onCopy: (pane) => ({ ...pane, maskKept: false }) },
);
/** A pane, with what lies behind it and what covers it. */
export type Pane = RecordOf<typeof paneRecord>;
