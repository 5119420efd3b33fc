import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type {
  BenchSnapshot,
  BuildRecord,
  CodeRecord,
  PaintRecord,
  Problem,
  SettingsRecord,
  TrayRecord,
} from '../api/index.ts';
import { createApp } from './app.ts';
import { benchClock } from './clock.ts';
import { openDatabase, type OpenDatabase } from './database/open.ts';
import { problemOf } from './problem.ts';
import { isEmpty, seedDemo } from './seedDemo.ts';

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
  parts: [],
  layers: [],
  codeId: null,
  position: 0,
};
const update = ({ id: _id, buildId: _buildId, ...rest }: TrayRecord) => rest;

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
    await call('POST', '/api/steps', { ...step, minutes: 99 });
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
