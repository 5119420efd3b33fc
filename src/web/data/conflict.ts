import { useSyncExternalStore } from 'react';

/** A record that another tab changed while this one was editing it. */
export interface Conflict {
  what: string;
  detail: string;
  keepMine: () => void;
  takeTheirs: () => void;
}

let current: Conflict | null = null;
const listeners = new Set<() => void>();

function set(next: Conflict | null): void {
  current = next;
  listeners.forEach((listener) => listener());
}

export function useConflict(): Conflict | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
  );
}

/** Asks the builder which of two versions to keep. */
export function askWhichToKeep(what: string, detail: string): Promise<'mine' | 'theirs'> {
  return new Promise((resolve) => {
    const answer = (choice: 'mine' | 'theirs') => () => {
      set(null);
      resolve(choice);
    };
    set({ what, detail, keepMine: answer('mine'), takeTheirs: answer('theirs') });
  });
}
