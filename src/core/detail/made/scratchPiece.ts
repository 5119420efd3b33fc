import { drillFor } from '../drills.ts';
import { nearestStock, type NearestStock } from '../scale/stockSizes.ts';

/** Simple shapes in which most small parts can be made anew. */
export const PIECE_SHAPES = ['rod', 'tube', 'tip', 'disc', 'cap', 'plate'] as const;
export type PieceShape = (typeof PIECE_SHAPES)[number];

/** A part to be made from stock, mm. What a shape does not ask for is passed over. */
export interface PieceQuestion {
  shape: PieceShape;
  /** Along it, or along the longer side of a plate; of a cap, its stub. */
  lengthMm: number;
  /** Diameter, or the shorter side of a plate. */
  widthMm: number;
  /** Thickness of a disc, a rim or a plate. */
  heightMm: number;
  /** Of a tube. */
  wallMm: number;
  /** Hole in a disc, holes in a plate, the stub of a cap; 0 for none. */
  holeMm: number;
  holes: number;
  /** Corners of a plate. */
  radiusMm: number;
  /** How a tip is cut: degrees from square. */
  degrees: number;
}

export type PieceSize = Exclude<keyof PieceQuestion, 'shape'>;

/** What each shape is called and asks for. */
export const PIECE_FACTS: Readonly<
  Record<PieceShape, { name: string; asks: Partial<Record<PieceSize, string>> }>
> = {
  rod: { name: 'Rod, pin, handle', asks: { widthMm: 'Diameter, mm', lengthMm: 'Length, mm' } },
  tube: { name: 'Tube', asks: { widthMm: 'Outside, mm', wallMm: 'Wall, mm', lengthMm: 'Length, mm' } },
  tip: {
    name: 'Exhaust tip, cut at a slant',
    asks: {
      widthMm: 'Outside, mm',
      wallMm: 'Wall, mm',
      lengthMm: 'Length of the long side, mm',
      degrees: 'Cut, degrees from square',
    },
  },
  disc: {
    name: 'Disc, washer',
    asks: { widthMm: 'Outside, mm', heightMm: 'Thickness, mm', holeMm: 'Hole, mm; 0 for none' },
  },
  cap: {
    name: 'Cap: a rim on a stub',
    asks: {
      widthMm: 'Rim, mm',
      heightMm: 'Thickness of the rim, mm',
      holeMm: 'Stub, mm',
      lengthMm: 'Length of the stub, mm',
    },
  },
  plate: {
    name: 'Plate, bracket, flap',
    asks: {
      lengthMm: 'Long side, mm',
      widthMm: 'Short side, mm',
      heightMm: 'Thickness, mm',
      radiusMm: 'Corners, mm',
      holes: 'Holes in a row',
      holeMm: 'Holes, mm',
    },
  },
};

export interface Blank extends NearestStock {
  what: string;
  /** To cut, mm; the longer side where it is cut from sheet. */
  lengthMm: number;
}

export interface ScratchPiece {
  blanks: Blank[];
  /** In order. */
  lines: string[];
  /** For one of it. */
  minutes: number;
}

/** Working values of ours, minutes. */
const MINUTES = { blank: 4, bore: 5, punch: 3, circle: 6, edge: 3, hole: 2, corner: 2, slant: 6, join: 4 };
/** Punches of a set for sheet, mm. */
const PUNCHES = [0.5, 0.8, 1, 1.2, 1.5, 2, 2.5, 3, 3.5, 4, 5, 6];
/** Thinner than this a bored wall breaks, mm. */
const LEAST_WALL = 0.1;
/** Sheet thicker than this is not punched, mm. */
const PUNCHED_MM = 0.8;

const must = (holds: boolean, words: string): void => {
  if (!holds) throw new RangeError(words);
};
const mm = (value: number): string => String(Math.round(100 * value) / 100);

function roundFromSheet(
  question: PieceQuestion,
  what: string,
): Pick<ScratchPiece, 'blanks' | 'lines' | 'minutes'> {
  const sheet = nearestStock(question.heightMm, 'sheet');
  const punch = PUNCHES.find((size) => Math.abs(size - question.widthMm) <= 0.05 * question.widthMm);
  const isPunched = punch !== undefined && sheet.mm <= PUNCHED_MM;
  return {
    blanks: [{ ...sheet, what, lengthMm: question.widthMm }],
    lines: [
      isPunched
        ? `punch it with ${mm(punch)} mm from ${sheet.mm} mm sheet, on end grain or thick card`
        : `scribe a circle of ${mm(question.widthMm)} mm on ${sheet.mm} mm sheet, cut it wide, turn it true in a motor tool`,
    ],
    minutes: isPunched ? MINUTES.punch : MINUTES.circle,
  };
}

