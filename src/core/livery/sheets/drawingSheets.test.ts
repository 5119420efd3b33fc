import { describe, expect, it } from 'vitest';
import svgpath from 'svgpath';
import type { FlatDrawing } from '../../detail/index.ts';
import { newRecord, printingRecord } from '../../kit/index.ts';
import { typeface } from '../../../../tests/typeface.ts';
import { drawingSheets } from './drawingSheets.ts';

const strip: FlatDrawing = {
  id: 'strip',
  width: 150,
  height: 20,
  lines: [
    {
      kind: 'cut',
      closed: true,
      points: [
        [0, 0],
        [150, 0],
        [150, 20],
        [0, 20],
      ],
    },
    {
      kind: 'fold',
      points: [
        [140, 0],
        [140, 20],
      ],
    },
  ],
  labels: [{ at: [75, 10], text: '7', mm: 4 }],
};
const paper = (widthMm: number, heightMm: number) => ({
  ...newRecord(printingRecord),
  id: 'p',
  paper: 'own' as const,
  widthMm,
  heightMm,
});
const box = (d: string) => {
  const xs: number[] = [];
  const ys: number[] = [];
  svgpath(d)
    .abs()
    .iterate(([, ...rest]) => {
      const numbers = rest as unknown as number[];
      if (numbers.length >= 2) {
        xs.push(numbers.at(-2)!);
        ys.push(numbers.at(-1)!);
      }
    });
  return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
};

describe('drawings on sheets', () => {
  it('are as large as they are, folds dashed and cuts full', () => {
    const { pages, tooLarge } = drawingSheets([strip], paper(200, 100), typeface);
    expect(tooLarge).toEqual([]);
    const cut = pages[0]!.paths.find(({ strokeMm }) => strokeMm === 0.15)!;
    expect(box(cut.d)).toEqual([expect.closeTo(150, 3), expect.closeTo(20, 3)]);
    expect(pages[0]!.paths.filter(({ dashMm }) => dashMm !== undefined)).toHaveLength(1);
  });

  it('are turned where that is allowed and needed, with everything in its place', () => {
    const narrow = paper(60, 220);
    expect(drawingSheets([strip], narrow, typeface).tooLarge).toEqual(['strip']);
    const { pages, tooLarge } = drawingSheets([strip], narrow, typeface, { turn: true });
    expect(tooLarge).toEqual([]);
    const [cut, fold] = [0.15, 0.1].map((width) =>
      pages[0]!.paths.find((path) => path.strokeMm === width && (width === 0.15 || path.dashMm))!,
    );
    expect(box(cut!.d)).toEqual([expect.closeTo(20, 3), expect.closeTo(150, 3)]);
    expect(box(fold!.d)).toEqual([expect.closeTo(20, 3), expect.closeTo(0, 3)]);
    // Its label stays in its middle.
    const words = pages[0]!.paths.filter(({ fill }) => fill !== undefined);
    expect(words.length).toBeGreaterThan(1);
  });

  it('come as often as they are wanted', () => {
    const { pages } = drawingSheets([strip], paper(200, 100), typeface, { copies: () => 3 });
    const cuts = pages.flatMap(({ paths }) => paths.filter(({ strokeMm }) => strokeMm === 0.15));
    expect(cuts).toHaveLength(3);
  });
});
