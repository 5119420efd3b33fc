import { KIT_RECORDS, STOCK_RECORDS, type Kit, type RecordDefinition, type Stock } from './records/index.ts';

interface StoredItem {
  kind: string;
  id: string;
  value: unknown;
}

function assembled(records: readonly RecordDefinition[], items: readonly StoredItem[]): unknown {
  const lists = new Map(records.map(({ kind }) => [kind, [] as object[]]));
  for (const { kind, id, value } of items) lists.get(kind)?.push({ ...(value as object), id });
  return Object.fromEntries(records.map(({ kind, list }) => [list, lists.get(kind)]));
}

/** The stored records of a build as one kit, in their order; records of other kinds are left out. */
export const assembleKit = (items: readonly StoredItem[]): Kit => assembled(KIT_RECORDS, items) as Kit;

/** The stored records of the stock, in their order; records of other kinds are left out. */
export const assembleStock = (items: readonly StoredItem[]): Stock =>
  assembled(STOCK_RECORDS, items) as Stock;
