/** Cabin: instrument panels, what is built behind glass, and the glass itself. */
export {
  BELT_CLOTHS,
  BELT_METALS,
  CARPET_WAYS,
  EFFECTS,
  MOVES,
  PANEL_ROUTES,
  PANE_EDGES,
  PANE_FLAWS,
  PANE_SOURCES,
  PANE_TINTS,
  REAL_GLASS_MM,
  SEEN_MM,
  SHELL_STUFFS,
  type EffectId,
  type Moves,
  type MovingMotion,
  type PanelRoute,
  type ShellStuff,
} from './choices.ts';
export type { OtherArt } from './panel/otherArt.ts';
export { drawGrid } from './drawn/drawGrid.ts';
export { drawFace, drawTemplate, type PlacedDial } from './drawn/drawPanel.ts';
export { decalPieces, lensMm3, trimmedMm, type DecalPiece } from './panel/decalPieces.ts';
export { drawDial, type DialArt } from './panel/dialArt.ts';
export { betweenMm, toEdgeMm, type PanelFace, type PanelOpening } from './panel/openings.ts';
export { PANEL_ROUTE_FACTS, scorePanelRoutes, type ScoredPanelRoute } from './panel/panelRoutes.ts';
export {
  planOverlay,
  type OverlayHole,
  type OverlayPlan,
  type OverlayQuestion,
  type OverlayWeb,
} from './panel/planOverlay.ts';
export { orderOfFitting, type FittingOrder, type FittingRule } from './glass/orderOfFitting.ts';
export { glassGauge, PANE_POLISH } from './glass/paneFacts.ts';
export { BELT_CLOTH_FACTS, BELT_METAL_FACTS, planBelt, type BeltPlan } from './cloth/belts.ts';
export {
  ALIKE_DE,
  EFFECT_FACTS,
  effectOver,
  FINEST_MM,
  type EffectAnswer,
  type EffectFacts,
} from './cloth/effects.ts';
export {
  SEAT_BOUNDS,
  seatFit,
  seatsDiffer,
  SITTER,
  type SeatAnswer,
  type SeatBound,
  type SeatDifference,
} from './seat/seatFit.ts';
export { FREEING } from './closing/moving.ts';
export { lateGlue, type LateAnswer, type LateThing } from './closing/lateGlue.ts';
export { COLD_C, planEntry, type EntryPlan, type WayIn } from './closing/planEntry.ts';
export { setStraight, type StraightAnswer } from './closing/setStraight.ts';
export {
  CARPET_FACTS,
  flockGrams,
  groundFor,
  openFromPatch,
  paintOverFor,
  pileSpectrum,
  type CarpetMend,
} from './cloth/pile.ts';
