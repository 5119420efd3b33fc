import { BARE_METALS, metalLab, readsAsOne, type SeenMetal } from '../../finish/index.ts';
import type { KitFinish, Look } from '../records/index.ts';

/** A colour or metal that a thing of an engine may have. */
export interface EngineShade {
  id: string;
  name: string;
  look: Look;
  /** How it looks; absent for the maker's own colour, which nobody knows here. */
  seen?: Pick<SeenMetal, 'lab' | 'gloss'>;
  how: string;
}

const OWN: EngineShade = {
  id: 'engine',
  name: 'Engine colour',
  look: 'gloss',
  how: 'the maker’s colour: a code for engines, matched as any other',
};
const BLACK: EngineShade = {
  id: 'black',
  name: 'Satin black',
  look: 'satin',
  seen: { lab: { L: 14, a: 0, b: 0 }, gloss: 30 },
  how: 'satin black over grey primer',
};
export const SHADES: ReadonlyMap<string, EngineShade> = new Map(
  [
    OWN,
    BLACK,
    ...BARE_METALS.map((metal): EngineShade => ({
      id: metal.id,
      name: metal.name.replace(/^./, (first) => first.toUpperCase()),
      look: 'metal',
      seen: { lab: metalLab(metal), gloss: metal.gloss },
      how: metal.how,
    })),
  ].map((shade) => [shade.id, shade]),
);

/** What the things of an engine usually are, the most usual first. Ordinary practice; what the real one shows wins. */
export const USUAL_SHADES: Readonly<Record<string, readonly string[]>> = {
  block: ['engine', 'iron-cast', 'aluminium-cast'],
  cylinder: ['iron-cast', 'aluminium-cast', 'black'],
  head: ['engine', 'aluminium-cast', 'iron-cast'],
  'rocker-cover': ['aluminium-polished', 'black', 'aluminium-cast'],
  sump: ['black', 'aluminium-cast-old', 'steel-oily'],
  'timing-cover': ['aluminium-cast', 'steel-new', 'engine'],
  'case-cover': ['aluminium-polished', 'aluminium-machined', 'aluminium-cast'],
  intake: ['aluminium-cast', 'magnesium', 'aluminium-cast-old'],
  carburettor: ['zinc-yellow', 'bronze', 'aluminium-cast-old'],
  'air-cleaner': ['black', 'steel-new', 'chrome'],
  trumpet: ['aluminium-machined', 'brass', 'aluminium-polished'],
  blower: ['aluminium-cast', 'aluminium-machined', 'magnesium'],
  turbo: ['exhaust-burnt', 'iron-cast', 'aluminium-cast'],
  distributor: ['black', 'aluminium-cast-old', 'bronze'],
  starter: ['black', 'steel-new', 'gunmetal'],
  generator: ['aluminium-cast-old', 'black', 'steel-new'],
  'water-pump': ['aluminium-cast', 'iron-cast', 'aluminium-cast-old'],
  fan: ['black', 'steel-new', 'zinc-yellow'],
  pulley: ['steel-new', 'black', 'aluminium-machined'],
  'oil-filter': ['zinc-bright', 'black', 'steel-new'],
  'fuel-pump': ['aluminium-cast-old', 'zinc-bright', 'steel-new'],
  'ignition-coil': ['black', 'aluminium-cast-old'],
  'engine-mount': ['black', 'steel-oily'],
  'kick-starter': ['nickel', 'chrome', 'steel-new'],
  'air-compressor': ['iron-cast', 'black', 'aluminium-cast'],
  gearbox: ['aluminium-cast', 'aluminium-cast-old', 'magnesium'],
  'bell-housing': ['aluminium-cast-old', 'aluminium-cast', 'iron-cast'],
  'exhaust-manifold': ['iron-cast', 'exhaust-burnt', 'black'],
};

/** Two that are given the maker's colour are meant to be one. */
export const areAlike = (one: EngineShade | undefined, other: EngineShade | undefined): boolean => {
  if (!one || !other || one === OWN || other === OWN) return false;
  if (one.id === other.id) return true;
  return one.seen !== undefined && other.seen !== undefined && readsAsOne(one.seen, other.seen);
};

/** What a finish that was named is, where its name says so. */
export function shadeOf(finish: KitFinish | undefined): EngineShade | undefined {
  if (!finish) return undefined;
  const name = finish.name.toLowerCase();
  return (
    [...SHADES.values()].find((shade) => shade.name.toLowerCase() === name) ?? {
      id: `finish ${finish.id}`,
      name: finish.name,
      look: finish.look,
      how: '',
    }
  );
}
