import { eq } from 'drizzle-orm';
import { ciede2000, DAYLIGHT, recoverSpectrum, spectrumToLab, type Lab } from '../../core/colour/index.ts';
import { bare, figure } from '../../core/figures.ts';
import { SHEEN_GLOSS } from '../../core/finish/index.ts';
import { targetLayer } from '../../core/kit/index.ts';
import { codeLab, mixDrops, type CodeSource } from '../../core/match/index.ts';
import {
  estimateOptics,
  opaqueSpectrum,
  seenSurface,
  surfaceOf,
  type PaintOptics,
} from '../../core/paint/index.ts';
import type { Database } from '../database/open.ts';
import { codes, conversions, paints, readings, refits, trays } from '../database/schema.ts';
import { refitPaints } from './cupStore.ts';
import { readCodes, readPaints, wantedSpectrum } from './paintStore.ts';

/** Files from before colours were kept without the shine of the surface. */
const NAME = 'colours-without-shine';
/** Until then everything was computed with the shine, on a gloss. */
const WITH_SHINE = surfaceOf('d:8 included');
/** A code is told of when it moved by more than this, dE00. */
const WORTH_TELLING = 1;
/** What that reader called itself. */
const SIMULATED = /simulated/i;

/** Brings a file's colours to how they are kept now, once: paints that were typed get their optics anew, readings,
 *  sources and codes say how they were measured, refits are learned again, and every code whose colour or whose
 *  recipe's difference moved by more than 1 dE00 carries a note. Nothing that was typed or read is changed. A file that
 *  is new, or converted already, is left alone. */
export function convertSurfaces(db: Database, minute: number): void {
  if (db.select().from(conversions).where(eq(conversions.name, NAME)).get()) return;
  const before = { codes: db.select().from(codes).all(), optics: opticsBefore(db) };
  const used = mixesInUse(db);
  db.select()
    .from(paints)
    .all()
    .filter(({ provenance }) => provenance === 'typed')
    .forEach((paint) => convertTyped(db, paint));
  for (const { id, instrument } of db
    .select({ id: readings.id, instrument: readings.instrument })
    .from(readings)
    .all()) {
    if (SIMULATED.test(instrument))
      db.update(readings).set({ geometry: 'd:8 included' }).where(eq(readings.id, id)).run();
  }
  for (const code of before.codes) {
    const sources = code.sources.map((source) => convertSource(source, code.spectrum));
    const asked = sources.find(({ inForce }) => inForce);
    // A spectrum that was more than its source tells was computed with the shine.
    const own = asked && !asked.spectrum && !isRecovered(code.spectrum, asked.lab);
    const spectrum = asked
      ? wantedSpectrum(
          code.kind,
          own
            ? sources.map((source) => (source === asked ? { ...source, spectrum: code.spectrum } : source))
            : sources,
        )
      : code.spectrum;
    db.update(codes).set({ sources, spectrum }).where(eq(codes.id, code.id)).run();
  }
  const read = new Set(
    db
      .select({ drops: readings.drops })
      .from(readings)
      .all()
      .flatMap(({ drops }) => Object.keys(drops)),
  );
  if (read.size > 0) refitPaints(db, [...read]);
  tellWhatMoved(db, before, used);
  db.insert(conversions).values({ name: NAME, at: minute }).run();
}

type PaintRow = typeof paints.$inferSelect;
type CodeRow = typeof codes.$inferSelect;

/** A paint that was estimated from a colour: that colour is what it showed then, now taken as seen without the shine. */
function convertTyped(db: Database, paint: PaintRow): void {
  const seen = opaqueSpectrum(paint, WITH_SHINE);
  const face = surfaceOf('unknown', paint.gloss ?? SHEEN_GLOSS[paint.sheen]);
  const optics = estimateOptics(seen, paint.hiding, face);
  // As dark as that could not be held: what was typed is not known any more.
  const lost = Math.min(...seen) <= WITH_SHINE.added + 0.0005;
  const notice = lost
    ? 'It was kept lighter than it was typed: nothing darker than L 24 could be held. Type or read its colour again.'
    : '';
  db.update(paints)
    .set({ k: [...optics.k], s: [...optics.s], notice })
    .where(eq(paints.id, paint.id))
    .run();
}

