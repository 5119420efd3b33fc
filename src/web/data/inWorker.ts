import { wrap, type Remote } from 'comlink';

/** Does something once, away from the page, in a worker of its own. */
export async function inWorker<W, T>(
  newWorker: () => Worker,
  work: (remote: Remote<W>) => Promise<T>,
): Promise<T> {
  const worker = newWorker();
  try {
    return await work(wrap<W>(worker));
  } finally {
    worker.terminate();
  }
}
