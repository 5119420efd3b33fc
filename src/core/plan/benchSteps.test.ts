import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BenchStep, Consequence } from './benchStep.ts';
import { operationsOf, withClosuresLast } from './benchSteps.ts';
import type { PlanArc } from './index.ts';
import { plainArc, plainOperation } from './plainPlan.ts';

const operations = [
  plainOperation('b/body/open-hole', { kind: 'open' }),
  plainOperation('b/body/join-1', { kind: 'join' }),
  plainOperation('b/body/join-2', { kind: 'join' }),
  plainOperation('b/body/colour', { kind: 'colour', layerId: 'colour' }),
  plainOperation('b/body/pick-out-black', { kind: 'pick-out', dry: 90 }),
  plainOperation('b/join/lid', { kind: 'assemble', trayId: undefined }),
  plainOperation('b/join/lid-lamp', { kind: 'assemble', trayId: undefined, dry: 30 }),
];
const lid: BenchStep = { work: 'assemble', joinId: 'lid' };
const paint: BenchStep = { work: 'paint', trayId: 'body' };
const prevents = (step: BenchStep, other: BenchStep): Consequence => ({
  id: 'x',
  step,
  effect: 'prevents',
  other,
  because: 'it is shut in',
});
const idsOf = (step: BenchStep) => operationsOf('b', step, operations).map(({ id }) => id);

describe('steps of the kit in the plan', () => {
  it('are found, in pieces too, and not mistaken for others of a like name', () => {
    expect(idsOf(lid)).toEqual(['b/join/lid']);
    expect(idsOf({ work: 'join', trayId: 'body' })).toEqual(['b/body/join-1', 'b/body/join-2']);
    expect(idsOf({ work: 'open', trayId: 'body', workId: 'hole' })).toEqual(['b/body/open-hole']);
    expect(idsOf(paint)).toEqual(['b/body/colour', 'b/body/pick-out-black']);
    expect(idsOf({ work: 'assemble', joinId: 'gone' })).toEqual([]);
    expect(operationsOf('another', paint, operations)).toEqual([]);
    const pieces = [plainOperation('b/join/lid-1'), plainOperation('b/join/lid-2')];
    expect(operationsOf('b', lid, pieces)).toEqual(pieces);
  });
});

describe('what shuts off comes last', () => {
  it('puts the lid after the paint it shuts in, with its wait', () => {
    const { arcs } = withClosuresLast('b', { operations, arcs: [] }, [prevents(lid, paint)]);
    expect(arcs).toEqual([
      {
        from: 'b/body/pick-out-black',
        to: 'b/join/lid',
        minLag: 90,
        maxLag: null,
        because: 'it is shut in',
      },
    ]);
  });

  it('leaves what the joins say the other way about, and what follows anyway', () => {
    const against = [plainArc('b/join/lid', 'b/body/pick-out-black')];
    expect(withClosuresLast('b', { operations, arcs: against }, [prevents(lid, paint)]).arcs).toEqual(
      against,
    );
    const already = [plainArc('b/body/pick-out-black', 'b/join/lid', 500)];
    expect(withClosuresLast('b', { operations, arcs: already }, [prevents(lid, paint)]).arcs).toEqual(
      already,
    );
    const serves = { ...prevents(lid, paint), effect: 'serves' as const };
    expect(withClosuresLast('b', { operations, arcs: [] }, [serves]).arcs).toEqual([]);
  });

  it('never makes a circle, whatever shuts off whatever', () => {
    const joins = ['p', 'q', 'r', 's', 't'];
    const steps = joins.map((id) => plainOperation(`b/join/${id}`, { kind: 'assemble' }));
    const pick = fc.constantFrom(...joins);
    fc.assert(
      fc.property(fc.array(fc.tuple(pick, pick), { maxLength: 14 }), (pairs) => {
        const { arcs } = withClosuresLast(
          'b',
          { operations: steps, arcs: [] },
          pairs.flatMap(([one, other]) =>
            one === other
              ? []
              : [prevents({ work: 'assemble', joinId: one }, { work: 'assemble', joinId: other })],
          ),
        );
        return isInOrder(
          steps.map(({ id }) => id),
          arcs,
        );
      }),
    );
  });
});

/** Takes away what nothing leads to until nothing is left. */
function isInOrder(ids: readonly string[], arcs: readonly PlanArc[]): boolean {
  let left = [...ids];
  while (left.length > 0) {
    const free = left.filter((id) => !arcs.some(({ from, to }) => to === id && left.includes(from)));
    if (free.length === 0) return false;
    left = left.filter((id) => !free.includes(id));
  }
  return true;
}
