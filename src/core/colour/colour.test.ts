import { converter, toGamut } from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { OBSERVER_TABLES } from './cieTables.ts';
import {
  BAND_COUNT,
  ciede2000,
  DAYLIGHT,
  describeDifference,
  hexToLab,
  ILLUMINANT_IDS,
  illuminantPower,
  labToDisplay,
  labToXyz,
  metamericBand,
  metamers,
  nearestPossible,
  observerAt,
  parseHex,
  possibleSpectra,
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

const lights: readonly IlluminantId[] = ILLUMINANT_IDS;
const observers: ObserverId[] = ['2deg', '10deg'];
const white = new Array<number>(BAND_COUNT).fill(1);
const anyHex = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0')}`);

describe('tables', () => {
  it('holds the peaks of the standard observers', () => {
    expect(observerAt('2deg', 555).y).toBe(1);
    expect(observerAt('2deg', 560).y).toBeCloseTo(0.995, 3);
    expect(observerAt('10deg', 560).y).toBeCloseTo(0.9973, 3);
    expect(OBSERVER_TABLES['2deg'].x).toHaveLength(81);
  });

  it.each(lights)('gives %s power at every wavelength, 100 at 560 nm', (light) => {
    for (let nm = 380; nm <= 780; nm += 5) expect(illuminantPower(light, nm)).toBeGreaterThan(0);
    expect(illuminantPower(light, 560)).toBeCloseTo(100, 9);
  });

  it('has the published powers of daylight and lamp', () => {
    expect(illuminantPower('D65', 400)).toBeCloseTo(82.75, 2);
    expect(illuminantPower('D50', 400)).toBeCloseTo(49.31, 2);
    expect(illuminantPower('A', 400)).toBeCloseTo(14.708, 3);
    expect(illuminantPower('A', 700)).toBeCloseTo(198.261, 2);
  });

  it.each([
    ['D65', '2deg', 95.047, 108.883],
    ['D65', '10deg', 94.811, 107.304],
    ['D50', '2deg', 96.422, 82.521],
    ['D50', '10deg', 96.72, 81.427],
    ['A', '2deg', 109.85, 35.585],
    ['A', '10deg', 111.144, 35.2],
  ] as const)('has the published white of %s, %s', (illuminant, observer, X, Z) => {
    const { white: seen, x, y, z } = tristimulusWeights({ illuminant, observer });
    expect(Math.abs(100 * seen.X - X)).toBeLessThan(0.01);
    expect(Math.abs(100 * seen.Z - Z)).toBeLessThan(0.01);
    expect(Math.min(...x, ...y, ...z)).toBeGreaterThanOrEqual(0);
    // And not by scaling alone: the plain 5 nm sum of the tables comes as near.
    const sum = { x: 0, y: 0, z: 0 };
    for (let nm = 380; nm <= 780; nm += 5) {
      for (const axis of ['x', 'y', 'z'] as const)
        sum[axis] += illuminantPower(illuminant, nm) * observerAt(observer, nm)[axis];
    }
    expect(Math.abs((100 * sum.x) / sum.y - X)).toBeLessThan(0.01);
    expect(Math.abs((100 * sum.z) / sum.y - Z)).toBeLessThan(0.025);
  });

  it('knows its lights by their own names alone', () => {
    for (const word of ['constructor', 'toString', '__proto__', 'F11'])
      expect(() => tristimulusWeights({ illuminant: word as IlluminantId, observer: '2deg' })).toThrow(
        /Unknown light/,
      );
    expect(() => tristimulusWeights({ illuminant: 'D65', observer: 'constructor' as ObserverId })).toThrow(
      /Unknown light/,
    );
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

  it('stands in for colours beyond the screen as CSS Color 4 does, keeping hue', () => {
    const map = toGamut('rgb', 'oklch');
    const back = converter('oklch');
    for (const lab of [
      { L: 60, a: -80, b: -40 },
      { L: 60, a: 60, b: -90 },
      { L: 85, a: -30, b: 100 },
      { L: 40, a: 90, b: 70 },
    ]) {
      const shown = labToDisplay(lab);
      const other = map({ mode: 'lab65', l: lab.L, a: lab.a, b: lab.b });
      expect(shown.inGamut).toBe(false);
      const channels = parseHex(shown.hex);
      [other.r, other.g, other.b].forEach((value, i) =>
        expect(Math.abs(255 * value - channels[i]!)).toBeLessThan(4),
      );
      const hue = (colour: string | object) => back(colour as string)!.h!;
      const turn = Math.abs(hue(shown.hex) - hue({ mode: 'lab65', l: lab.L, a: lab.a, b: lab.b }));
      expect(Math.min(turn, 360 - turn)).toBeLessThan(8);
    }
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

  it.each([
    { L: 15, a: 54, b: 95 },
    { L: 60, a: 90, b: -90 },
    { L: 3, a: 40, b: 5 },
    { L: 99, a: -60, b: 60 },
  ])('refuses $L $a $b and names the nearest that can be', (lab) => {
    const nearest = nearestPossible(lab);
    const words = [nearest.L, nearest.a, nearest.b].map((value) => Number(value.toFixed(1))).join(' ');
    expect(() => recoverSpectrum(lab)).toThrow(`The nearest that can be is ${words}`);
    expect(ciede2000(spectrumToLab(recoverSpectrum(nearest), DAYLIGHT), nearest)).toBeLessThan(0.05);
    // No possible colour around it, of that hue, is nearer.
    for (const L of [-6, -3, -1, 1, 3, 6]) {
      for (const share of [0.6, 0.8, 0.9, 1]) {
        const other = { L: nearest.L + L, a: nearest.a * share, b: nearest.b * share };
        if (ciede2000(other, lab) > ciede2000(nearest, lab) - 0.3) continue;
        expect(() => recoverSpectrum(other)).toThrow();
      }
    }
  });

  it('gives back a colour that can be as the nearest to itself', () => {
    expect(nearestPossible({ L: 50, a: 20, b: 10 })).toEqual({ L: 50, a: 20, b: 10 });
  });

  it('recovers under other lights and observers, too', () => {
    for (const illuminant of ['A', 'D50'] as const) {
      const condition = { illuminant, observer: '10deg' as const };
      const spectrum = recoverSpectrum({ L: 45, a: 20, b: -15 }, condition);
      expect(ciede2000(spectrumToLab(spectrum, condition), { L: 45, a: 20, b: -15 })).toBeLessThan(0.01);
    }
  });

  it('shows as the hex it came from', () => {
    expect(spectrumToDisplay(recoverSpectrum(hexToLab('#2a7f86'))).hex).toBe('#2a7f86');
  });
});

describe('metamers', () => {
  const random = () => {
    let state = 5;
    return () => (state = (state * 16807) % 2147483647) / 2147483647;
  };
  const lab = { L: 42, a: 18, b: -20 };

  it('all have the colour in one light, stay between 0 and 1 and part in another', () => {
    const found = metamers(lab, random(), 30);
    expect(found.length).toBe(30);
    const lamp = { illuminant: 'A', observer: '2deg' } as const;
    for (const spectrum of found) {
      expect(ciede2000(spectrumToLab(spectrum, DAYLIGHT), lab)).toBeLessThan(0.05);
      expect(Math.min(...spectrum)).toBeGreaterThan(0);
      expect(Math.max(...spectrum)).toBeLessThan(1);
    }
    expect(
      Math.max(...found.map((one) => ciede2000(spectrumToLab(one, lamp), spectrumToLab(found[0]!, lamp)))),
    ).toBeGreaterThan(1);
  });

  it('give a band that holds the smooth answer, and none in the light that is known', () => {
    const sample = recoverSpectrum({ L: 44, a: 15, b: -18 });
    const seen = { illuminant: 'A', observer: '2deg' } as const;
    const possible = possibleSpectra(lab, random());
    const band = metamericBand(sample, possible, seen);
    expect(band.low).toBeLessThanOrEqual(band.dE00);
    expect(band.high).toBeGreaterThan(band.dE00);
    const same = metamericBand(sample, possible, DAYLIGHT);
    expect(same.high - same.low).toBeLessThan(0.1);
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
