import { existsSync, readFileSync, realpathSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import Sqlite from 'better-sqlite3';

/** Says in a builder's words why a file is not opened. */
export class FileRefusal extends Error {}

const USER_VERSION_AT = 60;
/** Files that this process has. */
const held = new Set<string>();

/** Takes a data file for this process alone, until it ends in whatever way: the lock is the operating system's, so
 *  that none is left over by a killed server. Gives what lets go of it, or undefined where the folder cannot be
 *  written. Throws FileRefusal, naming the process that has it. */
export function takeFile(file: string): (() => void) | undefined {
  const real = join(realpathSync(dirname(file)), basename(file));
  const path = `${existsSync(real) ? realpathSync(real) : real}.lock`;
  if (held.has(path))
    throw new FileRefusal(`The data file ${file} is open in this process (${process.pid}) already.`);
  let lock: Sqlite.Database;
  try {
    lock = tryLock(path);
  } catch (error) {
    const { code = '' } = error as { code?: string };
    if (code.startsWith('SQLITE_BUSY')) {
      throw new FileRefusal(
        `Another Fanfare, process ${holderOf(path)}, has the data file ${file} open. Use that one, or end it first.`,
        { cause: error },
      );
    }
    if (code === 'SQLITE_NOTADB' || code === 'SQLITE_CORRUPT') {
      // A machine that lost power while it was written; nothing is kept in it.
      rmSync(path);
      lock = tryLock(path);
    } else if (/CANTOPEN|READONLY|PERM|IOERR|FULL/.test(code)) return undefined;
    else throw error;
  }
  held.add(path);
  return () => {
    held.delete(path);
    lock.close();
  };
}

function tryLock(path: string): Sqlite.Database {
  const lock = new Sqlite(path, { timeout: 0 });
  try {
    lock.pragma('journal_mode = MEMORY');
    lock.pragma('locking_mode = EXCLUSIVE');
    // Writing takes the lock; what is written says who has it.
    lock.pragma(`user_version = ${process.pid}`);
    return lock;
  } catch (error) {
    lock.close();
    throw error;
  }
}

function holderOf(path: string): number | string {
  try {
    return readFileSync(path).readUInt32BE(USER_VERSION_AT);
  } catch {
    return 'unknown';
  }
}
