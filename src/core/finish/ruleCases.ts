import { spectrumFrom } from '../colour/index.ts';
import { GENERIC_PRODUCTS } from './genericProducts.ts';
import type { FamilyId } from './families.ts';
import type { Conditions, Product, Stack, StackLayer } from './stack.ts';
import { SUBSTRATES } from './substrates.ts';

/** Paints, layers and stacks for tests, and for every rule of a finish a stack that breaks it with one close by that does
 *  not. */

export const product = (id: string): Product => GENERIC_PRODUCTS.find((generic) => generic.id === id)!;
export const paint = (family: FamilyId, change: Partial<Product> = {}): Product => ({
  ...product('generic-primer-grey'),
  id: `${family}-paint`,
  family,
  sheen: 'gloss',
  ...change,
});
export const red: Product = paint('lacquer', {
  name: 'Red',
  optics: { k: spectrumFrom((nm) => (nm < 590 ? 0.25 : 0.002)), s: spectrumFrom(() => 0.02) },
});
export const white: Product = paint('lacquer', {
  name: 'White',
  optics: { k: spectrumFrom(() => 0.0005), s: spectrumFrom(() => 0.1) },
});

export const layer = (kind: StackLayer['kind'], change: Partial<StackLayer> = {}): StackLayer => ({
  id: `${kind}-${change.product?.id ?? ''}${change.coats ?? ''}`,
  kind,
  coats: 2,
  tool: 'airbrush',
  ...change,
});
export const primer = layer('primer', { product: product('generic-primer-grey') });
export const whitePrimer = layer('primer', { product: product('generic-primer-white') });
export const blackGloss = layer('undercoat', { product: product('generic-black-gloss') });
export const colour = layer('colour', { product: paint('lacquer'), coats: 3 });
export const clear = layer('clear', { product: product('generic-clear-lacquer'), coats: 4, mistCoats: 2 });
export const decal = layer('decal', { coats: 1, tool: 'hand' });
export const mask = layer('mask', { coats: 1, tool: 'hand' });
export const polish = layer('polish', { coats: 1, tool: 'hand' });
export const wax = layer('wax', { coats: 1, tool: 'hand' });
export const key = layer('key', { coats: 1, tool: 'hand' });
export const foil = layer('foil', { product: product('generic-foil'), coats: 1, tool: 'hand' });
export const powder = layer('powder', { product: product('generic-powder-dust'), coats: 1, tool: 'hand' });
export const stain = layer('stain', { product: product('generic-stain-brown'), coats: 1, tool: 'brush' });
export const tint = layer('tint', { product: product('generic-tint-orange'), coats: 3 });
export const drybrush = layer('dry-brush', {
  product: product('generic-drybrush-pale'),
  coats: 1,
  tool: 'brush',
});
export const wash = layer('wash', { product: product('generic-wash'), coats: 1, tool: 'brush' });
export const mattClear = layer('clear', { product: product('generic-clear-matt') });
export const twoPart = layer('clear', { product: product('generic-clear-2k') });
export const on = (id: string) => ({ substrate: SUBSTRATES.find((substrate) => substrate.id === id)! });
export const chrome = layer('metal', { product: paint('chrome-ink', { sheen: 'metal' }) });

export function stack(layers: StackLayer[], change: Partial<Stack> = {}): Stack {
  return {
    substrate: SUBSTRATES.find(({ id }) => id === 'styrene-white')!,
    areaCm2: 200,
    scale: 24,
    layers,
    ...change,
  };
}
export const MILD: Conditions = { temperatureC: 20, humidity: 50 };
export const plated = { substrate: SUBSTRATES.find(({ id }) => id === 'plated')! };

/** For every rule: layers that break it, layers close by that do not, and the air where it matters. */
export const CASES: Record<
  string,
  {
    breaks: StackLayer[];
    keeps: StackLayer[];
    air?: Conditions;
    mildAir?: Conditions;
    change?: Partial<Stack>;
    keepsChange?: Partial<Stack>;
    longestSession?: number;
  }
