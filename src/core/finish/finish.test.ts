import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, spectrumFrom, spectrumToLab } from '../colour/index.ts';
import { filmsOver, innerLight, seenSurface, tintPasses } from '../paint/index.ts';
import { edgeFilmOf, FLATTING_UM, POLISHING_UM, type FilmBand } from './film.ts';
import {
  cureFactor,
  dewPoint,
  evaluateStack,
  FAMILIES,
  FINISH_RULES,
  formatMinutes,
  GENERIC_PRODUCTS,
  layerFilm,
  mirrorOfSubstrate,
  polishBudget,
  sumFilm,
  paintVolume,
  SUBSTRATES,
  waitBefore,
  waitBetweenCoats,
  waitToHandle,
  type Conditions,
  type FamilyId,
  type Product,
  type Stack,
  type StackLayer,
} from './index.ts';

const product = (id: string): Product => GENERIC_PRODUCTS.find((generic) => generic.id === id)!;
const paint = (family: FamilyId, change: Partial<Product> = {}): Product => ({
  ...product('generic-primer-grey'),
  id: `${family}-paint`,
  family,
  sheen: 'gloss',
  ...change,
});
const red: Product = paint('lacquer', {
  name: 'Red',
  optics: { k: spectrumFrom((nm) => (nm < 590 ? 0.25 : 0.002)), s: spectrumFrom(() => 0.02) },
});
const white: Product = paint('lacquer', {
  name: 'White',
  optics: { k: spectrumFrom(() => 0.0005), s: spectrumFrom(() => 0.1) },
});

const layer = (kind: StackLayer['kind'], change: Partial<StackLayer> = {}): StackLayer => ({
  id: `${kind}-${change.product?.id ?? ''}${change.coats ?? ''}`,
  kind,
  coats: 2,
  tool: 'airbrush',
  ...change,
});
const spanOf = (um: number): FilmBand => ({ low: um, usual: um, high: um });
const primer = layer('primer', { product: product('generic-primer-grey') });
const whitePrimer = layer('primer', { product: product('generic-primer-white') });
const blackGloss = layer('undercoat', { product: product('generic-black-gloss') });
const colour = layer('colour', { product: paint('lacquer'), coats: 3 });
const clear = layer('clear', { product: product('generic-clear-lacquer'), coats: 4, mistCoats: 2 });
const decal = layer('decal', { coats: 1, tool: 'hand' });
const mask = layer('mask', { coats: 1, tool: 'hand' });
const polish = layer('polish', { coats: 1, tool: 'hand' });
const wax = layer('wax', { coats: 1, tool: 'hand' });
const key = layer('key', { coats: 1, tool: 'hand' });
const foil = layer('foil', { product: product('generic-foil'), coats: 1, tool: 'hand' });
const powder = layer('powder', { product: product('generic-powder-dust'), coats: 1, tool: 'hand' });
const stain = layer('stain', { product: product('generic-stain-brown'), coats: 1, tool: 'brush' });
const tint = layer('tint', { product: product('generic-tint-orange'), coats: 3 });
const drybrush = layer('dry-brush', { product: product('generic-drybrush-pale'), coats: 1, tool: 'brush' });
const wash = layer('wash', { product: product('generic-wash'), coats: 1, tool: 'brush' });
const mattClear = layer('clear', { product: product('generic-clear-matt') });
const twoPart = layer('clear', { product: product('generic-clear-2k') });
const on = (id: string) => ({ substrate: SUBSTRATES.find((substrate) => substrate.id === id)! });
const chrome = layer('metal', { product: paint('chrome-ink', { sheen: 'metal' }) });

function stack(layers: StackLayer[], change: Partial<Stack> = {}): Stack {
  return {
    substrate: SUBSTRATES.find(({ id }) => id === 'styrene-white')!,
    areaCm2: 200,
    scale: 24,
    layers,
    ...change,
  };
}
const MILD: Conditions = { temperatureC: 20, humidity: 50 };
const fired = (
  layers: StackLayer[],
  conditions = MILD,
  change: Partial<Stack> = {},
  longestSession?: number,
) =>
  evaluateStack(stack(layers, change), conditions, longestSession ? { longestSession } : {}).findings.map(
    ({ ruleId }) => ruleId,
  );
