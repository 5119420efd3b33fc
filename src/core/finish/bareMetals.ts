import { figure } from '../figures.ts';
import {
  ciede2000,
  DAYLIGHT,
  spectrumFrom,
  spectrumToLab,
  type Lab,
  type Spectrum,
} from '../colour/index.ts';

/** Undercoat under a painted metal: black deepens it, grey dulls it, none leaves the plastic to do its part. */
export type MetalGround = 'gloss-black' | 'black' | 'grey' | 'brown';

/** A metal as it shows on vehicles: how it reflects on average over angles, and how shiny it is. */
export interface BareMetal {
  id: string;
  name: string;
  where: string;
  spectrum: Spectrum;
  /** Gloss units at 60 degrees of the real thing. */
  gloss: number;
  ground: MetalGround;
  how: string;
}

interface Reflection {
  /** Reflectance far from any edge. */
  level: number;
  /** Change of reflectance from 400 to 700 nm. */
  slope?: number;
  /** Interband edge in nm below which the metal absorbs, how wide it is and what is left below. */
  edge?: [nm: number, width: number, left: number];
}

/** Reflectance curves made up in the shape of the metals': a plateau with a slope, and for copper, brass and gold an
 *  interband edge. They are typical, not measured; a reading of the real thing wins. */
function reflection({ level, slope = 0, edge }: Reflection): number[] {
  return spectrumFrom((nm) => {
    const plateau = level + (slope * (nm - 550)) / 300;
    if (!edge) return plateau;
    const [at, width, left] = edge;
    return left + (plateau - left) / (1 + Math.exp((at - nm) / width));
  });
}

function metal(
  id: string,
  name: string,
  where: string,
  gloss: number,
  ground: MetalGround,
  shape: Reflection,
  how: string,
): BareMetal {
  return { id, name, where, gloss, ground, how, spectrum: reflection(shape) };
}

