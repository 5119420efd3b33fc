import type { CarpetWay } from '../choices.ts';
import { ciede2000, DAYLIGHT, spectrumToLab, type Lab, type Spectrum } from '../../colour/index.ts';

interface WayFacts {
  name: string;
  /** Mouth of the cavities between fibres as a share of them: the less, the more light is lost. Working values; a test patch
   *  read back wins. */
  open: number;
  /** Share of the ground that fibres cover. */
  cover: number;
  how: string;
  /** Minutes to begin with and for 10 cm2. */
  minutes: readonly [start: number, per10cm2: number];
}

export const CARPET_FACTS: Readonly<Record<CarpetWay, WayFacts>> = {
  flock: {
    name: 'flock',
    open: 0.4,
    cover: 0.85,
    how: 'paint as glue, brushed wet over a part at a time; sift the fibres on, press, shake off when it is dry',
    minutes: [15, 2],
  },
  'paper-tape': {
    name: 'paper tape, painted',
    open: 0.8,
    cover: 1,
    how: 'lay it, press into every corner, paint thin, so that its grain stays',
    minutes: [10, 2.5],
  },
  'printed-cloth': {
    name: 'printed cloth or paper',
    open: 0.7,
    cover: 1,
    how: 'cut by the template, glue by the edge first',
    minutes: [12, 2],
  },
  'moulded-pile': {
    name: 'moulded pile, dry-brushed',
    open: 0.75,
    cover: 1,
    how: 'base colour, then the same with a fifth of white, dry-brushed across the pile',
    minutes: [8, 1.5],
  },
};

export interface Pile {
  /** Reflectance of the fibres as a flat surface, and of what lies under them. */
  fibre: Spectrum;
  ground: Spectrum;
  /** Mouth of the cavities, 0..1. */
  open: number;
  /** Share of the ground that fibres cover, 0..1. */
  cover: number;
}

/** Light that leaves a cavity of walls with a reflectance through a mouth of a share of its walls, having been thrown about within. */
const cavity = (rho: number, open: number): number => (rho * open) / (1 - rho * (1 - open));

function checkPile({ open, cover }: Pick<Pile, 'open' | 'cover'>): void {
  if (!(open > 0 && open <= 1))
    throw new RangeError(`An open share of ${open} is none: give more than 0, at most 1.`);
  if (!(cover >= 0 && cover <= 1)) throw new RangeError(`A cover of ${cover} is none: give 0 to 1.`);
}

/** Reflectance of a pile: a row of cavities between its fibres, with the ground at the bottom of those that no fibre covers. Darker
 *  than the fibres are, the more so the deeper. Throws RangeError for shares out of 0..1. */
export function pileSpectrum({ fibre, ground, open, cover }: Pile): Spectrum {
  checkPile({ open, cover });
  return fibre.map((rho, at) => cover * cavity(rho, open) + (1 - cover) * cavity(ground[at]!, open));
}

const labOf = (spectrum: Spectrum): Lab => spectrumToLab(spectrum, DAYLIGHT);

export interface CarpetMend {
  /** 0..1: the reflectance of a grey under the fibres, or the share of fibres that are painted over. */
  share: number;
  lab: Lab;
  dE00: number;
}

/** The best of a hundred shares from 0 to `most`. */
function best(most: number, wanted: Lab, spectrumAt: (share: number) => Spectrum): CarpetMend {
  let found: CarpetMend = { share: 0, lab: labOf(spectrumAt(0)), dE00: Infinity };
  for (let step = 0; step <= 100; step++) {
    const share = (most * step) / 100;
    const lab = labOf(spectrumAt(share));
    const dE00 = ciede2000(wanted, lab);
    if (dE00 < found.dE00 - 1e-9) found = { share, lab, dE00 };
  }
  return found;
}

/** Paint reflects at most so much. */
const WHITEST = 0.9;

/** The grey of the paint under the fibres that brings a pile nearest to a colour. */
export const groundFor = (pile: Omit<Pile, 'ground'>, wanted: Lab): CarpetMend =>
  best(WHITEST, wanted, (grey) =>
    pileSpectrum({ ...pile, ground: pile.fibre.map(() => Math.max(0.02, grey)) }),
  );

/** How much of the fibres is to be painted over with a paint, dry-brushed or dusted, to bring a pile nearest to a colour; at most
 *  half, beyond which it clogs. */
export const paintOverFor = (pile: Pile, paint: Spectrum, wanted: Lab): CarpetMend =>
  best(0.5, wanted, (share) =>
    pileSpectrum({ ...pile, fibre: pile.fibre.map((rho, at) => (1 - share) * rho + share * paint[at]!) }),
  );

/** The open share at which a pile is as light as a test patch was read; undefined where none is: the patch is lighter than its fibres,
 *  or darker than any pile. */
export function openFromPatch(pile: Omit<Pile, 'open'>, patch: Lab): number | undefined {
  const lightness = (open: number) => labOf(pileSpectrum({ ...pile, open })).L;
  let [low, high] = [0.005, 1];
  if (patch.L > lightness(high) + 0.05 || patch.L < lightness(low) - 0.05) return undefined;
  for (let turn = 0; turn < 40; turn++) {
    const middle = (low + high) / 2;
    if (lightness(middle) < patch.L) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Flock of one mm of length weighs so much on a cm2, g. Working value. */
const GRAMS_PER_CM2_MM = 0.012;

/** Flock for an area, g, with a third to be sifted on and shaken off again. Throws RangeError for sizes that are not above zero. */
export function flockGrams(areaCm2: number, fibreMm: number): number {
  if (!(areaCm2 > 0)) throw new RangeError(`An area of ${areaCm2} cm² is none: give more than 0.`);
  if (!(fibreMm > 0)) throw new RangeError(`Fibres of ${fibreMm} mm are none: give more than 0.`);
  return 1.33 * GRAMS_PER_CM2_MM * areaCm2 * fibreMm;
}
