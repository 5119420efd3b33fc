import { describe, expect, it } from 'vitest';
import type { PlannedLayer } from '../../../core/kit/index.ts';
import { LIVES, WEATHER_PLACES, weatheringPlan } from '../../../core/finish/index.ts';
import {
  isWeathered,
  ownStackOn,
  plannedFrom,
  stackChanges,
  unweathered,
  weathered,
  withTints,
} from './planned.ts';

const layer = (kind: PlannedLayer['kind'], change: Partial<PlannedLayer> = {}): PlannedLayer => ({
  id: kind,
  kind,
  coats: 2,
  tool: 'airbrush',
  ...change,
});
const now = [layer('primer'), layer('colour', { mix: { 'BR-1': 2, 'BR-2': 1 } }), layer('clear')];

describe('a suggested stack', () => {
  it('keeps the colour that was chosen and gives every layer an id of its own', () => {
    const because = '';
    const layers = plannedFrom(
      [
        { kind: 'clear', productId: 'a', coats: 1, tool: 'airbrush', because },
        { kind: 'colour', productId: null, coats: 3, mistCoats: 1, tool: 'can', because },
        { kind: 'clear', productId: 'b', coats: 2, tool: 'airbrush', because },
      ],
      now,
    );
    expect(layers.map(({ id }) => id)).toEqual(['clear-2', 'colour', 'clear']);
    expect(layers[1]).toMatchObject({ mix: { 'BR-1': 2, 'BR-2': 1 }, coats: 3, mistCoats: 1 });
    expect(layers[2]!.mix).toEqual({ b: 1 });
  });

  it('keeps both colours and the mask of a body in two', () => {
    const because = '';
    const twoTone = [
      layer('primer'),
      layer('colour', { id: 'cream', mix: { cream: 1 } }),
      layer('mask'),
      layer('colour', { id: 'green', mix: { green: 1 } }),
      layer('clear'),
    ];
    const layers = plannedFrom(
      [
        { kind: 'undercoat', productId: 'white', coats: 2, tool: 'airbrush', because },
        { kind: 'colour', productId: null, coats: 3, tool: 'airbrush', because },
        { kind: 'clear', productId: 'two-part', coats: 3, tool: 'airbrush', because },
      ],
      twoTone,
    );
    expect(layers.map(({ kind }) => kind).join(' ')).toBe('undercoat colour mask colour clear');
    expect(layers.flatMap(({ mix }) => Object.keys(mix ?? {}))).toEqual([
      'white',
      'cream',
      'green',
      'two-part',
    ]);
    expect(new Set(layers.map(({ id }) => id)).size).toBe(layers.length);
  });

  it('puts a stack of one’s own on a part that keeps its colour', () => {
    const own = [layer('primer'), layer('colour', { coats: 4, mix: { other: 1 } }), layer('wax')];
    const put = ownStackOn(own, now);
    expect(put.map(({ kind }) => kind).join(' ')).toBe('primer colour wax');
    expect(put[1]).toMatchObject({ coats: 4, mix: { 'BR-1': 2, 'BR-2': 1 } });
    expect(ownStackOn(own, [])[1]!.mix).toEqual({ other: 1 });
  });

  it('lays worn ground under the colour and the rest on top', () => {
    const because = '';
    const done = weathered(now, [
      { kind: 'undercoat', productId: 'rust', coats: 2, tool: 'airbrush', at: 'under', because },
      { kind: 'powder', productId: 'dust', coats: 1, tool: 'hand', at: 'over', because },
    ]);
    expect(done.map(({ kind }) => kind).join(' ')).toBe('primer undercoat colour clear powder');
    expect(done.filter(({ kind }) => now.some((layer) => layer.kind === kind))).toEqual(now);
    // Steps already done hang on the ids of their layers.
    const own = [
      layer('primer', { id: 'grey' }),
      layer('colour', { id: 'black' }),
      layer('clear', { id: 'shine' }),
    ];
    const kept = weathered(own, [
      { kind: 'clear', productId: 'matt', coats: 1, tool: 'airbrush', at: 'over', because },
    ]);
    expect(kept.map(({ id }) => id)).toEqual(['grey', 'black', 'shine', 'clear']);
  });

  it('weathers a stack once, a mere wash included', () => {
    const because = '';
    const wash = [
      { kind: 'clear', productId: 'seal', coats: 2, tool: 'airbrush', at: 'over', because },
      { kind: 'wash', productId: 'generic-wash', coats: 1, tool: 'brush', at: 'over', because },
    ] as const;
    expect(isWeathered(now, wash)).toBe(false);
    expect(isWeathered(weathered(now, wash), wash)).toBe(true);
    const rust = [
      { kind: 'undercoat', productId: 'rust', coats: 2, tool: 'airbrush', at: 'under', because },
    ] as const;
    expect(isWeathered([layer('undercoat', { mix: { black: 1 } }), ...now], rust)).toBe(false);
    expect(isWeathered(weathered(now, rust), rust)).toBe(true);
  });

  it('takes back the weathering of any life, and nothing that the builder laid or changed', () => {
    const own = [
      layer('primer', { id: 'grey' }),
      layer('colour', { id: 'blue', mix: { 'BR-1': 1 } }),
      layer('clear', { id: 'shine', mix: { 'generic-clear-matt': 1 }, coats: 1 }),
    ];
    const plans = WEATHER_PLACES.flatMap((place) =>
      LIVES.map((life) => weatheringPlan(life, [{ id: 'tray', place }]).layers['tray'] ?? []),
    );
    const laid = plans.filter((added) => added.length > 0);
    expect(laid.length).toBeGreaterThan(8);
    for (const added of laid) {
      expect(unweathered(weathered(own, added), plans)).toEqual(own);
      const metal = own.filter(({ kind }) => kind !== 'colour');
      expect(unweathered(weathered(metal, added), plans)).toEqual(metal);
    }
    expect(unweathered(own, plans)).toBe(own);
    const changed = weathered(own, laid[0]!).map((each, at, all) =>
      at === all.length - 1 ? { ...each, coats: each.coats + 3 } : each,
    );
    expect(unweathered(changed, plans)).toBe(changed);
  });

  it('lays tints in dusted passes under the clear, in the place of earlier ones', () => {
    const tinted = withTints(now, [
      { tint: 'orange', passes: 2 },
      { tint: 'blue', passes: 1 },
    ]);
    expect(tinted.map(({ kind }) => kind).join(' ')).toBe('primer colour tint tint clear');
    expect(tinted[2]).toMatchObject({ mix: { 'generic-tint-orange': 1 }, coats: 2, mistCoats: 2 });
    const again = withTints(tinted, [{ tint: 'smoke', passes: 1 }]);
    expect(again.filter(({ kind }) => kind === 'tint').map(({ mix }) => mix)).toEqual([
      { 'generic-tint-smoke': 1 },
    ]);
  });

  it('tells what stays, changes, comes and goes', () => {
    const after = [layer('primer'), layer('undercoat'), { ...now[1]!, coats: 4 }];
    expect(
      stackChanges(now, after).map(({ what, before, after: next }) => `${(next ?? before)!.kind} ${what}`),
    ).toEqual(['primer stays', 'undercoat comes', 'colour changes', 'clear goes']);
    expect(stackChanges(now, now).every(({ what }) => what === 'stays')).toBe(true);
    expect(stackChanges([], now).every(({ what }) => what === 'comes')).toBe(true);
  });
});
