import { wrap, type Remote } from 'comlink';
import type { LiveryWorker } from '../../workers/liveryWorker.ts';

export const newLiveryWorker = () =>
  new Worker(new URL('../../workers/liveryWorker.ts', import.meta.url), { type: 'module' });

/** Does something once, away from the page. */
export async function inWorker<T>(work: (remote: Remote<LiveryWorker>) => Promise<T>): Promise<T> {
  const worker = newLiveryWorker();
  try {
    return await work(wrap<LiveryWorker>(worker));
  } finally {
    worker.terminate();
  }
}
