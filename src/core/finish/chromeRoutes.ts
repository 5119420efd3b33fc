import { figure } from '../figures.ts';
import type { LayerKind, Tool } from './stack.ts';
import type { SuggestedLayer } from './suggestStacks.ts';

export const CHROME_ROUTES = [
  'keep-plating',
  'strip-paint',
  'black-metal-lacquer',
  'ink-marker',
  'ink-airbrush',
  'foil',
  'silver-marker',
] as const;
/** Ways to bright metal. */
export type ChromeRouteId = (typeof CHROME_ROUTES)[number];

export const CURVATURES = ['flat', 'gentle', 'tight'] as const;
export type Curvature = (typeof CURVATURES)[number];

/** A part that is meant to be bright, as far as a route depends on it. */
export interface BrightPart {
  id: string;
  plated: boolean;
  /** Longest side, mm, and surface, cm2. */
  lengthMm: number;
  areaCm2: number;
  curvature: Curvature;
  /** A seam or a gate scar that would show. */
  seam: boolean;
  /** Taken in hand again before the end: glued to, masked, turned over. */
  handled: boolean;
  visibility: 'seen' | 'partly' | 'hidden';
  /** Clear goes over it. */
  cleared: boolean;
}

/** What the builder has and how long there is. */
export interface ChromeMeans {
  /** Materials on the shelf, by route. */
  owned: ReadonlySet<ChromeRouteId>;
  /** Days until the part is needed; null for no matter. */
  days: number | null;
}

export interface ChromeRoute {
  id: ChromeRouteId;
  name: string;
  /** How near to real chrome, 0 to 1, at its best. */
  brightness: number;
  /** Hands-on minutes to begin with and for every 10 cm2. */
  minutes: [start: number, per10cm2: number];
  /** Days until it can be handled. */
  days: number;
  /** What has to be bought where nothing is owned, cents. */
  priceCents: number;
  /** Cautions that the work brings; the product's safety sheet decides. */
  cautions: string[];
  needs: (part: BrightPart) => boolean;
}

const SOLVENT = 'Solvent vapour: extraction on, filter mask, no flame.';
const STRIPPER =
  'Strippers are caustic or bleach: gloves, goggles, air; never two of them together, never with acid or ammonia. The product’s safety sheet and local rules decide.';

/** The routes with working values of look, time and price. */
export const CHROME_ROUTE_TABLE: readonly ChromeRoute[] = [
  {
    id: 'keep-plating',
    name: 'keep the kit’s plating',
    brightness: 0.9,
    minutes: [3, 0],
    days: 0,
    priceCents: 0,
    cautions: [],
    needs: ({ plated }) => plated,
  },
  {
    id: 'strip-paint',
    name: 'strip, and repaint in metal',
    brightness: 0.6,
    minutes: [25, 3],
    days: 2,
    priceCents: 700,
    cautions: [STRIPPER, SOLVENT],
    needs: ({ plated }) => plated,
  },
  {
    id: 'black-metal-lacquer',
    name: 'gloss black and metal lacquer',
    brightness: 0.85,
    minutes: [20, 3],
    days: 2,
    priceCents: 1450,
    cautions: [SOLVENT],
    needs: () => true,
  },
  {
    id: 'ink-marker',
    name: 'chrome ink, marker',
    brightness: 0.88,
    minutes: [6, 3],
    days: 4,
    priceCents: 620,
    cautions: ['Solvent vapour: air the room.'],
    needs: () => true,
  },
  {
    id: 'ink-airbrush',
    name: 'chrome ink, airbrushed over gloss black',
    brightness: 0.95,
    minutes: [22, 3],
    days: 5,
    priceCents: 1450,
    cautions: [SOLVENT],
    needs: () => true,
  },
  {
    id: 'foil',
    name: 'adhesive foil',
    brightness: 0.97,
    minutes: [10, 12],
    days: 0,
    priceCents: 900,
    cautions: ['Fresh blades: cut away from the fingers.'],
    needs: () => true,
  },
  {
    id: 'silver-marker',
    name: 'silver or dark chrome marker',
    brightness: 0.55,
    minutes: [2, 2],
    days: 0.2,
    priceCents: 480,
    cautions: [],
    needs: () => true,
  },
];

