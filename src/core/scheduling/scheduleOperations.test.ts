import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { earliestFinish, scheduleOperations, verifySchedule, type ScheduleInstance } from '../plan/index.ts';
import { randomInstance, withBooth } from './randomInstance.ts';
import eight from './samples/small-02-n8.json';
import fifteen from './samples/small-16-n15.json';
import twelve from './samples/small-09-n12.json';

interface Sample {
  instance: ScheduleInstance;
  optimum: { finish: number; setupMinutes: number };
}
const SAMPLES = [eight, twelve, fifteen] as unknown as Sample[];

/** Every order of the operations that keeps the arcs, each placed as early as it fits; the least finish. Valid
 *  for instances without maximum lags, where starting early never hurts. */
function exhaustiveFinish(instance: ScheduleInstance): number {
  const { operations, arcs, windows, setup } = instance;
  let best = Infinity;
  const place = (
    done: Map<string, number>,
    now: number,
    lastFamily: string | null,
    lastWindow: number,
    finish: number,
  ) => {
    if (finish >= best) return;
    if (done.size === operations.length) {
      best = finish;
      return;
    }
    for (const { id, hands, family, dry } of operations) {
      const before = arcs.filter(({ to }) => to === id);
      if (done.has(id) || before.some(({ from }) => !done.has(from))) continue;
      const ready = Math.max(0, ...before.map(({ from, minLag }) => done.get(from)! + minLag));
      for (let w = 0; w < windows.length; w++) {
        const [opens, closes] = windows[w]!;
        let need = 0;
        if (family !== null) {
          if (lastFamily !== null && lastFamily !== family) {
            need = setup.change[setup.families.indexOf(lastFamily)]![setup.families.indexOf(family)]!;
          }
          if (lastWindow !== w) need = Math.max(need, setup.newWindow);
        }
        const start = Math.max(ready, Math.max(now, opens) + need);
        if (start + hands > closes) continue;
        place(
          new Map([...done, [id, start + hands]]),
          start + hands,
          family ?? lastFamily,
          family === null ? lastWindow : w,
          Math.max(finish, start + hands + dry),
        );
        break;
      }
    }
  };
  place(new Map(), 0, null, -1, 0);
  return best;
}

/** The best of every order and every session of each step, by plain relaxation of the starts: slow and simple. */
function everySchedule(instance: ScheduleInstance): { finish: number; setupMinutes: number } {
  const { operations, arcs, windows, setup } = instance;
  // Later sessions only make these small instances later still.
  const sessions = windows.slice(0, 14);
  let best = { finish: Infinity, setupMinutes: Infinity };
  const tryPlaces = (order: number[], places: number[]) => {
    let lastFamily: string | null = null;
    let familyPlace = -1;
    let setupMinutes = 0;
    const needs = order.map((index, at) => {
      const { family } = operations[index]!;
      if (family === null) return 0;
      const change =
        lastFamily === null
          ? 0
          : setup.change[setup.families.indexOf(lastFamily)]![setup.families.indexOf(family)]!;
      const need = familyPlace === places[at]! ? change : Math.max(change, setup.newWindow);
      lastFamily = family;
      familyPlace = places[at]!;
      setupMinutes += need;
      return need;
    });
    const starts = new Map<string, number>();
    order.forEach((index, at) => starts.set(operations[index]!.id, sessions[places[at]!]![0] + needs[at]!));
    const hands = new Map(operations.map((operation) => [operation.id, operation.hands]));
    for (let changed = true; changed;) {
      changed = false;
      const push = (id: string, least: number) => {
        if (starts.get(id)! >= least) return;
        starts.set(id, least);
        changed = true;
      };
      order.forEach((index, at) => {
        if (at === 0) return;
        const before = operations[order[at - 1]!]!;
        push(operations[index]!.id, starts.get(before.id)! + before.hands + needs[at]!);
      });
      for (const { from, to, minLag, maxLag } of arcs) {
        push(to, starts.get(from)! + hands.get(from)! + minLag);
        if (maxLag !== null) push(from, starts.get(to)! - maxLag - hands.get(from)!);
      }
      if (
        order.some(
          (index, at) =>
            starts.get(operations[index]!.id)! + operations[index]!.hands > sessions[places[at]!]![1],
        )
      )
        return;
    }
    const finish = Math.max(
      ...operations.map(({ id, hands: minutes, dry }) => starts.get(id)! + minutes + dry),
    );
    if (finish < best.finish || (finish === best.finish && setupMinutes < best.setupMinutes))
      best = { finish, setupMinutes };
  };
  const grow = (order: number[], places: number[]) => {
    if (order.length === operations.length) {
      tryPlaces(order, places);
      return;
    }
    operations.forEach(({ id }, index) => {
      if (order.includes(index)) return;
      if (arcs.some(({ from, to }) => to === id && !order.some((done) => operations[done]!.id === from)))
        return;
      for (
        let place = places.at(-1) ?? 0;
        place < Math.min(sessions.length, (places.at(-1) ?? 0) + 4);
        place++
      )
        grow([...order, index], [...places, place]);
    });
  };
  grow([], []);
  return best;
}

