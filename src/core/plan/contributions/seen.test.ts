import { describe, expect, it } from 'vitest';
import { newRecord, plainPart, runRecord, type Kit, type Showing } from '../../kit/index.ts';
import { planOfTrap } from '../advice/trapBench.ts';
import { boxAt, shown, VAN } from '../seen/van.ts';

const part = (id: string, name: string, more: object = {}) =>
  plainPart(id, { name, lengthMm: null, areaCm2: null, ...more });
const hose = (id: string, fromPartId: string, toPartId: string) => ({
  ...newRecord(runRecord),
  id,
  name: `hose ${id}`,
  kind: 'heater-hose' as const,
  fromPartId,
  toPartId,
});
// Of the parts a and c stand at the window, the others behind the closed rear.
const kit = (more: Partial<Kit> = {}): Partial<Kit> => ({
  parts: [part('a', 'One'), part('b', 'Two'), part('c', 'Three'), part('d', 'Four')],
  views: [VAN],
  partBoxes: [boxAt('a', 40), boxAt('b', 120), boxAt('c', 45), boxAt('d', 125)],
  runs: [hose('seen', 'a', 'c'), hose('dark', 'b', 'd')],
  showings: [shown()],
  ...more,
});
const said = (more: Partial<Kit> = {}, apart = false) => {
  const all = ['a', 'b', 'c', 'd'];
  const trays = apart
    ? [
        { id: 'one', name: 'One', partIds: all.slice(0, 3) },
        { id: 'two', name: 'Two', partIds: all.slice(3) },
      ]
    : [{ id: 'one', name: 'One', partIds: all }];
  const plan = planOfTrap({ kit: kit(more), trays });
  const stepOf = new Map(plan.operations.map((step) => [step.id, step]));
  return plan.advice
    .filter(({ rule }) => rule === 'hardly-seen')
    .map(({ text, about }) => ({ text, kinds: about.steps.map((id) => stepOf.get(id)!.kind) }));
};

describe('work that nobody will see', () => {
  it('is said where it is about to be done, and what is seen is not', () => {
    const [one, ...more] = said();
    expect(more).toEqual([]);
    expect(one!.kinds).toEqual(['plumb']);
    expect(one!.text).toMatch(/^Hardly seen once it is closed: hose dark, two to four \([0-3] %\)$/);
  });

  it('is said also of what is led between two sub-assemblies', () => {
    expect(said({}, true)).toEqual([expect.objectContaining({ kinds: ['plumb'] })]);
  });

  it('is left unsaid where it is done for its own sake, or counts for nothing', () => {
    const showing = (change: Partial<Showing>) => ({ showings: [shown(change)] });
    expect(said(showing({ pleasure: ['run dark'] }))).toEqual([]);
    expect(said(showing({ weights: [{ workId: 'run dark', times: 0 }] }))).toEqual([]);
  });

  it('is claimed of nothing without a place or a view', () => {
    expect(said({ views: [] })).toEqual([]);
    expect(said({ partBoxes: [boxAt('a', 40), boxAt('c', 45), boxAt('b', 120)] })).toEqual([]);
  });

  it('says so where a place is only guessed', () => {
    const parts = [...kit().parts!.slice(0, 3), part('d', 'Rear axle', { lengthMm: 9, areaCm2: 1 })];
    const partBoxes = kit().partBoxes!.slice(0, 3);
    const slit = [{ id: 'w', name: 'window', path: 'M10 30H20V33H10Z' }];
    const views = [{ ...VAN, openings: slit }];
    const [one, ...more] = said({ parts, partBoxes, views });
    expect(more).toEqual([]);
    expect(one!.text).toMatch(/hose seen, one to three \(\d %\); hose dark, .* \(\d %, its place guessed\)$/);
  });
});
