import { describe, expect, it } from 'vitest';
import { growTo, instantiate } from '../../webAssembly.ts';
import type { ScheduleInstance } from '../../plan/index.ts';
import { compiled } from '../kernel/orderVisits.compiled.ts';
import { orderSearch } from './orderSearch.ts';
import { proveFinish, proveSetup, type KnownSchedule } from './proveSchedule.ts';
import { finishBound } from '../model/bounds.ts';
import { randomInstance, withBooth } from '../randomInstance.ts';
import { indexInstance, type IndexedInstance } from '../model/instance.ts';
import { seededRandom } from '../../seededRandom.ts';
import { type SetupTable, setupTable } from '../model/setupTable.ts';
import { verifySchedule } from '../model/verifySchedule.ts';

/** Short sessions, up to three paints with uneven change-overs, many recoat windows, some fixed days: small, but with
 *  every rule in it. */
function knottyInstance(seed: number, size: number): ScheduleInstance {
  const random = seededRandom(seed);
  const pick = (count: number) => Math.floor(random() * count);
  const families = ['red', 'blue', 'clear'].slice(0, 1 + pick(3));
  const operations = Array.from({ length: size }, (_, index) => ({
    id: `op${index}`,
    hands: 5 * (1 + pick(8)),
    family: random() < 0.6 ? families[pick(families.length)]! : null,
    dry: 30 * pick(6),
    ...(random() < 0.1 ? { earliest: 60 * pick(30) } : {}),
    ...(random() < 0.1 ? { latest: 1440 * (1 + pick(3)) } : {}),
  }));
  const arcs = operations.slice(1).flatMap(({ id }, index) => {
    if (random() < 0.3) return [];
    const minLag = random() < 0.5 ? 10 * pick(5) : 60 * pick(20);
    const maxLag = random() < 0.5 ? minLag + (random() < 0.5 ? 10 * pick(10) : 1440 + 10 * pick(20)) : null;
    return [{ from: `op${pick(index + 1)}`, to: id, minLag, maxLag }];
  });
  const windows: [number, number][] = [];
  for (let at = 100; windows.length < 5; at += [100, 700, 1400][pick(3)]!) {
    const minutes = 60 + 10 * pick(7);
    windows.push([at, at + minutes]);
    at += minutes;
  }
  const instance: ScheduleInstance = {
    format: 'kit-schedule-instance',
    version: 1,
    name: `knotty ${seed}`,
    windows,
    operations,
    arcs,
    setup: {
      newWindow: [0, 5, 8][pick(3)]!,
      combine: 'max',
      families,
      change: families.map((_, from) =>
        families.map((__, to) => (from === to ? 0 : [2, 5, 10, 20][pick(4)]!)),
      ),
    },
  };
  return seed % 3 === 0 ? withBooth(instance, seed) : instance;
}

/** The best by trying every order with every choice of sessions, without any code of the search. */
function byBruteForce(instance: ScheduleInstance): { finish: number; setupMinutes: number } | undefined {
  const { operations, arcs, windows, boothOpen = [], setup } = instance;
  let best: { finish: number; setupMinutes: number } | undefined;
  const order: number[] = [];
  const sessions: number[] = [];
  const indexOf = (id: string) => operations.findIndex((operation) => operation.id === id);
  const judge = () => {
    let family: string | null = null;
    let familySession = -1;
    let setupMinutes = 0;
    const needs = order.map((index, at) => {
      const kind = operations[index]!.family;
      if (kind === null) return 0;
      let need =
        family === null || family === kind
          ? 0
          : setup.change[setup.families.indexOf(family)]![setup.families.indexOf(kind)]!;
      if (familySession !== sessions[at]) need = Math.max(need, setup.newWindow);
      family = kind;
      familySession = sessions[at]!;
      setupMinutes += need;
      return need;
    });
    // Least starts: raise whatever breaks a rule until nothing does.
    const starts = operations.map(({ earliest = 0 }) => earliest);
    for (let isRaised = true; isRaised;) {
      isRaised = false;
      const raise = (index: number, to: number) => {
        if (to <= starts[index]!) return;
        starts[index] = to;
        isRaised = true;
      };
      order.forEach((index, at) => {
        raise(index, windows[sessions[at]!]![0] + needs[at]!);
        if (at > 0) raise(index, starts[order[at - 1]!]! + operations[order[at - 1]!]!.hands + needs[at]!);
      });
      for (const { from, to, minLag, maxLag } of arcs) {
        const [a, b] = [indexOf(from), indexOf(to)];
        raise(b, starts[a]! + operations[a]!.hands + minLag);
        if (maxLag !== null) raise(a, starts[b]! - maxLag - operations[a]!.hands);
      }
      const isOver = order.some((index, at) => {
        const { hands, latest = Infinity } = operations[index]!;
        return starts[index]! + hands > windows[sessions[at]!]![1] || starts[index]! > latest;
      });
      if (isOver) return;
    }
    const finish = Math.max(...operations.map(({ hands, dry }, index) => starts[index]! + hands + dry));
    if (!best || finish < best.finish || (finish === best.finish && setupMinutes < best.setupMinutes)) {
      best = { finish, setupMinutes };
    }
  };
  const extend = () => {
    if (order.length === operations.length) {
      judge();
      return;
    }
    operations.forEach((_, index) => {
      if (order.includes(index)) return;
      if (arcs.some(({ from, to }) => indexOf(to) === index && !order.includes(indexOf(from)))) return;
      for (let session = sessions.at(-1) ?? 0; session < windows.length; session++) {
        if (operations[index]!.needsBooth && boothOpen[session] === false) continue;
        order.push(index);
        sessions.push(session);
        extend();
        order.pop();
        sessions.pop();
      }
    });
  };
  extend();
  return best;
}

