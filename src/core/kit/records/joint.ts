import { defineRecord, type RecordOf } from './defineRecord.ts';
import { amountOrNull, choice, choiceIfAny, choiceOrNull, reference, references, text } from './fields.ts';

export const JOINT_KINDS = ['cement', 'press', 'clip', 'screw', 'hinge', 'glass', 'tyre', 'sits-in'] as const;
export type JointKind = (typeof JOINT_KINDS)[number];

export const SEAMS = ['hidden', 'vanish', 'panel-line'] as const;
export type Seam = (typeof SEAMS)[number];

export const MOTIONS = ['none', 'turns', 'swings', 'slides', 'comes-off'] as const;
export type Motion = (typeof MOTIONS)[number];

export const ENTRIES = ['any', 'front', 'rear', 'above', 'below', 'left', 'right'] as const;
export type Entry = (typeof ENTRIES)[number];

/** What brings the two into place: pins in holes, a rim or step, or nothing but the eye. */
export const LOCATING = ['pins', 'rim', 'none'] as const;

const JOINT_TIMES = ['before', 'after'] as const;
export type JointTime = (typeof JOINT_TIMES)[number];

export const jointRecord = defineRecord(
  'joint',
  'joints',
  'joint',
  {
    a: reference('a part of the joint', 'part'),
    b: reference('a part of the joint', 'part'),
    kind: choice('the kind of joint', JOINT_KINDS),
    seam: choice('the seam', SEAMS),
    /** Gap between the bare faces, mm; null where nobody measured. */
    clearanceMm: amountOrNull('the clearance in mm', -1, 20),
    /** Parts shut in once this joint is made. */
    captured: references('parts shut in', 'part', 40),
    /** Where the smaller part comes from. */
    entry: choice('the direction of entry', ENTRIES),
    /** Absent where nobody looked. */
    locating: choiceIfAny('what locates it', LOCATING),
    motion: choice('the motion', MOTIONS),
    /** Joints that can no longer be made once this one is. */
    closes: references('joints that it closes off', 'joint', 100),
    /** Length of the seam, mm; null for an estimate from the parts. */
    edgeMm: amountOrNull('the length of the seam in mm', 0, 5000),
    /** The builder's own decision. */
    pin: choiceOrNull('a pin', JOINT_TIMES),
    note: text('a note', 2000),
  },
  { onCopy: (joint) => ({ ...joint, pin: null }) },
);
/** Where two parts meet. */
export type Joint = RecordOf<typeof jointRecord>;
