import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, newRecord, plainPart, runRecord, type Kit, type Showing } from '../../kit/index.ts';
import { seenDetail } from './seenDetail.ts';
import { boxAt, shown, VAN } from './van.ts';

const part = (id: string, name: string, lengthMm: number | null = 12) => ({
  ...plainPart(id),
  name,
  lengthMm,
  areaCm2: null,
});
const run = (id: string, partId: string) => ({
  ...newRecord(runRecord),
  id,
  kind: 'heater-hose' as const,
  fromPartId: partId,
  toPartId: partId === 'a' ? 'c' : 'd',
});
// Of the parts a and c stand at the window, the others behind the closed rear.
const kit = (showing: Partial<Showing> = {}, more: Partial<Kit> = {}): Kit => ({
  ...EMPTY_KIT,
  parts: ['a', 'b', 'c', 'd'].map((id) => part(id, id)),
  views: [VAN],
  partBoxes: [boxAt('a', 40), boxAt('b', 120), boxAt('c', 45), boxAt('d', 125)],
  runs: [run('seen', 'a'), run('hidden', 'b')],
  showings: [shown(showing)],
  ...more,
});

describe('what is worth the time', () => {
  it('is what can be seen; what nobody sees is left, also where there is time', () => {
    const { work, choice } = seenDetail(kit(), 24)!;
    expect(work.map(({ id }) => id)).toEqual(['run seen', 'run hidden']);
    expect(work[0]!.share).toBeGreaterThan(0.05);
    expect(work[1]!.share).toBeLessThan(0.02);
    expect(choice.chosen).toEqual(['run seen']);
    expect(choice.proved).toBe(true);
  });

  it('counts as the builder weighs it', () => {
    const both = { runs: [run('seen', 'a'), { ...run('other', 'a'), kind: 'fuel-pipe' as const }] };
    const minutes = Math.max(...seenDetail(kit({}, both), 24)!.work.map((each) => each.minutes));
    for (const id of ['run seen', 'run other']) {
      const { choice } = seenDetail(kit({ minutes, weights: [{ workId: id, times: 9 }] }, both), 24)!;
      expect(choice.chosen).toEqual([id]);
    }
    const none = kit({ minutes: 500, weights: [{ workId: 'run seen', times: 0 }] }, both);
    expect(seenDetail(none, 24)!.choice.chosen).toEqual(['run other']);
  });

  it('of a model without a shell is told from its parts alone, as they hide each other', () => {
    const bare = kit({ shell: 'none' }, { views: [] });
    const open = seenDetail(bare, 24)!;
    expect(open.size).toEqual({ lengthMm: 129, widthMm: 8, heightMm: 24 });
    expect(open.unknownViews).toEqual([]);
    expect(open.shares.every(({ share }) => share > 0.5)).toBe(true);
    // A case round it hides what stood free.
    const cased = { ...boxAt('c', 40), lengthMm: 12, widthMm: 12, heightMm: 12 };
    const hidden = seenDetail({ ...bare, partBoxes: [boxAt('a', 40), cased] }, 24)!;
    expect(hidden.shares.find(({ id }) => id === 'a')!.share).toBeLessThan(0.01);
    // Nothing is guessed of it, and nothing claimed where no part is placed.
    expect(hidden.unknown.sort()).toEqual(['b', 'd']);
    expect(seenDetail({ ...bare, partBoxes: [] }, 24)).toBeNull();
  });

  it('is less with less time, and what is done for its own sake comes off it first', () => {
    const minutes = seenDetail(kit(), 24)!.work[0]!.minutes;
    expect(seenDetail(kit({ minutes: minutes - 1 }), 24)!.choice.chosen).toEqual([]);
    expect(seenDetail(kit({ minutes }), 24)!.choice.chosen).toEqual(['run seen']);
    expect(seenDetail(kit({ minutes, pleasure: ['run hidden'] }), 24)!.choice.chosen).toEqual([]);
  });

  it('is not claimed of what has no known place, nor without a side to look through', () => {
    const { work, unknown, choice } = seenDetail(kit({}, { partBoxes: [] }), 24)!;
    expect(work.map(({ share }) => share)).toEqual([null, null]);
    expect(unknown).toHaveLength(4);
    expect(choice.chosen).toEqual([]);
    expect(seenDetail(kit({}, { views: [] }), 24)).toBeNull();
  });

  it('guesses a place from what a part is, and says so', () => {
    const parts = [
      part('e', 'Engine block'),
      part('s', 'Seat, front'),
      part('m', 'Door mirror'),
      part('x', 'Gearbox', null),
    ];
    const { placed, outside, unknown } = seenDetail(
      kit({}, { parts, partBoxes: [boxAt('s', 30)], runs: [] }),
      24,
    )!;
    expect(placed.map(({ partId, guessed }) => [partId, guessed])).toEqual([
      ['e', true],
      ['s', false],
    ]);
    expect(placed[0]!.behindMm).toBeLessThan(60);
    expect(outside).toEqual(['m']);
    expect(unknown).toEqual(['x']);
  });

  it('lets no part hide another that is only guessed to be there', () => {
    const parts = [part('t', 'Tub', 90), part('s', 'Seat, front', 20)];
    const roofless = { openFromMm: 0, openToMm: 160 };
    const share = (more: Partial<Kit>) =>
      seenDetail(kit(roofless, { parts, runs: [], ...more }), 24)!.shares.find(({ id }) => id === 's')!.share;
    const alone = share({ partBoxes: [] });
    expect(alone).toBeGreaterThan(0.2);
    // A block over it, said to be there, does.
    const lid = { ...boxAt('t', 90), upMm: 39, lengthMm: 120, widthMm: 60, heightMm: 1 };
    expect(share({ partBoxes: [lid] })).toBeLessThan(0.5 * alone);
  });

  it('passes over a part in which an eye would stand, and says which', () => {
    const huge = { ...boxAt('b', 0), lengthMm: 2000, widthMm: 2000, heightMm: 2000 };
    const { inside, shares } = seenDetail(kit({}, { partBoxes: [boxAt('a', 40), huge] }), 24)!;
    expect(inside).toEqual(['b']);
    expect(shares.map(({ id }) => id)).toEqual(['a']);
  });
});
