import { describe, expect, it } from 'vitest';
import { auditThickness, THIN_MATERIALS } from './auditThickness.ts';
import { nearestStock, STOCK_FORMS, STOCK_SIZES } from './stockSizes.ts';

describe('stock nearest to a size', () => {
  it('is the one by ratio, of every form', () => {
    for (const form of STOCK_FORMS)
      for (let mm = 0.02; mm < 12; mm *= 1.07) {
        const { mm: found, off } = nearestStock(mm, form);
        const best = Math.min(...STOCK_SIZES[form].map((size) => Math.max(size / mm, mm / size)));
        expect(Math.max(found / mm, mm / found)).toBeCloseTo(best, 12);
        expect(found).toBeCloseTo(mm * (1 + off), 9);
      }
    // Half of it is as far as twice it: 0.71 of 0.5 and 1 is nearer to 0.75.
    expect(nearestStock(0.71, 'sheet').mm).toBe(0.75);
    expect(() => nearestStock(0, 'wire')).toThrow('give more than 0');
  });
});

describe('a thickness against the real one', () => {
  // A door of 30 mm moulded at 1.8 in 1:24: 1.25 true.
  const door = { measuredMm: 1.8, realMm: 30, material: 'styrene' as const, edgeOnly: false };

  it('is left where nobody sees it', () => {
    expect(auditThickness(door, 24)).toMatchObject({ way: 'leave', trueMm: 1.25 });
    expect(auditThickness(door, 24).times).toBeCloseTo(1.44, 2);
    expect(auditThickness({ ...door, measuredMm: 1 }, 24)).toMatchObject({ way: 'leave', takeOffMm: 0 });
  });

  it('comes off as far as it holds, or at the edge alone', () => {
    // A bonnet of 8 mm at 1:24 is 0.33: thinned from 1.2 it holds.
    const bonnet = { ...door, measuredMm: 1.2, realMm: 8 };
    expect(auditThickness(bonnet, 24)).toMatchObject({ way: 'thin' });
    expect(auditThickness(bonnet, 24).takeOffMm).toBeCloseTo(1.2 - 8 / 24, 9);
    expect(auditThickness({ ...bonnet, edgeOnly: true }, 24)).toMatchObject({ way: 'edges' });
  });

  it('is made anew where it would break first: foil for tin, clear sheet for glass', () => {
    // A flap of 1 mm tin at 1:25 is 0.04.
    expect(auditThickness({ ...door, measuredMm: 0.8, realMm: 1 }, 25)).toMatchObject({
      way: 'replace',
      instead: { form: 'foil', mm: 0.05, clear: false },
    });
    // Glass of 4 mm at 1:24 is 0.17.
    expect(
      auditThickness({ measuredMm: 1, realMm: 4, material: 'clear', edgeOnly: false }, 24),
    ).toMatchObject({ way: 'replace', instead: { form: 'sheet', mm: 0.13, clear: true } });
  });

  it('never asks for less than holds, nor for more than is there', () => {
    for (const material of THIN_MATERIALS)
      for (const edgeOnly of [false, true])
        for (let measuredMm = 0.03; measuredMm < 4; measuredMm *= 1.3)
          for (let realMm = 0.3; realMm < 60; realMm *= 1.5) {
            const audit = auditThickness({ measuredMm, realMm, material, edgeOnly }, 24);
            const left = measuredMm - audit.takeOffMm;
            expect(audit.takeOffMm).toBeGreaterThanOrEqual(0);
            if (audit.takeOffMm > 0) expect(left).toBeGreaterThanOrEqual(audit.leastMm - 1e-9);
            if (audit.way === 'thin' || audit.way === 'edges') expect(audit.takeOffMm).toBeGreaterThan(0);
            if (audit.way === 'replace') expect(audit.instead).toBeDefined();
            if (audit.times <= 1.5) expect(audit.way).toBe('leave');
          }
  });

  it('refuses sizes that cannot be', () => {
    expect(() => auditThickness({ ...door, realMm: 0 }, 24)).toThrow('A real thickness');
    expect(() => auditThickness({ ...door, measuredMm: -1 }, 24)).toThrow('A measured thickness');
    expect(() => auditThickness(door, 0)).toThrow('scale of 0');
  });
});
