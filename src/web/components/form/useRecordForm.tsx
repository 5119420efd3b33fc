import { useForm, type FormErrors } from '@mantine/form';
import { yupResolver } from 'mantine-form-yup-resolver';
import { useRef } from 'react';
import type { AnyObjectSchema, ObjectSchema } from 'yup';
import type { Field, Fields, ValueOf } from '../../../core/kit/index.ts';
import { numberLimits, textLimits } from '../limits.ts';

/** What the inputs of a form hold: a number may be an empty text while it is typed, and what is picked null. */
export type Draft<F extends Fields> = {
  [K in keyof ValueOf<F>]: ValueOf<F>[K] extends number | null
    ? number | string
    : ValueOf<F>[K] extends string
      ? ValueOf<F>[K] | null
      : ValueOf<F>[K];
};

/** What was typed as a record says it: texts without spaces at their ends, and what was left empty as nothing. */
function said<F extends Fields>(fields: F, draft: Draft<F>): ValueOf<F> {
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

interface FormOptions<F extends Fields> {
  start?: Partial<Draft<F>>;
  /** What is asked at an input that was left empty and must not be. */
  asks?: Partial<Record<keyof F & string, string>>;
  /** What the record says where the builder said less. */
  prepare?: (value: ValueOf<F>) => ValueOf<F>;
  /** Where it is said that the record as a whole is wrong; by itself where none is named. */
  wholeAt?: keyof F & string;
  /** What else is wrong, by the input where it is said. */
  check?: (value: ValueOf<F>) => Partial<Record<keyof F & string, string>>;
}

const isEmpty = (value: unknown): boolean =>
  value === null || (typeof value === 'string' && value.trim() === '');
const asSentence = (words: unknown): string => String(words).replace(/^./, (first) => first.toUpperCase());

/** A form over the fields of a record. What is wrong is said at its input, in the words of the schema that the server
 *  checks by, and nothing that was typed is lost. */
export function useRecordForm<F extends Fields>(
  fields: F,
  schema: AnyObjectSchema,
  { start = {}, asks = {}, prepare = (value) => value, wholeAt, check = () => ({}) }: FormOptions<F> = {},
) {
  const bySchema = yupResolver(schema as ObjectSchema<Record<string, unknown>>);
  const valueOf = (draft: Draft<F>) => prepare(said(fields, draft));
  const initialValues = startOf(fields, start);
  const form = useForm<Draft<F>>({
    initialValues,
    validate: (draft) => {
      const { '': whole, ...each } = bySchema(valueOf(draft)) as Record<string, unknown>;
      const wrong = Object.entries(each).map(([key, words]) => [
        key,
        (isEmpty(draft[key as keyof Draft<F>]) && asks[key as keyof F & string]) || asSentence(words),
      ]);
      if (wrong.length === 0 && whole) return { [wholeAt ?? '']: whole } as FormErrors;
      return wrong.length > 0 ? (Object.fromEntries(wrong) as FormErrors) : check(valueOf(draft));
    },
  });
  const input = (key: keyof F & string) => form.getInputProps(key as never) as InputProps;
  /** What is on its way to the server: asked for once more meanwhile, it is not sent again. */
  const sent = useRef<string>(undefined);
  const send = async (
    draft: Draft<F>,
    act: (value: ValueOf<F>) => unknown,
    clears: readonly (keyof F & string)[],
  ) => {
    const mine = JSON.stringify(draft);
    if (sent.current === mine) return;
    sent.current = mine;
    try {
      const answer = act(valueOf(draft));
      // At once, since a server that is away answers only when it is back.
      form.setValues(
        Object.fromEntries(clears.map((key) => [key, initialValues[key as never]])) as unknown as Draft<F>,
      );
      const cleared = JSON.stringify(form.getValues());
      await Promise.resolve(answer).catch((error: unknown) => {
        // What has been typed since stays, too.
        if (JSON.stringify(form.getValues()) === cleared) form.setValues(draft);
        throw error;
      });
    } catch (error) {
      form.setFieldError('', (error as Error).message);
    } finally {
      if (sent.current === mine) sent.current = undefined;
    }
  };
  return {
    values: form.values,
    /** Properties of an input for text. */
    text: (key: keyof F & string) => ({ ...input(key), ...textLimits(fields[key] as Field<string>) }),
    number: (key: keyof F & string, perUnit?: number) => ({
      ...input(key),
      ...numberLimits(fields[key] as Field<number>, perUnit),
    }),
    /** Of a list to pick from. */
    pick: (key: keyof F & string) => input(key),
    /** What is wrong with the whole, and at no input. */
    problem: form.errors[''] && (
      <p role="alert" className="wide">
        {form.errors['']}
      </p>
    ),
    /** Hands over what the form says, and empties the named inputs. Where it is refused that is said, and what was typed
     *  is back; where it is wrong the first input that is takes the keyboard, unless that is a list. */
    submit: (act: (value: ValueOf<F>) => unknown, clears: readonly (keyof F & string)[] = []) =>
      form.onSubmit(
        (draft) => void send(draft, act, clears),
        (errors) => {
          const node = form.getInputNode(Object.keys(errors)[0] as never);
          // A list would open over what is said below it.
          if (!node?.hasAttribute('aria-haspopup')) node?.focus();
        },
      ),
  };
}

interface InputProps {
  // What an input hands over is its own affair; the form reads it by type of field.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  value: any;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  onChange: (value: any) => void;
  error?: React.ReactNode;
}
