import type { Remote } from 'comlink';
import { inWorker } from '../../data/inWorker.ts';
import type { LiveryWorker } from '../../workers/liveryWorker.ts';

export const newLiveryWorker = () =>
  new Worker(new URL('../../workers/liveryWorker.ts', import.meta.url), { type: 'module' });

/** Does something of the livery once, away from the page. */
export const inLiveryWorker = <T>(work: (remote: Remote<LiveryWorker>) => Promise<T>): Promise<T> =>
  inWorker<LiveryWorker, T>(newLiveryWorker, work);