> = {
  'hot-over-soft': {
    breaks: [primer, layer('colour', { product: paint('enamel') }), clear],
    keeps: [primer, colour, clear],
  },
  'recoat-window': {
    breaks: [primer, layer('colour', { product: paint('enamel'), coats: 2 })],
    keeps: [primer, layer('colour', { product: paint('enamel'), coats: 1 })],
  },
  'aerosol-on-styrene': {
    breaks: [layer('colour', { product: paint('aerosol'), tool: 'can' })],
    keeps: [primer, layer('colour', { product: paint('aerosol'), tool: 'can' })],
  },
  'mirror-under-clear': { breaks: [blackGloss, chrome, clear], keeps: [blackGloss, chrome] },
  'tape-on-mirror': { breaks: [blackGloss, chrome, mask], keeps: [blackGloss, mask, chrome] },
  'mist-over-decals': {
    breaks: [primer, colour, decal, { ...clear, mistCoats: 0 }],
    keeps: [primer, colour, decal, clear],
  },
  'decal-on-matt': { breaks: [primer, decal], keeps: [primer, colour, decal] },
  'decal-unprotected': { breaks: [primer, colour, decal], keeps: [primer, colour, decal, clear] },
  'wash-unsealed': {
    breaks: [
      primer,
      layer('colour', { product: paint('water-acrylic') }),
      layer('wash', { product: product('generic-wash') }),
    ],
    keeps: [
      primer,
      layer('colour', { product: paint('water-acrylic') }),
      clear,
      layer('wash', { product: product('generic-wash') }),
    ],
  },
  'wash-on-matt': {
    breaks: [
      primer,
      layer('clear', { product: product('generic-clear-matt') }),
      layer('wash', { product: product('generic-wash') }),
    ],
    keeps: [primer, clear, layer('wash', { product: product('generic-wash') })],
  },
  'polish-through': {
    breaks: [primer, colour, { ...clear, coats: 1, mistCoats: 0 }, polish],
    keeps: [primer, colour, { ...clear, coats: 6 }, polish],
  },
  'polish-bare-colour': {
    breaks: [primer, layer('colour', { product: paint('lacquer', { flakeUm: 10 }) }), polish],
    keeps: [primer, layer('colour', { product: paint('lacquer', { flakeUm: 10 }) }), clear, polish],
  },
  'not-closed': {
    breaks: [primer, layer('colour', { product: red, coats: 1 })],
    keeps: [primer, layer('colour', { product: red, coats: 14 })],
  },
  'light-over-dark': {
    breaks: [blackGloss, layer('colour', { product: white, coats: 3 })],
    keeps: [whitePrimer, layer('colour', { product: white, coats: 3 })],
  },
  'warm-over-grey': {
    breaks: [primer, layer('colour', { product: red })],
    keeps: [whitePrimer, layer('colour', { product: red })],
  },
  'metal-wants-black': { breaks: [primer, chrome], keeps: [blackGloss, chrome] },
  'coarse-flake': {
    breaks: [primer, layer('colour', { product: paint('lacquer', { flakeUm: 22 }) })],
    keeps: [primer, layer('colour', { product: paint('lacquer', { flakeUm: 22 }) })],
    // A dozen bolts, and a body.
    change: { areaCm2: 24, pieces: 12 },
  },
  'mixed-chemistry': {
    breaks: [primer, layer('colour', { product: paint('lacquer', { cupFamilies: ['lacquer', 'enamel'] }) })],
    keeps: [primer, layer('colour', { product: paint('lacquer', { cupFamilies: ['lacquer', 'lacquer'] }) })],
  },
  'no-primer': { breaks: [colour], keeps: [primer, colour] },
  'paint-on-plating': {
    breaks: [colour],
    keeps: [clear],
    change: plated,
    keepsChange: plated,
  },
  'thick-film': {
    breaks: [primer, { ...colour, coats: 10 }, { ...clear, coats: 12 }],
    keeps: [primer, colour, clear],
  },
  'mask-on-acrylic': {
    breaks: [primer, layer('colour', { product: paint('water-acrylic') }), mask],
    keeps: [primer, colour, mask],
  },
  'enamel-clear-ambers': {
    breaks: [whitePrimer, layer('clear', { product: product('generic-clear-enamel') })],
    keeps: [blackGloss, layer('clear', { product: product('generic-clear-enamel') })],
  },
  'too-humid': {
    breaks: [primer],
    keeps: [primer],
    air: { temperatureC: 20, humidity: 80 },
    mildAir: { temperatureC: 20, humidity: 74 },
  },
  'dew-point': {
    breaks: [primer],
    keeps: [primer],
    air: { temperatureC: 20, humidity: 70, surfaceC: 16 },
    mildAir: { temperatureC: 20, humidity: 70, surfaceC: 20 },
  },
  'cold-bench': {
    breaks: [primer],
    keeps: [primer],
    air: { temperatureC: 12, humidity: 50 },
    mildAir: { temperatureC: 16, humidity: 50 },
  },
  isocyanate: {
    breaks: [primer, colour, layer('clear', { product: product('generic-clear-2k') })],
    keeps: [primer, colour, clear],
  },
  'solvent-vapour': {
    breaks: [primer],
    keeps: [layer('primer', { product: product('generic-primer-acrylic') })],
  },
  'paint-on-wax': { breaks: [primer, colour, wax, clear], keeps: [primer, colour, clear, wax] },
  'tape-on-foil': { breaks: [primer, colour, foil, mask], keeps: [primer, colour, mask, foil] },
  'foil-wants-gloss': { breaks: [primer, foil], keeps: [primer, clear, foil] },
  'powder-on-gloss': { breaks: [primer, clear, powder], keeps: [primer, mattClear, powder] },
  'powder-loose': { breaks: [primer, powder], keeps: [primer, powder, mattClear] },
  'stain-wants-light': { breaks: [blackGloss, stain], keeps: [whitePrimer, stain] },
  'tint-wants-gloss': { breaks: [primer, tint], keeps: [primer, clear, tint] },
  'tint-by-brush': {
    breaks: [primer, clear, { ...tint, tool: 'brush' }],
    keeps: [primer, clear, { ...tint, tool: 'brush' }],
    // A lamp lens takes its tint in one drop.
    keepsChange: { areaCm2: 0.6 },
  },
  'drybrush-on-gloss': { breaks: [primer, clear, drybrush], keeps: [primer, mattClear, drybrush] },
  'unkeyed-gloss': {
    breaks: [primer, clear, layer('colour', { product: paint('water-acrylic') })],
    keeps: [primer, clear, key, layer('colour', { product: paint('water-acrylic') })],
  },
  'scuff-two-part': {
    breaks: [primer, colour, twoPart, layer('colour', { product: paint('lacquer', { id: 'second' }) })],
    keeps: [primer, colour, twoPart, key, layer('colour', { product: paint('lacquer', { id: 'second' }) })],
  },
  'window-overnight': {
    breaks: [primer, layer('colour', { product: paint('enamel'), coats: 2 })],
    keeps: [primer, layer('colour', { product: paint('enamel'), coats: 1 })],
    longestSession: 45,
  },
  'too-cold': {
    breaks: [layer('primer', { product: product('generic-primer-acrylic') })],
    keeps: [layer('primer', { product: product('generic-primer-acrylic') })],
    air: { temperatureC: 5, humidity: 50 },
  },
  'dryer-warps': {
    breaks: [primer],
    keeps: [primer],
    air: { ...MILD, dryerC: 60 },
    mildAir: { ...MILD, dryerC: 40 },
  },
  'vinyl-stays-sticky': {
    breaks: [layer('colour', { product: paint('enamel') })],
    keeps: [layer('colour', { product: paint('water-acrylic') })],
    change: on('vinyl'),
    keepsChange: on('vinyl'),
  },
  'solvent-on-clear': {
    breaks: [tint],
    keeps: [layer('colour', { product: paint('water-acrylic') })],
    change: on('styrene-clear'),
    keepsChange: on('styrene-clear'),
  },
  'resin-unprimed': {
    breaks: [colour],
    keeps: [primer, colour],
    change: on('resin'),
    keepsChange: on('resin'),
  },
  'metal-unprimed': {
    breaks: [colour],
    keeps: [primer, colour],
    change: on('white-metal'),
    keepsChange: on('white-metal'),
  },
  'dissolves-wash': {
    breaks: [primer, clear, wash, { ...clear, id: 'second-clear', mistCoats: 0 }],
    keeps: [primer, clear, wash, { ...clear, id: 'second-clear' }],
  },
  'many-coats': { breaks: [primer, { ...colour, coats: 9 }], keeps: [primer, { ...colour, coats: 8 }] },
};
