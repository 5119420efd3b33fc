import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type {
  BenchSnapshot,
  BuildRecord,
  CodeRecord,
  KitItemRecord,
  KitItemsRecord,
  PaintRecord,
  Problem,
  SettingsRecord,
  TrayRecord,
} from '../api/index.ts';
import { plainJoint, plainPart, type Joint } from '../core/kit/index.ts';
import { createApp } from './app.ts';
import { benchClock } from './clock.ts';
import { openDatabase, type OpenDatabase } from './database/open.ts';
import { problemOf } from './problem.ts';
import { projectRoot } from './projectRoot.ts';
import { isEmpty, seedDemo } from './seedDemo.ts';
import { readBuilds } from './store/benchStore.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
let folder: string;
let data: OpenDatabase;
let server: Server;
let base: string;

async function listen(demo: boolean, passphrase?: string): Promise<void> {
  data = openDatabase(join(folder, 'bench.db'));
  if (demo && isEmpty(data.db)) seedDemo(data.db, NOW);
  server = createApp({ ...data, clock: () => NOW, demo, passphrase }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

async function close(): Promise<void> {
  await new Promise((resolve) => server.close(resolve));
  data.sqlite.close();
}

async function call<T>(method: string, path: string, body?: unknown): Promise<{ status: number; body: T }> {
  const response = await fetch(base + path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  });
  const text = await response.text();
  return { status: response.status, body: (text ? JSON.parse(text) : undefined) as T };
}

const bench = async () => (await call<BenchSnapshot>('GET', '/api/bench')).body;
const newTray = {
  name: 'Body',
  areaCm2: 100,
  substrateId: 'styrene-white',
  partIds: [],
  layers: [],
  codeId: null,
  position: 0,
};
const update = ({ id: _id, buildId: _buildId, parts, ...rest }: TrayRecord) => ({
  ...rest,
  partIds: parts.map(({ id }) => id),
});

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fanfare-server-'));
});
afterEach(async () => {
  await close();
  rmSync(folder, { recursive: true, force: true });
});

