import { describe, expect, it } from 'vitest';
import { bare, figure } from './figures.ts';

describe('figure', () => {
  it('shows a number with its unit and the digits that mean something', () => {
    expect(figure(0.8, 'dE')).toBe('0.8 dE');
    expect(figure(11.6, 'µm')).toBe('12 µm');
    expect(figure(0.456, 'mm')).toBe('0.46 mm');
    expect(figure(420, 'euro')).toBe('€4.20');
    expect(figure(0.123, 'dE', 2)).toBe('0.12 dE');
  });

  it('never shows the dust of floating point, a minus before nought, or what is no number', () => {
    expect(figure(0.1 + 0.2, 'parts')).toBe('0.3');
    expect(figure(3, 'parts')).toBe('3');
    expect(figure(-0.01, 'dE')).toBe('0.0 dE');
    expect(figure(NaN, 'ml')).toBe('?');
    expect(bare(0.456, 'mm')).toBe('0.46');
    expect(figure(1.25, 'times', 2)).toBe('×1.25');
  });
});
