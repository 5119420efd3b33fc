import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import Sqlite from 'better-sqlite3';
import { eq, inArray } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  copyWarning,
  DEFAULT_COPIES,
  OWN_HEADER,
  type BuildRecord,
  type CopyList,
  type CopyPreview,
  type CopyRecord,
  type Problem,
} from '../../api/index.ts';
import { copyWhole } from '../database/besideData.ts';
import { contentsDigest, drained } from '../database/contents.ts';
import { codes, kitItems, paints, settings, shelf } from '../database/schema.ts';
import { convertSurfaces } from '../store/convertSurfaces.ts';
import { testBench } from '../testBench.ts';
import { copiesFolder, pathOfCopy, sweepMaking, sweepSent } from './copiesFolder.ts';
import { readCopyState } from './copyState.ts';
import { copyIfDue } from './keepCopies.ts';
import { sealCopy, verifyCopy } from './sealCopy.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
const DAY = 24 * 60 * 60_000;
let bench: ReturnType<typeof testBench>;
let folder: string;
beforeEach(async () => {
  bench = testBench(NOW);
  await bench.listen(true);
  folder = copiesFolder(bench.file)!;
  // As at every start.
  bench.data!.db.transaction((tx) => convertSurfaces(tx, NOW / 60_000));
});
afterEach(() => bench.remove());

const context = () => ({ ...bench.data!, clock: () => bench.now });
const list = async () => (await bench.call<CopyList>('GET', '/api/copies')).body;
const press = async () => (await bench.call<CopyRecord>('POST', '/api/copies')).body;
const rename = async (name: string) => {
  const build = (await bench.snapshot()).builds.find(({ id }) => id === 'tolliver')!;
  const body = { name, subject: build.subject, scale: build.scale, version: build.version };
  return (await bench.call<BuildRecord>('PUT', '/api/builds/tolliver', body)).body;
};
const send = (bytes: Buffer) =>
  fetch(`${bench.base}/api/copies/sent`, {
    method: 'POST',
    headers: { [OWN_HEADER]: '1' },
    body: new Uint8Array(bytes),
  });

describe('the checksum of what a file holds', () => {
  it('is the same however its pages lie, and another for any other value', () => {
    const { sqlite } = bench.data!;
    const digest = drained(contentsDigest(sqlite));
    const packed = join(bench.folder, 'packed.db');
    copyWhole(sqlite, packed);
    const copy = new Sqlite(packed);
    expect(drained(contentsDigest(copy))).toBe(digest);
    copy.exec(
      `INSERT INTO pictures (id, build_id, type, bytes) VALUES ('p', 'tolliver', 'image/png', x'0102')`,
    );
    const before = drained(contentsDigest(copy));
    for (const change of [
      `UPDATE steps SET note = 'x' WHERE operation_id = (SELECT min(operation_id) FROM steps)`,
      `UPDATE pictures SET bytes = x'0103'`,
      // A text that looks like the bytes is another value.
      `UPDATE pictures SET bytes = CAST(bytes AS TEXT)`,
      `UPDATE shelf SET level_ml = level_ml + 0.5`,
      `UPDATE shelf SET note = ' '`,
      `UPDATE shelf SET opened_on = ''`,
      `DELETE FROM joins WHERE id = (SELECT min(id) FROM joins)`,
    ]) {
      copy.exec(`SAVEPOINT one; ${change}`);
      expect(drained(contentsDigest(copy)), change).not.toBe(before);
      copy.exec('ROLLBACK TO one; RELEASE one');
    }
    expect(drained(contentsDigest(copy))).toBe(before);
    copy.close();
  });

  it('is carried by a copy and found to differ once anything was changed in it', async () => {
    const { id } = await press();
    const path = pathOfCopy(folder, id);
    expect(await verifyCopy(path)).toEqual({ madeAt: NOW, checked: true });
    const copy = new Sqlite(path);
    copy.exec(`UPDATE builds SET name = 'Another' WHERE id = 'tolliver'`);
    copy.close();
    await expect(verifyCopy(path)).rejects.toThrow(/checksum differs/);
    const refused = await bench.call<Problem>('POST', `/api/copies/${id}/restore`);
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(/^The file does not hold what it held/);
    expect((await bench.snapshot()).builds.map(({ name }) => name)).not.toContain('Another');
  });

  it('is not asked of a data file that was a backup once and was worked on since', async () => {
    const path = join(bench.folder, 'once.db');
    copyWhole(bench.data!.sqlite, path);
    await sealCopy(path, NOW);
    const worked = new Sqlite(path);
    worked.pragma(`user_version = ${(worked.pragma('user_version', { simple: true }) as number) & 0xffff}`);
    worked.exec(`UPDATE builds SET name = 'Gone on'`);
    worked.close();
    expect(await verifyCopy(path)).toEqual({ madeAt: null, checked: false });
  });
});

