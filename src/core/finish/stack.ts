import type { Spectrum } from '../colour/index.ts';
import type { PaintOptics } from '../paint/index.ts';
import type { FamilyId } from './families.ts';
import { LAYER_KINDS, type LayerKind, type Tool } from './layerKinds.ts';

export type { LayerKind, Tool } from './layerKinds.ts';

export type Sheen = 'gloss' | 'semi-gloss' | 'satin' | 'matt' | 'metal';

/** What a layer of paint is made of: one product or a recipe already mixed. */
export interface Product {
  id: string;
  name: string;
  family: FamilyId;
  /** Families of all paints in the cup; more than one where a recipe crosses chemistries. */
  cupFamilies?: FamilyId[];
  sheen: Sheen;
  optics: PaintOptics;
  /** Volume of its drop against the usual one; 1 when absent. */
  perDrop?: number;
  /** Largest common flake in um, for metallics. */
  flakeUm?: number;
}

export interface StackLayer {
  id: string;
  kind: LayerKind;
  /** Present for what is painted; absent for masks, decals and work by hand. */
  product?: Product;
  coats: number;
  /** How many of the first coats are dusted on nearly dry. */
  mistCoats?: number;
  tool: Tool;
  /** Rules that the builder has silenced here, each with a note why. */
  muted?: MutedRule[];
  /** Of a body in several colours: the finish on whose areas it lies (absent: on all of it), and their share of the body. A
   *  mask lies on the areas of the colour that it covers. */
  finishId?: string;
  share?: number;
}

/** A rule that is not to warn about one layer. */
export interface MutedRule {
  ruleId: string;
  note: string;
}

export interface Substrate {
  id: string;
  name: string;
  /** 'unknown' where what is stored names no material: such a stack is refused. */
  kind: 'styrene' | 'clear' | 'plated' | 'resin' | 'metal' | 'vinyl' | 'unknown';
  /** Measured reflectance of the bare surface. */
  reflectance: Spectrum;
}

export interface Stack {
  substrate: Substrate;
  /** Area to cover, cm2. */
  areaCm2: number;
  /** Pieces among which that is shared; taken as one where absent. */
  pieces?: number;
  /** Denominator of the scale: 24 for 1:24. */
  scale: number;
  /** Bottom first. */
  layers: StackLayer[];
}

/** The air at the bench. */
export interface Conditions {
  temperatureC: number;
  /** Relative humidity, per cent. */
  humidity: number;
  /** Temperature of the part itself; taken as the air's where absent. */
  surfaceC?: number;
  /** Temperature of the dehydrator in which painted parts dry; absent where they dry in the air. */
  dryerC?: number;
}

export const DEFAULT_CONDITIONS: Conditions = { temperatureC: 20, humidity: 50 };

/** Whether a layer lays down paint. */
export function isPainted(layer: StackLayer): layer is StackLayer & { product: Product } {
  return LAYER_KINDS[layer.kind].painted && layer.product !== undefined;
}
