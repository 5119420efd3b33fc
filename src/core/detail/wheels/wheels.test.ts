import { describe, expect, it } from 'vitest';
import { chainFor } from './chain.ts';
import { laceWheel, type LacedWheel } from './lacing.ts';

const wheel = (more: Partial<LacedWheel> = {}): LacedWheel => ({
  rimRadius: 300,
  flangeRadius: 29,
  offset: 35,
  spokes: 36,
  crosses: 3,
  ...more,
});

describe('a laced wheel', () => {
  it('has spokes as long as a worked example says', () => {
    // 36 spokes, three cross: 60 degrees. sqrt(300^2 + 29^2 + 35^2 - 2 * 300 * 29 * cos 60).
    expect(laceWheel(wheel()).spokeMm).toBeCloseTo(288.73, 2);
    // Radial: rim less hub, and the offset across.
    expect(laceWheel(wheel({ crosses: 0, offset: 0 })).spokeMm).toBeCloseTo(271, 9);
  });

  it('takes every hole of hub and rim once, each spoke as long as between its holes', () => {
    for (const spokes of [20, 32, 36, 40])
      for (const crosses of [0, 1, 2, 3]) {
        if (crosses >= spokes / 8 + 1) continue;
        const of = wheel({ spokes, crosses, rimRadius: 18, flangeRadius: 3, offset: 2 });
        const { spokes: laced, spokeMm } = laceWheel(of);
        expect(laced).toHaveLength(spokes);
        const distinct = (degrees: number[]) => new Set(degrees.map((each) => Math.round(each * 100))).size;
        expect(distinct(laced.map(({ rimDeg }) => rimDeg))).toBe(spokes);
        expect(distinct(laced.map(({ hubDeg }) => hubDeg))).toBe(spokes);
        for (const { hubDeg, rimDeg } of laced) {
          const at = (radius: number, degrees: number) =>
            [
              radius * Math.cos((degrees * Math.PI) / 180),
              radius * Math.sin((degrees * Math.PI) / 180),
            ] as const;
          const [[hx, hy], [rx, ry]] = [at(3, hubDeg), at(18, rimDeg)];
          expect(Math.hypot(rx - hx, ry - hy, 2)).toBeCloseTo(spokeMm, 9);
        }
      }
  });

  it('is laced with those that lean back first, so that the others cross over them', () => {
    const leans = laceWheel(wheel()).spokes.map((spoke) => spoke.leans);
    expect(leans.lastIndexOf('back')).toBeLessThan(leans.indexOf('forward'));
    expect(laceWheel(wheel()).wireMm).toBeGreaterThan(36 * 288);
  });

  it('refuses what cannot be laced', () => {
    expect(() => laceWheel(wheel({ flangeRadius: 0 }))).toThrow('above zero');
    expect(() => laceWheel(wheel({ rimRadius: 20 }))).toThrow('larger than the hub');
    expect(() => laceWheel(wheel({ spokes: 35 }))).toThrow('multiple of four');
    expect(() => laceWheel(wheel({ crosses: 9 }))).toThrow('cross 9 others');
    expect(() => laceWheel(wheel({ offset: -1 }))).toThrow('give 0 or more');
  });
});

describe('a chain', () => {
  it('has as many links as the usual formula says', () => {
    // L = 2C/p + (t1 + t2)/2 + p (t2 - t1)^2 / (4 pi^2 C), a good approximation.
    for (const [teeth, centres] of [
      [[18, 46], 560],
      [[15, 15], 200],
      [[11, 40], 420],
    ] as const) {
      const usual =
        (2 * centres) / 15.875 +
        (teeth[0] + teeth[1]) / 2 +
        (15.875 * (teeth[1] - teeth[0]) ** 2) / (4 * Math.PI ** 2 * centres);
      const { exactLinks, links } = chainFor({ pitchMm: 15.875, teeth, centresMm: centres });
      expect(exactLinks).toBeCloseTo(usual, 1);
      expect(links % 2).toBe(0);
      expect(links).toBeGreaterThanOrEqual(exactLinks);
      expect(links - exactLinks).toBeLessThan(2);
    }
  });

  it('hangs by what it is too long, and lies tight where its axles are moved', () => {
    const drive = { pitchMm: 0.66, teeth: [18, 46] as const, centresMm: 24 };
    const { tightCentresMm, sagMm } = chainFor(drive);
    expect(sagMm).toBeGreaterThan(0);
    const tight = chainFor({ ...drive, centresMm: tightCentresMm });
    expect(tight.exactLinks).toBeCloseTo(tight.links, 6);
    expect(tight.sagMm).toBeLessThan(0.01);
    // Equal sprockets: both runs straight, so the links are twice the centres and one round.
    expect(chainFor({ pitchMm: 1, teeth: [12, 12], centresMm: 20 })).toMatchObject({
      links: 52,
      exactLinks: 52,
    });
  });

  it('refuses what cannot run', () => {
    const of = (more: object) => () => chainFor({ pitchMm: 1, teeth: [12, 30], centresMm: 20, ...more });
    expect(of({ pitchMm: 0 })).toThrow('pitch of 0');
    expect(of({ teeth: [12, 3] })).toThrow('not 3');
    expect(of({ centresMm: 6 })).toThrow('the sprockets touch');
    expect(of({ centresMm: Number.NaN })).toThrow('the sprockets touch');
  });
});
