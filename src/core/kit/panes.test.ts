import { describe, expect, it } from 'vitest';
import { kitWith, plainJoint, plainPart } from './plainKit.ts';
import { paneOrder } from './panes.ts';
import { newRecord, paneRecord, type Kit, type Pane } from './records/index.ts';

const pane = (id: string, partId: string | null, more: Partial<Pane> = {}): Pane => ({
  ...newRecord(paneRecord),
  id,
  name: `Pane ${id}`,
  partId,
  ...more,
});
const parts = ['A', 'B', 'C', 'D', 'E'].map((id) => plainPart(id, { name: `Part ${id}` }));
const order = (panes: Pane[], more: Partial<Kit> = {}) => {
  const { items, answer, firsts } = paneOrder(kitWith({ parts, panes, ...more }));
  const names = new Map(items.map(({ id, name }) => [id, name]));
  return {
    order: answer.order?.map(({ id }) => names.get(id)),
    ring: answer.ring?.map(({ because }) => because),
    firsts: firsts.map(({ id }) => id),
  };
};

describe('the order of the glass', () => {
  it('puts what lies behind a pane before it and what covers it after', () => {
    const panes = [pane('front', 'A', { coveredBy: ['C'], behind: ['D'] }), pane('rear', 'B')];
    const { order: found } = order(panes);
    expect(found).toEqual(['Pane rear', 'AD Part D', 'Pane front', 'AC Part C']);
  });

  it('follows the joints that shut a pane in, or that close off its own', () => {
    const joints = [
      plainJoint('in', 'A', 'E'),
      plainJoint('roof', 'B', 'C', { captured: ['A'] }),
      plainJoint('floor', 'C', 'D', { closes: ['in'] }),
    ];
    expect(order([pane('front', 'A')], { joints }).order![0]).toBe('Pane front');
    expect(order([pane('front', 'A')], { joints }).order).toHaveLength(3);
  });

  it('brings what is first first, with what it waits for', () => {
    const panes = [pane('rear', 'B'), pane('side', 'C'), pane('front', 'A', { first: true, behind: ['D'] })];
    expect(order(panes).order!.slice(0, 2)).toEqual(['AD Part D', 'Pane front']);
    expect(order(panes).firsts).toEqual([]);
    const two = panes.map((each) => ({ ...each, first: each.id !== 'side' }));
    expect(order(two).firsts).toEqual(['rear', 'front']);
    expect(order(two).order!.at(-1)).toBe('Pane side');
  });

  it('names the ring where there is none: two panes, each behind the other', () => {
    const panes = [pane('front', 'A', { behind: ['B'] }), pane('rear', 'B', { behind: ['A'] })];
    expect(order(panes)).toMatchObject({
      order: undefined,
      ring: ['Pane front shuts in part b', 'Pane rear shuts in part a'],
    });
    expect(order([pane('front', 'A', { behind: ['A'] })]).ring).toHaveLength(1);
  });

  it('passes over what the version leaves off, and takes panes that name no part', () => {
    const off = parts.map((part) => (part.id === 'D' ? { ...part, use: 'left-off' as const } : part));
    const panes = [pane('front', 'A', { behind: ['D'] }), pane('loose', null)];
    expect(order(panes, { parts: off }).order).toEqual(['Pane front', 'Pane loose']);
    expect(order([]).order).toEqual([]);
  });
});