describe('scheduleOperations', () => {
  it.each(SAMPLES.map((sample) => [sample.instance.name, sample] as const))(
    'reaches the known optimum of %s',
    (_, { instance, optimum }) => {
      const result = scheduleOperations(instance, { evaluations: 60000, timeMs: 20000 });
      expect(verifySchedule(instance, result)).toEqual([]);
      const { finish, setupMinutes } = optimum;
      expect(result).toMatchObject({ finish, setupMinutes, optimal: true, lowerBound: finish });
      expect(result.lowerBound).toBeLessThanOrEqual(optimum.finish);
    },
  );

  it('finds the same finish as trying every order', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const instance = randomInstance(seed, 7);
      instance.arcs.forEach((arc) => (arc.maxLag = null));
      const result = scheduleOperations(instance, { evaluations: 20000, timeMs: 20000 });
      expect(result.finish, `seed ${seed}`).toBe(exhaustiveFinish(instance));
    }
  });

  it('proves both objectives of small instances, windows and families included', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const instance = randomInstance(seed, 5);
      const result = scheduleOperations(instance, { evaluations: 1500, timeMs: 20000, seed });
      expect(verifySchedule(instance, result)).toEqual([]);
      expect(result.optimal, `seed ${seed}`).toBe(true);
      const { finish, setupMinutes } = everySchedule(instance);
      expect({ finish: result.finish, setupMinutes: result.setupMinutes }, `seed ${seed}`).toEqual({
        finish,
        setupMinutes,
      });
    }
  });

  it('never finishes later when a session is added to a proved plan, or a cure is cut', () => {
    for (let seed = 100; seed < 112; seed++) {
      const instance = randomInstance(seed, 8);
      const proved = scheduleOperations(instance, { evaluations: 2000, timeMs: 20000 });
      const more = {
        ...instance,
        windows: [...instance.windows, [1440 * 4 + 1140, 1440 * 4 + 1260] as [number, number]].sort(
          (a, b) => a[0] - b[0],
        ),
      };
      const sooner = {
        ...instance,
        arcs: instance.arcs.map((arc) => ({ ...arc, minLag: Math.floor(arc.minLag / 2) })),
      };
      expect(proved.optimal).toBe(true);
      for (const easier of [more, sooner]) {
        const result = scheduleOperations(easier, { evaluations: 2000, timeMs: 20000 });
        expect(result.finish).toBeLessThanOrEqual(proved.finish);
      }
    }
  });

  it('always passes the independent check and never beats its own bound', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 25 }), (seed, size) => {
        const instance = randomInstance(seed, size);
        const result = scheduleOperations(instance, { evaluations: 400, timeMs: 3000, seed });
        expect(verifySchedule(instance, result)).toEqual([]);
        expect(result.lowerBound).toBeLessThanOrEqual(result.finish);
      }),
      { numRuns: 40 },
    );
  });

  it('gives the same plan for the same seed and improves as it goes', () => {
    const instance = randomInstance(77, 24);
    const finishes: number[] = [];
    const run = () =>
      scheduleOperations(instance, {
        evaluations: 3000,
        timeMs: 20000,
        seed: 5,
        onImproved: ({ finish }) => finishes.push(finish),
      });
    const first = run();
    expect(finishes).toEqual([...finishes].sort((a, b) => b - a));
    expect(run()).toEqual(first);
  });

  it('stops when told to, still with a valid plan', () => {
    const instance = randomInstance(12, 20);
    const result = scheduleOperations(instance, { timeMs: 20000, signal: { aborted: true } });
    expect(verifySchedule(instance, result)).toEqual([]);
  });

  it('keeps earliest and latest starts', () => {
    const instance = { ...randomInstance(3, 6), arcs: [] };
    instance.operations[0]!.earliest = 3000;
    instance.operations[1]!.latest = 2600;
    const { starts } = scheduleOperations(instance, { evaluations: 2000, timeMs: 20000 });
    expect(starts.op0).toBeGreaterThanOrEqual(3000);
    expect(starts.op1).toBeLessThanOrEqual(2600);
  });

  it('claims proof only where finish and set-up meet their bounds', () => {
    const one = randomInstance(1, 1);
    expect(scheduleOperations(one, { evaluations: 100 }).optimal).toBe(true);
    expect(scheduleOperations({ ...one, operations: [], arcs: [] })).toMatchObject({
      finish: 0,
      optimal: true,
    });
    const many = scheduleOperations(randomInstance(9, 20), { evaluations: 300 });
    if (many.finish > many.lowerBound) expect(many.optimal).toBe(false);
  });

  it('a longer cure never ends a solved plan earlier', () => {
    for (const seed of [4, 8, 15]) {
      const instance = randomInstance(seed, 6);
      instance.arcs.forEach((arc) => (arc.maxLag = null));
      const before = exhaustiveFinish(instance);
      instance.arcs.forEach((arc) => (arc.minLag += 300));
      expect(
        scheduleOperations(instance, { evaluations: 20000, timeMs: 20000 }).finish,
      ).toBeGreaterThanOrEqual(before);
    }
  });

  const base = randomInstance(2, 3);
  it.each<[string, ScheduleInstance, RegExp]>([
    ['a calendar without sessions', { ...base, windows: [] }, /no bench session/],
    [
      'a step longer than any session',
      { ...base, operations: [{ id: 'op0', hands: 500, family: null, dry: 0 }], arcs: [] },
      /no session is longer than 120 min/,
    ],
    [
      'steps that wait for each other',
      {
        ...base,
        arcs: [
          { from: 'op0', to: 'op1', minLag: 0, maxLag: null },
          { from: 'op1', to: 'op0', minLag: 0, maxLag: null },
        ],
      },
      /circle: op0, op1/,
    ],
    [
      'an unknown step',
      { ...base, arcs: [{ from: 'nobody', to: 'op1', minLag: 0, maxLag: null }] },
      /nobody/,
    ],
    [
      'an unknown family',
      { ...base, operations: [{ id: 'op0', hands: 5, family: 'plaid', dry: 0 }], arcs: [] },
      /plaid/,
    ],
    [
      'overlapping sessions',
      {
        ...base,
        windows: [
          [0, 100],
          [50, 200],
        ],
      },
      /overlap/,
    ],
    [
      'a window that no session pattern can hold',
      { ...base, arcs: [{ from: 'op0', to: 'op1', minLag: 200, maxLag: 300 }] },
      /"op1" must follow "op0" within 300 min/,
    ],
  ])('refuses %s', (_, instance, message) => {
    expect(() => scheduleOperations(instance, { evaluations: 3000, timeMs: 4000 })).toThrow(message);
  });
});

