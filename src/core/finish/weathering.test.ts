import { describe, expect, it } from 'vitest';
import { GENERIC_PRODUCTS, LIVES, WEATHER_PLACES, weatheringPlan, weatherPlace } from './index.ts';
import { WEATHERING_METHODS } from './weathering.ts';

const everywhere = WEATHER_PLACES.map((place) => ({ id: place, place }));

describe('weatheringPlan', () => {
  it('gets no lighter as the life gets harder', () => {
    const load = LIVES.map((life) =>
      weatheringPlan(life, everywhere).items.reduce((sum, { amount }) => sum + amount, 0),
    );
    expect(load).toEqual([...load].sort((a, b) => a - b));
    expect(load[0]).toBeLessThan(3);
    expect(load.at(-1)).toBeGreaterThan(30);
  });

  it('goes from what lies deepest to dust', () => {
    const order = weatheringPlan('derelict', everywhere).items.map(({ method }) => method.id);
    expect(order[0]).toBe('salt');
    expect(order.at(-1)).toBe('dust');
  });

  it('seals paint before a wash and gives powder a matt ground', () => {
    for (const life of LIVES) {
      for (const layers of Object.values(weatheringPlan(life, everywhere).layers)) {
        layers.forEach((layer, at) => {
          const before = layers.slice(0, at).filter(({ at: where }) => where === 'over');
          if (layer.kind === 'wash') expect(before.at(-1)?.kind).toBe('clear');
          if (layer.kind === 'powder') {
            expect(before.findLast(({ kind }) => kind === 'clear')?.productId).toBe('generic-clear-matt');
          }
        });
      }
    }
  });

  it('names products that exist and steps with their dry times', () => {
    const ids = new Set(GENERIC_PRODUCTS.map(({ id }) => id));
    for (const layers of Object.values(weatheringPlan('derelict', everywhere).layers)) {
      for (const { productId } of layers) expect(ids).toContain(productId);
    }
    for (const { steps, rule } of WEATHERING_METHODS) {
      expect(steps.length).toBeGreaterThan(0);
      expect(rule.length).toBeGreaterThan(10);
      for (const { dryMinutes } of steps) expect(dryMinutes).toBeGreaterThanOrEqual(0);
    }
  });

  it('knows a place by its name', () => {
    expect(weatherPlace('Exhaust stacks')).toBe('exhaust');
    expect(weatherPlace('Rear wheels')).toBe('wheels');
    expect(weatherPlace('Body shell')).toBe('body');
    expect(weatherPlace('Window frames')).toBe('glass');
  });
});