describe('an empty bench', () => {
  beforeEach(() => listen(false));

  it('begins with a calendar, mild air and nothing else', async () => {
    const snapshot = await bench();
    expect(snapshot).toMatchObject({
      now: NOW,
      demo: false,
      builds: [],
      steps: [],
      settings: { version: 0 },
    });
    expect(snapshot.settings.calendar.sessions.length).toBeGreaterThan(0);
  });

  it('keeps a build with its trays, joints and steps over a restart', async () => {
    const build = (await call<BuildRecord>('POST', '/api/builds', { name: 'Coupe', subject: '', scale: 24 }))
      .body;
    const layers = [
      { id: 'mask', kind: 'mask', coats: 1, tool: 'hand' },
      { id: 'colour', kind: 'colour', coats: 3, mistCoats: 1, tool: 'airbrush', mix: { a: 3, b: 1 } },
    ];
    const tray = (await call<TrayRecord>('POST', `/api/builds/${build.id}/trays`, { ...newTray, layers }))
      .body;
    expect(tray.layers).toEqual(layers);
    const join = {
      name: 'Body on',
      trayIds: [tray.id],
      afterJoinIds: [],
      minutes: 10,
      adhesive: 'PVA',
      setMinutes: 60,
    };
    expect((await call('POST', `/api/builds/${build.id}/joins`, join)).status).toBe(201);
    const step = {
      operationId: 'x/clean',
      buildId: build.id,
      trayId: tray.id,
      title: 'Clean',
      endedAt: 1000,
      minutes: 12,
      note: '',
    };
    expect((await call('POST', '/api/steps', step)).status).toBe(201);
    const before = await bench();
    await close();
    await listen(false);
    expect(await bench()).toEqual(before);
    expect(before.builds[0]!.trays).toHaveLength(1);
    expect(before.steps).toHaveLength(1);
  });

  it('takes the same step once, however often it is sent, and can take it back', async () => {
    const build = (await call<BuildRecord>('POST', '/api/builds', { name: 'Coupe', subject: '', scale: 24 }))
      .body;
    const step = {
      operationId: 'a/b c/1',
      buildId: build.id,
      trayId: null,
      title: 'Coat',
      endedAt: 1000,
      minutes: 12,
      note: '',
    };
    await call('POST', '/api/steps', step);
    // An answer that was lost: what is sent again is the same.
    expect(await call('POST', '/api/steps', step)).toMatchObject({ status: 201, body: step });
    const second = await call<Problem>('POST', '/api/steps', { ...step, minutes: 99 });
    expect(second.status).toBe(409);
    expect(second.body).toMatchObject({ title: 'Done already', current: step });
    expect(second.body.detail).toMatch(/“Coat” was ticked elsewhere, with 12 min/);
    expect((await bench()).steps).toEqual([step]);
    expect((await call('DELETE', `/api/steps/${encodeURIComponent('a/b c/1')}`)).status).toBe(204);
    expect((await bench()).steps).toEqual([]);
  });

  it('refuses to overwrite what another tab has saved, and says what stands there', async () => {
    const build = (await call<BuildRecord>('POST', '/api/builds', { name: 'Coupe', subject: '', scale: 24 }))
      .body;
    const tray = (await call<TrayRecord>('POST', `/api/builds/${build.id}/trays`, newTray)).body;
    const first = await call<TrayRecord>('PUT', `/api/trays/${tray.id}`, { ...update(tray), name: 'Mine' });
    expect(first.body).toMatchObject({ name: 'Mine', version: 2 });
    const second = await call<Problem & { current: TrayRecord }>('PUT', `/api/trays/${tray.id}`, {
      ...update(tray),
      name: 'Theirs',
    });
    expect(second.status).toBe(409);
    expect(second.body.current.name).toBe('Mine');
    expect((await bench()).builds[0]!.trays[0]!.name).toBe('Mine');
    const { settings } = await bench();
    expect((await call('PUT', '/api/bench/settings', settings)).status).toBe(200);
    expect((await call('PUT', '/api/bench/settings', settings)).status).toBe(409);
  });

  it('takes paints by hex or Lab, estimates their optics and puts them on the shelf', async () => {
    const paint = {
      range: 'Mine',
      code: '12',
      name: 'Blue',
      family: 'lacquer',
      container: 'bottle',
      role: 'colour',
      sheen: 'gloss',
      hiding: 'opaque',
      priceCents: 300,
      volumeMl: 17,
      hex: '#24527a',
      owned: true,
    };
    const { body, status } = await call<PaintRecord[]>('POST', '/api/paints', { paints: [paint] });
    expect(status).toBe(201);
    expect(body[0]).toMatchObject({ id: 'mine-12', levelMl: 17, provenance: 'typed' });
    expect(body[0]!.k).toHaveLength(31);
    expect((await call<PaintRecord>('PUT', '/api/shelf/mine-12', { levelMl: 4.5 })).body.levelMl).toBe(4.5);
    expect((await call<PaintRecord>('DELETE', '/api/shelf/mine-12')).body.levelMl).toBeNull();
    const code = {
      maker: 'Own',
      code: '7',
      name: '',
      years: '',
      kind: 'solid',
      provenance: 'chip',
      lab: { L: 40, a: 20, b: 10 },
    };
    expect((await call<CodeRecord>('POST', '/api/codes', code)).body).toMatchObject({
      id: 'own-7',
      sources: [{ uncertainty: 1 }],
    });
  });

  it('refuses joints that wait for each other', async () => {
    const build = (await call<BuildRecord>('POST', '/api/builds', { name: 'Coupe', subject: '', scale: 24 }))
      .body;
    const join = { name: 'One', trayIds: [], afterJoinIds: [], minutes: 10, adhesive: 'PVA', setMinutes: 60 };
    const one = (await call<{ id: string }>('POST', `/api/builds/${build.id}/joins`, join)).body;
    const two = (
      await call<{ id: string }>('POST', `/api/builds/${build.id}/joins`, {
        ...join,
        name: 'Two',
        afterJoinIds: [one.id],
      })
    ).body;
    const circle = await call<Problem>('PUT', `/api/joins/${one.id}`, {
      ...join,
      afterJoinIds: [two.id],
      version: 1,
    });
    expect(circle.status).toBe(400);
    expect(circle.body.detail).toMatch(/circle: (One, Two|Two, One)/);
  });

  it.each<[string, string, string, unknown, number, RegExp]>([
    [
      'a hex of the wrong length',
      'POST',
      '/api/paints',
      {
        paints: [
          {
            range: 'a',
            code: 'b',
            name: 'c',
            family: 'lacquer',
            container: 'bottle',
            role: 'colour',
            sheen: 'gloss',
            hiding: 'opaque',
            priceCents: 0,
            volumeMl: 1,
            hex: '#12345',
            owned: true,
          },
        ],
      },
      400,
      /3 or 6 digits/,
    ],
    [
      'Lab out of range',
      'POST',
      '/api/codes',
      {
        maker: 'a',
        code: 'b',
        name: '',
        years: '',
        kind: 'solid',
        provenance: 'chip',
        lab: { L: 140, a: 0, b: 0 },
      },
      400,
      /L must lie between 0 and 100/,
    ],
    [
      'a colour no surface can have',
      'POST',
      '/api/codes',
      {
        maker: 'a',
        code: 'b',
        name: '',
        years: '',
        kind: 'solid',
        provenance: 'chip',
        lab: { L: 95, a: 120, b: 0 },
      },
      400,
      /No surface/,
    ],
    [
      'a build without a name',
      'POST',
      '/api/builds',
      { subject: '', scale: 24 },
      400,
      /name of the build is missing/,
    ],
    ['a scale of half', 'POST', '/api/builds', { name: 'a', subject: '', scale: 2.5 }, 400, /scale/],
    [
      'fields nobody knows',
      'POST',
      '/api/builds',
      { name: 'a', subject: '', scale: 24, admin: true },
      400,
      /admin/,
    ],
    ['JSON cut short', 'POST', '/api/builds', '{"name":"Coup', 400, /not complete JSON/],
    ['a body over 1 MB', 'POST', '/api/builds', { name: 'x'.repeat(1_100_000) }, 413, /larger than 1 MB/],
    [
      'an unknown build',
      'PUT',
      '/api/builds/nobody',
      { name: 'a', subject: '', scale: 24, version: 1 },
      404,
      /no build with the id "nobody"/,
    ],
    ['an unknown tray', 'DELETE', '/api/trays/nobody', undefined, 404, /no sub-assembly/],
    ['an unknown paint', 'PUT', '/api/shelf/nobody', { levelMl: 3 }, 404, /no paint/],
    ['a negative level', 'PUT', '/api/shelf/nobody', { levelMl: -3 }, 400, /between 0 and 5000/],
    [
      'a step of an unknown build',
      'POST',
      '/api/steps',
      { operationId: 'a', buildId: 'nobody', trayId: null, title: 'a', endedAt: 1, minutes: 1, note: '' },
      404,
      /no build/,
    ],
    ['an address nobody answers', 'GET', '/api/nothing', undefined, 404, /not something Fanfare answers/],
  ])('refuses %s and changes nothing', async (_, method, path, body, status, message) => {
    const before = await bench();
    const answer = await call<Problem>(method, path, body);
    expect(answer.status).toBe(status);
    expect(answer.body.detail).toMatch(message);
    expect(answer.body.title).toBeTruthy();
    expect(await bench()).toEqual(before);
  });

  it('refuses negative drops, sessions that overlap and an empty session', async () => {
    const build = (await call<BuildRecord>('POST', '/api/builds', { name: 'Coupe', subject: '', scale: 24 }))
      .body;
    const layer = { id: 'c', kind: 'colour', coats: 3, tool: 'airbrush', mix: { a: -2 } };
    const drops = await call<Problem>('POST', `/api/builds/${build.id}/trays`, {
      ...newTray,
      layers: [layer],
    });
    expect(drops.body.detail).toMatch(/drops must be whole numbers from 1/);
    const { settings } = await bench();
    const withSessions = (sessions: SettingsRecord['calendar']['sessions']) =>
      call<Problem>('PUT', '/api/bench/settings', {
        ...settings,
        calendar: { ...settings.calendar, sessions },
      });
    expect(
      (
        await withSessions([
          { day: 1, start: 600, end: 700 },
          { day: 1, start: 650, end: 800 },
        ])
      ).body.detail,
    ).toMatch(/overlap/);
    expect((await withSessions([{ day: 1, start: 600, end: 600 }])).body.detail).toMatch(/10 minutes/);
    expect((await withSessions([])).status).toBe(200);
  });

  it('hands out a backup that opens as a data file', async () => {
    await call('POST', '/api/builds', { name: 'Kept', subject: '', scale: 24 });
    const copy = join(folder, 'copy.db');
    writeFileSync(copy, Buffer.from(await (await fetch(`${base}/api/backup`)).arrayBuffer()));
    const { sqlite } = openDatabase(copy);
    expect(sqlite.prepare('select name from builds').all()).toEqual([{ name: 'Kept' }]);
    sqlite.close();
  });
});

