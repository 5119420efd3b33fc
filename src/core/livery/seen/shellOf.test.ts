import { describe, expect, it } from 'vitest';
import { visibleShare } from '../../detail/index.ts';
import { newRecord, viewRecord, type LiveryView } from '../../kit/index.ts';
import { shellOf, spanBetween } from './shellOf.ts';

const view = (more: Partial<LiveryView>): LiveryView => ({
  ...newRecord(viewRecord),
  id: 'v',
  name: 'v',
  ...more,
});
// A van, 160 long and 40 high; its window in the front half, 10 to 30 high.
const van = view({
  side: 'left',
  outline: 'M0 0H160V40H0Z',
  openings: [{ id: 'w', name: 'window', path: 'M20 10H60V30H20Z' }],
});
const open = { openPartIds: new Set<string>(), glass: 1, widthMm: 60 };
const box = (x: number, more: { z?: number } = {}) => ({
  id: 'engine',
  min: [x - 5, -5, (more.z ?? 20) - 5] as const,
  max: [x + 5, 5, (more.z ?? 20) + 5] as const,
});
const share = (
  views: LiveryView[],
  at: readonly [number, number, number],
  x: number,
  how: Parameters<typeof shellOf>[1] = open,
) =>
  visibleShare(
    { panels: shellOf(views, how)!.panels, parts: [box(x)], viewers: [{ at, weight: 1 }] },
    { rays: 400, seed: 3 },
  ).parts[0]!.share;

describe('the span of rings', () => {
  const slope = [
    [
      [0, 0],
      [10, 0],
      [10, 20],
    ],
  ] as const;
  it('is what lies between two places, edges cut where they cross', () => {
    expect(spanBetween(slope, 4, 6)).toEqual([0, 12]);
    expect(spanBetween(slope, 10, 12)).toEqual([0, 20]);
    expect(spanBetween(slope, 11, 12)).toBeUndefined();
  });
});

describe('a shell from views', () => {
  it('hides what is behind its sides, and shows what stands at its window', () => {
    const beside = [-40, 400, 20] as const;
    expect(share([van], beside, -40)).toBeCloseTo(1, 6);
    expect(share([van], [-120, 400, 20], -120)).toBe(0);
    // From the front and from above it is closed.
    expect(share([van], [400, 0, 20], -40)).toBe(0);
    expect(share([van], [-40, 0, 400], -40)).toBe(0);
    // Both sides have it.
    expect(share([van], [-40, -400, 20], -40)).toBeCloseTo(1, 6);
  });

  it('has its front where the view has it, from either side', () => {
    const right = {
      ...van,
      side: 'right' as const,
      openings: [{ id: 'w', name: 'w', path: 'M100 10H140V30H100Z' }],
    };
    expect(share([right], [-40, 400, 20], -40)).toBeCloseTo(1, 6);
    expect(share([right], [-120, 400, 20], -120)).toBe(0);
  });

  it('lets as much through as its glass does, and all where a lid stands open', () => {
    expect(share([van], [-40, 400, 20], -40, { ...open, glass: 0.6 })).toBeCloseTo(0.6, 6);
    const top = view({
      side: 'top',
      outline: 'M0 0H160V60H0Z',
      regions: [{ id: 'r', partId: 'lid', path: 'M90 5H150V55H90Z' }],
    });
    const above = [-120, 0, 400] as const;
    expect(share([van, top], above, -120)).toBe(0);
    expect(share([van, top], above, -120, { ...open, openPartIds: new Set(['lid']) })).toBeCloseTo(1, 6);
  });

  it('is looked into from above where it has no roof, and there alone', () => {
    const roofless = { ...open, open: [90, 150] as const };
    expect(share([van], [-120, 0, 400], -120, roofless)).toBeCloseTo(1, 6);
    expect(share([van], [-40, 0, 400], -40, roofless)).toBe(0);
  });

  it('steps down with its outline: nothing stands in the air above a low front', () => {
    const pickup = view({ side: 'left', outline: 'M0 20H80V0H160V40H0Z' });
    const { panels, size } = shellOf([pickup], open)!;
    expect(size).toEqual({ lengthMm: 160, widthMm: 60, heightMm: 40 });
    const overFront = panels.filter(({ axis, from }) => axis === 'y' && from[0] >= -80);
    expect(Math.max(...overFront.map(({ to }) => to[1]))).toBe(20);
    expect(panels.filter(({ axis }) => axis === 'x').map(({ at }) => at)).toEqual([0, -80, -160]);
  });

  it('says what no view shows, and is none without a side', () => {
    expect(shellOf([van], { ...open, widthMm: null })).toMatchObject({
      size: { widthMm: 64 },
      unknown: ['top', 'width'],
    });
    expect(shellOf([view({ side: 'top', outline: 'M0 0H9V9H0Z' })], open)).toBeUndefined();
    expect(shellOf([view({ side: 'left', outline: '' })], open)).toBeUndefined();
  });
});
