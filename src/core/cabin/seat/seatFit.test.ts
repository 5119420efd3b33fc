import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { seatFit, seatsDiffer, type SeatQuestion } from './seatFit.ts';

const seat = (more: Partial<SeatQuestion> = {}): SeatQuestion => ({
  heightMm: 12,
  rakeDeg: 20,
  reachMm: null,
  baseMm: 20,
  roofMm: null,
  wheelMm: null,
  sillMm: null,
  wantedHeightMm: null,
  wantedRakeDeg: null,
  scale: 24,
  ...more,
});

describe('a seat among roof, wheel and sill', () => {
  it('by hand: 900 mm upright under a roof, 150 mm of thigh under the wheel', () => {
    const { bounds, broken, packMm, headMm } = seatFit(
      seat({ rakeDeg: 0, roofMm: 50, wheelMm: 20, sillMm: 16 }),
    );
    expect(bounds.map(({ by, mm }) => [by, Number(mm.toFixed(4))])).toEqual([
      ['roof', Number((50 - 925 / 24).toFixed(4))],
      ['wheel', 13.75],
      ['sill', 11],
    ]);
    expect(broken.map(({ by }) => by)).toEqual(['roof']);
    // It comes down as far as the roof asks, 0.54 mm, and has 25 mm over the head.
    expect(packMm).toBeCloseTo(50 - 925 / 24 - 12, 9);
    expect(headMm).toBeCloseTo(25, 9);
  });

  it('names the two that contradict, and gives no height', () => {
    const { clash, packMm, range } = seatFit(seat({ wheelMm: 14, sillMm: 16 }));
    expect(clash?.map(({ by }) => by)).toEqual(['sill', 'wheel']);
    expect([packMm, range]).toEqual([undefined, undefined]);
    // A roof lower than any head.
    expect(seatFit(seat({ roofMm: 20 })).clash?.map(({ by }) => by)).toEqual(['roof', 'roof']);
  });

  it('takes the height that is wanted where it fits, else the nearest', () => {
    expect(seatFit(seat({ wantedHeightMm: 13 }))).toMatchObject({ packMm: 1, isBounded: false });
    const bounded = seatFit(seat({ wantedHeightMm: 15, wheelMm: 20 }));
    expect(bounded.packMm).toBeCloseTo(1.75, 9);
    expect(bounded.isBounded).toBe(true);
  });

  it('never breaks a bound once packed, whatever is measured', () => {
    const random = seededRandom(3);
    const maybe = (from: number, to: number) => (random() < 0.3 ? null : from + (to - from) * random());
    for (let round = 0; round < 300; round++) {
      const question = seat({
        heightMm: 4 + 16 * random(),
        rakeDeg: maybe(0, 30),
        roofMm: maybe(35, 60),
        wheelMm: maybe(12, 26),
        sillMm: maybe(6, 24),
        wantedHeightMm: maybe(5, 20),
      });
      const { packMm } = seatFit(question);
      if (packMm === undefined) continue;
      const height = question.heightMm + packMm;
      const after = seatFit({ ...question, heightMm: height, wantedHeightMm: null });
      expect(after.broken).toEqual([]);
      expect(after.packMm).toBe(0);
    }
  });

  it('wedges it to a rake and moves it into reach', () => {
    expect(seatFit(seat({ wantedRakeDeg: 25 })).wedgeMm).toBeCloseTo(20 * Math.tan(Math.PI / 36), 9);
    expect(seatFit(seat({ wantedRakeDeg: 15 })).wedgeMm).toBeLessThan(0);
    // What nobody measured is not known.
    expect(seatFit(seat({ rakeDeg: null, wantedRakeDeg: 15 })).wedgeMm).toBeUndefined();
    expect(seatFit(seat({ reachMm: 30 })).moveMm).toBeCloseTo(5, 9);
    expect(seatFit(seat({ reachMm: 20 })).moveMm).toBe(0);
    expect(seatFit(seat({ reachMm: 10 })).moveMm).toBeCloseTo(10 - 380 / 24, 9);
    expect(seatFit(seat()).moveMm).toBeUndefined();
  });

  it('refuses what is no measure', () => {
    expect(() => seatFit(seat({ heightMm: 0 }))).toThrow(/height and a base/);
    expect(() => seatFit(seat({ baseMm: -1 }))).toThrow(RangeError);
  });
});

describe('a pair of seats', () => {
  it('differs where it is seen, in what is measured of both', () => {
    const one = seat({ reachMm: 20 });
    expect(seatsDiffer(one, one)).toEqual([]);
    expect(seatsDiffer(one, seat({ heightMm: 12.2, reachMm: 20 }))).toEqual([]);
    expect(seatsDiffer(one, seat({ heightMm: 12.5, rakeDeg: 24 })).map(({ what }) => what)).toEqual([
      'height',
      'rake',
    ]);
  });
});
