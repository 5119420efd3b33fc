import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, plainPart, type Part } from '../../../core/kit/index.ts';
import { changesFromRead, nextLabel } from './partChanges.ts';

const kit = {
  ...EMPTY_KIT,
  parts: [plainPart('A1', { name: 'Body', areaCm2: 90 }), plainPart('A2'), plainPart('B7')],
};

describe('changes of parts', () => {
  it('goes on from the last number of the last frame', () => {
    expect(nextLabel([])).toBe('A1');
    expect(nextLabel(kit.parts)).toBe('B8');
  });

  it('brings known numbers up to date and adds the others once', () => {
    const { changes, added, updated } = changesFromRead(kit, 'b', [
      { frame: 'A', number: '1', name: 'Body shell' },
      { frame: 'C', number: '1', name: 'Block', count: 2 },
      { frame: 'C', number: '1', name: 'Block, left', count: 1 },
    ]);
    expect([added, updated]).toEqual([1, 2]);
    expect(changes).toHaveLength(2);
    expect(changes[0]).toMatchObject({ id: 'A1', value: { name: 'Body shell', areaCm2: 90 } });
    expect(changes[1]).toMatchObject({ value: { name: 'Block, left', count: 1 } });
    expect((changes[1]!.value as Part).id).toMatch(/^b-/);
  });

  it('makes a finish of a new name once, and gives parts those that are there', () => {
    const finishes = [{ id: 'black', name: 'Satin black', look: 'satin' as const, codeId: null }];
    const { changes } = changesFromRead({ ...kit, finishes }, 'b', [
      { frame: 'A', number: '1', name: 'Body', finish: 'Lagoon' },
      { frame: 'A', number: '2', name: 'Door', finish: 'LAGOON' },
      { frame: 'B', number: '7', name: 'Arm', finish: 'satin black' },
    ]);
    const made = changes.filter(({ kind }) => kind === 'finish');
    expect(made).toMatchObject([{ value: { name: 'Lagoon', look: 'gloss' } }]);
    const zones = changes.flatMap(({ kind, value }) => (kind === 'part' ? (value as Part).zones : []));
    expect(zones.map(({ finishId }) => finishId)).toEqual([made[0]!.id, made[0]!.id, 'black']);
  });
});
