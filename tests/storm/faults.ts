import { spawnSync } from 'node:child_process';
import { copyFileSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { OWN_HEADER, type BenchOverview } from '../../src/api/index.ts';
import { benchAt, kill, scratchFolder, SERVER, startAndFail, startServer, type Started } from '../server.ts';

export interface Fault {
  name: string;
  /** What happened, where it was not what is promised; null where it was. */
  failure: string | null;
}

const BUILD = { name: 'Storm', subject: '', scale: 24 };

const addBuild = ({ address }: Started): Promise<Response> =>
  fetch(`${address}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [OWN_HEADER]: '1' },
    body: JSON.stringify(BUILD),
  });
const overview = async ({ address }: Started) =>
  (await (await fetch(`${address}/api/bench`)).json()) as BenchOverview;

const expectThat = (holds: boolean, said: string) => {
  if (!holds) throw new Error(said);
};

type Case = (file: string, folder: string) => Promise<void>;

async function withServer(
  file: string,
  work: (server: Started) => Promise<void>,
  args: string[] = [],
): Promise<void> {
  const server = await startServer({ FANFARE_DATA: file }, args);
  try {
    await work(server);
  } finally {
    await kill(server, 'SIGKILL');
  }
}

async function withBuilds(file: string, count: number): Promise<void> {
  await withServer(file, async (server) => {
    for (let at = 0; at < count; at++)
      expectThat((await addBuild(server)).status === 201, 'a build was not taken');
  });
}

/** Takes a backup that holds one build of the two that the file holds when its server is killed. */
async function backupBetweenTwoBuilds(file: string, backup: string): Promise<void> {
  await withServer(file, async (server) => {
    await addBuild(server);
    const taken = await fetch(`${server.address}/api/backup`);
    writeFileSync(backup, Buffer.from(await taken.arrayBuffer()));
    await addBuild(server);
  });
}

async function expectRefused(env: Record<string, string>, words: RegExp): Promise<void> {
  const { code, said } = await startAndFail(env);
  expectThat(code === 1 && words.test(said), `it ended with ${code}: ${said}`);
}

/** Each puts a data file into trouble and looks whether the server keeps what is promised. */
const CASES: Readonly<Record<string, Case>> = {
  'a second server on the same file': async (file) => {
    await withServer(file, async (server) => {
      const pid = server.process.pid!;
      await expectRefused({ FANFARE_DATA: file, FANFARE_PORT: '0' }, new RegExp(`process ${pid}, has`));
      expectThat((await addBuild(server)).status === 201, 'the first server no longer writes');
    });
  },
  'a file that is moved away while it runs': async (file) => {
    await withServer(file, async (server) => {
      await addBuild(server);
      renameSync(file, `${file}.aside`);
      expectThat((await addBuild(server)).status === 503, 'it wrote to a file that is gone');
      renameSync(`${file}.aside`, file);
      expectThat((await addBuild(server)).status === 201, 'it does not write to the file that is back');
    });
  },
  'another program that holds the file': async (file) => {
    await withServer(file, async (server) => {
      await addBuild(server);
      const other = new Sqlite(file);
      other.exec('BEGIN IMMEDIATE');
      const waiting = addBuild(server);
      setTimeout(() => other.exec('COMMIT'), 200);
      expectThat((await waiting).status === 201, 'it did not wait');
      other.close();
    });
  },
  'a damaged page': async (file) => {
    await withBuilds(file, 200);
    await withServer(file, () => Promise.resolve());
    const flat = new Sqlite(file);
    flat.pragma('wal_checkpoint(TRUNCATE)');
    const damagedPage = flat
      .prepare(`SELECT rootpage FROM sqlite_master WHERE name = 'plan_history'`)
      .pluck()
      .get() as number;
    flat.close();
    const bytes = readFileSync(file);
    const page = damagedPage - 1;
    bytes.fill(0x5a, page * 4096, (page + 1) * 4096);
    writeFileSync(file, bytes);
    await withServer(file, async (server) => {
      expectThat(/damaged/.test((await overview(server)).readOnly ?? ''), 'it says nothing of the damage');
      expectThat((await addBuild(server)).status === 403, 'it writes to a damaged file');
      expectThat((await fetch(`${server.address}/api/backup`)).ok, 'no backup can be taken');
    });
    expectThat(readFileSync(file).equals(bytes), 'the damaged file was changed');
  },
  'a disk that is full': async (file) => {
    await withBuilds(file, 1);
    // A file may not grow here: the write fails as on a full disk.
    const limited = spawnSync(
      'sh',
      ['-c', `trap '' XFSZ; ulimit -f 0; exec "$0" "$1"`, process.execPath, SERVER],
      { env: { ...process.env, FANFARE_DATA: file, FANFARE_PORT: '0' }, encoding: 'utf8', timeout: 20_000 },
    );
    expectThat(/is full|cannot be opened/.test(limited.stderr), `it said: ${limited.stderr}`);
    await withServer(file, async (server) => {
      expectThat((await overview(server)).builds.length === 1, 'what was saved is gone');
    });
  },
  'no name for the file': (_, folder) =>
    expectRefused({ FANFARE_DATA: '', HOME: folder, FANFARE_PORT: '0' }, /FANFARE_DATA is empty/),
  'another program’s database': async (file) => {
    const other = new Sqlite(file);
    other.exec('CREATE TABLE builds (id)');
    other.close();
    const before = readFileSync(file);
    await expectRefused({ FANFARE_DATA: file, FANFARE_PORT: '0' }, /not a Fanfare data file/);
    expectThat(readFileSync(file).equals(before), 'it was changed');
  },
  'a file of a newer Fanfare': async (file) => {
    await withBuilds(file, 1);
    const newer = new Sqlite(file);
    newer.exec(`INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)`);
    newer.close();
    await expectRefused({ FANFARE_DATA: file, FANFARE_PORT: '0' }, /newer Fanfare/);
  },
  'a backup copied over the file of a killed server': async (file, folder) => {
    const backup = join(folder, 'backup.db');
    await backupBetweenTwoBuilds(file, backup);
    copyFileSync(backup, file);
    await withServer(file, async (server) => {
      expectThat((await benchAt(server.address)).builds.length === 1, 'backup and log were mixed');
    });
  },
  'a restore by command': async (file, folder) => {
    const backup = join(folder, 'backup.db');
    await backupBetweenTwoBuilds(file, backup);
    await withServer(
      file,
      async (server) =>
        expectThat((await benchAt(server.address)).builds.length === 1, 'it was not restored'),
      ['--restore', backup],
    );
    const kept = readdirSync(folder).find((name) => /before-restore\.db$/.test(name));
    expectThat(kept !== undefined, 'what was there before was not kept');
    await withServer(join(folder, kept!), async (server) => {
      expectThat((await benchAt(server.address)).builds.length === 2, 'what was kept is not whole');
    });
  },
  'a backup cut short by a kill': async (file, folder) => {
    await withBuilds(file, 1);
    writeFileSync(join(folder, '.bench.db.backup-0'), 'half');
    await withServer(file, () => Promise.resolve());
    expectThat(!readdirSync(folder).some((name) => name.startsWith('.bench')), 'its remains are still there');
  },
  'a clock that is set back': async (file) => {
    const at = async (clock: string, work: (server: Started) => Promise<void>) => {
      const server = await startServer({ FANFARE_DATA: file, FANFARE_CLOCK: clock });
      try {
        await work(server);
      } finally {
        await kill(server, 'SIGKILL');
      }
    };
    await at('2027-05-12T19:30', async (server) =>
      expectThat((await addBuild(server)).status === 201, 'a build was not taken'),
    );
    await at('2026-05-12T19:30', async (server) => {
      expectThat((await overview(server)).clockJump !== null, 'it says nothing of the clock');
      const own = { method: 'POST', headers: { [OWN_HEADER]: '1' } };
      await fetch(`${server.address}/api/reader`, own);
      const { state } = (await (await fetch(`${server.address}/api/reader`)).json()) as { state: string };
      expectThat(state === 'warming', `the reader is ${state}`);
      await fetch(`${server.address}/api/clock`, own);
      expectThat((await overview(server)).clockJump === null, 'it asks again');
    });
  },
};

/** Puts data files into every trouble that is known, one after the other. */
export async function faultStorm(): Promise<Fault[]> {
  const results: Fault[] = [];
  for (const [name, work] of Object.entries(CASES)) {
    const { folder, remove } = scratchFolder();
    try {
      await work(join(folder, 'bench.db'), folder);
      results.push({ name, failure: null });
    } catch (error) {
      results.push({ name, failure: (error as Error).message });
    } finally {
      remove();
    }
  }
  return results;
}
