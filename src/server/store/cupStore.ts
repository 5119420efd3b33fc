import { asc, eq, isNull } from 'drizzle-orm';
import type { CupRecord, ReadingRecord } from '../../api/index.ts';
import { evidenceFor, refitOptics, type MixReading } from '../../core/match/index.ts';
import { surfaceOf, underlaySpectrum } from '../../core/paint/index.ts';
import type { Database } from '../database/open.ts';
import { cups, paints, readings, refits } from '../database/schema.ts';
import { believedPaint } from './paintStore.ts';

export function readCups(db: Database): CupRecord[] {
  const taken = db.select().from(readings).orderBy(asc(readings.at)).all();
  return db
    .select()
    .from(cups)
    .orderBy(asc(cups.mixedAt))
    .all()
    .map((cup) => ({ ...cup, readings: taken.filter(({ cupId }) => cupId === cup.id) }));
}

export function readCup(db: Database, id: string): CupRecord | undefined {
  const cup = db.select().from(cups).where(eq(cups.id, id)).get();
  if (!cup) return undefined;
  const taken = db.select().from(readings).where(eq(readings.cupId, id)).orderBy(asc(readings.at)).all();
  return { ...cup, readings: taken };
}

/** Fits the optics of these paints, and of all paints that were mixed with them, to every reading there is. A paint
 *  without a reading goes back to what the catalogue says. */
export function refitPaints(db: Database, paintIds: readonly string[]): void {
  const all = db.select().from(readings).where(eq(readings.aside, false)).orderBy(asc(readings.at)).all();
  const known = new Map(
    db
      .select()
      .from(paints)
      .all()
      .map((paint) => [paint.id, believedPaint(paint)] as const),
  );
  const usable = all.filter(({ drops }) => Object.keys(drops).every((id) => known.has(id)));
  const { paintIds: tied, readings: evidence } = evidenceFor(paintIds, usable);
  for (const id of tied) db.delete(refits).where(eq(refits.paintId, id)).run();
  const evident = [...new Set(evidence.flatMap(({ drops }) => Object.keys(drops)))];
  if (evident.length === 0) return;
  const fit = refitOptics(
    evident.map((id) => known.get(id)!),
    evidence.map(({ drops, spectrum, filmUm, over, geometry, gloss }): MixReading => ({
      drops,
      spectrum,
      film: { thickness: filmUm, over: underlaySpectrum(over) },
      surface: surfaceOf(geometry, gloss ?? undefined),
    })),
  );
  for (const id of evident) {
    const { k, s, perDrop } = fit.optics.get(id)!;
    const left = fit.doubts.get(id)!;
    db.insert(refits)
      .values({
        paintId: id,
        k: [...k],
        s: [...s],
        uncertainty: fit.uncertainty.get(id)!,
        perDrop,
        strengthDoubt: left.strength,
        dropDoubt: left.drop,
        readings: evidence.filter(({ drops }) => id in drops).length,
      })
      .run();
  }
}

/** Test cards of single paints, oldest first. */
export function readCards(db: Database): ReadingRecord[] {
  return db.select().from(readings).where(isNull(readings.cupId)).orderBy(asc(readings.at)).all();
}
