import { afterAll, describe, expect, it } from 'vitest';
import type { PaintRecord } from '../../api/index.ts';
import { isFromBuild, lessonsFor, productIndex } from '../../core/kit/index.ts';
import { longestSessions, stepsOfBuild } from '../../core/plan/index.ts';
import { testBench } from '../testBench.ts';

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
      const parade = builds.filter(({ kit }) => kit.end === null);
      const days = parade.map(({ kit }) => new Date(`${kit.plan.deadline}T12:00`));
      // Founders’ Day is a Saturday, seven and a half weeks off.
      expect(days.map((day) => day.getDay())).toEqual([6, 6, 6]);
      const weeks = days.map((day) => (day.getTime() - bench.now) / (7 * 86_400_000));
      [7.5, 14.5, 11.5].forEach((wanted, build) =>
        expect(Math.abs(weeks[build]! - wanted)).toBeLessThan(0.6),
      );
      const going = new Set(parade.map(({ id }) => id));
      const ago = steps
        .filter(({ buildId }) => going.has(buildId))
        .map(({ endedAt }) => bench.now / 3_600_000 - endedAt / 60);
      expect(Math.min(...ago)).toBeGreaterThanOrEqual(0);
      expect(Math.max(...ago)).toBeLessThan(24 * 30);
    },
  );

  it('has a build that was finished before: every step in its order, none beside another, and what it taught comes back', async () => {
    const bench = testBench(STARTS[0]!);
    benches.push(bench);
    await bench.listen(true);
    const snapshot = await bench.snapshot();
    const [saloon, ...others] = snapshot.builds.filter(({ kit }) => kit.end === 'finished');
    expect(others).toEqual([]);
    const ends = new Map(
      snapshot.steps
        .filter(({ buildId }) => buildId === saloon!.id)
        .map(({ operationId, endedAt, minutes }) => [
          operationId,
          { start: endedAt - minutes, end: endedAt },
        ]),
    );
    const { plan, faults } = stepsOfBuild(saloon!, {
      products: productIndex((await bench.call<PaintRecord[]>('GET', '/api/paints')).body),
      codes: new Map(),
      conditions: snapshot.settings.conditions,
      longestSession: longestSessions(snapshot.settings.calendar.sessions).spraying,
      lessons: [],
    });
    expect(faults).toEqual([]);
    expect(plan.operations.filter(({ id }) => !ends.has(id))).toEqual([]);
    for (const { from, to, minLag } of plan.arcs)
      expect(ends.get(to)!.start - ends.get(from)!.end, `${from} then ${to}`).toBeGreaterThanOrEqual(minLag);
    const inOrder = [...ends.values()].sort((a, b) => a.start - b.start);
    for (const [at, { start }] of inOrder.entries())
      expect(start).toBeGreaterThanOrEqual(inOrder[at - 1]?.end ?? 0);
    const coupe = snapshot.builds.find(({ id }) => id === 'tolliver')!;
    const back = lessonsFor(
      snapshot.lessons.filter((lesson) => isFromBuild(lesson, saloon!.name)),
      {
        kit: `${coupe.name} ${coupe.subject}`,
        partNames: coupe.trays.flatMap(({ parts }) => parts.map(({ name }) => name)),
        materials: [],
        stepKind: null,
      },
    );
    expect(back.map(({ id }) => id)).toEqual(['lesson-hood', 'lesson-conflict-saloon-evidence-1']);
  });
});
