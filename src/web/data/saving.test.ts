import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pretendServer, problem } from './pretendServer.ts';

beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal('window', { addEventListener: () => undefined });
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('writing', () => {
  const server = pretendServer();
  const fresh = async () => {
    server.reload();
    return import('./saving.ts');
  };
  beforeEach(() => {
    server.asked.length = 0;
    server.stored.clear();
    server.comeBack();
    server.answerWith(() => ({ status: 200, body: { kept: true } }));
  });
  const paths = () => server.asked.map(({ path }) => path);

  it('tries again while the server is away, in the order in which it was done, and gives the answers', async () => {
    const { write } = await fresh();
    server.goAway();
    const answers = [write('POST', '/one', {}), write('PUT', '/two', {}, 4), write('DELETE', '/three')];
    await vi.advanceTimersByTimeAsync(5000);
    expect(paths()).toEqual([]);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(5000);
    await expect(Promise.all(answers)).resolves.toEqual([{ kept: true }, { kept: true }, { kept: true }]);
    expect(paths()).toEqual(['/one', '/two', '/three']);
  });

  it('sends what has no answer after the next start, and says what is refused by then', async () => {
    const { write } = await fresh();
    server.goAway();
    void write('PUT', '/one', { a: 1 }, 4).catch(() => undefined);
    void write('POST', '/two', { b: 2 }).catch(() => undefined);
    await vi.advanceTimersByTimeAsync(100);
    const later = await fresh();
    server.comeBack();
    server.answerWith(({ path }) =>
      path === '/one' ? problem(409, 'changed elsewhere', {}) : { status: 204 },
    );
    expect(await later.sendUnsent()).toBe(2);
    expect(server.asked).toEqual([
      { method: 'PUT', path: '/one', body: { a: 1 }, version: 4 },
      { method: 'POST', path: '/two', body: { b: 2 } },
    ]);
    expect(later.refusalNow()).toMatchObject({
      title: 'Not saved before the page was closed',
      detail: expect.stringMatching(/changed elsewhere.*left out/) as string,
    });
    expect(await later.sendUnsent()).toBe(0);
  });

  it('sends what is called back no more, and goes on with the next', async () => {
    const { recallableWrite, write } = await fresh();
    server.goAway();
    const one = recallableWrite('POST', '/one', {});
    const two = write('POST', '/two', {});
    await vi.advanceTimersByTimeAsync(100);
    one.recall();
    server.comeBack();
    await vi.advanceTimersByTimeAsync(5000);
    await expect(one.answer).resolves.toBeUndefined();
    await expect(two).resolves.toEqual({ kept: true });
    expect(paths()).toEqual(['/two']);
  });

  it('tells when nothing is on its way any more, whether it was taken or refused', async () => {
    const { savesSettled, write } = await fresh();
    await savesSettled();
    server.goAway();
    server.answerWith(({ path }) => (path === '/no' ? problem(400, 'no') : { status: 200 }));
    const refused = write('POST', '/no', {});
    void refused.catch(() => undefined);
    void write('POST', '/yes', {});
    let isSettled = false;
    void savesSettled().then(() => (isSettled = true));
    await vi.advanceTimersByTimeAsync(100);
    expect(isSettled).toBe(false);
    server.comeBack();
    await vi.advanceTimersByTimeAsync(5000);
    expect(isSettled).toBe(true);
    await expect(refused).rejects.toThrow('no');
  });

  it('shows a refusal until it is read, but not a conflict, which is asked about', async () => {
    const { refusalNow, setRefusal, write } = await fresh();
    server.answerWith(() => problem(400, 'a hex has 6 digits'));
    await expect(write('POST', '/x', {})).rejects.toThrow('a hex has 6 digits');
    server.answerWith(() => ({ status: 200 }));
    await write('POST', '/x', {});
    expect(refusalNow()).toMatchObject({ detail: 'a hex has 6 digits' });
    setRefusal(null);
    server.answerWith(() => problem(409, 'changed', {}));
    await expect(write('PUT', '/x', {}, 1)).rejects.toThrow('changed');
    expect(refusalNow()).toBeNull();
  });
});

describe('undo and redo', () => {
  it('walk back and forth, and a new change forgets what was undone', async () => {
    const { remember, undo, redo } = await import('./undo.ts');
    const log: string[] = [];
    const change = (label: string) =>
      remember({
        label,
        undo: () => Promise.resolve(log.push(`-${label}`)),
        redo: () => Promise.resolve(log.push(`+${label}`)),
      });
    change('a');
    change('b');
    expect(await undo()).toBe('b');
    expect(await undo()).toBe('a');
    expect(await undo()).toBeNull();
    expect(await redo()).toBe('a');
    change('c');
    expect(await redo()).toBeNull();
    expect(await undo()).toBe('c');
    expect(log).toEqual(['-b', '-a', '+a', '-c']);
  });

  it('take back in one, and in reverse, what was done together', async () => {
    const { remember, together, forget, undo, redo, undoLabel } = await import('./undo.ts');
    const log: string[] = [];
    const part = (label: string) => ({
      label,
      undo: () => Promise.resolve(log.push(`-${label}`)),
      redo: () => Promise.resolve(log.push(`+${label}`)),
    });
    remember(part('first'));
    const both = together('both');
    both(part('a'));
    both(part('b'));
    expect(await undo()).toBe('both');
    expect(await redo()).toBe('both');
    expect(log).toEqual(['-b', '-a', '+a', '+b']);
    const half = together('half');
    const refused = part('d');
    half(part('c'));
    half(refused);
    forget(refused);
    expect(undoLabel()).toBe('half');
    await undo();
    expect(log.slice(4)).toEqual(['-c']);
    expect(undoLabel()).toBe('both');
    await undo();
    expect(undoLabel()).toBe('first');
  });

  it('keep what could not be taken back, in its place', async () => {
    const { remember, forgetAll, undo, redo, undoLabel } = await import('./undo.ts');
    forgetAll();
    let isRefused = true;
    const send = () => (isRefused ? Promise.reject(new Error('refused')) : Promise.resolve());
    remember({ label: 'first', undo: () => Promise.resolve(), redo: () => Promise.resolve() });
    remember({ label: 'second', undo: send, redo: send });
    await expect(undo()).rejects.toThrow('refused');
    expect(undoLabel()).toBe('second');
    expect(await redo()).toBeNull();
    isRefused = false;
    expect(await undo()).toBe('second');
    isRefused = true;
    await expect(redo()).rejects.toThrow('refused');
    expect(undoLabel()).toBe('first');
    isRefused = false;
    expect(await redo()).toBe('second');
  });
});

describe('request', () => {
  it('turns answers into values, problems and silence', async () => {
    const { request } = await import('./request.ts');
    const answer = (status: number, body: string) =>
      vi.stubGlobal('fetch', () => Promise.resolve(new Response(status === 204 ? null : body, { status })));
    answer(200, '{"a":1}');
    await expect(request('GET', '/x')).resolves.toEqual({ a: 1 });
    answer(204, '');
    await expect(request('DELETE', '/x')).resolves.toBeUndefined();
    answer(409, '{"type":"about:blank","title":"Changed","status":409,"detail":"elsewhere"}');
    await expect(request('PUT', '/x', { body: {} })).rejects.toMatchObject({
      problem: { status: 409, detail: 'elsewhere' },
    });
    answer(502, '<html>bad gateway</html>');
    await expect(request('GET', '/x')).rejects.toMatchObject({
      problem: { status: 502, title: 'The server refused' },
    });
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed')));
    await expect(request('GET', '/x')).rejects.toThrow('cannot be reached');
  });
});