describe('copies by schedule', () => {
  it('are made when due, not where nothing changed, and the newest are kept', async () => {
    expect(await copyIfDue(context())).toBe(true);
    expect(await copyIfDue(context())).toBe(false);
    bench.now += DEFAULT_COPIES.everyDays * DAY;
    expect(await copyIfDue(context())).toBe(false);
    expect(readCopyState(bench.data!.db).copiedAt).toBe(bench.now / 60_000);
    for (let turn = 0; turn < DEFAULT_COPIES.keep + 3; turn++) {
      bench.now += DEFAULT_COPIES.everyDays * DAY;
      await rename(`Turn ${turn}`);
      expect(await copyIfDue(context())).toBe(true);
    }
    const { copies } = await list();
    expect(copies).toHaveLength(DEFAULT_COPIES.keep);
    expect(copies[0]!.at).toBe(Math.floor(bench.now / 60_000));
    expect(readdirSync(folder).every((name) => name.startsWith('scheduled-'))).toBe(true);
  });

  it('are made again where the last was removed, or the clock went back behind it', async () => {
    await copyIfDue(context());
    for (const { id } of (await list()).copies) await bench.call('DELETE', `/api/copies/${id}`);
    bench.now += DEFAULT_COPIES.everyDays * DAY;
    expect(await copyIfDue(context())).toBe(true);
    bench.now -= 90 * DAY;
    await rename('Earlier');
    expect(await copyIfDue(context())).toBe(true);
  });

  it('hold up no write while it is looked whether anything changed, nor while a copy is made', async () => {
    await copyIfDue(context());
    bench.now += DEFAULT_COPIES.everyDays * DAY;
    const looking = copyIfDue(context());
    expect((await rename('While it was looked')).name).toBe('While it was looked');
    await looking;
    bench.now += DEFAULT_COPIES.everyDays * DAY;
    await rename('Before it is copied');
    const copying = copyIfDue(context());
    expect((await rename('While it was copied')).name).toBe('While it was copied');
    expect(await copying).toBe(true);
    const { copies } = await list();
    for (const { id } of copies) expect((await verifyCopy(pathOfCopy(folder, id))).checked).toBe(true);
  });

  it('leave those that were made by hand, and are none where the builder wants none', async () => {
    const { id } = await press();
    const { settings } = await bench.snapshot();
    const preferences = { ...settings.preferences, copies: { everyDays: 0, keep: 1 } };
    await bench.call('PUT', '/api/bench/settings', { ...settings, preferences });
    bench.now += 100 * DAY;
    expect(await copyIfDue(context())).toBe(false);
    expect((await list()).copies.map((copy) => copy.id)).toEqual([id]);
    const wild = { ...preferences, copies: { everyDays: -1, keep: 0 } };
    const { version } = (await bench.snapshot()).settings;
    const refused = await bench.call<Problem>('PUT', '/api/bench/settings', {
      ...settings,
      version,
      preferences: wild,
    });
    expect(refused.status).toBe(400);
  });

  it('say why none could be made, and the bench goes on', async () => {
    writeFileSync(folder, 'a file where the folder should be');
    expect(await copyIfDue(context())).toBe(false);
    const state = readCopyState(bench.data!.db);
    expect(state.problem).toMatch(/cannot be used \(EEXIST\)/);
    expect(copyWarning(state, DEFAULT_COPIES, NOW / 60_000)?.text).toMatch(/No copy.*EEXIST/);
    expect((await rename('Goes on')).name).toBe('Goes on');
  });

  it('are swept of what a killed server left and of what was sent long ago', async () => {
    const { id } = await press();
    writeFileSync(join(folder, '.making-pressed-x.db'), 'half');
    writeFileSync(join(folder, 'sent-2026-05-12T10-00-00.db'), 'old');
    writeFileSync(join(folder, 'letters.txt'), 'mine');
    sweepMaking(folder);
    sweepSent(folder, NOW);
    expect(readdirSync(folder).sort()).toEqual(['letters.txt', `${id}.db`]);
  });
});

