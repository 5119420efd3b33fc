import type { Inspection, Kit, Lesson } from '../../kit/index.ts';
import { foundWords } from '../inspections/faults.ts';
import { trendsOf, type PlannedStep } from '../log/hours.ts';
import type { TickedStep } from '../log/logOf.ts';

type SaidLesson = Omit<Lesson, 'id'>;

/** A lesson that the records of a build suggest. */
export interface LessonProposal {
  /** Of the lesson, if it is kept: the same however often it is proposed. */
  id: string;
  lesson: SaidLesson;
  /** What suggests it. */
  because: string;
}

interface OfBuild {
  id: string;
  name: string;
}

const MOST_TEXT = 1000;
const MOST_ORIGIN = 500;
const MOST_KIND = 20;
const sentence = (words: string): string =>
  words.replace(/^./, (first) => first.toUpperCase()).slice(0, MOST_TEXT);

const lessonOf = (
  build: OfBuild,
  from: string,
  text: string,
  ties: Partial<Pick<Lesson, 'kit' | 'partWord' | 'material' | 'stepKind'>>,
): SaidLesson => ({
  text: sentence(text),
  origin: `${build.name}, ${from}`.slice(0, MOST_ORIGIN),
  kit: null,
  partWord: null,
  material: null,
  stepKind: null,
  ...ties,
});

/** What is tied to a kind of step comes back at such steps; what nobody can tie so, at the next kit of the name. */
const tiedTo = (build: OfBuild, stepKind: string | null) =>
  stepKind === null || stepKind.length > MOST_KIND ? { kit: build.name.slice(0, 200) } : { stepKind };

/** Of something that one lives with. */
export const lessonOfRegret = (
  inspection: Pick<Inspection, 'id' | 'fault' | 'where'>,
  build: OfBuild,
  stepKind: string | null,
): LessonProposal => ({
  id: `lesson-regret-${inspection.id}`.slice(0, 120),
  lesson: lessonOf(
    build,
    'looked over',
    `${foundWords(inspection)}: look for it while it can still be mended.`,
    tiedTo(build, stepKind),
  ),
  because: 'you live with it',
});

/** A kind of step that took so much longer than planned, of so many, is a lesson. */
const SLOW = 1.3;
const FEWEST_SLOW = 3;

/** What a build taught, as far as its records tell: conflicts decided against the sheet, mishaps with a reason, regrets, kinds
 *  of step that took longer, and parts that were lost or made anew. */
export function proposeLessons(
  build: OfBuild,
  kit: Pick<Kit, 'evidence' | 'mishaps' | 'inspections' | 'parts'>,
  steps: readonly TickedStep[],
  operations: readonly PlannedStep[],
  kindLabel: (kind: string) => string,
): LessonProposal[] {
  const kinds = new Map(operations.map(({ id, kind }) => [id, kind]));
  const ofKit = { kit: build.name.slice(0, 200) };
  return [
    ...kit.evidence
      .filter(({ verdict }) => verdict === 'evidence' || verdict === 'other')
      .map(({ id, title, decision, evidence }) => ({
        id: `lesson-conflict-${id}`.slice(0, 120),
        lesson: lessonOf(
          build,
          'sheet and evidence',
          `${title}: ${decision || evidence || 'the sheet is wrong'}`,
          ofKit,
        ),
        because: 'decided against the sheet',
      })),
    ...kit.mishaps.map(({ id, what, why, operationId }) => ({
      id: `lesson-mishap-${id}`.slice(0, 120),
      lesson: lessonOf(
        build,
        'a mishap',
        why === '' ? `${what}: find out why before the next one` : `${what}, because ${why}`,
        tiedTo(build, kinds.get(operationId) ?? null),
      ),
      because: 'it went wrong',
    })),
    ...kit.inspections
      .filter(({ outcome }) => outcome === 'live-with')
      .map((inspection) => lessonOfRegret(inspection, build, kinds.get(inspection.operationId) ?? null)),
    ...trendsOf(steps, operations)
      .filter(({ ratio, steps: count }) => ratio >= SLOW && count >= FEWEST_SLOW)
      .map(({ kind, ratio, steps: count }) => ({
        id: `lesson-slow-${build.id}-${kind}`.slice(0, 120),
        lesson: lessonOf(
          build,
          'hours',
          `${kindLabel(kind)} took ${ratio.toFixed(1)} times what was planned: begin it early in an evening`,
          tiedTo(build, kind),
        ),
        because: `the last ${count} of them were slow`,
      })),
    ...kit.parts
      .filter(({ state }) => state === 'lost' || state === 'scratch-built' || state === 'from-spares')
      .map(({ id, name, state }) => ({
        id: `lesson-part-${id}`.slice(0, 120),
        lesson: lessonOf(
          build,
          'a part replaced',
          `${name}: ${state === 'lost' ? 'it got lost; bag such parts as they leave the frame' : 'it had to be replaced; look at it when the box is opened'}`,
          { ...ofKit, partWord: name.slice(0, 80) },
        ),
        because: state === 'lost' ? 'it is lost' : 'it was replaced',
      })),
  ];
}
