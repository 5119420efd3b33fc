/** What the page itself needs comes first, ms. */
export const AFTER_MS = 3000;

const idle = (): Promise<void> =>
  new Promise((resolve) => {
    // One browser has it behind a switch.
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => resolve());
    else setTimeout(resolve, 200);
  });

/** Fetches the scripts of views that were not opened yet into the browser's own cache, one after the other while nothing
 *  else is to be done: each is then opened without waiting for the network. They are not run yet, and a script that is
 *  asked for as such and does not come would never be asked for again. Gives back how to end it. */
export function prefetchViews(): () => void {
  const left = new AbortController();
  const ask = async (path: string): Promise<Response> => {
    const answer = await fetch(path, { signal: left.signal, priority: 'low' });
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
    return answer;
  };
  const fetchAll = async () => {
    const answer = await ask('/views.json');
    for (const file of (await answer.json()) as string[]) {
      await idle();
      const script = await ask(`/${file}`);
      await script.arrayBuffer();
    }
  };
  // What does not come is fetched when it is opened, and said then.
  const timer = setTimeout(() => void fetchAll().catch(() => undefined), AFTER_MS);
  return () => {
    clearTimeout(timer);
    left.abort();
  };
}
