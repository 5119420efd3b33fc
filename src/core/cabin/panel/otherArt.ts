import { circleLine, type DrawnPoint, type FlatDrawing } from '../../detail/index.ts';
import { DIAL_INKS } from './dialArt.ts';

/** What is on a face beside its dials. */
export interface OtherArt {
  what: 'switch' | 'lamp' | 'vent' | 'lettering';
  /** The words of a lettering. */
  name: string;
  x: number;
  y: number;
  round: boolean;
  widthMm: number;
  heightMm: number;
}

type Art = Required<Pick<FlatDrawing, 'lines' | 'labels' | 'fills'>>;

/** From slat to slat of a vent, mm, and lines of a switch. */
const SLAT_MM = 0.6;
const LINE_MM = 0.1;
/** Words are so much of the height that they are given, and so wide for each letter. */
const LETTERS = { high: 0.8, wide: 0.62 };

const outlineOf = ({ x, y, round, widthMm, heightMm }: OtherArt): DrawnPoint[] =>
  round
    ? [...circleLine('line', [x, y], widthMm / 2).points]
    : [
        [x - widthMm / 2, y - heightMm / 2],
        [x + widthMm / 2, y - heightMm / 2],
        [x + widthMm / 2, y + heightMm / 2],
        [x - widthMm / 2, y + heightMm / 2],
      ];

/** Half of the width of something at a height below its middle. */
function halfWidth({ round, widthMm, heightMm }: OtherArt, down: number): number {
  if (!round) return widthMm / 2;
  const radius = widthMm / 2;
  return Math.abs(down) >= radius || heightMm <= 0 ? 0 : Math.sqrt(radius ** 2 - down ** 2);
}

const across = (from: DrawnPoint, to: DrawnPoint): FlatDrawing['lines'][number] => ({
  kind: 'thin',
  ink: DIAL_INKS.pale,
  mm: LINE_MM,
  points: [from, to],
});

/** A switch, a warning lamp, a vent with its slats, or words, where it stands on the face. */
export function drawOther(other: OtherArt): Art {
  const { what, name, x, y, widthMm, round } = other;
  const heightMm = round ? widthMm : other.heightMm;
  const edge = {
    kind: 'thin' as const,
    points: outlineOf(other),
    closed: true as const,
    ink: DIAL_INKS.pale,
    mm: LINE_MM,
  };
  switch (what) {
    case 'lettering': {
      const mm = Math.min(LETTERS.high * heightMm, widthMm / (LETTERS.wide * Math.max(1, name.length)));
      return { lines: [], fills: [], labels: [{ at: [x, y], text: name, mm, ink: DIAL_INKS.pale }] };
    }
    case 'lamp':
      return { lines: [edge], labels: [], fills: [{ ring: outlineOf(other), ink: DIAL_INKS.red }] };
    case 'switch':
      return {
        fills: [{ ring: outlineOf(other), ink: DIAL_INKS.ground }],
        labels: [],
        lines: [edge, across([x, y - heightMm / 4], [x, y + heightMm / 4])],
      };
    case 'vent': {
      const slats = Math.max(1, Math.round(heightMm / SLAT_MM) - 1);
      return {
        fills: [{ ring: outlineOf(other), ink: DIAL_INKS.ground }],
        labels: [],
        lines: [
          edge,
          ...Array.from({ length: slats }, (_, at) => {
            const down = heightMm * ((at + 1) / (slats + 1) - 0.5);
            const half = halfWidth({ ...other, heightMm }, down);
            return across([x - half, y + down], [x + half, y + down]);
          }),
        ],
      };
    }
  }
}
