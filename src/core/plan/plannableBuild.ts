import type { Spectrum } from '../colour/index.ts';
import { resolveStack, type Build, type ProductIndex } from '../kit/index.ts';
import type { PlannableBuild } from './operations.ts';

/** A build with every stack resolved, ready for the planner. Parts are counted by piece. */
export function plannableBuild(
  build: Pick<Build, 'id' | 'name' | 'scale' | 'trays' | 'joins'>,
  products: ProductIndex,
  codes: ReadonlyMap<string, { spectrum: Spectrum }>,
): PlannableBuild {
  return {
    id: build.id,
    name: build.name,
    joins: build.joins,
    trays: build.trays.map((tray) => ({
      id: tray.id,
      name: tray.name,
      partCount: tray.parts.reduce((sum, { count }) => sum + count, 0),
      stack: resolveStack(tray, build.scale, products, codes.get(tray.codeId ?? '')?.spectrum),
    })),
  };
}
