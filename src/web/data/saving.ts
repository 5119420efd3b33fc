import { create } from 'zustand';
import type { Problem } from '../../api/index.ts';
import { refetchAll } from './cache.ts';
import { benchNow } from './clock.ts';
import { randomKey } from './newId.ts';
import { request, RequestProblem, Unreachable } from './request.ts';
import { answered, keep, takeOverTicks, unsent, type Write } from './unsent.ts';

/** Whether what the builder sees is on disk. */
export type SavedState = { kind: 'saved'; at: number | null } | { kind: 'saving' } | { kind: 'waiting' };

interface Saving {
  state: SavedState;
  /** What the server would not take; it stands until the builder has read it, whatever is saved meanwhile. */
  refusal: Problem | null;
}

const useSaving = create<Saving>(() => ({ state: { kind: 'saved', at: null }, refusal: null }));
let pending = 0;
let onSettled: (() => void)[] = [];

const show = (state: SavedState): void => useSaving.setState({ state });
export const useSavedState = (): SavedState => useSaving(({ state }) => state);
export const useRefusal = (): Problem | null => useSaving(({ refusal }) => refusal);
export const refusalNow = (): Problem | null => useSaving.getState().refusal;
/** Shows a refusal, or takes it away (null). */
export const setRefusal = (refusal: Problem | null): void => useSaving.setState({ refusal });

/** After so many ms what could not be sent is tried again, the last of them for as long as it takes. */
const RETRIES_MS = [100, 300, 1000, 2000];

/** The last of the writes that wait for each other: everything is sent in the order in which it was done. */
let last: Promise<unknown> = Promise.resolve();

/** Sends a change after all that were made before it, and shows its fate. It is kept in the browser until it is
 *  answered; while the server is away it waits and is tried again under the same name, so that it is done once. A refusal
 *  is shown and thrown on. */
export function write<T>(
  method: Write['method'],
  path: string,
  body?: unknown,
  version?: number,
): Promise<T> {
  return recallableWrite<T>(method, path, body, version).answer as Promise<T>;
}

/** A write that can be called back while it has no answer. */
export interface Recallable<T> {
  /** Undefined where it was called back. */
  answer: Promise<T | undefined>;
  /** Sends it no more. Whether the server has it all the same is not known. */
  recall: () => void;
}

export function recallableWrite<T>(
  method: Write['method'],
  path: string,
  body?: unknown,
  version?: number,
): Recallable<T> {
  const change: Write = { key: randomKey(), method, path, body, version };
  let isWanted = true;
  keep(change);
  return {
    answer: inTurn(() => sent<T>(change, () => isWanted)),
    recall: () => {
      isWanted = false;
      answered(change);
    },
  };
}

function inTurn<T>(send: () => Promise<T>): Promise<T> {
  pending++;
  show({ kind: 'saving' });
  const result = last.then(send);
  last = result.catch(() => undefined);
  return result.then(
    (value) => {
      settle(benchNow());
      return value;
    },
    (error: unknown) => {
      const now = useSaving.getState().state;
      settle(now.kind === 'saved' ? now.at : null);
      if (error instanceof RequestProblem && error.problem.type !== '/problems/stale-version') {
        setRefusal(error.problem);
        // It is there, but what it is like now is only known to the server.
        if (error.problem.type === '/problems/answer-lost') void refetchAll();
      }
      throw error;
    },
  );
}

function settle(at: number | null): void {
  pending--;
  show(pending > 0 ? { kind: 'saving' } : { kind: 'saved', at });
  if (pending > 0) return;
  for (const resolve of onSettled) resolve();
  onSettled = [];
}

async function sent<T>(change: Write, isWanted = () => true): Promise<T | undefined> {
  try {
    return await untilReached(() => request<T>(change.method, change.path, change), isWanted);
  } finally {
    answered(change);
  }
}

async function untilReached<T>(ask: () => Promise<T>, isWanted?: () => boolean): Promise<T>;
async function untilReached<T>(ask: () => Promise<T>, isWanted = () => true): Promise<T | undefined> {
  for (let tries = 0; isWanted(); tries++) {
    try {
      return await ask();
    } catch (error) {
      if (!(error instanceof Unreachable)) throw error;
      show({ kind: 'waiting' });
      const wait = RETRIES_MS[Math.min(tries, RETRIES_MS.length - 1)];
      await new Promise((resolve) => setTimeout(resolve, wait));
    }
  }
  return undefined;
}

/** Asks in the turn of the writes, and again while the server is away. */
export function whenReached<T>(ask: () => Promise<T>): Promise<T> {
  return inTurn(() => untilReached(ask));
}

/** Sends what was not answered when the page was closed. Gives how many; what is refused now is shown. */
export async function sendUnsent(): Promise<number> {
  takeOverTicks();
  const left = unsent();
  const sends = left.map((change) =>
    inTurn(() => sent(change)).catch((error: unknown) => {
      if (!(error instanceof RequestProblem)) throw error;
      const { problem } = error;
      setRefusal({
        ...problem,
        title: 'Not saved before the page was closed',
        detail: `${problem.detail} The change was left out; the bench shows what is saved.`,
        remedy: 'Make it again if it is still wanted.',
      });
    }),
  );
  await Promise.all(sends);
  if (left.length > 0) void refetchAll();
  return left.length;
}

/** Resolves once no change is on its way. */
export async function savesSettled(): Promise<void> {
  while (pending > 0) await new Promise<void>((resolve) => onSettled.push(resolve));
}

/** Leaving the page while a change is on its way would hide whether it was taken. */
window.addEventListener('beforeunload', (event) => {
  if (pending > 0) event.preventDefault();
});

/** A refusal is on the screen already; whoever did not wait for it has nothing more to say. */
window.addEventListener('unhandledrejection', (event) => {
  if (event.reason instanceof RequestProblem) event.preventDefault();
});
