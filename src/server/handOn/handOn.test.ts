import Ajv from 'ajv/dist/2020.js';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import {
  OWN_HEADER,
  type BuildDocument,
  type BuildRecord,
  type HandedOnBench,
  type HandedOnPreview,
  type Problem,
} from '../../api/index.ts';
import { documentSchema } from '../../api/handOn/documentSchema.ts';
import {
  KIT_RECORDS,
  withWhatGoesToo,
  type Kit,
  type KitChange,
  type RecordDefinition,
} from '../../core/kit/index.ts';
import { carriedOver } from '../../core/plan/index.ts';
import { seededRandom } from '../../core/seededRandom.ts';
import { openDatabase, type OpenDatabase } from '../database/open.ts';
import { pictures } from '../database/schema.ts';
import { seedDemo } from '../sample/seedDemo.ts';
import { sampleOperations } from '../sample/seedPlans.ts';
import { readBuilds, readSteps } from '../store/benchStore.ts';
import { testBench } from '../testBench.ts';
import { documentArchive, documentText, readDocumentFile } from './documentFile.ts';
import { readDocument } from './readDocument.ts';
import { previewDocument, takeDocument } from './takeDocument.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
const GOING = ['tolliver', 'pellam', 'quillon'] as const;
const IDS = [...GOING, 'saloon'] as const;
const MINE = { codes: 'mine', paints: 'mine', lessons: 'mine', spares: 'mine' } as const;

let sample: OpenDatabase;
/** A bench that has the samples, for what comes in beside them. */
let crowded: OpenDatabase;
beforeAll(() => {
  [sample, crowded] = [openDatabase(':memory:'), openDatabase(':memory:')];
  for (const { db } of [sample, crowded]) seedDemo(db, NOW);
});
afterAll(() => {
  sample.close();
  crowded.close();
});

const documentOf = (data: OpenDatabase, id: string, withPictures = false) =>
  readDocument(data.db, id, { now: NOW, withPictures });
const summaryOf = (data: OpenDatabase, id: string) =>
  readBuilds(data.db).find((build) => build.id === id)!.kit;
const read = (document: object) => readDocumentFile(Buffer.from(JSON.stringify(document)));

/** A document through an empty bench and out again. */
async function throughAnEmptyBench(document: BuildDocument): Promise<BuildDocument> {
  const empty = openDatabase(':memory:');
  try {
    const id = takeDocument(empty.db, await read(document), new Map(), MINE);
    return documentOf(empty, id).document;
  } finally {
    empty.close();
  }
}

const validate = new Ajv({ strict: false, allErrors: true }).compile(documentSchema());
const faultsOf = (document: unknown) => {
  validate(document);
  return validate.errors?.slice(0, 3).map(({ instancePath, message }) => `${instancePath} ${message}`) ?? [];
};

