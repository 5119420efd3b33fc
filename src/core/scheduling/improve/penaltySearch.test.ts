import { describe, expect, it } from 'vitest';
import { candidateOf } from '../model/candidate.ts';
import { tails } from '../construct/priorityRule.ts';
import { scheduleOperations } from '../../plan/index.ts';
import { seededRandom } from '../../seededRandom.ts';
import { insertBlocks } from '../construct/blockInsertion.ts';
import { randomInstance } from '../randomInstance.ts';
import { indexInstance, type ScheduleInstance } from '../model/instance.ts';
import { penaltySearch } from './penaltySearch.ts';
import { sparingSession } from './targetBisection.ts';
import { verifySchedule } from '../model/verifySchedule.ts';

/** Squeezes a first plan into a finish, in so many moves. */
function squeezed(instance: ScheduleInstance, target: number, moves: number, setupMinutes = Infinity) {
  const indexed = indexInstance(instance);
  const first = insertBlocks(indexed, tails(indexed))!.slice();
  const goal = { finish: target, setupMinutes };
  return penaltySearch(indexed, first, goal, seededRandom(1), (move) => move / moves);
}

function finishOf({ operations }: ScheduleInstance, starts: ArrayLike<number>): number {
  return Math.max(...operations.map(({ hands, dry }, i) => starts[i]! + hands + dry));
}

/** What breaks a rule; the set-up is given as nobody has added it up. */
function faultsOf(instance: ScheduleInstance, made: ArrayLike<number>): string[] {
  const starts = Object.fromEntries(instance.operations.map(({ id }, i) => [id, made[i]!]));
  const result = { starts, finish: finishOf(instance, made), setupMinutes: 0 };
  return verifySchedule(instance, result).filter((problem) => !problem.startsWith('set-up adds up'));
}

describe('squeeze', () => {
  it('finds the earliest finish of small plans from a first plan, and nothing that would end sooner', () => {
    let found = 0;
    for (let seed = 1; seed <= 25; seed++) {
      const instance = randomInstance(seed, 9);
      const best = scheduleOperations(instance, { timeMs: 20_000 });
      expect(best.optimal).toBe(true);
      expect(squeezed(instance, best.finish - 1, 3000)).toBeUndefined();
      const made = squeezed(instance, best.finish, 30_000);
      if (!made) continue;
      found++;
      expect(faultsOf(instance, made)).toEqual([]);
      expect(finishOf(instance, made)).toBe(best.finish);
    }
    expect(found).toBeGreaterThanOrEqual(24);
  });

  it('keeps every rule in what it finds, a session below the plan it began with', () => {
    let found = 0;
    for (let seed = 1; seed <= 24; seed++) {
      const instance = randomInstance(seed, 40);
      const indexed = indexInstance(instance);
      const target = sparingSession(indexed, insertBlocks(indexed, tails(indexed))!);
      const made = squeezed(instance, target, 100_000);
      if (!made) continue;
      found++;
      expect(faultsOf(instance, made)).toEqual([]);
      expect(finishOf(instance, made)).toBeLessThanOrEqual(target);
    }
    expect(found).toBeGreaterThanOrEqual(6);
  });

  it('saves set-up at the same finish, and no more than can be saved', () => {
    let saved = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const instance = randomInstance(seed, 9);
      const { finish, setupMinutes } = scheduleOperations(instance, { timeMs: 20_000 });
      expect(squeezed(instance, finish, 3000, setupMinutes - 1)).toBeUndefined();
      const made = squeezed(instance, finish, 60_000, setupMinutes);
      if (!made) continue;
      saved++;
      const found = candidateOf(indexInstance(instance), made);
      expect(found).toMatchObject({ finish, setupMinutes });
    }
    expect(saved).toBeGreaterThanOrEqual(11);
  });

  it('keeps what is pinned or due to start within a time', () => {
    let reached = 0;
    for (let seed = 1; seed <= 5; seed++) {
      const instance = randomInstance(seed, 30);
      const { starts, finish } = scheduleOperations(instance, { evaluations: 2000, timeMs: 1e9 });
      const pinned = instance.operations[12]!;
      pinned.earliest = pinned.latest = starts[pinned.id]!;
      const made = squeezed(instance, finish, 100_000);
      if (!made) continue;
      reached++;
      expect(made[12]).toBe(starts[pinned.id]);
      expect(faultsOf(instance, made)).toEqual([]);
    }
    expect(reached).toBeGreaterThan(2);
  });

  it('takes what a recoat window ties together over weeks without a session as one', () => {
    const step = (id: string) => ({ id, hands: 60, family: null, dry: 0 });
    const instance: ScheduleInstance = {
      ...randomInstance(1, 2),
      windows: [
        [0, 120],
        [20_000, 20_120],
      ],
      // The two coats lie where the others must: moved alone, one would lie three weeks from the other.
      operations: [step('coat'), step('next coat'), step('one'), step('other')].map((operation, i) =>
        i < 2 ? operation : { ...operation, latest: 19_990 },
      ),
      arcs: [{ from: 'coat', to: 'next coat', minLag: 0, maxLag: 30 }],
    };
    const indexed = indexInstance(instance);
    const goal = { finish: 20_120, setupMinutes: Infinity };
    const begun = [0, 60, 20_000, 20_060];
    for (let seed = 1; seed <= 8; seed++) {
      const made = penaltySearch(indexed, begun, goal, seededRandom(seed), (move) => move / 20_000);
      expect([...made!].map((start) => start >= 20_000)).toEqual([true, true, false, false]);
      expect(faultsOf(instance, made!)).toEqual([]);
    }
  });

  it('does not begin where a chain of lags ends later', () => {
    const instance = randomInstance(5, 20);
    let asked = 0;
    const indexed = indexInstance(instance);
    const first = insertBlocks(indexed, tails(indexed))!;
    expect(
      penaltySearch(indexed, first, { finish: 1500, setupMinutes: Infinity }, seededRandom(1), () => ++asked),
    ).toBeUndefined();
    expect(asked).toBe(0);
  });
});

describe('scheduleOperations on plans of 60 steps', () => {
  // All work just fits into these sessions: whoever leaves a quarter of an hour unused needs one more, a day or two on.
  it.each([
    [50, 14_315],
    [53, 15_645],
    [44, 14_225],
  ])('spares the last session where all work just fits (%i)', (seed, finish) => {
    const made = scheduleOperations(randomInstance(seed, 60), { evaluations: 15_000, timeMs: 1e9 });
    expect(made.finish).toBeLessThanOrEqual(finish);
  });
});
