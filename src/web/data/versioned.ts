import { askWhichToKeep } from './conflict.ts';
import { keyedQueue } from './keyedQueue.ts';
import { RequestProblem } from './request.ts';

/** The newest version of every record that this tab has seen. Versions only grow, so an answer that comes late cannot
 *  bring an older one back. */
const newest = new Map<string, number>();

/** Takes note of a version; 0 says that there is no such record. */
export function seeVersion(key: string, version: number | undefined): void {
  if (version === 0) newest.delete(key);
  else if (version !== undefined) newest.set(key, Math.max(version, newest.get(key) ?? 0));
}

export const newestVersion = (key: string, version = 0): number => Math.max(version, newest.get(key) ?? 0);

interface VersionedSave<T> {
  /** Kind and id of the record: saves of one record wait for each other. */
  key: string;
  /** What it is called where another tab has changed it too. */
  what: string;
  /** The version that it is known to have where this tab has seen none. */
  version?: number;
  /** Writes it from a version, once. */
  send: (version: number) => Promise<T>;
  /** The record as the server has it, for the builder who takes that; undefined where it is gone. */
  takeTheirs: (current: unknown) => void;
}

/** Changes or removes a record from its newest version. Where another tab was first, the builder keeps theirs or sends
 *  it again over theirs. Gives what the server answered; undefined where theirs was kept. Throws what else it refuses
 *  with. */
export function saveVersioned<T>({
  key,
  what,
  version,
  send,
  takeTheirs,
}: VersionedSave<T>): Promise<T | undefined> {
  return keyedQueue(key, async () => {
    for (;;) {
      const from = newestVersion(key, version);
      try {
        const saved = await send(from);
        seeVersion(key, (saved as { version?: number } | undefined)?.version);
        return saved;
      } catch (error) {
        if (!isStale(error)) throw error;
        const { current, detail } = error.problem;
        seeVersion(key, (current as { version?: number } | undefined)?.version);
        if ((await askWhichToKeep(what, detail)) === 'theirs') {
          takeTheirs(current);
          return undefined;
        }
      }
    }
  });
}

/** Whether a save was refused because the record is at another version by now. */
export const isStale = (error: unknown): error is RequestProblem =>
  error instanceof RequestProblem && error.problem.type === '/problems/stale-version';