/** Both searches, one after the other. */
function prove(indexed: IndexedInstance, known: KnownSchedule, nodes: number) {
  const search = orderSearch(indexed);
  const budget = () => ({ nodes: nodes - search.nodes(), stopped: () => false });
  const first = proveFinish(search, known, finishBound(indexed), budget());
  const second = proveSetup(search, first.better ?? known, budget());
  return {
    better: second.better ?? first.better,
    complete: first.isProved && second.isProved,
    nodes: search.nodes(),
  };
}

describe('searching a small plan to its end', () => {
  it('finds both objectives as trying everything does, whatever it knew before', () => {
    let solved = 0;
    for (let seed = 1; seed <= 240; seed++) {
      const instance = knottyInstance(seed, 4 + (seed % 2));
      const expected = byBruteForce(instance);
      const indexed = indexInstance(instance);
      const proof = prove(indexed, { finish: 20_000, setupMinutes: 999 }, 1e6);
      expect(proof.complete, `seed ${seed}`).toBe(true);
      const { better } = proof;
      expect(better && { finish: better.finish, setupMinutes: better.setupMinutes }, `seed ${seed}`).toEqual(
        expected,
      );
      if (!better || !expected) continue;
      solved++;
      const starts = Object.fromEntries(instance.operations.map(({ id }, i) => [id, better.starts[i]!]));
      expect(verifySchedule(instance, { ...better, starts }), `seed ${seed}`).toEqual([]);
      // Knowing the best it finds nothing, knowing one a little worse it finds the best.
      expect(prove(indexed, expected, 1e6)).toMatchObject({ better: undefined, complete: true });
      const { finish, setupMinutes } = expected;
      expect(prove(indexed, { finish, setupMinutes: setupMinutes + 1 }, 1e6).better).toMatchObject(expected);
      expect(prove(indexed, { finish: finish + 1, setupMinutes }, 1e6).better).toMatchObject(expected);
    }
    expect(solved).toBeGreaterThan(60);
  }, 60_000);

  it('finds the same from any earlier knowledge where there are too many orders to try', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const indexed = indexInstance(seed % 2 ? knottyInstance(seed, 9) : randomInstance(seed, 13));
      const whole = prove(indexed, { finish: 50_000, setupMinutes: 999 }, 1e6);
      expect(whole.complete, `seed ${seed}`).toBe(true);
      if (!whole.better) continue;
      const { finish, setupMinutes } = whole.better;
      const again = prove(indexed, { finish: finish + 400, setupMinutes: 0 }, 1e6);
      expect(again.better, `seed ${seed}`).toMatchObject({ finish, setupMinutes });
      expect(prove(indexed, whole.better, 1e6).better, `seed ${seed}`).toBeUndefined();
    }
  }, 60_000);

  it('finds the same in whatever order the steps are given, with the starts of the right ones', () => {
    let solved = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const instance = knottyInstance(seed, 7);
      const turned = { ...instance, operations: [...instance.operations].reverse() };
      const [one, two] = [instance, turned].map((each) =>
        prove(indexInstance(each), { finish: 20_000, setupMinutes: 999 }, 1e6),
      );
      expect(two!.complete, `seed ${seed}`).toBe(true);
      const { better } = two!;
      expect(better?.finish, `seed ${seed}`).toBe(one!.better?.finish);
      expect(better?.setupMinutes, `seed ${seed}`).toBe(one!.better?.setupMinutes);
      if (!better) continue;
      solved++;
      const starts = Object.fromEntries(turned.operations.map(({ id }, i) => [id, better.starts[i]!]));
      expect(verifySchedule(instance, { ...better, starts }), `seed ${seed}`).toEqual([]);
    }
    expect(solved).toBeGreaterThan(8);
  });

  it('keeps two searches that take turns apart', () => {
    const [one, two] = [3, 4].map((seed) => indexInstance(randomInstance(seed, 12)));
    const known = { finish: 50_000, setupMinutes: 999 };
    const budget = { nodes: 1e6, stopped: () => false };
    const alone = [one!, two!].map((each) => orderSearch(each).look('finish', known, 49_999, budget));
    const [first, second] = [orderSearch(one!), orderSearch(two!)];
    expect(first.look('finish', known, 49_999, budget)).toEqual(alone[0]);
    expect(second.look('finish', known, 49_999, budget)).toEqual(alone[1]);
    expect(first.look('finish', known, 49_999, budget)).toEqual(alone[0]);
    expect(alone[0]!.better!.finish).not.toBe(alone[1]!.better!.finish);
  });

  it('claims nothing when it is stopped', () => {
    const indexed = indexInstance(randomInstance(3, 18));
    const proof = prove(indexed, { finish: 50_000, setupMinutes: 999 }, 300);
    expect(proof.complete).toBe(false);
    expect(proof.nodes).toBeLessThan(310);
  });

  it('leaves larger plans to other searches', () => {
    expect(() => orderSearch(indexInstance(randomInstance(1, 25)))).toThrow(/25 steps are too many/);
  });
});

