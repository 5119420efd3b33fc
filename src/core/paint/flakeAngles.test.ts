import { describe, expect, it } from 'vitest';
import { lightenForScale, lighteningShare, recoverSpectrum } from '../colour/index.ts';
import { angleDifference } from '../match/index.ts';
import { FLAKE_ANGLES, flakeAngles } from './index.ts';

const face = { L: 55, a: -20, b: -10 };

describe('flakeAngles', () => {
  it('leaves a paint without flake alone at every angle', () => {
    for (const { lab } of flakeAngles(face, null)) expect(lab).toEqual(face);
  });

  it('falls from the mirror direction, is the face at 45 degrees, and flops more with coarser flake', () => {
    const fall = (um: number) => {
      const seen = flakeAngles(face, um);
      expect(seen.map(({ degrees }) => degrees)).toEqual([...FLAKE_ANGLES]);
      expect(seen[2]!.lab.L).toBeCloseTo(face.L, 12);
      for (let at = 1; at < seen.length; at++) expect(seen[at]!.lab.L).toBeLessThan(seen[at - 1]!.lab.L);
      return seen[0]!.lab.L - seen[4]!.lab.L;
    };
    expect(fall(25)).toBeGreaterThan(fall(8));
  });
});

describe('angleDifference', () => {
  it('takes the angles that both have, and names the worst', () => {
    const target = flakeAngles(face, 20);
    expect(angleDifference(target, target)).toEqual({ mean: 0, worst: 0, at: 15 });
    const plain = angleDifference(flakeAngles(face, null), target)!;
    expect(plain.worst).toBeGreaterThan(plain.mean);
    expect([15, 110]).toContain(plain.at);
    expect(angleDifference([{ degrees: 30, lab: face }], target)).toBeUndefined();
  });
});

describe('lightenForScale', () => {
  const spectrum = recoverSpectrum(face);
  it('changes nothing by nothing, and more the smaller the scale', () => {
    expect(lightenForScale(spectrum, 0)).toEqual(spectrum);
    const shares = [12, 24, 35, 48].map(lighteningShare);
    expect(shares).toEqual([...shares].sort((p, q) => p - q));
    const lighter = lightenForScale(spectrum, lighteningShare(24));
    lighter.forEach((value, band) => expect(value).toBeGreaterThan(spectrum[band]!));
    expect(() => lightenForScale(spectrum, 1.2)).toThrow(/not 0 to 1/);
  });
});
