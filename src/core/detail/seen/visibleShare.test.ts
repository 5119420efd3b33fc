import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { facesTowards, type Vector } from './facesTowards.ts';
import { visibleShare, type Panel, type SeenPart, type SeenScene } from './visibleShare.ts';

const box = (id: string, min: Vector, max: Vector): SeenPart => ({ id, min, max });
const from = (at: Vector) => [{ at, weight: 1 }];
const wall = (at: number, holes: Panel['holes'] = []): Panel => ({
  axis: 'x',
  at,
  from: [-500, -500],
  to: [500, 500],
  holes,
});
const budget = { rays: 20_000, seed: 1 };
const shareOf = (scene: Partial<SeenScene>, rays = budget) => {
  const {
    parts: [first],
  } = visibleShare({ panels: [], parts: [], viewers: from([-100, 0, 0]), ...scene }, rays);
  return first!;
};
/** A thin plate across x, so that the eye before it sees its face alone. */
const plate = (id: string, at: number, half: number, y = 0) =>
  box(id, [at, y - half, -half], [at + 0.001, y + half, half]);

describe('the faces that an eye could see', () => {
  it('have the solid angle of a rectangle', () => {
    const [face, ...more] = facesTowards([0, 0, 0], { min: [5, -3, -2], max: [6, 3, 2] });
    expect(more).toEqual([]);
    const [a, b, d] = [6, 4, 5];
    const expected = 4 * Math.asin((a * b) / Math.sqrt((a * a + 4 * d * d) * (b * b + 4 * d * d)));
    expect(face!.solidAngle).toBeCloseTo(expected, 9);
    // From a corner outward three faces; all six of a box about the eye would be the sphere.
    expect(facesTowards([0, 0, 0], { min: [1, 1, 1], max: [2, 2, 2] })).toHaveLength(3);
  });

  it('are covered evenly: the view factors of a parallel and of a perpendicular rectangle', () => {
    const random = seededRandom(2);
    /** From a small element at the eye whose normal lies along an axis. */
    const factor = (min: Vector, max: Vector, axis: number) => {
      const [face] = facesTowards([0, 0, 0], { min, max });
      let sum = 0;
      const count = 160;
      for (let s = 0; s < count; s++)
        for (let t = 0; t < count; t++) {
          const point = face!.pointAt((s + random()) / count, (t + random()) / count);
          sum += Math.max(0, point[axis]!) / Math.hypot(...point);
        }
      return ((sum / count ** 2) * face!.solidAngle) / Math.PI;
    };
    const [a, b, c] = [3, 2, 1.5];
    const [x, y] = [a / c, b / c];
    const parallel =
      ((x / Math.hypot(1, x)) * Math.atan(y / Math.hypot(1, x)) +
        (y / Math.hypot(1, y)) * Math.atan(x / Math.hypot(1, y))) /
      (2 * Math.PI);
    expect(factor([c, 0, 0], [c + 1, a, b], 0)).toBeCloseTo(parallel, 4);
    // The element lies across the rectangle's foot: at a distance c from it, normal along z.
    const perpendicular =
      (Math.atan(a / c) - (c / Math.hypot(c, b)) * Math.atan(a / Math.hypot(c, b))) / (2 * Math.PI);
    expect(factor([c, 0, 0], [c + 1, a, b], 2)).toBeCloseTo(perpendicular, 4);
  });
});

