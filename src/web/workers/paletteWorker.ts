import { expose } from 'comlink';
import loadHighs from 'highs';
import wasmUrl from 'highs/runtime?url';
import type { ProgrammeSolver } from '../../core/match/index.ts';
import { planPaletteOf, type PaletteAnswer, type PaletteRequest } from './planPaletteOf.ts';

const loading = loadHighs({ locateFile: () => wasmUrl });

/** Plans a palette with a solver for integer programmes. To cancel, end the worker. */
async function plan(request: PaletteRequest, onProgress: (share: number) => void): Promise<PaletteAnswer> {
  const highs = await loading;
  const solve: ProgrammeSolver = (programme) => {
    const { Status, Columns } = highs.solve(programme, { output_flag: false });
    if (Status !== 'Optimal') return undefined;
    return Object.fromEntries(
      Object.entries(Columns).map(([name, column]) => [name, (column as { Primal: number }).Primal]),
    );
  };
  return planPaletteOf(request, solve, onProgress);
}

const paletteWorker = { plan };
export type PaletteWorker = typeof paletteWorker;
expose(paletteWorker);
