import { DEFAULT_COPIES, type CopyPlan, type CopyState, type RestoredRecord } from '../../api/index.ts';
import type { Database } from '../database/open.ts';
import { readSettings } from '../store/benchStore.ts';
import { readFact, writeFact } from '../store/revisions.ts';

/** What the file keeps of its copies; like all facts it stays when other contents are restored. */
const COPIED = 'copied';
const SAVED = 'backup-saved-at';
const PROBLEM = 'copy-problem';
const RESTORED = 'restored';

const minutes = (ms: string | undefined): number | null =>
  ms === undefined ? null : Math.floor(Number(ms) / 60_000);

export function readCopyState(db: Database): CopyState {
  return {
    copiedAt: minutes(lastCopied(db)?.at),
    savedAt: minutes(readFact(db, SAVED)),
    problem: readFact(db, PROBLEM) ?? null,
  };
}

/** When the last copy was made or found to be still the same, milliseconds since 1970, and its checksum. */
export const lastCopied = (db: Database): { at: string; checksum: string } | undefined => {
  const [at, checksum] = readFact(db, COPIED)?.split(' ') ?? [];
  return at !== undefined && checksum !== undefined ? { at, checksum } : undefined;
};

export function noteCopied(db: Database, now: number, checksum: string): void {
  writeFact(db, COPIED, `${now} ${checksum}`);
  writeFact(db, PROBLEM, null);
}

export const noteCopyProblem = (db: Database, problem: string): void => {
  if (readFact(db, PROBLEM) !== problem) writeFact(db, PROBLEM, problem);
};

export const noteSaved = (db: Database, now: number): void => writeFact(db, SAVED, String(now));

export const readRestored = (db: Database): RestoredRecord | null =>
  JSON.parse(readFact(db, RESTORED) ?? 'null') as RestoredRecord | null;

export const noteRestored = (db: Database, restored: RestoredRecord | null): void =>
  writeFact(db, RESTORED, restored && JSON.stringify(restored));

export const readCopyPlan = (db: Database): CopyPlan => readSettings(db).preferences.copies ?? DEFAULT_COPIES;
