import { describe, expect, it } from 'vitest';
import {
  ciede2000,
  DAYLIGHT,
  lightenForScale,
  lighteningShare,
  recoverSpectrum,
  spectrumToLab,
} from '../colour/index.ts';
import { angleDifference } from '../match/index.ts';
import { seededRandom } from '../seededRandom.ts';
import paints from '../../../demo/data/paints.json';
import { trueAngles } from '../../../demo/flakeTruth.ts';
import { FLAKE_ANGLES, fitFlakeLobe, flakeAngles, opaqueSpectrum, USUAL_LOBE } from './index.ts';

const face = recoverSpectrum({ L: 55, a: -20, b: -10 });

describe('flakeAngles', () => {
  it('leaves a paint without flake alone at every angle', () => {
    for (const { lab } of flakeAngles(face, null)) expect(lab).toEqual(spectrumToLab(face, DAYLIGHT));
  });

  it('falls from the mirror direction, is the face at 45 degrees, and flops more with coarser flake', () => {
    const fall = (um: number) => {
      const seen = flakeAngles(face, um);
      expect(seen.map(({ degrees }) => degrees)).toEqual([...FLAKE_ANGLES]);
      expect(seen[2]!.lab.L).toBeCloseTo(55, 1);
      for (let at = 1; at < seen.length; at++) expect(seen[at]!.lab.L).toBeLessThan(seen[at - 1]!.lab.L);
      return seen[0]!.lab.L - seen[4]!.lab.L;
    };
    expect(fall(25)).toBeGreaterThan(fall(8));
  });
});

describe('fitFlakeLobe', () => {
  const random = seededRandom(1964);
  const metallics = paints
    .filter((paint) => paint.flakeUm !== undefined && paint.role === 'colour')
    .map((paint) => {
      const seen = opaqueSpectrum(paint);
      const flakeUm = paint.flakeUm!;
      return { face: seen, flakeUm, angles: trueAngles(seen, flakeUm, random) };
    });
  const learned = metallics.filter((_, at) => at % 2 === 0);
  const unseen = metallics.filter((_, at) => at % 2 === 1);

  it('predicts the five angles of paints it has not seen, sprayed in a world that lays flake otherwise', () => {
    const lobe = fitFlakeLobe(learned);
    const off = unseen.flatMap(({ face: seen, flakeUm, angles }) =>
      flakeAngles(seen, flakeUm, lobe).map(({ lab }, at) => ciede2000(angles[at]!.lab, lab)),
    );
    off.sort((a, b) => a - b);
    expect(unseen.length).toBeGreaterThan(20);
    expect(off[Math.floor(0.5 * off.length)]).toBeLessThan(1);
    expect(off.at(-1)).toBeLessThan(2);
  });

  it('is where the lobe that is taken for usual comes from', () => {
    const lobe = fitFlakeLobe(learned);
    expect(Math.abs(lobe.fineTilt - USUAL_LOBE.fineTilt)).toBeLessThan(0.5);
    expect(Math.abs(lobe.coarseTilt - USUAL_LOBE.coarseTilt)).toBeLessThan(0.5);
    expect(Math.abs(lobe.share - USUAL_LOBE.share)).toBeLessThan(0.03);
  });

  it('finds a lobe again from colours made with it', () => {
    const lobe = { fineTilt: 14, coarseTilt: 10, share: 0.8 };
    const samples = learned
      .slice(0, 8)
      .map((sample) => ({ ...sample, angles: flakeAngles(sample.face, sample.flakeUm, lobe) }));
    const found = fitFlakeLobe(samples);
    expect(found.share).toBeCloseTo(0.8, 1);
    expect(Math.abs(found.fineTilt - 14)).toBeLessThan(0.6);
    expect(() => fitFlakeLobe([])).toThrow(/no paint with flake/);
  });
});

describe('angleDifference', () => {
  it('takes the angles that both have, and names the worst', () => {
    const target = flakeAngles(face, 20);
    expect(angleDifference(target, target)).toEqual({ mean: 0, worst: 0, at: 15 });
    const plain = angleDifference(flakeAngles(face, null), target)!;
    expect(plain.worst).toBeGreaterThan(plain.mean);
    expect([15, 110]).toContain(plain.at);
    expect(angleDifference([{ degrees: 30, lab: { L: 1, a: 0, b: 0 } }], target)).toBeUndefined();
  });
});

describe('lightenForScale', () => {
  it('changes nothing by nothing, and more the smaller the scale', () => {
    expect(lightenForScale(face, 0)).toEqual(face);
    const shares = [12, 24, 35, 48].map(lighteningShare);
    expect(shares).toEqual([...shares].sort((p, q) => p - q));
    const lighter = lightenForScale(face, lighteningShare(24));
    lighter.forEach((value, band) => expect(value).toBeGreaterThan(face[band]!));
    expect(() => lightenForScale(face, 1.2)).toThrow(/not 0 to 1/);
  });
});
