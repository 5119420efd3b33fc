import { regionOf, regionPath, within } from '../geometry/region.ts';
import type { Draw } from './drawing.ts';
import { rectangle } from './plainShapes.ts';

const MOST_STRIPES = 60;

/** Stripes, rows and the like: the number that the lettering says, or the usual one. */
const countIn = (text: string, usual: number): number => {
  const count = Number.parseInt(text, 10);
  return count >= 1 ? Math.min(MOST_STRIPES, count) : usual;
};

export const stripes: Draw = ({ text }, { width, height }) => {
  const count = countIn(text, 2);
  const each = height / (2 * count - 1);
  return {
    shapes: Array.from({ length: count }, (_, at) => rectangle(0, 2 * at * each, width, each)),
    lineMm: each,
  };
};

/** Cells of a grid that a rule fills, as one path. */
function cells(
  { width, height }: { width: number; height: number },
  rows: number,
  isFilled: (row: number, column: number) => boolean,
): { d: string; cellMm: number } {
  const each = height / rows;
  const columns = Math.max(1, Math.min(MOST_COLUMNS, Math.round(width / each)));
  const wide = width / columns;
  const all = Array.from({ length: rows * columns }, (_, at) => {
    const [row, column] = [Math.floor(at / columns), at % columns];
    return isFilled(row, column) ? rectangle(column * wide, row * each, wide, each) : '';
  });
  return { d: all.join(''), cellMm: Math.min(each, wide) };
}
const MOST_COLUMNS = 600;

export const checks: Draw = ({ text }, box) => {
  const { d, cellMm } = cells(box, countIn(text, 2), (row, column) => (row + column) % 2 === 0);
  return { shapes: [d], lineMm: cellMm };
};

/** Height of a tow of carbon cloth that still shows as a weave, mm. */
const TOW_MM = 0.25;

/** Twill of two over, two under: where the weft lies uppermost. */
export const weave: Draw = ({ text }, box) => {
  const rows = countIn(text, Math.max(4, Math.min(MOST_STRIPES, Math.floor(box.height / TOW_MM))));
  const { d, cellMm } = cells(box, rows, (row, column) => (((column - row) % 4) + 4) % 4 < 2);
  return { shapes: [d], lineMm: cellMm };
};

export const warning: Draw = ({ text }, { width, height }) => {
  const count = countIn(text, Math.max(2, Math.round(width / height)));
  const each = (width + height) / (2 * count);
  const body = regionOf([
    [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ],
  ]);
  const bars = Array.from({ length: count + 1 }, (_, at) => {
    const x = 2 * at * each - height;
    return within(
      regionOf([
        [
          [x, height],
          [x + height, 0],
          [x + height + each, 0],
          [x + each, height],
        ],
      ]),
      body,
    );
  });
  return { shapes: bars.map(regionPath), lineMm: each / Math.SQRT2 };
};
