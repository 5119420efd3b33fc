import { PANEL_ROUTES, type PanelRoute } from '../choices.ts';

interface RouteFacts {
  name: string;
  /** Minutes to begin with, and for each dial; working values. */
  minutes: readonly [start: number, each: number];
  /** How near it comes to the real thing, 0..1, working values of taste. */
  looks: number;
  needs: readonly string[];
  risk: string;
  asks: readonly ('relief' | 'decal' | 'etch')[];
  /** Whether a drilled overlay is made for it. */
  overlay: boolean;
}

export const PANEL_ROUTE_FACTS: Readonly<Record<PanelRoute, RouteFacts>> = {
  'relief-brush': {
    name: 'moulded relief, brushed',
    minutes: [10, 6],
    looks: 0.45,
    needs: ['a fine brush, pale grey rather than white'],
    risk: 'a shaky line shows, and is wiped off and done again',
    asks: ['relief'],
    overlay: false,
  },
  'decal-relief': {
    name: 'decal over the relief',
    minutes: [12, 1.5],
    looks: 0.65,
    needs: ['decal softener'],
    risk: 'it silvers or tears between the dials unless it is softened twice',
    asks: ['relief', 'decal'],
    overlay: false,
  },
  'decal-flat': {
    name: 'relief sanded off, decal laid flat',
    minutes: [20, 0.5],
    looks: 0.6,
    needs: ['sanding sticks'],
    risk: 'flat as a photograph',
    asks: ['decal'],
    overlay: false,
  },
  'decal-overlay': {
    name: 'decal behind a drilled overlay',
    minutes: [25, 4],
    looks: 0.9,
    needs: ['thin plastic sheet', 'drills'],
    risk: 'thin webs break at the drill',
    asks: ['decal'],
    overlay: true,
  },
  'etch-film': {
    name: 'etched frame with film behind',
    minutes: [18, 1.5],
    looks: 0.95,
    needs: ['odourless, non-fogging cyanoacrylate'],
    risk: 'glue that creeps onto the film cannot be wiped off',
    asks: ['etch'],
    overlay: false,
  },
  'paper-lens': {
    name: 'printed paper behind an overlay, held by lenses',
    minutes: [28, 5],
    looks: 0.85,
    needs: ['thin plastic sheet', 'drills', 'clear that sets as a drop'],
    risk: 'a drop too large runs over the rim; its backing stays on, so that the paper does not drink it',
    asks: [],
    overlay: true,
  },
};

export interface PanelMeans {
  dials: number;
  /** What there is: moulded relief, a decal, an etched frame. */
  has: { relief: boolean; decal: boolean; etch: boolean };
  /** How much of it is seen, 0..1; undefined where that is not known. */
  seen?: number;
  /** What is wrong with an overlay, where one cannot be drilled. */
  overlayFault?: string;
  /** Webs of it that will break. */
  breaking: number;
}

export interface ScoredPanelRoute {
  id: PanelRoute;
  minutes: number;
  score: number;
  /** Why it cannot be taken; undefined where it can. */
  not?: string;
}

const MISSING = { relief: 'no moulded relief', decal: 'no decal', etch: 'no etched frame' } as const;
const PER_MINUTE = 0.05;
const PER_BREAKING = 2;

/** The ways to a panel, what can be taken first, the best first: looks by how much of it is seen, against minutes and what breaks. */
export function scorePanelRoutes({
  dials,
  has,
  seen = 0.5,
  overlayFault,
  breaking,
}: PanelMeans): ScoredPanelRoute[] {
  return PANEL_ROUTES.map((id): ScoredPanelRoute => {
    const {
      minutes: [start, each],
      looks,
      asks,
      overlay,
    } = PANEL_ROUTE_FACTS[id];
    const minutes = start + each * dials;
    const lacks = asks.filter((what) => !has[what]).map((what) => MISSING[what]);
    const not = lacks.length > 0 ? lacks.join(', ') : overlay ? overlayFault : undefined;
    const score =
      20 * looks * Math.min(1, 2 * seen) - PER_MINUTE * minutes - (overlay ? PER_BREAKING * breaking : 0);
    return { id, minutes, score, ...(not === undefined ? {} : { not }) };
  }).sort((p, q) => Number(p.not !== undefined) - Number(q.not !== undefined) || q.score - p.score);
}
