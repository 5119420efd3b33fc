import type { AnyObjectSchema } from 'yup';
import type { Field } from '../../core/kit/index.ts';

/** What an input needs to keep to the limits of what it edits: those are written once, at the record. */

/** The longest text that a field takes. */
export const textLimits = (field: Field<string> | Field<string | null>): { maxLength?: number } =>
  field.type === 'text' ? { maxLength: field.most } : {};

/** Whether a field takes whole numbers only. */
export const isWholeNumber = (field: Field<number> | Field<number | null>): boolean =>
  field.type === 'number' && field.whole;

/** The most entries that a list takes. */
export const listLimit = (field: Field<unknown>): number => (field.type === 'list' ? field.most : 0);

/** The least and the most of a number, in a unit of which each is so many of the record's. */
export const numberLimits = (
  field: Field<number> | Field<number | null>,
  perUnit = 1,
): { min?: number; max?: number } =>
  field.type === 'number' ? { min: field.least / perUnit, max: field.most / perUnit } : {};

/** The bound of a rule of a schema's field: `max` of a text is its length. */
function bound(schema: AnyObjectSchema, key: string, rule: 'min' | 'max'): number | undefined {
  const { fields } = schema.describe();
  const field = fields[key];
  const tests = field && 'tests' in field ? field.tests : [];
  const found = tests.find(({ name }) => name === rule)?.params?.[rule];
  return typeof found === 'number' ? found : undefined;
}

/** The longest text that a field of a schema takes. */
export const schemaTextLimits = (schema: AnyObjectSchema, key: string): { maxLength?: number } => ({
  maxLength: bound(schema, key, 'max'),
});

/** The least and the most of a number that a schema takes, in a unit of which each is so many of the schema's. */
export function schemaNumberLimits(
  schema: AnyObjectSchema,
  key: string,
  perUnit = 1,
): { min?: number; max?: number } {
  const [min, max] = [bound(schema, key, 'min'), bound(schema, key, 'max')];
  return {
    min: min === undefined ? undefined : min / perUnit,
    max: max === undefined ? undefined : max / perUnit,
  };
}
