import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal('window', { addEventListener: () => undefined });
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('saving', () => {
  it('tries again while the server is away and gives the answer when it is back', async () => {
    const { saving } = await import('./saving.ts');
    const { Unreachable } = await import('./request.ts');
    let tries = 0;
    const result = saving(() => {
      tries++;
      return tries < 3 ? Promise.reject(new Unreachable('away')) : Promise.resolve('kept');
    });
    await vi.advanceTimersByTimeAsync(10_000);
    await expect(result).resolves.toBe('kept');
    expect(tries).toBe(3);
  });

  it('tells when nothing is on its way any more, whether it was taken or refused', async () => {
    const { saving, savesSettled } = await import('./saving.ts');
    await savesSettled();
    const ends: (() => void)[] = [];
    const held = () => saving(() => new Promise<void>((resolve) => ends.push(resolve)));
    const refused = saving(() => new Promise((_, reject) => ends.push(() => reject(new Error('no')))));
    void refused.catch(() => undefined);
    void held();
    let isSettled = false;
    void savesSettled().then(() => (isSettled = true));
    ends[0]!();
    await vi.advanceTimersByTimeAsync(10);
    expect(isSettled).toBe(false);
    ends[1]!();
    await vi.advanceTimersByTimeAsync(10);
    expect(isSettled).toBe(true);
  });

  it('hands a refusal on at once', async () => {
    const { saving } = await import('./saving.ts');
    const { RequestProblem } = await import('./request.ts');
    const problem = { type: 'about:blank', title: 'No', status: 400, detail: 'a hex has 6 digits' };
    await expect(saving(() => Promise.reject(new RequestProblem(problem)))).rejects.toThrow(
      'a hex has 6 digits',
    );
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
    await expect(request('PUT', '/x', {})).rejects.toMatchObject({
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
