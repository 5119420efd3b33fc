import { Router, type RequestHandler } from 'express';
import type { OpenDatabase } from '../database/open.ts';
import { answering } from '../requests/answering.ts';
import { onceOnly, type Work } from '../requests/onceOnly.ts';

/** What every route needs. */
export interface ServerContext extends Pick<OpenDatabase, 'db' | 'sqlite' | 'file' | 'readOnly'> {
  /** Milliseconds since 1970. */
  clock: () => number;
  demo: boolean;
}

type Add = (path: string, ...handlers: [...before: RequestHandler[], work: Work]) => void;

/** A router whose work is tried again while another program holds the data file, and whose writes are done once however
 *  often they are sent. */
export function benchRouter({ db }: Pick<ServerContext, 'db'>): {
  router: Router;
  get: Add;
  post: Add;
  put: Add;
  remove: Add;
} {
  const router = Router();
  const adder =
    (method: 'get' | 'post' | 'put' | 'delete'): Add =>
    (path, ...handlers) => {
      const before = handlers.slice(0, -1) as RequestHandler[];
      const work = handlers.at(-1) as Work;
      router[method](path, ...before, answering(method === 'get' ? work : onceOnly(db, work)));
    };
  return { router, get: adder('get'), post: adder('post'), put: adder('put'), remove: adder('delete') };
}
