import { and, eq, inArray, max, type SQL } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import equal from 'fast-deep-equal';
import type { BuildDocument, HandedOnPreview, SharedList, Standing } from '../../api/index.ts';
import { SHARED_LISTS } from '../../api/handOn/buildDocument.ts';
import { renamedDocument } from '../../api/handOn/renamed.ts';
import {
  checkKit,
  KIT_RECORDS,
  partsInTwoTrays,
  referencesOf,
  type Kit,
  type RecordDefinition,
} from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import {
  builds,
  codes,
  cups,
  joins,
  kitItems,
  paints,
  pictures,
  readings,
  steps,
  trays,
} from '../database/schema.ts';
import { ProblemError, shown } from '../problem.ts';
import { noteRefitDue } from '../store/cupStore.ts';
import { nextVersion } from '../store/revisions.ts';
import type { DocumentFile } from './documentFile.ts';

const KINDS = new Map((KIT_RECORDS as readonly RecordDefinition[]).map(({ list, kind }) => [list, kind]));
const STOCK_KIND = { lessons: 'lesson', spares: 'spare' } as const;
/** Of what differs so many are named. */
const MOST_NAMED = 50;

/** What the bench holds of a shared list, by id, as a document would say it. */
function mineOf(db: Database, list: SharedList, ids: readonly string[]): Map<string, object> {
  const wanted = [...ids];
  if (list === 'codes')
    return new Map(
      db
        .select()
        .from(codes)
        .where(inArray(codes.id, wanted))
        .all()
        .map(({ version: _, ...code }) => [code.id, code]),
    );
  if (list === 'paints')
    return new Map(
      db
        .select()
        .from(paints)
        .where(inArray(paints.id, wanted))
        .all()
        .map(({ version: _v, revision: _r, ...paint }) => [paint.id, paint]),
    );
  return new Map(
    db
      .select()
      .from(kitItems)
      .where(and(eq(kitItems.kind, STOCK_KIND[list]), inArray(kitItems.id, wanted)))
      .all()
      .map(({ id, value }) => [id, { id, ...value }]),
  );
}

const plain = (value: object): unknown => JSON.parse(JSON.stringify(value));

function sharedOf(db: Database, document: BuildDocument): HandedOnPreview['shared'] {
  return SHARED_LISTS.map((list) => {
    const theirs = document[list] as readonly { id: string; name?: string; text?: string }[];
    const mine = mineOf(
      db,
      list,
      theirs.map(({ id }) => id),
    );
    const known = theirs.filter(({ id }) => mine.has(id));
    const differ = known.flatMap((their) => {
      const own = plain(mine.get(their.id)!) as Record<string, unknown>;
      const other = plain(their) as Record<string, unknown>;
      const fields = [...new Set([...Object.keys(own), ...Object.keys(other)])].filter(
        (key) => !equal(own[key], other[key]),
      );
      return fields.length > 0 ? [{ id: their.id, name: their.name ?? their.text ?? their.id, fields }] : [];
    });
    return {
      list,
      fresh: theirs.length - known.length,
      same: known.length - differ.length,
      differ: differ.slice(0, MOST_NAMED),
    };
  });
}

/** Whether anything of a build with these ids is here already. */
function isTaken(
  db: Database,
  { build, trays: own, joins: made, cups: mixed, ...rest }: BuildDocument,
): boolean {
  const has = (table: SQLiteTable, column: SQLiteColumn, list: readonly string[], more?: SQL) =>
    db
      .select({ id: column })
      .from(table)
      .where(and(inArray(column, [...list]), more))
      .limit(1)
      .all().length > 0;
  const idsOf = (list: readonly { id: string }[]) => list.map(({ id }) => id);
  return (
    has(builds, builds.id, [build.id]) ||
    has(trays, trays.id, idsOf(own)) ||
    has(joins, joins.id, idsOf(made)) ||
    has(cups, cups.id, idsOf(mixed)) ||
    has(
      readings,
      readings.id,
      mixed.flatMap((cup) => idsOf(cup.readings)),
    ) ||
    has(pictures, pictures.id, idsOf(rest.pictures)) ||
    has(
      steps,
      steps.operationId,
      rest.steps.map(({ operationId }) => operationId),
    ) ||
    Object.entries(rest.kit).some(([list, records]) =>
      has(kitItems, kitItems.id, idsOf(records), eq(kitItems.kind, KINDS.get(list)!)),
    )
  );
}

