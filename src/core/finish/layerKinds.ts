export type LayerKind =
  | 'strip'
  | 'rinse'
  | 'key'
  | 'primer'
  | 'undercoat'
  | 'colour'
  | 'metal'
  | 'tint'
  | 'stain'
  | 'mask'
  | 'unmask'
  | 'foil'
  | 'decal'
  | 'clear'
  | 'flat'
  | 'polish'
  | 'wax'
  | 'wash'
  | 'dry-brush'
  | 'powder'
  | 'flock';

export type Tool = 'airbrush' | 'can' | 'brush' | 'marker' | 'sponge' | 'hand';

/** What a kind of layer is, apart from what it is made of. */
export interface LayerKindFacts {
  name: string;
  /** Made of a product with a chemistry of its own; the others are work by hand. */
  painted: boolean;
  tool: Tool;
  coats: number;
  /** Hands-on minutes: a start that every coat or job needs, and minutes per 100 cm2. Working values until the
   *  builder's own log says better. */
  effort: { start: number; per100cm2: number };
  because: string;
  /** How it is done, in short lines. */
  how: readonly string[];
}

function facts(
  name: string,
  painted: boolean,
  tool: Tool,
  coats: number,
  [start, per100cm2]: readonly [number, number],
  because: string,
  ...how: string[]
): LayerKindFacts {
  return { name, painted, tool, coats, effort: { start, per100cm2 }, because, how };
}

/** All kinds of layer, in the order in which they usually come. */
export const LAYER_KINDS: Readonly<Record<LayerKind, LayerKindFacts>> = {
  strip: facts(
    'Strip plating',
    false,
    'hand',
    1,
    [20, 3],
    'Takes plating and its varnish off, so that seams can be filled and another metal laid.',
    'bath with a lid, parts on a wire; look every ten minutes',
    'brush, rinse long, dry a day before glue or primer',
  ),
  rinse: facts(
    'Wash clean',
    false,
    'hand',
    1,
    [6, 1],
    'Grease from moulds and fingers keeps paint from holding.',
    'lukewarm water and soap, soft brush, rinse, let it dry under cover',
  ),
  key: facts(
    'Key',
    false,
    'hand',
    1,
    [8, 6],
    'A dull, finely scratched surface holds the next layer.',
    '1000 to 2000, wet, until no shine is left; wipe clean',
  ),
  primer: facts(
    'Primer',
    true,
    'airbrush',
    2,
    [5, 2],
    'Shows every blemish while it can still be mended, and gives colour a hold.',
  ),
  undercoat: facts(
    'Undercoat',
    true,
    'airbrush',
    2,
    [5, 2],
    'The colour over it depends on it: black for metal, white or pink for bright colours.',
  ),
  colour: facts(
    'Colour',
    true,
    'airbrush',
    3,
    [5, 2.5],
    'Mist first to hold, then wet coats until the colour closes.',
  ),
  metal: facts('Metal', true, 'airbrush', 2, [6, 3], 'Fine and thin, over gloss.'),
  tint: facts(
    'Tint',
    true,
    'airbrush',
    3,
    [5, 2.5],
    'A transparent colour deepens with every pass: count them, and stop one early.',
  ),
  stain: facts(
    'Wood stain',
    true,
    'brush',
    1,
    [6, 6],
    'Streaks of a darker brown over a light base read as grain.',
    'drag a nearly dry brush along the grain, never across it',
  ),
  mask: facts(
    'Mask',
    false,
    'hand',
    1,
    [15, 10],
    'The second colour needs an edge; light before dark, large before small.',
    'thin edge tape first, wide tape after',
    'seal the edge with clear or the base colour',
  ),
  unmask: facts(
    'Unmask',
    false,
    'hand',
    1,
    [6, 4],
    'Tape comes off while the last coat is soft enough to tear cleanly; paint that has turned brittle chips.',
    'pull it back over itself, flat and slowly, away from the edge',
    'look along the edge under a lamp: what crept under, what lifted',
    'touch in with a fine brush, or scrape back with a new blade once dry',
  ),
  foil: facts(
    'Foil',
    true,
    'hand',
    1,
    [15, 20],
    'Real metal on trims and tanks.',
    'cut it larger than the trim, lay it without stretching',
    'burnish from the middle with a cotton bud, then trim along the edge with a new blade',
  ),
  decal: facts(
    'Decals',
    false,
    'hand',
    1,
    [20, 10],
    'On gloss, so that no air silvers under the film.',
    'fresh water, setting fluid sparingly',
    'press out water and air from the middle',
  ),
  clear: facts('Clear', true, 'airbrush', 3, [5, 2.5], 'Seals decals and gives depth to polish.'),
  flat: facts(
    'Flat, wet',
    false,
    'hand',
    1,
    [10, 12],
    'Takes down orange peel before polish; edges are left alone.',
    'cloths 4000, 6000, 8000 with water',
    'leave edges and raised lines alone',
  ),
  polish: facts(
    'Polish',
    false,
    'hand',
    1,
    [10, 12],
    'Brings the gloss up once the clear is hard.',
    'compound, soft cloth, light hand',
    'wash residue out of panel lines',
  ),
  wax: facts(
    'Wax',
    false,
    'hand',
    1,
    [5, 4],
    'Fills the last hairlines and keeps fingers off; nothing is painted after it.',
    'a trace of it, silicone-free, wiped off at once',
  ),
  wash: facts('Wash', true, 'brush', 1, [10, 4], 'Deepens panel lines over sealed paint.'),
  'dry-brush': facts(
    'Dry-brush',
    true,
    'brush',
    1,
    [6, 5],
    'A nearly dry brush leaves a lighter tone on edges and raised detail.',
    'wipe the brush on paper until it hardly marks, then sweep across the edges',
  ),
  powder: facts(
    'Powder',
    true,
    'hand',
    1,
    [8, 4],
    'Dust, soot and rust that lie dry on the surface.',
    'dab on with a soft brush, blow off what is loose',
  ),
  flock: facts(
    'Flock',
    true,
    'hand',
    1,
    [12, 8],
    'Fibres stand up like carpet; they come out darker than they look in the bag.',
    'mask the locating holes, brush the adhesive on in small fields',
    'sieve the fibres on, tap, let it dry, shake off the rest',
  ),
};
