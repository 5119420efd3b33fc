import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MOST_CHANGES, type KitItemRecord, type KitItemsRecord } from '../../api/index.ts';
import type { KitChange } from '../../core/kit/index.ts';
import { answerConflicts, type Asked, pretendServer, problem, restore } from './pretendServer.ts';

const PATH = '/api/builds/coupe/kit';
interface Sent {
  kind: string;
  id: string;
  version: number;
  value: object | null;
}
const sentOf = ({ body }: Asked) => (body as { changes: Sent[] }).changes;
const part = (id: string, name: string, version = 1): KitItemRecord => ({
  kind: 'part',
  id,
  version,
  value: { name },
});
const change = (id: string, name: string | null): KitChange => ({
  kind: 'part',
  id,
  value: name === null ? null : { name },
});

describe('the kit as this tab knows it', () => {
  const server = pretendServer();
  const freshPage = async (items: KitItemRecord[] = []) => {
    server.reload();
    const conflict = answerConflicts();
    const { mutate } = await import('swr');
    const kit = await import('./kit.ts');
    const undo = await import('./undo.ts');
    await mutate(PATH, { items }, { revalidate: false });
    const known = async () =>
      (await mutate<KitItemsRecord>(PATH, (record) => record, { revalidate: false }))!.items.map(
        ({ id, value }) => `${id} ${(value as { name: string }).name}`,
      );
    return { kit, undo, conflict, known };
  };
  /** A server that takes every change and counts versions up. */
  const takesAll = (asked: Asked) => ({
    status: 200,
    body: { items: sentOf(asked).map((item) => ({ ...item, version: item.version + 1 })) },
  });

  beforeEach(() => {
    server.asked.length = 0;
    server.stored.clear();
    server.comeBack();
    server.answerWith(takesAll);
    vi.useFakeTimers();
  });
  afterEach(restore);

  it('shows changes at once, sends them in one stroke, and takes them back in the opposite order', async () => {
    const { kit, undo, known } = await freshPage([part('a', 'Hood'), part('b', 'Sill')]);
    const sent = kit.changeKit(
      'coupe',
      [change('a', 'Hood, long'), change('b', null), change('c', 'Grille')],
      'three parts',
    );
    await vi.advanceTimersByTimeAsync(0);
    expect(await known()).toEqual(['a Hood, long', 'c Grille']);
    await sent;
    expect(server.asked.map(({ method, path }) => `${method} ${path}`)).toEqual([`PUT ${PATH}`]);
    expect(await undo.undo()).toBe('three parts');
    expect(await known()).toEqual(['a Hood', 'b Sill']);
    expect(sentOf(server.asked[1]!).map(({ id, value }) => [id, value])).toEqual([
      ['c', null],
      ['b', { name: 'Sill' }],
      ['a', { name: 'Hood' }],
    ]);
    await undo.redo();
    expect(await known()).toEqual(['a Hood, long', 'c Grille']);
  });

  it('takes away with a part what cannot be without it, in one stroke that one undo takes back', async () => {
    const item = (kind: string, id: string, value: object): KitItemRecord => ({
      kind,
      id,
      version: 1,
      value,
    });
    const { kit, undo, known } = await freshPage([
      part('a', 'Hood'),
      part('b', 'Sill'),
      item('joint', 'j', { name: 'a to b', a: 'a', b: 'b', captured: [], closes: [] }),
      item('place', 'p', { name: 'hole of a', partId: 'a', matingPartId: null }),
      item('place', 'q', { name: 'hole of b', partId: 'b', matingPartId: 'a' }),
    ]);
    const before = (await known()).sort();
    await kit.changeKit('coupe', [change('a', null)], 'remove Hood');
    expect(await known()).toEqual(['b Sill', 'q hole of b']);
    expect(server.asked).toHaveLength(1);
    expect(sentOf(server.asked[0]!).find(({ id }) => id === 'q')!.value).toMatchObject({
      matingPartId: null,
    });
    expect(undo.undoLabel()).toBe('remove Hood, and 2 records that went with it');
    await undo.undo();
    expect((await known()).sort()).toEqual(before);
    expect(sentOf(server.asked[1]!).find(({ id }) => id === 'q')!.value).toMatchObject({ matingPartId: 'a' });
  });

  it('sends the newest version that it has seen of each record', async () => {
    const { kit } = await freshPage();
    await kit.changeKit('coupe', [change('a', 'Hood')], 'add');
    await kit.changeKit('coupe', [change('a', 'Hood, long'), change('b', 'Sill')], 'change');
    expect(server.asked.map((asked) => sentOf(asked).map(({ id, version }) => [id, version]))).toEqual([
      [['a', 0]],
      [
        ['a', 1],
        ['b', 0],
      ],
    ]);
  });

  it('leaves the id out of what is stored, and asks nothing where nothing changes', async () => {
    const { kit, undo } = await freshPage();
    await kit.changeKit('coupe', [{ kind: 'part', id: 'a', value: { id: 'a', name: 'Hood' } }], 'add');
    expect(sentOf(server.asked[0]!)[0]!.value).toEqual({ name: 'Hood' });
    await kit.changeKit('coupe', [], 'nothing');
    expect(server.asked).toHaveLength(1);
    expect(undo.undoLabel()).toBe('add');
  });

  it('sends a large kit in portions that the server takes, one after the other', async () => {
    const { kit, known } = await freshPage();
    const many = Array.from({ length: 2 * MOST_CHANGES + 7 }, (_, at) => change(`p${at}`, `Part ${at}`));
    await kit.changeKit('coupe', many, 'many parts');
    expect(server.asked.map((asked) => sentOf(asked).length)).toEqual([MOST_CHANGES, MOST_CHANGES, 7]);
    expect(await known()).toHaveLength(many.length);
    server.asked.length = 0;
    // Few, but long: a request holds 5 MB at most, in bytes.
    const long = ['x', 'y', 'z'].map((id) => change(id, 'n'.repeat(300_000)));
    await kit.changeKit('coupe', long, 'long notes');
    expect(server.asked.map((asked) => sentOf(asked).map(({ id }) => id))).toEqual([['x'], ['y'], ['z']]);
    for (const { body } of server.asked) expect(JSON.stringify(body).length).toBeLessThan(1_000_000);
  });

  it.each(['mine', 'theirs'] as const)(
    'asks where two tabs changed one record, and keeps %s',
    async (choice) => {
      const { kit, conflict } = await freshPage([part('a', 'Hood')]);
      conflict.answer = choice;
      server.answerWith((asked) =>
        sentOf(asked)[0]!.version === 6
          ? takesAll(asked)
          : problem(409, 'changed in another tab', part('a', 'Hood, theirs', 6)),
      );
      await kit.changeKit('coupe', [change('a', 'Hood, mine')], 'rename');
      expect(conflict.asked).toEqual(['Hood, theirs']);
      expect(server.asked.map((asked) => sentOf(asked)[0]!.version)).toEqual(
        choice === 'mine' ? [0, 6] : [0],
      );
    },
  );

  it('leaves one record to another tab and keeps what was changed beside it', async () => {
    const { kit, known, conflict } = await freshPage([part('a', 'Hood'), part('b', 'Sill')]);
    conflict.answer = 'theirs';
    server.answerWith((asked) =>
      sentOf(asked).some(({ id }) => id === 'a')
        ? problem(409, 'changed in another tab', part('a', 'Hood, theirs', 6))
        : takesAll(asked),
    );
    await kit.changeKit('coupe', [change('a', 'Hood, mine'), change('b', 'Sill, mine')], 'rename');
    expect(server.asked.map((asked) => sentOf(asked).map(({ id }) => id))).toEqual([['a', 'b'], ['b']]);
    expect((await known()).sort()).toEqual(['a Hood, theirs', 'b Sill, mine']);
  });

  it('hands on what the server refuses, and waits while it is away', async () => {
    const { kit } = await freshPage();
    server.answerWith(() => problem(400, 'a part has a name'));
    await expect(kit.changeKit('coupe', [change('a', '')], 'add')).rejects.toThrow('a part has a name');
    server.answerWith(takesAll);
    server.goAway();
    const sent = kit.changeKit('coupe', [change('b', 'Sill')], 'add');
    await vi.advanceTimersByTimeAsync(5000);
    expect(server.asked).toHaveLength(1);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(5000);
    await sent;
    expect(sentOf(server.asked[1]!).map(({ id }) => id)).toEqual(['b']);
  });
});
