import { eq, inArray } from 'drizzle-orm';
import { KIT_RECORDS, referencesOf, type RecordDefinition } from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { kitItems, pictures } from '../database/schema.ts';

/** So long a picture that no record shows is kept, so that a removal can be taken back; minutes. */
const KEPT_MINUTES = 30 * 1440;

const refersToPictures = (record: RecordDefinition): boolean =>
  Object.values(record.fields).some((field) => field.type === 'reference' && field.to === 'picture');
const SHOWING = (KIT_RECORDS as readonly RecordDefinition[]).filter(refersToPictures);

/** Notes which pictures no record shows any more, and lets go of those that none has shown for a month. `minute` since
 *  1970 is now. */
export function sweepPictures(db: Database, minute: number): void {
  const kinds = SHOWING.map(({ kind }) => kind);
  const shown = new Set(
    db
      .select({ kind: kitItems.kind, value: kitItems.value })
      .from(kitItems)
      .where(inArray(kitItems.kind, kinds))
      .all()
      .flatMap(
        ({ kind, value }) =>
          referencesOf(
            SHOWING.find((record) => record.kind === kind)!,
            value as object,
          ).refers,
      )
      .flatMap(({ to, id }) => (to === 'picture' ? [id] : [])),
  );
  const all = db.select({ id: pictures.id, unshownSince: pictures.unshownSince }).from(pictures).all();
  for (const { id, unshownSince } of all) {
    const set = (since: number | null) =>
      db.update(pictures).set({ unshownSince: since }).where(eq(pictures.id, id)).run();
    if (shown.has(id)) {
      if (unshownSince !== null) set(null);
    } else if (unshownSince === null) set(minute);
    else if (unshownSince < minute - KEPT_MINUTES) db.delete(pictures).where(eq(pictures.id, id)).run();
  }
}
