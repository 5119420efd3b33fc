import type { Lab } from '../colour/index.ts';
import { GLOSSY, innerLight, nearestPass, tintPasses, type InnerLight } from '../paint/index.ts';
import { BARE_METALS, metalLab } from './bareMetals.ts';
import { mirrorOfSubstrate } from './mirror.ts';
import { SUBSTRATES } from './substrates.ts';
import { TINTS, type TintId } from './tints.ts';

/** Dry film of one dusted pass, um. */
export const TINT_PASS_UM = 2;
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
  return nearestTintOver(platedLight(), metalLab(metal));
}

/** Light of bright plating under a clear film. */
export function platedLight(): InnerLight {
  const plating = SUBSTRATES.find(({ kind }) => kind === 'plated')!;
  return innerLight(plating.reflectance, GLOSSY, mirrorOfSubstrate(plating));
}

/** The tint and its passes over a base that come nearest to a colour; of equals the first of the table. */
export const nearestTintOver = (base: InnerLight, wanted: Lab): TintOnMetal =>
  TINTS.map(({ id, name, k }): TintOnMetal => ({
    tint: id,
    name,
    ...nearestPass(tintPasses(base, k, TINT_PASS_UM, MOST_PASSES), wanted),
  })).reduce((best, each) => (each.dE00 < best.dE00 - 1e-9 ? each : best));
