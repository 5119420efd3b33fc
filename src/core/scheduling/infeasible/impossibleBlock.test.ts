import { describe, expect, it } from 'vitest';
import { impossibleBlock } from './impossibleBlock.ts';
import { randomInstance, withBooth } from '../randomInstance.ts';
import { indexInstance, type ScheduleInstance } from '../model/instance.ts';
import { scheduleOperations } from '../scheduleOperations.ts';
import { seededRandom } from '../../seededRandom.ts';

describe('impossibleBlock', () => {
  /** Coats of two paints, each tied to the next. */
  const coats = (count: number, windows: [number, number][], boothOpen?: boolean[]): ScheduleInstance => ({
    ...randomInstance(1, 1),
    windows,
    ...(boothOpen ? { boothOpen } : {}),
    operations: Array.from({ length: count }, (_, at) => ({
      id: `coat ${at + 1}`,
      hands: 10,
      family: at < 2 ? 'red' : 'blue',
      dry: 600,
      needsBooth: boothOpen !== undefined,
    })),
    arcs: Array.from({ length: count - 1 }, (_, at) => ({
      from: `coat ${at + 1}`,
      to: `coat ${at + 2}`,
      minLag: 20,
      maxLag: 90,
    })),
  });
  const evenings = (minutes: number) =>
    Array.from({ length: 12 }, (_, day): [number, number] => [1440 * day, 1440 * day + minutes]);
  const found = (instance: ScheduleInstance) => impossibleBlock(indexInstance(instance));

  it('finds the session that would hold what is tied, to the minute', () => {
    for (const count of [2, 3, 5]) {
      const block = found(coats(count, evenings(30)))!;
      expect(block.ids).toEqual(Array.from({ length: count }, (_, at) => `coat ${at + 1}`));
      const enough = block.sessionMinutes!;
      expect(enough).toBe(5 + 10 * count + 20 * (count - 1));
      expect(found(coats(count, evenings(enough)))).toBeUndefined();
      expect(found(coats(count, evenings(enough - 1)))?.sessionMinutes).toBe(enough);
    }
  });

  it('lets a window reach from one session into the next', () => {
    const near: [number, number][] = [
      [0, 50],
      [100, 150],
      [200, 250],
    ];
    expect(found(coats(3, near))).toBeUndefined();
    expect(found(coats(3, [near[0]!, near[2]!]))?.ids).toHaveLength(3);
  });

  it('counts only sessions with the booth for what is sprayed', () => {
    expect(
      found(
        coats(
          3,
          evenings(95),
          evenings(95).map(() => true),
        ),
      ),
    ).toBeUndefined();
    const rest = evenings(95).map((_, day) =>
      day === 4 ? [5760, 5760 + 60] : [1440 * day, 1440 * day + 95],
    );
    const onlyShort = rest.map((_, day) => day === 4);
    expect(found(coats(3, rest as [number, number][], onlyShort))?.sessionMinutes).toBe(75);
  });

  it('has no opinion of steps that nothing ties, nor of too many', () => {
    const free = coats(5, evenings(30));
    expect(found({ ...free, arcs: free.arcs.map((arc) => ({ ...arc, maxLag: null })) })).toBeUndefined();
    expect(found(coats(30, evenings(100)))).toBeUndefined();
  });

  it('says of steps that the hands are needed for at once that no session is long enough', () => {
    const random = seededRandom(7);
    const asked = { atOnce: 0, longer: 0 };
    for (let at = 0; at < 24; at++) {
      const hands = (least: number) => least + Math.floor(random() * 30);
      const forked: ScheduleInstance = {
        ...coats(3, evenings(40)),
        arcs: [2, 3].map((to) => {
          const minLag = hands(20);
          return { from: 'coat 1', to: `coat ${to}`, minLag, maxLag: minLag + Math.floor(random() * 25) };
        }),
      };
      const block = found(forked);
      const inOne = (minutes: number) =>
        scheduleOperations({ ...forked, windows: [[0, minutes]] }, { evaluations: 200, timeMs: 1e9 });
      if (block?.sessionMinutes === null) {
        asked.atOnce++;
        expect(() => inOne(5000), `fork ${at}`).toThrow(RangeError);
      } else if (block) {
        asked.longer++;
        expect(inOne(block.sessionMinutes).finish).toBe(block.sessionMinutes + 600);
        expect(() => inOne(block.sessionMinutes! - 1)).toThrow(RangeError);
      }
    }
    expect(Math.min(asked.atOnce, asked.longer)).toBeGreaterThan(2);
  });

  it('never names what some schedule holds', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const instance = withBooth(randomInstance(seed, 30, 90), seed);
      scheduleOperations(instance, { evaluations: 50, timeMs: 1e9 });
      expect(found(instance), `seed ${seed}`).toBeUndefined();
    }
  });
});
