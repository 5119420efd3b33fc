/** Where the clock of a step is kept, so that it survives a reload; minutes since 1970. */
export const startedKey = (id: string) => `fanfare.started.${id}`;
export const pausedKey = (id: string) => `fanfare.paused.${id}`;

/** A kept moment; null where none is. */
export function readTime(key: string): number | null {
  const text = localStorage.getItem(key);
  return text === null ? null : Number(text);
}

/** Whether the clock of a step was started. */
export const isRunning = (id: string): boolean => readTime(startedKey(id)) !== null;