describe('verifySchedule', () => {
  const instance: ScheduleInstance = {
    ...randomInstance(1, 2),
    windows: [
      [0, 120],
      [1000, 1120],
    ],
    operations: [
      { id: 'a', hands: 20, family: 'red', dry: 0 },
      { id: 'b', hands: 20, family: 'blue', dry: 60 },
    ],
    arcs: [{ from: 'a', to: 'b', minLag: 30, maxLag: 60 }],
  };
  const good = { starts: { a: 5, b: 60 }, finish: 140, setupMinutes: 15 };

  it('accepts a schedule that holds', () => {
    expect(verifySchedule(instance, good)).toEqual([]);
  });

  it.each<[string, Partial<typeof good>, RegExp]>([
    ['too soon', { starts: { a: 5, b: 50 }, finish: 130 }, /too soon/],
    ['after the window', { starts: { a: 5, b: 95 }, finish: 175 }, /window from a closed/],
    ['outside a session', { starts: { a: 5, b: 500 } }, /not lie inside/],
    ['without room for set-up', { starts: { a: 2, b: 60 } }, /no room for its set-up/],
    ['a wrong finish', { finish: 100 }, /the finish is 140/],
    ['wrong set-up minutes', { setupMinutes: 0 }, /set-up adds up to 15/],
    ['a missing start', { starts: { a: 5 } as unknown as typeof good.starts }, /no whole-minute start/],
  ])('notices %s', (_, change, message) => {
    expect(verifySchedule(instance, { ...good, ...change }).join('; ')).toMatch(message);
  });
});

