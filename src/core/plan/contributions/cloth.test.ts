import { describe, expect, it } from 'vitest';
import {
  beltRecord,
  carpetPlan,
  carpetRecord,
  cloggedBy,
  newRecord,
  placeRecord,
  plainJoint,
  plainPart,
  type Belt,
  type Carpet,
  type Kit,
} from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { summariseKit } from '../kitSummary.ts';

const carpet = (more: Partial<Carpet> = {}): Carpet => ({
  ...newRecord(carpetRecord),
  id: 'c',
  name: 'Floor',
  partId: 'F1',
  ...more,
});
const belt = (more: Partial<Belt> = {}): Belt => ({
  ...newRecord(beltRecord),
  id: 'b',
  name: 'Lap belts',
  partId: 'F2',
  count: 2,
  pieces: [{ name: 'Left', pathMm: 14, fittings: 1 }],
  ...more,
});
const kit = (more: Partial<Kit>) =>
  kitWith({
    parts: [
      plainPart('F1', { name: 'Tub', areaCm2: 58 }),
      plainPart('F2', { name: 'Seat' }),
      plainPart('F3', { name: 'Lever' }),
    ],
    joints: [plainJoint('s', 'F2', 'F1'), plainJoint('l', 'F3', 'F2')],
    ...more,
  });
const tasks = (more: Partial<Kit>) =>
  summariseKit(kit(more), [{ id: 't', partIds: ['F1', 'F2', 'F3'] }], [], 24).tasks.filter(
    ({ kind }) => kind === 'detail',
  );
const colours = { fibre: '#6a3030', ground: '#202020', wanted: '#6a3030' };

describe('a carpet', () => {
  it('is laid by its area, with what it would clog plugged and opened', () => {
    const places = [
      { ...newRecord(placeRecord), id: 'p', partId: 'F1', name: 'hole of the lever' },
      { ...newRecord(placeRecord), id: 'q', partId: 'F1', name: 'sill', kind: 'line' as const },
    ];
    expect(cloggedBy(carpet(), kit({ places }))).toEqual(['hole of the lever', 'seat of seat']);
    const [task] = tasks({ carpets: [carpet()], places });
    expect(task).toMatchObject({ title: 'Lay floor', minutes: Math.round(15 + (2 * 58) / 10 + 3) });
    expect(task!.details.join()).toMatch(
      /0\.46 g of fibres.*plugged before, opened after: hole of the lever, seat of seat/,
    );
  });

  it('comes out darker than its fibres, and says what brings it nearer', () => {
    const plan = carpetPlan(carpet(colours), kit({}));
    expect(plan.dE00!).toBeGreaterThan(5);
    expect(plan.under!.dE00).toBeLessThan(plan.dE00!);
    expect(plan.over).toBeUndefined();
    expect(carpetPlan(carpet({ ...colours, over: '#c0a0a0' }), kit({})).over!.share).toBeGreaterThan(0);
    expect(tasks({ carpets: [carpet(colours)] })[0]!.details.join()).toMatch(
      /dE from what is wanted; nearest over a grey/,
    );
    // Tape hides what is under it.
    expect(carpetPlan(carpet({ ...colours, way: 'paper-tape' }), kit({})).under).toBeUndefined();
  });

  it('learns from a test patch, and says where that cannot be', () => {
    const usual = carpetPlan(carpet(colours), kit({}));
    const read = `${usual.shade!.L - 3} ${usual.shade!.a} ${usual.shade!.b}`;
    const learnt = carpetPlan(carpet({ ...colours, patch: read }), kit({}));
    expect(learnt.isLearnt).toBe(true);
    expect(learnt.shade!.L).toBeCloseTo(usual.shade!.L - 3, 1);
    expect(() => carpetPlan(carpet({ ...colours, patch: '#ffffff' }), kit({}))).toThrow('read it again');
  });

  it('claims no shade without its colours, and says which is none', () => {
    expect(carpetPlan(carpet({ fibre: '#6a3030' }), kit({}))).toMatchObject({ isLearnt: false, areaCm2: 58 });
    expect(carpetPlan(carpet({ partId: null }), kit({})).grams).toBeUndefined();
    expect(() => carpetPlan(carpet({ ...colours, ground: 'dark' }), kit({}))).toThrow(
      /^The colour under them: /,
    );
  });
});

describe('belts', () => {
  it('are cut with their folds, each fitting threaded in time', () => {
    const [task] = tasks({ belts: [belt()] });
    expect(task).toMatchObject({ title: 'Lay 2 × lap belts', minutes: 2 * (8 + 6) });
    expect(task!.details[0]).toBe('ribbon 2.00 mm wide; buckles etched');
    expect(task!.details[1]).toBe('left: 20.0 mm, 1 threaded before its second end is glued');
  });

  it('without a piece are left out of the plan, and said', () => {
    const summary = summariseKit(
      kit({ belts: [belt({ pieces: [] })] }),
      [{ id: 't', partIds: ['F2'] }],
      [],
      24,
    );
    expect(summary.detail.open).toBe(1);
    expect(summary.advice.find(({ rule }) => rule === 'detail-wrong')!.why).toMatch(/no pieces yet/);
  });

  it('and carpets are needed weeks before, with what would do instead', () => {
    const needs = kitNeeds({
      kit: kit({ belts: [belt()], carpets: [carpet()] }),
      paints: [],
      adhesives: [],
      spares: [],
      materials: [],
      scale: 24,
    });
    expect(needs.map(({ what }) => what).sort()).toEqual([
      'etched buckles',
      'flock',
      'ribbon for belts, 2.1 mm',
    ]);
    expect(needs.every(({ substitute }) => substitute !== '')).toBe(true);
  });
});
