import { asc, eq, gt, inArray } from 'drizzle-orm';
import {
  idFrom,
  isSameWord,
  MOST_SOURCES,
  type Changes,
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
import { ProblemError, stale } from '../problem.ts';
import { nextVersion, readRevision } from './revisions.ts';

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
const recordOf = ({ paints: row, shelf: owned, refits: refit }: JoinedRow): PaintRecord => {
  const { revision: _revision, ...paint } = row;
  const { id: _, ...believed } = believedPaint(row);
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
    toldAt: owned?.toldAt ?? null,
    openedOn: owned?.openedOn ?? null,
    place: owned?.place ?? '',
    note: owned?.note ?? '',
  };
};

export function readPaints(db: Database): PaintRecord[] {
  return joined(db).orderBy(asc(paints.range), asc(paints.id)).all().map(recordOf);
}

/** Rows that are read at once. */
const PAGE = 100;

/** What changed of a catalogue since a revision, or all of it where that tells nothing: page by page, so that other
 *  requests come in between. What is changed meanwhile is newer than the revision that is given, and comes with the next
 *  question. `idsOf` gives the ids of all, or of what is newer, in order. */
function* changesSince<T extends { id: string }>(
  db: Database,
  since: number | undefined,
  idsOf: (after: number | undefined) => { id: string }[],
  readPage: (ids: string[]) => T[],
): Generator<void, Changes<T>> {
  const { value: revision, wholeFrom } = readRevision(db);
  const whole = since === undefined || since < wholeFrom || since > revision;
  const ids = idsOf(whole ? undefined : since).map(({ id }) => id);
  const items: T[] = [];
  for (let from = 0; from < ids.length; from += PAGE) {
    const page = ids.slice(from, from + PAGE);
    const byId = new Map(readPage(page).map((item) => [item.id, item]));
    items.push(...page.flatMap((id) => byId.get(id) ?? []));
    yield;
  }
  return { revision, whole, items };
}

export const paintsSince = (db: Database, since: number | undefined): Generator<void, Changes<PaintRecord>> =>
  changesSince(
    db,
    since,
    (after) =>
      db
        .select({ id: paints.id })
        .from(paints)
        .where(after === undefined ? undefined : gt(paints.revision, after))
        .orderBy(asc(paints.range), asc(paints.id))
        .all(),
    (ids) => joined(db).where(inArray(paints.id, ids)).all().map(recordOf),
  );

export const codesSince = (db: Database, since: number | undefined): Generator<void, Changes<CodeRecord>> =>
  changesSince(
    db,
    since,
    (after) =>
      db
        .select({ id: codes.id })
        .from(codes)
        .where(after === undefined ? undefined : gt(codes.version, after))
        .orderBy(asc(codes.maker), asc(codes.code))
        .all(),
    (ids) => db.select().from(codes).where(inArray(codes.id, ids)).all().map(codeRecordOf),
  );

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

/** A row of the catalogue for a paint that is given by its colour, its optics estimated from masstone and hiding.
 *  Throws RangeError where no surface can have that colour. */
export function paintRow(input: PaintInput) {
  const face = surfaceOf(input.geometry ?? 'unknown', input.gloss ?? SHEEN_GLOSS[input.sheen]);
  const optics = estimateOptics(recoverSpectrum(givenLab(input)), input.hiding, face);
  return {
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
    geometry: input.geometry ?? ('unknown' as const),
    gloss: input.gloss ?? null,
    notice: '',
  };
}

/** Puts a paint into the catalogue, and on the shelf where it is owned. Throws ProblemError (409) where a paint of that
 *  range and code is there: nothing is replaced. */
