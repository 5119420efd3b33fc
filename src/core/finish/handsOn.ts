import type { LayerKind, StackLayer } from './stack.ts';

/** Hands-on minutes: a start that every coat or job needs, and minutes per 100 cm2. Working values until the
 *  builder's own log says better. */
const EFFORT: Readonly<Record<LayerKind, { start: number; per100cm2: number }>> = {
  primer: { start: 5, per100cm2: 2 },
  undercoat: { start: 5, per100cm2: 2 },
  colour: { start: 5, per100cm2: 2.5 },
  metal: { start: 6, per100cm2: 3 },
  mask: { start: 15, per100cm2: 10 },
  decal: { start: 20, per100cm2: 10 },
  clear: { start: 5, per100cm2: 2.5 },
  flat: { start: 10, per100cm2: 12 },
  polish: { start: 10, per100cm2: 12 },
  wash: { start: 10, per100cm2: 4 },
};

/** Minutes of work in one coat or one job over an area in cm2. */
export function coatMinutes(layer: Pick<StackLayer, 'kind' | 'tool'>, areaCm2: number): number {
  const { start, per100cm2 } = EFFORT[layer.kind];
  const brush = layer.tool === 'brush' ? 2 : 1;
  return Math.round(start + (brush * per100cm2 * areaCm2) / 100);
}

/** Minutes of work in all coats of a layer. */
export function handsOnMinutes(layer: StackLayer, areaCm2: number): number {
  return layer.coats * coatMinutes(layer, areaCm2);
}
