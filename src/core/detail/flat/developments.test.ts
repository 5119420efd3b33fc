import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import {
  clipStrip,
  cone,
  cylinder,
  dome,
  hopper,
  mitredPipe,
  roundedBox,
  type Development,
} from './developments.ts';

const FOIL = { thickness: 0.05, lap: 1.5 };
const BARE = { thickness: 0, lap: 0 };
const box = ({ outline }: Development['pieces'][number]) => {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  return { width: Math.max(...xs) - Math.min(...xs), height: Math.max(...ys) - Math.min(...ys) };
};
const area = ({ outline }: Development['pieces'][number]) =>
  Math.abs(
    outline.reduce((sum, [x, y], at) => {
      const [nextX, nextY] = outline[(at + 1) % outline.length]!;
      return sum + (x * nextY - nextX * y) / 2;
    }, 0),
  );

describe('patterns in the flat', () => {
  it('have edges that meet in equal length, whatever is made', () => {
    const random = seededRandom(4);
    const of = (least: number, most: number) => least + (most - least) * random();
    for (let round = 0; round < 60; round++) {
      const sheet = { thickness: of(0, 0.3), lap: of(0, 3) };
      const bottom = of(2, 20);
      const radius = of(2, 15);
      const made: Development[] = [
        cylinder({ radius, length: of(5, 60), ends: true }, sheet),
        cone({ bottom, top: of(0, 0.9) * bottom, height: of(1, 40) }, sheet),
        roundedBox({ width: 20, height: 12, length: of(10, 60), radius: of(0, 6) }, sheet),
        mitredPipe({ radius, length: 60, degrees: of(0, 50) }, sheet),
        dome({ radius, rise: of(0.2, 1) * radius, petals: 4 + Math.floor(of(0, 20)) }, sheet),
        hopper({ top: [of(20, 40), of(20, 30)], bottom: [of(4, 19), of(4, 19)], height: of(5, 30) }, sheet),
      ];
      // All but a tube without ends have edges that meet.
      expect(made.every(({ meets }) => meets.length > 0)).toBe(true);
      for (const { meets } of made)
        for (const { what, one, other } of meets) expect(Math.abs(one - other), what).toBeLessThan(0.05);
    }
  });

  it('agree with worked examples', () => {
    const [wrap, end] = cylinder({ radius: 6, length: 30, ends: true }, BARE).pieces;
    expect(box(wrap!).width).toBeCloseTo(37.699, 3);
    expect(area(end!)).toBeCloseTo(Math.PI * 36, 1);
    expect(end!.centres).toEqual([[6, 6]]);
    // A cone of radius 3 and height 4 has a slant of 5 and is 3/5 of a circle.
    const [fan] = cone({ bottom: 3, top: 0, height: 4 }, BARE).pieces;
    expect(area(fan!)).toBeCloseTo(Math.PI * 3 * 5, 1);
    // A box of 20 by 10 with edges of 2: 2 * (16 + 6) + 2 pi 2.
    expect(
      box(roundedBox({ width: 20, height: 10, length: 40, radius: 2 }, BARE).pieces[0]!).width,
    ).toBeCloseTo(56.566, 3);
    // Half a ball of 10 in petals covers 2 pi r^2.
    const petals = dome({ radius: 10, rise: 10, petals: 12 }, BARE).pieces[0]!;
    expect(12 * area(petals)).toBeCloseTo(2 * Math.PI * 100, 0);
    // A hopper without slope is a box.
    const [long, short] = hopper({ top: [20, 10], bottom: [20, 10], height: 8 }, BARE).pieces;
    expect(2 * area(long!) + 2 * area(short!)).toBeCloseTo(2 * 8 * 30, 6);
    expect(clipStrip({ hoseMm: 1.5, foilMm: 0.1, lapMm: 2 })).toBeCloseTo(Math.PI * 1.6 + 2, 9);
  });

  it('have their lap beside the seam, and nothing of it where there is none', () => {
    const width = (lap: number) =>
      box(cylinder({ radius: 5, length: 10, ends: false }, { thickness: 0, lap }).pieces[0]!).width;
    expect(width(2) - width(0)).toBeCloseTo(2, 9);
    const fan = (lap: number) =>
      area(cone({ bottom: 8, top: 3, height: 12 }, { thickness: 0, lap }).pieces[0]!);
    expect(fan(1.5) - fan(0)).toBeCloseTo(1.5 * 13, 1);
    expect(cone({ bottom: 8, top: 3, height: 12 }, FOIL).pieces[0]!.folds).toHaveLength(1);
  });

  it('cut a pipe so that its edge rises by the tangent, the seam on its short side', () => {
    const { pieces } = mitredPipe({ radius: 4, length: 30, degrees: 45 }, BARE);
    const edge = pieces[0]!.outline.slice(0, 241);
    const ys = edge.map(([, y]) => y);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(8, 6);
    expect(ys[0]).toBeCloseTo(Math.max(...ys), 9);
  });

  it('are refused for what cannot be made', () => {
    expect(() => cylinder({ radius: 0, length: 5, ends: false }, BARE)).toThrow('A radius of 0 mm');
    expect(() => cylinder({ radius: Number.NaN, length: 5, ends: false }, BARE)).toThrow('A radius of NaN');
    expect(() => cone({ bottom: 5, top: 6, height: 4 }, BARE)).toThrow('no top');
    expect(() => roundedBox({ width: 5, height: 5, length: 5, radius: 3 }, BARE)).toThrow('do not fit');
    expect(() => mitredPipe({ radius: 5, length: 4, degrees: 60 }, BARE)).toThrow('run off the other end');
    expect(() => mitredPipe({ radius: 5, length: 40, degrees: 95 }, BARE)).toThrow('run off the other end');
    expect(() => dome({ radius: 5, rise: 6, petals: 8 }, BARE)).toThrow('no more than its radius');
    expect(() => dome({ radius: 5, rise: 2, petals: 3 }, BARE)).toThrow('not 3');
    expect(() => hopper({ top: [5, 5], bottom: [8, 2], height: 4 }, BARE)).toThrow('wider above');
    expect(() => cylinder({ radius: 5, length: 5, ends: false }, { thickness: 0, lap: -1 })).toThrow(
      '0 or more',
    );
    expect(() => clipStrip({ hoseMm: 0, foilMm: 0.1, lapMm: 1 })).toThrow('A hose of 0 mm');
  });
});
