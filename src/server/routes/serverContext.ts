import { Router, type Request, type RequestHandler, type Response } from 'express';
import type { Database, OpenDatabase } from '../database/open.ts';
import { answering } from '../requests/answering.ts';

/** What every route needs. */
export interface ServerContext extends Pick<OpenDatabase, 'db' | 'sqlite' | 'file' | 'readOnly'> {
  /** Milliseconds since 1970. */
  clock: () => number;
  demo: boolean;
}

type Work = (request: Request, response: Response) => void | Promise<void>;
type Add = (path: string, ...handlers: [...before: RequestHandler[], work: Work]) => void;

/** A router whose work is tried again while another program holds the data file. */
export function benchRouter(): { router: Router; get: Add; post: Add; put: Add; remove: Add } {
  const router = Router();
  const adder =
    (method: 'get' | 'post' | 'put' | 'delete'): Add =>
    (path, ...handlers) => {
      const before = handlers.slice(0, -1) as RequestHandler[];
      router[method](path, ...before, answering(handlers.at(-1) as Work));
    };
  return { router, get: adder('get'), post: adder('post'), put: adder('put'), remove: adder('delete') };
}

/** Writes of which another may depend on the first are one transaction, which takes the file for writing at once. */
export const writing = <T>(db: Database, work: (tx: Database) => T): T =>
  db.transaction(work, { behavior: 'immediate' });
