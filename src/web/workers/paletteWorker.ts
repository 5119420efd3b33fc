import { expose } from 'comlink';
import loadHighs from 'highs';
import wasmUrl from 'highs/runtime?url';
import { programmeSolver } from '../../core/match/index.ts';
import { planPaletteOf, type PaletteAnswer, type PaletteRequest } from './planPaletteOf.ts';

const loading = loadHighs({ locateFile: () => wasmUrl });

/** Plans a palette with a solver for integer programmes. To cancel, end the worker. */
async function plan(request: PaletteRequest, onProgress: (share: number) => void): Promise<PaletteAnswer> {
  return planPaletteOf(request, programmeSolver(await loading), onProgress);
}

const paletteWorker = { plan };
export type PaletteWorker = typeof paletteWorker;
expose(paletteWorker);
