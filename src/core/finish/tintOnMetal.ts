import { GLOSSY, innerLight, nearestPass, tintPasses } from '../paint/index.ts';
import { BARE_METALS, metalLab } from './bareMetals.ts';
import { mirrorOfSubstrate } from './mirror.ts';
import { SUBSTRATES } from './substrates.ts';
import { TINTS, type TintId } from './tints.ts';

/** Dry film of one dusted pass, um. */
const PASS_UM = 2;
const MOST_PASSES = 12;

export interface TintOnMetal {
  tint: TintId;
  name: string;
  passes: number;
  dE00: number;
}

/** There are as many answers as metals. */
const kept = new Map<string, TintOnMetal>();

/** The tint and its passes over a bright part that come nearest to a metal; no pass where bright metal is nearer than any tint.
 *  Throws RangeError for a metal that is not known. */
export function tintTowards(metalId: string): TintOnMetal {
  const known = kept.get(metalId);
  if (known) return known;
  const found = nearestTint(metalId);
  kept.set(metalId, found);
  return found;
}

function nearestTint(metalId: string): TintOnMetal {
  const metal = BARE_METALS.find(({ id }) => id === metalId);
  if (!metal) throw new RangeError(`There is no metal called ${metalId}.`);
  const plating = SUBSTRATES.find(({ kind }) => kind === 'plated')!;
  const base = innerLight(plating.reflectance, GLOSSY, mirrorOfSubstrate(plating));
  const wanted = metalLab(metal);
  return TINTS.map(({ id, name, k }): TintOnMetal => ({
    tint: id,
    name,
    ...nearestPass(tintPasses(base, k, PASS_UM, MOST_PASSES), wanted),
  })).reduce((best, each) => (each.dE00 < best.dE00 - 1e-9 ? each : best));
}
