import { array, mixed, object, type AnyObjectSchema } from 'yup';
import {
  KIT_RECORDS,
  STOCK_RECORDS,
  type DividedJoinInput,
  type KitItemKind,
  type RecordDefinition,
  type StockItemKind,
  type TrayInput,
} from '../core/kit/index.ts';
import { dividedJoinInput, recordSchema, trayInput } from './recordSchemas.ts';
import { id, oneOf, version } from './schemas.ts';

/** What a kit and the stock consist of, as it crosses the wire. */

const byKind = <K extends string>(records: readonly RecordDefinition<K>[]) =>
  Object.fromEntries(records.map((record) => [record.kind, recordSchema(record)])) as Record<
    K,
    AnyObjectSchema
  >;

/** Kinds of record that belong to a build, and the schema of each. */
export const KIT_ITEMS = byKind(KIT_RECORDS as readonly RecordDefinition<KitItemKind>[]);
/** Kinds of record that belong to the bench. */
export const STOCK_ITEMS = byKind(STOCK_RECORDS as readonly RecordDefinition<StockItemKind>[]);

/** One request changes at most this many records. */
export const MOST_CHANGES = 500;

/** Changes of records of the given kinds: a value to store, or null to remove; version 0 for a new record. */
export function changesSchema(kinds: Readonly<Record<string, AnyObjectSchema>>) {
  const change = object({
    kind: oneOf(Object.keys(kinds), 'the kind of record'),
    id: id(),
    version: version(),
    value: mixed().nullable().defined(),
  }).noUnknown();
  return object({
    changes: array(change)
      .required()
      .min(1, 'there is no change in the request')
      .max(MOST_CHANGES, `at most ${MOST_CHANGES} changes at once`),
  }).noUnknown();
}

/** Sub-assemblies and joins as a proposal lays them out, taken in one stroke. */
export const subassembliesInput = object({
  trays: array(
    object({
      id: id(),
      /** 0 where the sub-assembly is new. */
      version: version(),
      tray: trayInput.required(),
    }).noUnknown(),
  )
    .required()
    .max(600, 'at most 600 sub-assemblies'),
  removed: array(object({ id: id(), version: version() }).noUnknown())
    .required()
    .max(600),
  joins: array(
    object({
      id: id(),
      /** 0 where the join is new. */
      version: version(),
      join: dividedJoinInput.required(),
    }).noUnknown(),
  )
    .required()
    .max(600, 'at most 600 joins'),
  removedJoins: array(object({ id: id(), version: version() }).noUnknown())
    .required()
    .max(600),
}).noUnknown();

/** A sub-assembly or join with the version that it was made from; 0 where it is new. */
interface Versioned {
  id: string;
  version: number;
}
export interface SubassembliesInput {
  trays: (Versioned & { tray: TrayInput })[];
  removed: Versioned[];
  joins: (Versioned & { join: DividedJoinInput })[];
  removedJoins: Versioned[];
}
