import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AFTER_MS, prefetchViews } from './prefetchViews.ts';

describe('scripts of views that were not opened yet', () => {
  const asked: string[] = [];
  let away: string | null = null;
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('fetch', (path: string, { signal }: RequestInit) => {
      asked.push(path);
      if (signal?.aborted) return Promise.reject(new DOMException('left', 'AbortError'));
      if (path === away) return Promise.reject(new TypeError('Failed to fetch'));
      return Promise.resolve(
        path === '/views.json'
          ? Response.json(['assets/a.js', 'assets/b.js', 'assets/c.js'])
          : new Response('x'),
      );
    });
  });
  afterEach(() => {
    asked.length = 0;
    away = null;
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });

  it('are fetched one after the other, once the page itself is there', async () => {
    prefetchViews();
    await vi.advanceTimersByTimeAsync(AFTER_MS - 1);
    expect(asked).toEqual([]);
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toEqual(['/views.json', '/assets/a.js', '/assets/b.js', '/assets/c.js']);
  });

  it('are left once one does not come: the server is away', async () => {
    away = '/assets/b.js';
    prefetchViews();
    await vi.advanceTimersByTimeAsync(AFTER_MS + 5000);
    expect(asked).toEqual(['/views.json', '/assets/a.js', '/assets/b.js']);
  });

  it('are left with the page', async () => {
    const leave = prefetchViews();
    leave();
    await vi.advanceTimersByTimeAsync(AFTER_MS + 5000);
    expect(asked).toEqual([]);
  });
});
