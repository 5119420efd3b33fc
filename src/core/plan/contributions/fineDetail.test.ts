import { describe, expect, it } from 'vitest';
import {
  chainRecord,
  gaugeRecord,
  harnessRecord,
  newRecord,
  patternRecord,
  wheelRecord,
  type DriveChain,
  type Gauge,
  type Harness,
  type Kit,
  type Pattern,
  type WireWheel,
} from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { plainPart } from '../../kit/index.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { summariseKit } from '../kitSummary.ts';

const parts = ['head', 'cap', 'rim'].map((id) => ({ ...plainPart(id), name: id }));
const harness = (more: Partial<Harness> = {}): Harness => ({
  ...newRecord(harnessRecord),
  id: 'h',
  name: 'Six',
  fromPartId: 'cap',
  toPartId: 'head',
  firingOrder: [1, 5, 3, 6, 2, 4],
  x: -15,
  y: 6,
  z: 10,
  ...more,
});
const wheel = (more: Partial<WireWheel> = {}): WireWheel => ({
  ...newRecord(wheelRecord),
  id: 'w',
  name: 'Front wheel',
  partId: 'rim',
  ...more,
});
const chain = (more: Partial<DriveChain> = {}): DriveChain => ({
  ...newRecord(chainRecord),
  id: 'c',
  name: 'Chain',
  partId: 'rim',
  ...more,
});
const pattern = (more: Partial<Pattern> = {}): Pattern => ({
  ...newRecord(patternRecord),
  id: 'p',
  name: 'Tank',
  partId: 'rim',
  ...more,
});
const summary = (kit: Partial<Kit>, trays = [{ id: 't', partIds: ['head', 'cap', 'rim'] }]) =>
  summariseKit(kitWith({ parts, ...kit }), trays, [], 12);
const tasks = (kit: Partial<Kit>) => summary(kit).tasks.filter(({ kind }) => kind !== 'clean');
/** What it says of the detail alone. */
const said = (kit: Partial<Kit>) => summary(kit).advice.filter(({ stage }) => stage === 'detail');
const needs = (kit: Partial<Kit>) =>
  kitNeeds({
    kit: kitWith({ parts, ...kit }),
    paints: [],
    adhesives: [],
    spares: [],
    materials: [],
    scale: 12,
  });

describe('an ignition harness in the plan', () => {
  it('drills one hole for each end, and cuts and glues every lead by its number', () => {
    const [drill, wire] = tasks({ harnesses: [harness()] });
    expect(drill).toMatchObject({ kind: 'drill' });
    expect(drill!.details[0]).toMatch(/^12 holes/);
    expect(wire).toMatchObject({ kind: 'wire', title: 'Wire up' });
    const lines = wire!.details.join('\n');
    expect(lines).toContain('firing order 1-5-3-6-2-4, rotor clockwise');
    expect(lines).toMatch(/cut: 1 \d+\.\d mm, 2 /);
    const glued = /glue in this order: (.*)/.exec(lines)![1]!.split(', ').map(Number);
    expect([...glued].sort()).toEqual([1, 2, 3, 4, 5, 6]);
    expect(summary({ harnesses: [harness()] }).detail).toMatchObject({ harnesses: 1, open: 0 });
  });

  it('lies between two sub-assemblies where its ends do', () => {
    const trays = [
      { id: 'one', partIds: ['cap'] },
      { id: 'two', partIds: ['head'] },
    ];
    expect(summary({ harnesses: [harness()] }, trays).crossSteps).toMatchObject([
      { kind: 'wire', trayIds: ['one', 'two'] },
    ]);
  });

  it('is left out, and said, where it cannot be worked out', () => {
    const wrong = { harnesses: [harness({ firingOrder: [1, 5, 3, 3, 2, 4] })] };
    expect(tasks(wrong)).toEqual([]);
    expect(summary(wrong).detail.open).toBe(1);
    expect(said(wrong)).toMatchObject([
      { rule: 'harness-wrong', why: 'The firing order names cylinder 3 twice.', stage: 'detail' },
    ]);
    expect(said({ harnesses: [harness()] })).toEqual([]);
  });

  it('is left out where it names no part, and a coil on each plug has no lead to plan', () => {
    expect(summary({ harnesses: [harness({ fromPartId: null })] }).detail.open).toBe(1);
    const coils = { harnesses: [harness({ source: 'coil-per-plug' })] };
    expect(tasks(coils)).toEqual([]);
    expect(summary(coils).detail.open).toBe(0);
  });
});

