/** Detail: what is added to a kit beyond its parts, scaled from the real thing. */
export { DRILLS, drillFor } from './drills.ts';
export {
  MAKE_FACTS,
  RUN_FACTS,
  RUN_KINDS,
  RUN_MAKES,
  scaledRun,
  type RunFacts,
  type RunKind,
  type RunMake,
  type ScaledRun,
} from './runs.ts';
export {
  bendRoute,
  boxesOnRoute,
  type BentRoute,
  type Point,
  type RouteBend,
  type RouteBox,
} from './route/bendRoute.ts';
export { bundleMm, twistFor } from './route/bundle.ts';
export { allocateEngines, type EngineAllocation } from './engines/allocateEngines.ts';
export type { EngineQuestion, EngineSlot, EngineType } from './engines/engineQuestion.ts';
export { householdWires } from './cutting/householdWires.ts';
export {
  cutStock,
  type CutPiece,
  type CutPlan,
  type CutQuestion,
  type StockBar,
} from './cutting/cutStock.ts';
export {
  visibleShare,
  type Hole,
  type Panel,
  type SeenPart,
  type SeenScene,
  type SeenShare,
  type Viewer,
} from './seen/visibleShare.ts';
export {
  chooseDetail,
  type DetailChoice,
  type DetailQuestion,
  type DetailTask,
} from './worth/chooseDetail.ts';
export {
  cylindersOf,
  NUMBERINGS,
  usualFiringOrder,
  type Cylinder,
  type EngineLayout,
  type Numbering,
} from './ignition/cylinders.ts';
export {
  planIgnition,
  type IgnitionPlan,
  type IgnitionQuestion,
  type IgnitionSource,
  type Lead,
} from './ignition/planIgnition.ts';
export { drawCaps, drawEngine } from './drawn/drawHarness.ts';
export { drawFacing, type FacingPart } from './drawn/drawFacing.ts';
export { drillRing, type DrilledRing, type RingQuestion } from './dressed/drilledRing.ts';
export { finsOf } from './dressed/fins.ts';
export { windSpring, type WoundSpring } from './dressed/spring.ts';
export {
  PIECE_FACTS,
  PIECE_SHAPES,
  scratchPiece,
  type PieceQuestion,
  type PieceShape,
  type PieceSize,
  type ScratchPiece,
} from './made/scratchPiece.ts';
export { drawPiece } from './drawn/drawPiece.ts';
export { drawRing } from './drawn/drawRing.ts';
export { drawDevelopment } from './drawn/drawDevelopment.ts';
export { drawStretch } from './drawn/drawStretch.ts';
export { drawJig } from './drawn/drawWheel.ts';
export {
  circleLine,
  crossLines,
  framed,
  type DrawnPoint,
  type FlatDrawing,
  type LineKind,
} from './drawn/flatDrawing.ts';
export {
  auditThickness,
  THICKNESS_WAYS,
  type ThicknessAudit,
  type ThicknessWay,
} from './scale/auditThickness.ts';
export {
  planStretch,
  SECTIONS,
  type Section,
  type StretchedMember,
  type StretchPiece,
  type StretchPlan,
  type StretchQuestion,
} from './stretch/planStretch.ts';
export { nearestStock, STOCK_FORMS, STOCK_SIZES, type StockForm } from './scale/stockSizes.ts';
export { sleeveFor, type Sleeve } from './fittings/sleeveFor.ts';
export { laceWheel, type LacedWheel, type Lacing } from './wheels/lacing.ts';
export { steeringRoom, type SteeringRoom } from './wheels/steering.ts';
export { chainFor, type ChainDrive, type ChainLength } from './wheels/chain.ts';
export {
  clipStrip,
  cone,
  cylinder,
  dome,
  hopper,
  mitredPipe,
  roundedBox,
  type Development,
  type FlatPiece,
} from './flat/developments.ts';
