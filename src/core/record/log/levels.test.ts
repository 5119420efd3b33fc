import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { levelNow, mlByWeight, usedSince, type UseOfBuild } from './levels.ts';

const operations = [
  { id: 'a', trayId: 't', layerId: 'l' },
  { id: 'b', trayId: 't', layerId: 'l' },
];
const build = (more: Partial<UseOfBuild> = {}): UseOfBuild => ({
  uses: [{ trayId: 't', layerId: 'l', paintId: 'red', ml: 2, thinnerMl: 0 }],
  operations,
  steps: [],
  cups: [],
  ...more,
});
const done = (a: number | null, b: number | null) => [
  ...(a === null ? [] : [{ operationId: 'a', endedAt: a }]),
  ...(b === null ? [] : [{ operationId: 'b', endedAt: b }]),
];
const cup = (
  mixedAt: number,
  drops: number,
  additions: { at: number; add: Record<string, number> }[] = [],
) => ({
  trayId: 't',
  mixedAt,
  drops: { red: drops },
  additions,
});

describe('what was used since a level was told', () => {
  it('counts a layer when the last of its steps was done, and only after the telling', () => {
    expect(usedSince('red', 100, [build({ steps: done(150, null) })], 0.05).usedMl).toBe(0);
    expect(usedSince('red', 100, [build({ steps: done(50, 150) })], 0.05).usedMl).toBe(2);
    expect(usedSince('red', 100, [build({ steps: done(50, 90) })], 0.05).usedMl).toBe(0);
    expect(usedSince('blue', 100, [build({ steps: done(150, 160) })], 0.05).usedMl).toBe(0);
  });

  it('takes the cup or the layer that was laid from it, not both', () => {
    const steps = done(150, 160);
    expect(usedSince('red', 100, [build({ steps, cups: [cup(140, 20)] })], 0.05)).toEqual({
      laidMl: 2,
      mixedMl: 1,
      usedMl: 2,
    });
    expect(usedSince('red', 100, [build({ steps, cups: [cup(140, 60)] })], 0.05).usedMl).toBeCloseTo(3, 12);
    const added = cup(90, 60, [{ at: 120, add: { red: 4 } }]);
    expect(usedSince('red', 100, [build({ cups: [added] })], 0.05).usedMl).toBeCloseTo(0.2, 12);
  });

  it('agrees with an independent count over random builds, and taking everything back leaves nothing', () => {
    const random = seededRandom(23);
    for (let turn = 0; turn < 500; turn++) {
      const toldAt = Math.floor(1000 * random());
      const builds = Array.from({ length: 1 + Math.floor(3 * random()) }, (_, at) => {
        const id = (name: string) => `${at}${name}`;
        return {
          uses: [{ trayId: 't', layerId: 'l', paintId: 'red', ml: 5 * random(), thinnerMl: 0 }],
          operations: [
            { id: id('a'), trayId: 't', layerId: 'l' },
            { id: id('b'), trayId: 't', layerId: 'l' },
          ],
          steps: ['a', 'b'].flatMap((name) =>
            random() < 0.7 ? [{ operationId: id(name), endedAt: Math.floor(1000 * random()) }] : [],
          ),
          cups: Array.from({ length: Math.floor(3 * random()) }, () => ({
            ...cup(Math.floor(1000 * random()), Math.floor(60 * random())),
            trayId: random() < 0.5 ? 't' : null,
          })),
        };
      });
      let expected = 0;
      for (const each of builds) {
        const last = each.steps.length === 2 ? Math.max(...each.steps.map(({ endedAt }) => endedAt)) : -1;
        const laid = last > toldAt ? each.uses[0]!.ml : 0;
        const mixed = { t: 0, none: 0 };
        for (const { trayId, mixedAt, drops } of each.cups)
          if (mixedAt > toldAt) mixed[trayId === null ? 'none' : 't'] += drops.red * 0.05;
        expected += Math.max(laid, mixed.t) + mixed.none;
      }
      expect(usedSince('red', toldAt, builds, 0.05).usedMl).toBeCloseTo(expected, 9);
      const undone = builds.map((each) => ({ ...each, steps: [], cups: [] }));
      expect(usedSince('red', toldAt, undone, 0.05).usedMl).toBe(0);
    }
  });
});

describe('the level now', () => {
  const steps = done(150, 160);

  it('is what was told less what was used, not below nothing, and says where that is more than there was', () => {
    const paint = { id: 'red', levelMl: 10, toldAt: 100 };
    expect(levelNow(paint, [build({ steps })], 0.05)).toMatchObject({ leftMl: 8, isOver: false });
    expect(levelNow({ ...paint, levelMl: 1 }, [build({ steps })], 0.05)).toMatchObject({
      leftMl: 0,
      isOver: true,
    });
  });

  it('is not guessed where nobody noted when it was told, or nothing was used', () => {
    expect(levelNow({ id: 'red', levelMl: 10, toldAt: null }, [build({ steps })], 0.05)).toBeNull();
    expect(levelNow({ id: 'red', levelMl: 10, toldAt: 200 }, [build({ steps })], 0.05)).toBeNull();
    expect(levelNow({ id: 'red', levelMl: null, toldAt: 100 }, [build({ steps })], 0.05)).toBeNull();
  });

  it('is told by weighing between the empty and the full bottle', () => {
    expect(mlByWeight({ nowG: 40, fullG: 50, emptyG: 30 }, 20)).toBeCloseTo(10, 12);
    expect(mlByWeight({ nowG: 30, fullG: 50, emptyG: 30 }, 20)).toBe(0);
    for (const wrong of [{ nowG: 29 }, { nowG: 51 }, { fullG: 30 }, { emptyG: -1 }, { nowG: Number.NaN }])
      expect(mlByWeight({ nowG: 40, fullG: 50, emptyG: 30, ...wrong }, 20)).toBeNull();
  });
});
