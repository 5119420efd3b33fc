/** Saves of one record wait for each other. */
const queues = new Map<string, Promise<unknown>>();

export function keyedQueue<T>(key: string, work: () => Promise<T>): Promise<T> {
  const next = (queues.get(key) ?? Promise.resolve()).catch(() => undefined).then(work);
  queues.set(key, next);
  return next;
}
