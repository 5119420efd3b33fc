import { describe, expect, it } from 'vitest';
import type { PlannedLayer } from '../../../core/kit/index.ts';
import { plannedFrom, stackChanges } from './planned.ts';

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
    expect(layers.map(({ id }) => id)).toEqual(['clear', 'colour', 'clear-2']);
    expect(layers[1]).toMatchObject({ mix: { 'BR-1': 2, 'BR-2': 1 }, coats: 3, mistCoats: 1 });
    expect(layers[2]!.mix).toEqual({ b: 1 });
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
