/** What crosses the wire: paths, schemas, records. */
export { idFrom, isSameWord } from './ids.ts';
export { CLOCK_HEADER, OWN_HEADER, PATHS, pathTo, WRITE_HEADER } from './paths.ts';
export { wholeBench, type Answered, type KnownBuilds } from './wholeBench.ts';
export type { BookInput } from './bookSchemas.ts';
export * from './copies.ts';
export * from './schemas.ts';
export * from './kitSchemas.ts';
export type {
  BuildDocument,
  HandedOnBench,
  HandedOnPreview,
  SharedList,
  Standing,
} from './handOn/buildDocument.ts';
export { buildInput, joinInput, trayInput } from './recordSchemas.ts';
export type * from './records.ts';
