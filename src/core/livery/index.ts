/** Livery: views of the model, areas of colour on them, the order of colours, and sheets at exact scale. */
export { measureView, type MeasuredView, type SeenArea, type SeenBorder } from './measureView.ts';
export { baseOf, bodiesOf, measuredView, surfaceOf, type Body } from './bodies.ts';
export {
  boxAround,
  readCourses,
  readOutline,
  type Box,
  type Point,
  type Ring,
} from './geometry/readOutline.ts';
export { coursePath, ringsPath } from './geometry/writePath.ts';
export { ringsOfMarking, shapeOf } from './shapes.ts';
export {
  mirroredPath,
  movedPath,
  STARTING_OUTLINES,
  startingOutline,
  stretched,
  type StartingOutlineId,
  type ViewSource,
} from './views/startingOutlines.ts';
export { FOLLOWS_MM, mouldedLines } from './mouldings/mouldedLines.ts';
export { areaBeside, SIDES_OF_LINE, sidesOfLine, type SideOfLine } from './mouldings/areaBeside.ts';
export { laidAlong, REACH_MM } from './mouldings/laidAlong.ts';
export { isAlong, mirrorImage } from './views/mirrorImage.ts';
export { readSvg, type DrawnOutline } from './views/readSvg.ts';
export {
  edgeMask,
  LIVERY_RATES,
  ratesOf,
  PRIMER,
  WAYS,
  type ColourBorder,
  type EdgeMask,
  type LiveryColour,
  type LiveryRates,
  type Way,
} from './order/colourCosts.ts';
export {
  minutesOfOrder,
  MOST_COLOURS,
  planColours,
  type ColourPlan,
  type ColourQuestion,
  type ColourStage,
} from './order/planColours.ts';
export {
  bordersOfBody,
  measureViews,
  planLivery,
  PUCKERS_SLOPE,
  USUAL_TAPE_HOURS,
  type LiveryAnswer,
  type LiveryFinish,
  type LiveryInput,
} from './order/liveryQuestion.ts';
export { NARROW_MM, narrowAreas, stripsOf, type NarrowArea } from './order/narrowAreas.ts';
export { takenByOrder } from './order/takenByOrder.ts';
export { coatsOver } from './order/coatsOver.ts';
export {
  packSheets,
  type SheetItem,
  type SheetPacking,
  type SheetPlacement,
  type SheetQuestion,
} from './sheets/packSheets.ts';
export { stackOfOrder, type OrderedColour, type OrderedStack } from './order/stackOfOrder.ts';
export { BESIDE_SHARE, placeMarkings, type PlacedMarking } from './markings/placeMarkings.ts';
export {
  applyMinutes,
  applyOrder,
  crossingWays,
  handlingOf,
  softenerFor,
  REGISTER,
  registerOn,
  type CrossingWay,
} from './markings/applyMarkings.ts';
export {
  AGAINST_MINUTES,
  markingRoutes,
  otherWhite,
  wantsWhiteUnder,
  type MarkingFacts,
  type RouteOffer,
} from './markings/markingRoutes.ts';
export { predictPrint, type PredictedPrint } from './markings/predictPrint.ts';
export { drawArtwork, FINEST, type DrawnArtwork, type DrawnShape } from './artwork/drawArtwork.ts';
export { faceOf, TYPEFACES, type Faces, type ShippedFace } from './artwork/typefaces.ts';
export { readDrawing, type ReadDrawing } from './artwork/readDrawing.ts';
export { MOST_FONT_BYTES, nameOfTypeface, readTypeface, type Typeface } from './artwork/readTypeface.ts';
export { dotsPerInch, LEAST_DPI, MM_PER_INCH, type KeptPicture } from './sheets/printedPicture.ts';
export { isPrinted, printSheets, type PrintedSheets } from './sheets/printSheets.ts';
export { PAPER_SIZES, sheetSize } from './sheets/sheetSize.ts';
export { FRAIL_MM, maskPieces, openingPieces, type MaskPiece } from './cutting/maskPieces.ts';
export { filmTemplates, type FilmLay, type FilmTemplate } from './cutting/filmTemplates.ts';
export { sceneOf, viewersOf, type ModelScene } from './seen/sceneOf.ts';
export type { PlacedPart } from './seen/placedParts.ts';
export { drawingSheets, type DrawingSheets } from './sheets/drawingSheets.ts';
export { filmSheets } from './cutting/filmSheets.ts';
export { PLOTTER_UNITS_PER_MM } from './cutting/hpgl.ts';
export { cutSheets, type CutSheets } from './cutting/cutSheets.ts';
export { SCALE_POINTS, traced, type TraceScale } from './views/trace.ts';
export { paneMask } from './glass/paneMask.ts';