export const BARE_METALS: readonly BareMetal[] = [
  metal(
    'aluminium-polished',
    'polished aluminium',
    'tanks, wheels, covers',
    92,
    'gloss-black',
    { level: 0.82, slope: -0.03 },
    'metal lacquer in thin passes, not cleared',
  ),
  metal(
    'aluminium-machined',
    'machined aluminium',
    'pulleys, turned edges',
    70,
    'gloss-black',
    { level: 0.66, slope: -0.02 },
    'metal lacquer, then a fine line of bare foil or marker on the turned edge',
  ),
  metal(
    'aluminium-cast',
    'cast aluminium',
    'gearboxes, heads, manifolds',
    18,
    'grey',
    { level: 0.42, slope: 0.01 },
    'acrylic aluminium over grey primer, matt; dark wash',
  ),
  metal(
    'aluminium-cast-old',
    'cast aluminium, years old',
    'gearboxes, engine cases',
    8,
    'grey',
    { level: 0.27, slope: 0.03 },
    'cast aluminium with a drop of brown, matt',
  ),
  metal(
    'aluminium-anodised',
    'clear-anodised aluminium',
    'radiators, levers',
    35,
    'grey',
    { level: 0.62, slope: -0.05 },
    'fine aluminium, satin clear',
  ),
  metal(
    'magnesium',
    'magnesium',
    'racing wheels, gearbox cases',
    15,
    'black',
    { level: 0.31, slope: 0.03, edge: [430, 40, 0.24] },
    'aluminium with a little gold and grey, matt',
  ),
  metal(
    'magnesium-chromated',
    'chromated magnesium',
    'wheels, oil pans',
    15,
    'brown',
    { level: 0.3, slope: 0.04, edge: [530, 30, 0.12] },
    'aluminium and gold, matt clear',
  ),
  metal(
    'steel-new',
    'new sheet steel',
    'brackets, pedals',
    45,
    'black',
    { level: 0.5, slope: 0.01 },
    'steel over black, satin',
  ),
  metal(
    'steel-brushed',
    'brushed steel',
    'exhaust tips, plates',
    40,
    'gloss-black',
    { level: 0.56, slope: 0.02 },
    'steel, then draw 4000 cloth along one way',
  ),
  metal(
    'steel-blued',
    'blued steel',
    'bolts, springs',
    40,
    'black',
    { level: 0.13, slope: -0.05 },
    'gunmetal with clear blue',
  ),
  metal(
    'steel-oily',
    'oily steel',
    'shafts, joints',
    55,
    'black',
    { level: 0.22, slope: 0.02 },
    'steel over black, brown wash, gloss in places',
  ),
  metal(
    'stainless',
    'stainless steel',
    'exhausts, trims',
    75,
    'gloss-black',
    { level: 0.6, slope: 0.04 },
    'metal lacquer toned with a drop of steel',
  ),
  metal(
    'chrome',
    'chrome plating',
    'bumpers, trims',
    97,
    'gloss-black',
    { level: 0.66, slope: -0.02 },
    'see the routes to chrome',
  ),
  metal(
    'chrome-dark',
    'dark chrome',
    'wheels, grilles',
    95,
    'gloss-black',
    { level: 0.3, slope: -0.01 },
    'metal lacquer in one thin pass, smoke over it',
  ),
  metal(
    'nickel',
    'nickel plating',
    'spokes, old lamps',
    85,
    'gloss-black',
    { level: 0.6, slope: 0.14 },
    'chrome with a dusted pass of clear yellow',
  ),
  metal(
    'zinc-bright',
    'bright zinc',
    'bolts, brackets',
    45,
    'grey',
    { level: 0.52, slope: -0.04 },
    'fine silver, a trace of blue',
  ),
  metal(
    'zinc-yellow',
    'yellow chromated zinc',
    'brackets, carburettor parts',
    40,
    'grey',
    { level: 0.5, slope: 0.06, edge: [510, 28, 0.2] },
    'pale gold, then dusted clear red and green in patches',
  ),
  metal(
    'titanium',
    'titanium',
    'exhausts, springs',
    40,
    'black',
    { level: 0.4, slope: 0.09 },
    'steel with a drop of brown; heat tints near welds',
  ),
  metal(
    'gunmetal',
    'gunmetal',
    'wheels, cases',
    30,
    'black',
    { level: 0.13, slope: 0.01 },
    'gunmetal over black, satin',
  ),
  metal(
    'iron-cast',
    'cast iron',
    'blocks, manifolds, discs',
    8,
    'black',
    { level: 0.13, slope: 0.03 },
    'dark steel with brown, matt',
  ),
  metal(
    'exhaust-burnt',
    'burnt exhaust alloy',
    'headers, silencers',
    10,
    'brown',
    { level: 0.17, slope: 0.12 },
    'steel and brown, dust of rust powder; heat tints at the port',
  ),
  metal(
    'copper',
    'copper',
    'pipes, radiators, gaskets',
    50,
    'black',
    { level: 0.78, slope: 0.1, edge: [575, 14, 0.36] },
    'copper over black, satin',
  ),
  metal(
    'copper-old',
    'copper, browned',
    'pipes, radiators',
    15,
    'brown',
    { level: 0.36, slope: 0.1, edge: [580, 22, 0.14] },
    'copper with brown, matt, a dark wash',
  ),
  metal(
    'brass',
    'brass',
    'fittings, old lamps, etched parts',
    70,
    'black',
    { level: 0.72, slope: 0.04, edge: [505, 16, 0.24] },
    'fine gold with a little silver over black',
  ),
  metal(
    'bronze',
    'bronze',
    'bushes, carburettors',
    30,
    'brown',
    { level: 0.4, slope: 0.08, edge: [540, 25, 0.16] },
    'gold and copper, two to one, satin',
  ),
  metal(
    'gold-anodised',
    'gold anodise',
    'forks, wheels, hose ends',
    70,
    'gloss-black',
    { level: 0.76, slope: 0.05, edge: [515, 15, 0.18] },
    'silver, then clear yellow and a trace of orange by passes',
  ),
];

