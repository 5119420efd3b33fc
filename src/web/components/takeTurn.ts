/** Work that waits for its turn, in order. */
const waiting: (() => void)[] = [];
let isUnderWay = false;
/** Longest that small works are done one after the other without listening to the hands, ms: most of a frame. */
const TASK_MS = 10;

function next(): void {
  const end = performance.now() + TASK_MS;
  // The next task stands ready before the work is done: a work that throws ends no other.
  if (waiting.length > 0) setTimeout(next, 0);
  else isUnderWay = false;
  while (waiting.length > 0) {
    waiting.shift()!();
    if (performance.now() >= end) return;
  }
}

/** Does some work in a task of its own, or in one with other small works, after what took its turn before. Gives back
 *  how to leave it undone. */
export function takeTurn(work: () => void): () => void {
  waiting.push(work);
  if (!isUnderWay) {
    isUnderWay = true;
    // The view itself is painted first.
    requestAnimationFrame(() => setTimeout(next, 0));
  }
  return () => {
    const at = waiting.indexOf(work);
    if (at >= 0) waiting.splice(at, 1);
  };
}
