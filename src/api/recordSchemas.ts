import {
  array,
  boolean,
  number,
  object,
  string,
  type AnyObjectSchema,
  type ObjectSchema,
  type Schema,
} from 'yup';
import {
  buildFields,
  dividedJoinFields,
  isRealDay,
  joinFields,
  trayFields,
  type Field,
  type Fields,
  type RecordDefinition,
  type ValueOf,
} from '../core/kit/index.ts';
import { count, id, label, layersSchema, oneOf, whole } from './schemas.ts';

/** Yup schemas from the descriptors of records. Messages are read by builders. */

const MOST_OF_AN_ID = 120;
const MOST_OF_A_STEP_ID = 400;

function textSchema(field: Extract<Field<unknown>, { type: 'text' }>): Schema {
  if (field.required) return label(field.label, field.most);
  const words = string().defined().max(field.most, `${field.label} has at most ${field.most} characters`);
  return field.orNull ? words.nullable() : words;
}

function numberSchema(field: Extract<Field<unknown>, { type: 'number' }>): Schema {
  const { label: what, least, most } = field;
  if (!field.orNull) return field.whole ? whole(what, least, most) : count(what, least, most);
  const bounded = number()
    .typeError(`${what} must be a number`)
    .nullable()
    .defined()
    .min(least, `${what} must lie between ${least} and ${most}`)
    .max(most, `${what} must lie between ${least} and ${most}`);
  return field.whole ? bounded.integer(`${what} must be a whole number`) : bounded;
}

function choiceSchema(field: Extract<Field<unknown>, { type: 'choice' }>): Schema {
  const { label: what, values } = field;
  if (!field.orNull) return oneOf(values, what);
  return string()
    .nullable()
    .defined()
    .oneOf([...values, null], `${what} must be none or one of: ${values.join(', ')}`);
}

function referenceSchema(field: Extract<Field<unknown>, { type: 'reference' }>): Schema {
  const isStep = field.to === 'step';
  if (field.orNull)
    return string()
      .nullable()
      .defined()
      .max(isStep ? MOST_OF_A_STEP_ID : MOST_OF_AN_ID);
  return isStep ? string().required(`${field.label} is missing`).max(MOST_OF_A_STEP_ID) : id(field.label);
}

function listSchema(field: Extract<Field<unknown>, { type: 'list' }>): Schema {
  const all = array(schemaOfField(field.each)).required();
  return field.length === undefined
    ? all.max(field.most, `${field.label}: at most ${field.most}`)
    : all.length(field.length, field.label);
}

const daySchema = () =>
  string()
    .nullable()
    .defined('the day is missing')
    .test('day', 'a day is written like 2026-07-04, and must be in the calendar', (day) => {
      return day === null || isRealDay(day);
    });

function schemaOfField(field: Field<unknown>): Schema {
  switch (field.type) {
    case 'text':
      return textSchema(field);
    case 'number':
      return numberSchema(field);
    case 'flag':
      return boolean().required();
    case 'choice':
      return choiceSchema(field);
    case 'day':
      return daySchema();
    case 'id':
      return id();
    case 'reference':
      return referenceSchema(field);
    case 'list':
      return listSchema(field);
    case 'group':
      return checked(objectOf(field.fields).required(), field.check as Check | undefined);
    case 'choice-by-id':
      return object()
        .required()
        .test(
          'choices',
          `${field.label} must be one of: ${field.values.join(', ')}`,
          (chosen: Record<string, unknown>) =>
            Object.keys(chosen).length <= field.most &&
            Object.values(chosen).every((value) => (field.values as readonly unknown[]).includes(value)),
        );
    case 'layers':
      return layersSchema().min(field.least, `${field.label} has at least one layer`);
  }
}

const objectOf = <F extends Fields>(fields: F): ObjectSchema<ValueOf<F>> =>
  object(
    Object.fromEntries(
      Object.entries(fields).map(([key, field]) => {
        const schema = schemaOfField(field);
        return [key, field.optional ? schema.optional() : schema];
      }),
    ),
  ).noUnknown() as unknown as ObjectSchema<ValueOf<F>>;

type Check = (value: unknown) => string | null;

const checked = (schema: AnyObjectSchema, check: Check | undefined): AnyObjectSchema =>
  check
    ? schema.test('check', (value: unknown, { createError }) => {
        const wrong = value === undefined || value === null ? null : checkedWhereSound(check, value);
        return wrong === null || createError({ message: wrong });
      })
    : schema;

/** A check reads fields that are as they should be: of a value that is not, the faulty field is told of by itself. */
function checkedWhereSound(check: Check, value: unknown): string | null {
  try {
    return check(value);
  } catch (error) {
    if (error instanceof TypeError) return null;
    throw error;
  }
}

/** What a record of the kind may say. */
export const recordSchema = (record: RecordDefinition): AnyObjectSchema =>
  checked(objectOf(record.fields), (value) => record.check(value as never));

export const buildInput = objectOf(buildFields);
export const trayInput = objectOf(trayFields);
export const joinInput = objectOf(joinFields);
export const dividedJoinInput = objectOf(dividedJoinFields);
