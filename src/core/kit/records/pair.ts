import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, reference } from './fields.ts';

export const PAIR_KINDS = ['mirrored', 'alike', 'no-pair'] as const;

export const pairRecord = defineRecord(
  'pair',
  'pairs',
  'pair of parts',
  {
    a: reference('a part of the pair', 'part'),
    b: reference('a part of the pair', 'part'),
    kind: choice('what kind of pair', PAIR_KINDS),
  },
  { onCopy: asItIs, check: ({ a, b }) => (a === b ? 'A pair is of two parts: name two.' : null) },
);
/** Two parts that mirror each other, or are alike; or that only look so, as the builder says. */
export type PartPair = RecordOf<typeof pairRecord>;
