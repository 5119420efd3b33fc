// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import type { CodeRecord, PaintRecord, TrayRecord } from '../../../api/index.ts';
import { EMPTY_KIT, plainPart, productIndex, type Kit } from '../../../core/kit/index.ts';
import { estimateOptics } from '../../../core/paint/index.ts';
import { finishOf } from '../../data/buildContext.ts';
import { openPickOuts, pickOutPaints, withPickOut } from './pickOut.ts';

const grey = (reflectance: number) => Array.from({ length: 31 }, () => reflectance);
const paint = (id: string, reflectance: number, more: Partial<PaintRecord> = {}): PaintRecord =>
  ({
    id,
    name: id,
    range: 'Shelf',
    family: 'water-acrylic',
    container: 'bottle',
    role: 'colour',
    sheen: 'gloss',
    flakeUm: null,
    levelMl: 10,
    ...estimateOptics(grey(reflectance), 'semi-opaque'),
    ...more,
  }) as PaintRecord;
const paints = [
  paint('far', 0.2),
  paint('bought', 0.62, { levelMl: null }),
  paint('near', 0.55),
  paint('can', 0.6, { container: 'can' }),
  paint('bright', 0.6, { role: 'metal' }),
];
const code = { id: 'c', spectrum: grey(0.6) } as CodeRecord;
const kit: Kit = {
  ...EMPTY_KIT,
  finishes: [
    { id: 'red', name: 'Red', look: 'gloss', codeId: null },
    { id: 'ivory', name: 'Ivory', look: 'gloss', codeId: 'c' },
  ],
  parts: [
    {
      ...plainPart('door'),
      name: 'Door',
      areaCm2: 20,
      zones: [
        { id: 'a', name: '', finishId: 'red', share: 0.9, boundary: 'moulded', edgeMm: null },
        { id: 'b', name: 'grip', finishId: 'ivory', share: 0.1, boundary: 'brushed', edgeMm: null },
      ],
    },
  ],
};
const tray = {
  id: 't',
  name: 'Door',
  parts: [{ id: 'door' }],
  substrateId: 'styrene-white',
  areaCm2: 20,
  codeId: null,
  layers: [
    { id: 'colour', kind: 'colour', coats: 3, tool: 'airbrush', mix: { far: 1 } },
    { id: 'wax', kind: 'wax', coats: 1, tool: 'hand' },
  ],
} as unknown as TrayRecord;
const bench = {
  products: productIndex(paints),
  codes: [code],
  conditions: { temperatureC: 20, humidity: 50 },
};

describe('a colour that is picked out', () => {
  const [open] = openPickOuts(kit, tray, [code]);

  it('is open until the stack has a layer of it', () => {
    expect(open).toMatchObject({ finishId: 'ivory', name: 'Ivory', kind: 'colour', cm2: 2 });
    const layers = withPickOut(tray, open!, 'near', 24, bench);
    expect(openPickOuts(kit, { ...tray, layers }, [code])).toEqual([]);
  });

  it('is offered what can be brushed, the shelf first and the nearest first', () => {
    expect(pickOutPaints(open!, paints).map((each) => each.paint.id)).toEqual(['near', 'far', 'bought']);
    const unknown = pickOutPaints({ ...open!, code: undefined }, paints);
    expect(unknown.map((each) => each.paint.id)).toEqual(['far', 'near', 'bought']);
    expect(unknown[0]).not.toHaveProperty('dE00');
  });

  it('lies beneath the wax, on its own share, in the coats that close over what is there', () => {
    const layers = withPickOut(tray, open!, 'near', 24, bench);
    expect(layers.map(({ kind }) => kind)).toEqual(['colour', 'colour', 'wax']);
    const added = layers[1]!;
    expect(added).toMatchObject({
      tool: 'brush',
      finishId: 'ivory',
      share: 0.1,
      codeId: 'c',
      mix: { near: 1 },
    });
    const { evaluation, error } = finishOf({ ...tray, layers }, 24, bench.products, [], bench.conditions);
    expect(error).toBeUndefined();
    const closes = evaluation!.layers[1]!.coatsToClose ?? 4;
    expect(added.coats).toBe(Math.min(4, closes));
    expect(added.coats).toBeGreaterThan(1);
    expect(evaluation!.colours.map(({ finishId }) => finishId)).toEqual([null, 'ivory']);
  });

  it('may have its paint chosen later', () => {
    expect(withPickOut(tray, open!, null, 24, bench)[1]).not.toHaveProperty('mix');
  });
});
