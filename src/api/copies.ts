import { number, object, type InferType } from 'yup';

/** Copies of the bench that Fanfare makes by itself: every so many days (0 for never), the newest so many kept. Every other day
 *  and five of them go back more than a week without filling a disk with pictures. */
export const DEFAULT_COPIES = { everyDays: 2, keep: 5 } as const;
export const COPY_LIMITS = { everyDays: { min: 0, max: 90 }, keep: { min: 1, max: 60 } } as const;

const within = (what: string, { min, max }: { min: number; max: number }) =>
  number()
    .typeError(`${what} must be a number`)
    .integer(`${what} is a whole number`)
    .min(min, `${what} is at least ${min}`)
    .max(max, `${what} is at most ${max}`)
    .required(`say ${what}`);

export const copyPlanSchema = object({
  everyDays: within('the number of days between copies', COPY_LIMITS.everyDays),
  keep: within('the number of copies kept', COPY_LIMITS.keep),
}).noUnknown();
export type CopyPlan = InferType<typeof copyPlanSchema>;

/** How a copy came about: by the schedule, at a press, before a restore, or sent by a browser to be looked at. */
export const COPY_KINDS = ['scheduled', 'pressed', 'before-restore', 'sent'] as const;
export type CopyKind = (typeof COPY_KINDS)[number];

export interface CopyRecord {
  /** Names it on the server. */
  id: string;
  kind: CopyKind;
  /** Minutes since 1970. */
  at: number;
  bytes: number;
}

/** How the copies stand, minutes since 1970. */
export interface CopyState {
  /** When the last verified copy beside the data was made, and when a backup was last saved elsewhere. */
  copiedAt: number | null;
  savedAt: number | null;
  /** Why the last scheduled copy could not be made; null where it could. */
  problem: string | null;
}

/** The copies with what was restored last, which can be taken back. */
export interface CopyList {
  /** Where they lie; null where the bench lies in memory alone. */
  folder: string | null;
  copies: CopyRecord[];
  restored: RestoredRecord | null;
}

export interface RestoredRecord {
  /** Minutes since 1970. */
  at: number;
  /** When what was restored had been made; null where it does not say. */
  madeAt: number | null;
  /** The copy of what was there before. */
  keptId: string;
}

export type BuildStanding = 'same' | 'differs' | 'only there' | 'only here';

/** What a copy holds, beside what the bench holds now. */
export interface CopyPreview {
  copy: CopyRecord;
  /** Minutes since 1970; null where the file does not say. */
  madeAt: number | null;
  writtenBy: string | null;
  /** It carries a checksum of what it holds, and that agrees; one that does not agree is refused. */
  checked: boolean;
  builds: { name: string; standing: BuildStanding }[];
  /** How many are there and here; and how many are in both and say something else, where that is looked at one by one. */
  counts: { what: string; there: number; here: number; differ: number | null }[];
  /** When the last step was ticked. */
  lastStepAt: { there: number | null; here: number | null };
}

const DAY = 24 * 60;
/** Without a schedule a backup of one's own is asked for after so many days. */
const UNSCHEDULED_DAYS = 30;

/** What is to be said of copies that are missing or old; null where one is recent enough. A schedule is late once two copies in a
 *  row are missing, and not before a day has passed. */
export function copyWarning(
  { copiedAt, savedAt, problem }: CopyState,
  plan: CopyPlan,
  now: number,
): { text: string; remedy: string } | null {
  const last = Math.max(copiedAt ?? -Infinity, savedAt ?? -Infinity);
  const days = plan.everyDays > 0 ? Math.max(1, plan.everyDays) * 2 : UNSCHEDULED_DAYS;
  if (problem !== null && now - last > Math.max(1, plan.everyDays) * DAY)
    return {
      text: `No copy of this bench could be made: ${problem}`,
      remedy: 'Save a backup to another disk until it is mended.',
    };
  if (last === -Infinity)
    return plan.everyDays > 0
      ? null
      : {
          text: 'There is no backup of this bench.',
          remedy: 'Save one to another disk, or let Fanfare make copies by itself.',
        };
  if (now - last <= days * DAY) return null;
  return {
    text: `The last backup of this bench is ${Math.floor((now - last) / DAY)} days old.`,
    remedy: 'Save one to another disk, or let Fanfare make copies by itself.',
  };
}
