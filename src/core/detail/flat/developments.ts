/** mm; x to the right, y downward. */
type Point = readonly [number, number];

/** A pattern in the flat: to be cut out, folded and glued. */
export interface FlatPiece {
  name: string;
  /** How many of it are cut. */
  count: number;
  /** To be cut; the lap of the seam is part of it. */
  outline: Point[];
  folds: Point[][];
  /** Where a compass or a circle cutter stands. */
  centres: Point[];
}

export interface Development {
  pieces: FlatPiece[];
  /** Edges that meet when it is made up, each as long on one side as on the other, mm. */
  meets: { what: string; one: number; other: number }[];
}

export interface Sheet {
  /** Of foil, paper or sheet, mm: its middle is what keeps its length when it is bent. */
  thickness: number;
  /** Past the seam, to glue on, mm. */
  lap: number;
}

/** Chords of a curve: within 0.002 mm of it for anything that is built. */
const STEPS = 240;

function requireAbove(what: string, value: number): void {
  if (!(value > 0 && Number.isFinite(value)))
    throw new RangeError(`${what} of ${value} mm cannot be made: give more than 0.`);
}
function requireSheet({ thickness, lap }: Sheet): void {
  if (!(thickness >= 0 && lap >= 0)) throw new RangeError('Thickness and lap are 0 or more.');
}

const rectangle = (width: number, height: number): Point[] => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];
const circle = (radius: number): Point[] =>
  Array.from({ length: STEPS }, (_, at): Point => {
    const turn = (2 * Math.PI * at) / STEPS;
    return [radius + radius * Math.cos(turn), radius + radius * Math.sin(turn)];
  });
const lengthOf = (points: readonly Point[]): number =>
  points.slice(1).reduce((sum, [x, y], at) => sum + Math.hypot(x - points[at]![0], y - points[at]![1]), 0);

const roundOf = (ring: readonly Point[]): number => lengthOf([...ring, ring[0]!]);

/** A tube wrapped in foil or rolled from sheet, and flat ends where it has them. `radius`: of what is wrapped. */
export function cylinder(
  { radius, length, ends }: { radius: number; length: number; ends: boolean },
  sheet: Sheet,
): Development {
  requireAbove('A radius', radius);
  requireAbove('A length', length);
  requireSheet(sheet);
  const round = 2 * Math.PI * (radius + sheet.thickness / 2);
  const lid = radius + sheet.thickness / 2;
  return {
    pieces: [
      {
        name: 'round it',
        count: 1,
        outline: rectangle(round + sheet.lap, length),
        folds:
          sheet.lap > 0
            ? [
                [
                  [round, 0],
                  [round, length],
                ],
              ]
            : [],
        centres: [],
      },
      ...(ends
        ? [{ name: 'end', count: 2, outline: circle(lid), folds: [], centres: [[lid, lid] as Point] }]
        : []),
    ],
    meets: ends ? [{ what: 'wrap and end', one: round, other: roundOf(circle(lid)) }] : [],
  };
}

/** A cone or what is left of one below its tip: part of a ring. */
export function cone(
  { bottom, top, height }: { bottom: number; top: number; height: number },
  sheet: Sheet,
): Development {
  requireAbove('A bottom radius', bottom);
  requireAbove('A height', height);
  requireSheet(sheet);
  if (!(top >= 0 && top < bottom))
    throw new RangeError(
      `A top of ${top} mm is no top: give 0 or more, and less than the bottom of ${bottom} mm.`,
    );
  const half = sheet.thickness / 2;
  const [wide, narrow] = [bottom + half, top + half];
  const slant = Math.hypot(height, wide - narrow);
  const outer = (wide * slant) / (wide - narrow);
  const inner = outer - slant;
  const turn = (2 * Math.PI * wide) / outer;
  const at = (radius: number, angle: number): Point => [
    outer + radius * Math.cos(angle),
    outer + radius * Math.sin(angle),
  ];
  const arc = (radius: number) =>
    Array.from({ length: STEPS + 1 }, (_, step) => at(radius, (turn * step) / STEPS));
  // The lap is laid on beside the last edge, square to it.
  const beside = ([x, y]: Point): Point => [x - sheet.lap * Math.sin(turn), y + sheet.lap * Math.cos(turn)];
  const [outerArc, innerArc] = [arc(outer), arc(inner)];
  return {
    pieces: [
      {
        name: 'round it',
        count: 1,
        outline: [
          ...outerArc,
          ...(sheet.lap > 0 ? [beside(outerArc.at(-1)!), beside(innerArc.at(-1)!)] : []),
          ...[...innerArc].reverse(),
        ],
        folds: sheet.lap > 0 ? [[outerArc.at(-1)!, innerArc.at(-1)!]] : [],
        centres: [[outer, outer]],
      },
    ],
    meets: [
      { what: 'bottom edge and its circle', one: lengthOf(outerArc), other: 2 * Math.PI * wide },
      { what: 'top edge and its circle', one: lengthOf(innerArc), other: 2 * Math.PI * narrow },
    ],
  };
}

