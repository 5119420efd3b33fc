import { describe, expect, it } from 'vitest';
import { KIT_RECORDS, STOCK_RECORDS, type Field, type RecordDefinition } from '../core/kit/index.ts';
import { exampleValue } from '../core/kit/records/exampleRecords.ts';
import { recordSchema } from './recordSchemas.ts';

const ALL: readonly RecordDefinition[] = [...KIT_RECORDS, ...STOCK_RECORDS];

/** Values that a field must refuse. */
function beyond(field: Field<unknown>): unknown[] {
  switch (field.type) {
    case 'text':
      return ['x'.repeat(field.most + 1), 7, ...(field.required ? ['', ' padded '] : [])];
    case 'number':
      return [
        field.least - 1,
        field.most + 1,
        Number.NaN,
        'many',
        ...(field.whole ? [field.least + 0.5] : []),
      ];
    case 'flag':
      return ['yes', 1];
    case 'choice':
      return ['cheese', 0];
    case 'day':
      return ['2026-99-99', 'tomorrow', 20260101];
    case 'id':
    case 'reference':
      return ['x'.repeat(401), 7, ...(field.orNull ? [] : [''])];
    case 'list':
      return [
        'not a list',
        ...beyond(field.each).map((each) => Array.from({ length: field.length ?? 1 }, () => each)),
        Array.from({ length: field.most + 1 }, () => (field.each.type === 'number' ? 1 : 'x')),
      ];
    case 'group':
      return [null, 'x', { glitter: true }];
    case 'choice-by-id':
      return [{ tray: 'nowhere' }, 'x'];
    case 'layers':
      return [[], 'x'];
  }
}

describe('schemas from descriptors', () => {
  it.each(ALL.map((record) => [record.kind, record] as const))(
    '%s: take what it may say, unchanged',
    (_, record) => {
      const value = exampleValue(record);
      expect(recordSchema(record).validateSync(value, { strict: true })).toEqual(value);
    },
  );

  it.each(
    ALL.flatMap((record) =>
      Object.entries(record.fields).map(([key, field]) => [record.kind, key, record, field] as const),
    ),
  )(
    '%s.%s: refuse what is beyond its limits or missing, and take null only where nothing may be known',
    (_, key, record, field) => {
      const schema = recordSchema(record);
      const value = exampleValue(record);
      for (const wrong of beyond(field))
        expect(schema.isValidSync({ ...value, [key]: wrong }, { strict: true }), JSON.stringify(wrong)).toBe(
          false,
        );
      const { [key]: _gone, ...without } = value;
      expect(schema.isValidSync(without, { strict: true })).toBe(field.optional ?? false);
      expect(schema.isValidSync({ ...value, [key]: null }, { strict: true })).toBe(field.orNull ?? false);
    },
  );
});
