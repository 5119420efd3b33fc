import { useState } from 'react';
import type { KitItemKind } from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

/** Records of a kind that are added, changed and taken out one by one; what the server refuses is said. */
export function useDetailRecords<T extends { id: string; name: string }>(buildId: string, kind: KitItemKind) {
  const [problem, setProblem] = useState<string | null>(null);
  const put = (id: string, value: Omit<T, 'id'> | null, label: string) =>
    void changeKit(buildId, [{ kind, id, value }], label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
  return {
    problem,
    /** Gives the id of what was added. */
    add: (value: Omit<T, 'id'>): string => {
      const id = newId(buildId);
      put(id, value, `add ${(value as unknown as T).name.toLowerCase()}`);
      return id;
    },
    change: (record: T, part: Partial<T>) =>
      put(record.id, { ...record, ...part }, `change of ${record.name.toLowerCase()}`),
    remove: ({ id, name }: T) => put(id, null, `take out ${name.toLowerCase()}`),
  };
}

/** A name that none of some records has yet: "Wheel 2". */
export function freeName(word: string, all: readonly { name: string }[]): string {
  const taken = new Set(all.map(({ name }) => name.toLowerCase()));
  for (let count = 1; ; count++) {
    const name = count === 1 ? word : `${word} ${count}`;
    if (!taken.has(name.toLowerCase())) return name;
  }
}
