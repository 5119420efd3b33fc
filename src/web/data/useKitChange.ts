import { useState } from 'react';
import { changeKit } from './kit.ts';

/** Changes of a kit in one go; what the server refuses is said. */
export function useKitChange(buildId: string) {
  const [problem, setProblem] = useState<string | null>(null);
  const change = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(buildId, changes, label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
  return { problem, change };
}
