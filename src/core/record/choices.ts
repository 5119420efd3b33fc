/** What can be found when work is looked over. */
export const FAULTS = [
  'scratch',
  'sink',
  'seam',
  'dust',
  'run',
  'orange-peel',
  'thin-cover',
  'bled-edge',
  'torn-edge',
  'silvered',
  'dry-spray',
  'burn-through',
  'dull',
  'mismatch',
  'tight-fit',
  'crooked',
  'fingerprint',
  'other',
] as const;
export type FaultId = (typeof FAULTS)[number];

/** How a build ends. */
export const VERDICT_ENDS = ['finished', 'given-up'] as const;

/** What is marked when a build is over: six things of the kit, five of the work. */
export const ASPECTS = [
  'fit',
  'sheet',
  'detail',
  'markings',
  'difficulty',
  'price',
  'preparation',
  'colour',
  'finish',
  'fitting',
  'pleasure',
] as const;
export type Aspect = (typeof ASPECTS)[number];

/** What a build book tells of, in its order. */
export const BOOK_SECTIONS = [
  'pictures',
  'colours',
  'stacks',
  'livery',
  'hours',
  'mishaps',
  'verdict',
  'lessons',
] as const;
export type BookSection = (typeof BOOK_SECTIONS)[number];

/** What a builder writes into the log by hand. */
export const ENTRY_KINDS = ['note', 'air', 'pressure', 'thinning', 'pause', 'bought', 'decided'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];
