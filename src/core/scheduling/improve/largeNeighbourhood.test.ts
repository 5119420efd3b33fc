import { describe, expect, it } from 'vitest';
import { tails } from '../construct/priorityRule.ts';
import { scheduleOperations } from '../../plan/index.ts';
import { seededRandom } from '../../seededRandom.ts';
import { insertBlocks } from '../construct/blockInsertion.ts';
import { largeNeighbourhoodSearch } from './largeNeighbourhood.ts';
import { randomInstance } from '../randomInstance.ts';
import { indexInstance } from '../model/instance.ts';
import { verifySchedule } from '../model/verifySchedule.ts';

/** Takes blocks out and puts them back so many times; all that came of it. */
function improve(seed: number, size: number, steps: number, heat: number) {
  const instance = randomInstance(seed, size, 300);
  const indexed = indexInstance(instance);
  const { operations } = indexed;
  const finishOf = (starts: ArrayLike<number>) =>
    Math.max(...operations.map(({ hands, dry }, at) => starts[at]! + hands + dry));
  const first = insertBlocks(indexed, tails(indexed))!.slice();
  const found: Int32Array[] = [];
  let done = 0;
  largeNeighbourhoodSearch(indexed, first, tails(indexed), seededRandom(seed), {
    energyOf: (starts, setupMinutes) => {
      done++;
      return finishOf(starts) + setupMinutes;
    },
    heat,
    progress: () => done / steps,
    over: () => done >= steps,
    improved: (starts) => found.push(starts.slice()),
  });
  return { instance, indexed, first, found, finishOf };
}

describe('reinsert', () => {
  it('calls only for schedules that keep every rule, each better than the one before', () => {
    let improved = 0;
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const { instance, indexed, first, found, finishOf } = improve(seed, 40, 1500, 50);
      improved += found.length;
      for (const made of found) {
        const starts = Object.fromEntries(indexed.operations.map(({ id }, at) => [id, made[at]!]));
        const problems = verifySchedule(instance, { starts, finish: finishOf(made), setupMinutes: 0 });
        expect(problems.filter((problem) => !problem.startsWith('set-up adds up'))).toEqual([]);
      }
      const last = found.at(-1);
      if (last) expect(finishOf(last)).toBeLessThanOrEqual(finishOf(first));
    }
    expect(improved).toBeGreaterThan(20);
  });

  it('brings the finish well below that of the first plan', () => {
    const gains = [1, 2, 3, 4].map((seed) => {
      const { first, found, finishOf } = improve(seed, 60, 4000, 50);
      return finishOf(found.at(-1) ?? first) / finishOf(first);
    });
    expect(Math.min(...gains)).toBeLessThan(0.97);
    expect(Math.max(...gains)).toBeLessThanOrEqual(1);
  });

  it('does the same again from the same seed', () => {
    const [one, other] = [improve(9, 30, 600, 20), improve(9, 30, 600, 20)];
    expect(one.found.length).toBeGreaterThan(0);
    expect(one.found).toEqual(other.found);
  });
});

describe('scheduleOperations on larger plans', () => {
  it('keeps an improvement of the finish in as many tries, and stays the same for one seed', () => {
    const instance = randomInstance(12, 120, 300);
    const few = scheduleOperations(instance, { evaluations: 30, timeMs: 1e9 });
    const many = scheduleOperations(instance, { evaluations: 6000, timeMs: 1e9 });
    expect(many.finish).toBeLessThan(few.finish);
    expect(scheduleOperations(instance, { evaluations: 6000, timeMs: 1e9 })).toEqual(many);
  });
});
