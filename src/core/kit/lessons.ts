import { holdsWords } from '../words.ts';
import type { Lesson, Material } from './kit.ts';
import { readName } from './roles/readName.ts';

/** What is about to be done. */
export interface LessonContext {
  /** Name and subject of the build. */
  kit: string;
  partNames: readonly string[];
  materials: readonly Material[];
  stepKind: string | null;
}

/** Whether a part is what a word says: a hood mascot is no hood, though it holds the word. */
function isMeant(name: string, word: string): boolean {
  if (!holdsWords(name, word)) return false;
  const [part, meant] = [readName(name).thing, readName(word).thing];
  return part === null || meant === null || part === meant;
}

/** Lessons that touch what is about to be done: each of its ties that is given must match, and at least one is. */
export function lessonsFor(lessons: readonly Lesson[], context: LessonContext): Lesson[] {
  return lessons.filter(({ kit, partWord, material, stepKind }) => {
    if (kit === null && partWord === null && material === null && stepKind === null) return false;
    return (
      (kit === null || holdsWords(context.kit, kit)) &&
      (partWord === null || context.partNames.some((name) => isMeant(name, partWord))) &&
      (material === null || context.materials.includes(material)) &&
      (stepKind === null || stepKind === context.stepKind)
    );
  });
}

/** Whether a lesson or a spare came from a build, as its origin says. */
export const isFromBuild = ({ origin }: { origin: string }, buildName: string): boolean =>
  // Another build's name may begin with this one's.
  origin.startsWith(buildName) && !/^[\p{L}\p{N}]/u.test(origin.slice(buildName.length));

/** Lessons that a kit opens with: those tied to its name, and those that came from builds like it. `kit`: name and subject. */
export function lessonsOfLike(
  lessons: readonly Lesson[],
  kit: string,
  like: readonly { name: string }[],
): Lesson[] {
  return lessons.filter(
    (lesson) =>
      (lesson.kit !== null && holdsWords(kit, lesson.kit)) ||
      like.some(({ name }) => isFromBuild(lesson, name)),
  );
}
