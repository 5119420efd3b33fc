import type { Spectrum } from '../colour/index.ts';
import type { Stack } from '../finish/index.ts';
import { resolveStack, type Build, type Join, type ProductIndex } from '../kit/index.ts';
import type { KitSummary } from './kitSummary.ts';

/** A build as the planner needs it: trays with their stacks resolved to products. */
export interface PlannableBuild {
  id: string;
  name: string;
  /** What it is of, for lessons that are tied to a kit. */
  subject: string;
  trays: { id: string; name: string; partCount: number; partNames: string[]; stack: Stack }[];
  joins: Join[];
  /** What the kit asks of the plan. */
  kit: Pick<
    KitSummary,
    | 'joinsBefore'
    | 'joinsAfter'
    | 'materials'
    | 'tasks'
    | 'stance'
    | 'moving'
    | 'unchecked'
    | 'consequences'
    | 'tyres'
    | 'crossSteps'
    | 'layerLines'
    | 'finishNames'
  >;
}

export type PlannableTray = PlannableBuild['trays'][number];

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
      stack: resolveStack(tray, build.scale, products, (id) => codes.get(id)?.spectrum),
    })),
  };
}
