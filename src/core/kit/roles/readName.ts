import { wordsOf } from '../../words.ts';
import { THINGS, type Thing } from './things.ts';

export type Side = 'left' | 'right';
export type End = 'front' | 'rear';
export type Level = 'upper' | 'lower' | 'inner' | 'outer';

/** What a part's name says. */
export interface ReadName {
  thing: Thing | null;
  /** How surely the name means that thing, 0..1. */
  confidence: number;
  side: Side | null;
  end: End | null;
  level: Level | null;
  /** Said to be one of two halves. */
  half: boolean;
  /** The name without side, end, half and number: twins share it. */
  stem: string;
}

const SIDES: Readonly<Record<string, Side>> = {
  left: 'left',
  lh: 'left',
  l: 'left',
  port: 'left',
  nearside: 'left',
  ns: 'left',
  right: 'right',
  rh: 'right',
  r: 'right',
  starboard: 'right',
  offside: 'right',
  os: 'right',
};
const ENDS: Readonly<Record<string, End>> = {
  front: 'front',
  fr: 'front',
  fwd: 'front',
  forward: 'front',
  fore: 'front',
  rear: 'rear',
  rr: 'rear',
  back: 'rear',
  aft: 'rear',
};
const LEVELS: Readonly<Record<string, Level>> = {
  upper: 'upper',
  top: 'upper',
  lower: 'lower',
  bottom: 'lower',
  inner: 'inner',
  inside: 'inner',
  outer: 'outer',
  outside: 'outer',
};
const HALF = new Set(['half', 'halve']);
/** Says nothing of what a part is. */
const NEUTRAL = new Set(
  wordsOf(
    'the and with assembly assy unit set piece part section pair main complete side end chrome chromed plated black white red amber orange clear wire steel alloy plastic metal etched small large big long short single double twin dual standard stock custom optional option type one two three four',
  ),
);

/** Names by their words run together: "headlamp", "head lamp" and "Head-lamps" are one. */
const BY_NAME: ReadonlyMap<string, Thing> = new Map(
  THINGS.flatMap((thing) => thing.names.map((name) => [wordsOf(name).join(''), thing] as const)),
);
const LONGEST = 4;

const isSpecial = (word: string): boolean =>
  word in SIDES ||
  word in ENDS ||
  word in LEVELS ||
  HALF.has(word) ||
  NEUTRAL.has(word) ||
  /^\d+[a-z]?$/.test(word);

interface Match {
  thing: Thing;
  from: number;
  to: number;
}

/** The thing that a run of words ends with, the longest name first. */
function lastThing(words: readonly string[]): Match | undefined {
  let end = words.length;
  // Side and number may stand behind: "door left", "piston 2".
  while (end > 0) {
    for (let from = Math.max(0, end - LONGEST); from < end; from++) {
      const thing = BY_NAME.get(words.slice(from, end).join(''));
      if (thing) return { thing, from, to: end };
    }
    if (!isSpecial(words[end - 1]!)) return undefined;
    end--;
  }
  return undefined;
}

const tidy = (name: string): string =>
  name
    .toLowerCase()
    .replace(/\b([lr])\s?[./]\s?h\b\.?/g, '$1h')
    .replace(/\b([no])\s?\/\s?s\b/g, '$1s')
    .replace(/[’']s\b/g, '');

/** Reads what a part is and where it sits from its name. */
export function readName(name: string): ReadName {
  const [head = '', ...after] = tidy(name).split(/[,;:(/]|\b(?:for|of|on|to)\b/);
  const rest = after.join(' ');
  const all = [...wordsOf(head), ...wordsOf(rest)];
  const found = [wordsOf(head), [...wordsOf(rest), ...wordsOf(head)]]
    .map((words) => ({ words, match: lastThing(words) }))
    .filter(({ match }) => match !== undefined)
    .sort((p, q) => q.match!.to - q.match!.from - (p.match!.to - p.match!.from))[0];
  const consumed = new Set(found ? found.words.slice(found.match!.from, found.match!.to) : []);
  const place = <T>(words: Readonly<Record<string, T>>): T | null => {
    for (const word of all) {
      // "Back plate" and "rear-view mirror" are not at the back.
      if (
        consumed.has(word) &&
        !(word in { front: 0, rear: 0 } && found!.match!.thing.id !== 'inside-mirror')
      )
        continue;
      if (word in words) return words[word]!;
    }
    return null;
  };
  const more = found
    ? found.words.filter((word, at) => (at < found.match!.from || at >= found.match!.to) && !isSpecial(word))
    : [];
  const thing = found && !(found.match!.thing.alone && more.length > 0) ? found.match!.thing : null;
  return {
    thing,
    confidence: thing === null ? 0 : more.length > 0 ? 0.75 : 0.95,
    side: place(SIDES),
    end: place(ENDS),
    level: place(LEVELS),
    half: all.some((word) => HALF.has(word)),
    stem: all
      .filter(
        (word) =>
          !(word in SIDES) && !(word in ENDS) && !(word in LEVELS) && !HALF.has(word) && !/^\d+$/.test(word),
      )
      .join(' '),
  };
}
