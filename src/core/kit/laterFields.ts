import { withInitials } from './records/fields.ts';
import { KIT_RECORDS, STOCK_RECORDS, type RecordDefinition } from './records/index.ts';

const KINDS = new Map(
  ([...KIT_RECORDS, ...STOCK_RECORDS] as readonly RecordDefinition[]).map(({ kind, fields }) => [
    kind,
    fields,
  ]),
);

/** What was stored of a record before some of its fields were there, with what a new one would hold in them; records of other
 *  kinds stay as they are. */
export function withLaterFields(kind: string, value: object): object {
  const fields = KINDS.get(kind);
  return fields ? withInitials(fields, value) : value;
}
