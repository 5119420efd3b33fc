import { useMemo } from 'react';
import { bookRecord, isFromBuild, newRecord, type Book } from '../../../../core/kit/index.ts';
import { albumOf, workedLine, type CardWords } from '../../../../core/record/index.ts';
import { carriedOver } from '../../../../core/plan/index.ts';
import { spectrumToDisplay } from '../../../../core/colour/index.ts';
import { DAYS } from '../../../components/time.ts';
import { useBench, useCodes } from '../../../data/bench.ts';
import { dateOrder } from '../../../data/clock.ts';
import { useTask } from '../../../data/useTask.ts';
import type { BookQuestion, BookWorker, DrawnCard } from '../../../workers/bookWorker.ts';
import type { BookBlock } from '../../../../core/record/index.ts';
import type { LogInputs } from '../log/useLog.ts';

const newBookWorker = () =>
  new Worker(new URL('../../../workers/bookWorker.ts', import.meta.url), { type: 'module' });

/** The book of a kit as it is said; empty where nobody said anything. */
export const bookIn = ({ build, kit }: Pick<LogInputs, 'build' | 'kit'>): Book =>
  kit.books[0] ?? { id: `${build.id}-book`, ...newRecord(bookRecord) };

/** The cups of a build, and the paints that its stacks and cups name: a whole catalogue is not sent to a worker. */
function namedIn(build: LogInputs['build'], all: LogInputs['cups']) {
  const cups = all.filter(({ buildId }) => buildId === build.id);
  const mixes = [
    ...build.trays.flatMap(({ layers }) => layers.map(({ mix }) => mix ?? {})),
    ...cups.flatMap(({ drops, additions }) => [drops, ...additions.map(({ add }) => add)]),
  ];
  return { cups, paintIds: new Set(mixes.flatMap((mix) => Object.keys(mix))) };
}

/** A build told of in print, worked out away from the page whenever something of it changes. */
export function useBook({ build, kit, view, steps: allSteps, cups, paints }: LogInputs) {
  const { data: bench } = useBench();
  const { data: codes } = useCodes();
  const pattern = DAYS[dateOrder()].far;
  const question = useMemo((): BookQuestion | undefined => {
    if (!bench || !codes) return undefined;
    const operations = view.operations.filter(({ buildId }) => buildId === build.id);
    const { done, orphans } = carriedOver(
      operations,
      allSteps.filter(({ buildId }) => buildId === build.id),
    );
    const own = namedIn(build, cups);
    const codeIds = new Set([...build.trays, ...kit.finishes].map(({ codeId }) => codeId));
    const ids = new Set(operations.map(({ id }) => id));
    const trayOfPart = new Map(build.trays.flatMap(({ id, parts }) => parts.map((part) => [part.id, id])));
    const trayOfStep = new Map(operations.map(({ id, trayId }) => [id, trayId]));
    return {
      build,
      book: bookIn({ build, kit }),
      kit,
      trays: build.trays,
      codes: codes.filter(({ id }) => codeIds.has(id)),
      cups: own.cups,
      paints: paints.filter(({ id }) => own.paintIds.has(id)),
      conditions: bench.settings.conditions,
      steps: [...done, ...orphans],
      operations: operations.map(({ id, trayId, layerId, kind, title, hands, usual }) => ({
        id,
        trayId,
        layerId,
        kind,
        title,
        hands,
        usual,
      })),
      arcs: view.arcs
        .filter(({ from, to }) => ids.has(from) && ids.has(to))
        .map(({ from, to, minLag }) => ({ from, to, minLag })),
      album: albumOf(kit, {
        part: (id) => trayOfPart.get(id) ?? null,
        step: (id) => trayOfStep.get(id) ?? null,
      }),
      lessons: bench.lessons.filter((lesson) => isFromBuild(lesson, build.name)),
      dayPattern: pattern,
    };
  }, [bench, codes, build, kit, view, allSteps, cups, paints, pattern]);
  return useTask<BookWorker, BookBlock[]>({
    question,
    worker: newBookWorker,
    work: (remote) => remote.tellBook(question!),
    keeps: true,
    settleMs: 150,
  });
}

/** What stands on the card beside the model. */
export function useCard({ build, kit, steps }: LogInputs, day: (minutes: number) => string): CardWords {
  const { data: codes } = useCodes();
  return useMemo(() => {
    const { builder, cardWords } = bookIn({ build, kit });
    const own = steps.filter(({ buildId }) => buildId === build.id);
    const hexOf = new Map((codes ?? []).map(({ id, spectrum }) => [id, spectrumToDisplay(spectrum).hex]));
    const wanted = [...build.trays].sort((p, q) => q.areaCm2 - p.areaCm2).map(({ codeId }) => codeId);
    const hexes = [...new Set(wanted)].flatMap((id) => (id === null ? [] : (hexOf.get(id) ?? [])));
    return {
      title: build.name,
      lines: [
        [build.subject.trim(), `1:${build.scale}`].filter(Boolean).join(', '),
        builder.trim() === '' ? '' : `Built by ${builder.trim()}`,
        workedLine({ steps: own, day }),
      ].filter((line) => line !== ''),
      words: cardWords,
      hexes: hexes.slice(0, 6),
    };
  }, [build, kit, steps, codes, day]);
}

export const useDrawnCard = (card: CardWords) =>
  useTask<BookWorker, DrawnCard>({
    question: card,
    worker: newBookWorker,
    work: (remote) => remote.drawCard(card),
    keeps: true,
    settleMs: 250,
  });
