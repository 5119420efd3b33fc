import type Sqlite from 'better-sqlite3';
import { convertSurfaces } from '../store/convertSurfaces.ts';
import { columnsOf, contentTables } from './contents.ts';
import { openDatabase } from './open.ts';

/** Puts what another data file holds in the place of all that this one holds, in one transaction; the other is brought
 *  up to date first. Whatever a browser had read before is stale afterwards. */
export function takeContents(sqlite: Sqlite.Database, from: string, clock: () => number): void {
  const other = openDatabase(from);
  other.db.transaction((tx) => convertSurfaces(tx, Math.floor(clock() / 60000)));
  other.close();
  sqlite.prepare('ATTACH ? AS restored').run(from);
  try {
    const tables = contentTables(sqlite);
    sqlite.transaction(() => {
      sqlite.pragma('defer_foreign_keys = ON');
      for (const table of tables) sqlite.exec(`DELETE FROM main."${table}"`);
      for (const table of tables) {
        const columns = columnsOf(sqlite, table)
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
