import { BAND_COUNT, bandWavelength } from '../colour/index.ts';

export type HotMetalId = 'stainless' | 'steel' | 'titanium';

interface HotMetal {
  id: HotMetalId;
  name: string;
  /** Complex index of the metal at 400 and 700 nm: n and k, straight between. */
  n: [number, number];
  k: [number, number];
  /** Complex index of its oxide. */
  oxide: { n: number; k: number };
  /** Oxide grown in an hour at T kelvin: `grown` exp(-`slope` / T), nm. */
  grown: number;
  slope: number;
}

/** Optical constants are rounded from tables of pure metals and oxides; growth is fitted to the usual tables of temper
 *  colours in air, by the thickness at which the film shows each (plain steel: straw 226 C, brown 255, purple 277,
 *  blue 297; stainless: straw 340 C, brown 390, purple 450, blue 540; titanium: gold about 400 C, blue about 550).
 *  Working values. */
export const HOT_METALS: readonly HotMetal[] = [
  {
    id: 'stainless',
    name: 'stainless steel',
    n: [2.0, 2.9],
    k: [2.7, 3.4],
    oxide: { n: 2.35, k: 0.12 },
    grown: 314,
    slope: 1528,
  },
  {
    id: 'steel',
    name: 'plain steel',
    n: [2.2, 2.9],
    k: [2.7, 3.3],
    oxide: { n: 2.4, k: 0.2 },
    grown: 3334,
    slope: 2443,
  },
  {
    id: 'titanium',
    name: 'titanium',
    n: [1.7, 2.3],
    k: [2.3, 3.0],
    oxide: { n: 2.4, k: 0 },
    grown: 3050,
    slope: 3383,
  },
];

/** Beyond this the oxide is scale: thick, dull and dark. */
const THICKEST_NM = 400;

const metalOf = (id: HotMetalId): HotMetal => HOT_METALS.find((metal) => metal.id === id)!;

/** Oxide on a metal after an hour at a temperature, nm. */
export function oxideThickness(id: HotMetalId, celsius: number): number {
  const { grown, slope } = metalOf(id);
  return Math.min(THICKEST_NM, grown * Math.exp(-slope / (Math.max(celsius, -200) + 273.15)));
}

/** Reflectance of a metal under an oxide film, 31 bands, light falling straight on: Airy's sum over the reflections
 *  between the faces of the film, r = (r1 + r2 e^(2ib)) / (1 + r1 r2 e^(2ib)) with the Fresnel amplitudes r1 (air to
 *  oxide) and r2 (oxide to metal) and the phase b = 2 pi n d / wavelength, all complex (Born and Wolf, Principles
 *  of Optics, 1.6.4). Throws RangeError for a thickness below zero. */
export function oxideReflectance(id: HotMetalId, thicknessNm: number): number[] {
  if (!(thicknessNm >= 0)) throw new RangeError(`An oxide film of ${thicknessNm} nm cannot be.`);
  const metal = metalOf(id);
  return Array.from({ length: BAND_COUNT }, (_, band) => {
    const nm = bandWavelength(band);
    const along = (nm - 400) / 300;
    const base: Complex = [
      metal.n[0] + along * (metal.n[1] - metal.n[0]),
      metal.k[0] + along * (metal.k[1] - metal.k[0]),
    ];
    const oxide: Complex = [metal.oxide.n, metal.oxide.k];
    const r1 = amplitude([1, 0], oxide);
    const r2 = amplitude(oxide, base);
    const angle = (4 * Math.PI * thicknessNm) / nm;
    const fading = Math.exp(-angle * oxide[1]);
    const turn: Complex = [fading * Math.cos(angle * oxide[0]), fading * Math.sin(angle * oxide[0])];
    const back = times(r2, turn);
    const sum = divided([r1[0] + back[0], r1[1] + back[1]], addOne(times(r1, back)));
    return sum[0] ** 2 + sum[1] ** 2;
  });
}

type Complex = readonly [re: number, im: number];
const times = (p: Complex, q: Complex): Complex => [p[0] * q[0] - p[1] * q[1], p[0] * q[1] + p[1] * q[0]];
const divided = (p: Complex, q: Complex): Complex => {
  const size = q[0] ** 2 + q[1] ** 2;
  return [(p[0] * q[0] + p[1] * q[1]) / size, (p[1] * q[0] - p[0] * q[1]) / size];
};
const addOne = (p: Complex): Complex => [1 + p[0], p[1]];
/** Fresnel's amplitude for light that goes from one medium straight into another. */
const amplitude = (from: Complex, to: Complex): Complex =>
  divided([from[0] - to[0], from[1] - to[1]], [from[0] + to[0], from[1] + to[1]]);

/** How hot a pipe is along its length. */
export interface HotPipe {
  metal: HotMetalId;
  /** Length of the model's pipe, mm, and the denominator of the scale. */
  lengthMm: number;
  scale: number;
  /** Hottest the pipe ever gets at the port, C. */
  portC: number;
  /** Distance on the real thing in which the heat above the air falls to a third, mm. */
  coolingMm: number;
}

const AIR_C = 25;

/** Temperature at a distance from the port on the model, C: heat falls off evenly in shares. */
export function pipeTemperature({ scale, portC, coolingMm }: HotPipe, distanceMm: number): number {
  return AIR_C + (portC - AIR_C) * Math.exp((-distanceMm * scale) / coolingMm);
}
