import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  OWN_HEADER,
  type BuildRecord,
  type CodeRecord,
  type JoinRecord,
  type KitItemRecord,
  type KitItemsRecord,
  type PaintRecord,
  type Problem,
  type SettingsRecord,
  type StepRecord,
  type TrayRecord,
} from '../api/index.ts';
import { assembleKit, plainJoint, plainPart, soundDivision, withWhatGoesToo } from '../core/kit/index.ts';
import { benchClock } from './clock.ts';
import { openDatabase } from './database/open.ts';
import { problemOf } from './problem.ts';
import { projectRoot } from './projectRoot.ts';
import { readBuilds } from './store/benchStore.ts';
import { testBench } from './testBench.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
let own: ReturnType<typeof testBench>;
const listen: (typeof own)['listen'] = (...options) => own.listen(...options);
const close = () => own.close();
const call = <T>(method: string, path: string, body?: unknown) => own.call<T>(method, path, body);
const bench = () => own.snapshot();
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
  own = testBench(NOW);
});
afterEach(() => own.remove());

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
    const first = await call<StepRecord>('POST', '/api/steps', step);
    expect(first).toMatchObject({ status: 201, body: step });
    const second = await call<Problem>('POST', '/api/steps', { ...step, minutes: 99 });
    expect(second.status).toBe(409);
    expect(second.body).toMatchObject({ title: 'Done already', current: step });
    expect(second.body.detail).toMatch(/“Coat” was ticked elsewhere, with 12 min/);
    expect((await bench()).steps).toEqual([first.body]);
    const path = `/api/steps/${encodeURIComponent('a/b c/1')}`;
    expect((await call('DELETE', path, { version: first.body.version! - 1 })).status).toBe(409);
    expect((await call('DELETE', path, first.body)).status).toBe(204);
    expect((await bench()).steps).toEqual([]);
  });

  it('refuses to overwrite what another tab has saved, and says what stands there', async () => {
    const build = (await call<BuildRecord>('POST', '/api/builds', { name: 'Coupe', subject: '', scale: 24 }))
      .body;
    const tray = (await call<TrayRecord>('POST', `/api/builds/${build.id}/trays`, newTray)).body;
    const first = await call<TrayRecord>('PUT', `/api/trays/${tray.id}`, { ...update(tray), name: 'Mine' });
    expect(first.body.name).toBe('Mine');
    expect(first.body.version).toBeGreaterThan(tray.version);
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
    const { version } = body[0]!;
    const lower = await call<PaintRecord>('PUT', '/api/shelf/mine-12', { levelMl: 4.5, version });
    expect(lower.body.levelMl).toBe(4.5);
    // Another tab still sees the full bottle.
    const late = await call<Problem & { current: PaintRecord }>('PUT', '/api/shelf/mine-12', {
      levelMl: 16,
      version,
    });
    expect(late).toMatchObject({ status: 409, body: { current: { levelMl: 4.5 } } });
    expect((await call<PaintRecord>('DELETE', '/api/shelf/mine-12', lower.body)).body.levelMl).toBeNull();
    // The same range and code once more replaces nothing.
    const twin = await call<Problem>('POST', '/api/paints', { paints: [{ ...paint, name: 'Other blue' }] });
    expect(twin).toMatchObject({ status: 409, body: { current: { name: 'Blue' } } });
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
    const one = (await call<{ id: string; version: number }>('POST', `/api/builds/${build.id}/joins`, join))
      .body;
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
      version: one.version,
    });
    expect(circle.status).toBe(400);
    expect(circle.body.detail).toMatch(/circle: “One”, “Two”/);
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
    ['a body over 5 MB', 'POST', '/api/builds', { name: 'x'.repeat(5_100_000) }, 413, /larger than 5 MB/],
    [
      'an unknown build',
      'PUT',
      '/api/builds/nobody',
      { name: 'a', subject: '', scale: 24, version: 1 },
      404,
      /no build with the id "nobody"/,
    ],
    ['an unknown tray', 'DELETE', '/api/trays/nobody', { version: 1 }, 404, /no sub-assembly/],
    ['an unknown paint', 'PUT', '/api/shelf/nobody', { levelMl: 3, version: 1 }, 404, /no paint/],
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
    const copy = join(own.folder, 'copy.db');
    writeFileSync(copy, Buffer.from(await (await fetch(`${own.base}/api/backup`)).arrayBuffer()));
    const opened = openDatabase(copy);
    expect(opened.sqlite.prepare('select name from builds').all()).toEqual([{ name: 'Kept' }]);
    opened.close();
  });
});