describe('a restore', () => {
  it('says what of shelf, catalogue, stock and settings is another, and not how often it was written', async () => {
    const { id } = await press();
    const { db } = bench.data!;
    db.update(shelf)
      .set({ levelMl: 1.5 })
      .where(inArray(shelf.paintId, ['BR-001', 'BR-002']))
      .run();
    db.delete(shelf).where(eq(shelf.paintId, 'BR-003')).run();
    db.update(codes).set({ name: 'Another' }).where(eq(codes.id, 'TL-4417')).run();
    db.update(paints).set({ version: 900, revision: 900 }).run();
    db.delete(kitItems).where(eq(kitItems.id, 'lesson-hood')).run();
    db.update(settings)
      .set({ preferences: { temperature: 'F', volume: 'ml' } })
      .run();
    const { body } = await bench.call<CopyPreview>('GET', `/api/copies/${id}`);
    const of = (what: string) => {
      const { there, here, differ } = body.counts.find((each) => each.what === what)!;
      return [there - here, differ];
    };
    expect(of('Bottles on the shelf')).toEqual([1, 2]);
    expect(of('Codes')).toEqual([0, 1]);
    expect(of('Paints')).toEqual([0, 0]);
    expect(of('Lessons, spares, stock')).toEqual([1, 0]);
    expect(of('Evenings, air and units')).toEqual([0, 1]);
  });

  it('is looked at first, keeps what was there, and is taken back by one press', async () => {
    const before = await bench.snapshot();
    const { id } = await press();
    await rename('Renamed');
    await bench.call('DELETE', '/api/builds/quillon', {
      version: before.builds.find((build) => build.id === 'quillon')!.version,
    });
    await bench.call('POST', '/api/builds', { name: 'Fresh', subject: '', scale: 24 });
    bench.now += 5 * 60_000;
    const { body: preview } = await bench.call<CopyPreview>('GET', `/api/copies/${id}`);
    const standing = Object.fromEntries(preview.builds.map((build) => [build.name, build.standing]));
    const nameOf = (buildId: string) => before.builds.find((build) => build.id === buildId)!.name;
    expect(standing).toEqual({
      [nameOf('tolliver')]: 'differs',
      [nameOf('pellam')]: 'same',
      [nameOf('quillon')]: 'only there',
      [nameOf('saloon')]: 'same',
      Fresh: 'only here',
    });
    expect(preview).toMatchObject({ checked: true, madeAt: NOW / 60_000 });
    expect(preview.counts.find(({ what }) => what === 'Builds')).toMatchObject({ there: 4, here: 4 });
    expect(preview.counts.filter(({ differ }) => differ !== null).map(({ differ }) => differ)).toEqual(
      new Array(5).fill(0),
    );

    const changed = await bench.snapshot();
    const { keptId } = (await bench.call<{ keptId: string }>('POST', `/api/copies/${id}/restore`)).body;
    const restored = await bench.snapshot();
    expect(restored.builds).toEqual(before.builds);
    expect(restored.steps).toEqual(before.steps);
    expect((await list()).restored).toMatchObject({ keptId, madeAt: NOW / 60_000 });
    // What a browser held from before is stale.
    const old = changed.builds.find((build) => build.id === 'tolliver')!;
    const body = { name: 'Late', subject: '', scale: 24, version: old.version };
    expect((await bench.call('PUT', '/api/builds/tolliver', body)).status).toBe(409);

    await bench.call('POST', `/api/copies/${keptId}/restore`);
    const back = await bench.snapshot();
    expect(back.builds).toEqual(changed.builds);
    expect(back.steps).toEqual(changed.steps);
    expect((await list()).restored).toBeNull();
    expect(existsSync(pathOfCopy(folder, id))).toBe(true);
    expect(readdirSync(folder).filter((name) => name.startsWith('.'))).toEqual([]);
  });

  it('keeps what was written while the copy of what was there was made', async () => {
    const { id } = await press();
    const data = bench.data!;
    const backup = data.sqlite.backup.bind(data.sqlite);
    let turns = 0;
    data.sqlite.backup = async (...args: Parameters<typeof backup>) => {
      const done = await backup(...args);
      if (turns++ === 0) data.sqlite.exec(`UPDATE builds SET name = 'Just then' WHERE id = 'tolliver'`);
      return done;
    };
    const { keptId } = (await bench.call<{ keptId: string }>('POST', `/api/copies/${id}/restore`)).body;
    expect(turns).toBe(2);
    const kept = new Sqlite(pathOfCopy(folder, keptId), { readonly: true });
    expect(kept.prepare(`SELECT name FROM builds WHERE id = 'tolliver'`).pluck().get()).toBe('Just then');
    kept.close();
    // The copy that was a moment too old is not left lying.
    expect((await list()).copies.map(({ kind }) => kind).sort()).toEqual(['before-restore', 'pressed']);
  });

  it('is not said to change nothing where a picture alone is another', async () => {
    const picture = (bytes: string) =>
      bench.data!.sqlite.exec(
        `INSERT OR REPLACE INTO pictures (id, build_id, type, bytes) VALUES ('p', 'quillon', 'image/png', x'${bytes}')`,
      );
    picture('01');
    const { id } = await press();
    const standing = async () => {
      const { body } = await bench.call<CopyPreview>('GET', `/api/copies/${id}`);
      return body.builds.map((build) => build.standing);
    };
    expect(await standing()).toEqual(['same', 'same', 'same', 'same']);
    picture('0102');
    expect((await standing()).filter((each) => each === 'differs')).toHaveLength(1);
  });

  it('looks at and restores a file of an earlier version, and leaves nothing of bringing it up to date', async () => {
    const file = gunzipSync(readFileSync(join(import.meta.dirname, '../fixtures/earlier-bench.db.gz')));
    const sent = (await (await send(file)).json()) as CopyRecord;
    const { body } = await bench.call<CopyPreview>('GET', `/api/copies/${sent.id}`);
    expect(body).toMatchObject({ checked: false, madeAt: null });
    expect(body.builds.length).toBeGreaterThan(0);
    await bench.call('POST', `/api/copies/${sent.id}/restore`);
    expect((await list()).restored).toMatchObject({ madeAt: null });
    expect(readdirSync(folder).every((name) => name.startsWith('before-restore-'))).toBe(true);
    const { status } = await bench.call('GET', '/api/builds/tolliver/kit');
    expect(status).toBe(200);
  });

  it('takes a backup that was saved elsewhere, and refuses what is none without a trace', async () => {
    const backup = Buffer.from(await (await fetch(`${bench.base}/api/backup`)).arrayBuffer());
    await expect.poll(() => readCopyState(bench.data!.db).savedAt).toBe(NOW / 60_000);
    const before = await bench.snapshot();
    await rename('Renamed');
    const torn = Buffer.from(backup);
    torn.fill(0x5a, 4096, 8192);
    for (const [bytes, words] of [
      [Buffer.from('a letter'.repeat(2000)), /is no backup/],
      [Buffer.alloc(0), /is empty/],
      [torn, /damaged|cannot be read|is no backup/],
    ] as const) {
      const answer = await send(bytes);
      expect(answer.status).toBe(422);
      const { detail } = (await answer.json()) as Problem;
      expect(detail).toMatch(words);
      expect(detail).not.toContain(bench.folder);
    }
    expect(readdirSync(folder)).toEqual([]);
    const sent = (await (await send(backup)).json()) as CopyRecord;
    expect(sent.kind).toBe('sent');
    await bench.call('POST', `/api/copies/${sent.id}/restore`);
    expect((await bench.snapshot()).builds).toEqual(before.builds);
    expect((await list()).copies.map(({ kind }) => kind)).toEqual(['before-restore']);
  });

  it.each(['../bench', 'pressed-2026-05-12T19-30-00', '..%2F..%2Fetc%2Fpasswd', '.making-x'])(
    'reaches no file by the name %s',
    async (name) => {
      for (const [method, path] of [
        ['GET', `/api/copies/${encodeURIComponent(name)}`],
        ['POST', `/api/copies/${encodeURIComponent(name)}/restore`],
        ['DELETE', `/api/copies/${encodeURIComponent(name)}`],
      ] as const)
        expect((await bench.call(method, path)).status).toBe(404);
      expect(existsSync(bench.file)).toBe(true);
    },
  );
});

