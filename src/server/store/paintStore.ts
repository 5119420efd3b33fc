import { asc, eq } from 'drizzle-orm';
import type { CodeInput, CodeRecord, PaintInput, PaintRecord } from '../../api/index.ts';
import { hexToLab, recoverSpectrum, type Lab } from '../../core/colour/index.ts';
import { PROVENANCE_UNCERTAINTY } from '../../core/match/index.ts';
import { estimateOptics } from '../../core/paint/index.ts';
import type { Database } from '../database/open.ts';
import { codes, paints, refits, shelf } from '../database/schema.ts';

const joined = (db: Database) =>
  db
    .select()
    .from(paints)
    .leftJoin(shelf, eq(shelf.paintId, paints.id))
    .leftJoin(refits, eq(refits.paintId, paints.id));

type JoinedRow = ReturnType<ReturnType<typeof joined>['all']>[number];

/** A paint with the optics that readings have taught, where there are any. */
const recordOf = ({ paints: paint, shelf: owned, refits: refit }: JoinedRow): PaintRecord => ({
  ...paint,
  ...(refit && { k: refit.k, s: refit.s, uncertainty: refit.uncertainty }),
  refit: refit && { readings: refit.readings, k: paint.k, s: paint.s, uncertainty: paint.uncertainty },
  levelMl: owned?.levelMl ?? null,
});

export function readPaints(db: Database): PaintRecord[] {
  return joined(db).orderBy(asc(paints.range), asc(paints.id)).all().map(recordOf);
}

export function readPaint(db: Database, id: string): PaintRecord | undefined {
  const row = joined(db).where(eq(paints.id, id)).get();
  return row && recordOf(row);
}

export function readCodes(db: Database): CodeRecord[] {
  return db.select().from(codes).orderBy(asc(codes.maker), asc(codes.code)).all();
}

function givenLab({ hex, lab }: { hex?: string; lab?: Lab }): Lab {
  return lab ?? hexToLab(hex ?? '');
}

/** An id made of words: lower case, hyphens, unique by what follows. */
export function idFrom(...words: string[]): string {
  return words
    .join('-')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 80);
}

/** Puts a paint given by its colour into the catalogue (and on the shelf), its optics estimated from masstone
 *  and hiding. Throws RangeError where no surface can have that colour. An existing paint of the same range
 *  and code is replaced. */
export function savePaint(db: Database, input: PaintInput): PaintRecord {
  const optics = estimateOptics(recoverSpectrum(givenLab(input)), input.hiding);
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
  };
  db.insert(paints).values(row).onConflictDoUpdate({ target: paints.id, set: row }).run();
  if (input.owned) {
    db.insert(shelf).values({ paintId: id, levelMl: input.volumeMl }).onConflictDoNothing().run();
  }
  return readPaint(db, id)!;
}

export function saveCode(db: Database, input: CodeInput): CodeRecord {
  const lab = givenLab(input);
  const id = idFrom(input.maker, input.code);
  const uncertainty = PROVENANCE_UNCERTAINTY[input.provenance];
  const row = {
    id,
    maker: input.maker,
    code: input.code,
    name: input.name,
    years: input.years,
    kind: input.kind,
    spectrum: recoverSpectrum(lab).map((value) => Number(value.toPrecision(6))),
    angles: null,
    sources: [{ provenance: input.provenance, note: 'typed in', lab, uncertainty, inForce: true }],
  };
  db.insert(codes).values(row).onConflictDoUpdate({ target: codes.id, set: row }).run();
  return db.select().from(codes).where(eq(codes.id, id)).get()!;
}
