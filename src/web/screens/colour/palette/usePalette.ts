import { proxy } from 'comlink';
import { useTask } from '../../../data/useTask.ts';
import type { PaletteAnswer, PaletteRequest } from '../../../workers/planPaletteOf.ts';
import type { PaletteWorker } from '../../../workers/paletteWorker.ts';

const SETTLE_MS = 200;

/** Plans in a worker whenever the question changes. The worker lives on, since it keeps the recipes found. */
export function usePalette(question: PaletteRequest | undefined) {
  return useTask<PaletteWorker, PaletteAnswer>({
    question: question && JSON.stringify(question),
    worker: () =>
      new Worker(new URL('../../../workers/paletteWorker.ts', import.meta.url), { type: 'module' }),
    work: (remote, onProgress) => remote.plan(question!, proxy(onProgress)),
    settleMs: SETTLE_MS,
    keeps: true,
  });
}