describe('remembering orders', () => {
  /** The memo of a fresh kernel, remembering nothing. */
  const freshMemo = () => {
    const { exports, memory } = instantiate(compiled, {
      'orderVisits.as': { isStopped: () => false, improve: () => undefined },
    });
    const memo = exports as {
      MINE: { value: number };
      THEIRS: { value: number };
      ground: () => number;
      setRoom: (address: number) => void;
      isDominated: (...asked: [number, number, number, number, number, number, number]) => number;
    };
    growTo(memory, memo.ground());
    memo.setRoom(memo.ground());
    return { memo, memory };
  };
  const ask = (
    { memo, memory }: ReturnType<typeof freshMemo>,
    { mask = 1, lastFamily = 0, session = 0, painting = false, state = [10, 0, 20], ties = 0 },
  ) => {
    const words = new Int32Array(memory.buffer);
    words.set(state, memo.MINE.value / 4);
    words.set(state, memo.THEIRS.value / 4);
    const length = state.length - ties;
    return memo.isDominated(mask, lastFamily, session, painting ? 1 : 0, length, ties, 0) !== 0;
  };

  it('knows a state that is nowhere better than one before', () => {
    const memo = freshMemo();
    expect(ask(memo, {})).toBe(false);
    expect(ask(memo, {})).toBe(true);
    expect(ask(memo, { state: [11, 5, 20] })).toBe(true);
    expect(ask(memo, { state: [9, 5, 20] })).toBe(false);
  });

  it('keeps steps done and paints apart, however many paints there are', () => {
    const memo = freshMemo();
    for (let mask = 1; mask < 40; mask++) {
      for (let lastFamily = -1; lastFamily < 24; lastFamily++) {
        expect(ask(memo, { mask, lastFamily, state: [1, ...Array<number>(24).fill(0)] })).toBe(false);
      }
    }
  });

  it('holds a paint that is out against an earlier session, not the other way about', () => {
    const memo = freshMemo();
    expect(ask(memo, { session: 1, painting: false })).toBe(false);
    expect(ask(memo, { session: 1, painting: true })).toBe(false);
    expect(ask(memo, { session: 1, painting: false })).toBe(true);
    expect(ask(memo, { session: 2, painting: true })).toBe(false);
    expect(ask(memo, { session: 2, painting: false })).toBe(true);
    expect(ask(memo, { session: 0, painting: false })).toBe(false);
  });
});

describe('the set-up that is still to come', () => {
  const setup = {
    newWindow: 6,
    combine: 'max' as const,
    families: ['red', 'blue', 'clear'],
    change: [
      [0, 10, 4],
      [20, 0, 5],
      [3, 30, 0],
    ],
  };
  const leastOf =
    ({ minutes, sets, width }: SetupTable) =>
    (last: number, families: number, sessions: number) =>
      minutes![((last + 1) * sets + families) * width + sessions];
  /** The least over walks that are all tried, each change alone or on the beginning of a session. */
  const byWalking = (last: number, families: number, sessions: number): number => {
    let least = Infinity;
    const walk = (at: number, seen: number, changes: number, minutes: number) => {
      if ((families & ~seen) === 0)
        least = Math.min(least, minutes + setup.newWindow * Math.max(0, sessions - changes));
      if (changes === 5) return;
      for (let to = 0; to < 3; to++) {
        if (to !== at) walk(to, seen | (1 << to), changes + 1, minutes + setup.change[at]![to]!);
      }
    };
    if (last >= 0) walk(last, 1 << last, 0, 0);
    else for (let first = 0; first < 3; first++) walk(first, 1 << first, 0, 0);
    return least;
  };

  it('is the least of all walks through the paints', () => {
    const least = leastOf(setupTable(setup, 0b111, 4));
    for (let last = -1; last < 3; last++) {
      for (let families = 1; families < 8; families++) {
        for (let sessions = last < 0 ? 1 : 0; sessions <= 4; sessions++) {
          expect(least(last, families, sessions), `${last} ${families} ${sessions}`).toBe(
            byWalking(last, families, sessions),
          );
        }
      }
    }
  });

  it('goes through no paint that nothing is painted with', () => {
    // From red to blue by way of clear would be cheaper if anything were clear.
    const cheaper = {
      ...setup,
      change: [
        [0, 40, 4],
        [20, 0, 5],
        [3, 10, 0],
      ],
    };
    expect(leastOf(setupTable(cheaper, 0b111, 2))(0, 0b010, 0)).toBe(14);
    expect(leastOf(setupTable(cheaper, 0b011, 2))(0, 0b010, 0)).toBe(40);
  });
});
