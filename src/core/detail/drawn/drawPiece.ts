import type { PieceQuestion } from '../made/scratchPiece.ts';
import { circleLine, crossLines, framed, type DrawnPoint, type FlatDrawing } from './flatDrawing.ts';

const FREE = 1;
const WRAP_STEPS = 48;
const CORNER_STEPS = 8;
/** The paper of a wrap lies over itself by so much, mm. */
const WRAP_LAP = 1.5;

function roundedCorners(length: number, width: number, radius: number): DrawnPoint[] {
  if (radius <= 0)
    return [
      [0, 0],
      [length, 0],
      [length, width],
      [0, width],
    ];
  const middles: [number, number][] = [
    [length - radius, radius],
    [length - radius, width - radius],
    [radius, width - radius],
    [radius, radius],
  ];
  return middles.flatMap(([x, y], corner) =>
    Array.from({ length: CORNER_STEPS + 1 }, (_, at): DrawnPoint => {
      const turn = (Math.PI / 2) * (corner - 1 + at / CORNER_STEPS);
      return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
    }),
  );
}

/** The template of a part that is cut to a line; null for what is cut to a length alone. */
export function drawPiece({
  shape,
  lengthMm,
  widthMm,
  holeMm,
  holes,
  radiusMm,
  degrees,
}: PieceQuestion): FlatDrawing | null {
  const id = 'template';
  switch (shape) {
    case 'plate':
      return framed(
        {
          id,
          lines: [
            { kind: 'cut', closed: true, points: roundedCorners(lengthMm, widthMm, radiusMm) },
            ...Array.from({ length: holes }, (_, at): DrawnPoint => [
              (lengthMm * (at + 0.5)) / holes,
              widthMm / 2,
            ]).flatMap((middle) => [
              circleLine('line', middle, holeMm / 2),
              ...crossLines(middle, holeMm / 2 + 0.5),
            ]),
          ],
          labels: [],
        },
        FREE,
      );
    case 'disc':
    case 'cap':
      return framed(
        {
          id,
          lines: [
            circleLine('cut', [0, 0], widthMm / 2),
            ...(holeMm > 0 ? [circleLine(shape === 'disc' ? 'cut' : 'thin', [0, 0], holeMm / 2)] : []),
            ...crossLines([0, 0], widthMm / 4),
          ],
          labels: [],
        },
        FREE,
      );
    case 'tip': {
      if (degrees === 0) return null;
      const round = Math.PI * widthMm;
      const rise = (widthMm / 2) * Math.tan((degrees * Math.PI) / 180);
      // Around the tube the slant is a wave: long side where the paper meets itself.
      const along = (x: number): number => lengthMm - rise * (1 - Math.cos((2 * Math.PI * x) / round));
      const wave = Array.from({ length: WRAP_STEPS + 1 }, (_, at): DrawnPoint => {
        const x = (round * at) / WRAP_STEPS;
        return [x, -along(x)];
      });
      return framed(
        {
          id,
          lines: [
            {
              kind: 'cut',
              closed: true,
              points: [[0, 0], ...wave, [round + WRAP_LAP, -along(0)], [round + WRAP_LAP, 0]],
            },
            {
              kind: 'fold',
              points: [
                [round, 0],
                [round, -along(0)],
              ],
            },
          ],
          labels: [],
        },
        FREE,
      );
    }
    default:
      return null;
  }
}
