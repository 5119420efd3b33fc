import { hardenerOf, hardenerShare, paintVolume } from '../finish/index.ts';
import type { Tray } from './build.ts';
import { resolveStack, type ProductIndex } from './resolveStack.ts';

/** What one layer takes of one product, ml. */
export interface LayerUse {
  trayId: string;
  layerId: string;
  paintId: string;
  ml: number;
  /** Thinner in it, ml, as its tool is set. */
  thinnerMl: number;
}

/** What the layers of some stacks take, by their film and area, of the paints that were chosen. */
export function layerUses(
  trays: readonly Omit<Tray, 'position'>[],
  scale: number,
  products: ProductIndex,
): LayerUse[] {
  return trays.flatMap((tray) =>
    resolveStack(tray, scale, products, () => undefined).layers.flatMap((layer): LayerUse[] => {
      const mix = tray.layers.find(({ id }) => id === layer.id)?.mix;
      if (!mix || !layer.product) return [];
      const { paintMl, thinnerMl } = paintVolume({ ...layer, product: layer.product }, tray.areaCm2);
      const drops = Object.values(mix).reduce((sum, count) => sum + count, 0);
      const hardener = hardenerShare(layer);
      const of = { trayId: tray.id, layerId: layer.id };
      return Object.entries(mix).flatMap(([paintId, count]) => {
        const ml = (paintMl * count) / drops;
        const paint = { ...of, paintId, ml: ml * (1 - hardener), thinnerMl: (thinnerMl * count) / drops };
        return hardener > 0
          ? [paint, { ...of, paintId: hardenerOf(paintId), ml: ml * hardener, thinnerMl: 0 }]
          : [paint];
      });
    }),
  );
}