describe('the sample bench', () => {
  beforeEach(() => listen(true));

  it('holds three builds, about 600 paints, 120 codes and a shelf', async () => {
    const { builds, steps } = await bench();
    expect(builds.map(({ name }) => name)).toEqual([
      'Tolliver Six drophead coupe',
      'Pellam 660 bandwagon truck',
      'Quillon Courier 650',
    ]);
    expect(steps.length).toBeGreaterThan(40);
    const paints = (await call<PaintRecord[]>('GET', '/api/paints')).body;
    expect(paints.length).toBeGreaterThan(595);
    const owned = paints.filter(({ levelMl }) => levelMl !== null).length;
    expect(owned).toBeGreaterThanOrEqual(40);
    expect(owned).toBeLessThanOrEqual(60);
    const codes = (await call<CodeRecord[]>('GET', '/api/codes')).body;
    expect(codes).toHaveLength(120);
    expect(codes.filter(({ angles }) => angles?.length === 5).length).toBeGreaterThan(20);
  });

  it('is laid out once: a second start adds nothing', async () => {
    const before = await bench();
    await close();
    await listen(true);
    expect(await bench()).toEqual(before);
  });

  it('removes a build with all that hangs on it', async () => {
    expect((await call('DELETE', '/api/builds/tolliver')).status).toBe(204);
    const { builds, steps } = await bench();
    expect(builds).toHaveLength(2);
    expect(steps.some(({ buildId }) => buildId === 'tolliver')).toBe(false);
  });
});

