import { describe, expect, it } from 'vitest';
import { newRecord, paneRecord, plainJoint, plainPart, type Kit, type Pane } from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { summariseKit } from '../kitSummary.ts';

const parts = [
  plainPart('G1', { name: 'Scheibe', material: 'clear', areaCm2: 20 }),
  plainPart('B1', { name: 'Shell' }),
  plainPart('B2', { name: 'Mirror' }),
  plainPart('B3', { name: 'Lining' }),
];
const joints = [
  plainJoint('g', 'G1', 'B1', { kind: 'glass' }),
  plainJoint('m', 'B2', 'B1'),
  plainJoint('l', 'B3', 'B1'),
];
const trays = ['G1', 'B1', 'B2', 'B3'].map((id) => ({ id: `t-${id}`, partIds: [id] }));
const joins = joints.map(({ id }) => ({ id: `on-${id}`, jointIds: [id] }));
const pane = (more: Partial<Pane> = {}): Pane => ({
  ...newRecord(paneRecord),
  id: 'p',
  name: 'Front',
  partId: 'G1',
  ...more,
});
const summary = (panes: Pane[], more: Partial<Kit> = {}) =>
  summariseKit(kitWith({ parts, joints, panes, ...more }), trays, joins, 24);
const rules = (...panes: Pane[]) =>
  summary(panes)
    .advice.filter(({ page }) => page === 'glass')
    .map(({ rule, severity }) => [rule, severity]);
const tasks = (...panes: Pane[]) => summary(panes).tasks.filter(({ id }) => /pane|mask|edge/.test(id));

describe('a pane', () => {
  it('asks for nothing where nothing is said of it', () => {
    expect(tasks(pane())).toEqual([]);
    expect(rules(pane())).toEqual([]);
    expect(summary([pane()]).detail.open).toBe(0);
  });

  it('is polished out by its size, edged on the bench, and masked from its opening', () => {
    const made = tasks(pane({ flaws: 'scratched', edge: 'bright', viewId: 'v', openingId: 'o' }));
    const [polish, mask, edge] = ['polish-panes', 'cut-masks', 'glass-edges'].map((id) =>
      made.find((each) => each.id === id)!,
    );
    // 12 minutes for 10 cm2, and it has 20.
    expect(polish).toMatchObject({ kind: 'glass', minutes: 24, trayId: 't-G1' });
    expect(mask!.kind).toBe('detail');
    expect(edge!.details[0]).toMatch(/black first, then silver/);
    expect(
      tasks(pane({ edge: 'rubber', edgeWhen: 'after', viewId: 'v', openingId: 'o', maskKept: true })),
    ).toEqual([]);
  });

  it('says what must be there before it, where it goes in', () => {
    expect(rules(pane({ behind: ['B2'] }))).toEqual([['before-the-glass', 'note']]);
    const { advice, consequences } = summary([pane({ behind: ['B2'], coveredBy: ['B3'] })]);
    const said = advice.find(({ rule }) => rule === 'before-the-glass')!;
    expect(said.text).toBe('Before front goes in: Front shuts in mirror');
    expect(said.at.joins).toEqual(['on-g']);
    // The pane's join ends the mirror's chance, and the lining's ends the pane's.
    expect(consequences.map(({ id }) => id)).toEqual(expect.arrayContaining(['g ends m', 'l ends g']));
  });

  it('has its edge painted where it is fitted, where that comes after', () => {
    const after = pane({ edge: 'rubber', edgeWhen: 'after' });
    const [said, ...more] = summary([after]).advice.filter(({ page }) => page === 'glass');
    expect(more).toEqual([]);
    expect(said).toMatchObject({ rule: 'edge-once-it-sits', at: { joins: ['on-g'] } });
    expect(said!.text).toMatch(/satin black rubber/);
    expect(rules(pane({ edge: 'rubber' }))).toEqual([]);
  });

  it('stops where no order keeps what was said', () => {
    const other = pane({ id: 'q', name: 'Rear', partId: 'B2', behind: ['G1'] });
    expect(rules(pane({ behind: ['B2'] }), other)).toEqual([['glass-no-order', 'stop']]);
  });

  it('says where two come first, and where an open edge is too thick', () => {
    const two = [pane({ first: true }), pane({ id: 'q', partId: 'B2', first: true })];
    expect(rules(...two)).toEqual([['glass-two-firsts', 'note']]);
    expect(rules(pane({ gaugeMm: 0.8 }))).toEqual([['glass-too-thick', 'note']]);
    expect(rules(pane({ gaugeMm: 0.8, edge: 'rubber' }))).toEqual([]);
    expect(rules(pane({ gaugeMm: 0.25 }))).toEqual([]);
  });

  it('is open while it names no part or nothing to go into', () => {
    expect(summary([pane({ partId: null })]).detail.open).toBe(1);
    const loose = kitWith({ parts, panes: [pane()] });
    expect(summariseKit(loose, trays, [], 24).detail.open).toBe(1);
    expect(summary([pane({ intoPartId: 'B1' })], { joints: [] }).detail.open).toBe(0);
  });
});
