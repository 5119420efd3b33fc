import type { Request } from 'express';
import type { AnyObjectSchema, InferType } from 'yup';
import { ProblemError } from '../problem.ts';
import { eachInPortions } from './inPortions.ts';

/** A body with more values than this is told its first fault only: all of them would take too long to find. */
const MOST_TO_SEARCH = 2_000;

/** A request body checked against its schema; throws a ValidationError that names its faults. */
export function validated<S extends AnyObjectSchema>(schema: S, body: unknown): InferType<S> {
  const value = body ?? {};
  const options = { strict: true, disableStackTrace: true };
  try {
    return schema.validateSync(value, { ...options, abortEarly: true });
  } catch (error) {
    if (!hasFewer(value, MOST_TO_SEARCH)) throw error;
    return schema.validateSync(value, { ...options, abortEarly: false });
  }
}

/** A body that is a list and little else, its items checked in portions. `shape` checks the list without its items. */
export async function validatedList<T>(
  shape: AnyObjectSchema,
  key: string,
  item: AnyObjectSchema,
  body: unknown,
): Promise<T[]> {
  const list = (validated(shape, body) as Record<string, unknown[]>)[key]!;
  return eachInPortions(list, (value, at) => {
    try {
      return validated(item, value) as T;
    } catch (error) {
      throw Object.assign(error as Error, { row: at + 1 });
    }
  });
}

function hasFewer(value: unknown, most: number): boolean {
  const open = [value];
  for (let seen = 0; open.length > 0; seen++) {
    if (seen > most) return false;
    const next = open.pop();
    if (typeof next === 'object' && next !== null) {
      const inside: unknown[] = Object.values(next);
      if (inside.length > most) return false;
      open.push(...inside);
    }
  }
  return true;
}

export const idOf = (request: Request): string => String(request.params.id);

/** The version of the record that a change or removal was made from, as its If-Match says. Throws ProblemError where
 *  it is missing (428) or no version (400). */
export function ifMatch(request: Request): number {
  const given = request.headers['if-match'];
  if (given === undefined) {
    throw new ProblemError({
      status: 428,
      type: '/problems/no-version',
      title: 'From which version?',
      detail: 'A change or removal says in If-Match which version of the record it was made from.',
      remedy: 'Nothing was changed. Read the record, then send its version, like If-Match: "12".',
    });
  }
  const [, digits] = /^"(\d{1,15})"$/.exec(given.trim()) ?? [];
  if (digits === undefined) {
    throw new ProblemError({
      status: 400,
      type: '/problems/no-version',
      title: 'That is no version',
      detail: 'If-Match takes one version in quotes, like "12".',
      remedy: 'Nothing was changed.',
    });
  }
  return Number(digits);
}