describe('codes and their sources', () => {
  beforeEach(() => listen(true));
  const get = async (id: string) =>
    (await call<CodeRecord[]>('GET', '/api/codes')).body.find((code) => code.id === id)!;
  const mine = {
    maker: 'Larkspur Boats',
    code: 'LB-1',
    name: 'Slipway Green',
    years: '',
    kind: 'solid',
    provenance: 'swatch',
  };
  const spectrum = Array.from({ length: 31 }, (_, band) => 0.1 + band / 100);

  it('adds a second source to a code that is there instead of replacing it, and the surer decides', async () => {
    await call('POST', '/api/codes', { ...mine, lab: { L: 40, a: -20, b: 10 } });
    const { body } = await call<CodeRecord>('POST', '/api/codes', {
      ...mine,
      provenance: 'instrument',
      spectrum,
    });
    expect(body.sources.map(({ provenance, inForce }) => [provenance, inForce])).toEqual([
      ['swatch', false],
      ['instrument', true],
    ]);
    body.spectrum.forEach((value, band) => expect(value).toBeCloseTo(spectrum[band]!, 5));
    // The same once more says nothing new.
    await call('POST', '/api/codes', { ...mine, lab: { L: 40, a: -20, b: 10 } });
    expect((await get(body.id)).sources).toHaveLength(2);
  });

  it('brings many in at once or none', async () => {
    const batch = [1, 2, 3].map((at) => ({ ...mine, code: `LB-${at}`, lab: { L: 30 + at, a: 0, b: 0 } }));
    expect((await call<CodeRecord[]>('POST', '/api/codes/batch', { codes: batch })).body).toHaveLength(3);
    const { status, body } = await call<Problem>('POST', '/api/codes/batch', {
      codes: [
        { ...mine, code: 'LB-8', lab: { L: 50, a: 0, b: 0 } },
        { ...mine, code: 'LB-9', lab: { L: 50, a: 150, b: 150 } },
      ],
    });
    expect(status).toBe(400);
    expect(body.detail).toMatch(/more vivid/);
    expect(await get('larkspur-boats-lb-8')).toBeUndefined();
  });

  it('keeps what stands on the shelf with its day, place and note, and merges a list in one stroke', async () => {
    type Paint = { id: string; levelMl: number | null; place: string; note: string; openedOn: string | null };
    const paint = async (id: string) =>
      (await call<Paint[]>('GET', '/api/paints')).body.find((one) => one.id === id)!;
    await call('PUT', '/api/shelf/OR-001', {
      levelMl: 9,
      openedOn: '2026-02-03',
      place: 'drawer',
      note: 'thin',
    });
    await call('PUT', '/api/shelf/OR-001', { levelMl: 8 });
    expect(await paint('OR-001')).toMatchObject({
      levelMl: 8,
      openedOn: '2026-02-03',
      place: 'drawer',
      note: 'thin',
    });
    const fresh = {
      range: 'Harbour',
      code: '7',
      name: 'Deep Tide',
      family: 'lacquer',
      container: 'bottle',
      role: 'colour',
      sheen: 'gloss',
      hiding: 'opaque',
      priceCents: 320,
      volumeMl: 17,
      hex: '#104050',
      owned: false,
    };
    const rows = [
      { paintId: 'OR-001', shelf: null, change: { priceCents: 555, discontinued: true } },
      { paintId: null, paint: fresh, shelf: { levelMl: 12, place: 'rack' }, change: {} },
    ];
    const refused = await call<Problem>('POST', '/api/shelf-merge', {
      rows: [...rows, { paintId: 'nothing', shelf: null, change: {} }],
    });
    expect(refused.status).toBe(404);
    expect((await paint('OR-001')).levelMl).toBe(8);
    await call('POST', '/api/shelf-merge', { rows });
    expect(await paint('OR-001')).toMatchObject({ levelMl: null, priceCents: 555, discontinued: true });
    expect(await paint('harbour-7')).toMatchObject({ levelMl: 12, place: 'rack', name: 'Deep Tide' });
    expect(
      (await call<Problem>('PUT', '/api/shelf/OR-001', { levelMl: 1, openedOn: 'May' })).body.detail,
    ).toMatch(/a day is written like/);
  });

  it('lets the builder choose the source in force, and tells when another tab was first', async () => {
    const before = await get('TL-2045');
    const sources = before.sources.map((source, at) => ({ ...source, ...(at === 1 && { chosen: true }) }));
    const change = {
      name: before.name,
      years: before.years,
      suppliers: '',
      sources,
      version: before.version,
    };
    const { body: after } = await call<CodeRecord>('PUT', '/api/codes/TL-2045', change);
    expect(after.sources[1]).toMatchObject({ inForce: true, chosen: true });
    expect(after.spectrum).not.toEqual(before.spectrum);
    expect(await call<Problem>('PUT', '/api/codes/TL-2045', change)).toMatchObject({
      status: 409,
      body: { current: { version: 2 } },
    });
    const back = await call<CodeRecord>('PUT', '/api/codes/TL-2045', {
      ...change,
      sources: before.sources,
      version: 2,
    });
    expect(back.body.sources[0]!.inForce).toBe(true);
    expect(
      (await call<Problem>('PUT', '/api/codes/TL-2045', { ...change, sources: [], version: 3 })).body.detail,
    ).toMatch(/at least one source/);
  });
});

