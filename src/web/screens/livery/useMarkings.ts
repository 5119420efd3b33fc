import { useMemo } from 'react';
import { DAYLIGHT, spectrumToLab } from '../../../core/colour/index.ts';
import type { PrintedPage } from '../../../core/formats/index.ts';
import { newRecord, printingRecord, type Kit, type Printing } from '../../../core/kit/index.ts';
import type { MarkingFacts, PlacedMarking } from '../../../core/livery/index.ts';
import type { BuildContext } from '../../data/buildContext.ts';
import { useTask } from '../../data/useTask.ts';
import type { DrawnMarking, LaidSheets, LiveryWorker } from '../../workers/liveryWorker.ts';
import { inLiveryWorker, newLiveryWorker } from './inWorker.ts';
import type { PredictedFinish } from './useLivery.ts';

/** Every marking of a kit with what it lies on and how it is drawn, worked out in a worker whenever one changes. */
export function usePlaced(kit: Kit | undefined, scale: number | undefined) {
  const question = useMemo(
    () => (kit && scale !== undefined && kit.markings.length > 0 ? { kit, scale } : undefined),
    [kit, scale],
  );
  return useTask<LiveryWorker, DrawnMarking[]>({
    question,
    worker: newLiveryWorker,
    work: (remote) => remote.placeAndDraw(question!.kit, question!.scale),
    keeps: true,
  });
}

const USUAL: Printing = { ...newRecord(printingRecord), id: '' };

/** How markings are printed here: what the builder said, or the usual. */
export const printingOf = ({ printings }: Pick<Kit, 'printings'>): Printing => printings[0] ?? USUAL;

/** The sheets of all markings that are printed. */
export function useSheets(kit: Kit | undefined, scale: number | undefined) {
  const question = useMemo(
    () =>
      kit && scale !== undefined && kit.markings.length > 0
        ? { markings: kit.markings, printing: printingOf(kit), scale }
        : undefined,
    [kit, scale],
  );
  return useTask<LiveryWorker, LaidSheets>({
    question,
    worker: newLiveryWorker,
    work: (remote) => remote.layOut(question!.markings, question!.printing, question!.scale),
    keeps: true,
  });
}

/** Pages as a PDF, made away from the page. */
export const pdfOf = (pages: readonly PrintedPage[], title: string): Promise<Uint8Array> =>
  inLiveryWorker((remote) => remote.pagesPdf(pages, title));

/** What is known of a marking and of what it lies on, as the stacks leave it. */
export function factsOf(
  { marking, on, under }: Pick<PlacedMarking, 'marking' | 'on' | 'under'>,
  kit: Kit,
  { build }: BuildContext,
  predicted: ReadonlyMap<string, PredictedFinish>,
): MarkingFacts {
  const ink = kit.decals.find(({ id }) => id === marking.colourId);
  const partId = on[0]?.partId;
  const beneath = build && under[0] ? predicted.get(under[0].finishId) : undefined;
  return {
    ink: ink ? { lab: ink.lab, transparent: ink.transparent } : null,
    base: beneath ? spectrumToLab(beneath.spectrum, DAYLIGHT) : null,
    laysWhite: printingOf(kit).whitePlate,
    onClear: kit.parts.find(({ id }) => id === partId)?.material === 'clear',
  };
}
