/** Kit: what a build consists of. */
export type { Build, ColourTarget, Join, KitPart, Mix, PlannedLayer, Tray } from './build.ts';
export { readPartList, type PartListReading } from './partList.ts';
