import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler, type Response } from 'express';
import sirv from 'sirv';
import { guardedHeaders } from './access/headers.ts';
import { changesState, onlyOwnKind, onlyOwnNames, onlyOwnPages, type HostNames } from './access/hosts.ts';
import { signIn } from './access/signIn.ts';
import { watchClock } from './clockWatch.ts';
import { ProblemError, sendProblem, shown } from './problem.ts';
import { unlessUnchanged } from './requests/conditional.ts';
import { jsonBody } from './requests/jsonBody.ts';
import { benchRoutes } from './routes/benchRoutes.ts';
import { bookRoutes } from './routes/bookRoutes.ts';
import { buildRoutes } from './routes/buildRoutes.ts';
import { copyRoutes } from './routes/copyRoutes.ts';
import { cupRoutes } from './routes/cupRoutes.ts';
import { deviceRoutes } from './routes/deviceRoutes.ts';
import { handOnRoutes } from './routes/handOnRoutes.ts';
import { kitRoutes } from './routes/kitRoutes.ts';
import { learning } from './routes/learning.ts';
import { paintRoutes } from './routes/paintRoutes.ts';
import { typefaceRoutes } from './routes/typefaceRoutes.ts';
import type { ServerContext } from './routes/serverContext.ts';

export interface AppOptions extends ServerContext, Partial<HostNames> {
  /** Folder of the built interface; the server answers without it too. */
  webFolder?: string;
  /** Asked of every visitor where the server listens beyond this machine. */
  passphrase?: string;
}

/** Stands in the built page for the nonce of each answer. */
const NONCE_PLACE = '__NONCE__';

/** The whole server as an Express application; it does not listen by itself. */
export function createApp({
  webFolder,
  passphrase,
  host = '127.0.0.1',
  names,
  ...served
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.use(onlyOwnNames({ host, names }));
  app.use((_request, response, next) => {
    (response as NoncedResponse).nonce = randomBytes(16).toString('base64');
    next();
  });
  app.use(guardedHeaders((response) => (response as NoncedResponse).nonce));
  app.use(onlyOwnPages);
  app.use(compression());
  if (passphrase) app.use(signIn(passphrase, served.clock));

  const watch = watchClock(served.db, served.clock);
  app.use('/api', onlyOwnKind, onlyWhereWritable(served), jsonBody);
  app.use('/api', (request, _response, next) => {
    if (changesState(request)) watch.note();
    next();
  });
  app.use(
    '/api',
    unlessUnchanged(served.sqlite, served.clock, () => (watch.jump() ? 'jumped' : '')),
  );
  const learn = learning(served.db);
  app.use(
    benchRoutes(served, watch, passphrase !== undefined),
    bookRoutes(served),
    buildRoutes(served, learn),
    copyRoutes(served),
    cupRoutes(served, learn),
    deviceRoutes(served),
    handOnRoutes(served, learn),
    kitRoutes(served),
    paintRoutes(served, learn),
    typefaceRoutes(served),
  );

  const nothingHere: RequestHandler = (request) => {
    throw new ProblemError({
      status: 404,
      title: 'No such address',
      detail: `${request.method} ${shown(request.originalUrl)} is not something Fanfare answers.`,
    });
  };
  app.use('/api', nothingHere);
  if (webFolder && existsSync(join(webFolder, 'index.html'))) serveInterface(app, webFolder);
  app.use(nothingHere, sendProblem);
  return app;
}

interface NoncedResponse extends Response {
  nonce: string;
}

function serveInterface(app: Express, webFolder: string): void {
  const page = readFileSync(join(webFolder, 'index.html'), 'utf8');
  const assets = join(webFolder, 'assets');
  // Compressed when it was built; their names change with what they hold.
  if (existsSync(assets))
    app.use('/assets', sirv(assets, { immutable: true, maxAge: 31_536_000, brotli: true, gzip: true }));
  app.use(express.static(webFolder, { maxAge: 0, index: false }));
  app.get('/{*path}', (_request, response) => {
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(page.replaceAll(NONCE_PLACE, (response as NoncedResponse).nonce));
  });
}

/** Lets nothing be changed on a bench that is open for reading, or whose file was moved away or replaced while it was
 *  open: what is written to that would be gone with the server. */
function onlyWhereWritable({ file, readOnly }: ServerContext): RequestHandler {
  const idOfFile = () => {
    const { ino, dev } = statSync(file, { throwIfNoEntry: false }) ?? { ino: 0, dev: 0 };
    return `${dev}:${ino}`;
  };
  const own = file === ':memory:' ? null : idOfFile();
  return (request, _response, next) => {
    if (!changesState(request)) {
      next();
      return;
    }
    if (readOnly !== null) {
      throw new ProblemError({
        status: 403,
        type: '/problems/read-only',
        title: 'Open for reading',
        detail: readOnly,
        remedy: 'Nothing was changed. Make the file writable, or restore a backup, then start again.',
      });
    }
    if (own !== null && idOfFile() !== own) {
      throw new ProblemError({
        status: 503,
        type: '/problems/file-gone',
        title: 'The data file is not there any more',
        detail: `${file} was moved, removed or replaced while Fanfare had it open. Nothing is written until it is started again.`,
        remedy: 'Put the file back, or take a backup from here first; then start Fanfare again.',
      });
    }
    next();
  };
}
