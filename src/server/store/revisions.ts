import { eq, sql } from 'drizzle-orm';
import type { Database } from '../database/open.ts';
import { facts, revisions } from '../database/schema.ts';

/** The next version for a record that is made or changed. Versions grow over the whole file and none is given twice:
 *  a record that was removed and made again never passes for the first. */
export function nextVersion(db: Database): number {
  return db
    .update(revisions)
    .set({ value: sql`${revisions.value} + 1` })
    .returning()
    .get().value;
}

/** The revision that the file is at, and the one before which what a browser holds of the catalogues is of no use. */
export function readRevision(db: Database): { value: number; wholeFrom: number } {
  return db.select().from(revisions).get()!;
}

export function readFact(db: Database, name: string): string | undefined {
  return db.select().from(facts).where(eq(facts.name, name)).get()?.value;
}

export function writeFact(db: Database, name: string, value: string | null): void {
  if (value === null) {
    db.delete(facts).where(eq(facts.name, name)).run();
    return;
  }
  db.insert(facts).values({ name, value }).onConflictDoUpdate({ target: facts.name, set: { value } }).run();
}
