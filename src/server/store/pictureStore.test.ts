import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OWN_HEADER, PATHS, pathTo, type BuildRecord, type KitItemsRecord } from '../../api/index.ts';
import { evidenceRecord } from '../../core/kit/index.ts';
import { exampleValue } from '../../core/kit/records/exampleRecords.ts';
import { testBench } from '../testBench.ts';

const DAY_MS = 86_400_000;

describe('a picture', () => {
  const bench = testBench(Date.UTC(2026, 5, 1, 12));
  let build: string;
  let bytes: Uint8Array<ArrayBuffer>;
  beforeAll(async () => {
    await bench.listen(false);
    build = (await bench.call<BuildRecord>('POST', PATHS.builds, { name: 'One', subject: '', scale: 24 }))
      .body.id;
    const drawn = await sharp({ create: { width: 6, height: 4, channels: 3, background: '#a03020' } })
      .jpeg()
      .toBuffer();
    bytes = new Uint8Array(drawn);
  });
  afterAll(() => bench.remove());

  const keep = async (): Promise<string> => {
    const response = await fetch(bench.base + pathTo(PATHS.pictures, build), {
      method: 'POST',
      headers: { 'content-type': 'image/jpeg', [OWN_HEADER]: '1' },
      body: bytes,
    });
    return ((await response.json()) as { id: string }).id;
  };
  const isThere = async (id: string) => (await fetch(`${bench.base}/api/pictures/${id}`)).status === 200;
  let version = 0;
  const show = async (pictureId: string | null) => {
    const value =
      pictureId === null ? null : { ...(exampleValue(evidenceRecord) as object), partIds: [], pictureId };
    const changes = [{ kind: 'evidence', id: `${build}-seen`, version, value }];
    const { status, body } = await bench.call<KitItemsRecord>('PUT', pathTo(PATHS.kit, build), { changes });
    expect(status, JSON.stringify(body)).toBe(200);
    version = body.items[0]!.version;
  };
  const later = (days: number) => void (bench.now += days * DAY_MS);

  it('stays while a record shows it, and for a month after none does, so that undo finds it', async () => {
    const picture = await keep();
    await show(picture);
    later(60);
    await keep();
    expect(await isThere(picture)).toBe(true);
    await show(null);
    later(29);
    await show(picture);
    later(29);
    await keep();
    expect(await isThere(picture)).toBe(true);
    await show(null);
    later(31);
    await keep();
    expect(await isThere(picture)).toBe(false);
  });

  it('that was never shown is let go of in the same way', async () => {
    const picture = await keep();
    later(29);
    await keep();
    expect(await isThere(picture)).toBe(true);
    later(2);
    await keep();
    expect(await isThere(picture)).toBe(false);
  });
});
