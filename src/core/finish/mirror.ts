import { mirrorShare } from '../paint/index.ts';
import type { Product, Substrate } from './stack.ts';

/** Families that lie as bare metal rather than as a paint with flake in it. */
const BARE_METAL: ReadonlySet<Product['family']> = new Set([
  'metal-lacquer',
  'buffing-metal',
  'chrome-ink',
  'foil',
] as const);

/** Share of a product's light that is a mirror's; see paint/lightPath.ts. */
export function mirrorOf({ family, flakeUm }: Pick<Product, 'family' | 'flakeUm'>): number {
  return mirrorShare(flakeUm, BARE_METAL.has(family));
}

/** The same of a part as it comes: plating is a mirror. */
export function mirrorOfSubstrate({ kind }: Substrate): number {
  return kind === 'plated' ? mirrorShare(null, true) : 0;
}