describe('due times and weights', () => {
  /** Two chains of equal work for one builder: whichever goes first is ready about half way. */
  const twoBuilds = (change: Partial<ScheduleInstance['operations'][number]>): ScheduleInstance => {
    const chain = (build: string) =>
      Array.from({ length: 6 }, (_, step) => ({
        id: `${build}${step}`,
        hands: 60,
        family: null,
        dry: 0,
        ...(build === 'b' && step === 5 ? change : {}),
      }));
    const arcs = (build: string) =>
      Array.from({ length: 5 }, (_, step) => ({
        from: `${build}${step}`,
        to: `${build}${step + 1}`,
        minLag: 0,
        maxLag: null,
      }));
    return {
      ...randomInstance(1, 1),
      windows: Array.from({ length: 10 }, (_, day): [number, number] => [1440 * day, 1440 * day + 120]),
      operations: [...chain('a'), ...chain('b')],
      arcs: [...arcs('a'), ...arcs('b')],
    };
  };
  const solve = (instance: ScheduleInstance) => scheduleOperations(instance, { evaluations: 3000, seed: 2 });
  const endOf = ({ starts }: { starts: Record<string, number> }, id: string) => starts[id]! + 60;

  it('meets a due time where it can be met, at no cost to the finish', () => {
    const half = 2 * 1440 + 120;
    const result = solve(twoBuilds({ due: half }));
    expect(endOf(result, 'b5')).toBeLessThanOrEqual(half);
    expect(result).toMatchObject({ overdue: 0, finish: 5 * 1440 + 120 });
  });

  it('tells by how much it is late where nothing can be done, and claims no proof for it', () => {
    const result = solve(twoBuilds({ due: 1440 }));
    expect(endOf(result, 'b5')).toBe(2 * 1440 + 120);
    expect(result.overdue).toBe(1440 + 120);
    expect(result.optimal).toBe(false);
  });

  it('proves the best of the plans that are in time', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const instance = randomInstance(seed, 6);
      const plain = solve(instance);
      const due = (id: string, minutes: number) => ({
        ...instance,
        operations: instance.operations.map((each) => (each.id === id ? { ...each, due: minutes } : each)),
      });
      const last = instance.operations.at(-1)!;
      const ends = plain.starts[last.id]! + last.hands + last.dry;
      // Due when it ends anyway, nothing changes; due sooner, the best that keeps it is one with a latest start.
      expect(solve(due(last.id, ends))).toMatchObject({
        finish: plain.finish,
        setupMinutes: plain.setupMinutes,
        overdue: 0,
        optimal: true,
      });
      const sooner = solve(due(last.id, ends - 30));
      if (sooner.overdue > 0) continue;
      expect(sooner.optimal, `seed ${seed}`).toBe(true);
      const latest = ends - 30 - last.hands - last.dry;
      const held = {
        ...instance,
        operations: instance.operations.map((each) => (each === last ? { ...each, latest } : each)),
      };
      expect(solve(held), `seed ${seed}`).toMatchObject({
        finish: sooner.finish,
        setupMinutes: sooner.setupMinutes,
        optimal: true,
      });
    }
  });

  it('does first what weighs', () => {
    const result = solve(twoBuilds({ weight: 2 }));
    expect(endOf(result, 'b5')).toBe(2 * 1440 + 120);
    expect(result.optimal).toBe(false);
  });

  it('changes nothing where nothing is due', () => {
    const instance = randomInstance(31, 14);
    const plain = solve(instance);
    const far = solve({
      ...instance,
      operations: instance.operations.map((operation) => ({ ...operation, due: 1e7 })),
    });
    expect(plain.overdue).toBe(0);
    expect(far.overdue).toBe(0);
    expect(far.finish).toBeGreaterThanOrEqual(plain.finish);
    expect(verifySchedule(instance, far)).toEqual([]);
  });

  it('bounds the finish of a part of the work', () => {
    const both = twoBuilds({});
    const alone = {
      ...both,
      operations: both.operations.slice(6),
      arcs: both.arcs.slice(5),
    };
    expect(earliestFinish(alone)).toBe(2 * 1440 + 120);
    expect(earliestFinish({ ...both, operations: [], arcs: [] })).toBeUndefined();
    expect(earliestFinish({ ...both, windows: [[0, 30]] })).toBeUndefined();
  });
});

