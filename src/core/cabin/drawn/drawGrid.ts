import { framed, type DrawnPoint, type FlatDrawing } from '../../detail/index.ts';

const STEP_MM = 5;
const NUMBER_MM = 1.8;

/** A grid at exact size to stand behind the model: upright lines every 5 mm to both sides of the middle, level lines every 5 mm over
 *  the bench, numbered from both. Throws RangeError for a size that is none. */
export function drawGrid(widthMm: number, heightMm: number): FlatDrawing {
  if (!(widthMm > 0) || !(heightMm > 0))
    throw new RangeError('A grid has a width and a height: more than 0 mm.');
  const across = Math.ceil(widthMm / 2 / STEP_MM);
  const up = Math.ceil(heightMm / STEP_MM);
  const line = (kind: 'cut' | 'line' | 'thin', from: DrawnPoint, to: DrawnPoint) => ({
    kind,
    points: [from, to],
  });
  const [right, top] = [across * STEP_MM, -up * STEP_MM];
  return framed(
    {
      id: 'grid',
      lines: [
        ...Array.from({ length: 2 * across + 1 }, (_, at) => {
          const x = (at - across) * STEP_MM;
          return line(x === 0 ? 'cut' : 'thin', [x, 0], [x, top]);
        }),
        ...Array.from({ length: up + 1 }, (_, at) =>
          line(at === 0 ? 'cut' : 'thin', [-right, -at * STEP_MM], [right, -at * STEP_MM]),
        ),
      ],
      labels: Array.from({ length: up }, (_, at) => at + 1).flatMap((at) =>
        [-1, 1].map((side) => ({
          at: [side * (right + 2.5), -at * STEP_MM] as DrawnPoint,
          text: String(at * STEP_MM),
          mm: NUMBER_MM,
        })),
      ),
    },
    1,
  );
}
