import { describe, expect, it } from 'vitest';
import type { BenchSnapshot } from '../../api/index.ts';
import { beginFrom, isOn, leaveSoFar, takeSoFar, type LongerLook, type SoFar } from './longerLook.ts';

const bench = {
  now: 0,
  demo: false,
  builds: [],
  steps: [],
  lessons: [],
  settings: {},
  plan: { version: 3 },
} as unknown as BenchSnapshot;
const withPlan = (version: number) => ({ ...bench, plan: { ...bench.plan, version } });
const soFar: SoFar = { starts: { 'build/wash': 60 }, longer: true, version: 3 };

/** A browser's store with room for so many letters. */
function storeOf(room = Infinity) {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    removeItem: (key: string) => void kept.delete(key),
    setItem: (key: string, text: string) => {
      if (text.length > room) throw new DOMException('full', 'QuotaExceededError');
      kept.set(key, text);
    },
  };
}

describe('a longer look', () => {
  it('goes on while only the stored plan changes', () => {
    expect(isOn({ bench }, bench)).toBe(true);
    expect(isOn({ bench }, withPlan(4))).toBe(true);
  });

  it('ends with any change of the bench', () => {
    for (const change of [{ builds: [] }, { steps: [] }, { lessons: [] }, { settings: {} }, { now: 1 }])
      expect(isOn({ bench }, { ...bench, ...change } as BenchSnapshot), JSON.stringify(change)).toBe(false);
  });

  it('that has found its plan stays on until that is stored', () => {
    const ended: LongerLook = { bench, replaces: 3 };
    expect(isOn(ended, withPlan(3))).toBe(true);
    expect(isOn(ended, withPlan(4))).toBe(false);
  });
});

describe('what a search had found when its page was left', () => {
  it('is taken up once', () => {
    const store = storeOf();
    leaveSoFar(soFar, store);
    expect(takeSoFar(store)).toEqual(soFar);
    expect(takeSoFar(store)).toBeNull();
  });

  it('is let go where the browser has no room for it, without harm', () => {
    const store = storeOf(10);
    expect(() => leaveSoFar(soFar, store)).not.toThrow();
    expect(takeSoFar(store)).toBeNull();
  });

  it('is let go where it cannot be read, and does not come back', () => {
    const store = storeOf();
    leaveSoFar(soFar, { setItem: (key, text) => store.setItem(key, text.slice(0, 9)) });
    expect(takeSoFar(store)).toBeNull();
    leaveSoFar(soFar, store);
    expect(takeSoFar(store)).toEqual(soFar);
  });

  it('is gone on from only where no other plan was stored since', () => {
    expect(beginFrom(soFar, { version: 3 })).toBe(soFar);
    expect(beginFrom(soFar, { version: 4 })).toBeNull();
    expect(beginFrom(null, { version: 3 })).toBeNull();
  });
});
