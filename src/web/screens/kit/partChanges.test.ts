import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, plainJoint, plainPart, type Joint, type Part } from '../../../core/kit/index.ts';
import { changesFromRead, nextLabel, removalOf } from './partChanges.ts';

const kit = {
  ...EMPTY_KIT,
  parts: [plainPart('A1', { name: 'Body', areaCm2: 90 }), plainPart('A2'), plainPart('B7')],
  joints: [
    plainJoint('one', 'A1', 'A2'),
    plainJoint('two', 'A1', 'B7', { captured: ['A2'], closes: ['one'] }),
  ],
  fits: [
    {
      id: 'fit',
      jointId: 'one',
      stage: 'bare' as const,
      feel: 'snug' as const,
      clearanceMm: null,
      motionChecked: false,
      done: '',
    },
  ],
  works: [{ id: 'work', kind: 'hole' as const, partId: 'A2', name: 'x', neededBy: [], always: true }],
  runs: [
    {
      id: 'lead',
      name: '',
      kind: 'ignition-lead' as const,
      fromPartId: 'A1',
      toPartId: 'A2',
      count: 1,
      realMm: null,
      lengthMm: null,
      note: '',
    },
  ],
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

  it('takes a part out with its joints, fits and works, and lets go of it elsewhere', () => {
    const changes = removalOf(kit, 'A2');
    expect(changes.map(({ kind, id, value }) => [kind, id, value === null])).toEqual([
      ['joint', 'two', false],
      ['fit', 'fit', true],
      ['joint', 'one', true],
      ['work', 'work', true],
      ['run', 'lead', true],
      ['part', 'A2', true],
    ]);
    expect(changes[0]!.value as Joint).toMatchObject({ captured: [], closes: [] });
  });
});