describe('a sample build', () => {
  it.each(IDS)('%s is the same, byte for byte, once it went through an empty bench', async (id) => {
    const { document } = documentOf(sample, id);
    expect(document.kit.parts!.length).toBeGreaterThan(20);
    expect(document.steps.length).toBeGreaterThan(5);
    expect(documentText(await throughAnEmptyBench(document))).toBe(documentText(document));
  });

  it.each(IDS)('%s is what the published schema says, and nothing else is', (id) => {
    const { document } = documentOf(sample, id);
    expect(faultsOf(document)).toEqual([]);
    expect(faultsOf({ ...document, more: 1 })).not.toEqual([]);
    const [part, ...parts] = document.kit.parts!;
    expect(
      faultsOf({ ...document, kit: { ...document.kit, parts: [{ ...part, count: -1 }, ...parts] } }),
    ).toEqual([expect.stringContaining('/kit/parts/0/count')]);
  });

  // Of the finished one a repair was done too, which is beyond the plain steps of a build.
  it.each(GOING)(
    '%s comes in beside itself under another name, and every done step is found again',
    async (id) => {
      const data = crowded;
      const { document } = documentOf(data, id);
      const file = await read(document);
      const preview = previewDocument(data.db, file);
      expect(preview).toMatchObject({ isHere: true, comesInAs: `${document.build.name} (2)` });
      expect(preview.counts.parts).toBe(summaryOf(data, id).pieces);
      expect(preview.shared.find(({ list }) => list === 'paints')).toMatchObject({ fresh: 0, differ: [] });
      const copy = takeDocument(data.db, file, new Map(), MINE);
      const own = sampleOperations(data.db).operations.filter(({ buildId }) => buildId === copy);
      const original = sampleOperations(data.db).operations.filter(({ buildId }) => buildId === id);
      const said = (list: typeof own) =>
        list.map(({ title, hands }) => `${title.replace(' (2)', '')} ${hands}`);
      expect(said(own)).toEqual(said(original));
      const steps = readSteps(data.db).filter(({ buildId }) => buildId === copy);
      expect(steps).toHaveLength(document.steps.length);
      expect(carriedOver(own, steps).orphans.map(({ operationId }) => operationId)).toEqual([]);
      // And once more: a third.
      expect(takeDocument(data.db, file, new Map(), MINE)).not.toBe(copy);
    },
  );
});

/** A kit without some of its records, and without what cannot be without these. */
function thinned(kit: Kit, isKept: () => boolean): Kit {
  const changes = (KIT_RECORDS as readonly RecordDefinition[]).flatMap(({ kind, list }) =>
    (kit[list as keyof Kit] as { id: string }[])
      .filter(() => !isKept())
      .map(({ id }): KitChange => ({ kind: kind as KitChange['kind'], id, value: null })),
  );
  const changed = new Map(withWhatGoesToo(kit, changes).map((one) => [`${one.kind} ${one.id}`, one.value]));
  return Object.fromEntries(
    (KIT_RECORDS as readonly RecordDefinition[]).map(({ kind, list }) => [
      list,
      (kit[list as keyof Kit] as { id: string }[]).flatMap((value) => {
        const now = changed.get(`${kind} ${value.id}`);
        return now === undefined ? [value] : now === null ? [] : [now];
      }),
    ]),
  ) as unknown as Kit;
}

describe('fifty random builds', () => {
  it('go through an empty bench without a difference, and are what the schema says', async () => {
    const random = seededRandom(20260512);
    for (let turn = 0; turn < 50; turn++) {
      const { document } = documentOf(sample, IDS[turn % IDS.length]!);
      const keep = random();
      const some = <T>(list: readonly T[]) => list.filter(() => random() < keep);
      const kit = thinned(document.kit as unknown as Kit, () => random() < keep);
      const parts = new Set(kit.parts.map(({ id }) => id));
      const joints = new Set(kit.joints.map(({ id }) => id));
      const cut: BuildDocument = {
        ...document,
        build: { ...document.build, name: `Build ${turn} “ü” 車`, scale: 4 + Math.floor(90 * random()) },
        kit: kit,
        trays: document.trays.map((tray) => ({
          ...tray,
          partIds: tray.partIds.filter((id) => parts.has(id)),
          areaCm2: 0.1 + 100 * random(),
        })),
        joins: document.joins.map((join) => ({
          ...join,
          jointIds: join.jointIds.filter((id) => joints.has(id)),
        })),
        steps: some(document.steps),
        cups: some(document.cups),
        lessons: [],
        spares: [],
      };
      // Of the catalogue, what the cut build names still.
      const again = await throughAnEmptyBench(cut);
      const expected = { ...cut, codes: again.codes, paints: again.paints };
      expect(documentText(again)).toBe(documentText(expected));
      expect(cut.codes).toEqual(expect.arrayContaining(again.codes));
      expect(cut.paints).toEqual(expect.arrayContaining(again.paints));
      expect(faultsOf(again)).toEqual([]);
    }
  });
});