describe('wheels, chains and patterns in the plan', () => {
  it('are steps on the sub-assembly of their part, long ones in sittings', () => {
    const made = tasks({
      wheels: [wheel({ count: 2, spokes: 40 })],
      chains: [chain()],
      patterns: [pattern({ ends: true })],
    });
    expect(made.every(({ kind, trayId }) => kind === 'detail' && trayId === 't')).toBe(true);
    const laced = made.filter(({ title }) => title.startsWith('Lace 2 × front wheel'));
    expect(laced.map(({ title }) => title.slice(-8))).toEqual(['(1 of 2)', '(2 of 2)']);
    expect(laced.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(140);
    expect(laced[0]!.details[0]).toBe('40 spokes each, 3-cross, of 0.25 mm wire');
    expect(made.some(({ details }) => /links of 1.32 mm/.test(details[0]!))).toBe(true);
    expect(made.some(({ details }) => details[0] === 'tube or round tank from foil: round it, 2 × end')).toBe(
      true,
    );
  });

  it('ask for their wire and foil, once', () => {
    const wanted = needs({ wheels: [wheel()], patterns: [pattern(), pattern({ id: 'q' })] });
    expect(wanted.filter(({ id }) => id === 'material:bare-metal-foil')).toHaveLength(1);
    expect(wanted.find(({ id }) => id.startsWith('material:wire-'))!.why).toMatch(/36 spokes .* mm in all/);
    expect(needs({ patterns: [pattern({ material: 'paper' })] })).toEqual([]);
  });

  it('are left out and said where they cannot be made', () => {
    const wrong = {
      wheels: [wheel({ flangeRadiusMm: 30 })],
      chains: [chain({ centresMm: 5 })],
      patterns: [pattern({ radiusMm: 0 })],
    };
    expect(tasks(wrong)).toEqual([]);
    expect(summary(wrong).detail.open).toBe(3);
    expect(said(wrong).map(({ rule, page }) => [rule, page])).toEqual([
      ['detail-wrong', 'wheels'],
      ['detail-wrong', 'chains'],
      ['detail-wrong', 'patterns'],
    ]);
    expect(said({ wheels: [wheel()], chains: [chain()], patterns: [pattern()] })).toEqual([]);
  });

  it('are left out of a version that does without their part, and are open without a part', () => {
    expect(tasks({ wheels: [wheel({ partId: null })] })).toEqual([]);
    expect(summary({ wheels: [wheel({ partId: null })] }).detail.open).toBe(1);
  });
});

describe('a part that is too thick', () => {
  const gauge = (more: Partial<Gauge> = {}): Gauge => ({
    ...newRecord(gaugeRecord),
    id: 'g',
    name: 'Bonnet',
    partId: 'rim',
    measuredMm: 1.2,
    realMm: 5,
    ...more,
  });

  it('is thinned on bare plastic once that is decided, and only then', () => {
    expect(tasks({ gauges: [gauge()] })).toEqual([]);
    expect(tasks({ gauges: [gauge({ way: 'leave' })] })).toEqual([]);
    const [thin, ...others] = tasks({ gauges: [gauge({ way: 'thin' })] });
    expect(others).toEqual([]);
    expect(thin).toMatchObject({ kind: 'thin', trayId: 't', title: 'Thin: bonnet' });
    expect(thin!.details[0]).toMatch(/^take off 0\.78 mm from behind, of 1\.20 mm/);
    expect(tasks({ gauges: [gauge({ way: 'edges' })] })[0]!.title).toBe('Thin the edges: bonnet');
    const [anew] = tasks({ gauges: [gauge({ way: 'replace', realMm: 1 })] });
    expect(anew!.details.join()).toMatch(/from foil, 0\.1 mm/);
  });

  it('is open without its part, and until it is decided', () => {
    expect(summary({ gauges: [gauge({ partId: null })] }).detail.open).toBe(1);
    expect(summary({ gauges: [gauge({ way: 'leave' })] }).detail.open).toBe(0);
    expect(summary({ gauges: [gauge()] }).detail.open).toBe(1);
  });
});