describe('the sample bench', () => {
  beforeEach(() => listen(true));

  it('holds three builds and a finished one, about 600 paints, 120 codes and a shelf', async () => {
    const { builds, steps } = await bench();
    expect(builds.map(({ name }) => name)).toEqual([
      'Tolliver Six drophead coupe',
      'Pellam 660 bandwagon truck',
      'Quillon Courier 650',
      'Tolliver Three saloon',
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
    const [tolliver] = (await bench()).builds;
    expect((await call('DELETE', '/api/builds/tolliver', tolliver)).status).toBe(204);
    const { builds, steps } = await bench();
    expect(builds).toHaveLength(3);
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
    const paint = async (id: string) =>
      (await call<PaintRecord[]>('GET', '/api/paints')).body.find((one) => one.id === id)!;
    await call('PUT', '/api/shelf/OR-001', {
      levelMl: 9,
      openedOn: '2026-02-03',
      place: 'drawer',
      note: 'thin',
      version: (await paint('OR-001')).version,
    });
    const { version } = await paint('OR-001');
    await call('PUT', '/api/shelf/OR-001', { levelMl: 8, version });
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
      {
        paintId: 'OR-001',
        shelf: null,
        change: { priceCents: 555, discontinued: true },
        version: (await paint('OR-001')).version,
      },
      { paintId: null, paint: fresh, shelf: { levelMl: 12, place: 'rack' }, change: {}, version: 0 },
    ];
    const refused = await call<Problem>('POST', '/api/shelf-merge', {
      rows: [...rows, { paintId: 'nothing', shelf: null, change: {}, version: 1 }],
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

  it('keeps what a code is for, also where a change does not name it', async () => {
    const { name, years, suppliers, sources, use, version } = await get('TL-2045');
    expect(use).toBe('body');
    const change = { name, years, suppliers, sources };
    const put = (more: object, of: number) =>
      call<CodeRecord & Problem>('PUT', '/api/codes/TL-2045', { ...change, ...more, version: of });
    const engine = await put({ use: 'engine' }, version);
    expect(engine.body.use).toBe('engine');
    const after = await put({ years: '1957' }, engine.body.version);
    expect(after.body).toMatchObject({ use: 'engine', years: '1957' });
    const refused = await put({ use: 'boat' }, after.body.version);
    expect([refused.status, refused.body.detail]).toEqual([
      400,
      expect.stringMatching(/body, engine, cabin/),
    ]);
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
      body: { current: { version: after.version } },
    });
    const back = await call<CodeRecord>('PUT', '/api/codes/TL-2045', {
      ...change,
      sources: before.sources,
      version: after.version,
    });
    expect(back.body.sources[0]!.inForce).toBe(true);
    expect(
      (
        await call<Problem>('PUT', '/api/codes/TL-2045', {
          ...change,
          sources: [],
          version: back.body.version,
        })
      ).body.detail,
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

  /** A division as the web sends it. */
  const parts = (build: BuildRecord) => ({
    trays: build.trays.map((tray) => {
      const { version, ...rest } = update(tray);
      return { id: tray.id, version, tray: rest };
    }),
    removed: [],
    joins: build.joins.map(({ id, version, buildId: _buildId, ...join }) => ({ id, version, join })),
    removedJoins: [],
  });

  it('comes full: parts, versions, open conflicts, joints, lessons', async () => {
    const { builds: all, lessons } = await bench();
    const builds = all.filter(({ kit }) => kit.end === null);
    expect(builds.map(({ kit }) => kit.pieces)).toEqual([125, 189, 136]);
    for (const { kit, trays, joins } of builds) {
      expect(kit.openConflicts).toBeGreaterThan(0);
      expect(kit.jointCount).toBeGreaterThan(70);
      expect(kit.tasks.filter(({ kind }) => kind === 'open').length).toBeGreaterThan(0);
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
    expect(body.items.map(({ id }) => id)).toEqual(['tolliver-B1', 'tolliver-Q1']);
    expect(body.items[0]!.version).toBeGreaterThan(frame.version);
    expect(body.items[1]!.version).toBeGreaterThan(body.items[0]!.version);
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
    const theirs = await change([renamed('Theirs')]);
    expect(theirs.status).toBe(200);
    const mine = await change([renamed('Mine')]);
    expect(mine.status).toBe(409);
    expect(mine.body.current).toMatchObject({
      id: 'tolliver-A5',
      version: theirs.body.items[0]!.version,
      value: { name: 'Theirs' },
    });
  });

  it('takes a part with its joints out of its sub-assembly', async () => {
    const all = await items();
    const tyres = all.find(({ id }) => id === 'tolliver-E4')!;
    const going = withWhatGoesToo(assembleKit(all), [{ kind: 'part', id: tyres.id, value: null }]);
    const versions = new Map(all.map(({ kind, id, version }) => [`${kind} ${id}`, version]));
    expect(going.map(({ kind }) => kind)).toContain('joint');
    const { status } = await change(
      going.map((item) => {
        const { id: _id, ...value } = { id: '', ...item.value };
        const version = versions.get(`${item.kind} ${item.id}`)!;
        return { ...item, version, value: item.value === null ? null : value };
      }),
    );
    expect(status).toBe(200);
    // Its corners forget it.
    expect((await itemOf('corner', 'tolliver-corner-1')).value).toMatchObject({ tyrePartId: null });
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
    const input = {
      trays: trays
        .filter((_, at) => at !== 1)
        .map((tray, at) => {
          const { version, ...rest } = update(tray);
          return {
            id: tray.id,
            version,
            tray: at === 0 ? { ...rest, name: 'Everything', partIds: merged } : rest,
          };
        }),
      removed: [{ id: trays[1]!.id, version: trays[1]!.version }],
      joins: joins
        .filter(({ trayIds }) => !trayIds.includes(trays[1]!.id))
        .map(({ id, version: from, buildId: _buildId, ...join }) => ({
          id,
          version: from,
          join: { ...join, afterJoinIds: [] },
        })),
      removedJoins: joins
        .filter(({ trayIds }) => trayIds.includes(trays[1]!.id))
        .map(({ id, version: from }) => ({ id, version: from })),
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
    // A join that another tab has added meanwhile is not dropped in silence.
    const { body: added } = await call<JoinRecord>('POST', '/api/builds/tolliver/joins', {
      name: 'Mine',
      trayIds: [trays[0]!.id],
      afterJoinIds: [],
      minutes: 5,
      adhesive: 'PVA',
      setMinutes: 0,
    });
    const now = saved.body;
    const later = parts(now);
    expect((await call('PUT', path, later)).status).toBe(409);
    const removedJoins = [{ id: added.id, version: added.version }];
    const last = await call<BuildRecord>('PUT', path, { ...later, removedJoins });
    expect(last.status).toBe(200);
    // What was made again is not what was removed: its version is another.
    const [, ...others] = last.body.joins;
    const [gone] = last.body.joins;
    const without = {
      ...later,
      trays: parts(last.body).trays,
      joins: parts({ ...last.body, joins: others.map((join) => ({ ...join, afterJoinIds: [] })) }).joins,
      removedJoins: [{ id: gone!.id, version: gone!.version }],
    };
    const removed = await call<BuildRecord>('PUT', path, without);
    const remade = await call<BuildRecord>('PUT', path, {
      ...parts(removed.body),
      joins: [...parts(removed.body).joins, { ...parts(last.body).joins[0]!, version: 0 }],
    });
    const made = remade.body.joins.find(({ id }) => id === gone!.id)!;
    expect(made.version).toBeGreaterThan(gone!.version);
    expect((await call('DELETE', `/api/joins/${gone!.id}`, gone)).status).toBe(409);
  });

  it('names what in a division is unknown, doubled or another build’s, and changes nothing', async () => {
    const [tolliver, pellam] = (await bench()).builds;
    const input = parts(tolliver!);
    const divide = (change: object) =>
      call<Problem>('PUT', '/api/builds/tolliver/subassemblies', { ...input, ...change });
    const [first, second] = input.joins;
    const cases: [object, number, RegExp][] = [
      [{ joins: [...input.joins, first] }, 400, /Two records .* have the id/],
      [
        { joins: [...input.joins, { ...parts(pellam!).joins[0]!, version: 0 }] },
        409,
        /record of another build/,
      ],
      [
        {
          joins: input.joins.map((each) =>
            each === first ? { ...each, join: { ...each.join, trayIds: ['no'] } } : each,
          ),
        },
        400,
        /joins no, which is no sub-assembly/,
      ],
      [
        {
          joins: input.joins.map((each) =>
            each === first ? { ...each, join: { ...each.join, afterJoinIds: [each.id] } } : each,
          ),
        },
        400,
        /waits for itself/,
      ],
      [
        {
          joins: input.joins.map((each) => {
            const other = each === first ? second : each === second ? first : undefined;
            return other ? { ...each, join: { ...each.join, afterJoinIds: [other.id] } } : each;
          }),
        },
        400,
        /in a circle/,
      ],
      [{ trays: input.trays.map((each) => ({ ...each, tray: { ...each.tray, codeId: 'XX' } })) }, 404, /XX/],
    ];
    for (const [change, status, message] of cases) {
      const answer = await divide(change);
      expect(answer.status).toBe(status);
      expect(answer.body.detail).toMatch(message);
    }
    expect((await bench()).builds[0]).toEqual(tolliver);
  });

  it('removes a join: nothing waits for it any more, and every build keeps its plan', async () => {
    const [tolliver] = (await bench()).builds;
    const waitedFor = tolliver!.joins.find(({ id }) =>
      tolliver!.joins.some(({ afterJoinIds }) => afterJoinIds.includes(id)),
    )!;
    const without = await call<BuildRecord>('DELETE', `/api/joins/${waitedFor.id}`, waitedFor);
    expect(without.status).toBe(200);
    expect((await bench()).builds[0]).toEqual(without.body);
    const { joins } = (await bench()).builds[0]!;
    expect(joins).toHaveLength(tolliver!.joins.length - 1);
    expect(joins.some(({ afterJoinIds }) => afterJoinIds.includes(waitedFor.id))).toBe(false);
    const [tray] = tolliver!.trays;
    expect((await call('DELETE', `/api/trays/${tray!.id}`, tray)).status).toBe(200);
    const after = (await bench()).builds[0]!;
    expect(after.joins.some(({ trayIds }) => trayIds.includes(tray!.id))).toBe(false);
    expect(soundDivision(after).faults).toEqual([]);
  });

  it('refuses an option id used twice and a 41st source, each with what to do', async () => {
    const choice = (await items()).find(({ kind }) => kind === 'choice')!;
    const value = choice.value as { name: string; options: { id: string }[] };
    const twin = { ...value, name: 'Once more' };
    const twice = await change([{ kind: 'choice', id: 'again', version: 0, value: twin }]);
    expect(twice.status).toBe(400);
    expect(twice.body.detail).toMatch(/have the same id/);
    const code = { maker: 'Own', code: '7', name: '', years: '', kind: 'solid', provenance: 'chip' };
    for (let L = 20; L < 60; L++) await call('POST', '/api/codes', { ...code, lab: { L, a: 0, b: 0 } });
    const more = await call<Problem>('POST', '/api/codes', { ...code, lab: { L: 60, a: 0, b: 0 } });
    expect(more.status).toBe(400);
    expect(more.body.detail).toMatch(/40 sources already.*remove one/);
  });

  it('keeps the stock apart from kits', async () => {
    const spares = await items('/api/stock');
    expect(spares.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['spare', 'material', 'lesson']));
    expect((await change([{ ...spares[0]!, value: null }])).status).toBe(400);
    const strange = await change([{ ...newPart('Q1') }], '/api/stock');
    expect(strange.body.detail).toMatch(/the kind of record must be one of: spare, material, bar, lesson/);
  });

  it('keeps a picture and refuses what is none', async () => {
    const drawn = await sharp({ create: { width: 6, height: 4, channels: 3, background: '#a03020' } })
      .jpeg()
      .withExif({ IFD3: { GPSLatitude: '51/1 30/1 3230/100' } })
      .toBuffer();
    const send = (bytes: Buffer) =>
      fetch(`${own.base}/api/builds/tolliver/pictures`, {
        method: 'POST',
        headers: { 'content-type': 'image/jpeg', [OWN_HEADER]: '1' },
        body: new Uint8Array(bytes),
      });
    expect((await sharp(drawn).metadata()).exif).toBeDefined();
    const { id } = (await (await send(Buffer.concat([drawn, Buffer.from('<script>')]))).json()) as {
      id: string;
    };
    const back = await fetch(`${own.base}/api/pictures/${id}`);
    expect(back.headers.get('content-type')).toBe('image/jpeg');
    expect(back.headers.get('content-disposition')).toBe('attachment');
    expect(back.headers.get('content-security-policy')).toMatch(/^sandbox/);
    expect(back.headers.get('x-content-type-options')).toBe('nosniff');
    const kept = Buffer.from(await back.arrayBuffer());
    expect(await sharp(kept).metadata()).toMatchObject({ width: 6, height: 4 });
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
    expect(kept.includes('<script>')).toBe(false);
    const cut = await send(drawn.subarray(0, 200));
    expect(cut.status).toBe(415);
    expect(((await cut.json()) as Problem).detail).toMatch(/cut short or damaged/);
    const text = await send(Buffer.from('<html>not a picture</html>'));
    expect(text.status).toBe(415);
    expect(((await text.json()) as Problem).detail).toMatch(/neither JPEG, PNG, WebP nor GIF/);
    expect((await send(Buffer.alloc(5_100_000))).status).toBe(413);
    expect((await fetch(`${own.base}/api/pictures/none`)).status).toBe(404);
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
    const file = join(own.folder, 'old.db');
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
    const data = openDatabase(file);
    const [build] = readBuilds(data.db);
    data.close();
    expect(build!.trays.map(({ name, parts }) => [name, parts.map(({ id }) => id)])).toEqual([
      ['Body', ['b-A1', 'b-A2']],
      ['Lids', ['b-A3']],
    ]);
    expect(build!.kit.pieces).toBe(6);
  });
});

describe('data file and clock', () => {
  beforeEach(() => listen(false));

  it('leaves a file that is not a database alone and says so', () => {
    const file = join(own.folder, 'letter.txt');
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
    const pages = own.data!.sqlite.pragma('page_count', { simple: true }) as number;
    own.data!.sqlite.pragma(`max_page_count = ${pages}`);
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