describe('codes, paints and lessons that differ', () => {
  it('are told of, and stand or give way as it is decided', async () => {
    const data = crowded;
    const { document } = documentOf(data, 'tolliver');
    const [paint, ...paints] = document.paints;
    const changed = { ...document, paints: [{ ...paint!, priceCents: 9999 }, ...paints] };
    const shared = previewDocument(data.db, await read(changed)).shared.find(
      ({ list }) => list === 'paints',
    )!;
    expect(shared.differ).toEqual([{ id: paint!.id, name: paint!.name, fields: ['priceCents'] }]);
    const priceNow = () =>
      documentOf(data, 'tolliver').document.paints.find(({ id }) => id === paint!.id)!.priceCents;
    takeDocument(data.db, await read(changed), new Map(), MINE);
    expect(priceNow()).toBe(paint!.priceCents);
    takeDocument(data.db, await read(changed), new Map(), { ...MINE, paints: 'theirs' });
    expect(priceNow()).toBe(9999);
  });
});

describe('a file of another version', () => {
  it('opens where it is older: lists and fields that there were not are as in new ones', async () => {
    const { document } = documentOf(sample, 'quillon');
    const { logEntries: _, ...kit } = document.kit;
    const older = {
      ...document,
      kit: { ...kit, showings: kit.showings!.map(({ ...value }) => ({ ...value, glass: undefined })) },
    };
    const file = await read(older);
    expect(file.document.kit.logEntries).toEqual([]);
    expect(file.document.kit.showings![0]).toMatchObject({ glass: 0.85 });
  });

  it('is refused where it is newer, and lists that nobody knows are passed over and said', async () => {
    const { document } = documentOf(sample, 'quillon');
    await expect(read({ ...document, version: 2 })).rejects.toThrow(/later Fanfare/);
    expect((await read({ ...document, kit: { ...document.kit, hovercraft: [] } })).notes).toEqual([
      'kit.hovercraft is not known here and was passed over.',
    ]);
  });
});

describe('a hostile file', () => {
  const changed = (change: (document: BuildDocument) => object) => async () => {
    const { document } = documentOf(sample, 'quillon');
    const empty = openDatabase(':memory:');
    try {
      takeDocument(empty.db, await read(change(document)), new Map(), MINE);
    } finally {
      empty.close();
    }
  };
  const withPart = (change: object) =>
    changed((document) => ({
      ...document,
      kit: {
        ...document.kit,
        parts: document.kit.parts!.map((part, at) => (at === 3 ? { ...part, ...change } : part)),
      },
    }));

  it.each([
    ['that is none', () => readDocumentFile(Buffer.from('hello')), /not complete JSON/],
    [
      'that is larger than any build',
      () => readDocumentFile(Buffer.alloc(25_000_001, ' ')),
      /larger than any build/,
    ],
    ['that is empty', () => readDocumentFile(Buffer.alloc(0)), /empty/],
    ['of something else', () => read({ fanfare: 'bench' }), /not say that it is a build/],
    [
      'with a list of numbers',
      () => read({ ...documentOf(sample, 'quillon').document, steps: [1] }),
      /steps, entry 1: is no record/,
    ],
    [
      'with a kit that is a list',
      () => read({ ...documentOf(sample, 'quillon').document, kit: [] }),
      /kit: is no group/,
    ],
    ['with a count that cannot be', withPart({ count: -4 }), /kit\.parts, entry 4: .*count/],
    ['with a field that nobody knows', withPart({ onload: 'x' }), /kit\.parts, entry 4: .*not known: onload/],
    ['with an id that every object has', withPart({ id: '__proto__' }), /kit\.parts, entry 4/],
    [
      'with two parts of one id',
      changed((document) => ({
        ...document,
        kit: { ...document.kit, parts: [...document.kit.parts!, document.kit.parts![0]] },
      })),
      /kit\.parts: two have the id/,
    ],
    [
      'with a step that is done twice',
      changed((document) => ({ ...document, steps: [...document.steps, document.steps[0]] })),
      /steps: two have the id/,
    ],
    [
      'with a step of another build',
      changed((document) => ({
        ...document,
        steps: [{ ...document.steps[0]!, operationId: 'tolliver/tolliver-body/primer-1' }],
      })),
      /is no step of this build/,
    ],
    [
      'with two spoons of one id',
      changed((document) => ({
        ...document,
        cups: document.cups.map((cup) => ({ ...cup, readings: [...cup.readings, ...cup.readings] })),
      })),
      /spoons: two have the id/,
    ],
    [
      'with a cup for a sub-assembly that is not there',
      changed((document) => ({
        ...document,
        cups: document.cups.map((cup) => ({ ...cup, trayId: 'gone' })),
      })),
      /not in the file/,
    ],
    [
      'with a joint of parts that are not there',
      changed((document) => ({
        ...document,
        kit: { ...document.kit, joints: document.kit.joints!.map((joint) => ({ ...joint, a: 'nobody' })) },
      })),
      /A joint names/,
    ],
    [
      'with a picture that is not in it',
      changed((document) => ({
        ...document,
        kit: {
          ...document.kit,
          milestones: [{ id: 'm', operationId: 'x', what: 'x', pictureId: 'gone', note: '', at: 1 }],
        },
      })),
      /shows the picture gone/,
    ],
    [
      'with a path out of its folder',
      () =>
        read({
          ...documentOf(sample, 'quillon').document,
          pictures: [{ id: 'p', file: '../../etc/passwd' }],
        }),
      /pictures, entry 1/,
    ],
    [
      'cut short',
      () => readDocumentFile(Buffer.from(zipSync({ 'build.json': strToU8('{}') })).subarray(0, 30)),
      /cut short|damaged/,
    ],
    [
      'without its document',
      () => readDocumentFile(Buffer.from(zipSync({ 'x.json': strToU8('{}') }))),
      /holds no build\.json/,
    ],
  ])('%s is refused with the place and the reason', async (_what, open, words) => {
    await expect(open()).rejects.toThrow(words);
  });
});

