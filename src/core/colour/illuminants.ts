import { DAYLIGHT_STEP_NM, DAYLIGHT_TABLES, TABLE_START_NM } from './cieTables.ts';

export const ILLUMINANT_IDS = ['D65', 'D50', 'A', 'LED-4000', 'LED-2900'] as const;
export type IlluminantId = (typeof ILLUMINANT_IDS)[number];

/** Whether a word names a light that Fanfare knows. */
export function isIlluminant(word: string): word is IlluminantId {
  return (ILLUMINANT_IDS as readonly string[]).includes(word);
}

interface LedModel {
  /** Pump peak: centre and width (standard deviation) in nm, and height. */
  pump: [centre: number, width: number, height: number];
  /** Phosphor bands in the same terms. */
  phosphor: [centre: number, width: number, height: number][];
}

const gaussian = (nm: number, [centre, width, height]: [number, number, number]) =>
  height * Math.exp(-((nm - centre) ** 2) / (2 * width ** 2));

/** White LEDs are modelled, not measured: a narrow blue pump and broad phosphor emission as sums of
 *  Gaussians, heights solved so that the white falls on the Planckian locus at the
 *  named colour temperature (CIE 1931 chromaticity). */
function modelledLed({ pump, phosphor }: LedModel): (nm: number) => number {
  const power = (nm: number) =>
    gaussian(nm, pump) + phosphor.reduce((sum, band) => sum + gaussian(nm, band), 0);
  const at560 = power(560);
  return (nm) => (100 * power(nm)) / at560;
}

/** CIE illuminant A at 2848 K on the scale of its definition (CIE 15:2004, 3.1). */
function lamp(nm: number): number {
  const planck = (at: number) => Math.exp(1.435e7 / (2848 * at)) - 1;
  return 100 * (560 / nm) ** 5 * (planck(560) / planck(nm));
}

const tabulated = (table: readonly number[]) => (nm: number) => {
  const position = (nm - TABLE_START_NM) / DAYLIGHT_STEP_NM;
  const cell = Math.min(table.length - 2, Math.max(0, Math.floor(position)));
  return table[cell]! + (position - cell) * (table[cell + 1]! - table[cell]!);
};

const POWER: Readonly<Record<IlluminantId, (nm: number) => number>> = {
  D65: tabulated(DAYLIGHT_TABLES.D65),
  D50: tabulated(DAYLIGHT_TABLES.D50),
  A: lamp,
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

/** Relative spectral power of a light at a wavelength of 380 to 780 nm, 560 nm = 100. */
export function illuminantPower(illuminant: IlluminantId, nm: number): number {
  return POWER[illuminant](nm);
}

/** What each light is, in a builder's words. */
export const ILLUMINANT_NAMES: Readonly<Record<IlluminantId, { name: string; source: string }>> = {
  D65: { name: 'Daylight', source: 'CIE D65, average daylight' },
  A: { name: 'Lamp', source: 'CIE A, filament lamp' },
  'LED-4000': { name: 'LED hall', source: 'modelled white LED, about 4000 K' },
  'LED-2900': { name: 'LED lamp', source: 'modelled warm white LED, about 2900 K' },
  D50: { name: 'Low sun', source: 'CIE D50, horizon daylight' },
};
