import { describe, expect, it } from 'vitest';
import { harnessRecord, newRecord, plainPart, runRecord, wheelRecord, type Run } from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { cutList } from './cutList.ts';

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
});
