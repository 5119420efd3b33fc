import { get } from 'node:http';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  MOST_MERGED,
  MOST_STARTS,
  OWN_HEADER,
  PATHS,
  type BenchOverview,
  type BuildDetail,
  type Changes,
  type CodeRecord,
  type CupRecord,
  type PaintRecord,
  type PastPlanRecord,
  type PlanRecord,
  type Problem,
} from '../../api/index.ts';
import { testBench } from '../testBench.ts';
import { BODY_LIMITS, requireWithinLimits } from './jsonBody.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
let own: ReturnType<typeof testBench>;
beforeEach(() => {
  own = testBench(NOW);
});
afterEach(() => own.remove());

const bytes = (text: string) => new TextEncoder().encode(text);
const paint = (code: number) => ({
  range: 'Storm',
  code: String(code),
  name: `Storm ${code}`,
  family: 'lacquer',
  container: 'bottle',
  role: 'colour',
  sheen: 'gloss',
  hiding: 'opaque',
  priceCents: 100,
  volumeMl: 10,
  hex: `#${(0x103050 + code * 7919).toString(16).slice(0, 6)}`,
  owned: false,
});

describe('what a request may be', () => {
  it('is counted byte by byte, strings apart', () => {
    const { depth, width, values } = BODY_LIMITS;
    const nested = (levels: number) => '['.repeat(levels) + ']'.repeat(levels);
    const list = (items: number) => `[${Array.from({ length: items }, () => '1').join()}]`;
    const fits = [
      nested(depth),
      list(width),
      `["${'[{,'.repeat(width)}"]`,
      `["\\"${'['.repeat(depth + 5)}"]`,
      'not JSON at all ]]]]',
    ];
    for (const text of fits) expect(() => requireWithinLimits(bytes(text))).not.toThrow();
    const lists = Math.ceil(values / width) + 1;
    const tooMuch: [string, RegExp][] = [
      [nested(depth + 1), /nested more than/],
      [list(width + 1), /a list of more than/],
      [`{"a":${nested(depth)}}`, /nested more than/],
      [`[${Array.from({ length: lists }, () => list(width)).join()}]`, /more than 60000 values/],
    ];
    for (const [text, message] of tooMuch) expect(() => requireWithinLimits(bytes(text))).toThrow(message);
  });

  it.each<[string, string, number]>([
    ['100,000 empty changes', JSON.stringify({ changes: new Array(100_000).fill({}) }), 413],
    ['250,000 empty rows', `{"rows":[${'null,'.repeat(199_999)}null]}`, 413],
    ['values nested 1,000 deep', `{"changes":[${'['.repeat(1000)}${']'.repeat(1000)}]}`, 413],
    ['4,900 empty changes', JSON.stringify({ changes: new Array(4_900).fill({}) }), 400],
    ['a name of 900 kB', JSON.stringify({ changes: [{ kind: 'x'.repeat(900_000) }] }), 400],
    ['a field with such a name', JSON.stringify({ changes: [{ ['x'.repeat(900_000)]: 1 }] }), 400],
    [
      'a part that is a list of lists',
      JSON.stringify({ changes: [{ kind: 'part', id: 'x', version: 0, value: new Array(4_000).fill([]) }] }),
      400,
    ],
  ])('refuses %s in a few words', async (_, body, status) => {
    await own.listen(true);
    const answer = await fetch(`${own.base}/api/builds/tolliver/kit`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body,
    });
    const text = await answer.text();
    expect(answer.status).toBe(status);
    expect(text.length).toBeLessThan(4000);
    expect((JSON.parse(text) as Problem).remedy).toMatch(/Nothing was changed/);
  });

  it('names twenty faults of a small one, and counts the rest', async () => {
    await own.listen(true);
    const { body } = await own.call<Problem>('PUT', '/api/builds/tolliver/kit', {
      changes: Array.from({ length: 60 }, (_, at) => ({ kind: `strange ${at}`, id: '', version: -1 })),
    });
    expect(body.detail.split('; ')).toHaveLength(21);
    expect(body.detail).toMatch(/and \d+ more\.$/);
  });
});

