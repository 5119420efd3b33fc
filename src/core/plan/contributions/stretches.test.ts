import { describe, expect, it } from 'vitest';
import {
  newRecord,
  plainPart,
  stretchRecord,
  wheelbaseOf,
  type Kit,
  type Member,
  type Stretch,
} from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { summariseKit } from '../kitSummary.ts';
import { cutList } from './cutList.ts';

const parts = [
  plainPart('B1', { name: 'Longerons', count: 2, lengthMm: 200 }),
  plainPart('B2', { name: 'Cardan', lengthMm: 90 }),
  plainPart('B3', { name: 'Leaf pack', lengthMm: null }),
];
const trays = [{ id: 'frame', partIds: ['B1', 'B2', 'B3'] }];
const member = (partId: string, more: Partial<Member> = {}): Member => ({
  partId,
  fromMm: 0,
  lengthMm: null,
  section: 'channel',
  outsideMm: 5,
  insideMm: null,
  share: 1,
  cutAtMm: null,
  dropMm: 0,
  line: '',
  ...more,
});
const stretch = (more: Partial<Stretch> = {}): Stretch => ({
  ...newRecord(stretchRecord),
  id: 's',
  name: 'Longer',
  stretchMm: 30,
  atMm: 100,
  members: [member('B1'), member('B2', { fromMm: 60, section: 'tube', outsideMm: 3, insideMm: 2.1 })],
  ...more,
});
const option = { name: 'long', needs: [], rulesOut: [], markings: [], finishIds: [] };
const choices = (chosen: string | null) => [
  {
    id: 'c',
    name: 'Deck',
    chosen,
    options: [
      { ...option, id: 'long' },
      { ...option, id: 'short', name: 'short' },
    ],
  },
];
const summary = (kit: Partial<Kit>) => summariseKit(kitWith({ parts, ...kit }), trays, [], 24);
const cuts = (kit: Partial<Kit>) => summary(kit).tasks.filter(({ kind }) => kind === 'open');
const rules = (kit: Partial<Kit>) =>
  summary(kit)
    .advice.filter(({ page }) => page === 'stretch')
    .map(({ rule }) => rule);

describe('a stretched frame in the plan', () => {
  it('cuts every part before it is joined, and lets its splice set', () => {
    const [rails, shaft, ...more] = cuts({ stretches: [stretch()] });
    expect(more).toEqual([]);
    expect(rails).toMatchObject({ title: 'Lengthen longerons by 30.0 mm', waitMinutes: 720 });
    expect(rails!.details[0]).toBe('cut at 100.0 mm from the front');
    expect(shaft!.details).toContain('held by rod 2.00 mm, 39.0 mm long');
  });

  it('follows the version: no cut while its option is open, and no word where another is built', () => {
    const asked = [stretch({ optionId: 'long' })];
    expect(cuts({ stretches: asked, choices: choices('long') })).toHaveLength(2);
    expect(rules({ stretches: asked, choices: choices('long') })).toEqual([]);
    const open = { stretches: asked, choices: choices(null) };
    expect([cuts(open), rules(open), summary(open).detail.open]).toEqual([[], ['stretch-open'], 1]);
    const other = { stretches: asked, choices: choices('short') };
    expect([cuts(other), rules(other), summary(other).detail.open]).toEqual([[], [], 0]);
  });

  it('is left out, and said, where a length is not known or a line stays open', () => {
    const wrong = { stretches: [stretch({ members: [member('B3')] })] };
    expect([cuts(wrong), rules(wrong)]).toEqual([[], ['stretch-wrong']]);
    const [said] = summary(wrong).advice.filter(({ rule }) => rule === 'stretch-wrong');
    expect(said!.why).toMatch(/Leaf pack: its length is not known/);
    const half = { stretches: [stretch({ members: [member('B1', { line: 'Longerons', share: 0.5 })] })] };
    expect(rules(half)).toEqual(['stretch-gap']);
    expect(summary(half).advice.find(({ rule }) => rule === 'stretch-gap')!.text).toBe(
      'Longerons ends 15.0 mm short',
    );
  });

  it('cuts tube, rod and strip from stock, and needs sheet', () => {
    const kit = kitWith({ parts, stretches: [stretch()] });
    expect(
      cutList(kit, 24).map(({ section, wireMm, pieces }) => [
        `${section} ${wireMm}`,
        pieces.map(({ length, count }) => count * length),
      ]),
    ).toEqual([
      ['round 2', [39]],
      ['round 3', [30]],
      ['strip 4.8', [60]],
    ]);
    const needs = kitNeeds({ kit, paints: [], adhesives: [], spares: [], materials: [], scale: 24 });
    expect(needs.find(({ what }) => what === 'strip, 4.8 mm wide')!.why).toMatch(/60 mm in all/);
  });

  it('tells the wheelbase before and after, and what the real one would ask for', () => {
    const axles = { frontAxleMm: 20, rearAxleMm: 150 };
    expect(wheelbaseOf(stretch({ ...axles, realWheelbaseMm: 4000 }), 25)).toEqual({
      beforeMm: 130,
      afterMm: 160,
      wantedMm: 160,
    });
    expect(wheelbaseOf(stretch({ ...axles, atMm: 160 }), 25)).toMatchObject({
      afterMm: 130,
      wantedMm: undefined,
    });
    expect(wheelbaseOf(stretch({ frontAxleMm: 20 }), 25)).toBeUndefined();
  });
});
