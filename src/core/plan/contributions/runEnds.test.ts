import { describe, expect, it } from 'vitest';
import { sleeveFor } from '../../detail/index.ts';
import { endLines } from './runEnds.ts';

describe('shrink tube', () => {
  it('is the narrowest that slides on, and grips where it comes down far enough', () => {
    // A hose of 0.7 needs 0.8, which comes down to 0.4.
    expect(sleeveFor(0.7)).toEqual({ boreMm: 0.8, shrunkMm: 0.4, grips: true });
    expect(sleeveFor(0.3)).toEqual({ boreMm: 0.8, shrunkMm: 0.4, grips: false });
    expect(sleeveFor(0.75)).toMatchObject({ boreMm: 1 });
    expect(sleeveFor(10)).toBeUndefined();
    expect(() => sleeveFor(0)).toThrow('give more than 0');
    for (let mm = 0.1; mm < 9.9; mm += 0.07) {
      const sleeve = sleeveFor(mm)!;
      expect(sleeve.boreMm).toBeGreaterThanOrEqual(mm + 0.1 - 1e-9);
      expect(sleeve.grips).toBe(sleeve.boreMm / 2 < mm);
    }
  });
});

describe('the ends of a run', () => {
  it('are told once where both are alike, and not where there is nothing to make', () => {
    expect(endLines({}, 0.7)).toEqual([]);
    // Once round the middle of the foil, and the lap: pi (0.7 + 0.02) + 0.8.
    expect(endLines({ fromEnd: 'clip', toEnd: 'clip' }, 0.7)).toEqual([
      expect.stringMatching(/^both ends, clip: a strip of foil 3\.1 mm long/),
    ]);
    expect(endLines({ fromEnd: 'boot', toEnd: 'banjo' }, 0.4)).toEqual([
      expect.stringMatching(/^where it begins, boot: shrink tube of 0\.8 mm bore stays loose at 0\.4 mm/),
      expect.stringMatching(/^where it ends, banjo: a punched disc of 1\.0 mm/),
    ]);
    expect(endLines({ toEnd: 'plug' }, 0.3)).toEqual([
      expect.stringMatching(/^where it ends, connector: .* with 0\.35 mm$/),
    ]);
    expect(endLines({ toEnd: 'boot' }, 12)[0]).toMatch(/ring of thick paint/);
  });
});