/** A tank or box whose long edges are rounded: wrapped once round, the seam in the middle of its underside. */
export function roundedBox(
  { width, height, length, radius }: { width: number; height: number; length: number; radius: number },
  sheet: Sheet,
): Development {
  requireAbove('A width', width);
  requireAbove('A height', height);
  requireAbove('A length', length);
  requireSheet(sheet);
  if (!(radius >= 0 && 2 * radius <= Math.min(width, height)))
    throw new RangeError(`Edges of radius ${radius} mm do not fit ${width} by ${height} mm.`);
  const bend = (Math.PI / 2) * (radius + sheet.thickness / 2);
  const flats = [
    (width - 2 * radius) / 2,
    height - 2 * radius,
    width - 2 * radius,
    height - 2 * radius,
    (width - 2 * radius) / 2,
  ];
  const folds: Point[][] = [];
  let along = 0;
  flats.forEach((flat, at) => {
    along += flat;
    if (at === flats.length - 1) return;
    folds.push([
      [along, 0],
      [along, length],
    ]);
    along += bend;
    folds.push([
      [along, 0],
      [along, length],
    ]);
  });
  if (sheet.lap > 0)
    folds.push([
      [along, 0],
      [along, length],
    ]);
  const half = sheet.thickness / 2;
  const edge = 2 * (width - 2 * radius) + 2 * (height - 2 * radius) + 2 * Math.PI * (radius + half);
  return {
    pieces: [
      { name: 'round it', count: 1, outline: rectangle(along + sheet.lap, length), folds, centres: [] },
    ],
    meets: [{ what: 'wrap and end', one: along, other: edge }],
  };
}

/** A pipe cut off at an angle: `degrees` from square. Two of these make a bend of twice as many. */
export function mitredPipe(
  { radius, length, degrees }: { radius: number; length: number; degrees: number },
  sheet: Sheet,
): Development {
  requireAbove('A radius', radius);
  requireAbove('A length', length);
  requireSheet(sheet);
  const r = radius + sheet.thickness / 2;
  const rise = r * Math.tan((degrees * Math.PI) / 180);
  if (!(degrees >= 0 && degrees < 90) || !(rise < length))
    throw new RangeError(
      `A mitre of ${degrees} degrees does not fit a pipe of ${length} mm: its cut would run off the other end.`,
    );
  const round = 2 * Math.PI * r;
  // The seam lies on the short side, where the cut begins.
  const cut = Array.from({ length: STEPS + 1 }, (_, at): Point => {
    const turn = (2 * Math.PI * at) / STEPS;
    return [(round * at) / STEPS, rise * Math.cos(turn)];
  });
  const top = Math.min(...cut.map(([, y]) => y));
  const edge = cut.map(([x, y]): Point => [x, y - top]);
  const low = length - top;
  const last = edge.at(-1)!;
  return {
    pieces: [
      {
        name: 'round it',
        count: 1,
        outline: [
          ...edge,
          ...(sheet.lap > 0
            ? ([
                [round + sheet.lap, last[1]],
                [round + sheet.lap, low],
              ] as Point[])
            : [[round, low] as Point]),
          [0, low],
        ],
        folds: sheet.lap > 0 ? [[last, [round, low]]] : [],
        centres: [],
      },
    ],
    meets: [
      // The cut is an ellipse: it meets that of the other pipe.
      {
        what: 'cut and its ellipse',
        one: lengthOf(edge),
        other: ellipseLength(r, r / Math.cos((degrees * Math.PI) / 180)),
      },
    ],
  };
}

