import { describe, expect, it } from 'vitest';
import {
  FAMILIES,
  hardenerOf,
  GENERIC_PRODUCTS,
  layerFilm,
  settingFor,
  settingKey,
  settingLine,
  SETTING_LIMITS,
  stackQuantities,
  usualSetting,
  type FamilyId,
  type StackLayer,
  type Supply,
} from './index.ts';

const product = (id: string) => GENERIC_PRODUCTS.find((generic) => generic.id === id)!;
const layer = (kind: StackLayer['kind'], id: string, change: Partial<StackLayer> = {}): StackLayer => ({
  id: `${kind}-${id}`,
  kind,
  product: product(id),
  coats: 2,
  tool: 'airbrush',
  ...change,
});
const itself = ({ product: made }: StackLayer) => ({ [made!.id]: 1 });
const supply = (change: Partial<Supply> = {}): Supply => ({
  name: 'Primer',
  container: 'bottle',
  volumeMl: 10,
  priceCents: 320,
  levelMl: null,
  ...change,
});
const primer = layer('primer', 'generic-primer-grey');

describe('stackQuantities', () => {
  it('follows area, film, solids and what reaches the part', () => {
    const { layers } = stackQuantities([primer], 300, itself, new Map());
    const dryMl = 300 * layerFilm(primer).usual * 1e-4;
    expect(layers[0]!.paintMl).toBeCloseTo(dryMl / FAMILIES.lacquer.solids / 0.4 + 0.5, 9);
    expect(layers[0]!.thinnerMl).toBeCloseTo(layers[0]!.paintMl * FAMILIES.lacquer.thinner, 9);
    const can = stackQuantities([{ ...primer, tool: 'can' }], 300, itself, new Map());
    expect(can.layers[0]!.paintMl).toBeGreaterThan(layers[0]!.paintMl);
    expect(can.layers[0]!.thinnerMl).toBe(0);
  });

  it('never needs less for more area or more coats', () => {
    const ml = (area: number, coats: number) =>
      stackQuantities([{ ...primer, coats }], area, itself, new Map()).layers[0]!.paintMl;
    for (const area of [5, 50, 500]) {
      for (const coats of [1, 3, 6]) {
        expect(ml(area * 1.5, coats)).toBeGreaterThan(ml(area, coats));
        expect(ml(area, coats + 1)).toBeGreaterThan(ml(area, coats));
      }
    }
  });

  it('buys whole containers of what the shelf lacks, once for all layers of one paint', () => {
    const twice = [primer, { ...primer, id: 'again' }];
    const supplies = new Map([[primer.product!.id, supply({ levelMl: 3 })]]);
    const { products, buyCents } = stackQuantities(twice, 400, itself, supplies);
    expect(products).toHaveLength(1);
    const [only] = products;
    expect(only!.lacksMl).toBeCloseTo(only!.paintMl - 3, 9);
    expect(only!.toBuy).toBe(Math.ceil(only!.lacksMl / 10));
    expect(buyCents).toBe(only!.toBuy * 320);
    const plenty = stackQuantities(
      twice,
      400,
      itself,
      new Map([[primer.product!.id, supply({ levelMl: 500 })]]),
    );
    expect(plenty.products[0]).toMatchObject({ toBuy: 0, lacksMl: 0, costCents: 0 });
  });

  it('shares a recipe among its paints', () => {
    const mix = () => ({ red: 3, white: 1 });
    const { products } = stackQuantities([primer], 300, mix, new Map());
    const ml = Object.fromEntries(products.map(({ productId, paintMl }) => [productId, paintMl]));
    expect(ml['red']! / ml['white']!).toBeCloseTo(3, 9);
  });

  it('opens two-part clear in batches that can be sprayed before they set', () => {
    const clear = layer('clear', 'generic-clear-2k', { coats: 3 });
    const small = stackQuantities([clear], 100, itself, new Map()).layers[0]!;
    const large = stackQuantities([clear], 4000, itself, new Map()).layers[0]!;
    expect(small).toMatchObject({ batches: 1, potLifeMinutes: 240 });
    expect(small.hardenerMl).toBeCloseTo(small.paintMl / 3, 9);
    expect(small.ratio).toBe('2 clear : 1 hardener : 0.3 thinner');
    expect(large.batches).toBe(Math.ceil(large.paintMl / 30));
    expect(stackQuantities([primer], 100, itself, new Map()).layers[0]!.potLifeMinutes).toBeNull();
  });

  it('lists hardener apart from the clear, and neither for a can', () => {
    const clear = layer('clear', 'generic-clear-2k', { coats: 3 });
    const { layers, products } = stackQuantities([clear], 300, itself, new Map());
    const ml = Object.fromEntries(products.map(({ productId, paintMl }) => [productId, paintMl]));
    expect(ml['generic-clear-2k']).toBeCloseTo((2 / 3) * layers[0]!.paintMl, 9);
    expect(ml[hardenerOf('generic-clear-2k')]).toBeCloseTo((1 / 3) * layers[0]!.paintMl, 9);
    expect(products.find(({ productId }) => productId === hardenerOf('generic-clear-2k'))!.name).toMatch(
      /^hardener for/,
    );
    const can = stackQuantities([{ ...clear, tool: 'can' }], 300, itself, new Map());
    expect(can.products).toHaveLength(1);
    expect(can.layers[0]).toMatchObject({ hardenerMl: 0, potLifeMinutes: null });
  });

  it('gives two-part clear half the time in the cup for every ten degrees more', () => {
    const clear = layer('clear', 'generic-clear-2k');
    const at = (temperatureC: number) =>
      stackQuantities([clear], 100, itself, new Map(), {}, { temperatureC, humidity: 50 }).layers[0]!
        .potLifeMinutes;
    expect([at(10), at(20), at(30)]).toEqual([480, 240, 120]);
  });

  it('thins as the builder has set it', () => {
    const own = { [settingKey('lacquer', false)]: { ...usualSetting('lacquer', false), thinner: 3 } };
    const { layers } = stackQuantities([primer], 300, itself, new Map(), own);
    expect(layers[0]!.thinnerMl).toBeCloseTo(3 * layers[0]!.paintMl, 9);
  });
});

