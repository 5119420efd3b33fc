import { wordsOf } from '../words.ts';

interface NamedKit {
  name: string;
  scale: number;
}

/** How a former kit stands to one that is begun: of the same name, sharing a word of it, or neither. */
export type Likeness = 'same' | 'like' | 'other';

/** Shorter ones, such as “six” or “the”, are in many names; a word in another script may be short. */
const tells = (word: string): boolean =>
  /\p{L}/u.test(word) && (word.length >= 4 || !/^[\p{Script=Latin}\p{N}]+$/u.test(word));

/** Whether two names are of the same kit, or share a word, as those of one maker or subject do. */
export function likeness(begun: string, former: string): Likeness {
  const [mine, theirs] = [wordsOf(begun), wordsOf(former)];
  if (mine.length > 0 && mine.join(' ') === theirs.join(' ')) return 'same';
  return mine.some((word) => tells(word) && theirs.includes(word)) ? 'like' : 'other';
}

const NEARNESS: Record<Likeness, number> = { same: 0, like: 1, other: 2 };

/** Former kits, the nearest first; those of the same scale before others. */
export function byLikeness<Former extends NamedKit>(
  begun: NamedKit,
  former: readonly Former[],
): (Former & { likeness: Likeness })[] {
  return former
    .map((each) => ({ ...each, likeness: likeness(begun.name, each.name) }))
    .sort(
      (p, q) =>
        NEARNESS[p.likeness] - NEARNESS[q.likeness] ||
        Number(q.scale === begun.scale) - Number(p.scale === begun.scale),
    );
}
