import { LAYER_KINDS, type StackLayer, type Tool } from '../../../core/finish/index.ts';
import type { PlannedLayer } from '../../../core/kit/index.ts';

export const TOOL_WORDS: Readonly<Record<Tool, string>> = {
  airbrush: 'airbrush',
  can: 'spray can',
  brush: 'brush',
  marker: 'marker',
  sponge: 'sponge',
  hand: 'by hand',
};

/** A layer as it is called in labels. */
export function layerName(planned: PlannedLayer, resolved: StackLayer): string {
  return resolved.product ? resolved.product.name : LAYER_KINDS[planned.kind].name;
}
