import { initialOf, type Fields, type ValueOf } from './fields.ts';

/** One kind of record, written down once. */
export interface RecordDefinition<
  K extends string = string,
  L extends string = string,
  F extends Fields = Fields,
> {
  kind: K;
  /** Where a kit, or the stock, keeps all records of the kind. */
  list: L;
  /** As a builder calls one. */
  noun: string;
  /** A build has at most one. */
  single: boolean;
  fields: F;
  /** The record in a former build as it is in a new one of the same box; null where it stays behind. References are
   *  renamed afterwards. */
  onCopy(value: ValueOf<F>): ValueOf<F> | null;
  /** What is wrong with the record as such, in a builder's words; null for nothing. */
  check(value: ValueOf<F>): string | null;
}

interface Options<F extends Fields> {
  single?: boolean;
  onCopy: (value: ValueOf<F>) => ValueOf<F> | null;
  check?: (value: ValueOf<F>) => string | null;
}

export const defineRecord = <K extends string, L extends string, F extends Fields>(
  kind: K,
  list: L,
  noun: string,
  fields: F,
  { single = false, onCopy, check = () => null }: Options<F>,
): RecordDefinition<K, L, F> => ({ kind, list, noun, fields, single, onCopy, check });

/** A record as the core holds it: what it says, and its id. */
export type RecordOf<R> =
  R extends RecordDefinition<string, string, infer F> ? { id: string } & ValueOf<F> : never;

/** What a new record of the kind says. */
export const newRecord = <F extends Fields>(record: RecordDefinition<string, string, F>): ValueOf<F> =>
  initialOf(record.fields);

/** For records that a copy takes as they are. */
export const asItIs = <T>(value: T): T => value;
/** For records that belong to one build's evenings. */
export const staysBehind = (): null => null;
