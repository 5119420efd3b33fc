import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import type { BaseSQLiteDatabase } from 'drizzle-orm/sqlite-core';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { projectRoot } from '../projectRoot.ts';
import * as schema from './schema.ts';

/** The tables, inside a transaction or out of one. */
export type Database = BaseSQLiteDatabase<'sync', Sqlite.RunResult, typeof schema>;

export interface OpenDatabase {
  db: Database;
  sqlite: Sqlite.Database;
}

/** Opens or creates the data file and brings its tables up to date.
 *  Throws Error, in a builder's words, for a file that is not a database or cannot be written. */
export function openDatabase(file: string): OpenDatabase {
  try {
    if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
    const sqlite = new Sqlite(file);
    sqlite.pragma('journal_mode = WAL');
    // Durable at every commit: what the interface shows as saved survives a killed process or a power cut.
    sqlite.pragma('synchronous = FULL');
    sqlite.pragma('foreign_keys = ON');
    const db = drizzle(sqlite, { schema });
    migrate(db, { migrationsFolder: join(projectRoot(), 'src/server/database/migrations') });
    return { db, sqlite };
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    if (code === 'SQLITE_NOTADB') {
      throw new Error(
        `${file} is not a Fanfare data file. It was left as it is; name another with FANFARE_DATA.`,
        { cause: error },
      );
    }
    if (code === 'SQLITE_FULL' || code === 'ENOSPC') {
      throw new Error(
        `The disk that holds ${file} is full. Free some space and start again; nothing was lost.`,
        { cause: error },
      );
    }
    throw new Error(
      `The data file ${file} cannot be opened (${code ?? message}). Check the folder, or name another file with FANFARE_DATA.`,
      { cause: error },
    );
  }
}