describe('a kit', () => {
  beforeEach(() => listen(true));

  const items = async (path = '/api/builds/tolliver/kit') =>
    (await call<KitItemsRecord>('GET', path)).body.items;
  const change = (changes: unknown[], path = '/api/builds/tolliver/kit') =>
    call<KitItemsRecord & Problem & { current?: KitItemRecord }>('PUT', path, { changes });
  const itemOf = async (kind: string, id: string) =>
    (await items()).find((item) => item.kind === kind && item.id === id)!;
  const newPart = (label: string) => {
    const { id: _id, ...value } = plainPart(label);
    return { kind: 'part', id: `tolliver-${label}`, version: 0, value };
  };

  it('comes full: parts, versions, open conflicts, joints, lessons', async () => {
    const { builds, lessons } = await bench();
    expect(builds.map(({ kit }) => kit.pieces)).toEqual([125, 189, 136]);
    for (const { kit, trays, joins } of builds) {
      expect(kit.openConflicts).toBeGreaterThan(0);
      expect(kit.jointCount).toBeGreaterThan(70);
      expect(kit.openings.length).toBeGreaterThan(0);
      expect(trays.length).toBeGreaterThan(10);
      expect(joins.length).toBeGreaterThan(10);
      const held = trays.flatMap(({ parts }) => parts.map(({ id }) => id));
      expect(new Set(held).size).toBe(held.length);
    }
    expect(builds[0]!.kit.openChoices).toEqual(['Drive side']);
    expect(lessons.length).toBeGreaterThan(3);
  });

  it('stores changes of many records in one stroke, and again after a restart', async () => {
    const frame = await itemOf('part', 'tolliver-B1');
    const { status, body } = await change([
      { ...frame, value: { ...(frame.value as object), name: 'Ladder frame', checked: true } },
      newPart('Q1'),
    ]);
    expect(status).toBe(200);
    expect(body.items.map(({ id, version }) => [id, version])).toEqual([
      ['tolliver-B1', 2],
      ['tolliver-Q1', 1],
    ]);
    await close();
    await listen(true);
    expect((await itemOf('part', 'tolliver-B1')).value).toMatchObject({ name: 'Ladder frame' });
    const chassis = (await bench()).builds[0]!.trays.find(({ id }) => id === 'tolliver-chassis')!;
    expect(chassis.parts.map(({ name }) => name)).toContain('Ladder frame');
  });

  it('keeps all or nothing', async () => {
    const before = await items();
    const { status, body } = await change([newPart('Q1'), { ...newPart('Q2'), value: { name: 'half' } }]);
    expect(status).toBe(400);
    expect(body.detail).toMatch(/the part number is missing/);
    expect(await items()).toEqual(before);
  });

  it('refuses a twin, a joint to nowhere and a circle, each by name', async () => {
    const twin = await change([{ ...newPart('A1'), id: 'tolliver-again' }]);
    expect(twin.status).toBe(400);
    expect(twin.body.detail).toMatch(/A1 is there twice: “Body shell” and “Part A1”/);
    const { id: _id, ...joint } = plainJoint('x', 'tolliver-A1', 'tolliver-Z9');
    const nowhere = await change([{ kind: 'joint', id: 'x', version: 0, value: joint }]);
    expect(nowhere.body.detail).toMatch(/“tolliver-Z9”, which is not in the kit: A1 Body shell/);
    const engine = await itemOf('joint', 'tolliver-engine-in');
    const circle = await change([
      { ...engine, value: { ...(engine.value as object), closes: ['tolliver-body-on'] } },
    ]);
    expect(circle.body.detail).toMatch(/in a circle: .*A1 Body shell to B1 Chassis frame/);
    expect((await itemOf('joint', 'tolliver-engine-in')).version).toBe(1);
    const gone = await itemOf('part', 'tolliver-E4');
    expect((await change([{ ...gone, value: null }])).body.detail).toMatch(/which is not in the kit/);
  });

  it('says what stands there when another tab was first', async () => {
    const part = await itemOf('part', 'tolliver-A5');
    const renamed = (name: string) => ({ ...part, value: { ...(part.value as object), name } });
    expect((await change([renamed('Theirs')])).status).toBe(200);
    const mine = await change([renamed('Mine')]);
    expect(mine.status).toBe(409);
    expect(mine.body.current).toMatchObject({ id: 'tolliver-A5', version: 2, value: { name: 'Theirs' } });
  });

  it('takes a part with its joints out of its sub-assembly', async () => {
    const all = await items();
    const tyres = all.find(({ id }) => id === 'tolliver-E4')!;
    const joints = all.filter(({ kind, value }) => kind === 'joint' && (value as Joint).a === 'tolliver-E4');
    const { status } = await change([...joints, tyres].map((item) => ({ ...item, value: null })));
    expect(status).toBe(200);
    const { trays } = (await bench()).builds[0]!;
    expect(trays.flatMap(({ parts }) => parts).some(({ id }) => id === 'tolliver-E4')).toBe(false);
  });

  it('refuses a part in two sub-assemblies', async () => {
    const [body, other] = (await bench()).builds[0]!.trays;
    const { status, body: problem } = await call<Problem>('PUT', `/api/trays/${other!.id}`, {
      ...update(other!),
      partIds: [...update(other!).partIds, body!.parts[0]!.id],
    });
    expect(status).toBe(400);
    expect(problem.detail).toMatch(/A1 Body shell lies in “Body” and in “/);
  });

  it('takes a division in one stroke, and none that is out of date', async () => {
    const { trays, joins } = (await bench()).builds[0]!;
    const merged = [...update(trays[0]!).partIds, ...update(trays[1]!).partIds];
    const { version, ...body } = update(trays[0]!);
    const input = {
      trays: [{ id: trays[0]!.id, version, tray: { ...body, name: 'Everything', partIds: merged } }],
      removed: [{ id: trays[1]!.id, version: trays[1]!.version }],
      joins: joins
        .filter(({ trayIds }) => !trayIds.includes(trays[1]!.id))
        .map(({ buildId: _buildId, version: _version, ...join }) => ({ ...join, afterJoinIds: [] })),
    };
    const path = '/api/builds/tolliver/subassemblies';
    const saved = await call<BuildRecord>('PUT', path, input);
    expect(saved.status).toBe(200);
    expect(saved.body.trays).toHaveLength(trays.length - 1);
    expect(saved.body.trays[0]!.parts).toHaveLength(merged.length);
    expect(saved.body.joins).toHaveLength(input.joins.length);
    const again = await call<Problem>('PUT', path, input);
    expect(again.status).toBe(409);
    expect((await bench()).builds[0]).toEqual(saved.body);
  });

  it('keeps the stock apart from kits', async () => {
    const spares = await items('/api/stock');
    expect(spares.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['spare', 'material', 'lesson']));
    expect((await change([{ ...spares[0]!, value: null }])).status).toBe(400);
    const strange = await change([{ ...newPart('Q1') }], '/api/stock');
    expect(strange.body.detail).toMatch(/the kind of record must be one of: spare, material, lesson/);
  });

  it('keeps a picture and refuses what is none', async () => {
    const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
    const send = (bytes: Buffer) =>
      fetch(`${base}/api/builds/tolliver/pictures`, {
        method: 'POST',
        headers: { 'content-type': 'image/png' },
        body: new Uint8Array(bytes),
      });
    const { id } = (await (await send(png)).json()) as { id: string };
    const back = await fetch(`${base}/api/pictures/${id}`);
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(Buffer.from(await back.arrayBuffer())).toEqual(png);
    const text = await send(Buffer.from('<html>not a picture</html>'));
    expect(text.status).toBe(415);
    expect(((await text.json()) as Problem).detail).toMatch(/neither JPEG, PNG, WebP nor GIF/);
    expect((await send(Buffer.alloc(5_100_000))).status).toBe(413);
    expect((await fetch(`${base}/api/pictures/none`)).status).toBe(404);
  });

  it('names what is unknown', async () => {
    expect((await call<Problem>('GET', '/api/builds/none/kit')).body.detail).toMatch(
      /no build with the id "none"/,
    );
    expect((await change([])).body.detail).toMatch(/no change in the request/);
  });
});

