import type { FlatDrawing } from '../../detail/index.ts';

/** The face of a dial: its scale from one value to another over a sweep, clockwise from the foot. */
export interface DialArt {
  /** Of what is seen of it, mm. */
  diameterMm: number;
  from: number;
  to: number;
  /** From one numeral to the next, and lines between two of them. */
  step: number;
  between: number;
  /** Where it begins, degrees clockwise from straight down, and how far it goes. */
  startDeg: number;
  sweepDeg: number;
  /** What it shows; null for no needle. */
  needle: number | null;
  /** From here to the end it is red; null for none. */
  redFrom: number | null;
  /** Such as "km/h". */
  unit: string;
}

type Ink = 'pale' | 'red' | 'needle';
export const DIAL_INKS: Readonly<Record<Ink | 'ground', string>> = {
  ground: '#101010',
  pale: '#f2f0e6',
  red: '#d03020',
  needle: '#f0a030',
};
/** Lines finer than these are lost by a printer, mm; so are figures. */
const LEAST_LINE_MM = 0.05;
const LEAST_FIGURE_MM = 0.35;
const MOST_MARKS = 400;
/** A figure is so many times as wide as it is high. */
const WIDE_TIMES = 0.75;
const figureOf = (value: number): string => String(Math.round(100 * value) / 100);

/** A dial at scale, its middle at 0, and what of it is too fine to be printed. Throws RangeError for a scale that runs nowhere. */
export function drawDial({
  diameterMm,
  from,
  to,
  step,
  between,
  startDeg,
  sweepDeg,
  needle,
  redFrom,
  unit,
}: DialArt): Required<Pick<FlatDrawing, 'lines' | 'labels' | 'fills'>> & { tooFine: string[] } {
  if (!(diameterMm > 0)) throw new RangeError(`A dial of ${diameterMm} mm is none: give more than 0.`);
  if (!(to > from))
    throw new RangeError(`A scale from ${from} to ${to} runs nowhere: its end is to be the larger.`);
  if (!(step > 0) || (to - from) / step > MOST_MARKS)
    throw new RangeError(`Steps of ${step} from ${from} to ${to} cannot be drawn: give larger ones.`);
  const radius = diameterMm / 2;
  const turnOf = (value: number) => ((startDeg + (sweepDeg * (value - from)) / (to - from)) * Math.PI) / 180;
  // Clockwise from straight down, y downward.
  const at = (value: number, share: number): [number, number] => [
    -radius * share * Math.sin(turnOf(value)),
    radius * share * Math.cos(turnOf(value)),
  ];
  const isRed = (value: number) => redFrom !== null && value >= redFrom - 1e-9;
  const inkAt = (value: number) => DIAL_INKS[isRed(value) ? 'red' : 'pale'];
  const mark = (value: number, inner: number, ink = inkAt(value)) => ({
    kind: 'line' as const,
    points: [at(value, inner), at(value, 0.92)],
    ink,
    mm: Math.max(LEAST_LINE_MM, 0.02 * diameterMm),
  });
  const count = Math.floor((to - from) / step + 1e-9);
  const majors = Array.from({ length: count + 1 }, (_, each) => from + step * each);
  const minors = majors
    .slice(0, -1)
    .flatMap((value) =>
      Array.from({ length: between }, (_, each) => value + (step * (each + 1)) / (between + 1)),
    );
  // As high as they may be, and no wider than there is room from one to the next.
  const longest = Math.max(...majors.map((value) => figureOf(value).length));
  const room = 0.58 * radius * Math.abs((sweepDeg * step) / (to - from)) * (Math.PI / 180);
  const figureMm = Math.min(0.13 * diameterMm, (0.85 * room) / (WIDE_TIMES * longest));
  const tooFine = [
    ...(figureMm < LEAST_FIGURE_MM ? [`figures of ${figureMm.toFixed(2)} mm`] : []),
    ...(minors.length > 0 && 0.02 * diameterMm < LEAST_LINE_MM ? ['lines between figures'] : []),
  ];
  const isReadable = figureMm >= LEAST_FIGURE_MM;
  return {
    fills: [{ ring: circle(radius), ink: DIAL_INKS.ground }],
    lines: [
      ...majors.map((value) => mark(value, 0.76)),
      ...(isReadable ? minors.map((value) => mark(value, 0.84)) : []),
      ...(needle === null ? [] : [mark(Math.min(to, Math.max(from, needle)), 0, DIAL_INKS.needle)]),
    ],
    labels: isReadable
      ? [
          ...majors.map((value) => ({
            at: at(value, 0.58),
            text: figureOf(value),
            mm: figureMm,
            ink: inkAt(value),
          })),
          ...(unit === ''
            ? []
            : [
                {
                  at: [0, -0.25 * radius] as [number, number],
                  text: unit,
                  mm: 0.8 * figureMm,
                  ink: DIAL_INKS.pale,
                },
              ]),
        ]
      : [],
    tooFine,
  };
}

const circle = (radius: number): [number, number][] =>
  Array.from({ length: 72 }, (_, each) => {
    const turn = (2 * Math.PI * each) / 72;
    return [radius * Math.cos(turn), radius * Math.sin(turn)];
  });
