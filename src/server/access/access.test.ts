import { request as httpRequest } from 'node:http';
import { connect } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { BenchOverview, Problem } from '../../api/index.ts';
import { testBench } from '../testBench.ts';
import { isPassphrase, sessions, weakness } from './passphrase.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
const PASSPHRASE = 'brass band at dusk';
let own: ReturnType<typeof testBench>;
beforeEach(() => {
  own = testBench(NOW);
});
afterEach(() => own.remove());

interface Raw {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}

/** A request with any header that a browser or anyone else might send; `undefined` leaves the usual one out. */
function raw(
  path: string,
  {
    method = 'GET',
    body,
    headers = {},
  }: { method?: string; body?: string; headers?: Record<string, string> } = {},
): Promise<Raw> {
  const { port } = new URL(own.base);
  return new Promise((resolve, reject) => {
    const sent = httpRequest(
      { port, host: '127.0.0.1', path, method, headers: { host: `127.0.0.1:${port}`, ...headers } },
      (response) => {
        let text = '';
        response.on('data', (chunk) => (text += String(chunk)));
        response.on('end', () => resolve({ status: response.statusCode!, headers: response.headers, text }));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}

const port = () => new URL(own.base).port;
const newBuild = JSON.stringify({ name: 'Planted', subject: '', scale: 24 });
const json = { 'content-type': 'application/json' };
const buildCount = async () => (await own.snapshot()).builds.length;

describe('names under which the bench is asked for', () => {
  it.each(['evil.test', '169.254.1.1', 'localhost.evil.test', '127.0.0.1.evil.test', '[::2]', 'localhost:1'])(
    'answers %j with 421 and nothing else',
    async (name) => {
      await own.listen(false);
      const host = /:\d+$/.test(name) ? name : `${name}:${port()}`;
      for (const path of ['/api/backup', '/api/bench', '/']) {
        const answer = await raw(path, { headers: { host } });
        expect(answer.status).toBe(421);
        expect((JSON.parse(answer.text) as Problem).title).toBe('Not served under this name');
      }
      const written = await raw('/api/builds', {
        method: 'POST',
        body: newBuild,
        headers: { ...json, host },
      });
      expect(written.status).toBe(421);
      expect(await buildCount()).toBe(0);
    },
  );

  it('answers an empty name with 421, and none with 400', async () => {
    await own.listen(false);
    const said = (lines: string) =>
      new Promise<string>((resolve, reject) => {
        const socket = connect(Number(port()), '127.0.0.1');
        let text = '';
        socket.on('data', (chunk) => (text += String(chunk)));
        socket.on('end', () => resolve(text));
        socket.on('error', reject);
        socket.write(`GET /api/backup HTTP/1.1\r\n${lines}Connection: close\r\n\r\n`);
      });
    expect(await said('Host:\r\n')).toMatch(/^HTTP\/1.1 421/);
    expect(await said('')).toMatch(/^HTTP\/1.1 400/);
  });

  it('answers under every loopback name, and under a name that its owner gave', async () => {
    await own.listen(false, { names: ['bench.lan', 'proxy.lan:443'] });
    for (const host of [
      `localhost:${port()}`,
      `LOCALHOST:${port()}`,
      `[::1]:${port()}`,
      `bench.lan:${port()}`,
      'bench.lan',
      'proxy.lan:443',
    ])
      expect((await raw('/api/bench', { headers: { host } })).status).toBe(200);
    expect((await raw('/api/bench', { headers: { host: 'proxy.lan:80' } })).status).toBe(421);
  });
});

describe('pages of other sites', () => {
  beforeEach(() => own.listen(false));

  it.each([
    ['another origin', { origin: 'https://evil.test' }],
    ['an origin that is hidden', { origin: 'null' }],
    ['another port of this machine', { origin: 'http://127.0.0.1:1' }],
    ['a cross-site fetch', { 'sec-fetch-site': 'cross-site' }],
    ['a fetch of the same site, not the same origin', { 'sec-fetch-site': 'same-site' }],
  ])('changes nothing for %s', async (_, headers) => {
    const answer = await raw('/api/builds', {
      method: 'POST',
      body: newBuild,
      headers: { ...json, ...headers },
    });
    expect(answer.status).toBe(403);
    expect(await buildCount()).toBe(0);
  });

  it('reads nothing out to a cross-site fetch, and still follows a link to a page', async () => {
    const cross = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' };
    expect((await raw('/api/backup', { headers: cross })).status).toBe(403);
    const link = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };
    expect((await raw('/api/backup', { headers: link })).status).toBe(403);
    expect((await raw('/build/tolliver/kit', { headers: link })).status).toBe(404);
  });

  it.each(['application/x-www-form-urlencoded', 'text/plain', 'multipart/form-data', 'image/png'])(
    'takes no form of type %s, nor one without a type',
    async (type) => {
      for (const headers of [{ 'content-type': type }, {}] as Record<string, string>[]) {
        for (const path of ['/api/builds', '/api/reader', '/api/thermometer', '/api/reader/calibration']) {
          expect((await raw(path, { method: 'POST', body: newBuild, headers })).status).toBe(415);
        }
      }
      const reader = JSON.parse((await raw('/api/reader')).text) as { state: string };
      expect(reader.state).toBe('away');
      expect(await buildCount()).toBe(0);
    },
  );

  it('serves its own page what it sends', async () => {
    const { origin } = new URL(own.base);
    const headers = { ...json, origin, 'sec-fetch-site': 'same-origin' };
    expect((await raw('/api/builds', { method: 'POST', body: newBuild, headers })).status).toBe(201);
  });
});

describe('headers of every answer', () => {
  it('let a page run its own scripts alone, in no frame, and guess no types', async () => {
    await own.listen(false);
    for (const path of ['/api/bench', '/api/nothing', '/', '/api/reader']) {
      const { headers } = await raw(path);
      const policy = String(headers['content-security-policy']);
      expect(policy).toContain("default-src 'none'");
      expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval'");
      expect(policy).toContain("frame-ancestors 'none'");
      expect(policy).not.toContain("script-src 'self' 'unsafe-inline'");
      expect(headers['x-content-type-options']).toBe('nosniff');
      expect(headers['x-frame-options']).toBe('DENY');
      expect(headers['cross-origin-resource-policy']).toBe('same-origin');
      expect(headers['x-powered-by']).toBeUndefined();
    }
    expect((await raw('/api/backup')).headers['cache-control']).toBe('no-store');
  });
});

describe('the passphrase', () => {
  const warned: string[] = [];
  const original = console.warn;
  beforeEach(async () => {
    warned.length = 0;
    console.warn = (line: string) => void warned.push(line);
    await own.listen(false, { passphrase: PASSPHRASE });
  });
  afterEach(() => {
    console.warn = original;
  });
  const form = { 'content-type': 'application/x-www-form-urlencoded' };
  const tryOne = (passphrase: string, next = '/shelf') =>
    raw('/sign-in', {
      method: 'POST',
      headers: form,
      body: new URLSearchParams({ passphrase, next }).toString(),
    });

  it('is asked for on a page of our own, and everything else says so as problem details', async () => {
    const refused = await raw('/api/bench', { headers: { accept: 'application/json' } });
    expect(refused.status).toBe(401);
    expect(refused.headers['content-type']).toMatch(/problem\+json/);
    expect(refused.headers['www-authenticate']).toBeUndefined();
    expect((JSON.parse(refused.text) as Problem).title).toBe('Not signed in');
    const away = await raw('/build/x/plan', { headers: { accept: 'text/html' } });
    expect([away.status, away.headers.location]).toEqual([303, '/sign-in?next=%2Fbuild%2Fx%2Fplan']);
    expect((await raw('/sign-in?next=/shelf')).text).toContain('name="next" value="/shelf"');
  });

  it('opens a session that only this site is sent, and ends it', async () => {
    const entered = await tryOne(PASSPHRASE);
    expect([entered.status, entered.headers.location]).toEqual([303, '/shelf']);
    const [set] = entered.headers['set-cookie'] as string[];
    expect(set).toMatch(/^fanfare-session=[\w-]{43}; .*HttpOnly.*SameSite=Strict/i);
    expect(set).not.toMatch(/secure/i);
    const cookie = set!.split(';')[0]!;
    const inside = await raw('/api/bench', { headers: { cookie } });
    expect((JSON.parse(inside.text) as BenchOverview).guarded).toBe(true);
    // A form of another site cannot sign anyone out.
    const forged = await raw('/api/sign-out', { method: 'POST', headers: { cookie, ...form } });
    expect(forged.status).toBe(415);
    const out = await raw('/api/sign-out', { method: 'POST', headers: { cookie, 'fanfare-request': '1' } });
    expect(out.status).toBe(204);
    expect((await raw('/api/bench', { headers: { cookie } })).status).toBe(401);
  });

  it('keeps the cookie to TLS where there is TLS before it', async () => {
    const { headers } = await raw('/sign-in', {
      method: 'POST',
      headers: { ...form, 'x-forwarded-proto': 'https' },
      body: new URLSearchParams({ passphrase: PASSPHRASE }).toString(),
    });
    expect((headers['set-cookie'] as string[])[0]).toMatch(/Secure/);
  });

  it('leads nowhere but into the bench', async () => {
    for (const next of ['https://evil.test/', '//evil.test', '/\\evil.test', 'javascript:alert(1)', '/a b'])
      expect((await tryOne(PASSPHRASE, next)).headers.location).toBe('/');
    expect((await raw('/sign-in?next="><script>')).text).not.toContain('<script>');
  });

  it('is written to the log when wrong, and slowed down after five', async () => {
    const began = performance.now();
    for (let tried = 0; tried < 5; tried++) expect((await tryOne(`wrong ${tried}`)).status).toBe(401);
    expect(performance.now() - began).toBeGreaterThan(1000);
    const late = await tryOne(PASSPHRASE);
    expect(late.status).toBe(429);
    expect(late.text).toContain('Wait a minute');
    expect(Number(late.headers['retry-after'])).toBeGreaterThan(0);
    expect(warned.filter((line) => line.startsWith('Wrong passphrase from'))).toHaveLength(5);
    expect(warned.join(' ')).not.toContain('wrong 1');
  });

  it('is refused where it guards nothing', () => {
    for (const weak of ['', ' ', 'a', '        ', 'aaaaaaaaaaaa', 'abcabcabc', '1234567'])
      expect(weakness(weak)).not.toBeNull();
    expect(weakness(PASSPHRASE)).toBeNull();
  });

  it('is compared whole, whatever its length', () => {
    const isRight = isPassphrase('Grüße aus dem Schuppen');
    expect(isRight('Grüße aus dem Schuppen')).toBe(true);
    for (const wrong of ['', 'Grüße', 'Grüße aus dem Schuppen ', 'x'.repeat(10_000)])
      expect(isRight(wrong)).toBe(false);
  });
});

describe('sessions', () => {
  it('end with their time, and the oldest where there are too many', () => {
    let now = 0;
    const open = sessions(() => now);
    const first = open.begin();
    expect(open.isOpen(first)).toBe(true);
    now = open.lastsMs + 1;
    expect(open.isOpen(first)).toBe(false);
    const others = Array.from({ length: 250 }, () => open.begin());
    expect(others.filter((token) => open.isOpen(token))).toHaveLength(200);
    expect(open.isOpen(others.at(-1))).toBe(true);
    expect(open.isOpen(undefined)).toBe(false);
    expect(open.isOpen('forged')).toBe(false);
  });
});