export function addPaint(
  db: Database,
  { range, code, owned, volumeMl }: PaintInput,
  row: ReturnType<typeof paintRow>,
  now: number,
): PaintRecord {
  const id = freeId(idFrom(range, code), (taken) => {
    const there = db.select().from(paints).where(eq(paints.id, taken)).get();
    if (!there) return true;
    // Two ranges whose names come to the same in plain letters are two all the same.
    if (!isSameWord(there.range, range)) return false;
    throw new ProblemError({
      status: 409,
      type: '/problems/paint-there',
      title: 'That paint is there already',
      detail: `${there.range} ${code} is in the catalogue, as “${there.name}”. Nothing was added or replaced.`,
      remedy: 'Change that one, or give this one another code.',
      current: readPaint(db, taken),
    });
  });
  db.insert(paints)
    .values({ ...row, id, version: nextVersion(db) })
    .run();
  if (owned) db.insert(shelf).values({ paintId: id, levelMl: volumeMl, toldAt: now }).run();
  return readPaint(db, id)!;
}

/** The first of wanted, wanted-2, wanted-3... that is free. */
function freeId(wanted: string, isFree: (id: string) => boolean): string {
  for (let count = 1; ; count++) {
    const id = count === 1 ? wanted : `${wanted}-${count}`;
    if (id !== '' && isFree(id)) return id;
  }
}

/** Takes the next version of a paint; throws ProblemError (409) where it is not at the one named. */
export function takePaintVersion(db: Database, paintId: string, version: number): void {
  const current = readPaint(db, paintId);
  if (current?.version !== version) throw stale('paint', current);
  db.update(paints)
    .set({ version: nextVersion(db) })
    .where(eq(paints.id, paintId))
    .run();
}

/** Puts a paint on the shelf or changes what stands there; null takes it off. A level that is another than before counts from
 *  `now` on, minutes since 1970, unless it says from when. */
export function putOnShelf(db: Database, paintId: string, input: ShelfInput | null, now: number): void {
  if (input === null) {
    db.delete(shelf).where(eq(shelf.paintId, paintId)).run();
    return;
  }
  const { levelMl, openedOn, place, note } = input;
  const before = db.select().from(shelf).where(eq(shelf.paintId, paintId)).get();
  const isAnother = before?.levelMl !== levelMl;
  const given = {
    levelMl,
    toldAt: input.toldAt === undefined ? (isAnother ? now : before.toldAt) : input.toldAt,
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

/** A colour for the codes that a surface can have, with what is worked out of it. */
export interface PossibleCode {
  input: CodeInput;
  lab: Lab;
  source: CodeSource;
  /** The colour as it is wanted, were this its only source. */
  wanted: number[];
}

/** Throws RangeError for a colour that no surface can have. */
export function possibleCode(input: CodeInput): PossibleCode {
  const lab = input.spectrum ? spectrumToLab(input.spectrum, DAYLIGHT) : givenLab(input);
  if (!input.spectrum) recoverSpectrum(lab);
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
  return { input, lab, source, wanted: wantedSpectrum(input.kind, [{ ...source, inForce: true }]) };
}

/** Adds a colour to the codes: a new code, or one more source of a code that is there. Nothing is replaced; a source
 *  that says the same as one that is known is kept once. */
export function saveCode(db: Database, { input, lab, source, wanted }: PossibleCode): CodeRecord {
  const id = freeId(idFrom(input.maker, input.code), (taken) => {
    const there = readCode(db, taken);
    return !there || isSameWord(there.maker, input.maker);
  });
  const current = readCode(db, id);
  if (!current) {
    const row = {
      id,
      maker: input.maker,
      code: input.code,
      name: input.name,
      years: input.years,
      suppliers: input.suppliers ?? '',
      use: input.use ?? 'body',
      kind: input.kind,
      spectrum: wanted,
      angles: null,
      sources: [{ ...source, inForce: true }],
      version: nextVersion(db),
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
    use: input.use ?? current.use,
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
  change: Pick<CodeRecord, 'name' | 'years' | 'suppliers' | 'use' | 'sources'> & { notice?: string },
): CodeRecord {
  if (change.sources.length > MOST_SOURCES) {
    throw new RangeError(
      `${current.maker} ${current.code} has ${MOST_SOURCES} sources already, which is the most a code keeps: remove one that is of no use first.`,
    );
  }
  const sources = withSourceInForce(change.sources);
  db.update(codes)
    .set({
      ...change,
      sources,
      ...(sameColour(current.sources, sources) ? {} : { spectrum: wantedSpectrum(current.kind, sources) }),
      version: nextVersion(db),
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
