/** Words of names, as builders write them: case, accents and the plural do not matter. */

const PLURALS: readonly [RegExp, string][] = [
  [/(?<=[a-z]{2})ies$/, 'y'],
  [/(?<=(s|x|z|ch|sh))es$/, ''],
  [/(?<=[a-z]{2}[^s])s$/, ''],
];

/** The words of a text in the singular, lower case, without accents: "Wheel nuts, left" is wheel, nut, left. */
export function wordsOf(text: string): string[] {
  const plain = text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  return (plain.match(/[\p{L}\p{N}]+/gu) ?? []).map((word) =>
    // One after the other: a lens is cut like several of them.
    PLURALS.reduce((singular, [plural, ending]) => singular.replace(plural, ending), word),
  );
}

/** Whether a text holds a word, or words one after the other: "Springs" does not hold "ring". */
export function holdsWords(text: string, phrase: string): boolean {
  const [all, wanted] = [wordsOf(text), wordsOf(phrase)];
  return (
    wanted.length > 0 && all.some((_, at) => wanted.every((word, further) => all[at + further] === word))
  );
}

/** Where a part is, not what it is. */
const SIDES = new Set(
  wordsOf('left right front rear upper lower inner outer top bottom side centre center near off'),
);

/** Whether something called so can stand for a part: it is the same thing, and of the same sort. "Wheel nuts" are no
 *  steering wheel; "mirrors, round" are a side mirror. */
export function isSameThing(part: string, other: string): boolean {
  const thing = (name: string) =>
    wordsOf(name.split(/[,(;]/)[0]!).filter((word) => !SIDES.has(word) && !/^\d+$/.test(word));
  const [wanted, offered] = [thing(part), thing(other)];
  if (wanted.length === 0 || wanted.at(-1) !== offered.at(-1)) return false;
  return wanted.every((word) => wordsOf(other).includes(word));
}
