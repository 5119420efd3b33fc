import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { packingFaults } from './packingFaults.ts';
import { packSheets, type SheetItem, type SheetQuestion } from './packSheets.ts';

const A4 = { width: 210, height: 297, margin: 8 };
const item = (id: string, width: number, height: number, more: Partial<SheetItem> = {}): SheetItem => ({
  id,
  width,
  height,
  count: 1,
  turn: false,
  ...more,
});

/** Items drawn at random, none larger than half a sheet, until they fill a share of some sheets. */
function drawn(seed: number, sheets: number, share: number, most: number): SheetQuestion {
  const random = seededRandom(seed);
  const gap = random() < 0.5 ? 0 : 3 * random();
  const room = (A4.width - 2 * A4.margin + gap) * (A4.height - 2 * A4.margin + gap);
  const items: SheetItem[] = [];
  let area = 0;
  for (let at = 0; ; at++) {
    const [width, height] = [4 + random() * most, 4 + random() * most];
    const count = 1 + Math.floor(random() * 4);
    const more = count * (width + gap) * (height + gap);
    if (area + more > share * sheets * room) break;
    area += more;
    items.push(item(`i${at}`, width, height, { count, turn: random() < 0.5 }));
  }
  return { sheet: A4, gap, items };
}

describe('packing onto sheets', () => {
  it('keeps every rectangle within the margin, apart, once, and turned only where it may be', () => {
    for (let seed = 1; seed <= 16; seed++) {
      const question = drawn(seed, 1 + (seed % 3), 0.6 + (seed % 5) / 10, 20 + 6 * seed);
      const packing = packSheets(question);
      expect(packingFaults(question, packing), `seed ${seed}`).toEqual([]);
      expect(packing.sheets.length).toBeGreaterThanOrEqual(packing.leastSheets);
    }
  });

  it('takes no more sheets than must be where they are filled to 85 percent', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const question = drawn(100 + seed, 1 + (seed % 4), 0.85, seed % 2 ? 60 : 100);
      const { sheets, leastSheets } = packSheets(question);
      expect(sheets.length, `seed ${seed}`).toBe(leastSheets);
    }
  });

  it('proves by sides what area does not: three squares over half a side want three sheets', () => {
    const sheet = { width: 100, height: 100, margin: 0 };
    const { sheets, leastSheets } = packSheets({
      sheet,
      gap: 0,
      items: [item('square', 51, 51, { count: 3, turn: true })],
    });
    expect([sheets.length, leastSheets]).toEqual([3, 3]);
    // Two and two side by side are possible, so one sheet is the least for four of half a side.
    expect(packSheets({ sheet, gap: 0, items: [item('square', 50, 50, { count: 4 })] }).leastSheets).toBe(1);
  });

  it('is as good as trying everything on a strip', () => {
    // Of one height all that counts is which widths share a sheet: tried by every assignment.
    const sheet = { width: 100, height: 10, margin: 0 };
    for (let seed = 1; seed <= 12; seed++) {
      const random = seededRandom(seed);
      const widths = Array.from({ length: 6 }, () => 15 + Math.floor(random() * 60));
      const fewest = (at: number, rooms: number[]): number => {
        if (at === widths.length) return rooms.length;
        const tried = rooms.flatMap((room, index) =>
          room >= widths[at]!
            ? [
                fewest(
                  at + 1,
                  rooms.map((each, other) => (other === index ? each - widths[at]! : each)),
                ),
              ]
            : [],
        );
        return Math.min(...tried, fewest(at + 1, [...rooms, 100 - widths[at]!]));
      };
      const { sheets } = packSheets({
        sheet,
        gap: 0,
        items: widths.map((width, at) => item(`w${at}`, width, 10)),
      });
      expect(sheets.length, `seed ${seed}`).toBe(fewest(0, []));
    }
  });

  it('lays what is left on the last sheet low', () => {
    const { sheets } = packSheets({
      sheet: { width: 100, height: 200, margin: 0 },
      gap: 0,
      items: [item('bar', 40, 5, { count: 4, turn: true })],
    });
    expect(sheets).toHaveLength(1);
    expect(sheets[0]!.usedHeight).toBeCloseTo(10);
  });

  it('names what is wrong', () => {
    const of =
      (items: SheetItem[], sheet = A4, gap = 2) =>
      () =>
        packSheets({ sheet, gap, items });
    expect(of([item('door letters', 250, 20)])).toThrow('“door letters”, 250 by 20 mm, fits no sheet');
    expect(of([item('door letters', 250, 20, { turn: true })])).not.toThrow();
    expect(of([item('roundel', 0, 10)])).toThrow('“roundel” is 0 by 10 mm');
    expect(of([item('roundel', 10, 10, { count: -1 })])).toThrow('wanted -1 times');
    expect(of([item('roundel', 10, 10)], { ...A4, margin: 110 })).toThrow('leaves nothing');
    expect(of([item('roundel', 10, 10)], { ...A4, width: 0 })).toThrow('0 by 297 mm');
    expect(of([], A4)()).toEqual({ sheets: [], leastSheets: 0 });
  });

  it('gives the same answer twice', () => {
    const question = drawn(7, 2, 0.8, 70);
    expect(packSheets(question)).toEqual(packSheets(question));
  });
});
