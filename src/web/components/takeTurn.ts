/** Work that waits for a task of its own, in order. */
const waiting: (() => void)[] = [];
let isUnderWay = false;

function next(): void {
  const work = waiting.shift();
  isUnderWay = work !== undefined;
  if (!work) return;
  // What the hands do is heard between two of them.
  setTimeout(next, 0);
  work();
}

/** Does some work in a task of its own, after what took its turn before. Gives back how to leave it undone. */
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
