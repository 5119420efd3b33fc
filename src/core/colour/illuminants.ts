import { ILLUMINANT_TABLES } from './cieTables.ts';
import { spectrumFrom, type Spectrum } from './spectrum.ts';

export type IlluminantId = 'D65' | 'D50' | 'A' | 'LED-4000' | 'LED-2900';

interface LedModel {
  /** Pump peak: centre and width (standard deviation) in nm, and height. */
  pump: [centre: number, width: number, height: number];
  /** Phosphor bands in the same terms. */
  phosphor: [centre: number, width: number, height: number][];
}

/** White LEDs are modelled, not measured: a narrow blue pump and broad phosphor emission as sums of
 *  Gaussians, heights solved so that the white falls on the Planckian locus at the
 *  named colour temperature (CIE 1931 chromaticity). */
function modelledLed({ pump, phosphor }: LedModel): number[] {
  const gaussian = (nm: number, [centre, width, height]: [number, number, number]) =>
    height * Math.exp(-((nm - centre) ** 2) / (2 * width ** 2));
  const power = (nm: number) =>
    gaussian(nm, pump) + phosphor.reduce((sum, band) => sum + gaussian(nm, band), 0);
  const at560 = power(560);
  return spectrumFrom((nm) => (100 * power(nm)) / at560);
}

/** Relative spectral power per band, 560 nm = 100. */
export const ILLUMINANTS: Readonly<Record<IlluminantId, Spectrum>> = {
  ...ILLUMINANT_TABLES,
  'LED-4000': modelledLed({
    pump: [452, 11, 1.146],
    phosphor: [
      [540, 40, 0.678],
      [610, 44, 0.931],
    ],
  }),
  'LED-2900': modelledLed({
    pump: [453, 11, 0.634],
    phosphor: [
      [545, 40, 0.522],
      [618, 46, 1.21],
    ],
  }),
};

/** What each light is, in a builder's words. */
export const ILLUMINANT_NAMES: Readonly<Record<IlluminantId, { name: string; source: string }>> = {
  D65: { name: 'Daylight', source: 'CIE D65, average daylight' },
  A: { name: 'Lamp', source: 'CIE A, filament lamp' },
  'LED-4000': { name: 'LED hall', source: 'modelled white LED, about 4000 K' },
  'LED-2900': { name: 'LED lamp', source: 'modelled warm white LED, about 2900 K' },
  D50: { name: 'Low sun', source: 'CIE D50, horizon daylight' },
};
