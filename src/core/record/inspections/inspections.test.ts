import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { FAULTS } from '../choices.ts';
import { FAULT_FACTS, mendOf } from './faults.ts';
import { inspectionPoints, POINT_KINDS, POINTS, type LookedStep } from './points.ts';
import { firstToBury } from './tooLate.ts';

const step = (id: string, kind: string, more: Partial<LookedStep> = {}): LookedStep => ({
  id,
  buildId: 'b',
  trayId: 't',
  kind,
  title: id,
  ...more,
});

describe('what is to be looked over', () => {
  it('is due after the last step of its kind on a sub-assembly, each colour by itself', () => {
    const points = inspectionPoints([
      step('primer-1', 'primer'),
      step('primer-2', 'primer'),
      step('red-1', 'colour', { layerId: 'red' }),
      step('red-2', 'colour', { layerId: 'red' }),
      step('blue', 'colour', { layerId: 'blue' }),
      step('other', 'primer', { trayId: 'u' }),
      step('end', 'inspect'),
    ]);
    expect(points.map(({ kind, step: { id } }) => `${kind} ${id}`)).toEqual([
      'primer primer-2',
      'colour red-2',
      'colour blue',
      'primer other',
      'last end',
    ]);
  });

  it('is due once something was set straight and once it stands, and mended by the kind of what is crooked', () => {
    const points = inspectionPoints([
      step('straighten-1', 'straighten'),
      step('straighten-2', 'true'),
      step('stance', 'stance', { trayId: undefined }),
    ]);
    expect(points.map(({ kind, step: { id } }) => `${kind} ${id}`)).toEqual([
      'straight straighten-2',
      'symmetry stance',
    ]);
    expect(mendOf('crooked', 'stance')).toBe('set-right');
    expect(mendOf('crooked', undefined)).toBe('set-right');
    expect(mendOf('crooked', 'decal')).toBe('wipe');
    expect(mendOf('run', 'decal')).toBe('sand');
  });

  it('is due anew where a coat is done again', () => {
    const points = inspectionPoints([
      step('red', 'colour', { layerId: 'red' }),
      step('red~again', 'colour', { layerId: 'red' }),
    ]);
    expect(points.map(({ step: { id } }) => id)).toEqual(['red~again']);
  });

  it('has faults to look for in all its kinds, each with its facts', () => {
    for (const kind of POINT_KINDS) expect(POINTS[kind].lookFor).not.toHaveLength(0);
    expect(Object.keys(FAULT_FACTS)).toEqual([...FAULTS]);
  });
});

describe('the step that buries a fault', () => {
  const chain = [
    step('primer', 'primer'),
    step('sand', 'flat'),
    step('colour', 'colour'),
    step('clear', 'clear'),
    step('on', 'assemble', { trayId: undefined }),
  ];
  const links = [
    { from: 'primer', to: 'sand' },
    { from: 'sand', to: 'colour' },
    { from: 'colour', to: 'clear' },
    { from: 'clear', to: 'on' },
  ];
  const at = (id: string) => chain.findIndex((each) => each.id === id);

  it('is the next coat, and after the last the join', () => {
    expect(firstToBury('primer', chain, links, at)).toBe('colour');
    expect(firstToBury('colour', chain, links, at)).toBe('clear');
    expect(firstToBury('clear', chain, links, at)).toBe('on');
    expect(firstToBury('on', chain, links, at)).toBeUndefined();
  });

  it('passes over what is done, other sub-assemblies, and circles', () => {
    expect(
      firstToBury('primer', chain, links, (id) => (id === 'colour' ? undefined : at(id))),
    ).toBeUndefined();
    const beside = [...chain, step('elsewhere', 'colour', { trayId: 'u' })];
    const led = [{ from: 'primer', to: 'elsewhere' }, ...links, { from: 'sand', to: 'primer' }];
    expect(firstToBury('primer', beside, led, at)).toBe('colour');
  });

  it('is the soonest that is reached without another between, by walking every way', () => {
    const random = seededRandom(6);
    const kinds = ['flat', 'colour', 'polish', 'assemble'];
    const isBurying = (kind: string) => kind === 'colour' || kind === 'assemble';
    for (let round = 0; round < 200; round++) {
      const steps = Array.from({ length: 7 }, (_, index) =>
        step(`s${index}`, kinds[Math.floor(4 * random())]!),
      );
      const arcs = steps.flatMap((from, a) =>
        steps.slice(a + 1).flatMap((to) => (random() < 0.35 ? [{ from: from.id, to: to.id }] : [])),
      );
      const starts = new Map(steps.map(({ id }, index) => [id, index * 10 + Math.floor(9 * random())]));
      const walk = (id: string): string[] =>
        arcs
          .filter(({ from }) => from === id)
          .flatMap(({ to }) => (isBurying(steps.find((each) => each.id === to)!.kind) ? [to] : walk(to)));
      const expected = walk('s0').sort((p, q) => starts.get(p)! - starts.get(q)!)[0];
      expect(firstToBury('s0', steps, arcs, (id) => starts.get(id))).toBe(expected);
    }
  });
});
