import type { Response } from 'express';

/** Longest time that work in portions holds everything else up, ms. */
const PORTION_MS = 15;

const aMoment = () => new Promise<void>((resolve) => setImmediate(resolve));

/** Runs work that comes in steps, letting other requests through every few milliseconds. */
export async function inPortions<T>(steps: Iterator<unknown, T>): Promise<T> {
  for (;;) {
    const until = performance.now() + PORTION_MS;
    do {
      const { done, value } = steps.next();
      if (done) return value;
    } while (performance.now() < until);
    await aMoment();
  }
}

/** Applies a function to every item, in portions. */
export function eachInPortions<T, R>(items: readonly T[], work: (item: T, at: number) => R): Promise<R[]> {
  function* steps(): Generator<void, R[]> {
    const results: R[] = [];
    for (const [at, item] of items.entries()) {
      results.push(work(item, at));
      yield;
    }
    return results;
  }
  return inPortions(steps());
}

/** Answers with JSON that holds a list, written in portions as well: a catalogue of some thousand takes longer to write
 *  than to read. `head`: what stands beside the list; without one the answer is the list itself. */
export async function sendList(
  response: Response,
  items: readonly unknown[],
  head?: { key: string; beside: object },
): Promise<void> {
  response.type('json');
  response.write(head ? `${JSON.stringify(head.beside).slice(0, -1)},"${head.key}":[` : '[');
  await eachInPortions(items, (item, at) => response.write(`${at > 0 ? ',' : ''}${JSON.stringify(item)}`));
  response.end(head ? ']}' : ']');
}

/** Work of one kind, one after the other. */
export function oneAtATime(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const next = last.then(work, work);
    last = next.catch(() => undefined);
    return next;
  };
}
