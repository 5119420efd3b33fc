// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useTask } from './useTask.ts';

/** Workers that were started; nothing runs in them: the test answers in their place. */
class StandInWorker extends EventTarget {
  ended = false;
  onerror: (() => void) | null = null;
  postMessage = () => undefined;
  terminate = () => void (this.ended = true);
}

interface Ask {
  question: string;
  tell: (progress: number) => void;
  answer: (text: string) => void;
  fail: (error: Error) => void;
}

describe('a task in a worker', () => {
  let workers: StandInWorker[];
  let asks: Ask[];
  beforeEach(() => {
    vi.useFakeTimers();
    workers = [];
    asks = [];
  });
  afterEach(() => vi.useRealTimers());

  const start = (first: string | undefined, more: { settleMs?: number; keeps?: boolean } = {}) =>
    renderHook(
      ({ question }: { question: string | undefined }) =>
        useTask<object, string>({
          question,
          worker: () => {
            workers.push(new StandInWorker());
            return workers.at(-1) as unknown as Worker;
          },
          work: (_, tell) =>
            new Promise((answer, fail) => asks.push({ question: question!, tell, answer, fail })),
          ...more,
        }),
      { initialProps: { question: first } },
    );
  const pass = (ms = 0) => act(() => vi.advanceTimersByTimeAsync(ms));

  it('is idle without a question, works, tells how far it is, and answers', async () => {
    const { result, rerender } = start(undefined);
    expect(result.current.state).toEqual({ kind: 'idle' });
    rerender({ question: 'one' });
    await pass();
    expect(result.current.state).toEqual({ kind: 'working', progress: undefined });
    act(() => asks[0]!.tell(0.4));
    expect(result.current.state).toEqual({ kind: 'working', progress: 0.4 });
    asks[0]!.answer('first');
    await pass();
    expect(result.current.state).toMatchObject({ kind: 'answered', answer: 'first' });
    expect(workers.map(({ ended }) => ended)).toEqual([true]);
    // Progress that comes after its answer is no news.
    act(() => asks[0]!.tell(0.9));
    expect(result.current.state.kind).toBe('answered');
  });

  it('drops what an earlier question is told, and shows the newest answer meanwhile', async () => {
    const { result, rerender } = start('one');
    await pass();
    asks[0]!.answer('first');
    await pass();
    rerender({ question: 'two' });
    await pass();
    expect(result.current).toMatchObject({ state: { kind: 'working' }, newest: 'first' });
    rerender({ question: 'three' });
    await pass();
    expect(workers.map(({ ended }) => ended)).toEqual([true, true, false]);
    asks[1]!.tell(0.5);
    asks[1]!.answer('second');
    await pass();
    expect(result.current).toMatchObject({
      state: { kind: 'working', progress: undefined },
      newest: 'first',
    });
    asks[2]!.answer('third');
    await pass();
    expect(result.current.newest).toBe('third');
  });

  it('waits until a question stands', async () => {
    const { rerender } = start('one', { settleMs: 100 });
    await pass(60);
    rerender({ question: 'two' });
    await pass(60);
    expect(asks).toEqual([]);
    await pass(60);
    expect(asks.map(({ question }) => question)).toEqual(['two']);
  });

  it('is cancelled, also before it began, and begins again', async () => {
    const { result } = start('one', { settleMs: 100 });
    act(() => result.current.cancel());
    await pass(200);
    expect(asks).toEqual([]);
    expect(result.current.state).toEqual({ kind: 'cancelled' });
    act(() => result.current.again());
    await pass(100);
    act(() => result.current.cancel());
    expect(workers[0]!.ended).toBe(true);
    asks[0]!.answer('late');
    await pass();
    expect(result.current.state).toEqual({ kind: 'cancelled' });
    act(() => result.current.again());
    await pass(100);
    asks[1]!.answer('at last');
    await pass();
    expect(result.current.state).toMatchObject({ kind: 'answered', answer: 'at last' });
  });

  it('says what failed, also where the worker cannot be started', async () => {
    const { result, rerender } = start('one');
    await pass();
    asks[0]!.fail(new Error('no such paint'));
    await pass();
    expect(result.current.state).toEqual({ kind: 'failed', message: 'no such paint' });
    rerender({ question: 'two' });
    await pass();
    act(() => workers[1]!.onerror!());
    expect(result.current.state).toMatchObject({
      kind: 'failed',
      message: expect.stringMatching(/could not be started/) as string,
    });
    expect(workers[1]!.ended).toBe(true);
  });

  it('keeps its worker for the next question where it is told to, unless it is busy', async () => {
    const { rerender, unmount } = start('one', { keeps: true });
    await pass();
    asks[0]!.answer('first');
    await pass();
    rerender({ question: 'two' });
    await pass();
    expect(workers).toHaveLength(1);
    rerender({ question: 'three' });
    await pass();
    expect(workers.map(({ ended }) => ended)).toEqual([true, false]);
    unmount();
    expect(workers.map(({ ended }) => ended)).toEqual([true, true]);
  });
});
