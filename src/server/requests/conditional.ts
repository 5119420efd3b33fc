import { randomUUID } from 'node:crypto';
import type { Database as Sqlite } from 'better-sqlite3';
import type { RequestHandler } from 'express';
import { CLOCK_HEADER } from '../../api/index.ts';

/** Answers a read with 304 where nothing was written since the browser's copy was made. What is stored changes by
 *  this connection's writes, or by another program's; both are counted by SQLite. `mood`: what else an answer depends
 *  on. */
export function unlessUnchanged(sqlite: Sqlite, clock: () => number, mood: () => string): RequestHandler {
  const start = randomUUID().slice(0, 8);
  const written = sqlite.prepare('SELECT total_changes()').pluck();
  return (request, response, next) => {
    response.set(CLOCK_HEADER, String(clock()));
    if (request.method !== 'GET' && request.method !== 'HEAD') {
      response.set('Cache-Control', 'no-store');
      next();
      return;
    }
    response.set('Cache-Control', 'private, no-cache');
    response.set(
      'ETag',
      `W/"${start}-${String(written.get())}-${String(sqlite.pragma('data_version', { simple: true }))}${mood()}"`,
    );
    if (request.fresh) response.status(304).end();
    else next();
  };
}

/** What is not stored, like the state of a device, is asked anew every time. */
export const neverKept: RequestHandler = (_request, response, next) => {
  response.removeHeader('ETag');
  response.set('Cache-Control', 'no-store');
  next();
};
