import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { areaOf, regionOf } from '../geometry/region.ts';
import { boxAround, readOutline, type Point } from '../geometry/readOutline.ts';
import { toMillimetres, traced, type TraceScale } from './trace.ts';

const near = ([x, y]: Point, [u, v]: Point) => Math.hypot(x - u, y - v);
/** A picture of a flat side, taken aslant: a plane in perspective. */
const seen = ([x, y]: Point, slant: number): Point => {
  const depth = 1 + slant * x + 0.3 * slant * y;
  return [(900 + 4 * x + 0.7 * y) / depth, (300 + 0.5 * x + 4.4 * y) / depth];
};

const NOTHING = { openings: [], lines: [] };

describe('a view traced over a picture', () => {
  it('is scaled by two points whose distance is known', () => {
    const scale: TraceScale = {
      kind: 'line',
      points: [
        [100, 100],
        [400, 500],
      ],
      mm: 50,
    };
    const square: Point[] = [
      [100, 100],
      [300, 100],
      [300, 300],
      [100, 300],
    ];
    const hole = square.map(([x, y]): Point => [150 + (x - 100) / 4, 150 + (y - 100) / 4]);
    const crease: Point[] = [
      [100, 200],
      [300, 220],
    ];
    const { outline, openings, lines, box } = traced(
      square,
      { openings: [hole, [[0, 0]]], lines: [crease, []] },
      scale,
    );
    expect(box).toEqual({ width: 20, height: 20 });
    expect(outline).toBe('M0 0L20 0L20 20L0 20Z');
    expect(openings).toEqual([{ name: 'opening 1', path: 'M5 5L10 5L10 10L5 10Z' }]);
    expect(lines).toEqual([{ name: 'line 1', path: 'M0 10C6.67 10.67 13.33 11.33 20 12' }]);
  });

  it('loses its perspective by four corners of a known rectangle', () => {
    const random = seededRandom(5);
    for (let round = 0; round < 40; round++) {
      const slant = 0.004 * random();
      const [left, top, width, height] = [
        20 * random(),
        10 * random(),
        40 + 60 * random(),
        15 + 20 * random(),
      ];
      const corners: Point[] = [
        [left, top],
        [left + width, top],
        [left + width, top + height],
        [left, top + height],
      ];
      const placed = toMillimetres({
        kind: 'rectangle',
        points: corners.map((corner) => seen(corner, slant)),
        widthMm: width,
        heightMm: height,
      });
      for (let each = 0; each < 10; each++) {
        const point: Point = [150 * random(), 60 * random()];
        const found = placed(seen(point, slant));
        expect(near(found, [point[0] - left, point[1] - top])).toBeLessThan(1e-6);
      }
    }
  });

  it('runs in curves where the points turn gently, and keeps its corners', () => {
    const round = Array.from({ length: 16 }, (_, at): Point => {
      const t = (at * Math.PI) / 8;
      return [50 + 30 * Math.cos(t), 50 + 30 * Math.sin(t)];
    });
    const scale: TraceScale = {
      kind: 'line',
      points: [
        [0, 0],
        [100, 0],
      ],
      mm: 100,
    };
    const { rings } = readOutline(traced(round, NOTHING, scale).outline);
    expect(areaOf(regionOf(rings)) / (Math.PI * 900)).toBeCloseTo(1, 2);
    expect(boxAround(rings)!.width).toBeCloseTo(60, 1);
  });

  it('says what is missing or makes no sense', () => {
    const triangle: Point[] = [
      [0, 0],
      [10, 0],
      [0, 10],
    ];
    const line = (points: Point[], mm: number): TraceScale => ({ kind: 'line', points, mm });
    expect(() =>
      traced(
        triangle.slice(1),
        NOTHING,
        line(
          [
            [0, 0],
            [1, 0],
          ],
          5,
        ),
      ),
    ).toThrow('at least three points');
    expect(() => traced(triangle, NOTHING, line([[0, 0]], 5))).toThrow('mark two points');
    expect(() =>
      traced(
        triangle,
        NOTHING,
        line(
          [
            [3, 3],
            [3, 3],
          ],
          5,
        ),
      ),
    ).toThrow('in one place');
    expect(() =>
      traced(
        triangle,
        NOTHING,
        line(
          [
            [0, 0],
            [1, 0],
          ],
          Number.NaN,
        ),
      ),
    ).toThrow('above zero');
    const rectangle = (points: Point[], widthMm = 10): TraceScale => ({
      kind: 'rectangle',
      points,
      widthMm,
      heightMm: 10,
    });
    const corners: Point[] = [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ];
    expect(() => toMillimetres(rectangle(corners.slice(2)))).toThrow('mark 2 more');
    expect(() => toMillimetres(rectangle([corners[0]!, corners[2]!, corners[1]!, corners[3]!]))).toThrow(
      'no rectangle',
    );
    expect(() =>
      toMillimetres(
        rectangle([
          [0, 0],
          [5, 0],
          [10, 0],
          [0, 10],
        ]),
      ),
    ).toThrow('no three in one line');
    expect(() => toMillimetres(rectangle(corners, 0))).toThrow('above zero');
  });
});