describe('a data file of the first version', () => {
  it('moves its part lists into the kit', () => {
    const file = join(folder, 'old.db');
    const sqlite = new Sqlite(file);
    const migrations = join(projectRoot(), 'src/server/database/migrations');
    const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
      entries: { when: number; tag: string }[];
    };
    const [first] = journal.entries as [(typeof journal.entries)[number]];
    const script = readFileSync(join(migrations, `${first.tag}.sql`), 'utf8');
    for (const statement of script.split('--> statement-breakpoint')) sqlite.exec(statement);
    sqlite.exec(
      'CREATE TABLE __drizzle_migrations (id INTEGER PRIMARY KEY, hash text NOT NULL, created_at numeric)',
    );
    sqlite
      .prepare('INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)')
      .run(createHash('sha256').update(script).digest('hex'), first.when);
    sqlite.exec("INSERT INTO builds VALUES ('b', 'Old', '', 24, 0, 1)");
    const tray = sqlite.prepare(
      "INSERT INTO trays VALUES (?, 'b', ?, 0, 10, 'styrene-white', ?, '[]', NULL, 1)",
    );
    const part = (id: string) => ({ id, frame: 'A', number: id.slice(1), name: `Part ${id}`, count: 2 });
    tray.run('t1', 'Body', JSON.stringify([part('A1'), part('A2')]));
    tray.run('t2', 'Lids', JSON.stringify([part('A2'), part('A3')]));
    sqlite.close();
    data = openDatabase(file);
    server = createApp({ ...data, clock: () => NOW, demo: false }).listen(0, '127.0.0.1');
    const [build] = readBuilds(data.db);
    expect(build!.trays.map(({ name, parts }) => [name, parts.map(({ id }) => id)])).toEqual([
      ['Body', ['b-A1', 'b-A2']],
      ['Lids', ['b-A3']],
    ]);
    expect(build!.kit.pieces).toBe(6);
  });
});