/** A domed end (a cap of a ball) as petals: `rise` at its middle over a circle. */
export function dome(
  { radius, rise, petals }: { radius: number; rise: number; petals: number },
  sheet: Sheet,
): Development {
  requireAbove('A radius', radius);
  requireAbove('A rise', rise);
  requireSheet(sheet);
  if (!Number.isInteger(petals) || petals < 4 || petals > 48)
    throw new RangeError(`A dome is cut in 4 to 48 petals, not ${petals}.`);
  if (rise > radius) throw new RangeError(`A dome rises by no more than its radius of ${radius} mm.`);
  const ball = (radius * radius + rise * rise) / (2 * rise) + sheet.thickness / 2;
  const whole = Math.asin(Math.min(1, (radius + sheet.thickness / 2) / ball));
  const along = ball * whole;
  const half = (s: number) => (Math.PI * ball * Math.sin(s / ball)) / petals;
  const right = Array.from({ length: STEPS + 1 }, (_, at): Point => {
    const s = (along * at) / STEPS;
    return [half(s), s];
  });
  const widest = right.at(-1)![0];
  const shifted = (points: readonly Point[]) => points.map(([x, y]): Point => [x + widest, y]);
  const left = right.map(([x, y]): Point => [-x, y]);
  return {
    pieces: [
      {
        name: 'petal',
        count: petals,
        outline: shifted([...right, ...[...left].reverse().slice(0, -1)]),
        folds: [],
        centres: [],
      },
    ],
    meets: [
      {
        what: 'petals and the circle of the end',
        one: 2 * petals * widest,
        other: roundOf(circle(radius + sheet.thickness / 2)),
      },
    ],
  };
}

/** A hopper with four walls, wide above and narrow below: its walls side by side, to be folded. */
export function hopper(
  {
    top,
    bottom,
    height,
  }: { top: readonly [number, number]; bottom: readonly [number, number]; height: number },
  sheet: Sheet,
): Development {
  for (const each of [...top, ...bottom]) requireAbove('A side', each);
  requireAbove('A height', height);
  requireSheet(sheet);
  if (top[0] < bottom[0] || top[1] < bottom[1])
    throw new RangeError('A hopper is wider above than below, on both sides.');
  const [inX, inY] = [(top[0] - bottom[0]) / 2, (top[1] - bottom[1]) / 2];
  // A wall is as high as the slope of the side that it faces.
  const walls = [
    { wide: top[0], narrow: bottom[0], high: Math.hypot(height, inY) },
    { wide: top[1], narrow: bottom[1], high: Math.hypot(height, inX) },
  ];
  const edge = Math.hypot(height, inX, inY);
  const pieces = walls.map(({ wide, narrow, high }, at): FlatPiece => {
    const inset = (wide - narrow) / 2;
    return {
      name: at === 0 ? 'long wall' : 'short wall',
      count: 2,
      outline: [
        [0, 0],
        [wide, 0],
        ...(sheet.lap > 0
          ? ([
              [wide + (sheet.lap * high) / edge, (sheet.lap * inset) / edge],
              [wide - inset + (sheet.lap * high) / edge, high + (sheet.lap * inset) / edge],
            ] as Point[])
          : []),
        [wide - inset, high],
        [inset, high],
      ],
      folds:
        sheet.lap > 0
          ? [
              [
                [wide, 0],
                [wide - inset, high],
              ],
            ]
          : [],
      centres: [],
    };
  });
  return {
    pieces,
    meets: walls.map(({ wide, narrow, high }) => ({
      what: 'slanting edge',
      one: Math.hypot(high, (wide - narrow) / 2),
      other: edge,
    })),
  };
}

/** A clip of foil round a hose: once round its middle, and its lap, mm. */
export function clipStrip({
  hoseMm,
  foilMm,
  lapMm,
}: {
  hoseMm: number;
  foilMm: number;
  lapMm: number;
}): number {
  requireAbove('A hose', hoseMm);
  if (!(foilMm >= 0 && lapMm >= 0)) throw new RangeError('Foil and lap are 0 or more.');
  return Math.PI * (hoseMm + foilMm) + lapMm;
}

/** Length of an ellipse by its half axes, within a millionth (Simpson over a quarter). */
function ellipseLength(a: number, b: number): number {
  const steps = 2000;
  const at = (t: number) => Math.hypot(a * Math.sin(t), b * Math.cos(t));
  let sum = at(0) + at(Math.PI / 2);
  for (let step = 1; step < steps; step++)
    sum += (step % 2 === 0 ? 2 : 4) * at((Math.PI / 2) * (step / steps));
  return (4 * sum * (Math.PI / 2)) / (3 * steps);
}
