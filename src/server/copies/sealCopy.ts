import Sqlite from 'better-sqlite3';
import { requireBackup } from '../database/besideData.ts';
import { contentsDigest } from '../database/contents.ts';
import { BACKUP_MARK, ownFormat } from '../database/fileIdentity.ts';
import { inPortions } from '../requests/inPortions.ts';

const MADE_AT = 'backup-made-at';
const CHECKSUM = 'backup-checksum';

/** Marks a finished copy as a backup, so that one copied over a data file by hand is known for what it is, and writes into it
 *  when it was made and the checksum of what it holds. Gives the checksum. */
export async function sealCopy(file: string, now: number): Promise<string> {
  const copy = new Sqlite(file);
  try {
    copy.pragma('journal_mode = DELETE');
    const digest = await inPortions(contentsDigest(copy));
    const put = copy.prepare('INSERT OR REPLACE INTO facts (name, value) VALUES (?, ?)');
    copy.transaction(() => {
      put.run(MADE_AT, String(now));
      put.run(CHECKSUM, digest);
    })();
    copy.pragma(`user_version = ${BACKUP_MARK + ownFormat()}`);
    return digest;
  } finally {
    copy.close();
  }
}

/** What a copy says of itself. */
export interface Seal {
  /** Milliseconds since 1970; null where the file does not say. */
  madeAt: number | null;
  /** It carries a checksum, which agrees with what it holds. */
  checked: boolean;
}

/** Reads a copy through. Throws Error, in a builder's words, for one that is no backup, is damaged, or holds something else than
 *  when it was made. */
export async function verifyCopy(file: string): Promise<Seal> {
  requireBackup(file);
  const copy = new Sqlite(file, { readonly: true });
  try {
    const hasFacts = copy.prepare(`SELECT 1 FROM sqlite_master WHERE name = 'facts'`).get() !== undefined;
    const fact = (name: string) =>
      hasFacts
        ? (copy.prepare('SELECT value FROM facts WHERE name = ?').pluck().get(name) as string | undefined)
        : undefined;
    const [madeAt, checksum] = [fact(MADE_AT), fact(CHECKSUM)];
    // A data file that was copied by hand after it had been a backup goes on under its old seal, which says nothing of it.
    const isSealed = (copy.pragma('user_version', { simple: true }) as number) >= BACKUP_MARK;
    if (!isSealed || checksum === undefined) return { madeAt: null, checked: false };
    if ((await inPortions(contentsDigest(copy))) !== checksum)
      throw new Error(
        `${file} does not hold what it held when it was made: its checksum differs. It was changed or damaged since. Nothing was changed here.`,
      );
    return { madeAt: Number(madeAt), checked: true };
  } finally {
    copy.close();
  }
}
