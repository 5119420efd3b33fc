import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, spectrumToLab } from '../colour/index.ts';
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
  type Stack,
  type StackLayer,
} from './index.ts';

import {
  blackGloss,
  CASES,
  clear,
  colour,
  decal,
  drybrush,
  key,
  layer,
  mask,
  mattClear,
  MILD,
  paint,
  polish,
  primer,
  product,
  red,
  stack,
  white,
  whitePrimer,
} from './ruleCases.ts';

const spanOf = (um: number): FilmBand => ({ low: um, usual: um, high: um });
const fired = (
  layers: StackLayer[],
  conditions = MILD,
  change: Partial<Stack> = {},
  longestSession?: number,
) =>
  evaluateStack(stack(layers, change), conditions, longestSession ? { longestSession } : {}).findings.map(
    ({ ruleId }) => ruleId,
  );
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
