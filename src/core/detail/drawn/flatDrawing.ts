/** mm; x to the right, y downward. */
export type DrawnPoint = readonly [number, number];

/** cut: to be cut along; fold: to be folded or bent; line: what is built; thin: what it is built on or measured by. */
export type LineKind = 'cut' | 'fold' | 'line' | 'thin';

/** A drawing of lines and words that is shown, saved and printed. */
export interface FlatDrawing {
  id: string;
  width: number;
  height: number;
  /** In an ink and so wide where they are part of a picture, such as the face of a dial. */
  lines: { kind: LineKind; points: readonly DrawnPoint[]; closed?: true; ink?: string; mm?: number }[];
  /** Words with their middle at a place, capitals so high. */
  labels: { at: DrawnPoint; text: string; mm: number; ink?: string }[];
  /** Areas of an ink beneath all lines, the lowest first. */
  fills?: { ring: readonly DrawnPoint[]; ink: string }[];
}

/** A circle as a closed line. */
export const circleLine = (
  kind: LineKind,
  [x, y]: DrawnPoint,
  radius: number,
): FlatDrawing['lines'][number] => ({
  kind,
  closed: true,
  points: Array.from({ length: 72 }, (_, at): DrawnPoint => {
    const turn = (2 * Math.PI * at) / 72;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
  }),
});

/** The cross of a centre. */
export const crossLines = ([x, y]: DrawnPoint, reach: number): FlatDrawing['lines'] => [
  {
    kind: 'thin',
    points: [
      [x - reach, y],
      [x + reach, y],
    ],
  },
  {
    kind: 'thin',
    points: [
      [x, y - reach],
      [x, y + reach],
    ],
  },
];

/** A drawing moved so that all of it lies within its width and height, with so much free around it, mm. */
export function framed(drawing: Omit<FlatDrawing, 'width' | 'height'>, free: number): FlatDrawing {
  const points = [
    ...drawing.lines.flatMap((line) => line.points),
    ...(drawing.fills ?? []).flatMap(({ ring }) => ring),
    ...drawing.labels.flatMap(({ at: [x, y], mm, text }): DrawnPoint[] => {
      const half = 0.35 * mm * text.length;
      return [
        [x - half, y - mm / 2],
        [x + half, y + mm / 2],
      ];
    }),
  ];
  const bounds = points.reduce<readonly [number, number, number, number]>(
    ([left, top, right, bottom], [x, y]) => [
      Math.min(left, x),
      Math.min(top, y),
      Math.max(right, x),
      Math.max(bottom, y),
    ],
    [Infinity, Infinity, -Infinity, -Infinity],
  );
  const moved = ([x, y]: DrawnPoint): DrawnPoint => [x - bounds[0] + free, y - bounds[1] + free];
  return {
    id: drawing.id,
    width: bounds[2] - bounds[0] + 2 * free,
    height: bounds[3] - bounds[1] + 2 * free,
    lines: drawing.lines.map((line) => ({ ...line, points: line.points.map(moved) })),
    labels: drawing.labels.map((label) => ({ ...label, at: moved(label.at) })),
    ...(drawing.fills
      ? { fills: drawing.fills.map(({ ring, ink }) => ({ ring: ring.map(moved), ink })) }
      : {}),
  };
}