export interface RouteScore {
  route: ChromeRoute;
  /** Higher is better; below zero it should not be done. */
  score: number;
  minutes: number;
  days: number;
  priceCents: number;
  /** How near to real chrome on this part, 0 to 1. */
  look: number;
  /** What speaks for it and against it, with what each counts. */
  because: { words: string; counts: number }[];
}

/** What looks count against time, money and risk: working values that a builder's taste may shift. */
const LOOK_WEIGHT = { seen: 10, partly: 6, hidden: 2 } as const;
const PER_MINUTE = 0.03;
const PER_EURO = 0.06;
const TOO_LATE = -8;
/** A part shorter than this is small, mm. */
const SMALL_MM = 12;
const LARGE_CM2 = 12;

/** The routes for a part, best first, each with its reasons; routes that the part does not allow are left out.
 *  Throws RangeError for a part without size. */
export function scoreChromeRoutes(part: BrightPart, means: ChromeMeans): RouteScore[] {
  if (!(part.lengthMm > 0) || !(part.areaCm2 > 0)) {
    throw new RangeError('The part needs a length and an area above zero.');
  }
  return CHROME_ROUTE_TABLE.filter((route) => route.needs(part))
    .map((route) => score(route, part, means))
    .sort((p, q) => q.score - p.score);
}

function score(route: ChromeRoute, part: BrightPart, { owned, days }: ChromeMeans): RouteScore {
  const because: RouteScore['because'] = [];
  const say = (words: string, counts: number) => {
    if (counts !== 0) because.push({ words, counts });
  };
  const { id } = route;
  const paint = id === 'black-metal-lacquer' || id === 'ink-airbrush' || id === 'ink-marker';
  let look = route.brightness;
  if (id === 'keep-plating' && part.seam) {
    look -= 0.5;
    say('a seam or gate scar shows in plating and cannot be filled', -3);
  }
  if (id === 'foil' && part.curvature === 'tight') {
    look -= 0.4;
    say('foil wrinkles on tight compound curves', -4);
  }
  if (id === 'foil' && part.curvature === 'gentle') say('foil takes patience on a curve', -1);
  if (id === 'foil' && part.curvature === 'flat') say('foil lies well on flats and trims', 1);
  if (id === 'foil' && part.lengthMm < SMALL_MM) say('too small to lay foil on', -2);
  if (id === 'silver-marker' && part.areaCm2 > LARGE_CM2) {
    look -= 0.2;
    say('a marker streaks on a large area', -2);
  }
  if (id === 'silver-marker' && part.lengthMm < SMALL_MM) say('flake-free and quick on a small part', 2);
  if (id === 'ink-marker' && part.areaCm2 > LARGE_CM2) say('a marker leaves edges on a large area', -1.5);
  if (paint && part.handled) {
    look -= id === 'black-metal-lacquer' ? 0.1 : 0.25;
    say(
      id === 'black-metal-lacquer' ? 'marks where it is handled' : 'a finger dulls chrome ink for good',
      id === 'black-metal-lacquer' ? -1 : -2.5,
    );
  }
  if ((paint || id === 'silver-marker') && part.cleared) {
    look -= 0.3;
    say('clear over it takes the mirror', -2.5);
  }
  if ((id === 'keep-plating' || id === 'foil') && part.cleared) say('stands clear over it', 1);
  const minutes = route.minutes[0] + (route.minutes[1] * part.areaCm2) / 10;
  const priceCents = owned.has(id) ? 0 : route.priceCents;
  look = Math.max(0, look);
  say(`${Math.round(100 * look)} % of the look of chrome`, LOOK_WEIGHT[part.visibility] * look);
  say(`${Math.round(minutes)} min of work`, -PER_MINUTE * minutes);
  if (priceCents > 0) say(`${figure(priceCents, 'euro')} to buy`, (-PER_EURO * priceCents) / 100);
  if (days !== null && route.days > days) {
    say(`${route.days} days to cure, ${days} left`, TOO_LATE);
  }
  because.sort((p, q) => Math.abs(q.counts) - Math.abs(p.counts));
  return {
    route,
    score: because.reduce((sum, { counts }) => sum + counts, 0),
    minutes,
    days: route.days,
    priceCents,
    look,
    because,
  };
}

