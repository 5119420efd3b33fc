import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priorityRuleOrder, shaken, tails } from './priorityRule.ts';
import { serialGeneration } from './serialGeneration.ts';
import { earliestStarts, finishBound, latestStarts, setupBound } from '../model/bounds.ts';
import { breaksTie, indexInstance, type ScheduleInstance } from '../model/instance.ts';
import { seededRandom } from '../../seededRandom.ts';

/** Trays of three coats each; the coats are tied by a window of two hours. */
function coats(trays: number): ScheduleInstance {
  const ids = Array.from({ length: trays }, (_, tray) => [1, 2, 3].map((coat) => `t${tray}c${coat}`));
  return {
    format: 'kit-schedule-instance',
    version: 1,
    name: 'coats',
    windows: Array.from({ length: 40 }, (_, day): [number, number] => [1440 * day + 1170, 1440 * day + 1290]),
    operations: ids.flatMap((tray, index) =>
      tray.map((id) => ({ id, hands: 8, family: index % 2 ? 'red' : 'blue', dry: 60 })),
    ),
    arcs: ids.flatMap(([first, second, third]) => [
      { from: first!, to: second!, minLag: 30, maxLag: 90 },
      { from: second!, to: third!, minLag: 30, maxLag: 90 },
    ]),
    setup: {
      newWindow: 5,
      combine: 'max',
      families: ['red', 'blue'],
      change: [
        [0, 6],
        [6, 0],
      ],
    },
  };
}

describe('dispatchOrder', () => {
  it('keeps the arcs and, coats tied by windows, can mostly be decoded at once', () => {
    let failed = 0;
    for (let seed = 1; seed <= 30; seed++) {
      const indexed = indexInstance(coats(2 + (seed % 5)));
      const order = priorityRuleOrder(
        indexed,
        shaken(tails(indexed), seed === 1 ? 0 : 0.6, seededRandom(seed)),
      );
      const position = new Map(order.map((operation, at) => [operation, at]));
      indexed.preds.forEach((arcs, operation) => {
        for (const { other } of arcs) expect(position.get(other)).toBeLessThan(position.get(operation)!);
      });
      if (!serialGeneration(indexed, latestStarts(indexed, finishBound(indexed)))(order)) failed++;
    }
    expect(failed).toBeLessThanOrEqual(10);
  });

  it('gives the longest tail to the first of a chain', () => {
    const indexed = indexInstance(coats(1));
    expect(tails(indexed)).toEqual([8 + 30 + 8 + 30 + 8 + 60, 8 + 30 + 8 + 60, 8 + 60]);
  });
});

describe('breaksTie', () => {
  const indexed = indexInstance(coats(1));

  it('sees that the next coat would miss its window', () => {
    expect(breaksTie(indexed, 0, 1170, 0)).toBe(false);
    expect(breaksTie(indexed, 0, 1275, 0)).toBe(true);
    expect(breaksTie(indexed, 2, 1275, 0)).toBe(false);
  });
});

describe('bounds', () => {
  it('lie below every decoded schedule, and starts between earliest and decoded', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 1000 }), (trays, seed) => {
        const indexed = indexInstance(coats(trays));
        const bound = finishBound(indexed);
        const decoded = serialGeneration(
          indexed,
          latestStarts(indexed, bound),
        )(priorityRuleOrder(indexed, shaken(tails(indexed), 0.5, seededRandom(seed))));
        if (!decoded) return;
        expect(bound).toBeLessThanOrEqual(decoded.finish);
        expect(setupBound(indexed)).toBeLessThanOrEqual(decoded.setupMinutes);
        earliestStarts(indexed).forEach((start, operation) => {
          expect(start).toBeLessThanOrEqual(decoded.starts[operation]!);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('are met by a single chain', () => {
    const indexed = indexInstance(coats(1));
    const decoded = serialGeneration(indexed, latestStarts(indexed, 0))([0, 1, 2])!;
    expect(decoded.finish).toBe(finishBound(indexed));
    expect(decoded.setupMinutes).toBe(setupBound(indexed));
    expect([...decoded.starts]).toEqual([1175, 1213, 1251]);
  });
});
