import type { RecordDefinition } from './defineRecord.ts';
import type { Field, Fields, Target } from './fields.ts';
import { KIT_RECORDS, type Kit, type KitItemKind } from './index.ts';

/** A record of every kind, made from its descriptors alone: for tests of what holds for all of them. */

/** What a field holds: the middle of what it may, and something in every list. */
function exampleOf(field: Field<unknown>, idOf: (target: string) => string): unknown {
  switch (field.type) {
    case 'text':
      return field.example ?? 'word'.slice(0, field.most);
    case 'number':
      return field.whole ? Math.ceil(field.least) : (field.least + field.most) / 2;
    case 'flag':
      return true;
    case 'choice':
      return field.values[0];
    case 'day':
      return '2026-02-28';
    case 'id':
      return idOf(field.of ?? 'own');
    case 'reference':
      return idOf(field.to);
    case 'list':
      return Array.from({ length: field.length ?? 1 }, () => exampleOf(field.each, idOf));
    case 'group':
      return exampleFields(field.fields, idOf);
    case 'choice-by-id':
      return { tray: field.values[0] };
    case 'layers':
      return [{ id: 'layer', kind: 'primer', coats: 1, tool: 'can' }];
  }
}

const exampleFields = (fields: Fields, idOf: (target: string) => string): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, exampleOf(field, idOf)]));

/** What a record of the kind says, its references leading to `<target>-1`. */
export const exampleValue = (record: RecordDefinition): Record<string, unknown> => {
  // A joint meets two parts and shuts in a third, a run leads from one part to another, and a joint closes off another.
  let parts = 0;
  return exampleFields(record.fields, (target) => {
    if (target === 'part') return `part-${++parts}`;
    return target === 'joint' && record.kind === 'joint' ? 'joint-2' : `${target}-1`;
  });
};

const PARTS = 4;

/** A kit with a record of every kind, parts and joints enough to refer to; every reference leads to one of them. */
export function exampleKit(): Kit {
  const lists = (KIT_RECORDS as readonly RecordDefinition[]).map((record) => {
    const value = { ...exampleValue(record), id: `${record.kind}-1` };
    if (record.kind === 'part')
      return [
        record.list,
        Array.from({ length: PARTS }, (_, at) => ({
          ...value,
          id: `part-${at + 1}`,
          number: String(at + 1),
        })),
      ];
    if (record.kind === 'joint')
      return [
        record.list,
        [value, { ...value, id: 'joint-2', a: 'part-3', b: 'part-4', captured: [], closes: [] }],
      ];
    return [record.list, [value]];
  });
  return Object.fromEntries(lists) as Kit;
}

/** What can be referred to in the kit above, each with the record whose removal takes it away. */
export const EXAMPLE_TARGETS: readonly { target: Target; id: string; kind: KitItemKind; holder: string }[] = [
  { target: 'part', id: 'part-1', kind: 'part', holder: 'part-1' },
  { target: 'part', id: 'part-2', kind: 'part', holder: 'part-2' },
  { target: 'part', id: 'part-3', kind: 'part', holder: 'part-3' },
  { target: 'finish', id: 'finish-1', kind: 'finish', holder: 'finish-1' },
  { target: 'joint', id: 'joint-1', kind: 'joint', holder: 'joint-1' },
  { target: 'joint', id: 'joint-2', kind: 'joint', holder: 'joint-2' },
  { target: 'option', id: 'option-1', kind: 'choice', holder: 'choice-1' },
  { target: 'view', id: 'view-1', kind: 'view', holder: 'view-1' },
  { target: 'decal', id: 'decal-1', kind: 'decal', holder: 'decal-1' },
];
