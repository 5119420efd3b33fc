/** Kit: what is in the box, what is built from it, what is joined before paint and what after. */
export { counted } from './counted.ts';
export type { Build, Join, KitPart, Mix, PlannedLayer, Tray } from './build.ts';
export * from './kit.ts';
export { suggestEngineColours, type EngineColour } from './engines/engineColours.ts';
export { alikeEngines } from './engines/alikeEngines.ts';
export {
  engineFault,
  engineParts,
  enginesQuestion,
  kindKey,
  type AtHand,
  type EngineBuild,
} from './engines/atHand.ts';
export { builtEngines, leftOf, type BuiltEngine } from './engines/builtEngines.ts';
export { changesOfTaking, isEngineOpen } from './engines/takeEngines.ts';
export {
  dialsOf,
  othersOf,
  hasOverlay,
  lensesMm3,
  openingsOf,
  overlayOf,
  panelRoutesOf,
  piecesOf,
  trimOf,
} from './panels.ts';
export { paneOrder, usedPanes, type Fitted, type PaneOrder } from './panes.ts';
export { beltPlan, carpetPlan, cloggedBy, type CarpetPlan } from './cloth.ts';
export { seatOf, inSeatColour, seatTwins, type SeatColoured, type SeatTwins } from './seats.ts';
export { alikeEffects, effectOf, type AlikeEffects } from './effects.ts';
export { lampOf, type LampAnswer } from './lamps.ts';
export { SMALL_CM2, smallBatches, type SmallBatch, type SmallThing } from './smallThings.ts';
export { lostFacts, sizeByPicture, type LostFacts } from './lost/lostFacts.ts';
export {
  daysBack,
  MAKE_MINUTES,
  pieceOf,
  stepBack,
  WAY_NAMES,
  waysBack,
  type WayBack,
} from './lost/replacementWays.ts';
export { spareFit, sparesFor, type SpareFit } from './lost/spareFit.ts';
export { levelOf, wayIn } from './closing/closing.ts';
export { movingThings, type MovingThing } from './closing/movingThings.ts';
export { packingFor, packingWords } from './sheetStacks.ts';
export { boxGapMm } from './boxGap.ts';
export { finsOfCore, ringOf, springOf, tubeTint } from './dressings.ts';
export { bundlesOf, type Bundle } from './runs/bundles.ts';
export { makeOfRun, runAtScale, runName } from './runs/runAtScale.ts';
export { routeOfRun, type RunRoute } from './runs/runRoute.ts';
export { HARDLY_STEERED, standsAt, steeringOf, unevenAxles } from './corners.ts';
export { FACE_WORDS, facingWords, MARK_WORDS, offsetWords, TRIM_WORDS } from './facings.ts';
export { assembleKit, assembleStock } from './assembleKit.ts';
export { withLaterFields } from './laterFields.ts';
export { copyKit, recordsOfKit } from './copyKit.ts';
export { referencesOf, withReferences } from './records/references.ts';
export { withoutOrphans, withWhatGoesToo, type KitChange } from './removal.ts';
export { checkKit, partsInTwoTrays, type KitProblem } from './checkKit.ts';
export { soundDivision, withoutJoin, withoutTray, type DivisionFault } from './checkDivision.ts';
export { isInVersion, resolveVersion, type ResolvedVersion, type WorkVerdict } from './version.ts';
export {
  pinCost,
  proposeSubassemblies,
  subassemblySearch,
  type AssemblyAct,
  type JointDecision,
  type ProposalOptions,
  type ProposedTray,
  type SubassemblyProposal,
} from './proposeSubassemblies.ts';
export { COST_DEFAULTS, isPaintedLook, seamLength, type CostTerm } from './jointCosts.ts';
export { jointName, precedencesOf } from './hardConstraints.ts';
export { inFrameOrder } from './frameOrder.ts';
export { takeProposal, type TakenProposal } from './takeProposal.ts';
export {
  lastNumber,
  readSheet,
  readSheetLine,
  sheetLine,
  type SheetDraft,
  type SheetReading,
} from './sheet/readSheetLine.ts';
export { inSheetOrder, partsOfStep, sheetFacts, type SheetFacts } from './sheet/sheetFacts.ts';
export { readName } from './roles/readName.ts';
export { rolesOf, suggestRoles, type Role } from './roles/suggestRoles.ts';
export { elsewhere, learntRoles, type LearntRole, type OtherKit } from './roles/otherKits.ts';
export { pairsOf, type FoundPair } from './roles/pairs.ts';
export { SYSTEM_NAMES, SYSTEMS, type System } from './roles/systems.ts';
export { suggestFinishes, takeFinishes, type FinishSuggestion } from './roles/suggestFinishes.ts';
export { suggestJoints, type JointSuggestion } from './suggestJoints.ts';
export {
  ADHESIVES,
  chooseAdhesive,
  glueJob,
  surfaceOf,
  type AdhesiveChoice,
  type AdhesiveId,
  type GlueJob,
  type Surface,
} from './adhesives.ts';
export { placeAfterPaint, type FilmOnFlats, type PlaceForecast } from './placesAfterPaint.ts';
export { bareClearance, FELT_CLEARANCE, fitAfterPaint, type FitForecast } from './fitAfterPaint.ts';
export { kitAfterPaint, type FitsAfterPaint, type JointFit, type PlaceFit } from './kitAfterPaint.ts';
export { shimPlan, type ShimPlan } from './stance.ts';
export { jointsOfJoins } from './jointsOfJoins.ts';
export { chosenAs, decidedAs } from './decisions.ts';
export { byLikeness, likeness, type Likeness } from './likeKit.ts';
export { isFromBuild, lessonsFor, lessonsOfLike, type LessonContext } from './lessons.ts';
export { readPartList, type PartListReading } from './partList.ts';
export {
  MOST_PARTS,
  isLikeHeading,
  PART_COLUMNS,
  partRows,
  readHeading,
  readPartCell,
  readPartRows,
  type ColumnMapping,
  type PartColumn,
  type PartTableProblem,
  type PartTableReading,
  type ReadPart,
} from './partTable.ts';
export { plainJoint, plainPart } from './plainKit.ts';
export {
  auditOf,
  chainOf,
  flatOf,
  ignitionQuestion,
  laceOf,
  PATTERN_FACTS,
  planHarness,
  stretchOf,
  stretchQuestion,
  wheelbaseOf,
} from './detailQuestions.ts';
export { secondColours, type SecondColour } from './secondColours.ts';
export { layerUses, type LayerUse } from './layerUses.ts';
export {
  codeOfLayer,
  NOT_CHOSEN,
  productIndex,
  resolveMix,
  resolveStack,
  targetLayer,
  type CataloguePaint,
  type ColourOfCode,
  type ProductIndex,
} from './resolveStack.ts';
