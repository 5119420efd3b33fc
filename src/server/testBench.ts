import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { OWN_HEADER, wholeBench, type BenchSnapshot } from '../api/index.ts';
import { createApp, type AppOptions } from './app.ts';
import { openDatabase, type OpenDatabase } from './database/open.ts';
import { seedDemo } from './sample/seedDemo.ts';

export interface Answer<T> {
  status: number;
  body: T;
  headers: Headers;
}

/** Sample benches by the moment of their seeding: each is laid out once for all tests of a file. */
const seeded = new Map<number, string>();

function seededFile(now: number): string {
  const known = seeded.get(now);
  if (known) return known;
  const folder = mkdtempSync(join(tmpdir(), 'fanfare-seeded-'));
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
  const file = join(folder, 'bench.db');
  const data = openDatabase(file);
  seedDemo(data.db, now);
  data.close();
  seeded.set(now, file);
  return file;
}

/** A server on a data file of its own, for the tests of the server. */
export function testBench(now: number) {
  const folder = mkdtempSync(join(tmpdir(), 'fanfare-server-'));
  const bench = {
    folder,
    file: join(folder, 'bench.db'),
    /** Milliseconds since 1970; a test may set it. */
    now,
    data: undefined as OpenDatabase | undefined,
    server: undefined as Server | undefined,
    base: '',
    async listen(demo: boolean, options: Partial<AppOptions> = {}): Promise<void> {
      if (demo && !existsSync(bench.file)) copyFileSync(seededFile(bench.now), bench.file);
      const data = openDatabase(bench.file);
      const app = createApp({ ...data, clock: () => bench.now, demo, ...options });
      const server = app.listen(0, '127.0.0.1');
      Object.assign(bench, { data, server });
      await new Promise((resolve) => server.once('listening', resolve));
      bench.base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    },
    async close(): Promise<void> {
      const { server, data } = bench;
      if (server?.listening) {
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
      }
      if (data?.sqlite.open) data.close();
    },
    async remove(): Promise<void> {
      await bench.close();
      rmSync(folder, { recursive: true, force: true });
    },
    /** Sends as the web does: the version of a body goes into If-Match, but where a body holds versions of several. */
    async call<T>(method: string, path: string, body?: unknown): Promise<Answer<T>> {
      const record = typeof body === 'object' && body !== null && !Array.isArray(body);
      const { version, ...rest } = (record ? body : {}) as { version?: number };
      const sent = version === undefined ? body : method === 'DELETE' ? undefined : rest;
      const response = await fetch(bench.base + path, {
        method,
        headers: {
          ...(sent === undefined ? {} : { 'content-type': 'application/json' }),
          ...(method === 'GET' ? {} : { [OWN_HEADER]: '1' }),
          ...(version === undefined ? {} : { 'if-match': `"${version}"` }),
        },
        body: sent === undefined ? undefined : typeof sent === 'string' ? sent : JSON.stringify(sent),
      });
      const text = await response.text();
      return {
        status: response.status,
        body: (text ? JSON.parse(text) : undefined) as T,
        headers: response.headers,
      };
    },
    snapshot: (): Promise<BenchSnapshot> => wholeBench((path) => bench.call('GET', path)),
  };
  return bench;
}
