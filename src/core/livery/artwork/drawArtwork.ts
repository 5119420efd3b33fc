import type { Artwork, Marking } from '../../kit/index.ts';
import { regionOf, ringsOf, within } from '../geometry/region.ts';
import { mirroredPath } from '../views/startingOutlines.ts';
import { textOutline, type Typeface } from './textOutline.ts';

/** A filled path, mm from the upper left corner of the artwork; holes run the other way round. */
export interface DrawnShape {
  d: string;
  fill: string;
}

export interface DrawnArtwork {
  shapes: DrawnShape[];
  /** What is too fine to print, in words; empty where nothing is. */
  tooFine: string[];
}

/** Below these a printer's dots show, mm. */
export const FINEST = { letter: 0.7, line: 0.1 } as const;
const INK = '#111111';
const MOST_STRIPES = 60;

type Box = Pick<Marking, 'width' | 'height' | 'round' | 'mirrored'>;

/** Draws the artwork of a marking in its size. `scale`: denominator of the model's scale, to say at which one it would be
 *  coarse enough. */
export function drawArtwork(artwork: Artwork, box: Box, font: Typeface, scale: number): DrawnArtwork {
  const ink = artwork.ink || INK;
  const { shapes, letterMm, lineMm } = DRAW[artwork.kind](artwork, box, font);
  const coarseAt = (mm: number, least: number) => Math.floor((scale * mm) / least);
  return {
    shapes: [
      ...(artwork.ground && artwork.kind !== 'none' ? [{ d: outlineOf(box), fill: artwork.ground }] : []),
      ...shapes.map((d) => ({ d: box.mirrored ? mirroredPath(d, box.width) : d, fill: ink })),
    ].filter(({ d }) => d !== ''),
    tooFine: [
      ...(letterMm !== undefined && letterMm > 0 && letterMm < FINEST.letter
        ? [
            `letters of ${letterMm.toFixed(2)} mm: ${FINEST.letter} mm is the least; at 1:${coarseAt(letterMm, FINEST.letter)} they would be`,
          ]
        : []),
      ...(letterMm === 0 ? ['no letters: write what it says'] : []),
      ...(lineMm !== undefined && lineMm < FINEST.line
        ? [
            `lines of ${lineMm.toFixed(2)} mm: ${FINEST.line} mm is the least; at 1:${coarseAt(lineMm, FINEST.line)} they would be`,
          ]
        : []),
    ],
  };
}

interface Drawing {
  shapes: string[];
  /** Height of its capitals and width of its thinnest line, mm; absent where it has none. */
  letterMm?: number;
  lineMm?: number;
}

const rectangle = (x: number, y: number, width: number, height: number) =>
  `M${x} ${y}h${width}v${height}h${-width}Z`;
/** The same the other way round: a hole. */
const hole = (x: number, y: number, width: number, height: number) =>
  `M${x} ${y}v${height}h${width}v${-height}Z`;
/** What a marking covers: a rectangle or an ellipse. */
export const outlineOf = ({ width, height, round }: Omit<Box, 'mirrored'>) =>
  round
    ? `M0 ${height / 2}a${width / 2} ${height / 2} 0 0 1 ${width} 0a${width / 2} ${height / 2} 0 0 1 ${-width} 0Z`
    : rectangle(0, 0, width, height);

/** Stripes, rows and the like: the number that the lettering says, or the usual one. */
const countIn = (text: string, usual: number): number => {
  const count = Number.parseInt(text, 10);
  return count >= 1 ? Math.min(MOST_STRIPES, count) : usual;
};

const DRAW: Readonly<Record<Artwork['kind'], (artwork: Artwork, box: Box, font: Typeface) => Drawing>> = {
  none: () => ({ shapes: [] }),
  lettering({ text, archMm }, { width, height }, font) {
    const tall = Math.max(height / 4, height - Math.abs(archMm));
    // Along an arch the heads of the letters spread.
    const spread = 2 * tall * Math.sin(Math.min(Math.PI / 2, (4 * Math.max(0, archMm)) / width));
    const { d, capitalMm } = textOutline(font, text, {
      x: width / 2,
      y: height / 2,
      width: Math.max(width / 4, width - spread),
      height: tall,
      arch: archMm,
    });
    return { shapes: [d], letterMm: capitalMm };
  },
  roundel({ text }, { width, height }, font) {
    const { d, capitalMm } = textOutline(font, text, {
      x: width / 2,
      y: height / 2,
      width: 0.72 * width,
      height: 0.56 * height,
    });
    return { shapes: [d], letterMm: capitalMm };
  },
  plate({ text }, { width, height }, font) {
    const rim = 0.05 * height;
    const lines = text.split('/').map((line) => line.trim());
    const tall = (height - 4 * rim) / lines.length;
    const drawn = lines.map((line, at) =>
      textOutline(font, line, {
        x: width / 2,
        y: 2 * rim + (at + 0.5) * tall,
        width: width - 6 * rim,
        height: 0.8 * tall,
      }),
    );
    return {
      shapes: [
        rectangle(rim / 2, rim / 2, width - rim, height - rim) +
          hole(1.2 * rim, 1.2 * rim, width - 2.4 * rim, height - 2.4 * rim),
        ...drawn.map(({ d }) => d),
      ],
      letterMm: Math.min(...drawn.map(({ capitalMm }) => capitalMm)),
      lineMm: 0.7 * rim,
    };
  },
  stripes({ text }, { width, height }) {
    const count = countIn(text, 2);
    const each = height / (2 * count - 1);
    return {
      shapes: Array.from({ length: count }, (_, at) => rectangle(0, 2 * at * each, width, each)),
      lineMm: each,
    };
  },
  checks({ text }, { width, height }) {
    const rows = countIn(text, 2);
    const each = height / rows;
    const columns = Math.max(1, Math.round(width / each));
    const wide = width / columns;
    return {
      shapes: [
        Array.from({ length: rows * columns }, (_, at) => {
          const [row, column] = [Math.floor(at / columns), at % columns];
          return (row + column) % 2 === 0 ? rectangle(column * wide, row * each, wide, each) : '';
        }).join(''),
      ],
      lineMm: Math.min(each, wide),
    };
  },
  warning({ text }, { width, height }) {
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
    return {
      shapes: bars.map((bar) =>
        ringsOf(bar)
          .map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join('L')}Z`)
          .join(''),
      ),
      lineMm: each / Math.SQRT2,
    };
  },
  label({ text }, { width, height }, font) {
    const { d, capitalMm } = textOutline(font, text, {
      x: width / 2,
      y: height / 2,
      width: 0.94 * width,
      height: 0.7 * height,
    });
    return { shapes: [d], letterMm: capitalMm };
  },
};
