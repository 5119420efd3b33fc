import { describe, expect, it } from 'vitest';
import { planBelt } from './belts.ts';

const pieces = [
  { name: 'lap, left', pathMm: 14, fittings: 1 },
  { name: 'shoulder', pathMm: 30, fittings: 2 },
];

describe('a belt', () => {
  it('is as wide as its ribbon comes, and cut with its folds', () => {
    const { trueMm, widthMm, off, pieces: cut, totalMm } = planBelt(50, 24, 'ribbon', pieces);
    expect(trueMm).toBeCloseTo(2.083, 3);
    expect(widthMm).toBe(2);
    expect(off).toBeCloseTo(-0.04, 2);
    expect(cut.map(({ cutMm }) => cutMm)).toEqual([14 + 6, 30 + 8]);
    expect(totalMm).toBe(58);
  });

  it('is cut to its width from what is no ribbon', () => {
    expect(planBelt(75, 24, 'tape', pieces).widthMm).toBeCloseTo(3.15, 9);
    expect(Math.abs(planBelt(75, 24, 'foil', pieces).off)).toBeLessThan(0.01);
  });

  it('refuses what is none', () => {
    expect(() => planBelt(50, 24, 'ribbon', [])).toThrow('no pieces yet');
    expect(() => planBelt(0, 24, 'ribbon', pieces)).toThrow(RangeError);
    expect(() => planBelt(50, 24, 'ribbon', [{ name: 'lap', pathMm: 0, fittings: 0 }])).toThrow(
      'lap has no length',
    );
  });
});
