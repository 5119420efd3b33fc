import { useSyncExternalStore } from 'react';

/** A change that can be taken back and made again. */
interface Change {
  label: string;
  undo: () => Promise<unknown>;
  redo: () => Promise<unknown>;
}

interface UndoState {
  undoLabel: string | null;
  redoLabel: string | null;
}

const LIMIT = 100;
let done: Change[] = [];
let undone: Change[] = [];
let snapshot: UndoState = { undoLabel: null, redoLabel: null };
const listeners = new Set<() => void>();

function changed(): void {
  snapshot = { undoLabel: done.at(-1)?.label ?? null, redoLabel: undone.at(-1)?.label ?? null };
  listeners.forEach((listener) => listener());
}

export function remember(change: Change): void {
  done = [...done.slice(-LIMIT + 1), change];
  undone = [];
  changed();
}

/** Leaves out a change that did not happen after all. */
export function forget(change: Change): void {
  done = done.filter((each) => each !== change);
  undone = undone.filter((each) => each !== change);
  changed();
}

/** Forgets every change. */
export function forgetAll(): void {
  done = [];
  undone = [];
  changed();
}

/** What `undo` would take back now; null for nothing. */
export function undoLabel(): string | null {
  return snapshot.undoLabel;
}

/** Takes the last change back. Throws what the server refused it with: then it is still there to be taken back. */
export async function undo(): Promise<string | null> {
  const change = done.at(-1);
  if (!change) return null;
  done = done.slice(0, -1);
  undone = [...undone, change];
  changed();
  try {
    await change.undo();
  } catch (error) {
    undone = undone.filter((each) => each !== change);
    done = [...done, change];
    changed();
    throw error;
  }
  return change.label;
}

/** Makes again what was taken back last. Throws as `undo` does. */
export async function redo(): Promise<string | null> {
  const change = undone.at(-1);
  if (!change) return null;
  undone = undone.slice(0, -1);
  done = [...done, change];
  changed();
  try {
    await change.redo();
  } catch (error) {
    done = done.filter((each) => each !== change);
    undone = [...undone, change];
    changed();
    throw error;
  }
  return change.label;
}

export function useUndoState(): UndoState {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => snapshot,
  );
}
