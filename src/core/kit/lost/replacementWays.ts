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

const several = (minutes: number, count: number): number => Math.round(minutes * (1 + FURTHER * (count - 1)));

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
  const { count } = replacement;
  const way = (
    id: ReplacementWay,
    minutes: number,
    why: string,
    { days = 0, possible = true }: { days?: number; possible?: boolean } = {},
  ): WayBack => ({ way: id, name: WAY_NAMES[id], minutes, days, possible, why });
  const ways = [
    way('spare', several(MINUTES.spare, count), spareWords(best), { possible: best !== undefined }),
    way('scratch', piece ? several(piece.minutes, count) : 0, pieceWords(replacement), {
      possible: piece !== undefined,
    }),
    way(
      'print',
      several(MINUTES.printed, count) + MINUTES.draw,
      'drawn, printed, washed, cured and sanded; a shape of many curves is best made so',
      { days: POST_DAYS.print },
    ),
    way('other-kit', several(MINUTES.arrived, count), 'a second box, or a part from a club mate', {
      days: POST_DAYS['other-kit'],
    }),
    way('maker', several(MINUTES.arrived, count), 'many send a frame for the postage; say frame and number', {
      days: POST_DAYS.maker,
    }),
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

/** Minutes and lines of the step in which a part comes back, by the way that was decided. */
export function stepBack(
  replacement: Replacement,
): { title: string; minutes: number; lines: string[] } | null {
  const { way, count } = replacement;
  const name = replacement.name.toLowerCase();
  switch (way) {
    case null:
      return null;
    case 'spare':
      return {
        title: `Take ${name} from the spares`,
        minutes: several(MINUTES.spare, count),
        lines: ['hold it to its place and to the sheet', 'scrape old glue and paint off where it is glued'],
      };
    case 'scratch': {
      const { answer, fault } = pieceOf(replacement);
      return answer
        ? { title: `Make ${name}`, minutes: several(answer.minutes, count), lines: [...answer.lines] }
        : { title: `Make ${name}`, minutes: MAKE_MINUTES, lines: [`it cannot be worked out yet: ${fault}`] };
    }
    case 'print':
      return {
        title: `Clean up the printed ${name}`,
        minutes: several(MINUTES.printed, count),
        lines: [
          'uncured resin stings and stays in the skin: gloves and air until it is washed and cured',
          'supports off, layer lines sanded wet, the dust is not to be breathed',
        ],
      };
    default:
      return {
        title: `Clean up the new ${name}`,
        minutes: several(MINUTES.arrived, count),
        lines: ['compare it with the sheet before its gates are cut'],
      };
  }
}

/** Of a part of which nobody knows how it comes back, minutes. */
export const MAKE_MINUTES = 40;

/** Days until a part is there, by the way that was decided. */
export const daysBack = ({ way }: Replacement): number =>
  way === 'maker' || way === 'other-kit' || way === 'print' ? POST_DAYS[way] : 0;
