/** Cabin: instrument panels, what is built behind glass, and the glass itself. */
export { drawFace, drawTemplate, type PlacedDial } from './drawn/drawPanel.ts';
export { decalPieces, lensMm3, trimmedMm, type DecalPiece } from './panel/decalPieces.ts';
export { drawDial, type DialArt } from './panel/dialArt.ts';
export { betweenMm, toEdgeMm, type PanelFace, type PanelOpening } from './panel/openings.ts';
export {
  PANEL_ROUTE_FACTS,
  PANEL_ROUTES,
  scorePanelRoutes,
  type PanelRoute,
  type ScoredPanelRoute,
} from './panel/panelRoutes.ts';
export {
  planOverlay,
  type OverlayHole,
  type OverlayPlan,
  type OverlayQuestion,
  type OverlayWeb,
} from './panel/planOverlay.ts';
export { orderOfFitting, type FittingOrder, type FittingRule } from './glass/orderOfFitting.ts';
export {
  glassGauge,
  PANE_EDGES,
  PANE_FLAWS,
  PANE_POLISH,
  PANE_SOURCES,
  PANE_TINTS,
  REAL_GLASS_MM,
} from './glass/paneFacts.ts';
export {
  BELT_CLOTH_FACTS,
  BELT_CLOTHS,
  BELT_METAL_FACTS,
  BELT_METALS,
  planBelt,
  type BeltPlan,
} from './cloth/belts.ts';
export {
  CARPET_FACTS,
  CARPET_WAYS,
  flockGrams,
  groundFor,
  openFromPatch,
  paintOverFor,
  pileSpectrum,
  type CarpetMend,
} from './cloth/pile.ts';
