import { scratchPiece, type ScratchPiece } from '../../detail/index.ts';
import { worked, type Worked } from '../../worked.ts';
import type { Replacement, ReplacementWay } from '../records/index.ts';
import type { SpareFit } from './spareFit.ts';

/** A way in which a part comes back, with what it takes. */
export interface WayBack {
  way: ReplacementWay;
  name: string;
  /** With hands at the bench. */
  minutes: number;
  /** Until it is there. */
  days: number;
  /** Why it is, or is not, a way now. */
  why: string;
  possible: boolean;
}

/** Working values of ours: days of post and minutes of hands. */
const POST_DAYS = { maker: 21, 'other-kit': 14, print: 3 } as const;
const MINUTES = { spare: 12, arrived: 8, draw: 30, printed: 20 } as const;
/** Each further one of the same goes faster. */
const FURTHER = 0.6;

export const WAY_NAMES: Readonly<Record<ReplacementWay, string>> = {
  spare: 'From the spares box',
  maker: 'Ask the maker of the kit',
  'other-kit': 'From another kit',
  scratch: 'Make it from stock',
  print: 'Print it in resin',
};

/** The piece to be made, or why it cannot be. */
export const pieceOf = (replacement: Replacement): Worked<ScratchPiece> =>
  worked(() => scratchPiece(replacement));

/** No step is shorter: things are laid out and put away. */
const LEAST_MINUTES = 5;
const several = (minutes: number, count: number): number =>
  Math.max(LEAST_MINUTES, Math.round(minutes * (1 + FURTHER * (count - 1))));

/** Minutes at the bench by a way; undefined where they cannot be worked out. */
function minutesBack(replacement: Replacement, way: ReplacementWay): number | undefined {
  const { count } = replacement;
  switch (way) {
    case 'spare':
      return several(MINUTES.spare, count);
    case 'scratch': {
      const { answer } = pieceOf(replacement);
      return answer && several(answer.minutes, count);
    }
    case 'print':
      return MINUTES.draw + several(MINUTES.printed, count);
    default:
      return several(MINUTES.arrived, count);
  }
}

const spareWords = (best: SpareFit | undefined): string =>
  best
    ? `${best.spare.name} from ${best.spare.origin || 'the box'}${best.why.length > 0 ? `: ${best.why.join('; ')}` : ''}`
    : 'no spare is of its kind';

function pieceWords(replacement: Replacement): string {
  const { answer, fault } = pieceOf(replacement);
  return answer
    ? answer.blanks
        .map(({ what, form, mm }) => `${what === form ? '' : `${what}: `}${form} ${mm} mm`)
        .join(', ')
    : fault;
}

/** Every way with what it takes, the advised one first: a spare that fits; what is made within an evening; else what is waited for.
 *  `isHardlySeen`: once all is closed; false where that is not known. */
export function waysBack(
  replacement: Replacement,
  fits: readonly SpareFit[],
  isHardlySeen: boolean,
): { ways: WayBack[]; advised: ReplacementWay; because: string } {
  const piece = pieceOf(replacement).answer;
  const best = fits[0];
  const way = (id: ReplacementWay, why: string, possible = true): WayBack => ({
    way: id,
    name: WAY_NAMES[id],
    minutes: minutesBack(replacement, id) ?? 0,
    days: daysOf(id),
    possible,
    why,
  });
  const ways = [
    way('spare', spareWords(best), best !== undefined),
    way('scratch', pieceWords(replacement), piece !== undefined),
    way('print', 'drawn, printed, washed, cured and sanded; a shape of many curves is best made so'),
    way('other-kit', 'a second box, or a part from a club mate'),
    way('maker', 'many send a frame for the postage; say frame and number'),
  ];
  const { advised, because } = advice(best, piece, isHardlySeen);
  return {
    ways: ways.toSorted((p, q) => Number(q.way === advised) - Number(p.way === advised)),
    advised,
    because,
  };
}

function advice(
  best: SpareFit | undefined,
  piece: ScratchPiece | undefined,
  isHardlySeen: boolean,
): { advised: ReplacementWay; because: string } {
  if (best?.verdict === 'fits')
    return { advised: 'spare', because: 'A spare of its kind, side and size lies there.' };
  if (isHardlySeen && piece)
    return {
      advised: 'scratch',
      because: 'It is hardly seen once all is closed: simple and now beats right and late.',
    };
  if (best)
    return { advised: 'spare', because: 'A spare may do: hold it to its place before anything is cut.' };
  if (piece)
    return {
      advised: 'scratch',
      because: 'It is a plain shape, and what it takes is an evening, not weeks of post.',
    };
  return {
    advised: 'maker',
    because: 'Nothing is known of its size: ask for the part, and measure what it joins meanwhile.',
  };
}

/** Of a part of which nobody knows how it comes back, minutes. */
export const MAKE_MINUTES = 40;

/** Title and lines of the step in which a part comes back, by each way. */
const STEPS: Readonly<Record<ReplacementWay, { title: string; lines: readonly string[] }>> = {
  spare: {
    title: 'Take from the spares:',
    lines: ['hold it to its place and to the sheet', 'scrape old glue and paint off where it is glued'],
  },
  scratch: { title: 'Make', lines: [] },
  print: {
    title: 'Draw, print and clean up',
    lines: [
      'uncured resin stings and stays in the skin: gloves and air until it is washed and cured',
      'supports off, layer lines sanded wet, the dust is not to be breathed',
    ],
  },
  'other-kit': { title: 'Clean up the new', lines: ['compare it with the sheet before its gates are cut'] },
  maker: { title: 'Clean up the new', lines: ['compare it with the sheet before its gates are cut'] },
};

/** The step in which a part comes back, by the way that was decided; null while that is open. */
export function stepBack(
  replacement: Replacement,
): { title: string; minutes: number; lines: string[] } | null {
  const { way, name } = replacement;
  if (way === null) return null;
  const { title, lines } = STEPS[way];
  const { answer, fault } = pieceOf(replacement);
  const made = way !== 'scratch' ? [] : answer ? answer.lines : [`it cannot be worked out yet: ${fault}`];
  return {
    title: `${title} ${name.toLowerCase()}`,
    minutes: minutesBack(replacement, way) ?? MAKE_MINUTES,
    lines: [...lines, ...made],
  };
}

const daysOf = (way: ReplacementWay): number =>
  way === 'maker' || way === 'other-kit' || way === 'print' ? POST_DAYS[way] : 0;

/** Days until a part is there, by the way that was decided. */
export const daysBack = ({ way }: Replacement): number => (way === null ? 0 : daysOf(way));
