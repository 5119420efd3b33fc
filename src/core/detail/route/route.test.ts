import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { bendRoute, boxesOnRoute, type BentRoute, type Point } from './bendRoute.ts';
import { bundleMm, twistFor } from './bundle.ts';

const corner: Point[] = [
  [0, 0, 0],
  [20, 0, 0],
  [20, 30, 0],
];

describe('a route with bends', () => {
  it('is as long as its straights and its arc', () => {
    const { lengthMm, bends } = bendRoute({ points: corner, radiusMm: 4 });
    expect(lengthMm).toBeCloseTo(16 + 26 + 2 * Math.PI, 9);
    expect(bends).toEqual([expect.objectContaining({ at: 1, radiusMm: 4, isTight: false, turnedDeg: 0 })]);
    expect(bends[0]!.angleDeg).toBeCloseTo(90, 9);
    expect(bends[0]!.startMm).toBeCloseTo(16, 9);
    expect(bends[0]!.arcMm).toBeCloseTo(2 * Math.PI, 9);
  });

  it('is as long as its corners are far where it may be kinked, and passes over points on the way', () => {
    expect(bendRoute({ points: corner, radiusMm: 0 }).lengthMm).toBeCloseTo(50, 9);
    const more: Point[] = [corner[0]!, [7, 0, 0], [7, 0, 0], ...corner.slice(1)];
    expect(bendRoute({ points: more, radiusMm: 4 })).toEqual({
      ...bendRoute({ points: corner, radiusMm: 4 }),
      bends: [{ ...bendRoute({ points: corner, radiusMm: 4 }).bends[0]!, at: 3 }],
    });
  });

  it('turns the piece about itself between two planes, by its sign', () => {
    const up = (z: number) =>
      bendRoute({ points: [...corner, [20, 30, z]], radiusMm: 2 }).bends[1]!.turnedDeg;
    expect(up(15)).toBeCloseTo(90, 9);
    expect(up(-15)).toBeCloseTo(-90, 9);
    const flat = (x: number) =>
      bendRoute({ points: [...corner, [x, 30, 0]], radiusMm: 2 }).bends[1]!.turnedDeg;
    expect(Math.abs(flat(40))).toBeCloseTo(180, 9);
    expect(flat(0)).toBeCloseTo(0, 9);
  });

  it('has no more of a radius than there is room for, and says so', () => {
    const { bends } = bendRoute({ points: [...corner, [40, 30, 0]], radiusMm: 25 });
    expect(bends.map(({ radiusMm }) => radiusMm)).toEqual([expect.closeTo(15, 9), expect.closeTo(15, 9)]);
    expect(bends.every(({ isTight }) => isTight)).toBe(true);
  });

  /** Walks the bent piece by what is said of it alone: straight, turn about itself, bend. */
  function walked({ lengthMm, bends }: BentRoute): Point {
    type V = [number, number, number];
    let [at, along, side]: V[] = [
      [0, 0, 0],
      [1, 0, 0],
      [0, 1, 0],
    ];
    const mix = (p: V, a: number, q: V, b: number): V => [
      p[0] * a + q[0] * b,
      p[1] * a + q[1] * b,
      p[2] * a + q[2] * b,
    ];
    let mm = 0;
    for (const { startMm, arcMm, angleDeg, turnedDeg, radiusMm } of bends) {
      at = mix(at!, 1, along!, startMm - mm);
      const up: V = [
        along![1] * side![2] - along![2] * side![1],
        along![2] * side![0] - along![0] * side![2],
        along![0] * side![1] - along![1] * side![0],
      ];
      const roll = (turnedDeg * Math.PI) / 180;
      side = mix(side!, Math.cos(roll), up, Math.sin(roll));
      const angle = (angleDeg * Math.PI) / 180;
      at = mix(mix(at, 1, along!, radiusMm * Math.sin(angle)), 1, side, radiusMm * (1 - Math.cos(angle)));
      [along, side] = [
        mix(along!, Math.cos(angle), side, Math.sin(angle)),
        mix(along!, -Math.sin(angle), side, Math.cos(angle)),
      ];
      mm = startMm + arcMm;
    }
    return mix(at!, 1, along!, lengthMm - mm);
  }

  it('bent as it says, ends where it should', () => {
    const random = seededRandom(11);
    for (let round = 0; round < 200; round += 1) {
      const count = 2 + Math.floor(random() * 5);
      const points = Array.from({ length: count }, (): Point => [
        60 * random() - 30,
        60 * random() - 30,
        60 * random() - 30,
      ]);
      const far = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
      const route = bendRoute({ points, radiusMm: 6 * random() });
      const end = walked(route);
      // The walk begins at 0 along its first leg; how far its ends lie apart does not depend on that.
      expect(Math.hypot(...end)).toBeCloseTo(far(points[0]!, points.at(-1)!), 6);
      const straight = points.slice(1).reduce((sum, point, at) => sum + far(points[at]!, point), 0);
      expect(route.lengthMm).toBeLessThanOrEqual(straight + 1e-9);
      expect(route.lengthMm).toBeGreaterThanOrEqual(far(points[0]!, points.at(-1)!) - 1e-9);
    }
  });

  it('refuses what is no route', () => {
    for (const points of [
      [],
      [[1, 2, 3]],
      [
        [1, 2, 3],
        [1, 2, 3],
      ],
    ] as Point[][])
      expect(() => bendRoute({ points, radiusMm: 1 })).toThrow(/one place/);
    expect(() =>
      bendRoute({
        points: [
          [0, 0, 0],
          [NaN, 0, 1],
        ],
        radiusMm: 1,
      }),
    ).toThrow(/no place/);
    for (const radiusMm of [-1, NaN, Infinity])
      expect(() => bendRoute({ points: corner, radiusMm })).toThrow(/bend/);
  });

  it('goes through a box by what of it lies inside', () => {
    const box = { id: 'b', min: [5, -2, -2] as Point, max: [12, 2, 2] as Point };
    expect(boxesOnRoute(corner, [box], 6.9)).toEqual(['b']);
    expect(boxesOnRoute(corner, [box], 7.1)).toEqual([]);
    expect(boxesOnRoute(corner, [{ ...box, min: [5, 0, -2] }], 0.1)).toEqual([]);
    const slanted: Point[] = [
      [0, 0, -10],
      [20, 0, 10],
    ];
    expect(boxesOnRoute(slanted, [box], 4 * Math.SQRT2 - 0.01)).toEqual(['b']);
    expect(boxesOnRoute(slanted, [box], 4 * Math.SQRT2 + 0.01)).toEqual([]);
  });
});

