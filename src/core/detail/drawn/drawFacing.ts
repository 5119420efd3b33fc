import { circleLine, framed, type DrawnPoint, type FlatDrawing } from './flatDrawing.ts';

/** A part as its builder knows it again: where its side looks, what marks it, how many holes that side has. */
export interface FacingPart {
  faces: 'front' | 'rear' | 'left' | 'right' | 'up' | 'down';
  mark: 'none' | 'notch' | 'dot' | 'arrow' | 'letter' | 'holes' | 'pin';
  holes: number | null;
}

/** On the paper the front is to the left, so that the left side of the vehicle is below in plan, and up is up. */
const OUTWARD: Readonly<Record<FacingPart['faces'], DrawnPoint>> = {
  front: [-1, 0],
  rear: [1, 0],
  left: [0, 1],
  right: [0, -1],
  up: [0, -1],
  down: [0, 1],
};
const LONG = 20;
const WIDE = 12;
/** More holes than these are told in words only. */
const MOST_HOLES = 12;

/** A part in plan, or from its left side where it is told by what is above or below; the vehicle's front to the left, its
 *  mark at the edge that looks the way that is said. Not to scale. */
export function drawFacing({ faces, mark, holes }: FacingPart): FlatDrawing {
  const isSide = faces === 'up' || faces === 'down';
  const along = faces === 'front' || faces === 'rear';
  const reach = along ? LONG / 2 : WIDE / 2;
  const across = along ? WIDE / 2 : LONG / 2;
  const out = OUTWARD[faces];
  const at = (outward: number, sideways: number): DrawnPoint => [
    out[0] * outward - out[1] * sideways,
    out[1] * outward + out[0] * sideways,
  ];
  const shown = Math.min(holes ?? 0, MOST_HOLES);
  const arrowX = -LONG / 2 - 10;
  return framed(
    {
      id: 'facing',
      lines: [
        {
          kind: 'line',
          closed: true,
          points: [
            [-LONG / 2, -WIDE / 2],
            [LONG / 2, -WIDE / 2],
            [LONG / 2, WIDE / 2],
            [-LONG / 2, WIDE / 2],
          ],
        },
        // The side that is looked for, drawn twice.
        { kind: 'cut', points: [at(reach - 0.6, -across), at(reach - 0.6, across)] },
        ...markLines(mark, at, reach),
        ...Array.from({ length: shown }, (_, hole) =>
          circleLine('line', at(reach - 2.6, ((hole + 1) / (shown + 1) - 0.5) * 2 * across), 0.7),
        ),
        {
          kind: 'thin',
          points: [
            [arrowX + 7, 0],
            [arrowX, 0],
            [arrowX + 2, -1.2],
            [arrowX, 0],
            [arrowX + 2, 1.2],
          ],
        },
      ],
      labels: [
        { at: [arrowX + 3.5, -2.6], text: 'front', mm: 2 },
        { at: [LONG / 2 + 8, 0], text: isSide ? 'from the left' : 'from above', mm: 1.5 },
      ],
    },
    1,
  );
}

function markLines(
  mark: FacingPart['mark'],
  at: (outward: number, sideways: number) => DrawnPoint,
  reach: number,
): FlatDrawing['lines'] {
  const line = (...points: DrawnPoint[]) => ({ kind: 'cut' as const, points });
  switch (mark) {
    case 'notch':
      return [line(at(reach, -1.5), at(reach - 1.8, 0), at(reach, 1.5))];
    case 'dot':
      return [circleLine('cut', at(reach - 1.2, 0), 0.5)];
    case 'arrow':
      return [
        line(at(reach - 5, 0), at(reach - 1, 0)),
        line(at(reach - 2.4, -1.2), at(reach - 1, 0), at(reach - 2.4, 1.2)),
      ];
    case 'letter':
      return [
        line(at(reach - 3, -1), at(reach - 1, 0), at(reach - 3, 1)),
        line(at(reach - 2, -0.5), at(reach - 2, 0.5)),
      ];
    case 'pin':
      return [line(at(reach, -0.6), at(reach + 2, -0.6), at(reach + 2, 0.6), at(reach, 0.6))];
    default:
      return [];
  }
}
