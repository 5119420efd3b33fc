import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { steeringRoom, type SteeredWheel } from './steering.ts';

const wheel = (more: Partial<SteeredWheel> = {}): SteeredWheel => ({
  radiusMm: 15,
  widthMm: 8,
  pivotMm: 0,
  outerGapMm: null,
  innerGapMm: null,
  ...more,
});

describe('how far a wheel steers', () => {
  it('is as far as its corner may swing', () => {
    // 15 sin t + 4 cos t - 4 = 3: t = asin(7 / hypot(15, 4)) - atan(4 / 15).
    const degrees = ((Math.asin(7 / Math.hypot(15, 4)) - Math.atan2(4, 15)) * 180) / Math.PI;
    expect(steeringRoom(wheel({ outerGapMm: 3 })).degrees).toBeCloseTo(degrees, 6);
    expect(steeringRoom(wheel({ outerGapMm: 3 })).touches).toBe('outside');
    // About a pivot in its middle both sides are alike.
    expect(steeringRoom(wheel({ innerGapMm: 3 })).degrees).toBeCloseTo(degrees, 6);
    expect(steeringRoom(wheel({ outerGapMm: 3, innerGapMm: 2 })).touches).toBe('inside');
    expect(steeringRoom(wheel())).toEqual({ degrees: 60, touches: null });
    expect(steeringRoom(wheel({ outerGapMm: 0 })).degrees).toBeCloseTo(0, 6);
  });

  it.each([
    [{ radiusMm: 0 }, /radius and a width/],
    [{ widthMm: Number.NaN }, /radius and a width/],
    [{ pivotMm: Infinity }, /pivot/],
    [{ outerGapMm: -1 }, /touches already/],
  ])('refuses %j', (more, words) => {
    expect(() => steeringRoom(wheel(more))).toThrow(words);
  });

  it('keeps every corner within its gaps up to there, and not beyond', () => {
    const mm = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
    fc.assert(
      fc.property(
        mm(5, 40),
        mm(2, 20),
        mm(-3, 12),
        mm(0.1, 15),
        mm(0.1, 15),
        (radiusMm, widthMm, pivotMm, out, inn) => {
          const { degrees, touches } = steeringRoom({
            radiusMm,
            widthMm,
            pivotMm,
            outerGapMm: out,
            innerGapMm: inn,
          });
          /** How far the corners of the rectangle reach beyond its faces, turned about the pivot. */
          const reach = (turnDeg: number) => {
            const turn = (turnDeg * Math.PI) / 180;
            const sides = [-radiusMm, radiusMm].flatMap((x) =>
              [-widthMm / 2, widthMm / 2].map(
                (y) => x * Math.sin(turn) + (y + pivotMm) * Math.cos(turn) - pivotMm,
              ),
            );
            return { out: Math.max(...sides) - widthMm / 2, inn: -Math.min(...sides) - widthMm / 2 };
          };
          for (let part = 0; part < 1; part += 0.05) {
            const at = reach(degrees * part);
            expect(at.out).toBeLessThanOrEqual(out + 1e-6);
            expect(at.inn).toBeLessThanOrEqual(inn + 1e-6);
          }
          const after = reach(degrees);
          if (touches === 'outside') expect(after.out).toBeCloseTo(out, 5);
          if (touches === 'inside') expect(after.inn).toBeCloseTo(inn, 5);
        },
      ),
      { numRuns: 300 },
    );
  });
});
