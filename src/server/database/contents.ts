import { createHash, type Hash } from 'node:crypto';
import Sqlite from 'better-sqlite3';

/** Tables that say something of a file, not of the bench in it. */
const OF_THE_FILE = new Set(['__drizzle_migrations', 'revisions', 'facts', 'writes', 'sqlite_sequence']);

/** The tables that hold the bench, by name. */
export const contentTables = (sqlite: Sqlite.Database): string[] =>
  (
    sqlite
      .prepare(`SELECT name FROM main.sqlite_master WHERE type = 'table' ORDER BY name`)
      .pluck()
      .all() as string[]
  ).filter((name) => !OF_THE_FILE.has(name));

export const columnsOf = (sqlite: Sqlite.Database, table: string): { name: string; pk: number }[] =>
  sqlite.pragma(`main.table_info("${table}")`) as { name: string; pk: number }[];

/** SHA-256 of all that a data file holds of the bench, as hex, whatever its pages look like: rows in the order of their keys,
 *  each value with its type and length. Yields after each row, so that it can be worked out in portions. */
export function* contentsDigest(sqlite: Sqlite.Database): Generator<void, string> {
  const hash = createHash('sha256');
  for (const table of contentTables(sqlite)) {
    const columns = columnsOf(sqlite, table);
    const keys = columns.filter(({ pk }) => pk > 0).sort((p, q) => p.pk - q.pk);
    const order = (keys.length > 0 ? keys : columns).map(({ name }) => `"${name}"`).join(', ');
    hash.update(`${table}(${columns.map(({ name }) => name).join()})`);
    const rows = sqlite.prepare(`SELECT * FROM main."${table}" ORDER BY ${order}`).raw().safeIntegers();
    for (const row of rows.iterate() as IterableIterator<unknown[]>) {
      for (const value of row) addValue(hash, value);
      yield;
    }
  }
  return hash.digest('hex');
}

function addValue(hash: Hash, value: unknown): void {
  if (Buffer.isBuffer(value)) {
    hash.update(`b${value.length}:`);
    hash.update(value);
  } else if (typeof value === 'string') hash.update(`s${Buffer.byteLength(value)}:${value}`);
  else if (typeof value === 'bigint') hash.update(`i${value};`);
  else if (typeof value === 'number') hash.update(`r${value};`);
  else hash.update('n');
}

export function drained<T>(steps: Iterator<unknown, T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