describe('the folder of the copies', () => {
  afterEach(() => {
    delete process.env.FANFARE_COPIES;
  });

  it('is another for every data file, also where all lie on one other disk', () => {
    expect(copiesFolder('/data/bench.db')).toBe('/data/bench.db-copies');
    process.env.FANFARE_COPIES = '/disk';
    expect(copiesFolder('/data/bench.db')).toBe('/disk/bench.db-copies');
    expect(copiesFolder('/data/demo.db')).toBe('/disk/demo.db-copies');
    expect(copiesFolder(':memory:')).toBeNull();
  });
});

describe('the warning', () => {
  const at = 1_000_000;
  const days = (count: number) => at + count * 1440;
  const none = { copiedAt: null, savedAt: null, problem: null };

  it.each([
    ['a copy of this week', { ...none, copiedAt: at }, { everyDays: 2, keep: 5 }, days(3), null],
    ['two copies missing', { ...none, copiedAt: at }, { everyDays: 2, keep: 5 }, days(5), /5 days old/],
    [
      'one that was saved since',
      { ...none, copiedAt: at, savedAt: days(4) },
      { everyDays: 2, keep: 5 },
      days(5),
      null,
    ],
    ['none, with a schedule that has just begun', none, { everyDays: 2, keep: 5 }, days(1), null],
    ['none, and no schedule', none, { everyDays: 0, keep: 5 }, days(1), /There is no backup/],
    [
      'no schedule and an old one',
      { ...none, savedAt: at },
      { everyDays: 0, keep: 5 },
      days(31),
      /31 days old/,
    ],
    ['no schedule and a recent one', { ...none, savedAt: at }, { everyDays: 0, keep: 5 }, days(29), null],
    [
      'a full disk',
      { ...none, copiedAt: at, problem: 'full.' },
      { everyDays: 1, keep: 5 },
      days(1.5),
      /No copy.*full/,
    ],
  ] as const)('with %s', (_, state, plan, now, words) => {
    const warning = copyWarning(state, plan, now);
    if (words === null) expect(warning).toBeNull();
    else expect(warning?.text).toMatch(words);
  });
});