/** The ground in a builder's words. */
export const GROUND_WORDS: Readonly<Record<MetalGround, string>> = {
  'gloss-black': 'gloss black, cured a day',
  black: 'black primer',
  grey: 'grey primer',
  brown: 'dark brown or red-brown primer',
};

export const metalLab = ({ spectrum }: Pick<BareMetal, 'spectrum'>): Lab => spectrumToLab(spectrum, DAYLIGHT);

export interface FlakeReading {
  /** What one flake stands for at full size, mm. */
  fullSizeMm: number;
  /** Flakes across the part. */
  across: number;
  reads: 'smooth' | 'sparkle' | 'glitter';
  because: string;
}

/** Detail that an eye resolves at arm's length (600 mm, one minute of arc), mm. */
const EYE_MM = 600 * Math.tan(Math.PI / 180 / 60);
/** A bright flake is seen as a point of light well below what can be resolved. */
const SPARKLE_SHARE = 0.09;
/** Fewer flakes than this across a part and single ones are picked out. */
const FEW_ACROSS = 400;

/** How a flake of a size in um reads at a scale (24 for 1:24) on a part so many mm wide. */
export function flakeReading(flakeUm: number, scale: number, partMm: number): FlakeReading {
  const fullSizeMm = (flakeUm * scale) / 1000;
  const across = (partMm * 1000) / flakeUm;
  const seen = flakeUm / 1000 >= EYE_MM * SPARKLE_SHARE;
  const reads = seen && across < FEW_ACROSS ? 'glitter' : seen ? 'sparkle' : 'smooth';
  const size = `${flakeUm} µm stands for ${figure(fullSizeMm, 'mm')} at 1:${scale}`;
  const because =
    reads === 'smooth'
      ? `${size}; at arm’s length the eye does not pick it out.`
      : reads === 'sparkle'
        ? `${size}; single flakes sparkle at arm’s length, which suits a large panel.`
        : `${size}, and only ${Math.round(across)} lie across this part: it reads as glitter, not as metal.`;
  return { fullSizeMm, across, reads, because };
}

export interface SeenMetal {
  id: string;
  name: string;
  lab: Lab;
  gloss: number;
}

export interface AlikeMetals {
  first: SeenMetal;
  second: SeenMetal;
  dE00: number;
  /** The nearest metal that looks different enough to tell the two apart. */
  instead: BareMetal;
}

/** Closer than this in colour, and in gloss units, two neighbouring metals read as one. */
const ALIKE_DE = 4;
const ALIKE_GLOSS = 20;

/** Whether two that lie side by side read as one. */
export const readsAsOne = (
  one: Pick<SeenMetal, 'lab' | 'gloss'>,
  other: Pick<SeenMetal, 'lab' | 'gloss'>,
): boolean => ciede2000(one.lab, other.lab) < ALIKE_DE && Math.abs(one.gloss - other.gloss) < ALIKE_GLOSS;

/** Neighbours that would read as one metal. `touching` lists pairs of ids. */
export function alikeMetals(
  metals: readonly SeenMetal[],
  touching: readonly (readonly [string, string])[],
): AlikeMetals[] {
  const byId = new Map(metals.map((each) => [each.id, each]));
  return touching.flatMap(([one, other]) => {
    const first = byId.get(one);
    const second = byId.get(other);
    if (!first || !second || !readsAsOne(first, second)) return [];
    const different = BARE_METALS.map((each) => ({ each, lab: metalLab(each), gloss: each.gloss }))
      .filter((each) => !readsAsOne(each, first))
      .sort((p, q) => ciede2000(p.lab, second.lab) - ciede2000(q.lab, second.lab));
    return [{ first, second, dE00: ciede2000(first.lab, second.lab), instead: different[0]!.each }];
  });
}