describe('how much of a part is seen', () => {
  it('is all of it where nothing else is, and nothing behind a wall', () => {
    const engine = box('engine', [0, -10, -10], [30, 10, 10]);
    expect(shareOf({ parts: [engine] }).share).toBe(1);
    expect(shareOf({ parts: [engine], panels: [wall(-20)] }).share).toBe(0);
    expect(shareOf({ parts: [engine], panels: [wall(-20)] }).error).toBeGreaterThan(0);
    // A wall behind it, and one beside the sight, hide nothing.
    expect(shareOf({ parts: [engine], panels: [wall(40), { ...wall(-20), from: [60, -500] }] }).share).toBe(
      1,
    );
  });

  it('is what the holes of a panel let through', () => {
    const target = plate('plate', 0, 10);
    const window = (half: number, clear: number) => ({
      from: [-half, -half] as const,
      to: [half, half] as const,
      clear,
    });
    expect(shareOf({ parts: [target], panels: [wall(-20, [window(200, 0.6)])] }).share).toBeCloseTo(0.6, 9);
    // Half as wide as the sight of the plate there: a quarter of it, nearly, since the plate is far.
    const far = from([-5000, 0, 0]);
    const quarter = shareOf({ parts: [target], panels: [wall(-20, [window(5, 1)])], viewers: far });
    expect(Math.abs(quarter.share - 0.25)).toBeLessThan(4 * quarter.error + 0.003);
    expect(quarter.error).toBeLessThan(0.01);
    // Through two panels, both tints.
    const two = [wall(-20, [window(200, 0.6)]), wall(-40, [window(200, 0.5)])];
    expect(shareOf({ parts: [target], panels: two }).share).toBeCloseTo(0.3, 9);
  });

  it('is less by what stands before it, and not by what touches it', () => {
    const target = plate('plate', 0, 10);
    const half = box('screen', [-0.002, -20, -20], [-0.001, 0, 20]);
    const seen = shareOf({ parts: [target, half], viewers: from([-5000, 0, 0]) });
    expect(Math.abs(seen.share - 0.5)).toBeLessThan(4 * seen.error);
    expect(shareOf({ parts: [target, box('behind', [0.001, -10, -10], [9, 10, 10])] }).share).toBe(1);
  });

  it('is the mean over the viewers, by weight, and the same for a seed', () => {
    const target = plate('plate', 0, 10);
    const scene: SeenScene = {
      panels: [wall(-20)],
      parts: [target],
      viewers: [
        { at: [-100, 0, 0], weight: 0.25 },
        { at: [100, 0, 0], weight: 0.75 },
      ],
    };
    expect(visibleShare(scene, budget).parts[0]!.share).toBeCloseTo(0.75, 9);
    expect(visibleShare(scene, { ...budget, only: new Set() })).toEqual({ parts: [] });
    const { id, share } = visibleShare(scene, { ...budget, only: new Set([scene.parts[0]!.id]) }).parts[0]!;
    expect([id, share]).toEqual([scene.parts[0]!.id, expect.closeTo(0.75, 9)]);
    expect(visibleShare(scene, budget)).toEqual(visibleShare(scene, budget));
  });

  it('keeps to its own error: over many scenes it is off by more than three of them next to never', () => {
    const random = seededRandom(8);
    let off = 0;
    const rounds = 60;
    for (let round = 0; round < rounds; round++) {
      const place = (size: number): Vector => [random() * size, random() * size, random() * size];
      const parts = Array.from({ length: 6 }, (_, at) => {
        const [x, y, z] = place(40);
        const [a, b, c] = place(14);
        return box(`p${at}`, [x, y, z], [x + a + 1, y + b + 1, z + c + 1]);
      });
      const scene: SeenScene = { panels: [], parts, viewers: from([-60, 20 * random(), 90]) };
      const rough = visibleShare(scene, { rays: 400, seed: round }).parts;
      const fine = visibleShare(scene, { rays: 10_000, seed: 1000 + round }).parts;
      rough.forEach(({ share, error }, at) => {
        if (Math.abs(share - fine[at]!.share) > 3 * (error + fine[at]!.error)) off++;
      });
    }
    expect(off).toBeLessThan(0.01 * 6 * rounds);
  });

  it('refuses what cannot be, by name', () => {
    const engine = box('engine', [0, -10, -10], [30, 10, 10]);
    expect(() => shareOf({ parts: [engine], viewers: from([1, 1, 1]) })).toThrow(
      'Viewer 1 stands inside engine',
    );
    expect(() => shareOf({ parts: [{ ...engine, max: [30, -10, 10] }] })).toThrow('engine has no inside');
    expect(() => shareOf({ parts: [engine], viewers: [{ at: [-9, 0, 0], weight: 0.5 }] })).toThrow(
      'add up to 0.5',
    );
    expect(() =>
      shareOf({ parts: [engine], panels: [wall(-20, [{ from: [0, 0], to: [1, 1], clear: 2 }])] }),
    ).toThrow('A hole lets 2');
    expect(() => shareOf({ parts: [engine] }, { rays: 0, seed: 1 })).toThrow('above zero');
    expect(visibleShare({ panels: [], parts: [], viewers: from([0, 0, 0]) }, budget)).toEqual({ parts: [] });
  });
});
