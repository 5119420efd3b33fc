import { opaqueSpectrum, seenSurface, type PaintOptics } from '../paint/index.ts';
import type { Sheen, StackLayer, Substrate } from './stack.ts';

/** Gloss of a sprayed film at 60 degrees, in gloss units (ISO 2813 scale); working values. */
export const SHEEN_GLOSS: Readonly<Record<Sheen, number>> = {
  gloss: 85,
  'semi-gloss': 55,
  satin: 30,
  matt: 8,
  metal: 90,
};

const BARE_PLASTIC_GLOSS = 60;
const PLATED_GLOSS = 95;
const POLISHED_GAIN = 8;
const FLATTED_GLOSS = 20;
const KEYED_GLOSS = 15;
const WAX_GAIN = 2;

/** Gloss of a part as it comes. */
export function bareGloss({ kind }: Substrate): number {
  return kind === 'plated' ? PLATED_GLOSS : BARE_PLASTIC_GLOSS;
}

/** Gloss after a layer, given the gloss of what lies under it. */
export function glossAfter(layer: StackLayer, under: number): number {
  if (layer.kind === 'flat') return FLATTED_GLOSS;
  if (layer.kind === 'polish') return Math.min(96, SHEEN_GLOSS.gloss + POLISHED_GAIN);
  if (layer.kind === 'key') return Math.min(under, KEYED_GLOSS);
  if (layer.kind === 'wax') return Math.min(97, under + WAX_GAIN);
  if (layer.kind === 'dry-brush') return 0.8 * under + 0.2 * SHEEN_GLOSS.matt;
  if (!layer.product || layer.kind === 'wash') return under;
  return SHEEN_GLOSS[layer.product.sheen];
}

/** A gloss reading in a builder's word. */
export function sheenName(gloss: number): string {
  if (gloss >= 90) return 'polished gloss';
  if (gloss >= 70) return 'gloss';
  if (gloss >= 45) return 'semi-gloss';
  if (gloss >= 20) return 'satin';
  return 'matt';
}

/** How a paint looks laid thick with its own sheen, 31 bands: a matt black is lighter than the same black in gloss. */
export function opaqueInSheen(optics: PaintOptics, sheen: Sheen): number[] {
  return opaqueSpectrum(optics, seenSurface(SHEEN_GLOSS[sheen]));
}
