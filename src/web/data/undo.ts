import { create } from 'zustand';
import { useShallow } from 'zustand/react/shallow';

/** A change that can be taken back and made again. */
interface Change {
  label: string;
  undo: () => Promise<unknown>;
  redo: () => Promise<unknown>;
  /** What it is made of, where it is several in one. */
  parts?: Change[];
}

interface Changes {
  done: readonly Change[];
  undone: readonly Change[];
}

interface UndoState {
  undoLabel: string | null;
  redoLabel: string | null;
}

const LIMIT = 100;
const useChanges = create<Changes>(() => ({ done: [], undone: [] }));
const { getState, setState } = useChanges;

const without = (changes: readonly Change[], change: Change): Change[] =>
  changes.filter((each) => each !== change);

export function remember(change: Change): void {
  setState(({ done }) => ({ done: [...done.slice(-LIMIT + 1), change], undone: [] }));
}

export type Remember = (change: Change) => void;

/** Remembers changes as one, to be taken back in one. */
export function together(label: string): Remember {
  const whole: Change & { parts: Change[] } = {
    label,
    undo: async () => {
      for (const part of [...whole.parts].reverse()) await part.undo();
    },
    redo: async () => {
      for (const part of whole.parts) await part.redo();
    },
    parts: [],
  };
  return (part) => {
    whole.parts = [...whole.parts, part];
    if (whole.parts.length === 1) remember(whole);
  };
}

/** Leaves out a change that did not happen after all. */
export function forget(change: Change): void {
  const left = (changes: readonly Change[]) =>
    changes.filter((each) => {
      if (!each.parts) return each !== change;
      each.parts = without(each.parts, change);
      return each.parts.length > 0;
    });
  setState(({ done, undone }) => ({ done: left(done), undone: left(undone) }));
}

/** Forgets every change. */
export function forgetAll(): void {
  setState({ done: [], undone: [] });
}

const labelsOf = ({ done, undone }: Changes): UndoState => ({
  undoLabel: done.at(-1)?.label ?? null,
  redoLabel: undone.at(-1)?.label ?? null,
});

/** What `undo` would take back now; null for nothing. */
export const undoLabel = (): string | null => labelsOf(getState()).undoLabel;

/** Takes the last change back. Throws what the server refused it with: then it is still there to be taken back. */
export async function undo(): Promise<string | null> {
  const change = getState().done.at(-1);
  if (!change) return null;
  setState(({ done, undone }) => ({ done: without(done, change), undone: [...undone, change] }));
  try {
    await change.undo();
  } catch (error) {
    setState(({ done, undone }) => ({ done: [...done, change], undone: without(undone, change) }));
    throw error;
  }
  return change.label;
}

/** Makes again what was taken back last. Throws as `undo` does. */
export async function redo(): Promise<string | null> {
  const change = getState().undone.at(-1);
  if (!change) return null;
  setState(({ done, undone }) => ({ done: [...done, change], undone: without(undone, change) }));
  try {
    await change.redo();
  } catch (error) {
    setState(({ done, undone }) => ({ done: without(done, change), undone: [...undone, change] }));
    throw error;
  }
  return change.label;
}

export const useUndoState = (): UndoState => useChanges(useShallow(labelsOf));