describe('a recoat window that no session holds', () => {
  const coats = (maxLag: number, windows: [number, number][], minLag = 60): ScheduleInstance => ({
    ...randomInstance(1, 1),
    windows,
    operations: ['first', 'second'].map((id) => ({ id, hands: 30, family: 'red', dry: 0 })),
    arcs: [{ from: 'first', to: 'second', minLag, maxLag }],
  });
  const days = (minutes: number) =>
    Array.from({ length: 8 }, (_, day): [number, number] => [1440 * day, 1440 * day + minutes]);
  const solve = (instance: ScheduleInstance) => scheduleOperations(instance, { evaluations: 300 });

  it('is named with its two steps and the session that would hold them', () => {
    expect(() => solve(coats(120, days(90)))).toThrow(
      /"second" must follow "first" within 120 min.*one of 125 min would/,
    );
    // Just what the message asks for is enough.
    expect(solve(coats(120, days(125))).starts).toEqual({ first: 5, second: 95 });
  });

  it('is kept across two evenings where it reaches that far', () => {
    const result = solve(coats(1440, days(60)));
    expect(result.starts['second']).toBeGreaterThanOrEqual(1440);
    expect(verifySchedule(coats(1440, days(60)), result)).toEqual([]);
  });

  const tied = (
    names: string[],
    arcs: [string, string][],
    windows: [number, number][],
  ): ScheduleInstance => ({
    ...coats(65, windows),
    operations: names.map((id) => ({ id, hands: 30, family: 'red', dry: 0 })),
    arcs: arcs.map(([from, to]) => ({ from, to, minLag: 60, maxLag: 65 })),
  });

  it('is named with all that it ties together, and what would hold that', () => {
    const chain = (minutes: number) =>
      tied(
        ['first', 'second', 'third'],
        [
          ['first', 'second'],
          ['second', 'third'],
        ],
        days(minutes),
      );
    expect(() => solve(chain(200))).toThrow(
      /tie 3 steps together, from "first" to "third".*no session holds them all.*one of 215 min would/,
    );
    expect(solve(chain(215)).starts).toEqual({ first: 5, second: 95, third: 185 });
    expect(() => solve(chain(214))).toThrow(/one of 215 min would/);
  });

  it('is not blamed on the session where two steps need the hands at once', () => {
    const both = (minutes: number) =>
      tied(
        ['first', 'second', 'third'],
        [
          ['first', 'second'],
          ['first', 'third'],
        ],
        days(minutes),
      );
    for (const minutes of [200, 1000])
      expect(() => solve(both(minutes))).toThrow(
        /need your hands at the same time, however long the session/,
      );
  });

  it('is named with what lies between and takes longer than it is open', () => {
    const between: ScheduleInstance = {
      ...coats(120, days(600)),
      operations: ['first', 'own', 'second'].map((id) => ({ id, hands: 30, family: null, dry: 0 })),
      arcs: [
        { from: 'first', to: 'second', minLag: 60, maxLag: 120 },
        { from: 'first', to: 'own', minLag: 0, maxLag: null },
        { from: 'own', to: 'second', minLag: 100, maxLag: null },
      ],
    };
    expect(() => solve(between)).toThrow(
      /"second" must follow "first" within 120 min, and "own" between them takes 130 min with the waits/,
    );
    const shorter = {
      ...between,
      arcs: between.arcs.map((arc) => ({ ...arc, minLag: Math.min(90, arc.minLag) })),
    };
    expect(solve(shorter).starts).toEqual({ first: 0, own: 30, second: 150 });
  });

  it('ends in its time where windows can be held one by one but not together', () => {
    const ways: [string, string][] = [
      ['a', 'b'],
      ['c', 'd'],
    ];
    // One session for each pair, and only one session.
    const both = tied(['a', 'b', 'c', 'd'], ways, [[0, 130]]);
    let clock = 0;
    const work = () => scheduleOperations(both, { timeMs: 10, now: () => (clock += 100) });
    expect(work).toThrow(/No plan that keeps every recoat window was found among \d+ tried/);
    expect(clock).toBeLessThan(60_000);
    expect(() => solve(both)).toThrow(/No plan keeps every recoat window/);
    const two = tied(['a', 'b', 'c', 'd'], ways, [
      [0, 130],
      [200, 330],
    ]);
    expect(verifySchedule(two, solve(two))).toEqual([]);
  });
});

