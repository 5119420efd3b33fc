import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byLikeness, likeness } from './index.ts';

describe('kits that are like another', () => {
  it.each([
    ['Tolliver Six drophead', 'Tolliver Three saloon', 'like'],
    ['Tolliver Six', 'tolliver six', 'same'],
    ['Tolliver, Six', 'Tolliver Six', 'same'],
    ['Pellam 660', 'Quillon 660', 'other'],
    ['Дунай', 'Дунай седан', 'like'],
    ['66', '66', 'same'],
    ['Pellam Six', 'Tolliver Six', 'other'],
    ['鉄馬', '鉄馬 二', 'like'],
    ['', 'Tolliver', 'other'],
  ] as const)('“%s” and “%s”: %s', (begun, former, told) => {
    expect(likeness(begun, former)).toBe(told);
  });

  it('come nearest first, in their scale before others, and none is lost', () => {
    const begun = { name: 'Tolliver Six', scale: 24 };
    const ordered = byLikeness(begun, [
      { id: 'far', name: 'Quillon', scale: 24 },
      { id: 'small', name: 'Tolliver Three', scale: 43 },
      { id: 'near', name: 'Tolliver Three', scale: 24 },
      { id: 'same', name: 'Tolliver Six', scale: 43 },
    ]);
    expect(ordered.map(({ id }) => id)).toEqual(['same', 'near', 'small', 'far']);
    fc.assert(
      fc.property(
        fc.array(fc.record({ name: fc.string(), scale: fc.integer({ min: 1, max: 72 }) })),
        (all) => {
          expect(byLikeness(begun, all)).toHaveLength(all.length);
        },
      ),
    );
  });
});
