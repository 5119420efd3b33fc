import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, type Join } from '../kit/index.ts';
import { summariseKit } from './kitSummary.ts';
import type { PlanArc } from './operation.ts';
import { plainOperation } from './plainPlan.ts';
import { soundSteps } from './soundSteps.ts';
import { stepsOfBuild } from './stepsOfBuild.ts';

const BENCH = {
  products: new Map(),
  codes: new Map(),
  conditions: { temperatureC: 20, humidity: 50 },
  longestSession: 180,
  lessons: [],
};
const join = (id: string, afterJoinIds: string[] = [], trayIds = ['body']): Join => ({
  id,
  name: `Join ${id}`,
  trayIds,
  afterJoinIds,
  minutes: 10,
  adhesive: 'PVA',
  setMinutes: 60,
});
const layer = (id: string) => ({ id, kind: 'mask' as const, coats: 1, tool: 'hand' as const });
const build = (joins: Join[], layers = [layer('mask')]) => ({
  id: 'b',
  name: 'Coupe',
  subject: '',
  scale: 24,
  joins,
  trays: [
    {
      id: 'body',
      name: 'Body',
      parts: [],
      substrateId: 'styrene-white',
      areaCm2: 80,
      layers,
      codeId: null,
      position: 0,
    },
  ],
  kit: summariseKit(EMPTY_KIT, []),
});

describe('the steps of a build whose records contradict themselves', () => {
  it('leave out an order that leads nowhere, and say so at the join', () => {
    const { plan, faults } = stepsOfBuild(build([join('on', ['gone'])]), BENCH);
    const ids = new Set(plan.operations.map(({ id }) => id));
    expect(ids.has('b/join/on')).toBe(true);
    expect(plan.arcs.every(({ from, to }) => ids.has(from) && ids.has(to))).toBe(true);
    expect(faults).toMatchObject([
      { rule: 'contradiction', text: expect.stringContaining('waits for gone') as string },
    ]);
  });

  it('hold every layer of a stack in which two have one id', () => {
    const { plan, faults } = stepsOfBuild(build([], [layer('m'), layer('m')]), BENCH);
    expect(plan.operations.filter(({ kind }) => kind === 'mask')).toHaveLength(2);
    expect(faults).toHaveLength(1);
  });

  it('are none where a stack cannot be read, and say why; the build stays', () => {
    const broken = build([join('on')]);
    broken.trays[0]!.layers[0]!.kind = 'moon rock' as never;
    const { plan, faults } = stepsOfBuild(broken, BENCH);
    expect(plan).toEqual({ operations: [], arcs: [] });
    expect(faults).toMatchObject([{ text: 'Coupe is not in the plan', stage: 'kit' }]);
  });

  it('say nothing of a sound build', () => {
    expect(stepsOfBuild(build([join('1'), join('2', ['1'])]), BENCH).faults).toEqual([]);
  });
});

describe('steps that no schedule could hold', () => {
  const step = (id: string) => plainOperation(id, {});
  const arc = (from: string, to: string): PlanArc => ({ from, to, minLag: 0, maxLag: null, because: '' });

  it('lose the lag that closes a circle and those that lead nowhere', () => {
    const { plan, faults } = soundSteps({
      operations: [step('a'), step('b'), step('c'), step('b')],
      arcs: [arc('a', 'b'), arc('b', 'c'), arc('c', 'a'), arc('x', 'c')],
    });
    expect(plan.operations.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(plan.arcs).toEqual([arc('a', 'b'), arc('b', 'c')]);
    expect(faults).toHaveLength(3);
  });

  it('are found in chains of many thousand without running out of stack', () => {
    const ids = Array.from({ length: 20_000 }, (_, at) => `s${at}`);
    const arcs = ids.slice(1).map((id, at) => arc(ids[at]!, id));
    expect(soundSteps({ operations: ids.map(step), arcs: [...arcs, arc('s19999', 's0')] }).plan.arcs).toEqual(
      arcs,
    );
  });
});
