import type { PlannedLayer } from '../build.ts';

/** What a field of a record may hold: type, limits, default and, in messages and forms, its name. From these derive the
 *  TypeScript type, what crosses the wire, the limits of forms, and what becomes of a reference whose target goes. */

interface Text {
  type: 'text';
  most: number;
  /** Must not be empty, nor begin or end with a space. */
  required: boolean;
  /** Something that it may hold, where not every text will do. */
  example?: string;
}
interface Amount {
  type: 'number';
  least: number;
  most: number;
  whole: boolean;
}
interface Flag {
  type: 'flag';
}
interface Choice {
  type: 'choice';
  values: readonly string[];
}
/** A calendar day, like 2026-07-04. */
interface Day {
  type: 'day';
}
/** An id of something within a record; `of` where other records refer to it. */
interface OwnId {
  type: 'id';
  of?: Target;
}
/** The id of another record. Where that goes, what cannot be without it goes too: the entry of a list, or the record. */
interface Reference {
  type: 'reference';
  to: Target | Outside;
  /** Goes with its target although it may be null. */
  goesWith?: true;
}
interface List {
  type: 'list';
  each: Field<unknown>;
  most: number;
  /** Of fixed length. */
  length?: number;
}
interface Group {
  type: 'group';
  fields: Fields;
  check?: (value: never) => string | null;
}
/** Choices by the ids of things outside the kit. */
interface ChoiceById {
  type: 'choice-by-id';
  values: readonly string[];
  most: number;
}
/** The layers of a stack. */
interface Layers {
  type: 'layers';
  least: number;
}

export type FieldShape =
  Text | Amount | Flag | Choice | Day | OwnId | Reference | List | Group | ChoiceById | Layers;

/** A field that holds a T. */
export type Field<T> = FieldShape & {
  /** As messages and forms name it: "the name of the part". */
  label: string;
  /** What it holds in a new record. */
  initial: T;
  orNull?: true;
  optional?: true;
};

export type Fields = Readonly<Record<string, Field<unknown>>>;

type Optional<F extends Fields> = {
  [K in keyof F]: F[K] extends { optional: true } ? K : never;
}[keyof F];

/** What a group of fields holds. */
export type ValueOf<F extends Fields> = {
  -readonly [K in Exclude<keyof F, Optional<F>>]: F[K] extends { initial: infer T } ? T : never;
} & { -readonly [K in Optional<F>]?: F[K] extends { initial: infer T } ? T : never };

/** What within a kit can be referred to. */
export const TARGETS = ['part', 'finish', 'joint', 'option', 'view', 'decal'] as const;
export type Target = (typeof TARGETS)[number];
/** What lies outside the kit's own records. */
export type Outside = 'code' | 'picture' | 'step' | 'tray' | 'join';

/** Whether a reference leads to something within the kit. */
export const isWithinKit = (to: Target | Outside): to is Target =>
  (TARGETS as readonly string[]).includes(to);

export const text = (label: string, most: number): Field<string> => ({
  type: 'text',
  label,
  most,
  required: false,
  initial: '',
});

/** Text that must not be empty. */
export const named = (label: string, most = 120): Field<string> => ({
  type: 'text',
  label,
  most,
  required: true,
  initial: '',
});

/** A word of the builder's that may be left open. */
export const textOrNull = (label: string, most: number): Field<string | null> => ({
  ...text(label, most),
  orNull: true,
  initial: null,
});

export const amount = (label: string, least: number, most: number, initial = least): Field<number> => ({
  type: 'number',
  label,
  least,
  most,
  whole: false,
  initial,
});

export const whole = (label: string, least: number, most: number, initial = least): Field<number> => ({
  type: 'number',
  label,
  least,
  most,
  whole: true,
  initial,
});

/** A number that nobody may have measured. */
export const amountOrNull = (label: string, least: number, most: number): Field<number | null> => ({
  ...amount(label, least, most),
  orNull: true,
  initial: null,
});

