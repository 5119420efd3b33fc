import { asc, eq, inArray, sql } from 'drizzle-orm';
import type { BuildDocument } from '../../api/index.ts';
import { DOCUMENT_VERSION } from '../../api/handOn/buildDocument.ts';
import {
  assembleStock,
  isFromBuild,
  KIT_RECORDS,
  referencesOf,
  withReferences,
  type RecordDefinition,
} from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { builds, codes, cups, joins, paints, pictures, readings, steps, trays } from '../database/schema.ts';
import { notFound } from '../problem.ts';
import { readKit, readKitItems } from '../store/kitStore.ts';

/** Said of a picture that is asked for and was not handed on. */
const LEFT_OUT = 'the picture was not handed on';

export interface DocumentWish {
  /** Milliseconds since 1970. */
  now: number;
  withPictures: boolean;
  /** With every lesson and spare of the bench, not only those that came from the build. */
  wholeStock?: boolean;
}

/** A build as it is handed on, and the bytes of its pictures. Without pictures, what shows one says that it has none. */
export function readDocument(
  db: Database,
  buildId: string,
  { now, withPictures, wholeStock = false }: DocumentWish,
): { document: BuildDocument; pictures: Map<string, Buffer> } {
  const row = db.select().from(builds).where(eq(builds.id, buildId)).get();
  if (!row) throw notFound('build', buildId);
  const { id, name, subject, scale } = row;
  const kept = withPictures
    ? db.select().from(pictures).where(eq(pictures.buildId, buildId)).orderBy(asc(pictures.id)).all()
    : [];
  const kit = kitLists(db, buildId, new Set(kept.map((picture) => picture.id)));
  const trayRows = db
    .select()
    .from(trays)
    .where(eq(trays.buildId, buildId))
    .orderBy(asc(trays.position), asc(trays.id))
    .all();
  const cupRows = db
    .select()
    .from(cups)
    .where(eq(cups.buildId, buildId))
    .orderBy(asc(cups.mixedAt), asc(cups.id))
    .all();
  const cupDocuments = cupRows.map(({ buildId: _b, version: _v, ...cup }) => ({
    ...cup,
    readings: db
      .select()
      .from(readings)
      .where(eq(readings.cupId, cup.id))
      .orderBy(asc(readings.at), asc(readings.id))
      .all()
      .map(({ cupId: _c, version: _w, ...reading }) => reading),
  }));
  const document: BuildDocument = {
    fanfare: 'build',
    version: DOCUMENT_VERSION,
    savedAt: new Date(now).toISOString(),
    build: { name, subject, scale, id },
    trays: trayRows.map(({ buildId: _b, version: _v, ...tray }) => tray),
    joins: db
      .select()
      .from(joins)
      .where(eq(joins.buildId, buildId))
      // In the order in which they were made, which is that of their steps.
      .orderBy(sql`rowid`)
      .all()
      .map(({ buildId: _b, version: _v, ...join }) => join),
    kit,
    steps: db
      .select()
      .from(steps)
      .where(eq(steps.buildId, buildId))
      .orderBy(asc(steps.endedAt), asc(steps.operationId))
      .all()
      .map(({ buildId: _b, version: _v, ...step }) => step),
    cups: cupDocuments,
    ...catalogueOf(db, { trays: trayRows, cups: cupDocuments, kit }),
    ...(wholeStock ? wholeTaught(db) : taughtBy(db, name)),
    pictures: kept.map((picture) => ({ id: picture.id, file: `pictures/${fileName(picture)}` })),
  };
  return { document, pictures: new Map(kept.map((picture) => [picture.id, picture.bytes])) };
}

const fileName = ({ id, type }: { id: string; type: string }): string =>
  `${id.replace(/[^\w-]/g, '_')}.${type === 'image/png' ? 'png' : 'jpg'}`;

/** The kit, list by list, without what leads to something that is gone or to a picture that stays here. */
function kitLists(db: Database, buildId: string, kept: ReadonlySet<string>): BuildDocument['kit'] {
  const kit = readKit(db, buildId);
  return Object.fromEntries(
    (KIT_RECORDS as readonly RecordDefinition[]).map((record) => [
      record.list,
      (kit[record.list as keyof typeof kit] as { id: string }[]).flatMap((value) => {
        const said = withReferences(record, value, (id, to) =>
          to === 'picture' && !kept.has(id) ? undefined : id,
        );
        if (!said) return [];
        if (said === value) return [value];
        // A milestone has a picture, or says why it has none.
        const isUnexplained = record.check(said) !== null && 'note' in said;
        return [isUnexplained ? { ...said, note: LEFT_OUT } : said];
      }),
    ]),
  );
}

/** The codes and paints that a build names, wherever it does. */
function catalogueOf(
  db: Database,
  { trays: trayRows, cups: cupRows, kit }: Pick<BuildDocument, 'trays' | 'cups' | 'kit'>,
): Pick<BuildDocument, 'codes' | 'paints'> {
  const codeIds = new Set<string>(cupRows.map(({ codeId }) => codeId));
  const paintIds = new Set<string>();
  for (const { codeId, layers } of trayRows) {
    if (codeId !== null) codeIds.add(codeId);
    for (const layer of layers) {
      if (layer.codeId !== undefined) codeIds.add(layer.codeId);
      for (const id of Object.keys(layer.mix ?? {})) paintIds.add(id);
    }
  }
  for (const cup of cupRows)
    for (const drops of [
      cup.drops,
      ...cup.additions.map(({ add }) => add),
      ...cup.readings.map((reading) => reading.drops),
    ])
      for (const id of Object.keys(drops)) paintIds.add(id);
  for (const record of KIT_RECORDS as readonly RecordDefinition[])
    for (const value of kit[record.list]!)
      for (const { to, id } of referencesOf(record, value).refers) if (to === 'code') codeIds.add(id);
  return {
    codes: db
      .select()
      .from(codes)
      .where(inArray(codes.id, [...codeIds]))
      .orderBy(asc(codes.id))
      .all()
      .map(({ version: _, ...code }) => code),
    paints: db
      .select()
      .from(paints)
      .where(inArray(paints.id, [...paintIds]))
      .orderBy(asc(paints.id))
      .all()
      .map(({ version: _v, revision: _r, ...paint }) => paint),
  };
}

/** Lessons and spares that came from a build, as their origin says. */
function taughtBy(db: Database, name: string): Pick<BuildDocument, 'lessons' | 'spares'> {
  const { lessons, spares } = assembleStock(readKitItems(db, null));
  const isFrom = (taught: { origin: string }) => isFromBuild(taught, name);
  return { lessons: lessons.filter(isFrom), spares: spares.filter(isFrom) };
}

function wholeTaught(db: Database): Pick<BuildDocument, 'lessons' | 'spares'> {
  const { lessons, spares } = assembleStock(readKitItems(db, null));
  return { lessons, spares };
}
