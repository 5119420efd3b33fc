import { describe, expect, it } from 'vitest';
import type { CureCheck } from '../kit/index.ts';
import { atOwnCures, learnCures, type OperationPlan } from './index.ts';
import { FELT_WITHIN } from './learnCures.ts';
import { plainArc, plainOperation } from './plainPlan.ts';

const coat = (id: string, chemistry: string | null = 'lacquer') =>
  plainOperation(id, { kind: 'colour', family: chemistry, chemistry });
/** Six coats an hour apart, then two days before the polish. */
const plan: OperationPlan = {
  operations: [...['c1', 'c2', 'c3', 'c4', 'c5', 'c6'].map((id) => coat(id)), coat('polish', null)],
  arcs: [
    plainArc('c1', 'c2', 60, 240),
    plainArc('c2', 'c3', 60),
    plainArc('c3', 'c4', 60),
    plainArc('c4', 'c5', 60),
    plainArc('c5', 'c6', 60),
    plainArc('c6', 'polish', 2 * FELT_WITHIN),
  ],
};
let count = 0;
const felt = (operationId: string, minutes: number, isDry: boolean): CureCheck => ({
  id: `check${count++}`,
  operationId,
  minutes,
  isDry,
});
const lagOf = ({ arcs }: OperationPlan, from: string) => arcs.find((arc) => arc.from === from)!.minLag;
const applied = (checks: CureCheck[]) => atOwnCures(plan, learnCures(plan, checks), checks);

describe('cures that the builder felt', () => {
  it('change nothing while nothing was felt', () => {
    expect(applied([])).toEqual(plan);
  });

  it('let the next step begin at once where a coat is dry early, for that coat alone', () => {
    const after = applied([felt('c2', 40, true)]);
    expect(lagOf(after, 'c2')).toBe(40);
    expect(lagOf(after, 'c3')).toBe(60);
    expect(after.arcs.find(({ from }) => from === 'c2')!.because).toMatch(/felt that it is dry/);
  });

  it('hold the next step back where a coat is still wet, until it is felt dry', () => {
    expect(lagOf(applied([felt('c2', 70, false)]), 'c2')).toBe(85);
    expect(lagOf(applied([felt('c2', 70, false), felt('c2', 75, true)]), 'c2')).toBe(75);
    // Wet well before its time is no news.
    expect(lagOf(applied([felt('c2', 10, false)]), 'c2')).toBe(60);
  });

  it('are learnt from the second coat on, drawn towards the product’s times while there are few', () => {
    const slow = [felt('c1', 65, false), felt('c1', 90, true), felt('c2', 62, false), felt('c2', 90, true)];
    const pace = learnCures(plan, slow).get('lacquer')!;
    expect(pace).toMatchObject({ coats: 2 });
    expect(pace.factor).toBeCloseTo(1.5 ** (2 / 5), 10);
    const after = atOwnCures(plan, learnCures(plan, slow), slow);
    expect(lagOf(after, 'c3')).toBe(Math.round(60 * pace.factor));
    expect(after.arcs.find(({ from }) => from === 'c3')!.because).toMatch(
      /on your bench ×1\.18, learnt from 2 coats/,
    );
    expect(learnCures(plan, slow.slice(0, 2)).size).toBe(0);
    const many = ['c1', 'c2', 'c3', 'c4', 'c5'].map((id) => felt(id, 30, true));
    expect(learnCures(plan, many).get('lacquer')!.factor).toBeCloseTo(0.5 ** (5 / 8), 10);
  });

  it('take no notice of one evening gone wrong', () => {
    const checks = [45, 45, 45, 45, 2].map((minutes, at) => felt(`c${at + 1}`, minutes, true));
    const { factor } = learnCures(plan, checks).get('lacquer')!;
    expect(factor).toBeCloseTo(0.75 ** (5 / 8), 10);
  });

  it('learn nothing from a coat felt only after its wait, from glue, or from paint that must cure through', () => {
    const checks = [
      felt('c1', 300, true),
      felt('c2', 500, true),
      felt('c6', 600, true),
      felt('polish', 5, true),
      felt('gone', 5, true),
    ];
    expect(learnCures(plan, checks).size).toBe(0);
  });

  it('never cut a full cure short, but stretch it, and never outgrow a recoat window', () => {
    const fast = ['c1', 'c2', 'c3', 'c4'].map((id) => felt(id, 20, true));
    expect(lagOf(applied([...fast, felt('c6', 100, true)]), 'c6')).toBe(2 * FELT_WITHIN);
    const slow = ['c2', 'c3', 'c4', 'c5'].flatMap((id) => [felt(id, 200, false), felt(id, 600, true)]);
    const after = applied(slow);
    expect(lagOf(after, 'c6')).toBeGreaterThan(2 * FELT_WITHIN);
    expect(lagOf(applied([...slow, felt('c1', 400, false)]), 'c1')).toBe(240);
    for (const { minLag, maxLag } of after.arcs)
      if (maxLag !== null) expect(minLag).toBeLessThanOrEqual(maxLag);
  });
});
