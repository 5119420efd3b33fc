import type { LayerKind, StackLayer, Tool } from '../../../core/finish/index.ts';
import type { PlannedLayer } from '../../../core/kit/index.ts';

export const LAYER_WORDS: Readonly<Record<LayerKind, string>> = {
  primer: 'Primer',
  undercoat: 'Undercoat',
  colour: 'Colour',
  metal: 'Metal',
  mask: 'Mask',
  decal: 'Decals',
  clear: 'Clear',
  flat: 'Flat, wet',
  polish: 'Polish',
  wash: 'Wash',
};

export const TOOL_WORDS: Readonly<Record<Tool, string>> = {
  airbrush: 'airbrush',
  can: 'spray can',
  brush: 'brush',
  marker: 'marker',
  hand: 'by hand',
};

/** A layer as it is called in labels. */
export function layerName(planned: PlannedLayer, resolved: StackLayer): string {
  return resolved.product ? resolved.product.name : LAYER_WORDS[planned.kind];
}
