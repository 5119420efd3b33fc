import { timingSafeEqual } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { PATHS } from '../api/index.ts';
import { ProblemError, sendProblem } from './problem.ts';
import { benchRoutes } from './routes/benchRoutes.ts';
import { buildRoutes } from './routes/buildRoutes.ts';
import { cupRoutes } from './routes/cupRoutes.ts';
import { kitRoutes } from './routes/kitRoutes.ts';
import { paintRoutes } from './routes/paintRoutes.ts';
import type { Served } from './routes/served.ts';

export interface AppOptions extends Served {
  /** Folder of the built interface; the server answers without it too. */
  webFolder?: string;
  /** Asked of every request where the server listens beyond this machine. */
  passphrase?: string;
}

/** The whole server as an Express application; it does not listen by itself. */
export function createApp({ webFolder, passphrase, ...served }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(compression());
  if (passphrase) app.use(askPassphrase(passphrase));
  app.use('/api', express.json({ limit: '1mb' }));
  app.use(
    benchRoutes(served),
    buildRoutes(served),
    cupRoutes(served),
    kitRoutes(served),
    paintRoutes(served),
  );

  app.get(PATHS.backup, async (_request, response, next) => {
    const folder = await mkdtemp(join(tmpdir(), 'fanfare-'));
    const file = join(folder, 'fanfare-backup.db');
    try {
      await served.sqlite.backup(file);
      response.download(file, (error) => {
        void rm(folder, { recursive: true, force: true });
        if (error) next(error);
      });
    } catch (error) {
      await rm(folder, { recursive: true, force: true });
      throw error;
    }
  });

  app.use('/api', (request) => {
    throw new ProblemError({
      status: 404,
      title: 'No such address',
      detail: `${request.method} ${request.originalUrl} is not something Fanfare answers.`,
    });
  });
  if (webFolder && existsSync(join(webFolder, 'index.html'))) {
    app.use('/assets', express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y' }));
    app.use(express.static(webFolder, { maxAge: 0 }));
    app.get('/{*path}', (_request, response) => response.sendFile(join(webFolder, 'index.html')));
  }
  app.use(sendProblem);
  return app;
}

function askPassphrase(passphrase: string): RequestHandler {
  const expected = Buffer.from(passphrase);
  return (request, response, next) => {
    const [, encoded = ''] = (request.headers.authorization ?? '').split(' ');
    const given = Buffer.from(
      Buffer.from(encoded, 'base64')
        .toString()
        .replace(/^[^:]*:/, ''),
    );
    if (given.length === expected.length && timingSafeEqual(given, expected)) {
      next();
      return;
    }
    response
      .status(401)
      .set('WWW-Authenticate', 'Basic realm="Fanfare", charset="UTF-8"')
      .send('Fanfare asks for the passphrase of this bench.');
  };
}