/** The document as it comes in: under ids of its own where those it brings are taken, and then under another name. */
function asItComesIn(db: Database, document: BuildDocument): { document: BuildDocument; isHere: boolean } {
  if (!isTaken(db, document)) return { document, isHere: false };
  for (let turn = 2; ; turn++) {
    const renamed = renamedDocument(document, `-copy${turn}`);
    if (isTaken(db, renamed)) continue;
    const name = `${document.build.name.slice(0, 110)} (${turn})`;
    return { document: { ...renamed, build: { ...renamed.build, name } }, isHere: true };
  }
}

/** What would come of a document; nothing is changed. */
export function previewDocument(db: Database, { document, notes }: DocumentFile): HandedOnPreview {
  requireSound(document);
  const { document: coming, isHere } = asItComesIn(db, document);
  return {
    build: document.build,
    savedAt: document.savedAt,
    comesInAs: coming.build.name,
    isHere,
    counts: {
      // Pieces, as the kit stage counts them.
      parts: (document.kit as unknown as Kit).parts.reduce((sum, { count }) => sum + count, 0),
      trays: document.trays.length,
      steps: document.steps.length,
      cups: document.cups.length,
      pictures: document.pictures.length,
    },
    shared: sharedOf(db, document),
    notes,
  };
}

/** Brings a build in, in the transaction of the caller. `standing`: whose codes, paints, lessons and spares stand where
 *  they differ. Gives the build's id. */
export function takeDocument(
  db: Database,
  { document: given }: DocumentFile,
  pictureFiles: ReadonlyMap<string, { bytes: Buffer; type: string }>,
  standing: Readonly<Record<SharedList, Standing>>,
): string {
  requireSound(given);
  for (const list of SHARED_LISTS) takeShared(db, given, list, standing[list]);
  const { document } = asItComesIn(db, given);
  const buildId = document.build.id;
  const last =
    db
      .select({ position: max(builds.position) })
      .from(builds)
      .get()?.position ?? -1;
  const version = nextVersion(db);
  db.insert(builds)
    .values({ ...document.build, position: last + 1, version })
    .run();
  const codeIds = new Set(
    db
      .select({ id: codes.id })
      .from(codes)
      .all()
      .map(({ id }) => id),
  );
  for (const tray of document.trays)
    db.insert(trays)
      .values({
        ...tray,
        codeId: tray.codeId !== null && codeIds.has(tray.codeId) ? tray.codeId : null,
        buildId,
        version,
      })
      .run();
  for (const join of document.joins)
    db.insert(joins)
      .values({ ...join, buildId, version })
      .run();
  // Before the records that show them.
  given.pictures.forEach(({ id }, at) => {
    const { bytes, type } = pictureFiles.get(id)!;
    db.insert(pictures).values({ id: document.pictures[at]!.id, buildId, type, bytes }).run();
  });
  for (const [list, records] of Object.entries(document.kit))
    for (const { id, ...value } of records)
      db.insert(kitItems)
        .values({ kind: KINDS.get(list)!, id, buildId, value, version })
        .run();
  for (const step of document.steps)
    db.insert(steps)
      .values({ ...step, buildId, version })
      .run();
  for (const { readings: spoons, ...cup } of document.cups) {
    db.insert(cups)
      .values({ ...cup, buildId, version })
      .run();
    for (const reading of spoons)
      db.insert(readings)
        .values({ ...reading, geometry: reading.geometry ?? 'unknown', cupId: cup.id, version })
        .run();
  }
  noteRefitDue(
    db,
    document.cups.flatMap((cup) => cup.readings.flatMap(({ drops }) => Object.keys(drops))),
  );
  return buildId;
}

