import { accessSync, constants, existsSync, mkdirSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import type { BaseSQLiteDatabase } from 'drizzle-orm/sqlite-core';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import {
  closeToOthers,
  copyAsItLies,
  copyWhole,
  keptName,
  makePrivate,
  markAsOurs,
  newerFile,
  setAside,
  sweepRemains,
} from './besideData.ts';
import {
  BACKUP_MARK,
  formatInHeader,
  identify,
  migrationsFolder,
  ownFormat,
  programVersion,
  type FileIdentity,
} from './fileIdentity.ts';
import { FileRefusal, takeFile } from './fileLock.ts';
import * as schema from './schema.ts';

/** The tables, inside a transaction or out of one. */
export type Database = BaseSQLiteDatabase<'sync', Sqlite.RunResult, typeof schema>;

export interface OpenDatabase {
  db: Database;
  sqlite: Sqlite.Database;
  /** Where the data lie; ':memory:' for nowhere. */
  file: string;
  /** Why the bench is open for reading alone; null where it can be written. */
  readOnly: string | null;
  /** What was done to the file that its owner should know. */
  notes: string[];
  close: () => void;
}

const IN_MEMORY = ':memory:';
/** SQLite waits this long for a lock by itself, with the whole server; longer waits are the routes'. */
const BUSY_MS = 100;

/** What a full disk answers: to a page, to a file, and to the memory that readers of a log share. */
const NO_ROOM = new Set(['SQLITE_FULL', 'ENOSPC', 'SQLITE_IOERR_SHMSIZE']);

/** Opens or creates the data file and brings its tables up to date, keeping a copy of an older one first. A file that
 *  cannot be written or is damaged is opened for reading, from a copy. Throws Error, in a builder's words, for a file of
 *  another program, one that is newer than this program, and one that another server has; none of these is touched. */
export function openDatabase(file: string): OpenDatabase {
  if (file === IN_MEMORY)
    return opened(new Sqlite(IN_MEMORY), { file, readOnly: null, notes: [], release: [] });
  if (file.trim() === '')
    throw new Error(
      'FANFARE_DATA is empty: name a file for your data, or leave it out to use the usual one.',
    );
  if (existsSync(file) && statSync(file).isDirectory())
    throw new Error(
      `${file} is a folder. Name a file in it with FANFARE_DATA, like ${join(file, 'bench.db')}.`,
    );
  const release: (() => void)[] = [];
  try {
    mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
    const letGo = takeFile(file);
    if (letGo) release.push(letGo);
    return openTaken(file, release);
  } catch (error) {
    release.forEach((each) => each());
    throw inWords(file, error);
  }
}

function openTaken(file: string, release: (() => void)[]): OpenDatabase {
  const notes: string[] = [];
  const canWrite = isWritable(file);
  if (canWrite) {
    if (sweepRemains(file).length > 0)
      notes.push('Remains of a backup that was cut short were cleared away.');
    setStrangeLogAside(file, notes);
  }
  const identity = identify(file);
  if (identity.kind === 'foreign')
    throw new Error(
      `${file} is not a Fanfare data file: ${identity.why}. It was left as it is; name another with FANFARE_DATA.`,
    );
  if (identity.kind === 'ours' && identity.format > ownFormat()) throw new Error(newerFile(file, identity));
  const damage = identity.kind === 'ours' ? damageOf(file) : null;
  if (damage !== null || !canWrite)
    return openForReading(
      file,
      damage === null
        ? 'The data file cannot be written: the file or its folder is read-only.'
        : `The data file is damaged (${damage}).`,
      notes,
      release,
    );
  makePrivate(file);
  const sqlite = new Sqlite(file, { timeout: BUSY_MS });
  try {
    keepBeforeMigration(sqlite, file, identity, notes);
    return opened(sqlite, { file, readOnly: null, notes, release });
  } catch (error) {
    sqlite.close();
    throw error;
  }
}

function opened(
  sqlite: Sqlite.Database,
  { release, ...rest }: Pick<OpenDatabase, 'file' | 'readOnly' | 'notes'> & { release: (() => void)[] },
): OpenDatabase {
  sqlite.pragma('journal_mode = WAL');
  // Durable at every commit: what the interface shows as saved survives a killed process or a power cut.
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  // What was removed, a picture above all, is gone from the file, not only out of sight.
  sqlite.pragma('secure_delete = ON');
  const db = drizzle(sqlite, { schema });
  migrate(db, { migrationsFolder: migrationsFolder() });
  markAsOurs(sqlite);
  const program = { name: 'program', value: programVersion() };
  db.insert(schema.facts)
    .values(program)
    .onConflictDoUpdate({ target: schema.facts.name, set: program })
    .run();
  // The header itself says whose file this is, whatever happens to the log.
  sqlite.pragma('wal_checkpoint(TRUNCATE)');
  if (rest.file !== IN_MEMORY) closeToOthers(sqlite.name);
  return {
    db,
    sqlite,
    ...rest,
    close: () => {
      sqlite.close();
      release.forEach((each) => each());
    },
  };
}

function isWritable(file: string): boolean {
  try {
    accessSync(dirname(file), constants.W_OK);
    if (existsSync(file)) accessSync(file, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

/** A backup copied over the file of a killed server lies beside a log that is not its own: the log is put aside, since
 *  the two together would be neither. */
function setStrangeLogAside(file: string, notes: string[]): void {
  const log = `${file}-wal`;
  if (formatInHeader(file) < BACKUP_MARK || !existsSync(log) || statSync(log).size === 0) return;
  const aside = keptName(file, 'log-of-another-file');
  setAside(log, aside);
  notes.push(
    `${file} is a backup, and the log beside it belonged to the file before it: the log was put aside as ${aside}.`,
  );
}

/** What a quick check of all pages finds wrong; null for nothing. */
function damageOf(file: string): string | null {
  let sqlite: Sqlite.Database | undefined;
  try {
    sqlite = new Sqlite(file, { readonly: true });
    const found = sqlite.pragma('quick_check(1)', { simple: true }) as string;
    return found === 'ok' ? null : found.split('\n')[0]!.slice(0, 200);
  } catch (error) {
    const { code } = error as { code?: string };
    if (code === 'SQLITE_CORRUPT') return code;
    throw error;
  } finally {
    sqlite?.close();
  }
}

/** Opens a copy, since even reading a file with a log writes beside it. */
function openForReading(file: string, why: string, notes: string[], release: (() => void)[]): OpenDatabase {
  const folder = mkdtempSync(join(tmpdir(), 'fanfare-reading-'));
  release.push(() => rmSync(folder, { recursive: true, force: true }));
  const copy = join(folder, basename(file));
  copyAsItLies(file, copy);
  const readOnly = `${why} It is open for reading: look, and take a backup; nothing can be changed.`;
  const sqlite = new Sqlite(copy);
  try {
    return opened(sqlite, { file, readOnly, notes, release });
  } catch (error) {
    sqlite.close();
    throw new FileRefusal(
      `${why} It cannot be read either (${(error as Error).message}). Restore a backup: npm start -- --restore FILE`,
      { cause: error },
    );
  }
}

function keepBeforeMigration(
  sqlite: Sqlite.Database,
  file: string,
  identity: FileIdentity,
  notes: string[],
): void {
  if (identity.kind !== 'ours' || identity.format === ownFormat()) return;
  const kept = keptName(file, `format-${identity.format}`);
  copyWhole(sqlite, kept);
  notes.push(
    `Your data are brought from format ${identity.format} to ${ownFormat()}. The file as it was is kept: ${kept}`,
  );
}

function inWords(file: string, error: unknown): Error {
  const codeIn = (each: unknown): string | undefined => {
    if (!(each instanceof Error)) return undefined;
    return (each as { code?: string }).code ?? codeIn(each.cause);
  };
  const code = codeIn(error);
  if (code === undefined || error instanceof FileRefusal) return error as Error;
  if (code === 'SQLITE_NOTADB')
    return new Error(
      `${file} is not a Fanfare data file. It was left as it is; name another with FANFARE_DATA.`,
      { cause: error },
    );
  if (NO_ROOM.has(code))
    return new Error(
      `The disk that holds ${file} is full. Free some space and start again; nothing was lost.`,
      { cause: error },
    );
  return new Error(
    `The data file ${file} cannot be opened (${code}). Check the folder, or name another file with FANFARE_DATA.`,
    { cause: error },
  );
}
