import { wordsOf } from '../../words.ts';
import type { System } from './systems.ts';
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
  /** Where it belongs, of what is no thing of the table: a seat bracket goes with the seats. */
  belongsTo: System | null;
  /** Said to be one of two halves. */
  half: boolean;
  /** The name without side, end, half and number: twins share it. */
  stem: string;
}

/** What each word means; a map, since a part may be called “constructor”. */
const meanings = <T extends string>(words: Readonly<Partial<Record<T, string>>>): ReadonlyMap<string, T> =>
  new Map(
    (Object.entries(words) as [T, string][]).flatMap(([meaning, each]) =>
      each.split(' ').map((word) => [word, meaning] as const),
    ),
  );

const SIDES = meanings<Side>({
  left: 'left lh l port nearside ns',
  right: 'right rh r starboard offside os',
});
const ENDS = meanings<End>({
  front: 'front fr fwd forward fore',
  rear: 'rear rr back aft',
});
const LEVELS = meanings<Level>({
  upper: 'upper top',
  lower: 'lower bottom',
  inner: 'inner inside',
  outer: 'outer outside',
});
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

/** Says where, or which of several, or nothing; not what it is. */
const isPlace = (word: string): boolean =>
  SIDES.has(word) || ENDS.has(word) || LEVELS.has(word) || HALF.has(word) || /^\d+$/.test(word);
const isSpecial = (word: string): boolean =>
  isPlace(word) || NEUTRAL.has(word) || /^(\d+[a-z]|x\d+)$/.test(word);

/** The mirror with a rear view hangs in front. */
const isAtItsEnd = ({ id }: Thing): boolean => id !== 'inside-mirror';

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

/** Parts that belong to whatever is named before them. */
const ATTENDANTS = new Set(
  wordsOf(
    'arm back backing bar base board body bolt boot bottom box bracket cap case casing clamp clip collar cover cup end face flange frame guard holder housing inner insert joint leg link lug mount mounting nut outer pad panel piece pin plate post rail retainer ring rod screw seal shell shroud spacer stay stem step stop strap strut support surround top tube washer',
  ),
);
/** Words that tell where a thing belongs, whatever sort of it is meant. */
const KINDS: ReadonlyMap<string, System> = meanings<System>({
  lamps: 'lamp light beacon indicator blinker flasher reflector',
  wheels: 'spoke rim hub tyre tire wheel',
  engine:
    'piston cylinder carburettor carburetor carb magneto distributor manifold head block crankcase sump camshaft supercharger turbo blower turbocharger',
  exhaust: 'muffler silencer tailpipe exhaust stack',
  suspension: 'shock damper spring',
  brakes: 'brake caliper',
  cabin: 'seat dash pedal upholstery',
  glass: 'window glass windscreen windshield',
  drive: 'sprocket chain propshaft driveshaft differential gearbox transmission clutch',
  chassis: 'chassis crossmember outrigger subframe',
  body: 'fender mudguard bonnet door coachwork',
  trim: 'badge emblem bumper grille mirror moulding molding pannier saddlebag',
  tank: 'tank',
  deck: 'deck flatbed',
  controls: 'handlebar lever grip throttle',
});

/** Where a part belongs that is no thing of the table: what stands before its bracket, cover or stay, or its own kind. */
function belongsTo(words: readonly string[]): System | null {
  const said = words.filter((word) => !isSpecial(word));
  for (let end = said.length; end > 0; end--) {
    const known = lastThing(said.slice(0, end))?.thing;
    const system = known && !known.alone ? known.system : (KINDS.get(said[end - 1]!) ?? null);
    if (system !== null) return system;
    if (!ATTENDANTS.has(said[end - 1]!)) return null;
  }
  return null;
}

/** Reads what a part is and where it sits from its name. */
export function readName(name: string): ReadName {
  const [head = '', ...after] = tidy(name).split(/[,;:(/]|\b(?:for|of|on|to)\b/);
  const rest = after.join(' ');
  const all = [...wordsOf(head), ...wordsOf(rest)];
  const found = [wordsOf(head), [...wordsOf(rest), ...wordsOf(head)]]
    .map((words) => ({ words, match: lastThing(words) }))
    .filter(({ match }) => match !== undefined)
    .sort((p, q) => q.match!.to - q.match!.from - (p.match!.to - p.match!.from))[0];
  const own = found ? found.words.slice(found.match!.from, found.match!.to) : [];
  const place = <T>(meaning: ReadonlyMap<string, T>): T | null => {
    // Of the words of its own name only "front" and "rear" say where it is: a back plate is not at the back.
    const said = all.filter(
      (word) => !own.includes(word) || (/^(front|rear)$/.test(word) && isAtItsEnd(found!.match!.thing)),
    );
    return said.map((word) => meaning.get(word)).find((each) => each !== undefined) ?? null;
  };
  const more = found
    ? found.words.filter((word, at) => (at < found.match!.from || at >= found.match!.to) && !isSpecial(word))
    : [];
  const thing = found && !(found.match!.thing.alone && more.length > 0) ? found.match!.thing : null;
  return {
    thing,
    confidence: thing === null ? 0 : more.length > 0 ? 0.75 : 0.95,
    belongsTo: thing === null ? belongsTo(wordsOf(head)) : null,
    side: place(SIDES),
    end: place(ENDS),
    level: place(LEVELS),
    half: all.some((word) => HALF.has(word)),
    stem: all.filter((word) => !isPlace(word)).join(' '),
  };
}
