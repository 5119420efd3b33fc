import { closeSync, existsSync, openSync, readFileSync, readSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { projectRoot } from '../projectRoot.ts';

/** "FANF": by this SQLite's own header tells whose file it is. */
export const APPLICATION_ID = 0x46414e46;
/** Added to the format in the header of a backup, until it is opened as a data file. */
export const BACKUP_MARK = 0x10000;
const USER_VERSION_AT = 60;
const TABLES_OF_FIRST_FORMAT = ['builds', 'paints', 'trays', 'joins', 'steps'];

interface JournalEntry {
  idx: number;
  when: number;
}

export const migrationsFolder = (): string => join(projectRoot(), 'src/server/database/migrations');

/** The formats that this program knows, oldest first; a file's format is their count. */
function knownFormats(): JournalEntry[] {
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: JournalEntry[];
  };
  return journal.entries;
}

/** The format that this program writes. */
export const ownFormat = (): number => knownFormats().length;

/** The version of this program. */
export function programVersion(): string {
  return (JSON.parse(readFileSync(join(projectRoot(), 'package.json'), 'utf8')) as { version: string })
    .version;
}

/** What a file is before anything is written to it. */
export type FileIdentity =
  | { kind: 'new' }
  | { kind: 'foreign'; why: string }
  | { kind: 'ours'; format: number; writtenBy: string | null };

/** Looks at a data file without changing it. Throws what SQLite throws for one that is no database. */
export function identify(file: string): FileIdentity {
  if (!existsSync(file) || statSync(file).size === 0) return { kind: 'new' };
  const sqlite = new Sqlite(file, { readonly: true, fileMustExist: true });
  try {
    const tables = new Set(
      sqlite.prepare(`SELECT name FROM sqlite_master WHERE type = 'table'`).pluck().all() as string[],
    );
    const applicationId = sqlite.pragma('application_id', { simple: true }) as number;
    if (applicationId !== APPLICATION_ID) {
      if (applicationId !== 0) return { kind: 'foreign', why: 'it carries the mark of another program' };
      if (tables.size === 0) return { kind: 'new' };
      // Files from before the mark: all of the first tables, and a record of how they were made.
      const isOlder =
        tables.has('__drizzle_migrations') && TABLES_OF_FIRST_FORMAT.every((table) => tables.has(table));
      if (!isOlder) return { kind: 'foreign', why: 'its tables are not Fanfare’s' };
    }
    if (!tables.has('__drizzle_migrations')) return { kind: 'new' };
    const writtenBy = tables.has('facts')
      ? ((sqlite.prepare(`SELECT value FROM facts WHERE name = 'program'`).pluck().get() as
          string | undefined) ?? null)
      : null;
    const made = sqlite.prepare('SELECT created_at FROM __drizzle_migrations').pluck().all() as number[];
    const known = new Set(knownFormats().map(({ when }) => when));
    const strange = made.filter((when) => !known.has(when)).length;
    return {
      kind: 'ours',
      format: strange > 0 ? Math.max(made.length, ownFormat() + strange) : made.length,
      writtenBy,
    };
  } finally {
    sqlite.close();
  }
}

/** What the first page of a file says of its format, past what a write-ahead log beside it may say; 0 for no file. */
export function formatInHeader(file: string): number {
  if (!existsSync(file)) return 0;
  const bytes = Buffer.alloc(4);
  const handle = openSync(file, 'r');
  try {
    return readSync(handle, bytes, 0, 4, USER_VERSION_AT) === 4 ? bytes.readUInt32BE() : 0;
  } finally {
    closeSync(handle);
  }
}
