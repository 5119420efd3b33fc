/** What can be chosen of the things of a cabin. They stand apart from what follows from them: every record knows its choices, and only
 *  a view that is open asks for the rest. */

/** Ways to the face of an instrument panel. */
export const PANEL_ROUTES = [
  'relief-brush',
  'decal-relief',
  'decal-flat',
  'decal-overlay',
  'etch-film',
  'paper-lens',
] as const;
export type PanelRoute = (typeof PANEL_ROUTES)[number];

/** What a belt is cut from. */
export const BELT_CLOTHS = ['ribbon', 'tape', 'foil', 'film'] as const;
export type BeltCloth = (typeof BELT_CLOTHS)[number];
/** What its buckles and adjusters are. */
export const BELT_METALS = ['etched', 'decal', 'film', 'painted'] as const;
export type BeltMetal = (typeof BELT_METALS)[number];

/** Ways to a carpet. */
export const CARPET_WAYS = ['flock', 'paper-tape', 'printed-cloth', 'moulded-pile'] as const;
export type CarpetWay = (typeof CARPET_WAYS)[number];

/** What a pane is made from, and how it looks. */
export const PANE_SOURCES = ['moulded', 'sheet'] as const;
export const PANE_TINTS = ['clear', 'green', 'smoke', 'banded'] as const;
/** What runs round it: nothing, rubber, a bright trim. */
export const PANE_EDGES = ['none', 'rubber', 'bright'] as const;
export const PANE_FLAWS = ['none', 'hazy', 'scratched'] as const;
export type PaneFlaws = (typeof PANE_FLAWS)[number];

/** Real glass of a vehicle, mm. */
export const REAL_GLASS_MM = 5;

/** What pieces of a cabin are made to look like. */
export const EFFECTS = [
  'varnished-wood',
  'oiled-wood',
  'leather',
  'worn-leather',
  'vinyl',
  'cloth',
  'ribbed-cloth',
] as const;
export type EffectId = (typeof EFFECTS)[number];

/** What the sides of a shell are made of, as far as they bend. */
export const SHELL_STUFFS = ['styrene', 'resin', 'metal', 'other'] as const;
export type ShellStuff = (typeof SHELL_STUFFS)[number];

/** How a thing that is to move was found when it was tried last. */
export const MOVES = ['freely', 'stiffly', 'not'] as const;
export type Moves = (typeof MOVES)[number];

/** Ways in which parts move against each other. */
export type MovingMotion = 'turns' | 'swings' | 'slides' | 'comes-off';

/** Below this nobody sees a difference, mm: about what a caliper tells apart on painted parts. */
export const SEEN_MM = 0.15;