function takeShared(db: Database, document: BuildDocument, list: SharedList, standing: Standing): void {
  const theirs = document[list] as readonly { id: string }[];
  const mine = mineOf(
    db,
    list,
    theirs.map(({ id }) => id),
  );
  for (const their of theirs) {
    const own = mine.get(their.id);
    if (own && (standing === 'mine' || equal(plain(own), plain(their)))) continue;
    const version = nextVersion(db);
    if (list === 'codes') {
      const values = { ...(their as typeof codes.$inferInsert), version };
      db.insert(codes).values(values).onConflictDoUpdate({ target: codes.id, set: values }).run();
    } else if (list === 'paints') {
      const values = { ...(their as typeof paints.$inferInsert), version };
      db.insert(paints).values(values).onConflictDoUpdate({ target: paints.id, set: values }).run();
    } else {
      const { id, ...value } = their;
      const values = { kind: STOCK_KIND[list], id, buildId: null, value, version };
      db.insert(kitItems)
        .values(values)
        .onConflictDoUpdate({ target: [kitItems.kind, kitItems.id], set: values })
        .run();
    }
  }
}

const contradicts = (detail: string): ProblemError =>
  new ProblemError({
    status: 422,
    type: '/problems/unsound-document',
    title: 'That build contradicts itself',
    detail,
    remedy: 'Nothing was changed. Mend what is named in the file, or have it saved anew where it came from.',
  });

/** Refuses a document whose records contradict each other, which no form would have let in. */
function requireSound(document: BuildDocument): void {
  requireOwnIds(document);
  const { build, kit, trays: trayList, steps: stepList, cups: cupList, pictures: pictureList } = document;
  const whole = kit as unknown as Kit;
  const impossible = checkKit(whole).flatMap(({ kind, message }) => (kind === 'impossible' ? [message] : []));
  if (impossible.length > 0) throw contradicts(impossible.slice(0, 5).join(' '));
  const kept = new Set(pictureList.map(({ id }) => id));
  for (const record of KIT_RECORDS as readonly RecordDefinition[])
    for (const value of kit[record.list]!)
      for (const { to, id } of referencesOf(record, value).refers)
        if (to === 'picture' && !kept.has(id))
          throw contradicts(
            `kit.${record.list}: “${shown(value.id)}” shows the picture ${shown(id)}, which is not in the file.`,
          );
  const parts = new Set(whole.parts.map(({ id }) => id));
  for (const { name, partIds } of trayList)
    for (const id of partIds)
      if (!parts.has(id))
        throw contradicts(
          `The sub-assembly “${shown(name)}” names the part ${shown(id)}, which is not in the kit.`,
        );
  const twice = partsInTwoTrays(trayList, whole.parts);
  if (twice.length > 0) throw contradicts(twice.slice(0, 5).join(' '));
  const strange = stepList.find(({ operationId }) => !operationId.startsWith(`${build.id}/`));
  if (strange) throw contradicts(`steps: ${shown(strange.operationId)} is no step of this build.`);
  const homes = new Set(trayList.map(({ id }) => id));
  const homeless = cupList.find(({ trayId }) => trayId !== null && !homes.has(trayId));
  if (homeless)
    throw contradicts(`cups: “${shown(homeless.name)}” is of a sub-assembly that is not in the file.`);
}

/** Refuses a document in which two of one kind have the same id. */
function requireOwnIds({ kit, steps: stepList, cups: cupList, ...rest }: BuildDocument): void {
  const idsOf = (list: readonly { id: string }[]) => list.map(({ id }) => id);
  const lists: [place: string, ids: string[]][] = [
    ...(['trays', 'joins', 'pictures', ...SHARED_LISTS] as const).map((list): [string, string[]] => [
      list,
      idsOf(rest[list]),
    ]),
    ...Object.entries(kit).map(([list, records]): [string, string[]] => [`kit.${list}`, idsOf(records)]),
    ['steps', stepList.map(({ operationId }) => operationId)],
    ['cups', idsOf(cupList)],
    ['spoons', cupList.flatMap(({ readings: spoons }) => idsOf(spoons))],
  ];
  for (const [place, ids] of lists) {
    const seen = new Set<string>();
    for (const id of ids) {
      if (seen.has(id)) throw contradicts(`${place}: two have the id “${shown(id)}”.`);
      seen.add(id);
    }
  }
}
