import { isWithinKit } from './records/fields.ts';
import { KIT_RECORDS, type Kit, type KitItemKind, type RecordDefinition } from './records/index.ts';
import { referencesOf, withReferences } from './records/references.ts';

/** A former build's kit as a new box of the same: parts back on their frames and unchecked, joints unpinned, no
 *  option picked, nothing fitted yet; what was found out about the sheet and what it needs stays. */
export function copyKit(kit: Kit, rename: (id: string) => string): Kit {
  const copies = KIT_RECORDS.map((record: RecordDefinition) => [
    record.list,
    kit[record.list as keyof Kit].flatMap((value) => {
      const copy = record.onCopy(value) as { id: string } | null;
      const renamed = copy && withReferences(record, copy, (id, to) => (isWithinKit(to) ? rename(id) : id));
      return renamed ? [{ ...renamed, id: rename(copy.id) }] : [];
    }),
  ]);
  return Object.fromEntries(copies) as Kit;
}

/** All records of a kit, each with its kind; what is referred to comes before what refers to it. */
export function recordsOfKit(kit: Kit): { kind: KitItemKind; id: string; value: { id: string } }[] {
  const entries = KIT_RECORDS.flatMap((record: RecordDefinition) =>
    kit[record.list as keyof Kit].map((value) => ({
      kind: record.kind as KitItemKind,
      id: value.id,
      value,
      ...referencesOf(record, value),
    })),
  );
  type Entry = (typeof entries)[number];
  const holder = new Map(
    entries.flatMap((entry) =>
      [{ target: entry.kind as string, id: entry.id }, ...entry.holds].map(
        ({ target, id }) => [`${target} ${id}`, entry] as const,
      ),
    ),
  );
  const placed = new Set<Entry>();
  const place = (entry: Entry): void => {
    if (placed.has(entry)) return;
    placed.add(entry);
    for (const { to, id } of entry.refers) {
      const needed = holder.get(`${to} ${id}`);
      if (needed) place(needed);
    }
    ordered.push(entry);
  };
  const ordered: Entry[] = [];
  entries.forEach(place);
  return ordered.map(({ kind, id, value }) => ({ kind, id, value }));
}
