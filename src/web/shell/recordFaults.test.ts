import { describe, expect, it } from 'vitest';
import type { BuildRecord } from '../../api/index.ts';
import { EMPTY_KIT, plainPart } from '../../core/kit/index.ts';
import { recordFaults } from './recordFaults.ts';

const build = (joins: unknown[], trays: unknown[] = []) =>
  ({ id: 'b', name: 'Coupe', trays, joins }) as unknown as BuildRecord;

describe('what a broken screen says of the records that it showed', () => {
  it('is nothing where they are sound', () => {
    expect(recordFaults(build([]), EMPTY_KIT)).toEqual([]);
    expect(recordFaults(build([]), undefined)).toEqual([]);
  });

  it('names the join and the part at fault, and where each is opened', () => {
    const join = { id: 'on', name: 'Body on', trayIds: [], afterJoinIds: ['gone'] };
    const parts = [{ ...plainPart('A1'), id: '__proto__' }];
    const found = recordFaults(build([join]), { ...EMPTY_KIT, parts });
    expect(found.map(({ path }) => path)).toEqual(['/build/b/kit/trays', '/build/b/kit']);
    expect(found[0]!.text).toMatch(/“Body on” waits for gone/);
    expect(found[1]!.text).toMatch(/A1 .*has an id that cannot be used/);
  });
});
