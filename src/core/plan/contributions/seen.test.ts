import { describe, expect, it } from 'vitest';
import {
  newRecord,
  partBoxRecord,
  plainPart,
  runRecord,
  showingRecord,
  viewRecord,
  type Kit,
  type PartBox,
} from '../../kit/index.ts';
import { planOfTrap } from '../advice/trapBench.ts';

const part = (id: string, name: string, more: object = {}) =>
  plainPart(id, { name, lengthMm: null, areaCm2: null, ...more });
const box = (partId: string, behindMm: number): PartBox => ({
  ...newRecord(partBoxRecord),
  id: `box-${partId}`,
  partId,
  behindMm,
  upMm: 20,
  lengthMm: 8,
  widthMm: 8,
  heightMm: 8,
});
const hose = (id: string, fromPartId: string, toPartId: string) => ({
  ...newRecord(runRecord),
  id,
  name: `hose ${id}`,
  kind: 'heater-hose' as const,
  fromPartId,
  toPartId,
});
// A van with a window in its front half; two parts stand at it, two behind the closed rear.
const kit = (more: Partial<Kit> = {}): Partial<Kit> => ({
  parts: [part('a', 'One'), part('b', 'Two'), part('c', 'Three'), part('d', 'Four')],
  views: [
    {
      ...newRecord(viewRecord),
      id: 'v',
      name: 'Left',
      side: 'left',
      outline: 'M0 0H160V40H0Z',
      openings: [{ id: 'w', name: 'window', path: 'M10 5H70V35H10Z' }],
    },
  ],
  partBoxes: [box('a', 40), box('b', 120), box('c', 45), box('d', 125)],
  runs: [hose('seen', 'a', 'c'), hose('dark', 'b', 'd')],
  showings: [{ ...newRecord(showingRecord), id: 's', glass: 1 }],
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
    const showing = (change: object) => ({ showings: [{ ...newRecord(showingRecord), id: 's', ...change }] });
    expect(said(showing({ pleasure: ['run dark'] }))).toEqual([]);
    expect(said(showing({ weights: [{ workId: 'run dark', times: 0 }] }))).toEqual([]);
  });

  it('is claimed of nothing without a place or a view', () => {
    expect(said({ views: [] })).toEqual([]);
    expect(said({ partBoxes: [box('a', 40), box('c', 45), box('b', 120)] })).toEqual([]);
  });

  it('says so where a place is only guessed', () => {
    const parts = [...kit().parts!.slice(0, 3), part('d', 'Rear axle', { lengthMm: 9, areaCm2: 1 })];
    const partBoxes = kit().partBoxes!.slice(0, 3);
    const slit = [{ id: 'w', name: 'window', path: 'M10 30H20V33H10Z' }];
    const views = [{ ...kit().views![0]!, openings: slit }];
    const [one, ...more] = said({ parts, partBoxes, views });
    expect(more).toEqual([]);
    expect(one!.text).toMatch(/hose seen, one to three \(\d %\); hose dark, .* \(\d %, its place guessed\)$/);
  });
});
