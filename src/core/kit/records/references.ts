import type { RecordDefinition } from './defineRecord.ts';
import type { Field, Fields, Outside, Target } from './fields.ts';

/** What a reference leads to from now on: another id, or undefined where its target is gone. */
export type Redirect = (id: string, to: Target | Outside) => string | undefined;

/** A field with every reference in it redirected; undefined where it cannot be without one that is gone. What changes
 *  nothing gives the same object back. */
function redirected(field: Field<unknown>, value: unknown, redirect: Redirect): unknown {
  if (value === null || value === undefined) return value;
  switch (field.type) {
    case 'id':
      return field.of ? redirect(value as string, field.of) : value;
    case 'reference':
      return redirect(value as string, field.to) ?? (field.orNull && !field.goesWith ? null : undefined);
    case 'list': {
      const entries = value as readonly unknown[];
      const next = entries
        .map((entry) => redirected(field.each, entry, redirect))
        .filter((entry) => entry !== undefined);
      return next.length === entries.length && next.every((entry, at) => entry === entries[at])
        ? entries
        : next;
    }
    case 'group':
      return redirectedFields(field.fields, value as Record<string, unknown>, redirect);
    default:
      return value;
  }
}

function redirectedFields<T extends Record<string, unknown>>(
  fields: Fields,
  value: T,
  redirect: Redirect,
): T | undefined {
  let next: Record<string, unknown> = value;
  for (const [key, field] of Object.entries(fields)) {
    const old = value[key];
    const now = redirected(field, old, redirect);
    if (now === undefined && old !== undefined) return undefined;
    if (now !== old) next = { ...next, [key]: now };
  }
  return next as T;
}

/** What a record says with every reference redirected, also of what others refer to within it; undefined where it
 *  cannot be without one that is gone. */
export const withReferences = <T extends object>(
  record: RecordDefinition,
  value: T,
  redirect: Redirect,
): T | undefined =>
  redirectedFields(record.fields, value as Record<string, unknown>, redirect) as T | undefined;

/** Every reference of a record, and what it holds that others refer to. */
export function referencesOf(
  record: RecordDefinition,
  value: object,
): {
  refers: { to: Target | Outside; id: string; label: string }[];
  holds: { target: Target; id: string }[];
} {
  const refers: { to: Target | Outside; id: string; label: string }[] = [];
  const holds: { target: Target; id: string }[] = [];
  const visit = (field: Field<unknown>, inner: unknown): void => {
    if (inner === null || inner === undefined) return;
    if (field.type === 'id' && field.of) holds.push({ target: field.of, id: inner as string });
    else if (field.type === 'reference')
      refers.push({ to: field.to, id: inner as string, label: field.label });
    else if (field.type === 'list') for (const entry of inner as unknown[]) visit(field.each, entry);
    else if (field.type === 'group')
      for (const [key, each] of Object.entries(field.fields))
        visit(each, (inner as Record<string, unknown>)[key]);
  };
  for (const [key, field] of Object.entries(record.fields))
    visit(field, (value as Record<string, unknown>)[key]);
  return { refers, holds };
}
