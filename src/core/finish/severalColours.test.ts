import { describe, expect, it } from 'vitest';
import { evaluateStack } from './evaluateStack.ts';
import { clear, colour, layer, mask, paint, primer, red, stack, white } from './ruleCases.ts';
import type { StackLayer } from './stack.ts';

const onColour = (finishId: string, share: number, each: StackLayer, id: string): StackLayer => ({
  ...each,
  id,
  finishId,
  share,
});
const pale = onColour('pale', 0.25, { ...colour, product: white }, 'pale');
const dark = onColour('dark', 0.75, { ...colour, product: red }, 'dark');
const taped = onColour('pale', 0.25, mask, 'tape');
const unmask = layer('unmask', { coats: 1, tool: 'hand' });
const body = stack([primer, pale, taped, dark, unmask, clear]);
const alone = (each: StackLayer) => {
  const { finishId: _, ...all } = each;
  return evaluateStack(stack([primer, all, clear]));
};

describe('a body in several colours', () => {
  const seen = evaluateStack(body);

  it('looks on each of its areas as if that colour alone lay there', () => {
    expect(seen.colours.map(({ finishId }) => finishId)).toEqual(['pale', 'dark']);
    expect(seen.colours[0]!.lab).toEqual(alone(pale).lab);
    expect(seen.colours[1]!.lab).toEqual(alone(dark).lab);
    // Red through three coats over white would be told apart from red over grey primer.
    expect(seen.lab).toEqual(alone(dark).lab);
    expect(seen.filmFlat).toEqual(alone(dark).filmFlat);
  });

  it('takes as much paint as its areas, and the time of all that is done to it', () => {
    const [, paleSeen] = seen.layers;
    const whole = evaluateStack(stack([primer, colour, clear])).layers[1]!;
    const ink = ({ volume }: typeof whole) => volume.paintMl - 0.5;
    expect(ink(paleSeen!) / ink(whole)).toBeCloseTo(0.25, 6);
    expect(seen.elapsed).toBeGreaterThan(alone(pale).elapsed);
    expect(seen.layers.map(({ begins }) => begins)).toEqual(
      [...seen.layers.map(({ begins }) => begins)].sort((p, q) => p - q),
    );
    expect(seen.layers.map(({ id }) => id)).toEqual(body.layers.map(({ id }) => id));
  });

  it('breaks a rule only where the two lie over each other', () => {
    const enamel = onColour('pale', 0.5, { ...colour, product: paint('enamel') }, 'pale');
    const rules = (layers: StackLayer[]) =>
      evaluateStack(stack(layers)).findings.flatMap(({ ruleId, layerId }) =>
        ruleId === 'hot-over-soft' ? [layerId] : [],
      );
    // Lacquer bites the enamel beside it only where it lies on it: under the clear that both share.
    expect(rules([primer, enamel, dark, clear])).toEqual([clear.id]);
    expect(rules([primer, { ...enamel, id: 'e' }, { ...dark, finishId: 'pale' }, clear])).toContain('dark');
  });

  it('is unmasked while the last coat is fresh, and the clear waits for both', () => {
    const at = (id: string) => seen.layers.find((each) => each.id === id)!;
    expect(at(unmask.id).begins - at('dark').ends).toBeLessThan(60);
    expect(at(clear.id).begins).toBeGreaterThanOrEqual(at(unmask.id).ends);
  });

  it('is what a colour picked out leaves free of it, which lies beneath that', () => {
    const all = { ...colour, id: 'all', product: white };
    const gilt = onColour('gilt', 0.1, { ...colour, product: red, coats: 1, tool: 'brush' }, 'gilt');
    const picked = evaluateStack(stack([primer, all, clear, gilt]));
    const plain = evaluateStack(stack([primer, all, clear]));
    expect(picked.colours.map(({ finishId }) => finishId)).toEqual([null, 'gilt']);
    expect(picked.colours[0]!.lab).toEqual(plain.lab);
    expect(picked.lab).toEqual(plain.lab);
    expect(picked.clearFilm).toBe(plain.clearFilm);
    expect(picked.colours[1]!.layerIds).toEqual([primer.id, 'all', clear.id, 'gilt']);
    // One coat of red over white is not what it is over grey.
    expect(picked.colours[1]!.lab).not.toEqual(evaluateStack(stack([primer, gilt])).lab);
    expect(picked.elapsed).toBeGreaterThan(plain.elapsed);
  });
});