describe('bundles and braids', () => {
  it('of equal wires are as thick as the least circle round them', () => {
    expect(bundleMm([0.4])).toBe(0.4);
    expect(bundleMm([0.4, 0.4])).toBeCloseTo(0.8, 9);
    expect(bundleMm([1, 1, 1])).toBeCloseTo(1 + 2 / Math.sqrt(3), 4);
    expect(bundleMm([1, 1, 1, 1])).toBeCloseTo(1 + Math.SQRT2, 4);
    expect(bundleMm(Array.from({ length: 7 }, () => 0.5))).toBeCloseTo(1.5, 9);
  });

  it('of unlike ones hold them all', () => {
    expect(bundleMm([1, 0.2])).toBeCloseTo(1.2, 9);
    expect(bundleMm([0.5, 0.5, 0.5, 0.3, 0.3])).toBeGreaterThan(1.07);
    expect(() => bundleMm([])).toThrow(RangeError);
    expect(() => bundleMm([1, 0])).toThrow(RangeError);
  });

  it('of three strands come to the diameter that is wanted', () => {
    const { strandMm, times } = twistFor(0.5);
    expect(bundleMm([strandMm, strandMm, strandMm])).toBeCloseTo(0.5, 9);
    expect(times).toBeGreaterThan(1);
    expect(times).toBeLessThan(1.2);
    expect(() => twistFor(0)).toThrow(RangeError);
  });
});