const SHAPED: Readonly<Record<PieceShape, (question: PieceQuestion) => ScratchPiece>> = {
  rod({ widthMm, lengthMm }) {
    const rod = nearestStock(widthMm, 'rod');
    return {
      blanks: [{ ...rod, what: 'rod', lengthMm }],
      lines: [`roll ${rod.mm} mm rod under a blade, ${mm(lengthMm)} mm long, and square both ends`],
      minutes: MINUTES.blank,
    };
  },
  tube({ widthMm, wallMm, lengthMm }) {
    must(widthMm - 2 * wallMm > 0.2, `A wall of ${mm(wallMm)} mm leaves no bore in ${mm(widthMm)} mm.`);
    must(
      wallMm >= LEAST_WALL,
      `A wall below ${LEAST_WALL} mm breaks when it is bored: foil around a rod looks like it.`,
    );
    const tube = nearestStock(widthMm, 'tube');
    const bore = drillFor(widthMm - 2 * wallMm);
    return {
      blanks: [{ ...tube, what: 'tube', lengthMm }],
      lines: [
        `roll ${tube.mm} mm tube under a blade, ${mm(lengthMm)} mm long, and square both ends`,
        bore === undefined
          ? `open its bore to ${mm(widthMm - 2 * wallMm)} mm with a round file`
          : `open its bore to ${bore} mm, by hand and in steps`,
      ],
      minutes: MINUTES.blank + MINUTES.bore,
    };
  },
  tip(question) {
    const { degrees, widthMm, lengthMm } = question;
    const short = lengthMm - widthMm * Math.tan((degrees * Math.PI) / 180);
    must(
      short > 0,
      `Cut at ${mm(degrees)}° a tip of ${mm(widthMm)} mm needs to be longer than ${mm(lengthMm - short)} mm.`,
    );
    const plain = SHAPED.tube(question);
    return degrees === 0
      ? plain
      : {
          ...plain,
          lines: [
            ...plain.lines,
            `wrap the template around it and saw along its curve: ${mm(lengthMm)} mm on the long side, ${mm(short)} mm on the short one`,
          ],
          minutes: plain.minutes + MINUTES.slant,
        };
  },
  disc(question) {
    must(question.holeMm < question.widthMm, 'The hole is no smaller than the disc.');
    const disc = roundFromSheet(question, 'sheet');
    return question.holeMm === 0
      ? disc
      : {
          ...disc,
          lines: [`drill or punch the hole first: ${mm(question.holeMm)} mm`, ...disc.lines],
          minutes: disc.minutes + MINUTES.hole,
        };
  },
  cap(question) {
    must(
      question.holeMm > 0 && question.lengthMm > 0,
      'A cap stands on a stub: give its diameter and length, or take a disc.',
    );
    must(question.holeMm <= question.widthMm, 'The stub is wider than the rim.');
    const rim = roundFromSheet(question, 'rim');
    const stub = nearestStock(question.holeMm, 'rod');
    return {
      blanks: [...rim.blanks, { ...stub, what: 'stub', lengthMm: question.lengthMm }],
      lines: [
        ...rim.lines,
        `${stub.mm} mm rod as its stub, ${mm(question.lengthMm)} mm long, glued on in its middle while both lie flat`,
      ],
      minutes: rim.minutes + MINUTES.blank + MINUTES.join,
    };
  },
  plate({ lengthMm, widthMm, heightMm, radiusMm, holes, holeMm }) {
    must(2 * radiusMm <= Math.min(lengthMm, widthMm), 'The corners are rounder than the plate is wide.');
    must(
      holes === 0 || (holeMm > 0 && holeMm < widthMm && holes * holeMm < lengthMm),
      'The holes have no room on the plate.',
    );
    const sheet = nearestStock(heightMm, 'sheet');
    return {
      blanks: [{ ...sheet, what: 'sheet', lengthMm: Math.max(lengthMm, widthMm) }],
      lines: [
        `stick the template on ${sheet.mm} mm sheet and cut it along a steel rule`,
        ...(holes > 0
          ? [`drill ${holes === 1 ? 'the hole' : `${holes} holes`} of ${mm(holeMm)} mm before it is cut out`]
          : []),
        ...(radiusMm > 0 ? [`round its corners to ${mm(radiusMm)} mm`] : []),
        'true its edges on a flat file',
      ],
      minutes:
        MINUTES.blank + 4 * MINUTES.edge + holes * MINUTES.hole + (radiusMm > 0 ? 4 * MINUTES.corner : 0),
    };
  },
};

/** From which stock a part is made, how, and in how long. Throws RangeError, in a builder's words, for one that cannot be. */
export function scratchPiece(question: PieceQuestion): ScratchPiece {
  for (const key of Object.keys(PIECE_FACTS[question.shape].asks) as PieceSize[])
    if (key === 'lengthMm' || key === 'widthMm' || key === 'heightMm')
      must(
        question[key] > 0,
        `${PIECE_FACTS[question.shape].asks[key]!.replace(', mm', '')} is not known yet.`,
      );
  return SHAPED[question.shape](question);
}