describe('large requests and the rest of the bench', () => {
  it('come to no harm of each other: a long list is taken whole while others are answered', async () => {
    await own.listen(true);
    const state = { isDone: false };
    const adding = own
      .call<PaintRecord[]>('POST', '/api/paints', {
        paints: Array.from({ length: 150 }, (_, at) => paint(at)),
      })
      .finally(() => (state.isDone = true));
    let answered = 0;
    const isOver = () => state.isDone;
    while (!isOver()) {
      expect((await fetch(`${own.base}/api/bench`)).status).toBe(200);
      if (!isOver()) answered++;
    }
    expect(answered).toBeGreaterThan(3);
    expect((await adding).body).toHaveLength(150);
    const bad = await own.call<Problem>('POST', '/api/paints', {
      paints: [...Array.from({ length: 20 }, (_, at) => paint(500 + at)), { ...paint(900), hex: '#12' }],
    });
    expect(bad.status).toBe(400);
    expect(bad.body.detail).toMatch(/^Row 21: /);
    expect(
      (await own.call<PaintRecord[]>('GET', '/api/paints')).body.some(({ id }) => id === 'storm-500'),
    ).toBe(false);
  });

  it('teach paints in turn, so that two readings at once both count', async () => {
    await own.listen(true);
    const spectrum = new Array<number>(31).fill(0.12);
    const send = (over: string) =>
      own.call('POST', '/api/paints/CA-011/readings', { filmUm: 20, over, note: '', spectrum });
    await Promise.all(['black', 'white', 'grey', 'black', 'white', 'grey'].map(send));
    const paints = (await own.call<PaintRecord[]>('GET', '/api/paints')).body;
    expect(paints.find(({ id }) => id === 'CA-011')!.refit!.readings).toBe(6);
  });

  it('learn from the newest two dozen readings, so that the last costs no more than the first', async () => {
    await own.listen(true);
    for (let at = 0; at < 30; at++) {
      const spectrum = new Array<number>(31).fill(0.12 + at / 1000);
      const reading = { filmUm: 20, over: 'white', note: '', spectrum };
      expect((await own.call('POST', '/api/paints/CA-011/readings', reading)).status).toBe(201);
    }
    const paints = (await own.call<PaintRecord[]>('GET', '/api/paints')).body;
    expect(paints.find(({ id }) => id === 'CA-011')!.refit!.readings).toBe(24);
  });

  it('forget what the spoons of a removed build had taught', async () => {
    await own.listen(true);
    const cups = (await own.call<CupRecord[]>('GET', '/api/cups')).body;
    const [cup] = cups;
    const ids = Object.keys(cup!.drops);
    const taught = async () =>
      (await own.call<PaintRecord[]>('GET', '/api/paints')).body.filter(
        ({ id, refit }) => ids.includes(id) && refit !== null,
      ).length;
    expect(await taught()).toBe(ids.length);
    const build = (await own.snapshot()).builds.find(({ id }) => id === cup!.buildId)!;
    expect((await own.call('DELETE', `/api/builds/${build.id}`, build)).status).toBe(204);
    expect(await taught()).toBe(0);
  });
});

