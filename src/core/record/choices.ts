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

/** What a builder writes into the log by hand. */
export const ENTRY_KINDS = ['note', 'air', 'pressure', 'thinning', 'pause', 'bought', 'decided'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];
