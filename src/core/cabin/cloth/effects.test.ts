import { describe, expect, it } from 'vitest';
import { ciede2000, hexToLab } from '../../colour/index.ts';
import { LIVES } from '../../finish/index.ts';
import { EFFECTS } from '../choices.ts';
import { EFFECT_FACTS, effectOver, FINEST_MM, type EffectQuestion } from './effects.ts';

const tan = hexToLab('#c49a6c');
const over = (more: Partial<EffectQuestion> = {}) =>
  effectOver({ effect: 'varnished-wood', base: tan, life: 'showroom', scale: 24, ...more });

describe('wood, leather, cloth and vinyl over a base', () => {
  it('deepens with every pass of its tint, and reddens under clear orange', () => {
    const shades = [0, 1, 2, 4, 8].map((passes) => over({ passes }).shade);
    for (let at = 1; at < shades.length; at++) {
      expect(shades[at]!.L).toBeLessThan(shades[at - 1]!.L);
      expect(shades[at]!.a).toBeGreaterThan(shades[0]!.a);
    }
  });

  it('takes the passes that come nearest to what is wanted', () => {
    const wanted = over({ passes: 5 }).shade;
    expect(over({ wanted })).toMatchObject({ passes: 5, dE00: 0 });
    // A count that the builder set stays, and its difference is told.
    const set = over({ wanted, passes: 2 });
    expect(set.passes).toBe(2);
    expect(set.dE00).toBeCloseTo(ciede2000(wanted, over({ passes: 2 }).shade), 9);
    // No other count comes nearer to a colour that no count gives.
    const other = hexToLab('#8a4b22');
    const { dE00 } = over({ wanted: other });
    for (let passes = 0; passes <= 10; passes++)
      expect(ciede2000(other, over({ passes }).shade)).toBeGreaterThanOrEqual(dE00! - 1e-9);
  });

  it('has no passes where it has no tint, and no difference where nothing is wanted', () => {
    const leather = over({ effect: 'leather', passes: 4 });
    expect(leather.passes).toBe(0);
    expect(leather).not.toHaveProperty('dE00');
    // The more of it lies in seams, the darker; both are satin.
    expect(over({ effect: 'worn-leather' }).shade.L).toBeLessThan(leather.shade.L);
  });

  it('is lighter the harder its life', () => {
    const lightness = LIVES.map((life) => over({ effect: 'leather', life }).shade.L);
    expect([...lightness].sort((p, q) => p - q)).toEqual(lightness);
    expect(new Set(lightness).size).toBe(LIVES.length);
  });

  it('says which patterns are too fine at a scale', () => {
    const fine = (scale: number) =>
      EFFECTS.filter((effect) => over({ effect, scale }).isTooFine).map(
        (effect) => EFFECT_FACTS[effect].group,
      );
    expect(new Set(fine(24))).toEqual(new Set(['leather', 'cloth']));
    expect(fine(1)).toEqual([]);
    expect(over({ scale: 6 / FINEST_MM + 1 }).isTooFine).toBe(true);
    expect(over({ scale: 6 / FINEST_MM - 1 }).isTooFine).toBe(false);
  });
});
