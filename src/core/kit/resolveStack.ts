import { BAND_COUNT, type Spectrum } from '../colour/index.ts';
import {
  GENERIC_PRODUCTS,
  SUBSTRATES,
  type FamilyId,
  type LayerKind,
  type Product,
  type Sheen,
  type Stack,
  type StackLayer,
} from '../finish/index.ts';
import { estimateOptics, mixOptics } from '../paint/index.ts';
import type { Mix, PlannedLayer, Tray } from './build.ts';

/** A paint of the catalogue, as far as a stack needs it. */
export interface CataloguePaint {
  id: string;
  name: string;
  family: FamilyId;
  sheen: Sheen;
  flakeUm: number | null;
  k: Spectrum;
  s: Spectrum;
  /** Volume of its drop against the usual one; 1 when absent. */
  perDrop?: number;
}

export type ProductIndex = ReadonlyMap<string, Product>;

/** Name of a layer whose paint is still to be chosen. */
export const NOT_CHOSEN = 'not chosen yet';

const GENERIC_FOR: Partial<Record<LayerKind, string>> = {
  primer: 'generic-primer-grey',
  undercoat: 'generic-black-gloss',
  clear: 'generic-clear-lacquer',
  metal: 'generic-silver',
  wash: 'generic-wash',
  tint: 'generic-tint-yellow',
  stain: 'generic-stain-brown',
  'dry-brush': 'generic-drybrush-pale',
  powder: 'generic-powder-dust',
  flock: 'generic-flock-grey',
  foil: 'generic-foil',
  colour: 'generic-primer-grey',
};

/** All paints that a mix can name: the catalogue and the generic products. */
export function productIndex(paints: readonly CataloguePaint[]): ProductIndex {
  const index = new Map<string, Product>(GENERIC_PRODUCTS.map((product) => [product.id, product]));
  for (const { id, name, family, sheen, flakeUm, k, s, perDrop } of paints) {
    index.set(id, {
      id,
      name,
      family,
      sheen,
      optics: { k, s },
      ...(flakeUm ? { flakeUm } : {}),
      ...(perDrop === undefined ? {} : { perDrop }),
    });
  }
  return index;
}

/** What a mix gives: one product, or the blend of several with the chemistries that meet in the cup.
 *  Undefined where no paint of the mix is known. */
export function resolveMix(mix: Mix, products: ProductIndex): Product | undefined {
  const parts = Object.entries(mix).flatMap(([id, share]) => {
    const product = products.get(id);
    return product ? [{ product, share }] : [];
  });
  const main = parts.reduce<(typeof parts)[number] | undefined>(
    (most, part) => (!most || part.share > most.share ? part : most),
    undefined,
  );
  if (!main || parts.length < Object.keys(mix).length) return undefined;
  if (parts.length === 1) return main.product;
  const flakes = parts.flatMap(({ product }) => product.flakeUm ?? []);
  return {
    id: parts.map(({ product, share }) => `${product.id}*${share}`).join('+'),
    name: parts.map(({ product, share }) => `${share} ${product.name}`).join(' + '),
    family: main.product.family,
    cupFamilies: parts.map(({ product }) => product.family),
    sheen: main.product.sheen,
    optics: mixOptics(
      parts.map(({ product, share }) => ({
        optics: product.optics,
        share: share * (product.perDrop ?? 1),
      })),
    ),
    ...(flakes.length > 0 ? { flakeUm: Math.max(...flakes) } : {}),
  };
}

const placeholders = new WeakMap<Spectrum, Product>();

/** Stands in for a colour still to be chosen: the wanted colour itself, in lacquer, hiding well. */
function placeholder(target: Spectrum): Product {
  const known = placeholders.get(target);
  if (known) return known;
  const made: Product = {
    id: 'not-chosen',
    name: NOT_CHOSEN,
    family: 'lacquer',
    sheen: 'gloss',
    optics: estimateOptics(target, 'opaque'),
  };
  placeholders.set(target, made);
  return made;
}

/** Reflectance of a factory code; undefined where it is not known. */
export type ColourOfCode = (codeId: string) => Spectrum | undefined;

/** A layer with its product; a painted layer without a known mix gets a stand-in that says so. */
function resolveLayer(layer: PlannedLayer, products: ProductIndex, target: Spectrum | undefined): StackLayer {
  const { mix, codeId: _, ...rest } = layer;
  const chosen = mix && resolveMix(mix, products);
  if (chosen) return { ...rest, product: chosen };
  if (layer.kind === 'colour' && target) return { ...rest, product: placeholder(target) };
  const generic = products.get(GENERIC_FOR[layer.kind] ?? '');
  if (!generic) return rest;
  return {
    ...rest,
    product: layer.kind === 'colour' ? { ...generic, id: 'not-chosen', name: NOT_CHOSEN } : generic,
  };
}

/** The colour layer that a tray's target is about: the last one that lies on all of it, else the last one. */
export function targetLayer(layers: readonly PlannedLayer[]): PlannedLayer | undefined {
  const colours = layers.filter(({ kind }) => kind === 'colour');
  return colours.findLast(({ finishId }) => finishId === undefined) ?? colours.at(-1);
}

/** The factory code that a layer should look like: the sub-assembly's for the colour that this is about, else its own. */
export const codeOfLayer = (
  { codeId = null, layers }: Pick<Tray, 'layers'> & Partial<Pick<Tray, 'codeId'>>,
  layer: PlannedLayer,
): string | null => (layer === targetLayer(layers) ? codeId : null) ?? layer.codeId ?? null;

/** The stack of a tray with every mix turned into a product. */
export function resolveStack(
  tray: Pick<Tray, 'areaCm2' | 'substrateId' | 'layers'> & Partial<Pick<Tray, 'parts' | 'codeId'>>,
  scale: number,
  products: ProductIndex,
  colourOf: ColourOfCode,
): Stack {
  const substrate = SUBSTRATES.find(({ id }) => id === tray.substrateId) ?? {
    id: tray.substrateId,
    name: 'unknown material',
    kind: 'unknown' as const,
    reflectance: new Array<number>(BAND_COUNT).fill(0.36),
  };
  return {
    substrate,
    areaCm2: tray.areaCm2,
    pieces: Math.max(1, tray.parts?.reduce((sum, { count }) => sum + count, 0) ?? 1),
    scale,
    layers: tray.layers.map((layer) => {
      const code = codeOfLayer(tray, layer);
      return resolveLayer(layer, products, code === null ? undefined : colourOf(code));
    }),
  };
}
