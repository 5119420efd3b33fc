/** What crosses the wire: paths, schemas, records. */
export { idFrom } from './ids.ts';
export { PATHS, pathTo } from './paths.ts';
export * from './schemas.ts';
export * from './kitSchemas.ts';
export type * from './records.ts';
