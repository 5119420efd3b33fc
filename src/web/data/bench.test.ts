import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type {
  BenchSnapshot,
  BuildRecord,
  PaintRecord,
  PlanRecord,
  StepInput,
  TrayRecord,
} from '../../api/index.ts';
import { answerConflicts, type Asked, pretendServer, problem, restore } from './pretendServer.ts';

const STEP: StepInput = {
  operationId: 'coupe/body/clean',
  buildId: 'coupe',
  trayId: 'body',
  title: 'Clean up: Body',
  endedAt: 1000,
  minutes: 12,
  note: '',
};
const UNSENT = 'fanfare.unsent-writes';

const tray = (change: Partial<TrayRecord> = {}): TrayRecord => ({
  id: 'body',
  buildId: 'coupe',
  name: 'Body',
  areaCm2: 200,
  substrateId: 'styrene-white',
  parts: [],
  layers: [],
  codeId: null,
  position: 0,
  version: 3,
  ...change,
});

const BUILD = {
  id: 'coupe',
  name: 'Coupe',
  version: 1,
  trays: [tray()],
  joins: [{ id: 'on', buildId: 'coupe', name: 'Body on', trayIds: ['body'], afterJoinIds: [], version: 5 }],
} as unknown as BuildRecord;

describe('the bench as this tab knows it', () => {
  const server = pretendServer();
  /** The modules of a fresh page that has fetched the bench. */
  const freshPage = async () => {
    server.reload();
    const conflict = answerConflicts();
    const { mutate } = await import('swr');
    const bench = await import('./bench.ts');
    const undo = await import('./undo.ts');
    const kit = await import('./kit.ts');
    const saving = await import('./saving.ts');
    const first = {
      steps: [],
      builds: [BUILD],
      plan: { version: 1, starts: {} },
    } as unknown as BenchSnapshot;
    await mutate('/api/bench', first, { revalidate: false });
    const known = async () =>
      (await mutate<BenchSnapshot>('/api/bench', (snapshot) => snapshot, { revalidate: false }))!;
    return {
      bench,
      kit,
      saving,
      undo,
      known,
      conflict,
      trayKnown: async () => (await known()).builds[0]!.trays[0],
    };
  };
  const asked = (): string[] => server.asked.map(({ method, path }) => `${method} ${path}`);
  /** What the browser keeps of what has no answer yet. */
  const kept = () =>
    (JSON.parse(server.stored.get(UNSENT) ?? '[]') as { body: unknown }[]).map(({ body }) => body);
  const versionsSent = () => server.asked.map(({ version }) => version);

  beforeEach(() => {
    server.asked.length = 0;
    server.stored.clear();
    server.comeBack();
    server.answerWith(() => ({ status: 200, body: {} }));
    vi.useFakeTimers();
  });
  afterEach(restore);

  it('shows a tick at once, keeps it in the browser until the server has it, and can take it back', async () => {
    const { bench, undo, known } = await freshPage();
    const ticked = bench.tickStep(STEP);
    expect((await known()).steps).toEqual([STEP]);
    expect(kept()).toEqual([STEP]);
    await ticked;
    expect(asked()).toEqual(['POST /api/steps']);
    expect(kept()).toEqual([]);
    expect(await undo.undo()).toBe('done: Clean up: Body');
    expect((await known()).steps).toEqual([]);
    await undo.redo();
    expect((await known()).steps).toEqual([STEP]);
    expect(asked()).toEqual([
      'POST /api/steps',
      `DELETE /api/steps/${encodeURIComponent(STEP.operationId)}`,
      'POST /api/steps',
    ]);
  });

  it('sends a tick made while the server was away once it is back', async () => {
    const { bench } = await freshPage();
    server.goAway();
    const ticked = bench.tickStep(STEP);
    await vi.advanceTimersByTimeAsync(5000);
    expect(server.asked).toEqual([]);
    expect(kept()).toEqual([STEP]);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(5000);
    await ticked;
    expect(server.asked).toEqual([{ method: 'POST', path: '/api/steps', body: STEP }]);
    expect(kept()).toEqual([]);
  });

  it.each([
    ['had not reached it', undefined],
    ['had reached it without an answer', 7],
  ])('does not send a tick made and taken back while the server was away, that %s', async (_, version) => {
    const { bench, undo, known } = await freshPage();
    server.answerWith(({ method }) =>
      method === 'GET'
        ? { status: 200, body: { steps: version === undefined ? [] : [{ ...STEP, version }] } }
        : { status: 204, body: undefined },
    );
    server.goAway();
    void bench.tickStep(STEP);
    await vi.advanceTimersByTimeAsync(3000);
    const undone = undo.undo();
    await vi.advanceTimersByTimeAsync(3000);
    expect(kept()).toEqual([]);
    expect((await known()).steps).toEqual([]);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(10_000);
    await undone;
    const asked = server.asked.map(({ method }) => method);
    expect(asked).not.toContain('POST');
    expect(asked.filter((method) => method === 'DELETE')).toHaveLength(version === undefined ? 0 : 1);
  });

  it('sends a tick once that was made, taken back and made again while the server was away', async () => {
    const { bench, undo, known } = await freshPage();
    server.answerWith(({ method }) =>
      method === 'GET'
        ? { status: 200, body: { steps: [] } }
        : { status: 200, body: { ...STEP, version: 3 } },
    );
    server.goAway();
    const ticked = bench.tickStep(STEP);
    await vi.advanceTimersByTimeAsync(3000);
    const undone = undo.undo();
    await vi.advanceTimersByTimeAsync(3000);
    const redone = undo.redo();
    await vi.advanceTimersByTimeAsync(3000);
    expect(kept()).toEqual([STEP]);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(20_000);
    await Promise.all([ticked, undone, redone]);
    expect(server.asked.map(({ method }) => method).filter((method) => method !== 'GET')).toEqual(['POST']);
    expect((await known()).steps).toEqual([STEP]);
    expect(kept()).toEqual([]);
  });

  it('sends a tick that the page was closed over after the next start, as it was made', async () => {
    const { bench } = await freshPage();
    server.goAway();
    void bench.tickStep(STEP);
    await vi.advanceTimersByTimeAsync(100);
    server.comeBack();
    const { saving } = await freshPage();
    expect(await saving.sendUnsent()).toBe(1);
    expect(server.asked).toEqual([{ method: 'POST', path: '/api/steps', body: STEP }]);
    expect(kept()).toEqual([]);
    expect(await saving.sendUnsent()).toBe(0);
  });

  it('sends the ticks that the version before had kept, once', async () => {
    const { saving } = await freshPage();
    server.stored.set(
      'fanfare.steps-to-send',
      JSON.stringify([STEP, { ...STEP, operationId: 'coupe/body/fill' }]),
    );
    expect(await saving.sendUnsent()).toBe(2);
    expect(asked()).toEqual(['POST /api/steps', 'POST /api/steps']);
    expect(server.asked[0]!.body).toEqual(STEP);
    expect(await saving.sendUnsent()).toBe(0);
  });

  it('takes what it kept for nothing where that cannot be read', async () => {
    const { bench, saving } = await freshPage();
    server.stored.set(UNSENT, '[{"key":');
    await saving.sendUnsent();
    await vi.advanceTimersByTimeAsync(100);
    expect(server.asked).toEqual([]);
    await bench.tickStep(STEP);
    expect(asked()).toEqual(['POST /api/steps']);
  });

  it('has nothing to take back of a tick that another tab was first with', async () => {
    const { bench, undo } = await freshPage();
    server.answerWith(() => problem(409, 'was ticked elsewhere', { ...STEP, minutes: 40 }));
    await expect(bench.tickStep(STEP)).rejects.toThrow('was ticked elsewhere');
    expect(undo.undoLabel()).toBeNull();
    expect(await undo.undo()).toBeNull();
    expect(kept()).toEqual([]);
    expect(asked()).toEqual(['POST /api/steps']);
  });

  it('lets quick edits of one sub-assembly follow each other with the newest version', async () => {
    const { bench, trayKnown } = await freshPage();
    server.answerWith(({ body, version }) => ({
      status: 200,
      body: { ...tray(body as object), version: version! + 1 },
    }));
    const before = tray();
    const one = bench.saveTray(before, tray({ name: 'Body, one' }), 'rename');
    const two = bench.saveTray(before, tray({ name: 'Body, two' }), 'rename');
    await Promise.all([one, two]);
    expect(versionsSent()).toEqual([3, 4]);
    expect(await trayKnown()).toMatchObject({ name: 'Body, two', version: 5 });
  });

  it.each(['mine', 'theirs'] as const)(
    'asks where two tabs changed one sub-assembly, and keeps %s',
    async (choice) => {
      const { bench, conflict, trayKnown } = await freshPage();
      conflict.answer = choice;
      const theirs = tray({ name: 'Body, theirs', version: 7 });
      server.answerWith(({ body, version }) => {
        return version === 7
          ? { status: 200, body: { ...tray(body as object), version: 8 } }
          : problem(409, 'changed in another tab', theirs);
      });
      await bench.saveTray(tray(), tray({ name: 'Body, mine' }), 'rename');
      expect(conflict.asked).toEqual(['Body, mine']);
      expect(versionsSent()).toEqual(choice === 'mine' ? [3, 7] : [3]);
      expect(await trayKnown()).toMatchObject(
        choice === 'mine' ? { name: 'Body, mine', version: 8 } : { name: 'Body, theirs', version: 7 },
      );
    },
  );

  it.each(['mine', 'theirs'] as const)(
    'asks where two tabs changed what stands on the shelf, and keeps %s',
    async (choice) => {
      const { bench, conflict } = await freshPage();
      const { mutate } = await import('swr');
      conflict.answer = choice;
      const known = {
        id: 'OR-1',
        name: 'Tide',
        range: 'Oriel',
        levelMl: 9,
        note: '',
        version: 4,
      } as PaintRecord;
      await mutate('/api/paints', [known], { revalidate: false });
      const theirs = { ...known, note: 'theirs', version: 11 };
      server.answerWith(({ body, version }) =>
        version === 11
          ? { status: 200, body: { ...theirs, ...(body as object), version: 12 } }
          : problem(409, 'changed in another tab', theirs),
      );
      await bench.saveShelf(known, { levelMl: 9, note: 'mine' }, 'note');
      expect(conflict.asked).toEqual(['Tide (Oriel)']);
      expect(versionsSent()).toEqual(choice === 'mine' ? [4, 11] : [4]);
      const [now] = (await mutate<PaintRecord[]>('/api/paints', (all) => all, { revalidate: false }))!;
      expect(now).toMatchObject({ note: choice, version: choice === 'mine' ? 12 : 11 });
    },
  );

  it('keeps what was changed while the passphrase was asked for, and sends it then', async () => {
    const { bench, trayKnown } = await freshPage();
    let isSignedIn = false;
    server.answerWith(({ body }) =>
      isSignedIn
        ? { status: 200, body: { ...tray(body as object), version: 4 } }
        : { status: 401, body: { title: 'Not signed in', detail: 'asks for its passphrase', status: 401 } },
    );
    const saving = bench.saveTray(tray(), tray({ name: 'Body, later' }), 'rename');
    await vi.advanceTimersByTimeAsync(5000);
    expect(server.asked.length).toBeGreaterThan(1);
    isSignedIn = true;
    await vi.advanceTimersByTimeAsync(5000);
    await saving;
    expect(await trayKnown()).toMatchObject({ name: 'Body, later', version: 4 });
  });

  it('hands on what the server refuses of a sub-assembly', async () => {
    const { bench } = await freshPage();
    server.answerWith(() => problem(400, 'an area is at least 0 cm²'));
    await expect(bench.saveTray(tray(), tray({ areaCm2: -1 }), 'area')).rejects.toThrow('at least 0 cm²');
    expect(asked()).toEqual(['PUT /api/trays/body']);
  });

  it('brings a removed join back with the division that was there, and removes it again', async () => {
    const { kit, undo } = await freshPage();
    const gone = { ...BUILD, joins: [] };
    let now: BuildRecord = BUILD;
    server.answerWith(({ method, path }: Asked) => {
      if (method === 'DELETE') now = gone;
      if (path.endsWith('subassemblies')) now = { ...BUILD, joins: [{ ...BUILD.joins[0]!, version: 9 }] };
      return { status: 200, body: now };
    });
    await kit.removeJoin(BUILD, BUILD.joins[0]!);
    await undo.undo();
    await undo.redo();
    const changes = server.asked.filter(({ method }) => method !== 'GET');
    expect(changes.map(({ method, path, version }) => [method, path, version])).toEqual([
      ['DELETE', '/api/joins/on', 5],
      ['PUT', '/api/builds/coupe/subassemblies', undefined],
      // Made again it has the id that it had.
      ['PUT', '/api/builds/coupe/subassemblies', undefined],
    ]);
    expect(changes[1]!.body).toMatchObject({
      trays: [{ id: 'body', version: 3 }],
      joins: [{ id: 'on', join: { name: 'Body on', trayIds: ['body'] } }],
      removed: [],
    });
  });

  it('takes a removal back that is still on its way from what that leaves', async () => {
    const { kit, undo, conflict } = await freshPage();
    server.answerWith(({ method }) => ({
      status: 200,
      body: method === 'DELETE' ? { ...BUILD, joins: [] } : BUILD,
    }));
    server.goAway();
    const removed = kit.removeJoin(BUILD, BUILD.joins[0]!);
    const undone = undo.undo();
    await vi.advanceTimersByTimeAsync(500);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(5000);
    await Promise.all([removed, undone]);
    const put = server.asked.find(({ method }) => method === 'PUT')!;
    // The join is not there any more: it is made anew, not changed from the version that was removed.
    expect(put.body).toMatchObject({ joins: [{ id: 'on', version: 0 }], removedJoins: [] });
    expect(conflict.asked).toEqual([]);
  });

  it('stores a plan, and minds nothing where another tab was first', async () => {
    const { bench, known } = await freshPage();
    const plan = { version: 1, starts: { a: 5 } } as unknown as PlanRecord;
    server.answerWith(() => ({ status: 200, body: { ...plan, version: 2 } }));
    await bench.savePlan(plan);
    expect((await known()).plan).toMatchObject({ version: 2, starts: { a: 5 } });
    server.answerWith(() => problem(409, 'changed in another tab', { ...plan, version: 9 }));
    await bench.savePlan(plan);
    server.goAway();
    await bench.savePlan(plan);
    expect((await known()).plan.version).toBe(2);
  });
});
