import { ciede2000, DAYLIGHT, spectrumToLab, type Spectrum } from '../../colour/index.ts';
import { opaqueSpectrum } from '../../paint/index.ts';

/** What a substitute is chosen by. */
export interface SubstitutePaint {
  id: string;
  k: Spectrum;
  s: Spectrum;
  family: string;
  sheen: string;
  hiding: string;
  role: string;
  container: string;
  flakeUm: number | null;
  discontinued: boolean;
}

export interface Substitute {
  id: string;
  /** dE00 in daylight from the paint it stands in for. */
  dE00: number;
  /** What else is different, in words. */
  differs: string[];
}

/** What a difference other than colour counts for, in dE00: it can be dealt with, but not for nothing. */
const OTHER_FAMILY = 1.5;
const OTHER_SHEEN = 0.8;
const OTHER_HIDING = 0.6;
const OTHER_CONTAINER = 0.5;
const PER_FLAKE_UM = 0.1;

/** Paints that can stand in for one that is no longer to be had, best first: near in colour, then of the same
 *  chemistry, sheen and hiding. Discontinued ones and those for another use are left out. */
export function substitutes(
  wanted: SubstitutePaint,
  paints: readonly SubstitutePaint[],
  count: number,
): Substitute[] {
  const target = spectrumToLab(opaqueSpectrum(wanted), DAYLIGHT);
  return paints
    .filter(
      ({ id, role, discontinued, flakeUm }) =>
        id !== wanted.id &&
        !discontinued &&
        role === wanted.role &&
        (flakeUm === null) === (wanted.flakeUm === null),
    )
    .map((paint) => {
      const dE00 = ciede2000(target, spectrumToLab(opaqueSpectrum(paint), DAYLIGHT));
      const differs: string[] = [];
      let cost = dE00;
      const compare = (key: 'family' | 'sheen' | 'hiding' | 'container', price: number) => {
        if (paint[key] === wanted[key]) return;
        differs.push(paint[key]);
        cost += price;
      };
      compare('family', OTHER_FAMILY);
      compare('sheen', OTHER_SHEEN);
      compare('hiding', OTHER_HIDING);
      compare('container', OTHER_CONTAINER);
      if (paint.flakeUm !== null && wanted.flakeUm !== null && paint.flakeUm !== wanted.flakeUm) {
        differs.push(`flake ${paint.flakeUm} µm`);
        cost += PER_FLAKE_UM * Math.abs(paint.flakeUm - wanted.flakeUm);
      }
      return { id: paint.id, dE00, differs, cost };
    })
    .sort((p, q) => p.cost - q.cost)
    .slice(0, count)
    .map(({ id, dE00, differs }) => ({ id, dE00, differs }));
}
