import { defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, ifAny, named, referenceOrNull, references, text, textOrNull, whole } from './fields.ts';

export const CONFIDENCES = ['sure', 'likely', 'doubtful'] as const;
export const VERDICTS = ['open', 'sheet', 'evidence', 'other'] as const;

export const evidenceRecord = defineRecord(
  'evidence',
  'evidence',
  'conflict of sheet and evidence',
  {
    title: named('what it is about'),
    partIds: references('parts that it is about', 'part', 100),
    /** Kind of step that it touches; null for any step of the parts. */
    stepKind: textOrNull('the kind of step', 20),
    sheet: text('what the sheet says', 2000),
    evidence: text('what the evidence says', 2000),
    source: text('the source', 500),
    /** A picture kept with it, by id. */
    pictureId: referenceOrNull('the picture', 'picture'),
    confidence: choice('the confidence', CONFIDENCES, 'likely'),
    verdict: choice('the verdict', VERDICTS),
    decision: text('the decision', 2000),
    /** Minutes since 1970; absent while it is open, and where nobody noted it. */
    decidedAt: ifAny(whole('the time of the decision', 0, 1e9)),
  },
  // Pictures, and when something was decided, belong to the build that they were kept with.
  { onCopy: ({ decidedAt: _, ...conflict }) => ({ ...conflict, pictureId: null }) },
);
/** Where the sheet and the evidence differ, and what was decided. */
export type Evidence = RecordOf<typeof evidenceRecord>;
