import { describe, expect, it } from 'vitest';
import type { CodeRecord } from '../../../api/index.ts';
import { ciede2000, DAYLIGHT, recoverSpectrum, spectrumToLab } from '../../../core/colour/index.ts';
import { aimedFor, amountText, judgedIn, purchases, USUAL, wantedIn } from './matchChoices.ts';

const lab = { L: 45, a: 20, b: -15 };
const code: CodeRecord = {
  id: 'x',
  maker: 'Own',
  code: 'X',
  name: 'Heather',
  years: '',
  suppliers: '',
  kind: 'solid',
  spectrum: recoverSpectrum(lab),
  gloss: 85,
  notice: '',
  version: 1,
  angles: null,
  sources: [
    { provenance: 'photograph', note: '', lab: { L: 40, a: 22, b: -15 }, uncertainty: 4.5, inForce: false },
    { provenance: 'instrument', note: '', lab, uncertainty: 0.4, inForce: true },
  ],
};

describe('how a match is judged', () => {
  it('is in one light, or in the worst of all that a model is shown in', () => {
    expect(judgedIn(USUAL)).toEqual([DAYLIGHT]);
    const all = judgedIn({ ...USUAL, light: 'worst', observer: '10deg' });
    expect(all.map(({ illuminant }) => illuminant)).toEqual(['D65', 'A', 'LED-4000', 'D50']);
    expect(all.every(({ observer }) => observer === '10deg')).toBe(true);
  });

  it('sees the colour wanted in every light', () => {
    const lamp = { illuminant: 'A', observer: '2deg' } as const;
    const [day, evening] = wantedIn(code, [DAYLIGHT, lamp]);
    expect(ciede2000(day!, lab)).toBeLessThan(1e-6);
    expect(evening).toEqual(spectrumToLab(code.spectrum, lamp));
    const wide = wantedIn(code, [{ illuminant: 'D65', observer: '10deg' }])[0]!;
    expect(ciede2000(wide, lab)).toBeGreaterThan(0.1);
  });

  it('lightens only where that is asked for, and no source', () => {
    expect(aimedFor(code, 0)).toBe(code);
    const paler = aimedFor(code, 0.1);
    expect(wantedIn(paler, [DAYLIGHT])[0]!.L).toBeGreaterThan(lab.L);
    expect(paler.sources).toEqual(code.sources);
    expect(code.spectrum).toEqual(recoverSpectrum(lab));
  });

  it('counts bottles to buy and parts in their unit', () => {
    expect((['shelf', 'shelf+1', 'shelf+2', 'all'] as const).map(purchases)).toEqual([
      undefined,
      1,
      2,
      undefined,
    ]);
    expect(amountText(1, 'drops')).toBe('1 drop');
    expect(amountText(12, 'drops')).toBe('12 drops');
    expect(amountText(12, 'tenths')).toBe('1.2 ml');
  });
});
