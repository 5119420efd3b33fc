import { describe, expect, it } from 'vitest';
import {
  barRecord,
  harnessRecord,
  newRecord,
  plainPart,
  runRecord,
  wheelRecord,
  type Run,
  type StockLength,
} from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { cutList, stockFor } from './cutList.ts';

const parts = ['a', 'b'].map((id) => ({ ...plainPart(id), name: id }));
const run = (id: string, more: Partial<Run> = {}): Run => ({
  ...newRecord(runRecord),
  id,
  kind: 'battery-cable',
  fromPartId: 'a',
  toPartId: 'b',
  ...more,
});

describe('what is cut', () => {
  it('comes by diameter, thinnest first, and what nobody measured apart', () => {
    const kit = kitWith({
      parts,
      runs: [
        run('hose', { kind: 'radiator-hose', lengthMm: 18, count: 2 }),
        run('long', { lengthMm: 40.04 }),
        run('open', { name: 'earth strap' }),
      ],
    });
    const groups = cutList(kit, 24);
    expect(groups.map(({ wireMm }) => wireMm)).toEqual([0.5, 1.5]);
    expect(groups[0]).toMatchObject({
      pieces: [{ length: 40.1, count: 1 }],
      unmeasured: ['earth strap, a to b'],
    });
    expect(groups[1]!.pieces).toMatchObject([{ length: 18, count: 2 }]);
  });

  it('has every lead and every spoke, none of what cannot be made', () => {
    const harness = { ...newRecord(harnessRecord), id: 'h', name: 'Six', firingOrder: [1, 5, 3, 6, 2, 4] };
    const wheel = { ...newRecord(wheelRecord), id: 'w', name: 'Rear', count: 2, spokes: 40 };
    const counts = (kit: Parameters<typeof kitWith>[0]) =>
      cutList(kitWith(kit), 24).flatMap(({ pieces }) => pieces.map(({ count }) => count));
    expect(counts({ harnesses: [harness], wheels: [wheel] }).sort((p, q) => p - q)).toEqual([
      1, 1, 1, 1, 1, 1, 80,
    ]);
    expect(
      counts({ harnesses: [{ ...harness, firingOrder: [1] }], wheels: [{ ...wheel, spokes: 7 }] }),
    ).toEqual([]);
    expect(counts({ runs: [run('gone', { toPartId: 'c', lengthMm: 3 })], parts })).toEqual([]);
  });

  it('leaves out what the version does without', () => {
    const wheel = { ...newRecord(wheelRecord), id: 'w', name: 'Rear' };
    expect(cutList(kitWith({ parts, wheels: [{ ...wheel, partId: 'a' }] }), 24)).toHaveLength(1);
    expect(cutList(kitWith({ parts, wheels: [{ ...wheel, partId: 'gone' }] }), 24)).toEqual([]);
  });

  it('is asked for once a diameter, with all that it is for', () => {
    const wheel = { ...newRecord(wheelRecord), id: 'w', name: 'Rear', realMm: 12 };
    const kit = kitWith({
      parts,
      runs: [run('long', { lengthMm: 40, name: 'earth strap' }), run('open', { name: 'coil cable' })],
      wheels: [wheel, { ...wheel, id: 'v', name: 'Front' }],
    });
    const wanted = kitNeeds({ kit, paints: [], adhesives: [], spares: [], materials: [], scale: 24 });
    expect(wanted.map(({ id }) => id)).toEqual(['material:wire-0.5']);
    expect(wanted[0]!.why).toMatch(
      /^earth strap, a to b; coil cable, a to b; 36 spokes of rear; 36 spokes of front: \d+ mm in all, and what is not measured yet$/,
    );
  });
});

describe('stock for what is cut', () => {
  const bar = (id: string, diameterMm: number, form: StockLength['form'] = 'wire'): StockLength => ({
    ...newRecord(barRecord),
    id,
    name: id,
    diameterMm,
    form,
  });
  it('is what is nearest, for one diameter each, and strip for strip', () => {
    const groups = [
      { section: 'round' as const, wireMm: 0.25 },
      { section: 'round' as const, wireMm: 0.3 },
      { section: 'strip' as const, wireMm: 3.2 },
    ];
    const found = stockFor(groups, [
      bar('between', 0.28),
      bar('thin', 0.24),
      bar('flat', 0.3, 'strip'),
      bar('wide', 3.2, 'strip'),
      bar('thick', 3.2),
      bar('far', 0.4),
    ]);
    expect([...found].map(([key, bars]) => [key, bars.map(({ id }) => id)])).toEqual([
      ['round 0.25', ['thin']],
      ['round 0.3', ['between']],
      ['strip 3.2', ['wide']],
    ]);
    expect(stockFor([], [bar('any', 0.3)]).size).toBe(0);
  });
});
