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
import { PROVENANCE_UNCERTAINTY, withSourceInForce, type CodeSource } from '../../core/match/index.ts';
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
  openedOn: owned?.openedOn ?? null,
  place: owned?.place ?? '',
  note: owned?.note ?? '',
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

export function changePaint(db: Database, paintId: string, { priceCents, discontinued }: PaintUpdate): void {
  const given = {
    ...(priceCents === undefined ? {} : { priceCents }),
    ...(discontinued === undefined ? {} : { discontinued }),
  };
  if (Object.keys(given).length > 0) db.update(paints).set(given).where(eq(paints.id, paintId)).run();
}

/** Adds a colour to the codes: a new code, or one more source of a code that is there. Nothing is replaced; a source
 *  that says the same as one that is known is kept once. */
export function saveCode(db: Database, input: CodeInput): CodeRecord {
  const lab = input.spectrum ? spectrumToLab(input.spectrum, DAYLIGHT) : givenLab(input);
  // Refuses what no surface can be before anything is written.
  const recovered = input.spectrum ?? recoverSpectrum(lab);
  const id = idFrom(input.maker, input.code);
  const source: CodeSource = {
    provenance: input.provenance,
    note: input.note ?? 'typed in',
    lab,
    uncertainty: input.uncertainty ?? PROVENANCE_UNCERTAINTY[input.provenance],
    inForce: false,
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
      spectrum: recovered.map((value) => Number(value.toPrecision(6))),
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
  return db.select().from(codes).where(eq(codes.id, id)).get();
}

/** Changes a code; its colour is that of the source in force. */
export function changeCode(
  db: Database,
  current: CodeRecord,
  change: Pick<CodeRecord, 'name' | 'years' | 'suppliers' | 'sources'>,
): CodeRecord {
  const sources = withSourceInForce(change.sources);
  const before = current.sources.find(({ inForce }) => inForce);
  const force = sources.find(({ inForce }) => inForce)!;
  const moved = JSON.stringify(before?.lab) !== JSON.stringify(force.lab);
  const spectrum = force.spectrum ?? (moved ? recoverSpectrum(force.lab) : current.spectrum);
  db.update(codes)
    .set({
      ...change,
      sources,
      spectrum: spectrum.map((value) => Number(value.toPrecision(6))),
      version: current.version + 1,
    })
    .where(eq(codes.id, current.id))
    .run();
  return readCode(db, current.id)!;
}
