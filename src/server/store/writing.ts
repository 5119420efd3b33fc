import { AsyncLocalStorage } from 'node:async_hooks';
import { and, desc, eq, isNotNull, lt, lte } from 'drizzle-orm';
import type { Database } from '../database/open.ts';
import { writes } from '../database/schema.ts';

/** A write that the browser may have to send again, as it names it, and what is asked for. */
export interface NamedWrite {
  key: string;
  /** Method and address. */
  what: string;
}

/** The named write that is being done now. */
const current = new AsyncLocalStorage<NamedWrite>();

export const doing = <T>(write: NamedWrite, work: () => T): T => current.run(write, work);

/** Writes of which another may depend on the first are one transaction, which takes the file for writing at once. In
 *  the same transaction it is noted that the named write was done: whoever sends it again is told so. */
export function writing<T>(db: Database, work: (tx: Database) => T): T {
  return db.transaction(
    (tx) => {
      const result = work(tx);
      const write = current.getStore();
      if (write)
        tx.insert(writes)
          .values({ ...write, status: null, answer: null })
          .onConflictDoNothing()
          .run();
      return result;
    },
    { behavior: 'immediate' },
  );
}

/** Writes that are remembered, and those of them whose answer is. */
const MOST_WRITES = 2000;
const MOST_ANSWERS = 100;

export const readWrite = (db: Database, key: string): typeof writes.$inferSelect | undefined =>
  db.select().from(writes).where(eq(writes.key, key)).get();

/** Keeps what a named write was answered with, and forgets the oldest. */
export function keepAnswer(db: Database, key: string, status: number, answer: string | null): void {
  const kept = readWrite(db, key);
  if (!kept) return;
  db.update(writes).set({ status, answer }).where(eq(writes.id, kept.id)).run();
  const newest = db.select({ id: writes.id }).from(writes).orderBy(desc(writes.id)).limit(1).get()!.id;
  db.delete(writes)
    .where(lt(writes.id, newest - MOST_WRITES))
    .run();
  db.update(writes)
    .set({ status: null, answer: null })
    .where(and(lte(writes.id, kept.id - MOST_ANSWERS), isNotNull(writes.status)))
    .run();
}
