import { and, eq, isNull, sql } from 'drizzle-orm';
import type { AnyObjectSchema } from 'yup';
import type { KitItemRecord } from '../../api/index.ts';
import {
  assembleKit,
  checkKit,
  MOST_PARTS,
  KIT_RECORDS,
  partsInTwoTrays,
  referencesOf,
  type Kit,
  assembleStock,
  type Stock,
  type RecordDefinition,
  withLaterFields,
  withoutOrphans,
} from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { kitItems, pictures, trays } from '../database/schema.ts';
import { validated } from '../requests/validated.ts';
import { notFound, ProblemError, shown, stale } from '../problem.ts';
import { nextVersion } from './revisions.ts';

export interface KitChange {
  kind: string;
  id: string;
  version: number;
  value?: unknown;
}

const owned = (buildId: string | null) =>
  buildId === null ? isNull(kitItems.buildId) : eq(kitItems.buildId, buildId);

/** Records of a build's kit, or of the stock (null), in the order in which they were entered, with the fields that there are
 *  now: what is sent back passes the checks, taken back too. */
export function readKitItems(db: Database, buildId: string | null): KitItemRecord[] {
  return db
    .select({ kind: kitItems.kind, id: kitItems.id, version: kitItems.version, value: kitItems.value })
    .from(kitItems)
    .where(owned(buildId))
    .orderBy(sql`rowid`)
    .all()
    .map((item) => ({ ...item, value: withLaterFields(item.kind, item.value as object) }));
}

export function readTaught(db: Database): Pick<Stock, 'lessons' | 'materials'> {
  const { lessons, materials } = assembleStock(readKitItems(db, null));
  return { lessons, materials };
}

const storedKit = (db: Database, buildId: string): Kit => assembleKit(readKitItems(db, buildId));

/** A build's kit, without what refers to something that is gone. */
export const readKit = (db: Database, buildId: string): Kit => withoutOrphans(storedKit(db, buildId));

/** Stores changes of a kit or of the stock in one stroke: all or none. Throws for a value that breaks its schema,
 *  a record changed elsewhere, and a kit that would contradict itself. */
export function changeKitItems(
  db: Database,
  buildId: string | null,
  schemas: Readonly<Record<string, AnyObjectSchema>>,
  changes: readonly KitChange[],
): KitItemRecord[] {
  const saved: KitItemRecord[] = [];
  const before = buildId === null ? [] : impossibleIn(storedKit(db, buildId));
  for (const { kind, id, version, value } of changes) {
    const row = db
      .select()
      .from(kitItems)
      .where(and(eq(kitItems.kind, kind), eq(kitItems.id, id)))
      .get();
    if (row && row.buildId !== buildId) throw notFound(kind, id);
    if ((row?.version ?? 0) !== version && !(value === null && !row)) {
      throw stale(
        kind,
        row
          ? { kind, id, version: row.version, value: withLaterFields(kind, row.value) }
          : { kind, id, version: 0, value: null },
      );
    }
    if (value === null) {
      db.delete(kitItems)
        .where(and(eq(kitItems.kind, kind), eq(kitItems.id, id)))
        .run();
      saved.push({ kind, id, version: 0, value: null });
      continue;
    }
    const checked = validated(schemas[kind]!, value) as Record<string, unknown>;
    const next = nextVersion(db);
    if (row) {
      db.update(kitItems)
        .set({ value: checked, version: next })
        .where(and(eq(kitItems.kind, kind), eq(kitItems.id, id)))
        .run();
    } else {
      db.insert(kitItems).values({ kind, id, buildId, value: checked, version: next }).run();
    }
    saved.push({ kind, id, version: next, value: checked });
  }
  if (buildId !== null) requireSoundKit(db, buildId, changes, new Set(before));
  return saved;
}

/** What a kit says that cannot be, as messages. */
const impossibleIn = (kit: Kit): string[] =>
  checkKit(kit).flatMap(({ kind, message }) => (kind === 'impossible' ? [message] : []));

/** Refuses what would make a kit contradict itself; what contradicted itself before may stay, or nothing could be
 *  mended any more. */
function requireSoundKit(
  db: Database,
  buildId: string,
  changes: readonly KitChange[],
  before: ReadonlySet<string>,
): void {
  requireOwnPictures(db, buildId, changes);
  const kit = storedKit(db, buildId);
  if (kit.parts.length > MOST_PARTS)
    throw new RangeError(`A kit holds at most ${MOST_PARTS} parts; this would make ${kit.parts.length}.`);
  const impossible = impossibleIn(kit).filter((message) => !before.has(message));
  if (impossible.length > 0) {
    const named = impossible.slice(0, 5);
    const more = impossible.length > 5 ? ` And ${impossible.length - 5} more like these.` : '';
    throw new ProblemError({
      type: '/problems/impossible-kit',
      status: 400,
      title: 'That kit contradicts itself',
      detail: named.join(' ') + more,
      remedy: 'Nothing was changed. Mend what is named and try again.',
    });
  }
  if (changes.some(({ kind, value }) => kind === 'part' && value === null)) dropGoneParts(db, buildId, kit);
}

/** Refuses a picture that is not there, or another build's: it would go with that build. */
function requireOwnPictures(db: Database, buildId: string, changes: readonly KitChange[]): void {
  for (const { kind, value } of changes) {
    const record = (KIT_RECORDS as readonly RecordDefinition[]).find((each) => each.kind === kind);
    if (!record || !value) continue;
    for (const { to, id } of referencesOf(record, value).refers) {
      if (to !== 'picture') continue;
      const own = and(eq(pictures.id, id), eq(pictures.buildId, buildId));
      if (!db.select({ id: pictures.id }).from(pictures).where(own).get())
        throw new ProblemError({
          type: '/problems/no-such-picture',
          status: 400,
          title: 'That picture is not there',
          detail: `No picture of this build has the id “${shown(id)}”.`,
          remedy: 'Nothing was changed. Add the picture again.',
        });
    }
  }
}

/** A part that is gone lies in no sub-assembly any more. */
function dropGoneParts(db: Database, buildId: string, kit: Kit): void {
  const known = new Set(kit.parts.map(({ id }) => id));
  for (const { id, partIds } of db.select().from(trays).where(eq(trays.buildId, buildId)).all()) {
    const left = partIds.filter((part) => known.has(part));
    if (left.length < partIds.length)
      db.update(trays)
        .set({ partIds: left, version: nextVersion(db) })
        .where(eq(trays.id, id))
        .run();
  }
}

/** Refuses sub-assemblies that hold unknown parts, or one part twice. */
export function requireSoundTrays(db: Database, buildId: string): void {
  const { parts } = readKit(db, buildId);
  const known = new Set(parts.map(({ id }) => id));
  const rows = db.select().from(trays).where(eq(trays.buildId, buildId)).all();
  for (const { name, partIds } of rows) {
    const strange = partIds.find((id) => !known.has(id));
    if (strange !== undefined)
      throw new RangeError(`“${name}” names the part ${shown(strange)}, which is not in this kit.`);
  }
  const twice = partsInTwoTrays(rows, parts);
  if (twice.length > 0) throw new RangeError(twice.slice(0, 5).join(' '));
}