describe('an earlier plan that still holds', () => {
  it('is never followed by a worse one, however short the search', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const instance = withBooth(randomInstance(seed, 26, 78), seed);
      const before = scheduleOperations(instance, { evaluations: 3000, timeMs: 1e9 });
      const after = scheduleOperations(instance, {
        evaluations: 1,
        timeMs: 1e9,
        seed: 5,
        previous: before.starts,
      });
      expect(after.finish, `seed ${seed}`).toBeLessThanOrEqual(before.finish);
      if (after.finish === before.finish)
        expect(after.setupMinutes, `seed ${seed}`).toBeLessThanOrEqual(before.setupMinutes);
    }
  });

  it('is not handed out where it no longer holds', () => {
    const instance = randomInstance(4, 40);
    const before = scheduleOperations(instance, { evaluations: 500, timeMs: 1e9 });
    const [first, ...windows] = instance.windows;
    expect(Object.values(before.starts).some((start) => start < first![1])).toBe(true);
    for (const changed of [
      { ...instance, windows },
      { ...instance, windows: instance.windows.slice(0, 12) },
      { ...instance, operations: instance.operations.map((each) => ({ ...each, hands: each.hands + 5 })) },
    ]) {
      const after = scheduleOperations(changed, { evaluations: 300, timeMs: 1e9, previous: before.starts });
      expect(verifySchedule(changed, after)).toEqual([]);
    }
  });
});