describe('tool settings', () => {
  it('are within their limits for every family, finer for metals and farther for mist', () => {
    for (const id of Object.keys(FAMILIES) as FamilyId[]) {
      for (const mist of [false, true]) {
        const setting = usualSetting(id, mist);
        for (const [key, [least, most]] of Object.entries(SETTING_LIMITS)) {
          const value = setting[key as keyof typeof setting];
          expect(value, `${id} ${key}`).toBeGreaterThanOrEqual(least);
          expect(value, `${id} ${key}`).toBeLessThanOrEqual(most);
        }
      }
    }
    expect(usualSetting('metal-lacquer', false).needleMm).toBeLessThan(
      usualSetting('lacquer', false).needleMm,
    );
    expect(usualSetting('lacquer', true).distanceCm).toBeGreaterThan(
      usualSetting('lacquer', false).distanceCm,
    );
  });

  it('give way to the builder’s own, for that family and coat alone', () => {
    const own = { [settingKey('lacquer', true)]: { thinner: 2, bar: 0.9, needleMm: 0.5, distanceCm: 20 } };
    expect(settingFor('lacquer', true, own).bar).toBe(0.9);
    expect(settingFor('lacquer', false, own)).toEqual(usualSetting('lacquer', false));
    expect(settingLine('airbrush', 'lacquer', true, own)).toContain('0.9 bar, 0.5 mm needle, 20 cm');
    expect(settingLine('can', 'lacquer', false)).toMatch(/20 cm/);
    expect(settingLine('brush', 'lacquer', false)).toBeUndefined();
  });
});
