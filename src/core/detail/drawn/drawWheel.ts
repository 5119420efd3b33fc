import type { Lacing, LacedWheel } from '../wheels/lacing.ts';
import { circleLine, crossLines, framed, type DrawnPoint, type FlatDrawing } from './flatDrawing.ts';

/** Words round the rim are so high, mm. */
const NUMBER_MM = 1.6;

/** A jig to lace a wheel on, at exact size, as seen from the right: rim, holes of the hub, every spoke, and its turn in the
 *  order of lacing. Spokes of the far flange are dashed. */
export function drawJig(
  { rimRadius, flangeRadius }: Pick<LacedWheel, 'rimRadius' | 'flangeRadius'>,
  { spokes }: Lacing,
): FlatDrawing {
  const at = (degrees: number, radius: number): DrawnPoint => {
    const turn = (degrees * Math.PI) / 180;
    return [radius * Math.sin(turn), -radius * Math.cos(turn)];
  };
  return framed(
    {
      id: 'jig',
      lines: [
        circleLine('thin', [0, 0], rimRadius),
        circleLine('thin', [0, 0], flangeRadius),
        ...crossLines([0, 0], flangeRadius / 2),
        ...spokes.map(({ flange, hubDeg, rimDeg }) => ({
          kind: flange === 'right' ? ('line' as const) : ('fold' as const),
          points: [at(hubDeg, flangeRadius), at(rimDeg, rimRadius)],
        })),
      ],
      labels: spokes.map(({ rimDeg }, turn) => ({
        at: at(rimDeg, rimRadius + 1.2 * NUMBER_MM),
        text: String(turn + 1),
        mm: NUMBER_MM,
      })),
    },
    2,
  );
}
