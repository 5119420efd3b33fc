import { wordsOf } from '../../words.ts';
import type { Part, SheetStep } from '../kit.ts';

/** A step of the sheet as it was read from a line, without an id. */
export type SheetDraft = Omit<SheetStep, 'id'>;

export interface SheetReading {
  step: SheetDraft;
  /** What was read as a part, in the order of the line: with the part it names, or none where the box has no such. */
  named: { said: string; part: Part | null }[];
  /** What was not understood and is kept as a note. */
  kept: string[];
  /** Why it is no step; null where it is one. */
  problem: string | null;
}

type Clause = 'drill' | 'cut' | 'colour' | 'marking' | 'note';

/** What a clause is about, by its first word. */
const CLAUSES: ReadonlyMap<string, Clause> = new Map(
  (
    [
      ['drill', 'drill open hole bore ream'],
      ['cut', 'cut trim remove file shorten scrape saw'],
      ['colour', 'paint colour color spray brush'],
      ['marking', 'decal marking transfer sticker badge stripe'],
      ['note', 'note glue cement bend warm fold attach leave repeat before after optional'],
    ] as const
  ).flatMap(([clause, words]) => words.split(' ').map((word) => [word, clause] as const)),
);

const NUMBER = /^\s*(?:step\s+)?#?(\d{1,3}[a-z]?)\s*[:.)]\s*/i;
const ARROW = /\s*(?:->|→|=>|>|\b(?:onto|into|to|on|in)\b)\s*/i;
/** "C5", "c-5", "C5x2", "2 x C5"; a number alone where parts have no frame. */
const CODE = /^(?:\d{1,2}\s*[x×]\s*)?([a-z]{0,3})\s*-?\s*(\d{1,3}[a-z]?)(?:\s*[x×]\s*\d{1,2})?$/i;
/** "C5-8", "C5-C8": all from one to the other. */
const RANGE = /^([a-z]{0,3})\s*(\d{1,3})\s*[-–]\s*([a-z]{0,3})\s*(\d{1,3})$/i;
const MOST_IN_RANGE = 40;

const codeOf = (frame: string, number: string) => `${frame}${number}`.toUpperCase();

/** Names of the parts of a kit as a sheet writes them. */
export function sheetIndex(parts: readonly Part[]): (said: string) => Part[] | null {
  const byCode = new Map(parts.map((part) => [codeOf(part.frame, part.number), part]));
  const byName = new Map<string, Part | null>();
  for (const part of parts) {
    const name = wordsOf(part.name).join(' ');
    // A name that two parts share tells neither.
    byName.set(name, byName.has(name) ? null : part);
  }
  return (said) => {
    const range = RANGE.exec(said);
    if (range) {
      const [, frame = '', from, other = '', to] = range;
      const [low, high] = [Number(from), Number(to)];
      if (
        (other === '' || other.toUpperCase() === frame.toUpperCase()) &&
        high >= low &&
        high - low < MOST_IN_RANGE
      ) {
        const found = Array.from({ length: high - low + 1 }, (_, at) =>
          byCode.get(codeOf(frame, String(low + at))),
        );
        if (found.every((part) => part !== undefined)) return found;
      }
    }
    const code = CODE.exec(said);
    const part = code ? byCode.get(codeOf(code[1]!, code[2]!)) : byName.get(wordsOf(said).join(' '));
    return part ? [part] : null;
  };
}

/** Whether it is written like the number of a part, though the box may have no such. A number alone is one only where the
 *  kit has such. */
const looksLikeCode = (said: string): boolean => {
  const code = CODE.exec(said);
  return code !== null && code[1] !== '';
};

/** The parts that a piece of text names, one after the other; what is left over where not all of it is parts. */
function readParts(
  text: string,
  find: (said: string) => Part[] | null,
): { named: SheetReading['named']; rest: string } {
  const whole = text.trim().replace(/^(?:fit|put|join|parts?)\s+/i, '');
  if (whole === '') return { named: [], rest: '' };
  const asOne = find(whole);
  if (asOne) return { named: asOne.map((part) => ({ said: whole, part })), rest: '' };
  const named: SheetReading['named'] = [];
  const rest: string[] = [];
  for (const said of whole.split(/\s*(?:[,+&]|\band\b)\s*|\s+(?=\S)/i).filter((each) => each !== '')) {
    const found = find(said);
    if (found) named.push(...found.map((part) => ({ said, part })));
    else if (looksLikeCode(said)) named.push({ said: said.toUpperCase(), part: null });
    else if (!/^[x×]?\d{1,2}[x×]?$/i.test(said)) rest.push(said);
  }
  return { named, rest: rest.join(' ') };
}

interface Place {
  put: SheetReading['named'];
  onto: SheetReading['named'];
  hasArrow: boolean;
}

