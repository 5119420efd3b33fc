import type { Provenance } from '../../core/match/index.ts';

/** Where a colour comes from, in a builder's words. */
export const PROVENANCE_WORDS: Readonly<Record<Provenance, string>> = {
  instrument: 'Instrument',
  chip: 'Chip by eye',
  restored: 'Restored vehicle',
  photograph: 'Period picture',
  swatch: 'Printed swatch',
  typed: 'Typed in',
  guess: 'Guess',
};
