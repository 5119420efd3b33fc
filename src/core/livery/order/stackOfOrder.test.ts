import { describe, expect, it } from 'vitest';
import type { PlannedLayer } from '../../kit/index.ts';
import { planColours, type ColourQuestion } from './planColours.ts';
import { PRIMER, type LiveryColour } from './colourCosts.ts';
import { stackOfOrder, type OrderedColour } from './stackOfOrder.ts';

const colour = (id: string, ways: LiveryColour['ways'] = ['spray']): LiveryColour => ({
  id,
  areaCm2: 40,
  ways,
  tapeAfterHours: 24,
  over: {
    [PRIMER]: { coats: 3, undercoat: false },
    // Light over dark takes an undercoat.
    cream: { coats: 3, undercoat: false },
    teal: { coats: 6, undercoat: true },
  },
});
const question = (colours: LiveryColour[]): ColourQuestion => ({
  colours,
  borders: colours.slice(1).map(({ id }, at) => ({
    a: colours[at]!.id,
    b: id,
    lengthMm: 300,
    leastRadiusMm: null,
    moulded: false,
    doubleCurve: false,
  })),
});
const ordered = (finishId: string, more: Partial<OrderedColour> = {}): OrderedColour => ({
  finishId,
  look: 'gloss',
  codeId: null,
  share: 0.5,
  ...more,
});
const layer = (id: string, kind: PlannedLayer['kind'], more: Partial<PlannedLayer> = {}): PlannedLayer => ({
  id,
  kind,
  coats: 2,
  tool: 'airbrush',
  ...more,
});
const words = (layers: readonly PlannedLayer[]) =>
  layers.map(({ id, finishId }) => (finishId === undefined ? id : `${id}@${finishId}`)).join(' ');
const twoTone = planColours(question([colour('cream'), colour('teal')]));

describe('the layers of a body in several colours', () => {
  it('share what lies under and over them, and a new one gets plain layers and a mask', () => {
    const tray = {
      codeId: 'T-1',
      layers: [
        layer('p', 'primer'),
        layer('sand', 'flat'),
        layer('c', 'colour', { mix: { a: 1 } }),
        layer('d', 'decal'),
        layer('k', 'clear'),
      ],
    };
    const { layers, codeId, dropped } = stackOfOrder(tray, twoTone, [
      ordered('cream', { share: 0.4321 }),
      ordered('teal', { codeId: 'T-1' }),
    ]);
    expect(words(layers)).toBe('p sand colour@cream mask@cream c@teal unmask d k');
    expect(layers[2]!.share).toBe(0.432);
    expect(layers[4]!.mix).toEqual({ a: 1 });
    expect([codeId, dropped]).toEqual(['T-1', []]);
  });

  it('keep the steps of what is there: taken twice nothing changes, whatever it was called', () => {
    const tray = {
      codeId: 'T-1',
      layers: [
        layer('p', 'primer'),
        layer('first', 'colour', { mix: { b: 1 }, coats: 5 }),
        layer('edge', 'mask', { tool: 'hand' }),
        layer('second', 'colour'),
        layer('k', 'clear'),
      ],
    };
    const colours = [ordered('cream'), ordered('teal', { codeId: 'T-1' })];
    const once = stackOfOrder(tray, twoTone, colours);
    expect(words(once.layers)).toBe('p first@cream edge@cream second@teal unmask k');
    expect(once.layers[1]!.coats).toBe(5);
    expect(stackOfOrder(once, twoTone, colours)).toEqual({ ...once, dropped: [] });
  });

  it('keep a code that was chosen for a finish that has none', () => {
    const tray = { codeId: 'T-9', layers: [layer('c', 'colour', { mix: { a: 1 }, finishId: 'teal' })] };
    const { layers, codeId } = stackOfOrder(tray, twoTone, [
      ordered('cream', { codeId: 'C-1' }),
      ordered('teal'),
    ]);
    expect(layers.flatMap((each) => each.codeId ?? [])).toEqual(['C-1', 'T-9']);
    expect(codeId).toBe('T-9');
  });

  it('name what belongs to none of them', () => {
    const stray = layer('stray', 'colour', { finishId: 'gone' });
    const { layers, dropped } = stackOfOrder({ codeId: null, layers: [stray] }, twoTone, [
      ordered('cream'),
      ordered('teal'),
    ]);
    expect(dropped).toEqual([stray]);
    expect(words(layers)).toBe('colour@cream mask@cream colour-2@teal unmask');
  });

  it('come on by brush before the clear, and as foil at the very end', () => {
    const plan = planColours(question([colour('cream'), colour('trim', ['foil']), colour('dot', ['brush'])]));
    const { layers } = stackOfOrder(
      { codeId: null, layers: [layer('p', 'primer'), layer('k', 'clear'), layer('w', 'polish')] },
      plan,
      [ordered('cream'), ordered('trim', { look: 'plating' }), ordered('dot')],
    );
    expect(words(layers)).toBe('p colour@cream colour-2@dot k w foil@trim');
    expect(layers.find(({ finishId }) => finishId === 'dot')!.tool).toBe('brush');
  });
});
