import { DRAWERS, FRAMES } from '../drawers.ts';

type Load = () => Promise<unknown>;

/** What is fetched ahead: what each stage opens with, then its other drawers. */
const ahead = (): Load[] => {
  const drawers = DRAWERS.filter(({ within }) => !within);
  return [
    ...Object.values(FRAMES),
    ...[...drawers].sort((p, q) => Number(p.path !== '') - Number(q.path !== '')).map(({ load }) => load),
  ];
};

/** What the page itself needs comes first. */
const AFTER_MS = 3000;

const whenIdle = (work: () => void): void => {
  // One browser has it behind a switch.
  if ('requestIdleCallback' in window) requestIdleCallback(work);
  else setTimeout(work, 200);
};

/** Fetches the scripts of views that were not opened yet, one after the other while nothing else is to be done: each is
 *  then opened without waiting for the network. One that does not come is fetched once it is opened. */
export function prefetchViews(): () => void {
  const loads = ahead();
  const next = () => {
    const load = loads.shift();
    if (!load) return;
    void load()
      .catch(() => undefined)
      .then(() => whenIdle(next));
  };
  const timer = setTimeout(next, AFTER_MS);
  return () => clearTimeout(timer);
}