const plated = { substrate: SUBSTRATES.find(({ id }) => id === 'plated')! };

/** For every rule: layers that break it, layers close by that do not, and the air where it matters. */
const CASES: Record<
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
    keeps: [primer, layer('colour', { product: paint('lacquer', { flakeUm: 8 }) })],
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
  'flock-clogs': {
    breaks: [primer, layer('flock', { product: product('generic-flock-grey') })],
    keeps: [primer],
  },
  'stain-wants-light': { breaks: [blackGloss, stain], keeps: [whitePrimer, stain] },
  'tint-wants-gloss': { breaks: [primer, tint], keeps: [primer, clear, tint] },
  'tint-by-brush': {
    breaks: [primer, clear, { ...tint, tool: 'brush' }],
    keeps: [primer, clear, tint],
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

describe('sumFilm', () => {
  const film = (usual: number, below: number, above: number) => ({
    low: usual - below,
    usual,
    high: usual + above,
  });

  it('is the layer itself for one layer, and between independent and alike for several', () => {
    expect(sumFilm([film(20, 5, 8)])).toEqual(film(20, 5, 8));
    const both = sumFilm([film(20, 6, 6), film(30, 8, 8)]);
    expect(both.usual).toBe(50);
    expect(both.high - 50).toBeGreaterThan(10);
    expect(both.high - 50).toBeLessThan(14);
    expect(both.high - 50).toBeCloseTo(Math.sqrt(0.6 * 100 + 0.4 * 196), 9);
    expect(sumFilm([])).toEqual(film(0, 0, 0));
  });

  it('never says less than nothing', () => {
    expect(sumFilm([film(10, 10, 5), film(-6, 0, 0)]).low).toBe(0);
  });
});

describe('rules', () => {
  it('are at least forty, with unique ids, and every one has a case here', () => {
    const ids = FINISH_RULES.map(({ id }) => id);
    expect(ids.length).toBeGreaterThanOrEqual(40);
    expect(new Set(ids).size).toBe(ids.length);
    expect(Object.keys(CASES).sort()).toEqual([...ids].sort());
  });

  it.each(Object.entries(CASES))('%s fires where it should and only there', (id, test) => {
    expect(fired(test.breaks, test.air ?? MILD, test.change, test.longestSession)).toContain(id);
    expect(fired(test.keeps, test.mildAir ?? MILD, test.keepsChange, test.longestSession)).not.toContain(id);
  });

  it('say why, what to do and where it comes from, worst first', () => {
    const { findings } = evaluateStack(
      stack([layer('colour', { product: paint('aerosol'), tool: 'can' }), decal]),
      {
        temperatureC: 12,
        humidity: 82,
      },
    );
    expect(findings.length).toBeGreaterThan(3);
    for (const { reason, remedy, source } of findings) {
      for (const text of [reason, remedy, source]) expect(text).not.toMatch(/undefined|NaN|^$/);
    }
    const order = ['stop', 'warn', 'caution', 'note'];
    const ranks = findings.map(({ severity }) => order.indexOf(severity));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  });
});

describe('silencing a rule', () => {
  it('takes it from the findings of that layer alone and keeps the note', () => {
    const note = 'tried on a spoon';
    const muted = {
      ...layer('decal', { coats: 1, tool: 'hand' }),
      muted: [{ ruleId: 'decal-on-matt', note }],
    };
    const result = evaluateStack(stack([primer, muted]), MILD);
    expect(result.findings.map(({ ruleId }) => ruleId)).not.toContain('decal-on-matt');
    expect(result.muted).toMatchObject([{ ruleId: 'decal-on-matt', layerId: muted.id, note }]);
    const both = evaluateStack(stack([primer, muted, { ...decal, id: 'another' }]), MILD);
    expect(both.findings.map(({ ruleId, layerId }) => `${ruleId} ${layerId}`)).toContain(
      'decal-on-matt another',
    );
  });
});

describe('evaluateStack', () => {
  it('lets a dry brush touch raised detail only, each sweep less than the one before', () => {
    const L = (coats: number) =>
      evaluateStack(stack([blackGloss, mattClear, { ...drybrush, coats }]), MILD).lab.L;
    const base = evaluateStack(stack([blackGloss, mattClear]), MILD).lab.L;
    expect(L(1)).toBeGreaterThan(base + 2);
    expect(L(2)).toBeGreaterThan(L(1));
    expect(L(1)).toBeLessThan(75);
  });

  it('dries faster in a dehydrator, for rooms of any damp', () => {
    const damp: Conditions = { temperatureC: 18, humidity: 90 };
    expect(cureFactor('water-acrylic', { ...damp, dryerC: 40 })).toBeCloseTo(0.25, 9);
    expect(cureFactor('water-acrylic', damp)).toBeGreaterThan(1.5);
  });

  it('adds film layer by layer and halves it on edges', () => {
    const result = evaluateStack(stack([primer, colour, clear]), MILD);
    const sum = [primer, colour, clear].reduce((total, each) => total + layerFilm(each).usual, 0);
    expect(result.filmFlat.usual).toBeCloseTo(sum, 9);
    expect(result.filmEdge.usual).toBeCloseTo(sum / 2, 9);
    expect(result.filmFlat.low).toBeLessThan(result.filmFlat.usual);
    expect(result.clearFilm).toBeCloseTo(layerFilm(clear).usual, 9);
  });

  it('takes more off edges than off flats, by the rule of the polish budget', () => {
    const twice = { ...clear, coats: 8 };
    const result = evaluateStack(
      stack([twice, layer('flat', { coats: 1, tool: 'hand' }), layer('polish', { coats: 1, tool: 'hand' })]),
      MILD,
    );
    const laid = layerFilm(twice);
    const taken = FLATTING_UM + POLISHING_UM;
    expect(result.filmEdge.usual).toBeCloseTo(0.5 * laid.usual - 1.5 * taken, 9);
    // 64 um laid and 9 taken leave 18.5 on edges.
    expect(edgeFilmOf([spanOf(64), spanOf(-6), spanOf(-3)]).usual).toBeCloseTo(18.5, 9);
    const budget = polishBudget(laid, [{ id: 'all', name: '', removes: spanOf(taken), strokes: 1, how: '' }]);
    expect(budget[0]!.edge.usual).toBeCloseTo(result.filmEdge.usual, 9);
  });

  it('lays household cans at their own thickness, once', () => {
    const can = layer('colour', { product: { ...red, family: 'aerosol' }, coats: 3, tool: 'can' });
    expect(layerFilm(can).usual).toBe(3 * FAMILIES.aerosol.filmPerCoat.usual);
    expect(layerFilm({ ...can, product: red }).usual).toBe(1.5 * 3 * FAMILIES.lacquer.filmPerCoat.usual);
  });

  it('shows a matt paint lighter than the same in gloss, and deep again under gloss clear', () => {
    const black = GENERIC_PRODUCTS.find(({ id }) => id === 'generic-black-gloss')!;
    const L = (layers: StackLayer[]) => evaluateStack(stack(layers), MILD).lab.L;
    const paint = (sheen: 'gloss' | 'matt') => layer('colour', { product: { ...black, sheen }, coats: 4 });
    expect(L([paint('gloss')])).toBeLessThan(8);
    expect(L([paint('matt')])).toBeGreaterThan(20);
    expect(L([paint('matt'), clear])).toBeCloseTo(L([paint('gloss'), clear]), 1);
  });

  it('tints plating as the passes of a tint do', () => {
    const plated = SUBSTRATES.find(({ kind }) => kind === 'plated')!;
    const orange = GENERIC_PRODUCTS.find(({ id }) => id === 'generic-tint-orange')!;
    const film = layerFilm(layer('tint', { product: orange, coats: 4 })).usual;
    const result = evaluateStack(
      { ...stack([layer('tint', { product: orange, coats: 4 })]), substrate: plated },
      MILD,
    );
    const base = innerLight(plated.reflectance, seenSurface(95), mirrorOfSubstrate(plated));
    const passes = tintPasses(base, orange.optics.k, film / 8, 8);
    expect(ciede2000(result.lab, passes[8]!.lab)).toBeLessThan(0.05);
  });

  it('predicts the colour by films, not by blending', () => {
    const result = evaluateStack(stack([primer, layer('colour', { product: red, coats: 2 })]), MILD);
    // Bare plastic of 60 gloss units beneath, a gloss paint on top.
    const byHand = filmsOver(
      SUBSTRATES.find(({ id }) => id === 'styrene-white')!.reflectance,
      [
        { optics: primer.product!.optics, thickness: 16 },
        { optics: red.optics, thickness: 16 },
      ],
      seenSurface(result.gloss),
      seenSurface(60),
    );
    expect(ciede2000(result.lab, spectrumToLab(byHand, DAYLIGHT))).toBeLessThan(1e-9);
    const overWhite = evaluateStack(stack([whitePrimer, layer('colour', { product: red, coats: 2 })]), MILD);
    expect(overWhite.lab.L).toBeGreaterThan(result.lab.L);
  });

  it('follows a change of clear in colour, film, time and sheen', () => {
    const pale = layer('colour', { product: white, coats: 6 });
    const lacquer = evaluateStack(stack([whitePrimer, pale, clear, polish]), MILD);
    const enamel = evaluateStack(
      stack([
        whitePrimer,
        pale,
        layer('clear', { product: product('generic-clear-enamel'), coats: 3 }),
        polish,
      ]),
      MILD,
    );
    const matt = evaluateStack(
      stack([whitePrimer, pale, layer('clear', { product: product('generic-clear-matt') })]),
      MILD,
    );
    expect(enamel.lab.b).toBeGreaterThan(lacquer.lab.b + 1);
    expect(enamel.elapsed).toBeGreaterThan(lacquer.elapsed);
    expect(matt.gloss).toBeLessThan(20);
    expect(lacquer.gloss).toBeGreaterThan(90);
  });

  it('takes longer in the cold and lays the layers one after another', () => {
    const warm = evaluateStack(stack([primer, colour, clear]), { temperatureC: 25, humidity: 50 });
    const cold = evaluateStack(stack([primer, colour, clear]), { temperatureC: 15, humidity: 50 });
    expect(cold.elapsed).toBeGreaterThan(warm.elapsed);
    warm.layers.slice(1).forEach((each, index) => {
      expect(each.begins).toBeGreaterThanOrEqual(warm.layers[index]!.ends);
    });
  });

  it('accepts a bare part', () => {
    const bare = evaluateStack(stack([]), MILD);
    expect(bare).toMatchObject({ handsOn: 0, elapsed: 0, findings: [] });
  });

  it.each<[string, Partial<Stack>, Conditions, RegExp]>([
    ['no area', { areaCm2: 0 }, MILD, /area to cover/],
    ['negative coats', { layers: [{ ...primer, coats: -1 }] }, MILD, /1 to 30 coats/],
    ['an oven', {}, { temperatureC: 90, humidity: 50 }, /between -10 and 50/],
    [
      'three hundred layers',
      { layers: Array.from({ length: 300 }, (_, at) => ({ ...primer, id: `p${at}` })) },
      MILD,
      /at most 40 layers; this one has 300/,
    ],
    ['a dryer that melts', {}, { temperatureC: 20, humidity: 50, dryerC: 120 }, /between 25 and 80 C/],
    ['impossible humidity', {}, { temperatureC: 20, humidity: 130 }, /between 0 and 100/],
  ])('refuses %s', (_, change, conditions, message) => {
    expect(() => evaluateStack(stack([primer], change), conditions)).toThrow(message);
  });
});

describe('waits', () => {
  it('keeps the families ordered: touch dry, recoat, handle, full cure', () => {
    for (const family of Object.values(FAMILIES)) {
      expect(family.touchDry).toBeLessThanOrEqual(family.handle);
      expect(family.handle).toBeLessThanOrEqual(family.fullCure);
      expect(family.filmPerCoat.low).toBeLessThanOrEqual(family.filmPerCoat.usual);
      if (family.recoatUntil !== null) expect(family.recoatUntil).toBeGreaterThan(family.recoatFrom);
    }
  });

  it('gives enamel a window between coats and lacquer none', () => {
    const enamel = waitBetweenCoats(layer('colour', { product: paint('enamel') }), MILD);
    expect(enamel).toMatchObject({ from: 30, until: 120 });
    expect(waitBetweenCoats(colour, MILD).until).toBeNull();
  });

  it('waits for full cure before hot solvent, masks and polish', () => {
    const enamel = layer('colour', { product: paint('enamel') });
    expect(waitBefore(clear, enamel, MILD).from).toBe(FAMILIES.enamel.fullCure);
    expect(waitBefore(mask, colour, MILD).from).toBe(FAMILIES.lacquer.fullCure);
    expect(waitBefore(polish, clear, MILD).from).toBe(FAMILIES.lacquer.polishAfter);
    expect(waitBefore(key, enamel, MILD).from).toBe(FAMILIES.enamel.fullCure);
    expect(waitBefore(clear, decal, MILD).from).toBe(720);
    expect(waitToHandle(polish, MILD).from).toBe(0);
  });

  it('doubles cures for ten degrees less and slows water paint in damp air', () => {
    expect(cureFactor('lacquer', { temperatureC: 10, humidity: 50 })).toBeCloseTo(2, 9);
    expect(cureFactor('lacquer', { temperatureC: 30, humidity: 90 })).toBeCloseTo(0.5, 9);
    expect(cureFactor('water-acrylic', { temperatureC: 20, humidity: 75 })).toBeCloseTo(1.5, 9);
  });

  it('never gives an earlier wait in colder air', () => {
    const families = Object.keys(FAMILIES) as FamilyId[];
    fc.assert(
      fc.property(fc.constantFrom(...families), fc.integer({ min: 0, max: 30 }), (family, t) => {
        const coat = layer('colour', { product: paint(family) });
        const at = (temperatureC: number) => waitToHandle(coat, { temperatureC, humidity: 50 }).from;
        expect(at(t)).toBeGreaterThanOrEqual(at(t + 5));
      }),
    );
  });
});

describe('air and amounts', () => {
  it.each([
    [20, 50, 9.3],
    [25, 80, 21.3],
    [10, 100, 10],
    [30, 30, 10.5],
  ])('has the dew point of %i C and %i %% at %f C', (temperature, humidity, dew) => {
    expect(dewPoint(temperature, humidity)).toBeCloseTo(dew, 0);
  });

  it('needs paint in proportion to area and film', () => {
    const small = paintVolume({ ...colour, tool: 'brush' }, 100).paintMl;
    expect(paintVolume({ ...colour, tool: 'brush' }, 200).paintMl).toBeCloseTo(2 * small, 9);
    expect(paintVolume(mask, 100)).toEqual({ paintMl: 0, thinnerMl: 0 });
    // 100 cm2 x 24 um is 0.24 ml dry; at 25 % solids and 40 % transfer 2.4 ml, and half a millilitre stays in the cup.
    expect(paintVolume(colour, 100).paintMl).toBeCloseTo(2.9, 9);
  });

  it.each([
    [25, '25 min'],
    [120, '2 h'],
    [210, '3.5 h'],
    [7200, '5 days'],
  ])('writes %i minutes as %s', (minutes, text) => {
    expect(formatMinutes(minutes)).toBe(text);
  });
});
