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