describe('pictures', () => {
  it('go along in an archive, the same bytes, and are left out of plain JSON with a word', async () => {
    const data = crowded;
    const draw = (hue: number) =>
      sharp({ create: { width: 40, height: 30, channels: 3, background: { r: hue, g: 90, b: 40 } } });
    const kept = [
      { id: 'pic-a', type: 'image/jpeg', bytes: await draw(200).jpeg({ quality: 88 }).toBuffer() },
      { id: 'pic-b', type: 'image/png', bytes: await draw(20).png().toBuffer() },
    ];
    for (const each of kept)
      data.db
        .insert(pictures)
        .values({ ...each, buildId: 'quillon' })
        .run();
    const own = testBench(NOW);
    try {
      await own.listen(false);
      const { document, pictures: files } = documentOf(data, 'quillon', true);
      expect(document.pictures).toEqual([
        { id: 'pic-a', file: 'pictures/pic-a.jpg' },
        { id: 'pic-b', file: 'pictures/pic-b.png' },
      ]);
      const archive = documentArchive(document, files);
      expect(Object.keys(unzipSync(archive))).toEqual([
        'build.json',
        'pictures/pic-a.jpg',
        'pictures/pic-b.png',
      ]);
      const sent = await fetch(`${own.base}/api/build-document`, {
        method: 'POST',
        headers: { [OWN_HEADER]: '1' },
        body: new Uint8Array(archive),
      });
      expect(sent.status).toBe(201);
      const back = await fetch(`${own.base}/api/builds/quillon/document?pictures=yes`);
      const again = unzipSync(new Uint8Array(await back.arrayBuffer()));
      for (const { id, bytes, type } of kept)
        expect(
          Buffer.from(again[`pictures/${id}.${type === 'image/png' ? 'png' : 'jpg'}`]!).equals(bytes),
        ).toBe(true);
      expect(documentOf(data, 'quillon').document.pictures).toEqual([]);
    } finally {
      await own.remove();
    }
  });
});

