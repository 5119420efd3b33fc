import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  explainStarts,
  longestSessions,
  remainingWork,
  scheduleOperations,
  upcomingSessions,
  verifySchedule,
  type ScheduleInstance,
} from './index.ts';
import { plainArc, plainOperation } from './plainPlan.ts';
import { randomInstance, withBooth } from '../scheduling/randomInstance.ts';

const isOpen = ({ windows, boothOpen }: ScheduleInstance, start: number) =>
  boothOpen![windows.findIndex(([from, to]) => start >= from && start < to)]!;

describe('sessions in which nothing can be sprayed', () => {
  it('hold no step that needs the booth, whatever the size of the plan', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 2, max: 40 }), (seed, size) => {
        const instance = withBooth(randomInstance(seed, size, 150), seed);
        const result = scheduleOperations(instance, { evaluations: 600, timeMs: 5000, seed });
        expect(verifySchedule(instance, result)).toEqual([]);
        for (const { id, needsBooth } of instance.operations) {
          if (needsBooth) expect(isOpen(instance, result.starts[id]!), id).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('never end a proved plan sooner than with the booth in every session', () => {
    let later = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const shut = withBooth(randomInstance(seed, 9), seed);
      const everywhere = scheduleOperations({ ...shut, boothOpen: undefined }, { timeMs: 20_000 });
      const some = scheduleOperations(shut, { timeMs: 20_000 });
      expect([everywhere.optimal, some.optimal]).toEqual([true, true]);
      expect(some.finish).toBeGreaterThanOrEqual(everywhere.finish);
      if (some.finish > everywhere.finish) later++;
    }
    expect(later).toBeGreaterThan(5);
  });

  it('are told apart by the independent check', () => {
    const instance: ScheduleInstance = {
      ...randomInstance(1, 1),
      windows: [
        [0, 60],
        [1440, 1500],
      ],
      boothOpen: [false, true],
      operations: [{ id: 'coat', hands: 20, family: null, dry: 0, needsBooth: true }],
      arcs: [],
    };
    const at = (start: number) =>
      verifySchedule(instance, { starts: { coat: start }, finish: start + 20, setupMinutes: 0 });
    expect(at(1440)).toEqual([]);
    expect(at(10)).toEqual(['coat needs the booth in a session without it']);
    expect(scheduleOperations(instance).starts).toEqual({ coat: 1440 });
  });

  it.each<[string, number, boolean[], RegExp]>([
    ['none has it', 20, [false, false], /"coat" needs the spray booth and no session has it/],
    [
      'it is too short',
      50,
      [true, false],
      /"coat" takes 50 min .* no session with the booth is longer than 30/,
    ],
  ])('say so where %s', (_, hands, boothOpen, message) => {
    const instance: ScheduleInstance = {
      ...randomInstance(1, 1),
      windows: [
        [0, 30],
        [1440, 1500],
      ],
      boothOpen,
      operations: [{ id: 'coat', hands, family: null, dry: 0, needsBooth: true }],
      arcs: [],
    };
    expect(() => scheduleOperations(instance)).toThrow(message);
  });

  it('come from the calendar: coats wait for Saturday, clean-up does not, and the reason is given', () => {
    const evening = { start: 1140, end: 1260 };
    const sessions = [
      { day: 2, ...evening, spraying: false },
      { day: 4, ...evening, spraying: false },
      { day: 6, start: 540, end: 660 },
    ];
    expect(longestSessions(sessions.slice(0, 2))).toEqual({ session: 120, spraying: 0 });
    // A Tuesday.
    const now = Math.round(new Date(2026, 4, 12, 19, 0).getTime() / 60000);
    const plan = {
      operations: [
        plainOperation('clean', { hands: 30 }),
        plainOperation('coat', { hands: 20, place: 'booth', family: 'red' }),
      ],
      arcs: [],
    };
    const coming = upcomingSessions({ sessions, closed: [] }, now, 14);
    const { instance } = remainingWork(plan, [], coming, now);
    const { starts } = scheduleOperations(instance);
    const dayOf = (id: string) => new Date((now + starts[id]!) * 60000).getDay();
    expect([dayOf('clean'), dayOf('coat')]).toEqual([2, 6]);
    expect(explainStarts(instance, starts, [], new Map()).get('coat')!.text).toMatch(
      /first session in which you can spray/,
    );
  });

  it('let a recoat window close that only an evening without the booth could have kept', () => {
    const now = Math.round(new Date(2026, 4, 12, 19, 0).getTime() / 60000);
    const plan = {
      operations: [
        plainOperation('first', { place: 'booth', family: 'red' }),
        plainOperation('second', { place: 'booth', family: 'red', hands: 15 }),
      ],
      arcs: [plainArc('first', 'second', 60, 300)],
    };
    const done = [{ operationId: 'first', endedAt: now - 60 }];
    const tonight = { start: now, end: now + 120 };
    const later = { start: now + 5000, end: now + 5120 };
    expect(remainingWork(plan, done, [tonight, later], now).missedWindows).toEqual([]);
    const without = remainingWork(plan, done, [{ ...tonight, spraying: false }, later], now);
    expect(without.missedWindows).toHaveLength(1);
  });
});
