import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { soundDivision, withoutJoin, withoutTray } from './checkDivision.ts';

const join = (id: string, trayIds: string[], afterJoinIds: string[] = []) => ({
  id,
  name: `Join ${id}`,
  trayIds,
  afterJoinIds,
});
const tray = (id: string, ...layers: string[]) => ({
  id,
  name: `Tray ${id}`,
  layers: layers.map((layer) => ({ id: layer })),
});

describe('a division that contradicts itself', () => {
  it('is read as it stands where nothing is wrong with it', () => {
    const division = {
      trays: [tray('a', 'p', 'c'), tray('b', 'p')],
      joins: [join('1', ['a', 'b']), join('2', ['b'], ['1'])],
    };
    expect(soundDivision(division)).toEqual({ ...division, faults: [] });
  });

  it('loses what names nothing, and says which record does', () => {
    const { joins, faults } = soundDivision({
      trays: [tray('a')],
      joins: [join('1', ['a', 'gone'], ['lost']), join('2', ['a'], ['2', '1'])],
    });
    expect(joins.map(({ trayIds, afterJoinIds }) => [trayIds, afterJoinIds])).toEqual([
      [['a'], []],
      [['a'], ['1']],
    ]);
    expect(faults.map(({ id, message }) => [id, message])).toEqual([
      ['1', '“Join 1” joins gone, which is no sub-assembly of this build.'],
      ['1', '“Join 1” waits for lost, which is no join of this build.'],
      ['2', '“Join 2” waits for itself.'],
    ]);
  });

  it('keeps the order around a circle and drops that within it', () => {
    const { joins, faults } = soundDivision({
      trays: [],
      joins: [
        join('first', []),
        join('x', [], ['y', 'first']),
        join('y', [], ['x']),
        join('last', [], ['y']),
      ],
    });
    expect(joins.map(({ afterJoinIds }) => afterJoinIds)).toEqual([[], ['first'], [], ['y']]);
    expect(faults.map(({ id }) => id)).toEqual(['x', 'y']);
    expect(faults[0]!.message).toContain('in a circle: “Join x”, “Join y”');
  });

  it('tells two layers of one id apart', () => {
    const { trays, faults } = soundDivision({ trays: [tray('a', 'p', 'c', 'p', 'p~2')], joins: [] });
    expect(trays[0]!.layers.map(({ id }) => id)).toEqual(['p', 'c', 'p~2', 'p~2~2']);
    expect(faults).toMatchObject([{ id: 'a', of: 'sub-assembly' }]);
  });

  it('is sound once mended, whatever it was', () => {
    const id = fc.constantFrom('a', 'b', 'c', 'd', '__proto__', 'constructor');
    const anyJoin = fc.record({ trayIds: fc.array(id), afterJoinIds: fc.array(id) });
    fc.assert(
      fc.property(fc.array(fc.array(id)), fc.array(anyJoin, { maxLength: 6 }), (stacks, joins) => {
        const mended = soundDivision({
          trays: stacks.map((layers, at) => tray('abcd'[at] ?? `t${at}`, ...layers)),
          joins: joins.map((each, at) => ({
            ...each,
            id: ['a', 'b', 'c', 'd', '__proto__', 'constructor'][at]!,
            name: 'J',
          })),
        });
        expect(soundDivision(mended).faults).toEqual([]);
        for (const { layers } of mended.trays)
          expect(new Set(layers.map((layer) => layer.id)).size).toBe(layers.length);
      }),
    );
  });
});

describe('taking something out of a division', () => {
  it('lets no join wait for one that is gone', () => {
    const joins = [join('1', ['a']), join('2', ['b'], ['1']), join('3', ['b'], ['1', '2'])];
    expect(withoutJoin(joins, '1').map(({ id, afterJoinIds }) => [id, afterJoinIds])).toEqual([
      ['2', []],
      ['3', ['2']],
    ]);
  });

  it('takes a join along that has nothing left to join', () => {
    const joins = [join('1', ['a']), join('2', ['a', 'b'], ['1']), join('3', ['b'], ['2'])];
    expect(
      withoutTray(joins, 'a').map(({ id, trayIds, afterJoinIds }) => [id, trayIds, afterJoinIds]),
    ).toEqual([
      ['2', ['b'], []],
      ['3', ['b'], ['2']],
    ]);
  });
});