/** Reads a step as it is read aloud: "7: C5 C6 > C1, drill F2 hole, paint X11". What is put on comes before the arrow (or
 *  "to", "onto", "into"), what it goes onto after it, and so on for more; then what is drilled, cut, painted, marked, in any order. Without a
 *  number it is the one after `last`. Nothing of a line is lost: what is not understood is kept as a note. */
export function readSheetLine(line: string, parts: readonly Part[], last = 0): SheetReading {
  return readWith(sheetIndex(parts), line, last);
}

function readWith(find: ReturnType<typeof sheetIndex>, line: string, last: number): SheetReading {
  const number = NUMBER.exec(line);
  const said: Record<Clause, string[]> = { drill: [], cut: [], colour: [], marking: [], note: [] };
  const kept: string[] = [];
  const places: Place[] = [{ put: [], onto: [], hasArrow: false }];
  const open = () => places.at(-1)!;
  const start = () => places.push({ put: [], onto: [], hasArrow: false });
  for (const [, separator, clause] of line
    .slice(number?.[0].length ?? 0)
    .matchAll(/([,;]|^)\s*([^,;]*)/g) as Iterable<[string, string, string]>) {
    const word = wordsOf(clause)[0] ?? '';
    const kind = CLAUSES.get(word);
    if (kind) {
      // What is drilled is said by its verb alone; what is noted keeps its words.
      const rest = clause.trim().replace(/^\S+[\s:]*/, '');
      said[kind].push(kind === 'note' && word !== 'note' ? clause.trim() : rest || clause.trim());
      continue;
    }
    // A name may hold such a word: "Shift lever to floor" is first looked for as one thing.
    const pieces = find(clause.trim()) ? [clause] : clause.split(ARROW);
    // "C3 > C1; C13 > C3" puts on twice.
    if (open().hasArrow && clause.trim() !== '' && (pieces.length > 1 || separator === ';')) start();
    pieces.forEach((piece, at) => {
      if (at > 0) open().hasArrow = true;
      const { named, rest } = readParts(piece, find);
      open()[open().hasArrow ? 'onto' : 'put'].push(...named);
      if (rest !== '') kept.push(rest);
    });
  }
  const ids = (named: SheetReading['named']) => [...new Set(named.flatMap(({ part }) => part?.id ?? []))];
  const named = places.flatMap(({ put, onto }) => [...put, ...onto]);
  const isEmpty =
    named.length === 0 && kept.length === 0 && Object.values(said).every(({ length }) => length === 0);
  return {
    step: {
      number: number?.[1] ?? String(last + 1),
      placements: places.flatMap(({ put, onto }) => {
        const partIds = ids(put);
        const ontoIds = ids(onto).filter((id) => !partIds.includes(id));
        return partIds.length + ontoIds.length > 0 ? [{ partIds, ontoIds }] : [];
      }),
      absent: [...new Set(named.flatMap(({ said: code, part }) => (part ? [] : [code])))],
      drill: said.drill.join(', '),
      cut: said.cut.join(', '),
      colour: said.colour.join(', '),
      marking: said.marking.join(', '),
      note: [...said.note, ...kept].join(', '),
    },
    named,
    kept,
    problem: isEmpty ? 'Nothing is said of this step: name its parts, like “7: C5 C6 > C1”.' : null,
  };
}

/** The step before which nothing was numbered: the highest so far. */
export const lastNumber = (steps: readonly Pick<SheetStep, 'number'>[]): number =>
  Math.max(0, ...steps.map(({ number }) => Number.parseInt(number, 10)).filter(Number.isFinite));

/** Reads a sheet of a step a line; empty lines are passed over. */
export function readSheet(
  text: string,
  parts: readonly Part[],
  last = 0,
): { line: string; reading: SheetReading }[] {
  const find = sheetIndex(parts);
  let before = last;
  return text
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const reading = readWith(find, line, before);
      before = Math.max(before, Number.parseInt(reading.step.number, 10));
      return { line, reading };
    });
}

/** The line that a step is read from again. */
export function sheetLine(step: SheetDraft, parts: ReadonlyMap<string, Part>): string {
  const code = (id: string) => {
    const part = parts.get(id);
    return part ? `${part.frame}${part.number}` : [];
  };
  const codes = (ids: readonly string[]) => ids.flatMap(code).join(' ');
  const places = step.placements.map(({ partIds, ontoIds }) => {
    const onto = codes(ontoIds);
    return `${codes(partIds)}${onto === '' ? '' : ` > ${onto}`}`.trim();
  });
  const clauses = [
    ...places,
    step.absent.join(' '),
    ...(['drill', 'cut', 'marking', 'note'] as const).flatMap((clause) =>
      step[clause] === '' ? [] : [`${clause === 'marking' ? 'decal' : clause} ${step[clause]}`],
    ),
    step.colour === '' ? '' : `paint ${step.colour}`,
  ].filter((each) => each !== '');
  return `${step.number}: ${clauses.join('; ')}`;
}
