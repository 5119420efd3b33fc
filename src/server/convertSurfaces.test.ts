import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, recoverSpectrum, spectrumToLab, type Lab } from '../core/colour/index.ts';
import { opaqueSpectrum, outerReflectance, surfaceOf } from '../core/paint/index.ts';
import { openDatabase, type OpenDatabase } from './database/open.ts';
import { projectRoot } from './projectRoot.ts';
import { convertSurfaces } from './store/convertSurfaces.ts';
import { readCodes, readPaints } from './store/paintStore.ts';

const MIGRATIONS = join(projectRoot(), 'src/server/database/migrations');
/** Migrations that a file from before knows. */
const BEFORE = 7;
const WITH_SHINE = surfaceOf('d:8 included');
const lab = (spectrum: readonly number[]) => spectrumToLab(spectrum, DAYLIGHT);

let folder: string;
let data: OpenDatabase;

/** K and S as they were estimated from a colour then: what was darker than the shine became the shine. */
function opticsThen(typed: Lab): { k: number[]; s: number[] } {
  const s = new Array<number>(31).fill(0.2);
  const k = recoverSpectrum(typed).map((value) => {
    const above = value - WITH_SHINE.added;
    const internal = Math.max(1e-4, above / (WITH_SHINE.through + WITH_SHINE.inside * above));
    return (0.2 * (1 - internal) ** 2) / (2 * internal);
  });
  return { k, s };
}

const RED: Lab = { L: 62, a: 30, b: 18 };
const NAVY: Lab = { L: 15, a: 4, b: -14 };
/** What a chip read by the simulated reader gave then: the colour with the shine. */
const chip = recoverSpectrum({ L: 5, a: 0, b: 0 }).map((value) => value + WITH_SHINE.added);

/** A data file as the version before left it. */
function fileFromBefore(file: string): void {
  const migrations = join(folder, 'migrations');
  cpSync(MIGRATIONS, migrations, { recursive: true });
  const journal = join(migrations, 'meta/_journal.json');
  const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: unknown[] };
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.slice(0, BEFORE) }));
  const sqlite = new Sqlite(file);
  migrate(drizzle(sqlite), { migrationsFolder: migrations });
  const paint = sqlite.prepare(
    `insert into paints (id, range, name, family, container, role, sheen, hiding, price_cents, volume_ml, k, s, provenance, uncertainty)
     values (?, 'Mine', ?, 'lacquer', 'bottle', 'colour', 'gloss', 'opaque', 300, 17, ?, ?, ?, 2)`,
  );
  for (const [id, colour, provenance] of [
    ['red', RED, 'typed'],
    ['navy', NAVY, 'typed'],
    ['chart', RED, 'chip'],
  ] as const) {
    const { k, s } = opticsThen(colour);
    paint.run(id, id, JSON.stringify(k), JSON.stringify(s), provenance);
  }
  const code = sqlite.prepare(
    `insert into codes (id, maker, code, name, years, kind, spectrum, sources) values (?, 'Own', ?, ?, '', 'solid', ?, ?)`,
  );
  const source = (more: object) => [{ uncertainty: 0.4, inForce: true, note: 'chip', ...more }];
  code.run(
    'typed',
    'T1',
    'Typed red',
    JSON.stringify(recoverSpectrum(RED)),
    JSON.stringify(source({ provenance: 'swatch', lab: RED })),
  );
  code.run(
    'read',
    'R1',
    'Read black',
    JSON.stringify(chip),
    JSON.stringify(
      source({
        provenance: 'instrument',
        note: 'Bench reader (simulated), three readings within 0.10 dE',
        lab: lab(chip),
        spectrum: chip,
      }),
    ),
  );
  sqlite
    .prepare(`insert into builds (id, name, subject, scale, position) values ('b', 'Coupe', '', 24, 0)`)
    .run();
  sqlite
    .prepare(
      `insert into trays (id, build_id, name, position, area_cm2, substrate_id, layers, code_id)
       values ('t', 'b', 'Body', 0, 100, 'styrene-white', ?, 'read')`,
    )
    .run(JSON.stringify([{ id: 'c', kind: 'colour', mix: { navy: 1 }, coats: 3, tool: 'airbrush' }]));
  sqlite
    .prepare(
      `insert into readings (id, cup_id, at, drops, spectrum, spread, film_um, over, instrument, note)
       values ('s', null, 5, ?, ?, 0.1, 2000, 'white', 'Bench reader (simulated)', '')`,
    )
    .run(JSON.stringify({ chart: 1 }), JSON.stringify(opaqueSpectrum(opticsThen(RED), WITH_SHINE)));
  sqlite.close();
}

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fanfare-convert-'));
  fileFromBefore(join(folder, 'bench.db'));
  data = openDatabase(join(folder, 'bench.db'));
  data.db.transaction((tx) => convertSurfaces(tx, 100));
});
afterEach(() => {
  data.sqlite.close();
  rmSync(folder, { recursive: true, force: true });
});

const paintOf = (id: string) => readPaints(data.db).find((paint) => paint.id === id)!;
const codeOf = (id: string) => readCodes(data.db).find((code) => code.id === id)!;

describe('a data file from before colours were kept without the shine', () => {
  it('keeps what typed paints looked like, and says which were darker than could be held', () => {
    expect(ciede2000(lab(opaqueSpectrum(paintOf('red'))), RED)).toBeLessThan(0.2);
    expect(paintOf('red').notice).toBe('');
    expect(paintOf('navy').notice).toMatch(/Type or read its colour again/);
    // Optics from a chart know nothing of the surface.
    expect(paintOf('chart').refit!.k).toEqual(opticsThen(RED).k);
  });

  it('says how each source was measured, and takes the shine out of what the reader gave with it', () => {
    expect(codeOf('typed').sources[0]).toMatchObject({ geometry: 'unknown', lab: RED });
    expect(codeOf('typed').sources[0]!.note).toMatch(/geometry not known, taken for 45:0/);
    expect(codeOf('read').sources[0]).toMatchObject({ geometry: 'd:8 included', spectrum: chip });
    expect(lab(codeOf('read').spectrum).L).toBeCloseTo(5, 1);
    expect(ciede2000(lab(codeOf('typed').spectrum), RED)).toBeLessThan(0.1);
  });

  it('notes at every code what moved by more than one dE, and at no other', () => {
    expect(codeOf('typed').notice).toBe('');
    expect(codeOf('read').notice).toMatch(/its colour is now L a b 5 0 0, before 25 0 0/);
    expect(codeOf('read').notice).toMatch(/the recipe of Body is \d+\.\d dE from it, before/);
  });

  it('learns again from readings that had the shine, and finds the paint as it was', () => {
    const seen = lab(opaqueSpectrum(paintOf('chart')));
    const then = lab(
      opticsThen(RED).k.map((k) => {
        const q = k / 0.2;
        return outerReflectance(1 / (1 + q + Math.sqrt(q * q + 2 * q)), surfaceOf('45:0'));
      }),
    );
    expect(paintOf('chart').refit!.readings).toBe(1);
    expect(ciede2000(seen, then)).toBeLessThan(0.5);
  });

  it('is converted once', () => {
    const before = { paints: readPaints(data.db), codes: readCodes(data.db) };
    data.db.transaction((tx) => convertSurfaces(tx, 200));
    expect({ paints: readPaints(data.db), codes: readCodes(data.db) }).toEqual(before);
  });
});
