import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { STOCK_SIZES } from '../scale/stockSizes.ts';
import { drawPiece } from '../drawn/drawPiece.ts';
import { PIECE_SHAPES, scratchPiece, type PieceQuestion } from './scratchPiece.ts';

const piece = (more: Partial<PieceQuestion>): PieceQuestion => ({
  shape: 'rod',
  lengthMm: 10,
  widthMm: 2,
  heightMm: 0.5,
  wallMm: 0.25,
  holeMm: 0,
  holes: 0,
  radiusMm: 0,
  degrees: 0,
  ...more,
});

describe('a part made from stock', () => {
  it('is cut from what is sold, nearest to its size', () => {
    expect(scratchPiece(piece({ widthMm: 1.6 })).blanks).toMatchObject([
      { form: 'rod', mm: 1.5, lengthMm: 10 },
    ]);
    const tube = scratchPiece(piece({ shape: 'tube', widthMm: 2 }));
    expect(tube.blanks).toMatchObject([{ form: 'tube', mm: 2 }]);
    expect(tube.lines.join()).toContain('1.5 mm');
    expect(scratchPiece(piece({ shape: 'disc', widthMm: 3 })).lines.join()).toMatch(
      /punch it with 3 mm from 0.5 mm sheet/,
    );
    expect(scratchPiece(piece({ shape: 'disc', widthMm: 14, heightMm: 1 })).lines.join()).toMatch(
      /scribe a circle of 14 mm/,
    );
    expect(scratchPiece(piece({ shape: 'cap', widthMm: 4, holeMm: 2, lengthMm: 3 })).blanks).toHaveLength(2);
  });

  it.each([
    ['a wall that leaves no bore', piece({ shape: 'tube', widthMm: 1, wallMm: 0.5 }), /leaves no bore/],
    ['a wall that breaks', piece({ shape: 'tube', wallMm: 0.05 }), /breaks when it is bored/],
    [
      'a slant longer than the tip',
      piece({ shape: 'tip', lengthMm: 2, widthMm: 4, degrees: 45 }),
      /longer than 4 mm/,
    ],
    ['a hole as wide as its disc', piece({ shape: 'disc', holeMm: 2 }), /no smaller than the disc/],
    ['a stub wider than its rim', piece({ shape: 'cap', holeMm: 5 }), /wider than the rim/],
    ['corners rounder than the plate', piece({ shape: 'plate', widthMm: 4, radiusMm: 3 }), /rounder than/],
    ['holes without room', piece({ shape: 'plate', widthMm: 4, holes: 6, holeMm: 2 }), /no room/],
    ['a length that nobody knows', piece({ lengthMm: 0 }), /Length is not known yet/],
  ])('is refused with %s', (_, question, words) => {
    expect(() => scratchPiece(question)).toThrow(words);
    expect(() => scratchPiece(question)).toThrow(RangeError);
  });

  it('of any sizes is made of stock there is, in minutes above zero, or refused in words', () => {
    const random = seededRandom(3);
    let made = 0;
    for (let turn = 0; turn < 800; turn++) {
      const question = piece({
        shape: PIECE_SHAPES[Math.floor(random() * PIECE_SHAPES.length)],
        lengthMm: 20 * random(),
        widthMm: 8 * random(),
        heightMm: 2 * random(),
        wallMm: random(),
        holeMm: random() < 0.5 ? 0 : 4 * random(),
        holes: Math.floor(4 * random()),
        radiusMm: 2 * random(),
        degrees: 60 * random(),
      });
      try {
        const { blanks, minutes, lines } = scratchPiece(question);
        made++;
        expect(minutes).toBeGreaterThan(0);
        expect(lines.length).toBeGreaterThan(0);
        for (const { form, mm } of blanks) expect(STOCK_SIZES[form] as readonly number[]).toContain(mm);
        const drawing = drawPiece(question);
        for (const { points } of drawing?.lines ?? [])
          for (const [x, y] of points) {
            expect(x).toBeGreaterThanOrEqual(-1e-6);
            expect(x).toBeLessThanOrEqual(drawing!.width + 1e-6);
            expect(y).toBeGreaterThanOrEqual(-1e-6);
            expect(y).toBeLessThanOrEqual(drawing!.height + 1e-6);
          }
      } catch (error) {
        expect(error).toBeInstanceOf(RangeError);
        expect((error as Error).message).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
    expect(made).toBeGreaterThan(200);
  });
});

describe('the template', () => {
  it('of a slant wraps once around and rolls up to a plane cut', () => {
    const question = piece({ shape: 'tip', widthMm: 4, lengthMm: 12, degrees: 35 });
    const { lines } = drawPiece(question)!;
    const points = lines[0]!.points.slice(1, -2);
    const [left, right] = [points[0]![0], points.at(-1)![0]];
    expect(right - left).toBeCloseTo(Math.PI * 4, 6);
    const foot = lines[0]!.points[0]![1];
    // Rolled up, every point of the edge lies on one plane through the tube: height falls with the distance across.
    for (const [x, y] of points) {
      const turn = (2 * (x - left)) / 4;
      const across = 2 * (1 - Math.cos(turn));
      expect(foot - y).toBeCloseTo(12 - across * Math.tan((35 * Math.PI) / 180), 6);
    }
  });

  it('of a plate is as large as the plate, with its holes within', () => {
    const { width, height, lines } = drawPiece(
      piece({ shape: 'plate', lengthMm: 20, widthMm: 8, radiusMm: 2, holes: 3, holeMm: 1 }),
    )!;
    expect([width, height]).toEqual([22, 10]);
    expect(lines.filter(({ kind, closed }) => kind === 'line' && closed)).toHaveLength(3);
  });

  it('is none for what is cut to a length alone', () => {
    expect(drawPiece(piece({}))).toBeNull();
    expect(drawPiece(piece({ shape: 'tip' }))).toBeNull();
  });
});
