import { create } from 'zustand';

/** A record that another tab changed while this one was editing it. */
export interface Conflict {
  what: string;
  detail: string;
  keepMine: () => void;
  takeTheirs: () => void;
}

/** Questions that wait for the builder, one after the other. */
const useQuestions = create<{ conflicts: readonly Conflict[] }>(() => ({ conflicts: [] }));

export const useConflict = (): Conflict | null => useQuestions(({ conflicts }) => conflicts[0] ?? null);

/** Asks the builder which of two versions to keep. */
export function askWhichToKeep(what: string, detail: string): Promise<'mine' | 'theirs'> {
  return new Promise((resolve) => {
    const answer = (choice: 'mine' | 'theirs') => () => {
      useQuestions.setState(({ conflicts }) => ({ conflicts: conflicts.filter((each) => each !== asked) }));
      resolve(choice);
    };
    const asked: Conflict = { what, detail, keepMine: answer('mine'), takeTheirs: answer('theirs') };
    useQuestions.setState(({ conflicts }) => ({ conflicts: [...conflicts, asked] }));
  });
}
