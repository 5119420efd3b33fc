import DataFile from 'better-sqlite3';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  OWN_HEADER,
  PATHS,
  pathTo,
  type BuildRecord,
  type KeptPictureRecord,
  type KitItemRecord,
  type KitItemsRecord,
  type Problem,
} from '../../api/index.ts';
import { KIT_RECORDS, recordsOfKit, STOCK_RECORDS, type RecordDefinition } from '../../core/kit/index.ts';
import { exampleKit, exampleValue } from '../../core/kit/records/exampleRecords.ts';
import { testBench } from '../testBench.ts';

const KINDS = (KIT_RECORDS as readonly RecordDefinition[]).map((record) => [record.kind, record] as const);

describe('every kind of record, over the wire', () => {
  const bench = testBench(Date.UTC(2026, 5, 1, 12));
  let build: string;
  const kitPath = () => pathTo(PATHS.kit, build);
  const put = (changes: object[], path = kitPath()) =>
    bench.call<KitItemsRecord & Problem>('PUT', path, { changes });
  const itemOf = async (kind: string): Promise<KitItemRecord> => {
    const { items } = (await bench.call<KitItemsRecord>('GET', kitPath())).body;
    return items.find((item) => item.kind === kind)!;
  };
  let picture: string;
  /** The example kit with a picture that is there: pictures are kept by themselves. */
  const example = () =>
    recordsOfKit(exampleKit()).map(({ kind, id, value: { id: _id, ...value } }) => ({
      kind,
      id,
      version: 0,
      value: 'pictureId' in value ? { ...value, pictureId: picture } : value,
    }));

  beforeAll(async () => {
    await bench.listen(false);
    const made = await bench.call<BuildRecord>('POST', PATHS.builds, {
      name: 'Every record',
      subject: '',
      scale: 24,
    });
    build = made.body.id;
    const kept = await fetch(bench.base + pathTo(PATHS.pictures, build), {
      method: 'POST',
      headers: { 'content-type': 'image/png', [OWN_HEADER]: '1' },
      body: new Uint8Array(
        await sharp({ create: { width: 4, height: 4, channels: 3, background: '#808080' } })
          .png()
          .toBuffer(),
      ),
    });
    picture = ((await kept.json()) as KeptPictureRecord).id;
    const stored = await put(example());
    expect(stored.status, stored.body.detail).toBe(200);
  });
  afterAll(() => bench.remove());

  it.each(KINDS)('%s: comes back as it was sent', async (kind) => {
    const sent = example().filter((item) => item.kind === kind);
    const { items } = (await bench.call<KitItemsRecord>('GET', kitPath())).body;
    expect(
      items
        .filter((item) => item.kind === kind)
        .map(({ id, value }) => ({ id, value }))
        .sort((p, q) => (p.id < q.id ? -1 : 1)),
    ).toEqual(sent.map(({ id, value }) => ({ id, value })).sort((p, q) => (p.id < q.id ? -1 : 1)));
  });

  it.each(KINDS)('%s: a stale version is refused with what stands', async (kind) => {
    const item = await itemOf(kind);
    const stale = await put([{ ...item, version: item.version + 1 }]);
    expect(stale.status).toBe(409);
    expect(stale.body.current).toMatchObject({ kind, id: item.id, version: item.version });
  });

  it.each(KINDS)('%s: a field that is not known is refused, and nothing changes', async (kind) => {
    const item = await itemOf(kind);
    const answer = await put([{ ...item, value: { ...(item.value as object), glitter: true } }]);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(/glitter/);
    expect(await itemOf(kind)).toEqual(item);
  });

  /** Kinds that others refer to. */
  const REFERRED = ['part', 'finish', 'joint', 'choice', 'view', 'decal'];
  const free = KINDS.filter(([kind]) => !REFERRED.includes(kind));

  it.each(free)('%s: is removed and comes back by what was there', async (kind, record) => {
    const item = await itemOf(kind);
    expect((await put([{ ...item, value: null }])).status).toBe(200);
    expect((await bench.call<KitItemsRecord>('GET', kitPath())).body.items).not.toContainEqual(item);
    expect((await put([{ ...item, version: 0 }])).status, record.noun).toBe(200);
    expect((await itemOf(kind)).value).toEqual(item.value);
  });

  it.each(REFERRED)('%s: is not taken away under what refers to it', async (kind) => {
    const item = await itemOf(kind);
    const answer = await put([{ ...item, value: null }]);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(/which is not in the kit/);
    expect(await itemOf(kind)).toEqual(item);
  });

  it('refuses a second of what a build has one of', async () => {
    for (const { kind, single, noun } of KIT_RECORDS) {
      if (!single) continue;
      const { value } = await itemOf(kind);
      const answer = await put([{ kind, id: 'second', version: 0, value }]);
      expect(answer.status).toBe(400);
      expect(answer.body.detail).toContain(`one ${noun}`);
    }
  });

  it('reads what was stored before a field was there as it can be sent back, and taken back', async () => {
    const marking = await itemOf('marking');
    const { mirrored: _, ...older } = marking.value as Record<string, unknown>;
    const data = new DataFile(bench.file);
    data.prepare('UPDATE kit_items SET value = ? WHERE id = ?').run(JSON.stringify(older), marking.id);
    data.close();
    const read = await itemOf('marking');
    expect(read.value).toEqual({ ...(marking.value as object), mirrored: false });
    const stale = await put([{ ...read, version: read.version + 5 }]);
    expect(stale.status).toBe(409);
    expect(JSON.stringify(stale.body)).toContain('"mirrored":false');
    const moved = await put([{ ...read, value: { ...(read.value as object), x: 12 } }]);
    expect(moved.status).toBe(200);
    const back = await put([{ ...read, version: moved.body.items[0]!.version }]);
    expect(back.status).toBe(200);
  });

  it('refuses a wire from a part to itself or to a part that is not there, and goes on taking others', async () => {
    const run = await itemOf('run');
    const value = run.value as object;
    const loop = await put([{ ...run, value: { ...value, toPartId: 'part-1' } }]);
    expect(loop.status).toBe(400);
    expect(loop.body.detail).toMatch(/to itself/);
    const nowhere = await put([{ ...run, value: { ...value, toPartId: 'part-99' } }]);
    expect(nowhere.body.detail).toMatch(/“part-99” for where it ends, which is not in the kit/);
    const part = await itemOf('part');
    expect((await put([{ ...part, value: { ...(part.value as object), note: 'still open' } }])).status).toBe(
      200,
    );
  });

  it('refuses a picture of another build, and one that is not there', async () => {
    const item = await itemOf('evidence');
    const answer = await put([{ ...item, value: { ...(item.value as object), pictureId: 'not-mine' } }]);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(/“not-mine”/);
  });

  it('refuses a day that is in no calendar', async () => {
    const item = await itemOf('aim');
    const answer = await put([{ ...item, value: { deadline: '2026-99-99' } }]);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(/must be in the calendar/);
  });

  it.each((STOCK_RECORDS as readonly RecordDefinition[]).map((record) => [record.kind, record] as const))(
    'stock, %s: comes back as it was sent',
    async (kind, record) => {
      const value = exampleValue(record);
      const stored = await put([{ kind, id: `${kind}-1`, version: 0, value }], PATHS.stock);
      expect(stored.status, stored.body.detail).toBe(200);
      const { items } = (await bench.call<KitItemsRecord>('GET', PATHS.stock)).body;
      expect(items.find((item) => item.kind === kind)!.value).toEqual(value);
    },
  );
});
