import { formatHex, differenceCiede2000 } from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import table from './ciede2000-pairs.csv?raw';
import { ciede2000 } from './ciede2000.ts';
import type { Lab } from './lab.ts';

const pairs = table
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => line.split(',').map(Number) as [number, number, number, number, number, number, number]);

const anyLab = fc.record({
  L: fc.double({ min: 0, max: 100, noNaN: true }),
  a: fc.double({ min: -120, max: 120, noNaN: true }),
  b: fc.double({ min: -120, max: 120, noNaN: true }),
});

describe('ciede2000', () => {
  it('has the whole published table', () => {
    expect(pairs).toHaveLength(34);
  });

  it.each(pairs)('agrees with the published pair %f %f %f / %f %f %f', (L1, a1, b1, L2, a2, b2, dE) => {
    const [first, second]: [Lab, Lab] = [
      { L: L1, a: a1, b: b1 },
      { L: L2, a: a2, b: b2 },
    ];
    expect(ciede2000(first, second).toFixed(4)).toBe(dE.toFixed(4));
    expect(ciede2000(second, first).toFixed(4)).toBe(dE.toFixed(4));
  });

  it('is zero only for a colour with itself, symmetric and never negative', () => {
    fc.assert(
      fc.property(anyLab, anyLab, (first, second) => {
        expect(ciede2000(first, first)).toBe(0);
        const there = ciede2000(first, second);
        expect(there).toBeGreaterThanOrEqual(0);
        expect(there).toBeCloseTo(ciede2000(second, first), 9);
      }),
    );
  });

  it('agrees with an independent implementation on random colours', () => {
    const other = differenceCiede2000();
    fc.assert(
      fc.property(anyLab, anyLab, (first, second) => {
        const expected = other(
          { mode: 'lab65', l: first.L, a: first.a, b: first.b },
          { mode: 'lab65', l: second.L, a: second.a, b: second.b },
        );
        expect(ciede2000(first, second)).toBeCloseTo(expected, 6);
      }),
    );
    expect(formatHex('red')).toBe('#ff0000');
  });
});
