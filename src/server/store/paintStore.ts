import { asc, eq } from 'drizzle-orm';
import {
  idFrom,
  type CodeInput,
  type CodeRecord,
  type PaintInput,
  type PaintRecord,
  type PaintUpdate,
  type ShelfInput,
} from '../../api/index.ts';
import { DAYLIGHT, hexToLab, recoverSpectrum, spectrumToLab, type Lab } from '../../core/colour/index.ts';
import { SHEEN_GLOSS } from '../../core/finish/index.ts';
import {
  MEASURED_DROP_DOUBT,
  MEASURED_STRENGTH_DOUBT,
  PROVENANCE_UNCERTAINTY,
  seenSource,
  STRENGTH_DOUBT,
  targetGloss,
  USUAL_DROP_DOUBT,
  USUAL_DROP_ML,
  withSourceInForce,
  type CodeSource,
} from '../../core/match/index.ts';
import { estimateOptics, surfaceOf } from '../../core/paint/index.ts';
import type { Database } from '../database/open.ts';
import { codes, paints, refits, shelf } from '../database/schema.ts';

const joined = (db: Database) =>
  db
    .select()
    .from(paints)
    .leftJoin(shelf, eq(shelf.paintId, paints.id))
    .leftJoin(refits, eq(refits.paintId, paints.id));

type JoinedRow = ReturnType<ReturnType<typeof joined>['all']>[number];

/** What is believed of a paint before any reading: its optics with the strength and the drop that were measured. */
export function believedPaint(paint: typeof paints.$inferSelect) {
  const { strength, dropMl, provenance } = paint;
  const stronger = (values: number[]) =>
    strength === null ? values : values.map((value) => strength * value);
  return {
    id: paint.id,
    k: stronger(paint.k),
    s: stronger(paint.s),
    uncertainty: paint.uncertainty,
    perDrop: dropMl === null ? 1 : dropMl / USUAL_DROP_ML,
    strengthDoubt: strength === null ? STRENGTH_DOUBT[provenance] : MEASURED_STRENGTH_DOUBT,
    dropDoubt: dropMl === null ? USUAL_DROP_DOUBT : MEASURED_DROP_DOUBT,
  };
}

/** A paint with the optics that readings have taught, where there are any. */
const recordOf = ({ paints: paint, shelf: owned, refits: refit }: JoinedRow): PaintRecord => {
  const { id: _, ...believed } = believedPaint(paint);
  const learned = refit && {
    k: refit.k,
    s: refit.s,
    uncertainty: refit.uncertainty,
    perDrop: refit.perDrop,
    strengthDoubt: refit.strengthDoubt,
    dropDoubt: refit.dropDoubt,
  };
  return {
    ...paint,
    ...(learned ?? believed),
    refit: refit && { readings: refit.readings, ...believed },
    levelMl: owned?.levelMl ?? null,
    openedOn: owned?.openedOn ?? null,
    place: owned?.place ?? '',
    note: owned?.note ?? '',
  };
};

export function readPaints(db: Database): PaintRecord[] {
  return joined(db).orderBy(asc(paints.range), asc(paints.id)).all().map(recordOf);
}

export function readPaint(db: Database, id: string): PaintRecord | undefined {
  const row = joined(db).where(eq(paints.id, id)).get();
  return row && recordOf(row);
}

const codeRecordOf = (row: typeof codes.$inferSelect): CodeRecord => ({
  ...row,
  gloss: targetGloss(row.kind, row.sources),
});

export function readCodes(db: Database): CodeRecord[] {
  return db.select().from(codes).orderBy(asc(codes.maker), asc(codes.code)).all().map(codeRecordOf);
}

function givenLab({ hex, lab }: { hex?: string; lab?: Lab }): Lab {
  return lab ?? hexToLab(hex ?? '');
}

/** Puts a paint given by its colour into the catalogue (and on the shelf), its optics estimated from masstone
 *  and hiding. Throws RangeError where no surface can have that colour. An existing paint of the same range
 *  and code is replaced. */
export function savePaint(db: Database, input: PaintInput): PaintRecord {
  const face = surfaceOf(input.geometry ?? 'unknown', input.gloss ?? SHEEN_GLOSS[input.sheen]);
  const optics = estimateOptics(recoverSpectrum(givenLab(input)), input.hiding, face);
  const id = idFrom(input.range, input.code);
  const row = {
    id,
    range: input.range,
    name: input.name,
    family: input.family,
    container: input.container,
    role: input.role,
    sheen: input.sheen,
    hiding: input.hiding,
    priceCents: input.priceCents,
    volumeMl: input.volumeMl,
    flakeUm: null,
    k: [...optics.k],
    s: [...optics.s],
    provenance: 'typed' as const,
    uncertainty: PROVENANCE_UNCERTAINTY.typed,
    geometry: input.geometry ?? 'unknown',
    gloss: input.gloss ?? null,
    notice: '',
  };
  db.insert(paints).values(row).onConflictDoUpdate({ target: paints.id, set: row }).run();
  if (input.owned) {
    db.insert(shelf).values({ paintId: id, levelMl: input.volumeMl }).onConflictDoNothing().run();
  }
  return readPaint(db, id)!;
}

