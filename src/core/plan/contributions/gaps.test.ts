import { describe, expect, it } from 'vitest';
import { gapRecord, newRecord } from '../../kit/index.ts';
import { plainFinish, plainJoint, plainPart, plainZones } from '../../kit/plainKit.ts';
import { colour, primer } from '../../finish/ruleCases.ts';
import { planOfTrap, type TrapBench } from '../advice/trapBench.ts';

const LAYERS = [primer, colour];
const IDS = ['A1', 'B1', 'C1'];
/** Three sub-assemblies in a row; the gap is between the outer two. */
const row = (gapMm: number): TrapBench => ({
  kit: {
    finishes: [plainFinish('red', 'gloss')],
    parts: IDS.map((id) => plainPart(id, { areaCm2: 20, zones: plainZones('red') })),
    joints: [plainJoint('ab', 'A1', 'B1'), plainJoint('bc', 'B1', 'C1')],
    gaps: [{ ...newRecord(gapRecord), id: 'g', a: 'A1', b: 'C1', where: 'arch', gapMm, motion: 'turns' }],
  },
  trays: IDS.map((id) => ({ id: `t${id}`, name: id, partIds: [id], layers: LAYERS })),
  joins: [
    { id: 'ab', name: 'A to B', trayIds: ['tA1', 'tB1'] },
    { id: 'bc', name: 'B to C', trayIds: ['tB1', 'tC1'] },
  ],
});
const said = (bench: TrapBench) =>
  planOfTrap(bench).advice.flatMap(({ rule, about }) =>
    rule.startsWith('gap-') ? [[rule, about.steps.map((id) => id.replace(/^b\//, ''))] as const] : [],
  );

describe('a gap between parts that do not touch', () => {
  it('is told of once: where the last join brings the two together', () => {
    const [[rule, steps] = []] = said(row(1.5));
    expect(rule).toBe('gap-figures');
    expect(steps).toHaveLength(1);
    expect(['join/ab', 'join/bc']).toContain(steps![0]);
  });

  it('is warned of before the first coat still to come, and at that join', () => {
    const [[rule, steps] = []] = said(row(0.1));
    expect(rule).toBe('gap-closes');
    expect(steps).toHaveLength(2);
    expect(steps![0]).toMatch(/^t[AC]1\//);
    expect(steps![1]).toMatch(/^join\//);
  });
});
