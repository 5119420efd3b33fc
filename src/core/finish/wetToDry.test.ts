import { describe, expect, it } from 'vitest';
import { spectrumFrom } from '../colour/index.ts';
import { wetToDry } from './index.ts';

const red = { k: spectrumFrom((nm) => (nm < 590 ? 0.25 : 0.004)), s: spectrumFrom(() => 0.05) };

describe('wetToDry', () => {
  it('dries water-based gloss darker, more than lacquer and enamel', () => {
    const [water, lacquer, enamel] = (['water-acrylic', 'lacquer', 'enamel'] as const).map(
      (family) => wetToDry(red, family, 'gloss').lighter,
    );
    expect(water).toBeLessThan(-1);
    expect(water).toBeLessThan(lacquer!);
    expect(lacquer).toBeLessThanOrEqual(0.2);
    expect(Math.abs(enamel!)).toBeLessThan(Math.abs(water!));
    expect(wetToDry(red, 'water-acrylic', 'gloss').words).toMatch(/darker/);
  });

  it('dries a dull paint lighter: the wet shine is gone', () => {
    const black = { k: spectrumFrom(() => 0.8), s: spectrumFrom(() => 0.02) };
    expect(wetToDry(black, 'lacquer', 'matt').lighter).toBeGreaterThan(8);
    expect(wetToDry(black, 'lacquer', 'satin').lighter).toBeLessThan(
      wetToDry(black, 'lacquer', 'matt').lighter,
    );
  });
});