describe('beyond this machine', () => {
  beforeEach(() => listen(false, 'brass band'));

  it('asks for the passphrase', async () => {
    expect((await fetch(`${base}/api/bench`)).status).toBe(401);
    const authorization = `Basic ${Buffer.from('builder:brass band').toString('base64')}`;
    expect((await fetch(`${base}/api/bench`, { headers: { authorization } })).status).toBe(200);
    const wrong = `Basic ${Buffer.from('builder:brass hand').toString('base64')}`;
    expect((await fetch(`${base}/api/bench`, { headers: { authorization: wrong } })).status).toBe(401);
  });
});

describe('data file and clock', () => {
  beforeEach(() => listen(false));

  it('leaves a file that is not a database alone and says so', () => {
    const file = join(folder, 'letter.txt');
    writeFileSync(
      file,
      'Dear builder, this is not a database but a letter, and quite a long one at that.'.repeat(20),
    );
    expect(() => openDatabase(file)).toThrow(/is not a Fanfare data file.*FANFARE_DATA/s);
  });

  it('says when the disk is full, or the file refuses', () => {
    expect(problemOf(Object.assign(new Error('full'), { code: 'SQLITE_FULL' }))).toMatchObject({
      status: 507,
      title: 'The disk is full',
    });
    expect(problemOf(Object.assign(new Error('ro'), { code: 'SQLITE_READONLY' }))).toMatchObject({
      status: 500,
      title: 'The data file refused',
    });
    expect(problemOf(new Error('secret path /x'))).toMatchObject({
      status: 500,
      detail: expect.not.stringContaining('secret') as string,
    });
  });

  it('really fails whole when no page can be added', async () => {
    const pages = data.sqlite.pragma('page_count', { simple: true }) as number;
    data.sqlite.pragma(`max_page_count = ${pages}`);
    const subject = 'x'.repeat(180);
    let refused: { status: number; body: Problem } | undefined;
    let kept = 0;
    for (let i = 0; i < 200 && !refused; i++) {
      const answer = await call<Problem>('POST', '/api/builds', { name: `Build ${i}`, subject, scale: 24 });
      if (answer.status === 201) kept++;
      else refused = answer;
    }
    expect(refused).toMatchObject({ status: 507, body: { title: 'The disk is full' } });
    expect((await bench()).builds).toHaveLength(kept);
  });

  it('can start its clock at a given moment', () => {
    const clock = benchClock('2026-05-12T19:30:00Z');
    expect(Math.abs(clock() - NOW)).toBeLessThan(1000);
    expect(() => benchClock('tea time')).toThrow(/FANFARE_CLOCK/);
  });
});
