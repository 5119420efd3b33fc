import { formatMinutes, type Conditions } from '../../finish/index.ts';
import { counted, type Book, type Kit, type Lesson } from '../../kit/index.ts';
import { spectrumToDisplay } from '../../colour/index.ts';
import { BOOK_SECTIONS, type BookSection } from '../choices.ts';
import { elapsedOf, mishapCosts } from '../log/costs.ts';
import { hoursBy } from '../log/hours.ts';
import type { AlbumPicture } from '../pictures/album.ts';
import type { BookBlock } from './blocks.ts';
import { colourBlocks, type ColourSources } from './colourBlocks.ts';
import { liveryBlocks } from './liveryBlocks.ts';
import { stackBlocks, type StackSources } from './stackBlocks.ts';
import { hoursBlocks, lessonBlocks, mishapBlocks, verdictBlocks } from './storyBlocks.ts';

/** Everything that a book tells of. Times in minutes since 1970. */
export interface BookSources
  extends
    Omit<ColourSources, 'trays'>,
    Pick<StackSources, 'trays' | 'operations' | 'steps' | 'products' | 'day'> {
  build: { name: string; subject: string; scale: number };
  kit: Kit;
  conditions: Conditions;
  album: readonly AlbumPicture[];
  lessons: readonly Lesson[];
  arcs: readonly { from: string; to: string; minLag: number }[];
}

export const SECTION_NAMES: Readonly<Record<BookSection, string>> = {
  pictures: 'Pictures',
  colours: 'Colours',
  stacks: 'Stacks',
  livery: 'Livery',
  hours: 'Plan and hours',
  mishaps: 'What went wrong',
  verdict: 'Verdict',
  lessons: 'Lessons',
};

/** More than this fill a book that nobody reads; the newest are taken. */
export const MOST_PICTURES = 80;

const trayOf = (sources: BookSources): ((trayId: string | null) => string) => {
  const names = new Map(sources.trays.map(({ id, name }) => [id, name]));
  return (trayId) => (trayId === null ? 'the whole build' : (names.get(trayId) ?? 'a tray that is gone'));
};

const SECTIONS: Readonly<Record<BookSection, (sources: BookSources) => BookBlock[]>> = {
  pictures: ({ album, day }) => {
    const chosen = album.slice(0, MOST_PICTURES).toReversed();
    return chosen.length === 0
      ? []
      : [
          {
            kind: 'pictures',
            pictures: chosen.map(({ pictureId, what, isReference, at }) => ({
              pictureId,
              caption: [what, isReference && 'reference', at !== null && day(at)].filter(Boolean).join(', '),
            })),
          },
        ];
  },
  colours: colourBlocks,
  stacks: (sources) => stackBlocks({ ...sources, scale: sources.build.scale }),
  livery: ({ kit, codes }) => {
    const hexes = new Map(codes.map(({ id, spectrum }) => [id, spectrumToDisplay(spectrum).hex]));
    const codeOf = new Map(kit.finishes.map(({ id, codeId }) => [id, codeId]));
    return liveryBlocks(kit, (finishId) => hexes.get(codeOf.get(finishId) ?? ''));
  },
  hours: (sources) => {
    const nameOf = trayOf(sources);
    return hoursBlocks(
      hoursBy(sources.steps, sources.operations, ({ trayId }) => nameOf(trayId)),
      elapsedOf(sources.steps, sources.arcs),
    );
  },
  mishaps: ({ kit, steps, operations, day }) =>
    mishapBlocks(kit, mishapCosts(kit.mishaps, steps, operations), day),
  verdict: ({ kit }) => verdictBlocks(kit),
  lessons: ({ lessons }) => lessonBlocks(lessons),
};

/** When a build was worked on and for how long, in a line; '' where nothing was done. */
export function workedLine({ steps, day }: Pick<BookSources, 'steps' | 'day'>): string {
  if (steps.length === 0) return '';
  const starts = steps.map(({ endedAt, minutes }) => endedAt - minutes);
  const [first, last] = [Math.min(...starts), Math.max(...steps.map(({ endedAt }) => endedAt))];
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const evenings = new Set(steps.map(({ endedAt }) => day(endedAt))).size;
  const span = day(first) === day(last) ? `on ${day(first)}` : `from ${day(first)} to ${day(last)}`;
  return `${formatMinutes(minutes)} of work on ${counted(evenings, 'day')}, ${span}`;
}

/** A build told of in print: what is left out, and what there is nothing of, is not in it. */
export function bookOf(
  sources: BookSources,
  book: Pick<Book, 'builder' | 'foreword' | 'leftOut'>,
): BookBlock[] {
  const { build, kit } = sources;
  const end = kit.verdicts[0]?.end ?? null;
  const pieces = kit.parts.reduce((sum, { count }) => sum + count, 0);
  const rows = [
    { label: 'Built by', value: book.builder.trim() },
    { label: 'Subject', value: build.subject.trim() },
    { label: 'Scale', value: `1:${build.scale}` },
    { label: 'Kit', value: pieces > 0 ? counted(pieces, 'piece') : '' },
    { label: 'Work', value: workedLine(sources) },
    { label: 'Stands', value: end === null ? 'still at work' : end === 'finished' ? 'finished' : 'given up' },
  ].filter(({ value }) => value !== '');
  return [
    { kind: 'title', text: build.name, under: `1:${build.scale}` },
    { kind: 'rows', rows },
    ...(book.foreword.trim() === '' ? [] : [{ kind: 'text' as const, text: book.foreword }]),
    ...BOOK_SECTIONS.filter((section) => !book.leftOut.includes(section)).flatMap((section): BookBlock[] => {
      const blocks = SECTIONS[section](sources);
      return blocks.length === 0 ? [] : [{ kind: 'heading', text: SECTION_NAMES[section] }, ...blocks];
    }),
  ];
}
