import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import envPaths from 'env-paths';
import { isLoopback } from './access/hosts.ts';
import { weakness } from './access/passphrase.ts';
import { createApp } from './app.ts';
import { benchClock } from './clock.ts';
import { restoreInPlace } from './database/besideData.ts';
import { keepCopies } from './copies/keepCopies.ts';
import { openDatabase } from './database/open.ts';
import { projectRoot } from './projectRoot.ts';
import { learning } from './routes/learning.ts';
import { isEmpty, seedDemo } from './sample/seedDemo.ts';
import { seedPictures } from './sample/seedPictures.ts';
import { seedPlan } from './sample/seedPlans.ts';
import { convertSurfaces } from './store/convertSurfaces.ts';

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

function argumentsGiven(): { demo: boolean; restore: string | undefined } {
  try {
    const { values } = parseArgs({ options: { demo: { type: 'boolean' }, restore: { type: 'string' } } });
    return { demo: values.demo ?? false, restore: values.restore };
  } catch (error) {
    return refuse((error as Error).message);
  }
}

const { demo, restore } = argumentsGiven();
const host = process.env.FANFARE_HOST ?? '127.0.0.1';
const port = portFrom(process.env.FANFARE_PORT);
const passphrase = process.env.FANFARE_PASSPHRASE;
if (!isLoopback(host) && !passphrase)
  refuse(`listening on ${host} would open your bench to the network. Set FANFARE_PASSPHRASE first.`);
const weak = passphrase === undefined ? null : weakness(passphrase);
if (weak !== null) refuse(`FANFARE_PASSPHRASE cannot guard a bench: ${weak}.`);
const folder = envPaths('fanfare', { suffix: '' }).data;
const file = process.env.FANFARE_DATA ?? join(folder, demo ? 'demo.db' : 'bench.db');
const names = process.env.FANFARE_NAMES?.split(',');

try {
  if (restore !== undefined) {
    const kept = restoreInPlace(restore, file);
    console.log(`Restored ${restore}.${kept === null ? '' : ` What was there before is kept: ${kept}`}`);
  }
  const data = openDatabase(file);
  const { db, readOnly } = data;
  for (const note of data.notes) console.log(note);
  if (readOnly !== null) console.warn(readOnly);
  const clock = benchClock(process.env.FANFARE_CLOCK);
  db.transaction((tx) => convertSurfaces(tx, Math.floor(clock() / 60000)));
  if (demo && readOnly === null && isEmpty(db)) {
    seedDemo(db, clock());
    await seedPictures(db, clock());
    seedPlan(db, clock());
  }
  // A server that was killed between a reading and what it taught.
  await learning(db).catchUp();
  const webFolder = join(projectRoot(), 'dist/web');
  const app = createApp({ ...data, clock, demo, passphrase, host, names, webFolder });
  const server = app.listen(port, host, (error?: Error & { code?: string }) => {
    if (error) {
      data.close();
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
  const endCopies = keepCopies({ ...data, clock });
  const stop = () => {
    endCopies();
    server.close(() => {
      data.close();
      process.exit(0);
    });
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  refuse((error as Error).message);
}
