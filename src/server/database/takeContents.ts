import type Sqlite from 'better-sqlite3';
import { convertSurfaces } from '../store/convertSurfaces.ts';
import { openDatabase } from './open.ts';

/** Tables that say something of a file, not of the bench in it. */
const OF_THE_FILE = new Set(['__drizzle_migrations', 'revisions', 'facts', 'writes', 'sqlite_sequence']);

/** Puts what another data file holds in the place of all that this one holds, in one transaction; the other is brought
 *  up to date first. Whatever a browser had read before is stale afterwards. */
export function takeContents(sqlite: Sqlite.Database, from: string, clock: () => number): void {
  const other = openDatabase(from);
  other.db.transaction((tx) => convertSurfaces(tx, Math.floor(clock() / 60000)));
  other.close();
  sqlite.prepare('ATTACH ? AS restored').run(from);
  try {
    const tables = (
      sqlite.prepare(`SELECT name FROM main.sqlite_master WHERE type = 'table'`).pluck().all() as string[]
    ).filter((name) => !OF_THE_FILE.has(name));
    sqlite.transaction(() => {
      sqlite.pragma('defer_foreign_keys = ON');
      for (const table of tables) sqlite.exec(`DELETE FROM main."${table}"`);
      for (const table of tables) {
        const columns = (sqlite.pragma(`main.table_info("${table}")`) as { name: string }[])
          .map(({ name }) => `"${name}"`)
          .join(', ');
        sqlite.exec(`INSERT INTO main."${table}" (${columns}) SELECT ${columns} FROM restored."${table}"`);
      }
      sqlite.exec(
        `UPDATE main.revisions SET value = 1 + max(value, (SELECT max(value) FROM restored.revisions));
         UPDATE main.revisions SET whole_from = value;
         UPDATE main.builds SET revision = (SELECT value FROM main.revisions);`,
      );
    })();
  } finally {
    sqlite.exec('DETACH restored');
  }
}
