import type { Request } from 'express';
import type { AnyObjectSchema, InferType } from 'yup';
import type { Database, OpenDatabase } from '../database/open.ts';

/** What every route needs. */
export interface Served {
  db: Database;
  sqlite: OpenDatabase['sqlite'];
  /** Milliseconds since 1970. */
  clock: () => number;
  demo: boolean;
}

/** A request body checked against its schema; throws a ValidationError that names every fault. */
export function validated<S extends AnyObjectSchema>(schema: S, body: unknown): InferType<S> {
  return schema.validateSync(body ?? {}, { abortEarly: false, strict: true });
}

export function idOf(request: Request): string {
  return String(request.params.id);
}
