import type { EntryKind } from '../choices.ts';

interface EntryFacts {
  name: string;
  /** Of its amount; null where it has none. */
  unit: string | null;
  /** What to write. */
  example: string;
}

/** What a builder writes into the log by hand, and in which unit. */
export const ENTRIES: Readonly<Record<EntryKind, EntryFacts>> = {
  note: { name: 'Note', unit: null, example: 'left door sits proud by a hair' },
  air: { name: 'Air', unit: '°C', example: 'rain all day, window open' },
  pressure: { name: 'Pressure', unit: 'bar', example: 'gloss coats, 0.3 needle' },
  thinning: { name: 'Thinning', unit: '% thinner', example: 'the cream, with levelling thinner' },
  pause: { name: 'Pause', unit: 'min', example: 'called away' },
  bought: { name: 'Bought', unit: '€', example: 'masking tape, 6 mm' },
  decided: { name: 'Decided', unit: null, example: 'no pearl over the white' },
};