/** A source with the geometry it was taken in: the simulated reader gave the shine with it; of others nobody knows. */
function convertSource(source: CodeSource, spectrum: readonly number[]): CodeSource {
  if (source.geometry) return source;
  const computed = source.inForce && !source.spectrum && !isRecovered(spectrum, source.lab);
  const withShine = SIMULATED.test(source.note) || computed;
  return {
    ...source,
    geometry: withShine ? 'd:8 included' : 'unknown',
    note: withShine ? source.note : `${source.note}; geometry not known, taken for 45:0`.slice(0, 300),
    gloss: source.gloss ?? null,
  };
}

/** Whether a spectrum is the smooth one of its Lab rather than one that was measured or computed. */
function isRecovered(spectrum: readonly number[], lab: Lab): boolean {
  try {
    return recoverSpectrum(lab).every((value, band) => Math.abs(value - spectrum[band]!) < 0.004);
  } catch {
    return true;
  }
}

function opticsBefore(db: Database): Map<string, PaintOptics> {
  const optics = new Map<string, PaintOptics>(
    db
      .select()
      .from(paints)
      .all()
      .map(({ id, k, s }) => [id, { k, s }]),
  );
  for (const { paintId, k, s } of db.select().from(refits).all()) optics.set(paintId, { k, s });
  return optics;
}

/** The mixes that sub-assemblies are painted with, by the code they are to show. */
function mixesInUse(db: Database): { codeId: string; tray: string; mix: Record<string, number> }[] {
  return db
    .select()
    .from(trays)
    .all()
    .flatMap(({ codeId, name, layers }) => {
      const mix = targetLayer(layers)?.mix;
      return codeId === null || !mix ? [] : [{ codeId, tray: name, mix: { ...mix } }];
    });
}

function tellWhatMoved(
  db: Database,
  before: { codes: CodeRow[]; optics: ReadonlyMap<string, PaintOptics> },
  used: readonly { codeId: string; tray: string; mix: Record<string, number> }[],
): void {
  const optics = new Map(readPaints(db).map((paint) => [paint.id, paint]));
  const labOf = (spectrum: readonly number[]) => spectrumToLab(spectrum, DAYLIGHT);
  const show = ({ L, a, b }: Lab) => [L, a, b].map((value) => figure(value, 'L', 0)).join(' ');
  for (const code of readCodes(db)) {
    const old = before.codes.find(({ id }) => id === code.id)!;
    const parts: string[] = [];
    const moved = ciede2000(labOf(old.spectrum), codeLab(code));
    if (moved > WORTH_TELLING)
      parts.push(`its colour is now L a b ${show(codeLab(code))}, before ${show(labOf(old.spectrum))}`);
    for (const { tray, mix } of used.filter(({ codeId }) => codeId === code.id)) {
      const parted = (known: ReadonlyMap<string, PaintOptics>) =>
        Object.entries(mix).map(([id, drops]) => ({ paint: known.get(id), drops }));
      const then = parted(before.optics);
      const now = parted(optics);
      if ([...then, ...now].some(({ paint }) => !paint)) continue;
      const whole = (list: typeof now) => list.map(({ paint, drops }) => ({ paint: paint!, drops }));
      const thenOff = ciede2000(
        labOf(old.spectrum),
        labOf(opaqueSpectrum(mixDrops(whole(then)), WITH_SHINE)),
      );
      const nowOff = ciede2000(
        codeLab(code),
        labOf(opaqueSpectrum(mixDrops(whole(now)), seenSurface(code.gloss))),
      );
      if (Math.abs(nowOff - thenOff) > WORTH_TELLING)
        parts.push(
          `the recipe of ${tray} is ${bare(nowOff, 'dE')} dE from it, before ${bare(thenOff, 'dE')}: search it again`,
        );
    }
    if (parts.length === 0) continue;
    const notice = `Colours are now kept as the eye sees them, without the shine of the surface: ${parts.join('; ')}.`;
    db.update(codes)
      .set({ notice: notice.slice(0, 2000) })
      .where(eq(codes.id, code.id))
      .run();
  }
}
