import { circleLine, crossLines, framed, type DrawnPoint, type FlatDrawing } from '../../detail/index.ts';
import { DIAL_INKS, drawDial, type DialArt } from '../panel/dialArt.ts';
import { drawOther, type OtherArt } from '../panel/otherArt.ts';
import type { PanelFace, PanelOpening } from '../panel/openings.ts';
import type { OverlayPlan } from '../panel/planOverlay.ts';

const NUMBER_MM = 1.1;
/** Points on a rounded corner. */
const ARC = 8;

/** The outline of a face with its rounded corners. */
function outline({ widthMm, heightMm, cornerMm }: PanelFace): DrawnPoint[] {
  const corner = Math.min(cornerMm, widthMm / 2, heightMm / 2);
  const middles: [number, number, number][] = [
    [widthMm - corner, corner, -90],
    [widthMm - corner, heightMm - corner, 0],
    [corner, heightMm - corner, 90],
    [corner, corner, 180],
  ];
  return middles.flatMap(([x, y, from]) =>
    Array.from({ length: corner > 0 ? ARC + 1 : 1 }, (_, at): DrawnPoint => {
      const turn = ((from + (90 * at) / ARC) * Math.PI) / 180;
      return [x + corner * Math.cos(turn), y + corner * Math.sin(turn)];
    }),
  );
}

const rectangle = ({ x, y, widthMm, heightMm }: PanelOpening): DrawnPoint[] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([across, down]): DrawnPoint => [x + (across! * widthMm) / 2, y + (down! * heightMm) / 2]);

/** The template of an overlay at exact size: to be glued onto the sheet, pricked at every cross, and scraped off. Numbers are the
 *  order in which it is opened. */
export function drawTemplate(
  face: PanelFace,
  openings: readonly PanelOpening[],
  { holes }: Pick<OverlayPlan, 'holes'>,
): FlatDrawing {
  const turn = new Map(holes.map(({ id }, at) => [id, at + 1]));
  return framed(
    {
      id: 'template',
      lines: [
        { kind: 'cut', points: outline(face), closed: true },
        ...openings.flatMap((opening) => {
          const middle: DrawnPoint = [opening.x, opening.y];
          const reach = Math.min(opening.widthMm, opening.heightMm) / 2;
          return [
            opening.round
              ? circleLine('line', middle, opening.widthMm / 2)
              : { kind: 'line' as const, points: rectangle(opening), closed: true as const },
            ...crossLines(middle, reach),
          ];
        }),
      ],
      // Beside the cross, where it lies in no line.
      labels: openings.map(({ id, x, y, widthMm, heightMm }) => ({
        at: [x + widthMm / 5, y - heightMm / 5],
        text: String(turn.get(id) ?? ''),
        mm: Math.min(NUMBER_MM, 0.28 * heightMm),
      })),
    },
    1,
  );
}

/** A dial with its place on the face. */
export interface PlacedDial extends DialArt {
  x: number;
  y: number;
}

/** The artwork of a panel at exact size: its ground, each dial in its place, and what else is on it. */
export function drawFace(
  face: PanelFace,
  dials: readonly PlacedDial[],
  others: readonly OtherArt[] = [],
): FlatDrawing {
  const beside = others.map(drawOther);
  const drawn = dials.map((dial) => ({ dial, art: drawDial(dial) }));
  const moved =
    ({ x, y }: PlacedDial) =>
    ([px, py]: DrawnPoint): DrawnPoint => [px + x, py + y];
  return framed(
    {
      id: 'face',
      fills: [
        { ring: outline(face), ink: DIAL_INKS.ground },
        ...drawn.flatMap(({ dial, art }) =>
          art.fills.map(({ ring, ink }) => ({ ring: ring.map(moved(dial)), ink })),
        ),
        ...beside.flatMap(({ fills }) => fills),
      ],
      lines: [
        ...drawn.flatMap(({ dial, art }) =>
          art.lines.map((line) => ({ ...line, points: line.points.map(moved(dial)) })),
        ),
        ...beside.flatMap(({ lines }) => lines),
      ],
      labels: [
        ...drawn.flatMap(({ dial, art }) =>
          art.labels.map((label) => ({ ...label, at: moved(dial)(label.at) })),
        ),
        ...beside.flatMap(({ labels }) => labels),
      ],
    },
    0.5,
  );
}