describe('answers that are no larger than the question', () => {
  /** As a browser asks that has an answer already; fetch of Node would ask for a new one beside it. */
  const conditional = (path: string, etag: string) =>
    new Promise<{ status: number; clock: unknown }>((resolve, reject) => {
      get(own.base + path, { headers: { 'if-none-match': etag } }, (response) => {
        response.resume();
        resolve({ status: response.statusCode!, clock: response.headers['fanfare-clock'] });
      }).on('error', reject);
    });

  it('are not given twice where nothing was written', async () => {
    await own.listen(true);
    for (const path of [
      '/api/bench',
      '/api/builds/tolliver',
      '/api/builds/tolliver/kit',
      '/api/paints',
      '/api/codes',
      '/api/cups',
      '/api/stock',
    ]) {
      const first = await fetch(own.base + path);
      const etag = first.headers.get('etag')!;
      expect(first.headers.get('cache-control')).toBe('private, no-cache');
      await first.arrayBuffer();
      const again = await conditional(path, etag);
      expect([path, again.status]).toEqual([path, 304]);
      expect(again.clock).toBe(String(NOW));
    }
    const before = (await fetch(`${own.base}/api/bench`)).headers.get('etag')!;
    await own.call('POST', '/api/builds', { name: 'New', subject: '', scale: 24 });
    expect((await conditional('/api/bench', before)).status).toBe(200);
    expect((await fetch(`${own.base}/api/reader`)).headers.get('etag')).toBeNull();
  });

  it('are heads of builds, and a build whole where its revision grew', async () => {
    await own.listen(true);
    const heads = async () => (await own.call<BenchOverview>('GET', '/api/bench')).body.builds;
    const before = await heads();
    expect(JSON.stringify(before).length).toBeLessThan(200 * before.length);
    const detail = (await own.call<BuildDetail>('GET', '/api/builds/pellam')).body;
    expect(detail.trays.length).toBeGreaterThan(10);
    const step = {
      operationId: 'pellam/x',
      buildId: 'pellam',
      trayId: null,
      title: 'X',
      endedAt: 1,
      minutes: 1,
      note: '',
    };
    await own.call('POST', '/api/steps', step);
    const after = await heads();
    const grown = after.filter(({ revision }, at) => revision > before[at]!.revision).map(({ id }) => id);
    expect(grown).toEqual(['pellam']);
    expect(
      (await own.call<BuildDetail>('GET', '/api/builds/pellam')).body.steps.map(
        ({ operationId }) => operationId,
      ),
    ).toContain('pellam/x');
  });

  it('are what changed in a catalogue since, or all of it where that cannot be told', async () => {
    await own.listen(true);
    const changes = async (since?: number) =>
      (
        await own.call<Changes<PaintRecord>>(
          'GET',
          `/api/paint-changes${since === undefined ? '' : `?since=${since}`}`,
        )
      ).body;
    const all = await changes();
    expect(all.whole).toBe(true);
    expect(all.items.length).toBeGreaterThan(500);
    expect(await changes(all.revision)).toMatchObject({ whole: false, items: [] });
    const [one] = all.items;
    await own.call('PUT', `/api/shelf/${one!.id}`, { levelMl: 3, version: one!.version });
    const spectrum = new Array<number>(31).fill(0.12);
    await own.call('POST', '/api/paints/CA-011/readings', { filmUm: 20, over: 'white', note: '', spectrum });
    const since = await changes(all.revision);
    expect(since.items.map(({ id }) => id).sort()).toEqual(['CA-011', one!.id].sort());
    await own.call(
      'DELETE',
      `/api/paints/${one!.id}`,
      since.items.find(({ id }) => id === one!.id),
    );
    const gone = await changes(since.revision);
    expect(gone.whole).toBe(true);
    expect(gone.items).toHaveLength(all.items.length - 1);
    expect((await changes(1e9)).whole).toBe(true);
    expect((await own.call('GET', '/api/paint-changes?since=x')).status).toBe(400);
    // Of a catalogue that changes while it is read, every paint comes once.
    const [, slow] = await Promise.all([
      own.call('POST', '/api/paints', { paints: Array.from({ length: 40 }, (_, at) => paint(at)) }),
      changes(),
    ]);
    expect(new Set(slow.items.map(({ id }) => id)).size).toBe(slow.items.length);
    const known = new Set([...slow.items, ...(await changes(slow.revision)).items].map(({ id }) => id));
    expect(known.size).toBe(gone.items.length + 40);
    const codes = (await own.call<Changes<CodeRecord>>('GET', '/api/code-changes')).body;
    expect(codes.items).toHaveLength(120);
  });

  it('merge as many rows as are allowed at once, each a new paint with long words', async () => {
    await own.listen(false);
    const row = (at: number) => ({
      paintId: null,
      paint: { ...paint(at), code: `${at} ${'c'.repeat(20)}`, name: `${at} ${'n'.repeat(100)}` },
      shelf: { levelMl: 5, openedOn: '2026-05-12', place: 'p'.repeat(50), note: 'ü'.repeat(400) },
      change: { priceCents: 100, discontinued: false, dropMl: 0.05, strength: 1 },
      version: 0,
    });
    const rows = (count: number) => ({ rows: Array.from({ length: count }, (_, at) => row(at)) });
    const merged = await own.call<{ ids: string[] } & Problem>('POST', PATHS.shelfMerge, rows(MOST_MERGED));
    expect(merged.body.detail).toBeUndefined();
    expect(new Set(merged.body.ids).size).toBe(MOST_MERGED);
    const tooMany = await own.call<Problem>('POST', PATHS.shelfMerge, {
      rows: rows(MOST_MERGED + 1).rows.map(({ paint: { name, ...rest }, ...each }) => ({
        ...each,
        paint: { ...rest, name: name.slice(0, 9) },
        change: {},
      })),
    });
    expect(tooMany).toMatchObject({
      status: 400,
      body: { detail: expect.stringMatching(/at most 2000 rows/) as string },
    });
  });

  it('keep a plan of more steps than any bench has, and say what is too much', async () => {
    await own.listen(true);
    const { plan } = await own.snapshot();
    const planOf = (count: number) => ({
      ...plan,
      fingerprint: 'large',
      starts: Object.fromEntries(Array.from({ length: count }, (_, at) => [`b/t/step-${at}`, 1000 + at])),
    });
    const kept = await own.call<PlanRecord>('PUT', '/api/plan', planOf(MOST_STARTS));
    expect(kept.status).toBe(200);
    expect(Object.keys((await own.snapshot()).plan.starts)).toHaveLength(MOST_STARTS);
    const tooMuch = await own.call<Problem>('PUT', '/api/plan', planOf(MOST_STARTS + 1));
    expect(tooMuch.status).toBe(413);
    expect(tooMuch.body.remedy).toMatch(/Nothing was changed/);
  });

  it('are dates of earlier plans, and one plan when it is asked for', async () => {
    await own.listen(true);
    const list = (await own.call<PastPlanRecord[]>('GET', '/api/plan/history')).body;
    expect(list.length).toBeGreaterThan(3);
    expect(list[0]!.starts).toBeUndefined();
    const one = (await own.call<PastPlanRecord>('GET', `/api/plan/history/${list[0]!.id}`)).body;
    expect(Object.keys(one.starts).length).toBeGreaterThan(20);
    expect((await own.call('GET', '/api/plan/history/999999')).status).toBe(404);
  });
});

describe('changes without a version', () => {
  it('are asked from which version they were made', async () => {
    await own.listen(true);
    const send = (headers: Record<string, string>) =>
      fetch(`${own.base}/api/joins/x`, { method: 'DELETE', headers: { [OWN_HEADER]: '1', ...headers } });
    expect((await send({})).status).toBe(428);
    for (const match of ['*', '12', 'W/"12"', '"12", "13"', '"-1"'])
      expect((await send({ 'if-match': match })).status).toBe(400);
    expect((await send({ 'if-match': '"12"' })).status).toBe(404);
  });
});
