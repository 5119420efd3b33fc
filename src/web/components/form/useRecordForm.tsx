import type { AnyObjectSchema } from 'yup';
import type { Field, Fields, ValueOf } from '../../../core/kit/index.ts';
import { numberLimits, textLimits } from '../limits.ts';
import { useCheckedForm } from './useCheckedForm.tsx';

/** What the inputs of a form hold: a number may be an empty text while it is typed, and what is picked null. */
export type Draft<F extends Fields> = {
  [K in keyof ValueOf<F>]: ValueOf<F>[K] extends number | null
    ? number | string
    : ValueOf<F>[K] extends string
      ? ValueOf<F>[K] | null
      : ValueOf<F>[K];
};

/** What was typed as a record says it: texts without spaces at their ends, and what was left empty as nothing. */
function saidOf<F extends Fields>(fields: F, draft: Draft<F>): ValueOf<F> {
  return Object.fromEntries(
    Object.entries(draft).map(([key, value]: [string, unknown]) => {
      const field = fields[key]!;
      if (typeof value !== 'string') return [key, value];
      if (field.type !== 'number') return [key, value.trim() === '' && field.orNull ? null : value.trim()];
      return [key, value.trim() === '' ? null : Number(value)];
    }),
  ) as ValueOf<F>;
}

/** Fields of which some start otherwise than in a new record; the rest starts as there. */
function startOf<F extends Fields>(fields: F, start: Partial<Draft<F>>): Draft<F> {
  return Object.fromEntries(
    Object.entries(fields).map(([key, { initial, type }]) => {
      if (key in start) return [key, start[key as keyof Draft<F>]];
      if (type === 'reference') return [key, null];
      return [key, type === 'number' && initial === null ? '' : initial];
    }),
  ) as Draft<F>;
}

type Name<F extends Fields> = keyof ValueOf<F> & string;

interface FormOptions<F extends Fields> {
  start?: Partial<Draft<F>>;
  asks?: Partial<Record<Name<F>, string>>;
  /** What the record says where the builder said less. */
  prepare?: (value: ValueOf<F>) => ValueOf<F>;
  wholeAt?: Name<F>;
  check?: (value: ValueOf<F>) => Partial<Record<Name<F>, string>>;
}

/** A form over the fields of a record. What is wrong is said at its input, in the words of the schema that the server
 *  checks by, and nothing that was typed is lost. */
export function useRecordForm<F extends Fields>(
  fields: F,
  schema: AnyObjectSchema,
  { start = {}, prepare = (value) => value, ...rest }: FormOptions<F> = {},
) {
  const form = useCheckedForm<Draft<F>, ValueOf<F>>({
    initial: startOf(fields, start),
    valueOf: (draft) => prepare(saidOf(fields, draft)),
    schema,
    ...rest,
  });
  return {
    values: form.values,
    /** Properties of an input for text. */
    text: (key: Name<F>) => ({ ...form.input(key), ...textLimits(fields[key] as Field<string>) }),
    number: (key: Name<F>, perUnit?: number) => ({
      ...form.input(key),
      ...numberLimits(fields[key] as Field<number>, perUnit),
    }),
    /** Of a list to pick from. */
    pick: (key: Name<F>) => form.input(key),
    problem: form.problem,
    submit: form.submit,
  };
}
