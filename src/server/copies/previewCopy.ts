import { copyFileSync } from 'node:fs';
import { asc, count, eq, max, sql } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { BuildStanding, CopyPreview, CopyRecord } from '../../api/index.ts';
import { closeToOthers } from '../database/besideData.ts';
import { identify } from '../database/fileIdentity.ts';
import { openDatabase, type Database } from '../database/open.ts';
import { builds, cups, kitItems, pictures, readings, steps } from '../database/schema.ts';
import { documentText } from '../handOn/documentFile.ts';
import { readDocument } from '../handOn/readDocument.ts';
import { eachInPortions } from '../requests/inPortions.ts';
import { readKit } from '../store/kitStore.ts';
import { convertSurfaces } from '../store/convertSurfaces.ts';
import { differingRows } from './differingRows.ts';
import { pathInMaking, pathOfCopy, removeMaking } from './copiesFolder.ts';
import { verifyCopy } from './sealCopy.ts';

/** What is counted side by side. */
const COUNTED: readonly (readonly [what: string, table: SQLiteTable])[] = [
  ['Builds', builds],
  ['Records of kits', kitItems],
  ['Done steps', steps],
  ['Cups', cups],
  ['Spoons', readings],
  ['Pictures', pictures],
];

const countOf = (db: Database, table: SQLiteTable): number =>
  db.select({ n: count() }).from(table).get()?.n ?? 0;
const lastStep = (db: Database): number | null =>
  db
    .select({ at: max(steps.endedAt) })
    .from(steps)
    .get()?.at ?? null;

/** What a copy holds beside what the bench holds; nothing is changed. An older copy is brought up to date in a copy of its own.
 *  Throws Error, in a builder's words, for one that cannot be restored. */
export async function previewCopy(
  db: Database,
  folder: string,
  copy: CopyRecord,
  now: number,
): Promise<CopyPreview> {
  const path = pathOfCopy(folder, copy.id);
  const { madeAt, checked } = await verifyCopy(path);
  const identity = identify(path);
  const readId = `${copy.id}-read`;
  const read = pathInMaking(folder, readId);
  try {
    copyFileSync(path, read);
    closeToOthers(read);
    const there = openDatabase(read);
    try {
      there.db.transaction((tx) => convertSurfaces(tx, Math.floor(now / 60_000)));
      return {
        copy,
        madeAt: madeAt === null ? null : Math.floor(madeAt / 60_000),
        writtenBy: identity.kind === 'ours' ? identity.writtenBy : null,
        checked,
        builds: await standings(db, there.db),
        counts: [
          ...COUNTED.map(([what, table]) => ({
            what,
            there: countOf(there.db, table),
            here: countOf(db, table),
            differ: null,
          })),
          ...(await differingRows(db, there.db)),
        ],
        lastStepAt: { there: lastStep(there.db), here: lastStep(db) },
      };
    } finally {
      there.close();
    }
  } finally {
    removeMaking(folder, readId);
  }
}

const picturesOf = (db: Database, buildId: string) =>
  db
    .select({ id: pictures.id, bytes: sql<number>`length(${pictures.bytes})` })
    .from(pictures)
    .where(eq(pictures.buildId, buildId))
    .orderBy(asc(pictures.id))
    .all();

async function standings(here: Database, there: Database): Promise<CopyPreview['builds']> {
  const named = (db: Database) =>
    new Map(
      db
        .select({ id: builds.id, name: builds.name })
        .from(builds)
        .orderBy(asc(builds.position))
        .all()
        .map(({ id, name }) => [id, name]),
    );
  const [mine, theirs] = [named(here), named(there)];
  // At one moment, so that two documents differ only by what is in them; and what a document leaves out without its pictures.
  const textOf = (db: Database, id: string) =>
    documentText(readDocument(db, id, { now: 0, withPictures: false }).document) +
    JSON.stringify([readKit(db, id), picturesOf(db, id)]);
  const standing = (id: string): BuildStanding => {
    if (!mine.has(id)) return 'only there';
    if (!theirs.has(id)) return 'only here';
    return textOf(here, id) === textOf(there, id) ? 'same' : 'differs';
  };
  return eachInPortions([...new Set([...theirs.keys(), ...mine.keys()])], (id) => ({
    name: theirs.get(id) ?? mine.get(id)!,
    standing: standing(id),
  }));
}
