import { describe, expect, it } from 'vitest';
import { edgeSteps } from './edgeSteps.ts';
import { filmPerCoat, layerFilm } from './film.ts';
import { clear, colour, decal, layer, mask, primer } from './ruleCases.ts';
import type { StackLayer } from './stack.ts';

const of = (finishId: string, each: StackLayer, id = finishId): StackLayer => ({ ...each, id, finishId });
const two = [primer, of('cream', colour), of('cream', mask, 'tape'), of('teal', colour)];
const flat = layer('flat', { coats: 1, tool: 'hand' });
const thick = { ...clear, coats: 8 };

describe('the step at the edge of a colour', () => {
  it('is the film of each colour but the first, undercoat and all', () => {
    expect(edgeSteps(two).map(({ finishId }) => finishId)).toEqual(['teal']);
    expect(edgeSteps(two)[0]!.step.usual).toBeCloseTo(layerFilm(colour).usual, 6);
    const under = of('teal', { ...colour, kind: 'undercoat', coats: 1 }, 'white');
    const [step] = edgeSteps([...two.slice(0, 3), under, two[3]!]);
    expect(step!.step.usual).toBeCloseTo(layerFilm(colour).usual + layerFilm(under).usual, 6);
    expect(step!.layerId).toBe('teal');
  });

  it('stays open without clear, shows under clear, and is level once that is flatted', () => {
    const fate = (...more: StackLayer[]) => edgeSteps([...two, ...more])[0]!.fate;
    expect(fate()).toBe('open');
    expect(fate(thick)).toBe('shows');
    expect(fate(thick, flat)).toBe('level');
    expect(fate({ ...clear, coats: 1 }, flat)).toBe('too-thin');
    // Flatted before the clear it is as it was.
    expect(fate(flat, thick)).toBe('shows');
  });

  it('names the coats by which it can be level: one less is too thin', () => {
    const { coatsToLevel } = edgeSteps([...two, clear, flat])[0]!;
    const withCoats = (coats: number) => edgeSteps([...two, { ...clear, coats }, flat])[0]!;
    expect(withCoats(coatsToLevel!).fate).toBe('level');
    expect(withCoats(coatsToLevel! - 1).fate).toBe('too-thin');
    expect(withCoats(coatsToLevel!).leftUm).toBeLessThan(filmPerCoat(clear).usual);
    // Dusted coats count for less: with two of them it takes one more.
    const dusted = { ...clear, coats: 2 };
    const thin = edgeSteps([...two, dusted, flat])[0]!;
    expect(thin.fate).toBe('too-thin');
    const more = { ...dusted, coats: thin.coatsToLevel! };
    expect(edgeSteps([...two, more, flat])[0]!.fate).toBe('level');
  });

  it('is the carrier film of decals as well, and none where all is one colour', () => {
    expect(edgeSteps([primer, colour, clear])).toEqual([]);
    const [step] = edgeSteps([primer, colour, decal, thick, flat]);
    expect(step).toMatchObject({ finishId: null, layerId: decal.id, fate: 'level' });
    expect(step!.step).toEqual(layerFilm(decal));
    expect(edgeSteps([])).toEqual([]);
  });
});
