import { converter } from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { OBSERVER_TABLES } from './cieTables.ts';
import {
  BAND_COUNT,
  ciede2000,
  DAYLIGHT,
  describeDifference,
  hexToLab,
  ILLUMINANTS,
  labToDisplay,
  labToXyz,
  parseHex,
  recoverSpectrum,
  requireSpectrum,
  spectrumFrom,
  spectrumToDisplay,
  spectrumToLab,
  tristimulusWeights,
  xyzToLab,
  type IlluminantId,
  type ObserverId,
} from './index.ts';

const lights = Object.keys(ILLUMINANTS) as IlluminantId[];
const observers: ObserverId[] = ['2deg', '10deg'];
const white = new Array<number>(BAND_COUNT).fill(1);
const anyHex = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0')}`);

describe('tables', () => {
  it('holds the peaks of the standard observers', () => {
    expect(OBSERVER_TABLES['2deg'].y[16]).toBeCloseTo(0.995, 3);
    expect(OBSERVER_TABLES['10deg'].y[16]).toBeCloseTo(0.9973, 3);
  });

  it.each(lights)('has 31 positive bands for %s, 100 at 560 nm', (light) => {
    expect(ILLUMINANTS[light]).toHaveLength(BAND_COUNT);
    expect(Math.min(...ILLUMINANTS[light])).toBeGreaterThan(0);
    expect(ILLUMINANTS[light][16]).toBeCloseTo(100, 9);
  });

  it('puts the whites of the modelled LEDs between lamp and daylight', () => {
    const blueness = (illuminant: IlluminantId) =>
      tristimulusWeights({ illuminant, observer: '2deg' }).white.Z;
    expect(blueness('A')).toBeLessThan(blueness('LED-2900'));
    expect(blueness('LED-2900')).toBeLessThan(blueness('LED-4000'));
    expect(blueness('LED-4000')).toBeLessThan(blueness('D65'));
  });
});

describe('spectrumToLab', () => {
  it.each(lights.flatMap((illuminant) => observers.map((observer) => [illuminant, observer] as const)))(
    'sees a perfect reflector as exactly white under %s, %s',
    (illuminant, observer) => {
      const lab = spectrumToLab(white, { illuminant, observer });
      expect(lab.L).toBeCloseTo(100, 10);
      expect(lab.a).toBeCloseTo(0, 10);
      expect(lab.b).toBeCloseTo(0, 10);
    },
  );

  it('keeps neutral greys neutral in every light', () => {
    for (const illuminant of lights) {
      const lab = spectrumToLab(
        white.map(() => 0.184),
        { illuminant, observer: '10deg' },
      );
      expect(Math.hypot(lab.a, lab.b)).toBeLessThan(1e-9);
      expect(lab.L).toBeCloseTo(49.98, 1);
    }
  });

  it('shifts a red surface redder under the lamp', () => {
    const red = spectrumFrom((nm) => (nm < 600 ? 0.05 : 0.7));
    const day = spectrumToLab(red, DAYLIGHT);
    const lamp = spectrumToLab(red, { illuminant: 'A', observer: '2deg' });
    expect(lamp.L).toBeGreaterThan(day.L + 3);
  });

  it('refuses a spectrum of the wrong length and one with holes', () => {
    expect(() => spectrumToLab([0.1, 0.2], DAYLIGHT)).toThrow(/31 values/);
    expect(() => requireSpectrum(white.map((v, i) => (i === 3 ? NaN : v)))).toThrow(/430 nm/);
  });

  it('inverts: XYZ to Lab and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 99, noNaN: true }), fc.integer({ min: -60, max: 60 }), (L, a) => {
        const { white: w } = tristimulusWeights(DAYLIGHT);
        const back = xyzToLab(labToXyz({ L, a, b: -a / 2 }, w), w);
        expect(back.L).toBeCloseTo(L, 8);
        expect(back.a).toBeCloseTo(a, 8);
      }),
    );
  });
});

describe('hex and screen', () => {
  it('agrees with an independent conversion and survives the round trip', () => {
    const other = converter('lab65');
    fc.assert(
      fc.property(anyHex, (hex) => {
        const lab = hexToLab(hex);
        const expected = other(hex)!;
        expect(ciede2000(lab, { L: expected.l, a: expected.a, b: expected.b })).toBeLessThan(0.15);
        expect(labToDisplay(lab).hex).toBe(hex);
      }),
    );
  });

  it('says when the screen cannot show a colour', () => {
    expect(labToDisplay({ L: 60, a: -80, b: -40 }).inGamut).toBe(false);
    expect(labToDisplay({ L: 60, a: 5, b: -5 }).inGamut).toBe(true);
  });

  it.each([
    ['#12345', /5 hex digits/],
    ['#12345g', /0-9 and a-f/],
    ['', /0 hex digits/],
  ])('refuses %s and says why', (text, message) => {
    expect(() => parseHex(text)).toThrow(message);
  });
});

describe('recoverSpectrum', () => {
  it('reproduces any screen colour within dE 0.01 and stays between 0 and 1', () => {
    fc.assert(
      fc.property(anyHex, (hex) => {
        const lab = hexToLab(hex);
        const spectrum = recoverSpectrum(lab);
        expect(Math.min(...spectrum)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...spectrum)).toBeLessThanOrEqual(1);
        expect(ciede2000(lab, spectrumToLab(spectrum, DAYLIGHT))).toBeLessThan(0.01);
      }),
      {
        numRuns: 400,
        examples: [
          ['#0000ff'],
          ['#ff0000'],
          ['#00ff00'],
          ['#ffff00'],
          ['#010000'],
          ['#ffffff'],
          ['#000000'],
          ['#fefe00'],
          ['#00ffff'],
        ],
      },
    );
  });

  it('is smooth: no band jumps by more than a third for a muted colour', () => {
    const spectrum = recoverSpectrum({ L: 50, a: -20, b: -10 });
    const jumps = spectrum.slice(1).map((value, i) => Math.abs(value - spectrum[i]!));
    expect(Math.max(...jumps)).toBeLessThan(0.05);
  });

  it('refuses what no surface can be', () => {
    expect(() => recoverSpectrum({ L: 120, a: 0, b: 0 })).toThrow(/between 0 and 100/);
    expect(() => recoverSpectrum({ L: 95, a: 90, b: 0 })).toThrow(/No surface/);
    expect(() => recoverSpectrum({ L: NaN, a: 0, b: 0 })).toThrow(/three numbers/);
  });

  it('shows as the hex it came from', () => {
    expect(spectrumToDisplay(recoverSpectrum(hexToLab('#2a7f86'))).hex).toBe('#2a7f86');
  });
});

describe('describeDifference', () => {
  it('names the larger part first and says nothing for a match', () => {
    const target = { L: 50, a: -20, b: -10 };
    expect(describeDifference({ L: 54, a: -20, b: -10 }, target)).toBe('lighter');
    expect(describeDifference({ L: 49.2, a: -20, b: -10 }, target)).toBe('a touch darker');
    expect(describeDifference({ L: 50, a: -20, b: -4 }, target)).toContain('yellower');
    expect(describeDifference(target, target)).toBe('');
  });
});
