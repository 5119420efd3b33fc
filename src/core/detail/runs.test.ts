import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drillFor, RUN_FACTS, RUN_KINDS, scaledRun } from './index.ts';

describe('wires and pipes at scale', () => {
  it('takes 0.3 mm wire for an ignition lead at 1:24 and drills one size up', () => {
    const { scaleMm, wireMm, drillMm } = scaledRun(RUN_FACTS['ignition-lead'].realMm, 24);
    expect(scaleMm[0]).toBeCloseTo(0.29, 2);
    expect(scaleMm[1]).toBeCloseTo(0.35, 2);
    expect(wireMm).toBe(0.3);
    expect(drillMm).toBe(0.35);
  });

  it('knows a diameter, a way to do it and minutes for every kind', () => {
    for (const kind of RUN_KINDS) {
      const { realMm, minutes, how, name } = RUN_FACTS[kind];
      expect(realMm[0]).toBeGreaterThan(0);
      expect(realMm[1]).toBeGreaterThanOrEqual(realMm[0]);
      expect(minutes).toBeGreaterThan(0);
      expect(name && how).toMatch(/\w/);
    }
  });

  it('finds the nearest wire that is sold: none nearer, and thinner at smaller scales', () => {
    const real = fc.double({ min: 3, max: 50, noNaN: true });
    fc.assert(
      fc.property(real, fc.integer({ min: 6, max: 48 }), (mm, scale) => {
        const { wireMm, off, drillMm } = scaledRun([mm, mm], scale);
        expect(off).toBeCloseTo((wireMm * scale) / mm - 1, 9);
        expect(scaledRun([mm, mm], scale * 2).wireMm).toBeLessThanOrEqual(wireMm);
        if (wireMm <= 6.9) expect(drillMm).toBeGreaterThan(wireMm);
        // Within the sizes sold, two neighbours are never further apart than a third.
        if (mm / scale >= 0.15 && mm / scale <= 10) expect(Math.abs(off)).toBeLessThan(0.2);
      }),
    );
  });

  it('refuses what is no scale or diameter', () => {
    expect(() => scaledRun([7, 8], 0)).toThrow(/no scale/);
    expect(() => scaledRun([0, 8], 24)).toThrow(/no diameter/);
    expect(() => scaledRun([9, 8], 24)).toThrow(/no diameter/);
  });

  it('gives the next drill up, and none beyond the largest', () => {
    expect(drillFor(0.31)).toBe(0.35);
    expect(drillFor(1)).toBe(1);
    expect(drillFor(1.01)).toBe(1.1);
    expect(drillFor(9)).toBeUndefined();
  });
});
