import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, recoverSpectrum, spectrumFrom, spectrumToLab } from '../colour/index.ts';
import { inkFor, inkOver, inkTransmittance, PAPER_WHITE } from './index.ts';

const flat = (level: number) => new Array<number>(31).fill(level);
const gold = recoverSpectrum({ L: 70, a: 10, b: 50 });

describe('ink over a base', () => {
  it('looks as printed over the paper it was given on, and as the base where it is clear', () => {
    const paper = flat(PAPER_WHITE);
    inkOver(gold, paper).forEach((value, band) => expect(value).toBeCloseTo(gold[band]!, 12));
    const base = spectrumFrom((nm) => nm / 1000);
    expect(inkOver(paper, base)).toEqual(base);
  });

  it('never gives light back and is no lighter over a darker base', () => {
    const red = recoverSpectrum({ L: 40, a: 50, b: 30 });
    const over = inkOver(gold, red);
    over.forEach((value, band) => expect(value).toBeLessThanOrEqual(red[band]!));
    const darker = inkOver(
      gold,
      red.map((value) => value / 2),
    );
    darker.forEach((value, band) => expect(value).toBeLessThanOrEqual(over[band]!));
    inkTransmittance(flat(0.95)).forEach((value) => expect(value).toBe(1));
  });

  it('is found exactly for a base that is light enough, and falls short over a dark one', () => {
    const difference = (base: number[]) =>
      ciede2000(spectrumToLab(gold, DAYLIGHT), spectrumToLab(inkOver(inkFor(gold, base), base), DAYLIGHT));
    expect(difference(flat(0.8))).toBeLessThan(1e-6);
    expect(difference(recoverSpectrum({ L: 30, a: 40, b: 25 }))).toBeGreaterThan(5);
  });
});
