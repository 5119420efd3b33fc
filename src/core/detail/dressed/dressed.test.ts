import { describe, expect, it } from 'vitest';
import { drawRing } from '../drawn/drawRing.ts';
import { drillRing, type RingQuestion } from './drilledRing.ts';
import { finsOf } from './fins.ts';
import { windSpring } from './spring.ts';

describe('a spring', () => {
  const spring = { coils: 10, outsideMm: 3, wireMm: 0.4, lengthMm: 20 };

  it('takes the wire of its helix and a closed coil at each end', () => {
    const { pitchMm, wireLengthMm, windOnMm } = windSpring(spring);
    expect(pitchMm).toBe(2);
    // Along the helix, stepped out.
    const steps = 200_000;
    let along = 0;
    for (let at = 0; at < steps; at++) {
      const point = (t: number) => {
        const turn = 2 * Math.PI * 10 * t;
        return [1.3 * Math.cos(turn), 1.3 * Math.sin(turn), 20 * t] as const;
      };
      const [p, q] = [point(at / steps), point((at + 1) / steps)];
      along += Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
    }
    expect(wireLengthMm).toBeCloseTo(along + 2 * Math.PI * 2.6, 4);
    expect(windOnMm).toBeLessThan(3 - 0.8);
  });

  it('is refused where its coils or its wire do not fit', () => {
    expect(() => windSpring({ ...spring, coils: 51 })).toThrow('at most 50 fit');
    expect(() => windSpring({ ...spring, wireMm: 1.1 })).toThrow('take 1.00 mm or thinner');
    for (const bad of [{ coils: 0 }, { coils: 1.5 }, { lengthMm: 0 }, { outsideMm: -3 }, { wireMm: NaN }])
      expect(() => windSpring({ ...spring, ...bad })).toThrow(RangeError);
  });
});

describe('a drilled ring', () => {
  const ring: RingQuestion = { outerMm: 12, innerMm: 6, holes: 24, rows: 2, holeMm: 0.33 };

  it('shares its holes out over its circles, each within it', () => {
    const { at, way, drillMm } = drillRing(ring);
    const radii = at.map(([x, y]) => Math.hypot(x, y));
    expect(radii.filter((radius) => Math.abs(radius - 4) < 1e-9)).toHaveLength(12);
    expect(radii.filter((radius) => Math.abs(radius - 5) < 1e-9)).toHaveLength(12);
    expect([way, drillMm]).toEqual(['drill', 0.35]);
    const odd = drillRing({ ...ring, holes: 25, rows: 3 });
    expect(odd.at).toHaveLength(25);
  });

  it('has the thinnest web there is between any two and to its edges, by measuring all', () => {
    for (const question of [ring, { ...ring, rows: 1 }, { ...ring, holes: 40, rows: 4, holeMm: 0.2 }]) {
      const { at, webMm } = drillRing(question);
      const [outer, inner] = [question.outerMm / 2, question.innerMm / 2];
      let least = Infinity;
      for (const [one, p] of at.entries()) {
        const radius = Math.hypot(...p);
        least = Math.min(least, outer - radius - question.holeMm / 2, radius - inner - question.holeMm / 2);
        for (const q of at.slice(one + 1))
          least = Math.min(least, Math.hypot(p[0] - q[0], p[1] - q[1]) - question.holeMm);
      }
      expect(webMm).toBeCloseTo(least, 9);
    }
  });

  it('is marked where holes are finer than a drill, or would break out', () => {
    expect(drillRing({ ...ring, holeMm: 0.2 })).toMatchObject({ way: 'mark', drillMm: undefined });
    // 66 holes on a circle of 4.5 mm stand 0.43 mm apart: 0.1 mm of web.
    expect(drillRing({ ...ring, holes: 66, rows: 1 })).toMatchObject({ way: 'mark' });
    expect(() => drillRing({ ...ring, holes: 100, rows: 1 })).toThrow('run into each other');
    expect(() => drillRing({ ...ring, holeMm: 2.2 })).toThrow('over the edge');
  });

  it('is refused where it is none', () => {
    expect(() => drillRing({ ...ring, innerMm: 12 })).toThrow('no width');
    expect(() => drillRing({ ...ring, rows: 25 })).toThrow('25 circles');
    for (const bad of [{ holes: 0 }, { holes: 1.5 }, { rows: 0 }, { holeMm: 0 }, { outerMm: NaN }])
      expect(() => drillRing({ ...ring, ...bad })).toThrow(RangeError);
  });

  it('is drawn as a template at exact size, a cross at every hole', () => {
    const drawing = drawRing(ring, drillRing(ring));
    expect([drawing.width, drawing.height]).toEqual([expect.closeTo(14, 2), expect.closeTo(14, 2)]);
    expect(drawing.lines.filter(({ kind, closed }) => kind === 'line' && closed)).toHaveLength(24);
    // Two lines of a cross for each hole, and the middle's.
    expect(drawing.lines.filter(({ kind, closed }) => kind === 'thin' && !closed)).toHaveLength(2 * 25);
  });
});

describe('fins', () => {
  it('are counted as moulded and as they should be', () => {
    expect(finsOf({ heightMm: 18, pitchMm: 0.5, realPitchMm: 2, scale: 24 })).toEqual({
      fins: 36,
      realFins: 216,
      timesTooCoarse: expect.closeTo(6, 9) as number,
    });
    expect(() => finsOf({ heightMm: 1, pitchMm: 2, realPitchMm: 2, scale: 24 })).toThrow('do not fit');
    expect(() => finsOf({ heightMm: 18, pitchMm: 0, realPitchMm: 2, scale: 24 })).toThrow(RangeError);
  });
});
