import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { OWN_HEADER, PATHS, pathTo, type Problem, type TypefaceRecord } from '../../api/index.ts';
import { testBench } from '../testBench.ts';

const FONT = readFileSync(
  'node_modules/@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff',
);

describe('own typefaces', () => {
  const bench = testBench(Date.UTC(2026, 4, 12));
  beforeEach(() => bench.listen(false));
  afterEach(() => bench.remove());

  async function post<T>(bytes: Uint8Array): Promise<{ status: number; body: T }> {
    const answer = await fetch(bench.base + PATHS.typefaces, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream', [OWN_HEADER]: '1' },
      body: bytes as BodyInit,
    });
    return { status: answer.status, body: (await answer.json()) as T };
  }
  const all = async () => (await bench.call<TypefaceRecord[]>('GET', PATHS.typefaces)).body;

  it('are kept once, answered as they came, and taken out', async () => {
    const first = await post<TypefaceRecord>(FONT);
    expect(first.status).toBe(201);
    expect(first.body.name).toMatch(/Barlow/);
    expect((await post<TypefaceRecord>(FONT)).body.id).toBe(first.body.id);
    expect(await all()).toEqual([first.body]);
    const file = await fetch(bench.base + pathTo(PATHS.typeface, first.body.id));
    expect(Buffer.from(await file.arrayBuffer()).equals(FONT)).toBe(true);
    expect(file.headers.get('content-security-policy')).toContain('sandbox');
    expect((await bench.call('DELETE', pathTo(PATHS.typeface, first.body.id))).status).toBe(204);
    expect(await all()).toEqual([]);
    expect((await bench.call('DELETE', pathTo(PATHS.typeface, first.body.id))).status).toBe(404);
    // Put back they are the same.
    expect((await post<TypefaceRecord>(FONT)).body.id).toBe(first.body.id);
  });

  it('are refused where they are no font, are cut short or too large, and nothing is kept', async () => {
    for (const bytes of [Buffer.from('Dear builder'), Buffer.alloc(0), FONT.subarray(0, 60)]) {
      const { status, body } = await post<Problem>(bytes);
      expect(status).toBe(415);
      expect(body.remedy).toContain('Nothing was changed');
    }
    expect((await post<Problem>(Buffer.alloc(5_000_001))).status).toBe(413);
    expect(await all()).toEqual([]);
  });
});
