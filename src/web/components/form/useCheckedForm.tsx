import { useForm } from '@mantine/form';
import { yupResolver } from 'mantine-form-yup-resolver';
import { useRef } from 'react';
import type { AnyObjectSchema, ObjectSchema } from 'yup';
import { worked } from '../../../core/worked.ts';

interface CheckedFormOptions<D extends object, V> {
  initial: D;
  /** What the inputs say, as it is sent; a RangeError that it throws is said of the whole. */
  valueOf: (draft: D) => V;
  schema: AnyObjectSchema;
  /** What is asked at an input that was left empty and must not be. */
  asks?: Partial<Record<keyof D & string, string>>;
  /** Inputs that stand for a field of another name: what is wrong with the field is said there. */
  inputOf?: Readonly<Record<string, keyof D & string>>;
  /** Where it is said that the record as a whole is wrong; by itself where none is named. */
  wholeAt?: keyof D & string;
  /** What else is wrong, by the input where it is said. */
  check?: (value: V) => Partial<Record<keyof D & string, string>>;
}

const isEmpty = (value: unknown): boolean =>
  value === null || (typeof value === 'string' && value.trim() === '');
const asSentence = (words: unknown): string => String(words).replace(/^./, (first) => first.toUpperCase());

/** A form whose inputs make one thing that is sent. What is wrong is said at its input, in the words of the schema that
 *  the server checks by, and nothing that was typed is lost. */
export function useCheckedForm<D extends object, V>({
  initial,
  valueOf,
  schema,
  asks = {},
  inputOf = {},
  wholeAt,
  check = () => ({}),
}: CheckedFormOptions<D, V>) {
  const bySchema = yupResolver(schema as ObjectSchema<Record<string, unknown>>);
  /** The input that stands for a field; '' for the whole, where there is none: what is wrong must be seen somewhere. */
  const inputFor = (path: string): string => {
    const field = path.split('.')[0]!;
    const input = inputOf[field] ?? field;
    return input in initial ? input : '';
  };
  const wordsAt = (draft: D, input: string, words: unknown): string =>
    (isEmpty(draft[input as keyof D]) && asks[input as keyof D & string]) || asSentence(words);
  const form = useForm<D>({
    initialValues: initial,
    validate: (draft) => {
      const made = worked(() => valueOf(draft));
      if (made.fault !== undefined) {
        const empty = Object.entries<string | undefined>(asks).filter(([key]) =>
          isEmpty(draft[key as keyof D]),
        );
        return { [wholeAt ?? '']: made.fault, ...Object.fromEntries(empty) };
      }
      const { '': whole, ...each } = bySchema(made.answer as Record<string, unknown>) as Record<
        string,
        unknown
      >;
      const wrong = Object.fromEntries(
        Object.entries(each).map(([path, words]) => [inputFor(path), wordsAt(draft, inputFor(path), words)]),
      );
      // Of the whole it is said where an input is named for it, else once nothing else is wrong.
      if (whole && (wholeAt !== undefined || Object.keys(wrong).length === 0))
        return { [wholeAt ?? '']: wordsAt(draft, wholeAt ?? '', whole), ...wrong };
      return Object.keys(wrong).length > 0 ? wrong : check(made.answer);
    },
  });
  /** What is on its way to the server: asked for once more meanwhile, it is not sent again. */
  const sent = useRef<string>(undefined);
  const send = async (draft: D, act: (value: V) => unknown, clears: readonly (keyof D & string)[]) => {
    const mine = JSON.stringify(draft);
    if (sent.current === mine) return;
    sent.current = mine;
    try {
      const answer = act(valueOf(draft));
      // At once, since a server that is away answers only when it is back.
      form.setValues(Object.fromEntries(clears.map((key) => [key, initial[key]])) as unknown as D);
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
    set: form.setFieldValue,
    input: (key: keyof D & string) => form.getInputProps(key as never) as InputProps,
    /** What is wrong with the whole, and at no input. */
    problem: form.errors[''] && (
      <p role="alert" className="wide">
        {form.errors['']}
      </p>
    ),
    /** Hands over what the form says, and empties the named inputs. Where it is refused that is said, and what was typed
     *  is back; where it is wrong the first input that is takes the keyboard, unless that is a list. */
    submit: (act: (value: V) => unknown, clears: readonly (keyof D & string)[] = []) =>
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

export interface InputProps {
  // What an input hands over is its own affair; the form reads it by type of field.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  value: any;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  onChange: (value: any) => void;
  error?: React.ReactNode;
}
