import { describe, expect, it } from 'vitest';
import { spectrumFrom, spectrumToLab, DAYLIGHT, ciede2000 } from '../colour/index.ts';
import { opaqueSpectrum } from '../paint/index.ts';
import {
  NOT_CHOSEN,
  productIndex,
  readPartList,
  resolveMix,
  resolveStack,
  targetLayer,
  type CataloguePaint,
  type PlannedLayer,
} from './index.ts';

const paint = (id: string, change: Partial<CataloguePaint> = {}): CataloguePaint => ({
  id,
  name: `Paint ${id}`,
  family: 'lacquer',
  sheen: 'gloss',
  flakeUm: null,
  k: spectrumFrom(() => 0.02),
  s: spectrumFrom(() => 0.2),
  ...change,
});
const products = productIndex([paint('a'), paint('b', { family: 'enamel', flakeUm: 12 })]);
const colour: PlannedLayer = { id: 'c', kind: 'colour', coats: 3, tool: 'airbrush' };
const tray = (layers: PlannedLayer[]) => ({ areaCm2: 100, substrateId: 'styrene-black', layers });

describe('readPartList', () => {
  it('reads frames, numbers, names and counts as people write them', () => {
    const { parts, problems } = readPartList(
      'A1 Body shell\nb12, Door, left x2\n C 3\tHub caps ×4 \n\nD-7a; Mirror',
    );
    expect(problems).toEqual([]);
    expect(parts.map(({ id, name, count }) => [id, name, count])).toEqual([
      ['A1', 'Body shell', 1],
      ['B12', 'Door, left', 2],
      ['C3', 'Hub caps', 4],
      ['D7a', 'Mirror', 1],
    ]);
  });

  it('reports what it cannot read and keeps the rest', () => {
    const { parts, problems } = readPartList('A1 Hood\njust a name\nA2 Rims x900');
    expect(parts).toHaveLength(1);
    expect(problems).toEqual([
      { line: 2, text: 'just a name', problem: expect.stringMatching(/frame letter/) as string },
      { line: 3, text: 'A2 Rims x900', problem: expect.stringMatching(/between 1 and 200/) as string },
    ]);
  });
});

describe('resolveMix', () => {
  it('names a single paint as it is and a recipe by its drops', () => {
    expect(resolveMix({ a: 3 }, products)).toMatchObject({ id: 'a', name: 'Paint a' });
    const mixed = resolveMix({ a: 5, b: 1 }, products)!;
    expect(mixed).toMatchObject({
      name: '5 Paint a + 1 Paint b',
      family: 'lacquer',
      cupFamilies: ['lacquer', 'enamel'],
      flakeUm: 12,
    });
  });

  it('is undefined as soon as one paint is unknown', () => {
    expect(resolveMix({ a: 5, gone: 1 }, products)).toBeUndefined();
    expect(resolveMix({}, products)).toBeUndefined();
  });
});

describe('resolveStack', () => {
  it('stands in the wanted colour until a paint is chosen', () => {
    const target = spectrumFrom((nm) => (nm < 580 ? 0.08 : 0.5));
    const { layers } = resolveStack({ ...tray([colour]), codeId: 'c' }, 24, products, () => target);
    expect(layers[0]!.product!.name).toBe(NOT_CHOSEN);
    const seen = spectrumToLab(opaqueSpectrum(layers[0]!.product!.optics), DAYLIGHT);
    expect(ciede2000(seen, spectrumToLab(target, DAYLIGHT))).toBeLessThan(0.1);
  });

  it('gives the target only to the last colour of a two-tone stack', () => {
    const target = spectrumFrom(() => 0.5);
    const first: PlannedLayer = { ...colour, id: 'first', mix: { a: 1 } };
    const { layers, substrate } = resolveStack(
      { ...tray([first, colour]), codeId: 'c' },
      24,
      products,
      () => target,
    );
    expect(layers.map(({ product }) => product!.name)).toEqual(['Paint a', NOT_CHOSEN]);
    expect(substrate.id).toBe('styrene-black');
    expect(targetLayer([first, colour])!.id).toBe('c');
  });

  it('gives every colour that says so a target of its own', () => {
    const targets: Record<string, number> = { pale: 0.7, dark: 0.1 };
    const pale: PlannedLayer = { ...colour, id: 'pale', finishId: 'f', codeId: 'pale' };
    const { layers } = resolveStack({ ...tray([pale, colour]), codeId: 'dark' }, 24, products, (id) =>
      spectrumFrom(() => targets[id]!),
    );
    const lightness = layers.map(({ product }) => spectrumToLab(opaqueSpectrum(product!.optics), DAYLIGHT).L);
    expect(lightness[0]! - lightness[1]!).toBeGreaterThan(40);
    expect(layers[0]!.finishId).toBe('f');
  });

  it('fills primer, clear and wash with plain products and leaves handwork bare', () => {
    const kinds = ['primer', 'clear', 'wash', 'mask', 'polish'] as const;
    const { layers } = resolveStack(
      tray(kinds.map((kind) => ({ id: kind, kind, coats: 1, tool: 'hand' }))),
      24,
      products,
      () => undefined,
    );
    expect(layers.map(({ product }) => product?.id)).toEqual([
      'generic-primer-grey',
      'generic-clear-lacquer',
      'generic-wash',
      undefined,
      undefined,
    ]);
  });
});
