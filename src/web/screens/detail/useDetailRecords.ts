import type { KitItemKind } from '../../../core/kit/index.ts';
import { newId } from '../../data/newId.ts';
import { useKitChange } from '../../data/useKitChange.ts';

/** Puts records of a kind one by one, null to take one out; what the server refuses is said. */
export function usePutRecord(buildId: string, kind: KitItemKind) {
  const { problem, change } = useKitChange(buildId);
  const put = (id: string, value: object | null, label: string) => change([{ kind, id, value }], label);
  return { problem, put };
}

/** Records of a kind that are added, changed and taken out one by one. */
export function useDetailRecords<T extends { id: string; name: string }>(buildId: string, kind: KitItemKind) {
  const { problem, put } = usePutRecord(buildId, kind);
  return {
    problem,
    add: (value: Omit<T, 'id'> & { name: string }) =>
      put(newId(buildId), value, `add ${value.name.toLowerCase()}`),
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
