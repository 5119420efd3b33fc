/** What some work made, and how long that took, seconds. */
export function timed<T>(work: () => T): { made: T; seconds: number } {
  const began = performance.now();
  const made = work();
  return { made, seconds: (performance.now() - began) / 1000 };
}
