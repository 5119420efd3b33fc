import { and, eq } from 'drizzle-orm';
import type { BuildRecord, SubassembliesInput } from '../../api/index.ts';
import { soundDivision, withoutJoin, withoutTray } from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { codes, joins, trays } from '../database/schema.ts';
import { notFound, ProblemError, shown, stale } from '../problem.ts';
import { readBuild, readJoin, readTray } from './benchStore.ts';
import { requireSoundTrays } from './kitStore.ts';
import { nextVersion } from './revisions.ts';
import { writing } from './writing.ts';

const traysOf = (db: Database, buildId: string) =>
  db.select().from(trays).where(eq(trays.buildId, buildId)).all();
const joinsOf = (db: Database, buildId: string) =>
  db.select().from(joins).where(eq(joins.buildId, buildId)).all();

const FAULTS_NAMED = 5;

/** Makes a change of a build's sub-assemblies and joins, in one stroke with the check that reading relies on: what was
 *  wrong before may stay, nothing new may be. Throws ProblemError (400) otherwise. */
export function changeDivision<T>(db: Database, buildId: string, change: (tx: Database) => T): T {
  return writing(db, (tx) => {
    const faultsNow = () =>
      soundDivision({ trays: traysOf(tx, buildId), joins: joinsOf(tx, buildId) }).faults.map(
        ({ message }) => message,
      );
    const before = new Set(faultsNow());
    const result = change(tx);
    requireSoundTrays(tx, buildId);
    const made = [...new Set(faultsNow())].filter((fault) => !before.has(fault));
    if (made.length > 0) {
      throw new ProblemError({
        status: 400,
        type: '/problems/unsound-division',
        title: 'That cannot be joined so',
        detail: made.slice(0, FAULTS_NAMED).join(' '),
        remedy: 'Nothing was changed. Mend what is named and try again.',
      });
    }
    return result;
  });
}

type JoinRow = typeof joins.$inferSelect;

/** Stores joins whose order or sub-assemblies a removal has changed; takes away those that it left without any. */
function storeJoins(db: Database, before: readonly JoinRow[], after: readonly JoinRow[]): void {
  const left = new Map(after.map((join) => [join.id, join]));
  for (const join of before) {
    const now = left.get(join.id);
    if (now === join) continue;
    if (!now) db.delete(joins).where(eq(joins.id, join.id)).run();
    else {
      const { trayIds, afterJoinIds } = now;
      db.update(joins)
        .set({ trayIds, afterJoinIds, version: nextVersion(db) })
        .where(eq(joins.id, join.id))
        .run();
    }
  }
}

/** Removes a join; what waited for it waits no more. Gives the build without it. */
export function removeJoin(db: Database, id: string, version: number): BuildRecord {
  return writing(db, (tx) => {
    const current = readJoin(tx, id);
    if (!current) throw notFound('joint', id);
    if (current.version !== version) throw stale('joint', current);
    const all = joinsOf(tx, current.buildId);
    storeJoins(tx, all, withoutJoin(all, id));
    return readBuild(tx, current.buildId)!;
  });
}

/** Removes a sub-assembly, and it from the joins; a join with nothing left to join goes with it. Gives
 *  the build without them. */
export function removeTray(db: Database, id: string, version: number): BuildRecord {
  return writing(db, (tx) => {
    const current = readTray(tx, id);
    if (!current) throw notFound('sub-assembly', id);
    if (current.version !== version) throw stale('sub-assembly', current);
    const all = joinsOf(tx, current.buildId);
    tx.delete(trays).where(eq(trays.id, id)).run();
    storeJoins(tx, all, withoutTray(all, id));
    return readBuild(tx, current.buildId)!;
  });
}

/** Lays a whole division over the one that stands. Every record comes with the version that it was made from, also
 *  those to be removed; where one differs, or one is there that the division does not know of, nothing is changed. */
export function takeDivision(db: Database, buildId: string, input: SubassembliesInput): void {
  changeDivision(db, buildId, (tx) => {
    const refuse = () => stale('division into sub-assemblies', readBuild(tx, buildId));
    requireEachOnce(input);
    takeEach(tx, trays, buildId, traysOf(tx, buildId), input.removed, input.trays, refuse, ({ tray }) => {
      if (tray.codeId !== null) requireCode(tx, tray.codeId);
      return tray;
    });
    takeEach(
      tx,
      joins,
      buildId,
      joinsOf(tx, buildId),
      input.removedJoins,
      input.joins,
      refuse,
      ({ join }) => join,
    );
  });
}

function requireEachOnce({ trays: these, joins: those }: SubassembliesInput): void {
  for (const ids of [these.map(({ id }) => id), those.map(({ id }) => id)]) {
    const twice = ids.find((id, at) => ids.indexOf(id) !== at);
    if (twice !== undefined)
      throw new ProblemError({
        status: 400,
        type: '/problems/bad-input',
        title: 'That cannot be saved',
        detail: `Two records of the division have the id "${shown(twice)}".`,
        remedy: 'Nothing was changed.',
      });
  }
}

export function requireCode(db: Database, id: string): void {
  if (!db.select({ id: codes.id }).from(codes).where(eq(codes.id, id)).get())
    throw notFound('factory code', id);
}

interface Versioned {
  id: string;
  version: number;
}

function takeEach<R extends Versioned>(
  db: Database,
  table: typeof trays | typeof joins,
  buildId: string,
  standing: readonly Versioned[],
  removed: readonly Versioned[],
  wanted: readonly R[],
  refuse: () => ProblemError,
  rowOf: (record: R) => object,
): void {
  const versions = new Map(standing.map(({ id, version }) => [id, version]));
  const named = new Set([...removed, ...wanted].map(({ id }) => id));
  // Added in another window since: laying this division over it would lose it.
  if (standing.some(({ id }) => !named.has(id))) throw refuse();
  for (const { id, version } of [...removed, ...wanted]) {
    if ((versions.get(id) ?? 0) !== version) throw refuse();
  }
  for (const { id } of removed) db.delete(table).where(eq(table.id, id)).run();
  for (const record of wanted) {
    const row = { ...rowOf(record), version: nextVersion(db) };
    if (record.version > 0) {
      db.update(table)
        .set(row)
        .where(and(eq(table.id, record.id), eq(table.buildId, buildId)))
        .run();
      continue;
    }
    if (db.select({ id: table.id }).from(table).where(eq(table.id, record.id)).get()) {
      throw new ProblemError({
        status: 409,
        type: '/problems/id-taken',
        title: 'That id is another’s',
        detail: `The id "${shown(record.id)}" belongs to a record of another build.`,
        remedy: 'Nothing was changed. Give the new record an id of its own.',
      });
    }
    db.insert(table)
      .values({ ...row, id: record.id, buildId } as never)
      .run();
  }
}
