import { randomUUID } from 'node:crypto';
import {
  chmodSync,
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { basename, dirname, extname, join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { APPLICATION_ID, identify, ownFormat, programVersion } from './fileIdentity.ts';

/** Nobody but the owner reads the bench. */
const OWNER_ONLY = 0o600;
/** What SQLite keeps beside a file. */
const COMPANIONS = ['-wal', '-shm', '-journal'];

/** A name for a file that is in the making, beside the data. */
export function besideName(file: string, what: 'backup' | 'restore'): string {
  return join(dirname(file), `.${basename(file)}.${what}-${randomUUID()}`);
}

/** Removes what a killed server left of backups and restores in the making. Gives their names. */
export function sweepRemains(file: string): string[] {
  const folder = dirname(file);
  const begins = [`.${basename(file)}.backup-`, `.${basename(file)}.restore-`];
  const remains = readdirSync(folder).filter((name) => begins.some((begin) => name.startsWith(begin)));
  for (const name of remains) rmSync(join(folder, name), { force: true });
  return remains;
}

/** A name beside the data that nobody has: bench.before-restore.db, bench.before-restore-2.db... */
export function keptName(file: string, why: string): string {
  const extension = extname(file);
  const stem = file.slice(0, file.length - extension.length);
  for (let count = 1; ; count++) {
    const name = `${stem}.${why}${count > 1 ? `-${count}` : ''}${extension}`;
    if (!existsSync(name)) return name;
  }
}

/** Only the owner may read a data file and what SQLite keeps beside it. */
export function closeToOthers(file: string): void {
  for (const path of [file, ...COMPANIONS.map((end) => file + end)]) {
    if (existsSync(path)) chmodSync(path, OWNER_ONLY);
  }
}

/** Makes an empty file that only the owner may read, where there is none. */
export function makePrivate(file: string): void {
  closeSync(openSync(file, 'a', OWNER_ONLY));
}

/** Copies a data file with its log as they lie, for reading. */
export function copyAsItLies(file: string, to: string): void {
  copyFileSync(file, to);
  if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${to}-wal`);
  closeToOthers(to);
}

/** Writes the whole of an open database, its log included, as one file. */
export function copyWhole(sqlite: Sqlite.Database, to: string): void {
  sqlite.prepare('VACUUM INTO ?').run(to);
  closeToOthers(to);
  syncToDisk(to);
}

/** Removes a file and what SQLite keeps beside it. */
export function removeWhole(file: string): void {
  for (const path of [file, ...[...COMPANIONS, '.lock'].map((end) => file + end)])
    rmSync(path, { force: true });
}

/** Puts a data file and its log under another name. */
export function setAside(file: string, to: string): void {
  renameSync(file, to);
  for (const end of COMPANIONS) if (existsSync(file + end)) renameSync(file + end, to + end);
}

/** Waits until a file is on the disk. */
export function syncToDisk(path: string): void {
  const handle = openSync(path, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** Throws Error, in a builder's words, for a file that cannot be restored. */
export function requireBackup(from: string): void {
  if (!existsSync(from)) throw new Error(`There is no file ${from}. Nothing was changed.`);
  let whole: unknown;
  try {
    const identity = identify(from);
    if (identity.kind !== 'ours') {
      const why = identity.kind === 'new' ? 'it is empty' : identity.why;
      throw new Error(`${from} is no backup of a Fanfare bench: ${why}. Nothing was changed.`);
    }
    if (identity.format > ownFormat()) throw new Error(newerFile(from, identity));
    const sqlite = new Sqlite(from, { readonly: true });
    whole = sqlite.pragma('quick_check(1)', { simple: true });
    sqlite.close();
  } catch (error) {
    const { code } = error as { code?: string };
    if (code === undefined) throw error;
    throw new Error(
      `${from} ${code === 'SQLITE_NOTADB' ? 'is no backup of a Fanfare bench' : `cannot be read (${code})`}. Nothing was changed.`,
      { cause: error },
    );
  }
  if (whole !== 'ok') throw new Error(`${from} is damaged (${String(whole)}). Nothing was changed.`);
}

export function newerFile(
  file: string,
  { format, writtenBy }: { format: number; writtenBy: string | null },
): string {
  return `${file} was written by a newer Fanfare (${writtenBy ?? 'version not known'}, data format ${format}); this is ${programVersion()}, which knows formats up to ${ownFormat()}. It was left as it is: start the newer Fanfare, or name another file with FANFARE_DATA.`;
}

/** Puts a backup in the place of a data file that no server has open. What was there is kept under another name, which
 *  is given back; null where nothing was. Throws Error where the backup cannot be used, with nothing changed. */
export function restoreInPlace(from: string, file: string): string | null {
  requireBackup(from);
  const fresh = besideName(file, 'restore');
  try {
    const backup = new Sqlite(from, { readonly: true });
    try {
      copyWhole(backup, fresh);
    } finally {
      backup.close();
    }
    let kept: string | null = null;
    if (existsSync(file)) {
      kept = keptName(file, 'before-restore');
      setAside(file, kept);
    } else removeWhole(file);
    renameSync(fresh, file);
    return kept;
  } finally {
    removeWhole(fresh);
  }
}

/** Sets whose file it is, and of which format. */
export function markAsOurs(sqlite: Sqlite.Database): void {
  sqlite.pragma(`application_id = ${APPLICATION_ID}`);
  sqlite.pragma(`user_version = ${ownFormat()}`);
}
