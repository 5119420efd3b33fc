import type { Spectrum } from '../colour/index.ts';
import type { PaintOptics } from '../paint/index.ts';
import type { FamilyId } from './families.ts';

export type Sheen = 'gloss' | 'semi-gloss' | 'satin' | 'matt' | 'metal';

export type LayerKind =
  'primer' | 'undercoat' | 'colour' | 'metal' | 'mask' | 'decal' | 'clear' | 'flat' | 'polish' | 'wash';

export type Tool = 'airbrush' | 'can' | 'brush' | 'marker' | 'hand';

/** What a layer of paint is made of: one product or a recipe already mixed. */
export interface Product {
  id: string;
  name: string;
  family: FamilyId;
  /** Families of all paints in the cup; more than one where a recipe crosses chemistries. */
  cupFamilies?: FamilyId[];
  sheen: Sheen;
  optics: PaintOptics;
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
}

export interface Substrate {
  id: string;
  name: string;
  kind: 'styrene' | 'clear' | 'plated' | 'resin' | 'metal' | 'vinyl';
  /** Measured reflectance of the bare surface. */
  reflectance: Spectrum;
}

export interface Stack {
  substrate: Substrate;
  /** Area to cover, cm2. */
  areaCm2: number;
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
}

export const DEFAULT_CONDITIONS: Conditions = { temperatureC: 20, humidity: 50 };

const PAINTED: ReadonlySet<LayerKind> = new Set(['primer', 'undercoat', 'colour', 'metal', 'clear', 'wash']);

/** Whether a layer lays down paint. */
export function isPainted(layer: StackLayer): layer is StackLayer & { product: Product } {
  return PAINTED.has(layer.kind) && layer.product !== undefined;
}