export interface BrightPlan {
  chosen: { part: BrightPart; pick: RouteScore; pinned: boolean; all: RouteScore[] }[];
  /** Parts that share one stripping bath. */
  bath: string[];
  minutes: number;
  priceCents: number;
  /** Neighbours whose routes look unlike each other. */
  clashes: { a: string; b: string; difference: number }[];
}

/** Neighbouring brightwork further apart than this in look is seen. */
const CLASH = 0.2;

/** Routes for all bright parts of a build: each its best or the builder's pin, what is bought once counted once,
 *  one bath for all that is stripped, and neighbours that would not agree. */
export function planBrightwork(
  parts: readonly BrightPart[],
  pins: ReadonlyMap<string, ChromeRouteId>,
  neighbours: readonly (readonly [string, string])[],
  means: ChromeMeans,
): BrightPlan {
  const chosen = parts.map((part) => {
    const all = scoreChromeRoutes(part, means);
    const pin = all.find(({ route }) => route.id === pins.get(part.id));
    return { part, pick: pin ?? all[0]!, pinned: pin !== undefined, all };
  });
  const lookOf = new Map(chosen.map(({ part, pick }) => [part.id, pick]));
  const bath = chosen.filter(({ pick }) => pick.route.id === 'strip-paint').map(({ part }) => part.id);
  const bought = new Map(chosen.map(({ pick }) => [pick.route.id, pick.priceCents]));
  const start = CHROME_ROUTE_TABLE.find(({ id }) => id === 'strip-paint')!.minutes[0];
  return {
    chosen,
    bath,
    // The bath is made up once.
    minutes: chosen.reduce((sum, { pick }) => sum + pick.minutes, 0) - start * Math.max(0, bath.length - 1),
    priceCents: [...bought.values()].reduce((sum, price) => sum + price, 0),
    clashes: neighbours.flatMap(([a, b]) => {
      const [one, other] = [lookOf.get(a), lookOf.get(b)];
      if (!one || !other || one.route.id === other.route.id) return [];
      const difference = Math.abs(one.look - other.look);
      return difference > CLASH ? [{ a, b, difference }] : [];
    }),
  };
}

const layer = (
  kind: LayerKind,
  productId: string | null,
  coats: number,
  tool: Tool,
  because: string,
): SuggestedLayer => ({ kind, productId, coats, tool, because });

const BLACK = layer(
  'undercoat',
  'generic-black-gloss',
  3,
  'airbrush',
  'The mirror is only as smooth and dark as this.',
);

/** The layers by which a route is carried out; empty where the plating stays as it is. `plated` parts are stripped or
 *  keyed first where the route paints them. */
export function chromeRouteLayers(id: ChromeRouteId, plated: boolean): SuggestedLayer[] {
  const ground = plated
    ? [layer('key', null, 1, 'hand', 'Paint holds badly on bare plating.')]
    : [
        layer(
          'primer',
          'generic-primer-grey',
          2,
          'airbrush',
          'Shows every scratch that the mirror would show.',
        ),
      ];
  switch (id) {
    case 'keep-plating':
      return [];
    case 'strip-paint':
      return [
        layer('strip', null, 1, 'hand', 'The plating goes; gate scars and seams can be filled.'),
        layer('primer', 'generic-primer-grey', 2, 'airbrush', 'Stripped plastic is slick.'),
        BLACK,
        layer('metal', 'generic-metal-lacquer', 2, 'airbrush', 'Any shade of metal, truer than plating.'),
      ];
    case 'black-metal-lacquer':
      return [
        ...ground,
        BLACK,
        layer('metal', 'generic-metal-lacquer', 3, 'airbrush', 'Fine passes, buffable.'),
      ];
    case 'ink-airbrush':
      return [
        ...ground,
        BLACK,
        layer('metal', 'generic-chrome-ink', 2, 'airbrush', 'The brightest paint there is.'),
      ];
    case 'ink-marker':
      return [layer('metal', 'generic-chrome-ink', 1, 'marker', 'Flows from the pen, then days untouched.')];
    case 'silver-marker':
      return [layer('metal', 'generic-silver', 1, 'marker', 'Flake-free and quick on small things.')];
    case 'foil':
      return [layer('foil', 'generic-foil', 1, 'hand', 'Real metal.')];
  }
}
