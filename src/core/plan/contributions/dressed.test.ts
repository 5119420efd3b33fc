import { describe, expect, it } from 'vitest';
import { tintTowards } from '../../finish/index.ts';
import { dressingRecord, newRecord, plainPart, tubeTint, type Dressing, type Part } from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { summariseKit } from '../kitSummary.ts';
import { cutList } from './cutList.ts';

const dressing = (more: Partial<Dressing> = {}): Dressing => ({
  ...newRecord(dressingRecord),
  id: 'd',
  name: 'Thing',
  partId: 'A1',
  ...more,
});
const kit = (one: Dressing, part: Partial<Part> = {}) =>
  kitWith({
    parts: [plainPart('A1', { name: 'Something', ...part })],
    dressings: [one],
    finishes: ['Red', 'Black'].map((name) => ({ id: name, name, look: 'gloss' as const, codeId: null })),
  });
const summary = (one: Dressing, part: Partial<Part> = {}, scale = 12) =>
  summariseKit(kit(one, part), [{ id: 't', partIds: ['A1'] }], [], scale);
const tasks = (...given: Parameters<typeof summary>) =>
  summary(...given).tasks.filter(({ kind }) => kind === 'detail' || kind === 'drill');

describe('a fork', () => {
  it('is tinted by the passes that come nearest to its metal, and its spring is wound', () => {
    const fork = dressing({ tubeLook: 'gold-anodised', coils: 12, count: 2 });
    const { passes, name } = tubeTint(fork)!;
    expect([name, passes > 0]).toEqual(['clear yellow', true]);
    const [task, ...more] = tasks(fork);
    expect(more).toEqual([]);
    expect(task).toMatchObject({ kind: 'detail', title: 'Finish 2 × thing' });
    expect(task!.details.join()).toMatch(/dusted passes of clear yellow.*spring: 12 coils of 0\.30 mm/);
    expect(cutList(kit(fork), 12)).toMatchObject([{ wireMm: 0.3, pieces: [{ count: 2 }] }]);
  });

  it('asks for no tint where bright metal is nearer than any', () => {
    expect(tintTowards('chrome').passes).toBe(0);
    expect(tubeTint(dressing({ tubeLook: 'bright' }))).toBeUndefined();
    expect(tasks(dressing())[0]!.details.join()).not.toMatch(/pass|spring/);
    expect(() => tintTowards('unobtainium')).toThrow(RangeError);
  });

  it('with a spring that cannot be wound is left out of the plan, and said', () => {
    const { tasks: all, advice, detail } = summary(dressing({ coils: 80, springLengthMm: 5 }));
    expect(all.filter(({ kind }) => kind === 'detail')).toEqual([]);
    expect(advice.find(({ rule }) => rule === 'detail-wrong')!.why).toMatch(/lie on each other/);
    expect(detail.open).toBe(1);
  });
});

describe('a radiator', () => {
  const zones = ['Red', 'Black'].map((finishId, at) => ({
    id: finishId,
    name: at === 0 ? '' : 'tanks',
    finishId,
    share: at === 0 ? 0.7 : 0.3,
    boundary: 'moulded' as const,
    edgeMm: null,
  }));

  it('is flooded and wiped, longer where it has more colours', () => {
    const core = dressing({ what: 'radiator', finMm: 0.5 });
    const [plain] = tasks(core);
    const [coloured] = tasks(core, { zones });
    expect(plain!.details.join()).toMatch(/flood the fins.*28 fins where the real one has 84/);
    expect(coloured!.details[0]).toBe('colours, the largest first: the rest red, tanks black');
    expect(coloured!.minutes).toBeGreaterThan(plain!.minutes);
    expect(tasks({ ...core, finMm: null })[0]!.details).toHaveLength(1);
  });
});

describe('a strap and a step', () => {
  it('are finished in their two colours', () => {
    const [strap] = tasks(dressing({ what: 'strap', count: 4, bandMm: 1.2, bandLengthMm: 34 }));
    expect(strap).toMatchObject({ title: 'Finish 4 × thing', minutes: 24 });
    expect(strap!.details.join()).toMatch(/bed satin black.*1\.20 mm × 34\.0 mm/);
    expect(tasks(dressing({ what: 'step' }))[0]!.details[0]).toMatch(/every pocket/);
  });
});

describe('a disc', () => {
  const disc = dressing({ what: 'disc', outerMm: 20, innerMm: 8, holes: 24, rows: 2, realHoleMm: 7 });

  it('is drilled while it is bare and washed once it is painted', () => {
    expect(tasks(disc).map(({ kind, title }) => [kind, title])).toEqual([
      ['drill', 'Drill thing'],
      ['detail', 'Finish thing'],
    ]);
    expect(tasks(disc)[0]!.details[0]).toBe(
      '24 holes 0.60 mm on 2 circles, 1.71 mm between them at the thinnest',
    );
  });

  it('is only marked where its holes are too fine at the scale', () => {
    const [only, ...more] = tasks(disc, {}, 43);
    expect(more).toEqual([]);
    expect(only!.details.join()).toMatch(/24 holes are too fine to drill/);
    expect(tasks({ ...disc, holes: 0 })).toHaveLength(1);
  });

  it('whose holes cannot be is said once, and counted once', () => {
    const { advice, detail } = summary({ ...disc, innerMm: 20 });
    expect(advice.filter(({ rule }) => rule === 'detail-wrong')).toHaveLength(1);
    expect(detail.open).toBe(1);
  });
});
