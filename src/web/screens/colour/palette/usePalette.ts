import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { PaletteAnswer, PaletteRequest } from '../../../workers/planPaletteOf.ts';
import type { PaletteWorker } from '../../../workers/paletteWorker.ts';

export type PaletteState =
  | { kind: 'idle' }
  | { kind: 'planning'; share: number }
  | { kind: 'answered'; answer: PaletteAnswer; seconds: number }
  | { kind: 'cancelled' }
  | { kind: 'failed'; message: string };

const SETTLE_MS = 200;

/** Plans in a worker whenever the question changes. The worker lives on, since it keeps the recipes found; a new
 *  question while it works, and cancel, end it. */
export function usePalette(question: PaletteRequest | undefined) {
  const key = question ? JSON.stringify(question) : '';
  const [turn, setTurn] = useState(0);
  const [state, setState] = useState<{ key: string; state: PaletteState }>({
    key: '',
    state: { kind: 'idle' },
  });
  const worker = useRef<{ thread: Worker; remote: Remote<PaletteWorker>; busy: boolean }>(undefined);
  /** The start that waits for the question to settle; a cancel takes it back too. */
  const start = useRef<ReturnType<typeof setTimeout>>(undefined);
  const end = () => {
    clearTimeout(start.current);
    worker.current?.thread.terminate();
    worker.current = undefined;
  };

  useEffect(() => {
    if (key === '') return;
    const answer = (next: PaletteState) => setState({ key, state: next });
    start.current = setTimeout(() => {
      if (worker.current?.busy) end();
      if (!worker.current) {
        const thread = new Worker(new URL('../../../workers/paletteWorker.ts', import.meta.url), {
          type: 'module',
        });
        worker.current = { thread, remote: wrap<PaletteWorker>(thread), busy: false };
      }
      const mine = worker.current;
      mine.busy = true;
      answer({ kind: 'planning', share: 0 });
      const began = performance.now();
      mine.remote
        .plan(
          JSON.parse(key) as PaletteRequest,
          proxy((share: number) =>
            setState((now) =>
              now.key === key && now.state.kind === 'planning'
                ? { key, state: { kind: 'planning', share } }
                : now,
            ),
          ),
        )
        .then((made) => {
          answer({ kind: 'answered', answer: made, seconds: (performance.now() - began) / 1000 });
        })
        .catch((error: unknown) => answer({ kind: 'failed', message: (error as Error).message }))
        .finally(() => {
          mine.busy = false;
        });
    }, SETTLE_MS);
    return () => clearTimeout(start.current);
  }, [key, turn]);
  useEffect(() => end, []);

  const shown: PaletteState =
    key === '' ? { kind: 'idle' } : state.key === key ? state.state : { kind: 'planning', share: 0 };
  return {
    state: shown,
    cancel: () => {
      end();
      setState({ key, state: { kind: 'cancelled' } });
    },
    again: () => setTurn((count) => count + 1),
  };
}