/** Puts a paint on the shelf or changes what stands there; null takes it off. */
export function putOnShelf(db: Database, paintId: string, input: ShelfInput | null): void {
  if (input === null) {
    db.delete(shelf).where(eq(shelf.paintId, paintId)).run();
    return;
  }
  const { levelMl, openedOn, place, note } = input;
  const given = {
    levelMl,
    ...(openedOn === undefined ? {} : { openedOn }),
    ...(place === undefined ? {} : { place }),
    ...(note === undefined ? {} : { note }),
  };
  db.insert(shelf)
    .values({ paintId, ...given })
    .onConflictDoUpdate({ target: shelf.paintId, set: given })
    .run();
}

/** Changes what is told of a paint; what is left out stays as it was. True where its optics have changed by it. */
export function changePaint(db: Database, paintId: string, update: PaintUpdate): boolean {
  const told = (value: unknown) => value !== undefined;
  const given = Object.fromEntries(Object.entries(update).filter(([, value]) => told(value)));
  if (Object.keys(given).length > 0) db.update(paints).set(given).where(eq(paints.id, paintId)).run();
  return 'dropMl' in given || 'strength' in given;
}

/** Adds a colour to the codes: a new code, or one more source of a code that is there. Nothing is replaced; a source
 *  that says the same as one that is known is kept once. */
export function saveCode(db: Database, input: CodeInput): CodeRecord {
  const lab = input.spectrum ? spectrumToLab(input.spectrum, DAYLIGHT) : givenLab(input);
  // Refuses what no surface can be before anything is written.
  if (!input.spectrum) recoverSpectrum(lab);
  const id = idFrom(input.maker, input.code);
  const source: CodeSource = {
    provenance: input.provenance,
    note: input.note ?? 'typed in',
    lab,
    uncertainty: input.uncertainty ?? PROVENANCE_UNCERTAINTY[input.provenance],
    inForce: false,
    geometry: input.geometry ?? 'unknown',
    gloss: input.gloss ?? null,
    ...(input.spectrum && { spectrum: input.spectrum }),
  };
  const current = readCode(db, id);
  if (!current) {
    const row = {
      id,
      maker: input.maker,
      code: input.code,
      name: input.name,
      years: input.years,
      suppliers: input.suppliers ?? '',
      kind: input.kind,
      spectrum: wantedSpectrum(input.kind, [{ ...source, inForce: true }]),
      angles: null,
      sources: [{ ...source, inForce: true }],
    };
    db.insert(codes).values(row).run();
    return readCode(db, id)!;
  }
  const same = current.sources.some(
    (other) => other.provenance === source.provenance && JSON.stringify(other.lab) === JSON.stringify(lab),
  );
  if (same) return current;
  return changeCode(db, current, {
    name: current.name || input.name,
    years: current.years || input.years,
    suppliers: current.suppliers || (input.suppliers ?? ''),
    sources: [...current.sources, source],
  });
}

export function readCode(db: Database, id: string): CodeRecord | undefined {
  const row = db.select().from(codes).where(eq(codes.id, id)).get();
  return row && codeRecordOf(row);
}

/** The colour of a code: that of the source in force, as it is seen at 45:0 with the gloss that is wanted. */
export function wantedSpectrum(kind: CodeRecord['kind'], sources: readonly CodeSource[]): number[] {
  const force = sources.find(({ inForce }) => inForce)!;
  return seenSource(force, targetGloss(kind, sources)).map((value) => Number(value.toPrecision(6)));
}

/** Changes a code; its colour is that of the source in force. */
export function changeCode(
  db: Database,
  current: CodeRecord,
  change: Pick<CodeRecord, 'name' | 'years' | 'suppliers' | 'sources'> & { notice?: string },
): CodeRecord {
  const sources = withSourceInForce(change.sources);
  db.update(codes)
    .set({
      ...change,
      sources,
      ...(sameColour(current.sources, sources) ? {} : { spectrum: wantedSpectrum(current.kind, sources) }),
      version: current.version + 1,
    })
    .where(eq(codes.id, current.id))
    .run();
  return readCode(db, current.id)!;
}

/** Whether two lists of sources say the same of the colour wanted: then a spectrum that is surer than what its source
 *  tells stays as it is. */
function sameColour(before: readonly CodeSource[], after: readonly CodeSource[]): boolean {
  const told = (sources: readonly CodeSource[]) => {
    const force = sources.find(({ inForce }) => inForce);
    return force && JSON.stringify([force.lab, force.spectrum ?? null, force.geometry, force.gloss ?? null]);
  };
  return told(before) === told(after);
}
