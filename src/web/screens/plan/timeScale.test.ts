import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { timeScale } from './timeScale.ts';

const sessions = [
  { start: 100, end: 220 },
  { start: 1540, end: 1660 },
  { start: 8740, end: 8920 },
];

describe('timeScale', () => {
  const scale = timeScale(sessions, 0, 10000);

  it('draws sessions wide and the hours between them narrow', () => {
    const rate = (from: number, to: number) => (scale.x(to) - scale.x(from)) / (to - from);
    expect(rate(100, 220)).toBeGreaterThan(20 * rate(300, 1500));
    expect(scale.stretches.filter(({ session }) => session)).toHaveLength(3);
  });

  it('never runs backwards and stays within its width', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -500, max: 12000 }),
        fc.integer({ min: 0, max: 5000 }),
        (minute, later) => {
          expect(scale.x(minute + later)).toBeGreaterThanOrEqual(scale.x(minute));
          expect(scale.x(minute)).toBeGreaterThanOrEqual(0);
          expect(scale.x(minute)).toBeLessThanOrEqual(scale.width + 1e-9);
        },
      ),
    );
  });

  it('begins in the middle of a running session and leaves out what is past', () => {
    const running = timeScale(sessions, 160, 2000);
    expect(running.stretches[0]).toMatchObject({ from: 160, to: 220, session: true, x: 0 });
    expect(running.stretches.at(-1)!.to).toBe(2000);
  });

  it('has room even without any session', () => {
    const none = timeScale([], 0, 600);
    expect(none.width).toBeGreaterThan(0);
    expect(none.x(300)).toBeCloseTo(none.width / 2, 6);
  });
});
