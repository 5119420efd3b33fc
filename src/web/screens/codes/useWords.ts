import type { CodeUse } from '../../../api/index.ts';

/** What a code is for, in words. */
export const USE_WORDS: Readonly<Record<CodeUse, string>> = {
  body: 'bodywork',
  engine: 'engine and chassis',
  cabin: 'cabin',
};
