import { isNull, type SQL } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Database } from '../database/open.ts';
import { codes, kitItems, paints, settings, shelf } from '../database/schema.ts';
import { eachInPortions } from '../requests/inPortions.ts';

type Row = Record<string, unknown>;

interface SharedList {
  what: string;
  table: SQLiteTable;
  keyOf: (row: Row) => string;
  where?: SQL;
}

/** What belongs to the bench rather than to a build. */
const SHARED: readonly SharedList[] = [
  { what: 'Paints', table: paints, keyOf: ({ id }) => String(id) },
  { what: 'Codes', table: codes, keyOf: ({ id }) => String(id) },
  { what: 'Bottles on the shelf', table: shelf, keyOf: ({ paintId }) => String(paintId) },
  {
    what: 'Lessons, spares, stock',
    table: kitItems,
    keyOf: ({ kind, id }) => `${String(kind)} ${String(id)}`,
    where: isNull(kitItems.buildId),
  },
  { what: 'Evenings, air and units', table: settings, keyOf: () => 'the one' },
];

/** What of a row counts: not how often it was written. */
const said = ({ version: _v, revision: _r, ...row }: Row): string => JSON.stringify(row);

const rowsOf = async (db: Database, { table, keyOf, where }: SharedList): Promise<Map<string, string>> =>
  new Map(
    await eachInPortions(
      db.select().from(table).where(where).all() as Row[],
      (row) => [keyOf(row), said(row)] as const,
    ),
  );

/** Rows of a list there and here, and how many are in both and say something else. */
export interface DifferingRows {
  what: string;
  there: number;
  here: number;
  differ: number;
}

/** What belongs to the whole bench, there beside here. */
export async function differingRows(here: Database, there: Database): Promise<DifferingRows[]> {
  const found: DifferingRows[] = [];
  for (const list of SHARED) {
    const [mine, theirs] = [await rowsOf(here, list), await rowsOf(there, list)];
    const differ = [...theirs].filter(([key, row]) => mine.has(key) && mine.get(key) !== row).length;
    found.push({ what: list.what, there: theirs.size, here: mine.size, differ });
  }
  return found;
}
