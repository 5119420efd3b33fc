import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextAfter, nextOf, readSkipped, skip } from './skipped.ts';

const evening = new Date(2026, 4, 12, 19, 30).getTime() / 60000;

describe('steps put off', () => {
  const kept = new Map<string, string>();

  beforeEach(() => {
    kept.clear();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    });
  });

  it('are kept for the day, each once, and forgotten on the next', () => {
    expect([...readSkipped(evening)]).toEqual([]);
    skip(evening, 'a');
    skip(evening + 40, 'b');
    skip(evening + 50, 'a');
    expect([...readSkipped(evening + 90)]).toEqual(['a', 'b']);
    expect([...readSkipped(evening + 1440)]).toEqual([]);
    skip(evening + 1440, 'c');
    expect([...readSkipped(evening + 1440)]).toEqual(['c']);
  });

  it('are none where what was kept cannot be read', () => {
    kept.set('fanfare.skipped', '{"day":');
    expect([...readSkipped(evening)]).toEqual([]);
    skip(evening, 'a');
    expect([...readSkipped(evening)]).toEqual(['a']);
  });

  it('come after all others, and again once only they are left', () => {
    const steps = ['a', 'b', 'c'].map((id) => ({ operation: { id } }));
    expect(nextOf(steps, new Set())).toBe(steps[0]);
    expect(nextOf(steps, new Set(['a', 'b']))).toBe(steps[2]);
    expect(nextOf(steps, new Set(['a', 'b', 'c']))).toBe(steps[0]);
    // From the last on it goes round to what was not put off; one that is on no list leads to the top.
    expect(nextAfter(steps, 0, new Set(['a']))).toBe(steps[1]);
    expect(nextAfter(steps, 2, new Set(['a', 'c']))).toBe(steps[1]);
    expect(nextAfter(steps, 2, new Set(['a', 'b', 'c']))).toBe(steps[0]);
    expect(nextAfter(steps, -1, new Set(['a']))).toBe(steps[1]);
    expect(nextAfter(steps.slice(0, 1), 0, new Set(['a']))).toBeUndefined();
    expect(nextOf<(typeof steps)[number]>([], new Set(['a']))).toBeUndefined();
  });
});
