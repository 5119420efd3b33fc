import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type {
  CodeRecord,
  CupRecord,
  PaintRecord,
  Problem,
  ReaderRecord,
  ReadingRecord,
} from '../api/index.ts';
import { ciede2000 } from '../core/colour/index.ts';
import { readings, refits } from './database/schema.ts';
import { refitPaints } from './store/cupStore.ts';
import { testBench } from './testBench.ts';

let own: ReturnType<typeof testBench>;
const call = <T>(method: string, path: string, body?: unknown) => own.call<T>(method, path, body);

beforeEach(async () => {
  own = testBench(Date.parse('2026-05-12T19:30:00Z'));
  await own.listen(true);
});
afterEach(() => own.remove());

const paintOf = async (id: string) =>
  (await call<PaintRecord[]>('GET', '/api/paints')).body.find((paint) => paint.id === id)!;
const newCup = {
  trayId: 'tolliver-body',
  codeId: 'TL-4417',
  name: 'Cup',
  drops: { 'BR-011': 5, 'BR-016': 1 },
};
const spoon = { filmUm: 60, over: 'white', note: '' };

async function readyReader(): Promise<void> {
  await call('POST', '/api/reader');
  own.now += 5000;
  await call('POST', '/api/reader/calibration');
}

describe('cups and the reader', () => {
  it('comes with a cup of each build that sprayed a mixture, read, and its paints taught', async () => {
    const cups = (await call<CupRecord[]>('GET', '/api/cups')).body;
    expect(cups.map(({ trayId, thrown }) => [trayId, thrown])).toEqual([
      ['saloon-body', false],
      ['quillon-guards', false],
    ]);
    for (const { readings: read } of cups) expect(read).toHaveLength(1);
    const { refit, uncertainty } = await paintOf('BR-001');
    expect(refit!.readings).toBe(1);
    expect(uncertainty).toBeLessThan(refit!.uncertainty);
  });

  it('keeps what a paint has learned when many newer readings of its neighbours come', () => {
    const { db } = own.data!;
    const read = (at: number, drops: Record<string, number>) =>
      db
        .insert(readings)
        .values({
          id: `made-up-${at}`,
          cupId: null,
          at,
          drops,
          spectrum: Array.from({ length: 31 }, (_, band) => 0.2 + band / 100),
          spread: 0,
          filmUm: 60,
          over: 'white',
          instrument: 'given',
          gloss: 85,
          note: '',
        })
        .run();
    const learned = (id: string) => db.select().from(refits).where(eq(refits.paintId, id)).get();
    read(1, { 'BR-011': 1, 'BR-016': 1 });
    refitPaints(db, ['BR-011']);
    const before = learned('BR-011')!;
    for (let at = 2; at < 32; at++) read(at, { 'BR-016': 1, 'BR-010': 3 });
    refitPaints(db, ['BR-010']);
    expect(learned('BR-010')!.readings).toBe(24);
    expect(learned('BR-011')).toEqual(before);
    // Asked about itself it is fitted again, and without its reading it goes back to the catalogue.
    refitPaints(db, ['BR-011']);
    expect(learned('BR-011')!.readings).toBe(1);
    db.delete(readings).where(eq(readings.id, 'made-up-1')).run();
    refitPaints(db, ['BR-011']);
    expect(learned('BR-011')).toBeUndefined();
  });

  it('mixes, reads, learns, and forgets what is set aside', async () => {
    const made = (await call<CupRecord>('POST', '/api/builds/tolliver/cups', newCup)).body;
    const before = await paintOf('BR-011');
    expect(before.refit).toBeNull();

    const refused = await call<Problem>('POST', `/api/cups/${made.id}/readings`, spoon);
    expect(refused).toMatchObject({ status: 409, body: { title: 'No reader' } });
    await readyReader();
    expect((await call<ReaderRecord>('GET', '/api/reader')).body.state).toBe('ready');

    const read = (await call<CupRecord>('POST', `/api/cups/${made.id}/readings`, spoon)).body;
    expect(read.readings[0]).toMatchObject({ drops: newCup.drops, filmUm: 60, over: 'white', aside: false });
    const after = await paintOf('BR-011');
    expect(after.refit).toMatchObject({ readings: 1, k: before.k, uncertainty: before.uncertainty });
    expect(after.k).not.toEqual(before.k);
    expect(after.uncertainty).toBeLessThan(before.uncertainty);

    const [reading] = read.readings;
    const { version } = reading!;
    const aside = await call<ReadingRecord>('PUT', `/api/readings/${reading!.id}`, { aside: true, version });
    expect((await call('PUT', `/api/readings/${reading!.id}`, { aside: true, version })).status).toBe(409);
    expect((await paintOf('BR-011')).k).toEqual(before.k);
    await call('PUT', `/api/readings/${reading!.id}`, { aside: false, version: aside.body.version });
    expect((await paintOf('BR-011')).k).toEqual(after.k);
  });

  it('sprays the next spoon from what the cup holds then', async () => {
    const made = (await call<CupRecord>('POST', '/api/builds/tolliver/cups', newCup)).body;
    await readyReader();
    const changed = {
      name: made.name,
      note: '',
      thrown: false,
      additions: [{ at: 1, add: { 'BR-016': 2 } }],
      version: made.version,
    };
    const after = await call<CupRecord>('PUT', `/api/cups/${made.id}`, changed);
    expect(after.body.version).toBeGreaterThan(made.version);
    expect(await call<Problem>('PUT', `/api/cups/${made.id}`, changed)).toMatchObject({
      status: 409,
      body: { type: '/problems/stale-version' },
    });
    const read = (await call<CupRecord>('POST', `/api/cups/${made.id}/readings`, spoon)).body;
    expect(read.readings[0]!.drops).toEqual({ 'BR-011': 5, 'BR-016': 3 });
  });

  it('takes cards of one paint and spectra that were read elsewhere', async () => {
    const before = await paintOf('CA-011');
    for (const over of ['black', 'white']) {
      const spectrum = new Array<number>(31).fill(over === 'black' ? 0.1 : 0.14);
      const { status, body } = await call<ReadingRecord>('POST', '/api/paints/CA-011/readings', {
        filmUm: 20,
        over,
        note: '',
        spectrum,
      });
      expect(status).toBe(201);
      expect(body).toMatchObject({ cupId: null, drops: { 'CA-011': 1 }, instrument: 'given' });
    }
    const after = await paintOf('CA-011');
    expect(after.refit!.readings).toBe(2);
    expect(after.uncertainty).toBeLessThan(before.uncertainty / 1.2);
    expect((await call<ReadingRecord[]>('GET', '/api/readings')).body).toHaveLength(2);
  });

  it('reads a chip of a code: one more source with its spectrum, the surest in force', async () => {
    const codeOf = async () =>
      (await call<CodeRecord[]>('GET', '/api/codes')).body.find(({ id }) => id === 'TL-2045')!;
    const before = await codeOf();
    const early = await call<Problem>('POST', '/api/codes/TL-2045/readings', { note: '' });
    expect(early.status).toBe(409);
    expect(await codeOf()).toEqual(before);
    await readyReader();
    const { status, body } = await call<CodeRecord>('POST', '/api/codes/TL-2045/readings', {
      note: 'chip on the card of 1957',
    });
    expect(status).toBe(201);
    expect(body.sources).toHaveLength(before.sources.length + 1);
    const read = body.sources.at(-1)!;
    expect(read).toMatchObject({ provenance: 'instrument' });
    expect(read.spectrum).toHaveLength(31);
    expect(read.note).toMatch(/three readings within 0\.\d\d dE; chip on the card of 1957/);
    expect(body.sources.filter(({ inForce }) => inForce)).toHaveLength(1);
    // The same chip read again is the same colour within the reader's noise.
    const again = (await call<CodeRecord>('POST', '/api/codes/TL-2045/readings', { note: '' })).body;
    expect(ciede2000(again.sources.at(-1)!.lab, read.lab)).toBeLessThan(0.6);
  });

  it.each<[string, unknown, RegExp]>([
    ['no drops', { ...newCup, drops: {} }, /a drop of something/],
    ['half a drop', { ...newCup, drops: { 'BR-011': 0.5 } }, /whole numbers/],
    ['an unknown paint', { ...newCup, drops: { 'XX-1': 1 } }, /XX-1/],
    ['an unknown code', { ...newCup, codeId: 'nowhere' }, /nowhere/],
  ])('refuses a cup of %s', async (_, cup, message) => {
    const { status, body } = await call<Problem>('POST', '/api/builds/tolliver/cups', cup);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(body.detail).toMatch(message);
  });

  it.each<[string, object, RegExp]>([
    ['per cent instead of shares', { spectrum: new Array<number>(31).fill(40) }, /between 0 and 1/],
    ['a short spectrum', { spectrum: [0.1, 0.2] }, /31 values/],
    ['no film', { filmUm: 0 }, /dry film/],
    ['something else under it', { over: 'pink' }, /white, black, grey/],
  ])('refuses a reading with %s', async (_, change, message) => {
    const { status, body } = await call<Problem>('POST', '/api/paints/CA-011/readings', {
      ...spoon,
      ...change,
    });
    expect(status).toBe(400);
    expect(body.detail).toMatch(message);
  });
});
