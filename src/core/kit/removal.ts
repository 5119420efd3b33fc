import { isWithinKit, type Target } from './records/fields.ts';
import {
  jointRecord,
  KIT_RECORDS,
  type Kit,
  type KitItemKind,
  type RecordDefinition,
} from './records/index.ts';
import { referencesOf, withReferences, type Redirect } from './records/references.ts';

/** One record to store, or to remove where the value is null. */
export interface KitChange {
  kind: KitItemKind;
  id: string;
  value: object | null;
}

/** What must change with changes of a kit so that nothing refers to what they take away: what cannot be without it goes
 *  too, the rest forgets it. Gives those changes before the given ones; records named in these are left to them. */
export function withWhatGoesToo(kit: Kit, changes: readonly KitChange[]): KitChange[] {
  const named = new Set(changes.map(({ kind, id }) => `${kind} ${id}`));
  const gone = goneWith(kit, changes);
  if (gone.size === 0) return [...changes];
  const rest = each(kit).filter(({ record, value }) => !named.has(`${record.kind} ${value.id}`));
  const left = withoutGone(rest, (target) => gone.has(target));
  const follow = rest.flatMap(({ record, value }, at): KitChange[] => {
    const now = left[at];
    if (now === value) return [];
    return [{ kind: record.kind as KitItemKind, id: value.id, value: now ?? null }];
  });
  const isLeft: Redirect = (id, to) => (gone.has(`${to} ${id}`) ? undefined : id);
  return [
    ...follow,
    ...changes.map((change) => {
      const record = (KIT_RECORDS as readonly RecordDefinition[]).find(({ kind }) => kind === change.kind);
      return change.value && record
        ? { ...change, value: withReferences(record, change.value, isLeft) ?? change.value }
        : change;
    }),
  ];
}

/** What is left of records once some things are gone, in the order of the records: undefined where one cannot be
 *  without, and then what refers to that goes the same way. */
function withoutGone(
  records: readonly KitEntry[],
  isGone: (target: string) => boolean,
): ({ id: string } | undefined)[] {
  const followed = new Set<string>();
  const left: ({ id: string } | undefined)[] = records.map(({ value }) => value);
  const redirect: Redirect = (id, to) => {
    const target = `${to} ${id}`;
    return isWithinKit(to) && (followed.has(target) || isGone(target)) ? undefined : id;
  };
  for (let isMore = true; isMore;) {
    isMore = false;
    records.forEach(({ record, value }, at) => {
      const before = left[at];
      if (!before) return;
      left[at] = withReferences(record, before, redirect);
      if (left[at] === before) return;
      isMore = true;
      const kept = new Set(left[at] ? targetsOf(record, left[at]) : []);
      for (const target of targetsOf(record, value)) if (!kept.has(target)) followed.add(target);
    });
  }
  return left;
}

interface KitEntry {
  record: RecordDefinition;
  value: { id: string };
}

const each = (kit: Kit): KitEntry[] =>
  (KIT_RECORDS as readonly RecordDefinition[]).flatMap((record) =>
    kit[record.list as keyof Kit].map((value) => ({ record, value })),
  );

/** A kit without what refers to something that is no longer in it, as kits were stored where nothing went with a
 *  removal. Joints stay: a joint of a missing part is to be settled by the builder. */
export function withoutOrphans(kit: Kit): Kit {
  const all = each(kit);
  const known = new Set(all.flatMap(({ record, value }) => targetsOf(record, value)));
  const entries = all.filter(({ record }) => record.kind !== jointRecord.kind);
  const left = withoutGone(entries, (target) => !known.has(target));
  if (left.every((value, at) => value === entries[at]!.value)) return kit;
  const lists = new Map<string, unknown[]>(KIT_RECORDS.map(({ list }) => [list, []]));
  entries.forEach(({ record }, at) => {
    if (left[at]) lists.get(record.list)!.push(left[at]);
  });
  return { ...(Object.fromEntries(lists) as Kit), joints: kit.joints };
}

/** What others may refer to in a record: itself, and what it holds. */
const targetsOf = (record: RecordDefinition, value: { id: string }): string[] => [
  `${record.kind} ${value.id}`,
  ...referencesOf(record, value).holds.map(({ target, id }) => `${target} ${id}`),
];

/** What others could refer to and the changes take away. */
function goneWith(kit: Kit, changes: readonly KitChange[]): Set<string> {
  const after = new Map(changes.map(({ kind, id, value }) => [`${kind} ${id}`, value]));
  return new Set(
    each(kit).flatMap(({ record, value }) => {
      const now = after.get(`${record.kind} ${value.id}`);
      if (now === undefined) return [];
      const kept = new Set(now ? targetsOf(record, { ...now, id: value.id }) : []);
      return targetsOf(record, value).filter((target) => !kept.has(target));
    }),
  );
}

/** References of a kit that lead to nothing in it, each with the record that holds it. */
export function danglingReferences(kit: Kit): (KitEntry & { label: string; to: Target; id: string })[] {
  const entries = each(kit);
  const known = new Set(entries.flatMap(({ record, value }) => targetsOf(record, value)));
  return entries.flatMap(({ record, value }) =>
    referencesOf(record, value).refers.flatMap(({ to, id, label }) =>
      isWithinKit(to) && !known.has(`${to} ${id}`) ? [{ record, value, label, to, id }] : [],
    ),
  );
}
