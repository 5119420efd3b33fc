import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import envPaths from 'env-paths';
import { createApp } from './app.ts';
import { benchClock } from './clock.ts';
import { openDatabase } from './database/open.ts';
import { projectRoot } from './projectRoot.ts';
import { convertSurfaces } from './store/convertSurfaces.ts';
import { isEmpty, seedDemo } from './seedDemo.ts';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);
const DEFAULT_PORT = 4180;

function refuse(message: string): never {
  console.error(`Fanfare did not start: ${message}`);
  process.exit(1);
}

function portFrom(text: string | undefined): number {
  const port = text === undefined || text === '' ? DEFAULT_PORT : Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    refuse(`FANFARE_PORT must be a whole number from 0 to 65535, not "${text}".`);
  return port;
}

const demo = process.argv.includes('--demo');
const host = process.env.FANFARE_HOST ?? '127.0.0.1';
const port = portFrom(process.env.FANFARE_PORT);
const passphrase = process.env.FANFARE_PASSPHRASE;
if (!LOOPBACK.has(host) && !passphrase) {
  refuse(`listening on ${host} would open your bench to the network. Set FANFARE_PASSPHRASE first.`);
}
const folder = envPaths('fanfare', { suffix: '' }).data;
const file = process.env.FANFARE_DATA ?? join(folder, demo ? 'demo.db' : 'bench.db');

try {
  const { db, sqlite } = openDatabase(file);
  const clock = benchClock(process.env.FANFARE_CLOCK);
  db.transaction((tx) => convertSurfaces(tx, Math.floor(clock() / 60000)));
  if (demo && isEmpty(db)) seedDemo(db, clock());
  const app = createApp({ db, sqlite, clock, demo, passphrase, webFolder: join(projectRoot(), 'dist/web') });
  const server = app.listen(port, host, (error?: Error & { code?: string }) => {
    if (error) {
      sqlite.close();
      if (error.code === 'EADDRINUSE')
        refuse(
          `port ${port} is taken by another program. Choose another: FANFARE_PORT=${port + 1} npm ${demo ? 'run demo' : 'start'}`,
        );
      refuse(`cannot listen on ${host}:${port} (${error.code ?? error.message}).`);
    }
    const { port: actual } = server.address() as AddressInfo;
    console.log(`Your data: ${file}`);
    console.log(`Fanfare is at http://${host.includes(':') ? `[${host}]` : host}:${actual}/`);
  });
  const stop = () => {
    server.close(() => {
      sqlite.close();
      process.exit(0);
    });
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  refuse((error as Error).message);
}
