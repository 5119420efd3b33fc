import {
  decalPieces,
  lensMm3,
  PANEL_ROUTE_FACTS,
  planOverlay,
  scorePanelRoutes,
  trimmedMm,
  type DecalPiece,
  type OtherArt,
  type OverlayPlan,
  type PanelOpening,
  type PlacedDial,
  type ScoredPanelRoute,
} from '../cabin/index.ts';
import { DRILLS } from '../detail/index.ts';
import { worked } from '../worked.ts';
import type { InstrumentPanel, OnPanel } from './records/index.ts';

/** Parts of a face that are opened in an overlay; lettering is printed on it. */
const OPENED: ReadonlySet<OnPanel['what']> = new Set(['dial', 'lamp', 'vent', 'switch']);

const idOf = (at: number) => String(at + 1);

/** What is opened in an overlay, each by its place in the list: "1" is the first. */
export const openingsOf = ({ on }: InstrumentPanel): PanelOpening[] =>
  on.flatMap(({ name, what, xMm: x, yMm: y, round, widthMm, heightMm }, at) =>
    OPENED.has(what)
      ? [{ id: idOf(at), name, x, y, round, widthMm, heightMm: round ? widthMm : heightMm }]
      : [],
  );

/** How the overlay of a panel is opened. Throws RangeError for a face that is larger than its recess, and for openings that cannot
 *  be. */
export function overlayOf(panel: InstrumentPanel): OverlayPlan {
  const { widthMm, heightMm, cornerMm, recessWidthMm, recessHeightMm, gaugeMm, drills } = panel;
  for (const [value, room, what] of [
    [widthMm, recessWidthMm, 'wider'],
    [heightMm, recessHeightMm, 'higher'],
  ] as const)
    if (room !== null && value > room)
      throw new RangeError(
        `The face is ${(value - room).toFixed(2)} mm ${what} than its recess: make it smaller, or measure again.`,
      );
  return planOverlay({
    widthMm,
    heightMm,
    cornerMm,
    gaugeMm,
    openings: openingsOf(panel),
    drills: drills.length > 0 ? drills : DRILLS,
  });
}

const dials = ({ on }: InstrumentPanel) => on.filter(({ what }) => what === 'dial');

/** The ways to a panel, the best first. `seen`: how much of it is seen, where that is known. */
export function panelRoutesOf(panel: InstrumentPanel, seen?: number): ScoredPanelRoute[] {
  const { answer, fault } = worked(() => overlayOf(panel));
  return scorePanelRoutes({
    dials: panel.on.length,
    has: { relief: panel.relief, decal: panel.art === 'kit-decal', etch: panel.etched },
    breaking: answer?.webs.filter(({ verdict }) => verdict === 'breaks').length ?? 0,
    ...(seen === undefined ? {} : { seen }),
    ...(fault === undefined ? {} : { overlayFault: fault }),
  });
}

/** Whether the way that is taken has an overlay to be opened. */
export const hasOverlay = ({ route }: InstrumentPanel): boolean =>
  route !== null && PANEL_ROUTE_FACTS[route].overlay;

/** The artwork of the dials in their places. */
export const dialsOf = (panel: InstrumentPanel): PlacedDial[] =>
  dials(panel).map(({ xMm: x, yMm: y, widthMm: diameterMm, ...dial }) => ({ ...dial, x, y, diameterMm }));

/** What else is on its face: switches, lamps, vents and words. */
export const othersOf = ({ on }: InstrumentPanel): OtherArt[] =>
  on.flatMap(({ what, name, xMm: x, yMm: y, round, widthMm, heightMm }) =>
    what === 'dial' ? [] : [{ what, name, x, y, round: round && what !== 'lettering', widthMm, heightMm }],
  );

/** Into what the kit's decal is cut so that each dial sits behind its hole; none where it is laid whole or is not used. */
export function piecesOf(panel: InstrumentPanel): DecalPiece[] {
  if (panel.art !== 'kit-decal' || !hasOverlay(panel)) return [];
  return decalPieces(
    panel.on.flatMap(({ what, xMm: x, yMm: y, printedXMm, printedYMm }, at) =>
      OPENED.has(what) ? [{ id: idOf(at), x, y, printedX: printedXMm ?? x, printedY: printedYMm ?? y }] : [],
    ),
  );
}

/** What is trimmed off each side of a decal that is larger than the recess, or than the face where that is not measured, mm. */
export function trimOf(panel: InstrumentPanel): { sides: number; ends: number } | undefined {
  const { art, decalWidthMm, decalHeightMm, widthMm, heightMm, recessWidthMm, recessHeightMm } = panel;
  if (art !== 'kit-decal' || decalWidthMm === null || decalHeightMm === null) return undefined;
  return {
    sides: trimmedMm(decalWidthMm, recessWidthMm ?? widthMm),
    ends: trimmedMm(decalHeightMm, recessHeightMm ?? heightMm),
  };
}

/** Clear for the lenses of all dials, mm3; 0 where none is laid. Throws RangeError for lenses higher than a drop stands. */
export const lensesMm3 = (panel: InstrumentPanel): number =>
  panel.lensMm === 0 ? 0 : dials(panel).reduce((sum, { widthMm }) => sum + lensMm3(widthMm, panel.lensMm), 0);
