import { describe, expect, it } from 'vitest';
import { kitWith, plainJoint, plainPart } from '../kit/plainKit.ts';
import { seededRandom } from '../seededRandom.ts';
import type { Consequence } from './benchStep.ts';
import { closingOf } from './closingOf.ts';

const permutations = <T>(all: readonly T[]): T[][] =>
  all.length === 0
    ? [[]]
    : all.flatMap((first, at) =>
        permutations(all.filter((_, other) => other !== at)).map((rest) => [first, ...rest]),
      );

const join = (id: string, afterJoinIds: string[] = []) => ({
  id,
  name: `Join ${id}`,
  trayIds: [],
  afterJoinIds,
  jointIds: [],
});
const ends = (closing: string, open: string): Consequence => ({
  id: `${closing} ${open}`,
  step: { work: 'assemble', joinId: closing },
  effect: 'prevents',
  other: { work: 'assemble', joinId: open },
  because: 'it is shut off',
});
const order = (joins: ReturnType<typeof join>[], consequences: Consequence[]) =>
  closingOf(kitWith({}), { trays: [], joins, crossSteps: [], consequences, scale: 24 }).map(({ id }) => id);

describe('joins after paint in an order that can be kept', () => {
  it('keeps every rule wherever any order of four does', () => {
    const random = seededRandom(4);
    let kept = 0;
    for (let round = 0; round < 200; round++) {
      const ids = ['a', 'b', 'c', 'd'];
      const rules = ids.flatMap((first) =>
        ids.flatMap((then): [string, string][] => (first !== then && random() < 0.2 ? [[first, then]] : [])),
      );
      const joins = ids.map((id) =>
        join(
          id,
          rules.flatMap(([first, then]) => (then === id && first < then ? [first] : [])),
        ),
      );
      const consequences = rules.flatMap(([first, then]) => (first < then ? [] : [ends(then, first)]));
      const keeps = (found: string[]) =>
        rules.every(([first, then]) => found.indexOf(first) < found.indexOf(then));
      const found = order(joins, consequences);
      expect([...found].sort()).toEqual(ids);
      const isPossible = permutations(ids).some(keeps);
      expect(keeps(found)).toBe(isPossible);
      if (isPossible) kept++;
    }
    expect(kept).toBeGreaterThan(50);
    expect(kept).toBeLessThan(200);
  });

  it('names what each ends, and what it shuts in', () => {
    const kit = kitWith({
      parts: [
        plainPart('A1', { name: 'Shell' }),
        plainPart('B1', { name: 'Unit' }),
        plainPart('C1', { name: 'Wire' }),
      ],
      joints: [plainJoint('j', 'A1', 'B1', { captured: ['C1'] })],
    });
    const trays = ['A1', 'B1', 'C1'].map((id) => ({ id: `t-${id}`, name: `Tray ${id}`, partIds: [id] }));
    const [on] = closingOf(kit, {
      trays,
      joins: [{ ...join('on'), trayIds: ['t-A1', 't-B1'] }],
      crossSteps: [],
      consequences: [
        { ...ends('on', ''), id: 'p', other: { work: 'paint', trayId: 't-C1' } },
        { ...ends('on', ''), id: 'q', other: { work: 'join', trayId: 't-B1' } },
      ],
      scale: 24,
    });
    expect(on).toMatchObject({
      shutsIn: ['Wire'],
      ends: ['paint on Tray C1', 'joining Tray B1 before paint'],
    });
  });
});