/** A count that nobody may have made. */
export const wholeOrNull = (label: string, least: number, most: number): Field<number | null> => ({
  ...whole(label, least, most),
  orNull: true,
  initial: null,
});

export const flag = (label: string, initial = false): Field<boolean> => ({ type: 'flag', label, initial });

export const choice = <T extends string>(
  label: string,
  values: readonly T[],
  initial: T = values[0]!,
): Field<T> => ({ type: 'choice', label, values, initial });

export const choiceOrNull = <T extends string>(label: string, values: readonly T[]): Field<T | null> => ({
  type: 'choice',
  label,
  values,
  orNull: true,
  initial: null,
});

export const choiceIfAny = <T extends string>(
  label: string,
  values: readonly T[],
): Field<T> & { optional: true } => ({ ...choice(label, values), optional: true });

/** A field that records of an earlier version do not have. */
export const ifAny = <F>(field: F): F & { optional: true } => ({ ...field, optional: true });

export const dayOrNull = (label: string): Field<string | null> => ({
  type: 'day',
  label,
  orNull: true,
  initial: null,
});

export const ownId = (of?: Target): Field<string> => ({ type: 'id', label: 'the id', initial: '', of });

export const reference = (label: string, to: Target | Outside): Field<string> => ({
  type: 'reference',
  label,
  to,
  initial: '',
});

export const referenceOrNull = (label: string, to: Target | Outside): Field<string | null> => ({
  type: 'reference',
  label,
  to,
  orNull: true,
  initial: null,
});

export const list = <T>(label: string, each: Field<T>, most: number): Field<T[]> => ({
  type: 'list',
  label,
  each,
  most,
  initial: [],
});

/** As above, but what only that one needed goes with it. */
export const referenceIfAny = (label: string, to: Target): Field<string | null> => ({
  type: 'reference',
  label,
  to,
  goesWith: true,
  orNull: true,
  initial: null,
});

export const references = (label: string, to: Target | Outside, most: number): Field<string[]> =>
  list(label, reference(label, to), most);

/** Four numbers, one for each corner of a chassis. */
export const corners = (label: string, each: Field<number>): Field<[number, number, number, number]> => ({
  type: 'list',
  label,
  each,
  most: 4,
  length: 4,
  initial: [each.initial, each.initial, each.initial, each.initial],
});

export const group = <F extends Fields>(
  label: string,
  fields: F,
  check?: (value: ValueOf<F>) => string | null,
): Field<ValueOf<F>> => ({ type: 'group', label, fields, check, initial: initialOf(fields) });

export const choiceById = <T extends string>(
  label: string,
  values: readonly T[],
  most: number,
): Field<Record<string, T>> => ({ type: 'choice-by-id', label, values, most, initial: {} });

export const layers = (label: string, least: number): Field<PlannedLayer[]> => ({
  type: 'layers',
  label,
  least,
  initial: [],
});

/** What a group holds in a new record. */
export function initialOf<F extends Fields>(fields: F): ValueOf<F> {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([key, { initial, optional }]) => (optional ? [] : [[key, initial]])),
  ) as ValueOf<F>;
}

/** What was stored before a field was there, with what a new record would hold in it. */
export function withInitials(fields: Fields, stored: object): object {
  const said = stored as Readonly<Record<string, unknown>>;
  const filled = Object.entries(fields).flatMap(([key, field]) => {
    if (key in said) return [[key, filledIn(field, said[key])]];
    return field.optional ? [] : [[key, field.initial]];
  });
  return { ...stored, ...(Object.fromEntries(filled) as object) };
}

function filledIn(field: Field<unknown>, value: unknown): unknown {
  if (field.type === 'list' && Array.isArray(value)) return value.map((each) => filledIn(field.each, each));
  const isGroup = field.type === 'group' && typeof value === 'object' && value !== null;
  return isGroup ? withInitials(field.fields, value) : value;
}

/** Whether a day like 2026-07-04 is in the calendar. */
export function isRealDay(day: unknown): day is string {
  if (typeof day !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(day)) return false;
  const date = new Date(`${day}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(day);
}
