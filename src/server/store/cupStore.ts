import { asc, eq, inArray, isNull } from 'drizzle-orm';
import type { CupRecord, ReadingRecord } from '../../api/index.ts';
import { evidenceFor, refitInSteps, type MixReading } from '../../core/match/index.ts';
import { surfaceOf, underlaySpectrum } from '../../core/paint/index.ts';
import type { Database } from '../database/open.ts';
import { cups, paints, readings, refits } from '../database/schema.ts';
import { believedPaint } from './paintStore.ts';
import { nextVersion, readFact, writeFact } from './revisions.ts';

export function readCups(db: Database): CupRecord[] {
  const taken = new Map<string | null, ReadingRecord[]>();
  for (const reading of db.select().from(readings).orderBy(asc(readings.at)).all()) {
    const others = taken.get(reading.cupId);
    if (others) others.push(reading);
    else taken.set(reading.cupId, [reading]);
  }
  return db
    .select()
    .from(cups)
    .orderBy(asc(cups.mixedAt))
    .all()
    .map((cup) => ({ ...cup, readings: taken.get(cup.id) ?? [] }));
}

export function readCup(db: Database, id: string): CupRecord | undefined {
  const cup = db.select().from(cups).where(eq(cups.id, id)).get();
  if (!cup) return undefined;
  const taken = db.select().from(readings).where(eq(readings.cupId, id)).orderBy(asc(readings.at)).all();
  return { ...cup, readings: taken };
}

/** Fits the optics of these paints, and of paints that were mixed with them, to the readings nearest to them, in steps of
 *  some milliseconds; gives what stores the result. A paint without a reading goes back to what the catalogue says. */
export function* refitSteps(
  db: Database,
  paintIds: readonly string[],
): Generator<void, (tx: Database) => void> {
  const all = db.select().from(readings).where(eq(readings.aside, false)).orderBy(asc(readings.at)).all();
  const known = new Map(
    db
      .select()
      .from(paints)
      .all()
      .map((paint) => [paint.id, believedPaint(paint)] as const),
  );
  yield;
  const usable = all.filter(({ drops }) => Object.keys(drops).every((id) => known.has(id)));
  const { paintIds: tied, readings: evidence } = evidenceFor(paintIds, usable);
  const evident = [...new Set(evidence.flatMap(({ drops }) => Object.keys(drops)))];
  const fit =
    evident.length === 0
      ? undefined
      : yield* refitInSteps(
          evident.map((id) => known.get(id)!),
          evidence.map(({ drops, spectrum, filmUm, over, geometry, gloss }): MixReading => ({
            drops,
            spectrum,
            film: { thickness: filmUm, over: underlaySpectrum(over) },
            surface: surfaceOf(geometry, gloss ?? undefined),
          })),
        );
  // Paints further off than the fit looks keep what they learned, as long as there is a reading that taught it.
  const read = new Set(usable.flatMap(({ drops }) => Object.keys(drops)));
  const anew = tied.filter((id) => evident.includes(id) || !read.has(id));
  return (tx) => {
    if (anew.length > 0) tx.delete(refits).where(inArray(refits.paintId, anew)).run();
    if (!fit) return;
    for (const id of evident) {
      const { k, s, perDrop } = fit.optics.get(id)!;
      const left = fit.doubts.get(id)!;
      tx.insert(refits)
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
  };
}

/** The same at once, for where nothing waits. */
export function refitPaints(db: Database, paintIds: readonly string[]): void {
  const steps = refitSteps(db, paintIds);
  for (;;) {
    const { done, value } = steps.next();
    if (done) {
      value(db);
      return;
    }
  }
}

const DUE = 'refit-due';

/** Paints whose optics are to be learned anew; another version means that there is more to learn from. */
interface RefitDue {
  paintIds: string[];
  version: number;
}

/** Notes in the file, with the reading itself, whose optics are to be learned anew: a server that is killed before it
 *  has done so does it when it starts again. */
export function noteRefitDue(db: Database, paintIds: readonly string[]): void {
  if (paintIds.length === 0) return;
  const due: RefitDue = {
    paintIds: [...new Set([...(refitDue(db)?.paintIds ?? []), ...paintIds])],
    version: nextVersion(db),
  };
  writeFact(db, DUE, JSON.stringify(due));
}

/** What is to be learned anew; undefined for nothing. */
export function refitDue(db: Database): RefitDue | undefined {
  const text = readFact(db, DUE);
  return text === undefined ? undefined : (JSON.parse(text) as RefitDue);
}

export function refitDone(db: Database): void {
  writeFact(db, DUE, null);
}

/** Test cards of single paints, oldest first. */
export function readCards(db: Database): ReadingRecord[] {
  return db.select().from(readings).where(isNull(readings.cupId)).orderBy(asc(readings.at)).all();
}