describe('over the wire', () => {
  let own: ReturnType<typeof testBench>;
  beforeEach(() => {
    own = testBench(NOW);
  });
  afterEach(() => own.remove());
  const post = async <T>(path: string, text: string) => {
    const response = await fetch(own.base + path, {
      method: 'POST',
      headers: { [OWN_HEADER]: '1' },
      body: new Blob([text]),
    });
    return { status: response.status, body: (await response.json()) as T };
  };

  it('a build is looked at before it is brought in, and the schema is there to be had', async () => {
    await own.listen(false);
    const text = documentText(documentOf(sample, 'pellam').document);
    const preview = await post<HandedOnPreview>('/api/build-document/preview', text);
    expect(preview.body).toMatchObject({ isHere: false, notes: [] });
    expect((await own.snapshot()).builds).toEqual([]);
    const taken = await post<BuildRecord>('/api/build-document?paints=theirs', text);
    expect(taken.status).toBe(201);
    expect((await own.snapshot()).builds.map(({ id }) => id)).toEqual(['pellam']);
    const schema = await own.call<object>('GET', '/api/build-document/schema');
    expect(schema.body).toEqual(documentSchema());
  });

  it('a refusal changes nothing', async () => {
    await own.listen(false);
    const { document } = documentOf(sample, 'pellam');
    const bad = { ...document, cups: [{ id: 'x' }] };
    const refused = await post<Problem>('/api/build-document', JSON.stringify(bad));
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(/^cups, entry 1: /);
    const notice = await post<Problem>('/api/build-document?codes=ours', documentText(document));
    expect(notice.status).toBe(400);
    expect((await own.snapshot()).builds).toEqual([]);
  });

  it('a bench is handed on whole: its builds are listed, and each comes in by itself', async () => {
    await own.listen(true);
    const whole = await (await fetch(`${own.base}/api/bench-document`)).arrayBuffer();
    const before = await own.snapshot();
    await own.remove();
    own = testBench(NOW);
    await own.listen(false);
    const ask = async <T>(path: string, bytes: ArrayBuffer | Uint8Array<ArrayBuffer>) => {
      const response = await fetch(own.base + path, {
        method: 'POST',
        headers: { [OWN_HEADER]: '1' },
        body: new Blob([bytes]),
      });
      return { status: response.status, body: (await response.json()) as T };
    };
    const { body: found } = await ask<HandedOnBench>('/api/build-document/preview', whole);
    expect(found.bench.map(({ name }) => name)).toEqual(before.builds.map(({ name }) => name));
    for (const { name, file } of found.bench) {
      const of = `of=${encodeURIComponent(file)}`;
      const preview = await ask<HandedOnPreview>(`/api/build-document/preview?${of}`, whole);
      expect(preview.body).toMatchObject({ comesInAs: name, isHere: false });
      expect((await ask(`/api/build-document?${of}`, whole)).status).toBe(201);
    }
    const after = await own.snapshot();
    expect(after.builds.map(({ id }) => id)).toEqual(before.builds.map(({ id }) => id));
    expect(after.lessons).toEqual(expect.arrayContaining(before.lessons));
    expect(after.steps).toHaveLength(before.steps.length);

    const missing = await ask<Problem>('/api/build-document/preview?of=builds/none.zip', whole);
    expect([missing.status, missing.body.detail]).toEqual([422, 'The archive holds no builds/none.zip.']);
    const noBuild = await ask<Problem>('/api/build-document', whole);
    expect([noBuild.status, noBuild.body.detail]).toEqual([422, 'The archive holds no build.json.']);
    const twisted = zipSync({ 'bench.json': strToU8(JSON.stringify({ fanfare: 'bench', builds: 3 })) });
    const refused = await ask<Problem>('/api/build-document/preview', twisted);
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(/^bench\.json: /)]);
    expect((await own.snapshot()).builds).toHaveLength(before.builds.length);
  });
});
