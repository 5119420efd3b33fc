import { useForm, type FormErrors } from '@mantine/form';
import { yupResolver } from 'mantine-form-yup-resolver';
import { useRef } from 'react';
import type { AnyObjectSchema, ObjectSchema } from 'yup';

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
  const form = useForm<D>({
    initialValues: initial,
    validate: (draft) => {
      let value: V;
      try {
        value = valueOf(draft);
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        return { [wholeAt ?? '']: error.message };
      }
      const { '': whole, ...each } = bySchema(value as Record<string, unknown>) as Record<string, unknown>;
      const wrong = Object.entries(each).map(([key, words]) => {
        const input = inputOf[key.split('.')[0]!] ?? key;
        return [
          input,
          (isEmpty(draft[input as keyof D]) && asks[input as keyof D & string]) || asSentence(words),
        ];
      });
      if (wrong.length === 0 && whole) return { [wholeAt ?? '']: whole } as FormErrors;
      return wrong.length > 0 ? (Object.fromEntries(wrong) as FormErrors) : check(value);
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
