import { LAYER_KINDS } from './layerKinds.ts';
import { layerArea } from './severalColours.ts';
import type { StackLayer } from './stack.ts';

/** Minutes of work in one coat or one job on a body of an area in cm2. */
export function coatMinutes(layer: Pick<StackLayer, 'kind' | 'tool' | 'share'>, areaCm2: number): number {
  const { start, per100cm2 } = LAYER_KINDS[layer.kind].effort;
  const slow = layer.tool === 'brush' && layer.kind !== 'wash' && layer.kind !== 'dry-brush' ? 2 : 1;
  return Math.round(start + (slow * per100cm2 * layerArea(layer, areaCm2)) / 100);
}

/** Minutes of work in all coats of a layer. */
export function handsOnMinutes(layer: StackLayer, areaCm2: number): number {
  return layer.coats * coatMinutes(layer, areaCm2);
}
