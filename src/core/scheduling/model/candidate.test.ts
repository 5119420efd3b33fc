import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { candidateOf, isBetter } from './candidate.ts';
import { scheduleOperations, verifySchedule } from '../../plan/index.ts';
import { randomInstance } from '../randomInstance.ts';
import { indexInstance } from './instance.ts';

describe('candidateOf', () => {
  it('adds up what the independent check adds up, whatever the schedule', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 30 }), (seed, size) => {
        const instance = randomInstance(seed, size);
        instance.operations[0]!.due = 1300;
        const made = scheduleOperations(instance, { evaluations: 50, timeMs: 3000, seed });
        const starts = instance.operations.map(({ id }) => made.starts[id]!);
        const { finish, setupMinutes, overdue } = candidateOf(indexInstance(instance), starts);
        expect(verifySchedule(instance, { ...made, finish, setupMinutes })).toEqual([]);
        expect(overdue).toBe(made.overdue);
      }),
      { numRuns: 60 },
    );
  });
});

describe('isBetter', () => {
  const base = { ...candidateOf(indexInstance(randomInstance(1, 0)), []), finish: 100 };
  it.each([
    ['in time before an earlier finish', { finish: 90 }, { overdue: -1 }],
    ['an earlier finish before less set-up', { setupMinutes: -5 }, { finish: 99 }],
    ['less set-up before earlier work', { startSum: -50 }, { setupMinutes: -1 }],
    ['what weighs with the finish', { finish: 99 }, { weighted: -2 }],
  ])('puts %s', (_, lesser, greater) => {
    expect(isBetter({ ...base, ...greater }, { ...base, ...lesser })).toBe(true);
    expect(isBetter({ ...base, ...lesser }, { ...base, ...greater })).toBe(false);
    expect(isBetter(base, base)).toBe(false);
  });
});
