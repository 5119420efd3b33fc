import type { CDPSession, Page } from 'puppeteer-core';

/** What the page counts of itself, from the first script on. */
interface Counted {
  /** Components that were drawn. */
  drawn: number;
  /** Times that something was put on the page. */
  commits: number;
  /** Messages that workers sent. */
  messages: number;
}

interface Fiber {
  flags: number;
  tag: number;
  child: Fiber | null;
  sibling: Fiber | null;
  alternate: Fiber | null;
}

type CountingWindow = Window & { counted: Counted; __REACT_DEVTOOLS_GLOBAL_HOOK__: object };

/** Lets a page count what does not depend on how fast the machine is. Before its first address. */
export async function countOn(page: Page): Promise<void> {
  await page.evaluateOnNewDocument(() => {
    const counted = { drawn: 0, commits: 0, messages: 0 };
    const own = window as unknown as CountingWindow;
    own.counted = counted;
    /** Function components of a tree that were drawn in the last commit: React marks what did work. */
    const drawnIn = (fiber: Fiber | null): number => {
      let sum = 0;
      for (let each = fiber; each; each = each.sibling) {
        const isComponent = [0, 11, 14, 15].includes(each.tag);
        if (isComponent && (each.flags & 1) !== 0) sum++;
        // What is one with the tree before was left as it was.
        if (each.alternate === null || each.child !== each.alternate.child) sum += drawnIn(each.child);
      }
      return sum;
    };
    own.__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
      supportsFiber: true,
      renderers: new Map(),
      inject: () => 1,
      onCommitFiberRoot: (_id: number, root: { current: Fiber }) => {
        counted.commits++;
        counted.drawn += drawnIn(root.current.child);
      },
      onCommitFiberUnmount: () => undefined,
      onPostCommitFiberRoot: () => undefined,
    };
    const count = () => counted.messages++;
    // Answers come to the worker, what is told on the way to a port that listens; React's own port does not listen.
    const Plain = window.Worker;
    window.Worker = class extends Plain {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        super.addEventListener('message', count);
      }
    };
    const listen = MessagePort.prototype.addEventListener;
    MessagePort.prototype.addEventListener = function (this: MessagePort, ...given: unknown[]) {
      if (given[0] === 'message') listen.call(this, 'message', count);
      Reflect.apply(listen, this, given);
    } as typeof listen;
  });
}

const countedOn = (page: Page): Promise<Counted> =>
  page.evaluate(() => ({ ...(window as unknown as CountingWindow).counted }));

/** What some doing on a page costs: what was drawn, and what was asked of the server and answered, bytes. */
export async function costOf(
  page: Page,
  client: CDPSession,
  act: () => Promise<void>,
): Promise<Counted & { requests: string[]; bytes: number }> {
  const requests: string[] = [];
  let bytes = 0;
  const onSent = ({ request: { url } }: { request: { url: string } }) => requests.push(new URL(url).pathname);
  const onCame = ({ encodedDataLength }: { encodedDataLength: number }) => (bytes += encodedDataLength);
  client.on('Network.requestWillBeSent', onSent);
  client.on('Network.loadingFinished', onCame);
  const before = await countedOn(page);
  await act();
  const after = await countedOn(page);
  client.off('Network.requestWillBeSent', onSent);
  client.off('Network.loadingFinished', onCame);
  return {
    drawn: after.drawn - before.drawn,
    commits: after.commits - before.commits,
    messages: after.messages - before.messages,
    requests,
    bytes,
  };
}

export interface Opening {
  /** Until the first of the new view is painted, ms. */
  seenMs: number;
  /** Until nothing more is drawn, ms. */
  wholeMs: number;
  /** The longest that the page heard nothing, ms; 0 below 50. */
  worstMs: number;
}

/** Opens an address as a link of the page does and times it. */
export const timedOpening = (page: Page, address: string, calmMs = 600): Promise<Opening> =>
  page.evaluate(
    (to, calm) =>
      new Promise<Opening>((resolve) => {
        const desk = document.querySelector('main')!;
        const began = performance.now();
        let seen = 0;
        let last = began;
        let worst = 0;
        const tasks = new PerformanceObserver((list) => {
          for (const { startTime, duration } of list.getEntries())
            if (startTime + duration > began) worst = Math.max(worst, duration);
        });
        tasks.observe({ type: 'longtask' });
        const watch = new MutationObserver(() => {
          requestAnimationFrame(() => {
            if (desk.querySelector('.loading')) return;
            last = performance.now();
            seen ||= last;
          });
        });
        watch.observe(desk, { childList: true, subtree: true });
        history.pushState({}, '', to);
        dispatchEvent(new PopStateEvent('popstate', { state: history.state as unknown }));
        const look = setInterval(() => {
          const now = performance.now();
          if ((seen === 0 || now - last < calm) && now - began < 20_000) return;
          clearInterval(look);
          watch.disconnect();
          tasks.disconnect();
          resolve({ seenMs: (seen || now) - began, wholeMs: last - began, worstMs: worst });
        }, 50);
      }),
    address,
    calmMs,
  );

/** Opens an address as a link of the page does, and waits until nothing more is drawn for a moment. */
export async function follow(page: Page, address: string, calmMs?: number): Promise<void> {
  await timedOpening(page, address, calmMs);
}
