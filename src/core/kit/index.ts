/** Kit: what a build consists of. */
export type { Build, Join, KitPart, Mix, PlannedLayer, Tray } from './build.ts';
export { readPartList, type PartListReading } from './partList.ts';
export {
  NOT_CHOSEN,
  productIndex,
  resolveMix,
  resolveStack,
  targetLayer,
  type CataloguePaint,
  type ProductIndex,
} from './resolveStack.ts';
