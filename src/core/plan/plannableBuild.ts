import type { Spectrum } from '../colour/index.ts';
import { resolveStack, type Build, type KitSummary, type ProductIndex } from '../kit/index.ts';
import type { PlannableBuild } from './operation.ts';

/** A build with every stack resolved, ready for the planner. Parts are counted by piece. */
export function plannableBuild(
  build: Omit<Build, 'position'> & { kit: KitSummary },
  products: ProductIndex,
  codes: ReadonlyMap<string, { spectrum: Spectrum }>,
): PlannableBuild {
  return {
    id: build.id,
    name: build.name,
    subject: build.subject,
    kit: build.kit,
    joins: build.joins,
    trays: build.trays.map((tray) => ({
      id: tray.id,
      name: tray.name,
      partCount: tray.parts.reduce((sum, { count }) => sum + count, 0),
      partNames: tray.parts.map(({ name }) => name),
      stack: resolveStack(tray, build.scale, products, codes.get(tray.codeId ?? '')?.spectrum),
    })),
  };
}
