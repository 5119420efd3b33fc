import { planEntry, setStraight, type EntryPlan, type StraightAnswer } from '../../cabin/index.ts';
import type { Insertion, Level } from '../records/index.ts';

/** The ways of a unit into its shell, with film of so much on both together, mm, at a temperature. Throws RangeError for widths
 *  that are missing. */
export const wayIn = (insertion: Insertion, { filmMm = 0, temperatureC = 20 } = {}): EntryPlan =>
  planEntry({ ...insertion, filmMm, temperatureC });

/** What is to be shimmed. Throws RangeError for widths that are none. */
export const levelOf = (level: Level): StraightAnswer => setStraight(level);
