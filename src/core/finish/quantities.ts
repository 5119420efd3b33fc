import { figure } from '../figures.ts';
import { FAMILIES, type FamilyId } from './families.ts';
import { paintVolume } from './film.ts';
import { settingFor, type ToolSettings } from './toolSettings.ts';
import { DEFAULT_CONDITIONS, isPainted, type Conditions, type StackLayer, type Tool } from './stack.ts';

/** A product as the shop and the shelf know it. */
export interface Supply {
  name: string;
  container: 'bottle' | 'can' | 'marker';
  volumeMl: number;
  priceCents: number;
  /** What stands on the shelf, ml; null where none does. */
  levelMl: number | null;
}

export interface LayerQuantity {
  layerId: string;
  family: FamilyId;
  tool: Tool;
  paintMl: number;
  thinnerMl: number;
  /** Hardener of two-part products, ml, within `paintMl`, which is what is sprayed of both. */
  hardenerMl: number;
  /** Ratio of what is mixed, in words; undefined where nothing is. */
  ratio: string | undefined;
  /** Batches to open one after the other so that none sets in the cup; 1 where it does not matter. */
  batches: number;
  /** Minutes in which one batch has to be sprayed; null where there is no hurry. */
  potLifeMinutes: number | null;
}

export interface ProductQuantity {
  productId: string;
  name: string;
  paintMl: number;
  /** Cans, bottles or markers that have to be opened in all. */
  containers: number;
  container: Supply['container'] | undefined;
  /** What the shelf holds of it, ml, and what it lacks. */
  onShelfMl: number;
  lacksMl: number;
  /** What has to be bought, and its price in cents; undefined where no price is known. */
  toBuy: number;
  costCents: number | undefined;
}

export interface StackQuantities {
  layers: LayerQuantity[];
  products: ProductQuantity[];
  thinnerMl: Partial<Record<FamilyId, number>>;
  /** Of what has a price. */
  buyCents: number;
}

/** Two parts of clear to one of hardener; minutes at 20 C until it gels in the cup. Labels differ and win. */
const TWO_PART = { clear: 2, hardener: 1, potLifeMinutes: 240 };

/** Share of a layer's cup that is hardener; none but of two-part products mixed by hand: a can brings its own. */
export function hardenerShare({ product, tool }: StackLayer): number {
  if (product?.family !== 'urethane-2k' || tool === 'can') return 0;
  return TWO_PART.hardener / (TWO_PART.clear + TWO_PART.hardener);
}

/** Minutes until two-part clear gels in the cup: half for every 10 C more, as all curing. */
export function potLifeMinutes({ temperatureC }: Pick<Conditions, 'temperatureC'>): number {
  return Math.round(TWO_PART.potLifeMinutes * 2 ** ((20 - temperatureC) / 10));
}

/** What the hardener of a product is listed as. */
export const hardenerOf = (productId: string) => `hardener ${productId}`;
/** A cup of two-part clear is opened in batches of what an airbrush session sprays, ml. */
const LARGEST_BATCH_ML = 30;

/** Paint, thinner, hardener, containers and cost of a stack. `parts` gives the share of each product of a layer's
 *  cup, `supplies` what is known of them. Volumes are those that leave the bottle: dry film over solids over what
 *  reaches the part, and what stays in cup and tip. */
export function stackQuantities(
  layers: readonly StackLayer[],
  areaCm2: number,
  parts: (layer: StackLayer) => Readonly<Record<string, number>>,
  supplies: ReadonlyMap<string, Supply>,
  ownSettings: ToolSettings = {},
  conditions: Conditions = DEFAULT_CONDITIONS,
): StackQuantities {
  const needs = new Map<string, number>();
  const names = new Map<string, string>();
  const thinnerMl: Partial<Record<FamilyId, number>> = {};
  const each = layers.filter(isPainted).map((layer): LayerQuantity => {
    const family = FAMILIES[layer.product.family];
    const sprayed = layer.tool === 'airbrush';
    const { paintMl, thinnerMl: layerThinner } = paintVolume(layer, areaCm2, ownSettings);
    const { thinner } = settingFor(family.id, false, ownSettings);
    const hardenerMl = paintMl * hardenerShare(layer);
    const twoPart = hardenerMl > 0;
    thinnerMl[family.id] = (thinnerMl[family.id] ?? 0) + layerThinner;
    const shares = parts(layer);
    const total = Object.values(shares).reduce((sum, share) => sum + share, 0);
    for (const [id, share] of Object.entries(shares)) {
      const need = (productId: string, ml: number) => needs.set(productId, (needs.get(productId) ?? 0) + ml);
      need(id, ((paintMl - hardenerMl) * share) / total);
      if (Object.keys(shares).length === 1) names.set(id, layer.product.name);
      if (hardenerMl === 0) continue;
      need(hardenerOf(id), (hardenerMl * share) / total);
      names.set(hardenerOf(id), `hardener for ${supplies.get(id)?.name ?? layer.product.name}`);
    }
    return {
      layerId: layer.id,
      family: family.id,
      tool: layer.tool,
      paintMl,
      thinnerMl: layerThinner,
      hardenerMl,
      ratio: twoPart
        ? `${TWO_PART.clear} clear : ${TWO_PART.hardener} hardener${thinner > 0 && sprayed ? ` : ${figure(thinner * (TWO_PART.clear + TWO_PART.hardener), 'parts')} thinner` : ''}`
        : sprayed && thinner > 0
          ? `1 paint : ${figure(thinner, 'parts')} thinner`
          : undefined,
      batches: twoPart ? Math.max(1, Math.ceil(paintMl / LARGEST_BATCH_ML)) : 1,
      potLifeMinutes: twoPart ? potLifeMinutes(conditions) : null,
    };
  });
  const products = [...needs].map(([productId, paintMl]): ProductQuantity => {
    const supply = supplies.get(productId);
    const onShelfMl = supply?.levelMl ?? 0;
    const lacksMl = Math.max(0, paintMl - onShelfMl);
    const toBuy = supply ? Math.max(0, Math.ceil(lacksMl / supply.volumeMl - 1e-9)) : 0;
    return {
      productId,
      name: supply?.name ?? names.get(productId) ?? productId,
      paintMl,
      containers: supply ? Math.ceil(paintMl / supply.volumeMl - 1e-9) : 0,
      container: supply?.container,
      onShelfMl,
      lacksMl,
      toBuy,
      costCents: supply && toBuy * supply.priceCents,
    };
  });
  return {
    layers: each,
    products,
    thinnerMl,
    buyCents: products.reduce((sum, { costCents = 0 }) => sum + costCents, 0),
  };
}
