import { afterAll, describe, expect, it } from 'vitest';
import { testBench } from './testBench.ts';

/** When the scenario was written, half a year later, and two years and a day later. */
const STARTS = [Date.UTC(2026, 4, 12, 17, 32), Date.UTC(2026, 10, 15, 9), Date.UTC(2028, 4, 13, 20)];

describe('the sample bench, first started on any day', () => {
  const benches = STARTS.map((now) => testBench(now));
  afterAll(() => Promise.all(benches.map((bench) => bench.remove())));

  it.each(STARTS.map((start, at) => [new Date(start).toISOString(), at] as const))(
    'has as long to its days as ever: %s',
    async (_, at) => {
      const bench = benches[at]!;
      await bench.listen(true);
      const { builds, steps } = await bench.snapshot();
      const days = builds.map(({ kit }) => new Date(`${kit.plan.deadline}T12:00`));
      // Founders’ Day is a Saturday, seven and a half weeks off.
      expect(days.map((day) => day.getDay())).toEqual([6, 6, 6]);
      const weeks = days.map((day) => (day.getTime() - bench.now) / (7 * 86_400_000));
      [7.5, 14.5, 11.5].forEach((wanted, build) =>
        expect(Math.abs(weeks[build]! - wanted)).toBeLessThan(0.6),
      );
      const ago = steps.map(({ endedAt }) => bench.now / 3_600_000 - endedAt / 60);
      expect(Math.min(...ago)).toBeGreaterThanOrEqual(0);
      expect(Math.max(...ago)).toBeLessThan(24 * 30);
    },
  );
});
