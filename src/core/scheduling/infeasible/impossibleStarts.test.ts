import { describe, expect, it } from 'vitest';
import { impossibleStarts } from './impossibleStarts.ts';
import { randomInstance, withBooth } from '../randomInstance.ts';
import type { ScheduleInstance, ScheduleOperation } from '../model/instance.ts';
import { scheduleOperations } from '../scheduleOperations.ts';
import { seededRandom } from '../../seededRandom.ts';

describe('impossibleStarts', () => {
  const evenings = Array.from({ length: 10 }, (_, day): [number, number] => [1440 * day, 1440 * day + 120]);
  const chain = (
    operations: Pick<ScheduleOperation, 'id' | 'earliest' | 'latest'>[],
    lags: [minLag: number, maxLag: number | null][],
  ): ScheduleInstance => ({
    ...randomInstance(1, 1),
    windows: evenings,
    operations: operations.map((operation) => ({ hands: 20, family: null, dry: 0, ...operation })),
    arcs: lags.map(([minLag, maxLag], at) => ({
      from: operations[at]!.id,
      to: operations[at + 1]!.id,
      minLag,
      maxLag,
    })),
  });

  it('names what cannot be ready by then, and only that', () => {
    const steps = (latest: number) =>
      chain(
        [{ id: 'a' }, { id: 'b', latest }, { id: 'c' }],
        [
          [720, null],
          [0, null],
        ],
      );
    expect(impossibleStarts(steps(1439))).toEqual(['b']);
    expect(impossibleStarts(steps(1440))).toEqual([]);
  });

  it('knows that a window brings what opens it near, and that into a session', () => {
    // The third is held to the opening of an evening, and the second must end at most 60 min before it.
    const held = (start: number) =>
      chain(
        [{ id: 'a' }, { id: 'b' }, { id: 'c', earliest: start, latest: start }],
        [
          [0, null],
          [30, 60],
        ],
      );
    expect(impossibleStarts(held(1440))).toEqual(['c']);
    expect(impossibleStarts(held(1440 + 50))).toEqual([]);
    expect(impossibleStarts(held(1440 + 49))).toEqual(['c']);
  });

  it('names the second of two that need the hands at the same time', () => {
    const at = (first: number, second: number): ScheduleInstance => ({
      ...chain([{ id: 'a' }, { id: 'b' }], []),
      operations: [first, second].map((start, index) => ({
        id: 'ab'[index]!,
        hands: 20,
        family: null,
        dry: 0,
        earliest: start,
        latest: start,
      })),
      arcs: [],
    });
    expect(impossibleStarts(at(1440, 1440))).toEqual(['b']);
    expect(impossibleStarts(at(1459, 1440))).toEqual(['a']);
    expect(impossibleStarts(at(1460, 1440))).toEqual([]);
  });

  it('says nothing where nothing must start by a time', () => {
    expect(impossibleStarts(randomInstance(3, 30))).toEqual([]);
  });

  it('never names a step that some schedule starts in time', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const instance = withBooth(randomInstance(seed, 30, 90), seed);
      const { starts } = scheduleOperations(instance, { evaluations: 200, timeMs: 1e9, seed });
      const random = seededRandom(seed);
      const operations = instance.operations.map((operation) => {
        if (random() < 0.5) return operation;
        const start = starts[operation.id]!;
        return { ...operation, earliest: random() < 0.5 ? start : 0, latest: start };
      });
      expect(impossibleStarts({ ...instance, operations }), `seed ${seed}`).toEqual([]);
    }
  });
});
