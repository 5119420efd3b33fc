import { useSyncExternalStore } from 'react';
import type { Problem } from '../../api/index.ts';
import { benchNow } from './clock.ts';
import { RequestProblem, Unreachable } from './request.ts';

/** Whether what the builder sees is on disk. */
export type SavedState = { kind: 'saved'; at: number | null } | { kind: 'saving' } | { kind: 'waiting' };

let state: SavedState = { kind: 'saved', at: null };
/** What the server would not take; it stands until the builder has read it, whatever is saved meanwhile. */
let refusal: Problem | null = null;
let pending = 0;
let onSettled: (() => void)[] = [];
const listeners = new Set<() => void>();

function set(next: SavedState): void {
  state = next;
  if (pending === 0) {
    for (const resolve of onSettled) resolve();
    onSettled = [];
  }
  listeners.forEach((listener) => listener());
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function useSavedState(): SavedState {
  return useSyncExternalStore(subscribe, () => state);
}

/** Shows a refusal, or takes it away (null). */
export function setRefusal(next: Problem | null): void {
  refusal = next;
  listeners.forEach((listener) => listener());
}

export function useRefusal(): Problem | null {
  return useSyncExternalStore(subscribe, () => refusal);
}

const RETRY_MS = 2000;

/** Runs a change and shows its fate; while the server is away the change waits and is tried again.
 *  A refusal is shown and thrown on. */
export async function saving<T>(send: () => Promise<T>): Promise<T> {
  pending++;
  set({ kind: 'saving' });
  try {
    for (;;) {
      try {
        const result = await send();
        pending--;
        set(pending > 0 ? { kind: 'saving' } : { kind: 'saved', at: benchNow() });
        return result;
      } catch (error) {
        if (!(error instanceof Unreachable)) throw error;
        set({ kind: 'waiting' });
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  } catch (error) {
    pending--;
    set(pending > 0 ? { kind: 'saving' } : { kind: 'saved', at: state.kind === 'saved' ? state.at : null });
    if (error instanceof RequestProblem && error.problem.status !== 409) setRefusal(error.problem);
    throw error;
  }
}

/** Resolves once no change is on its way. */
export async function savesSettled(): Promise<void> {
  while (pending > 0) await new Promise<void>((resolve) => onSettled.push(resolve));
}

/** Leaving the page while a change is on its way would lose it. */
window.addEventListener('beforeunload', (event) => {
  if (pending > 0) event.preventDefault();
});
