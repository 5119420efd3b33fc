import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import Sqlite from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type BenchOverview, type Problem } from '../../api/index.ts';
import { watchClock } from '../clockWatch.ts';
import { testBench } from '../testBench.ts';
import { sealCopy } from '../copies/sealCopy.ts';
import { besideName, copyWhole, makePrivate, restoreInPlace } from './besideData.ts';
import { BACKUP_MARK, formatInHeader, ownFormat } from './fileIdentity.ts';
import { openDatabase, type OpenDatabase } from './open.ts';
import { builds, pictures } from './schema.ts';

const NOW = Date.parse('2026-05-12T19:30:00Z');
let folder: string;
let file: string;
let open: OpenDatabase[];
const opened = (path = file) => {
  const data = openDatabase(path);
  open.push(data);
  return data;
};
const closeAll = () => {
  for (const data of open) if (data.sqlite.open) data.close();
};
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fanfare-files-'));
  file = join(folder, 'bench.db');
  open = [];
});
afterEach(() => {
  closeAll();
  rmSync(folder, { recursive: true, force: true });
});

const addBuild = ({ db }: OpenDatabase, name: string) =>
  db.insert(builds).values({ id: name, name, subject: '', scale: 24, position: 0 }).run();
const names = ({ db }: OpenDatabase) =>
  db
    .select()
    .from(builds)
    .all()
    .map(({ name }) => name);
/** What a killed server leaves: the file and a log that was not folded back. */
const killedCopy = (data: OpenDatabase, to: string) => {
  for (const end of ['', '-wal']) copyFileSync(data.file + end, to + end);
};

describe('whose file it is', () => {
  it('marks its own, for the owner alone', () => {
    const data = opened();
    addBuild(data, 'Coupe');
    expect(data.sqlite.pragma('application_id', { simple: true })).toBe(0x46414e46);
    expect(formatInHeader(file)).toBe(ownFormat());
    for (const name of readdirSync(folder).filter((each) => !each.endsWith('.lock')))
      expect(statSync(join(folder, name)).mode & 0o777, name).toBe(0o600);
  });

  it.each([
    ['another program’s database', 'CREATE TABLE notes (text); PRAGMA application_id = 0x1234'],
    ['one with a table of our name', 'CREATE TABLE builds (id, what); INSERT INTO builds VALUES (1, 2)'],
  ])('leaves %s untouched, byte for byte', (_, script) => {
    const foreign = new Sqlite(file);
    foreign.exec(script);
    foreign.close();
    const before = readFileSync(file);
    expect(() => opened()).toThrow(/is not a Fanfare data file.*left as it is/s);
    expect(readFileSync(file)).toEqual(before);
  });

  it('holds no trace of a picture that was let go of', () => {
    const mark = Buffer.from('a picture that nobody wants any more '.repeat(400));
    const holdsIt = () =>
      readdirSync(folder).some((name) => readFileSync(join(folder, name)).includes(mark.subarray(0, 64)));
    const { db, sqlite } = opened();
    db.insert(builds).values({ id: 'b', name: 'Coupe', subject: '', scale: 24, position: 0 }).run();
    db.insert(pictures).values({ id: 'p', buildId: 'b', type: 'image/jpeg', bytes: mark }).run();
    sqlite.pragma('wal_checkpoint(TRUNCATE)');
    expect(holdsIt()).toBe(true);
    db.delete(pictures).run();
    sqlite.pragma('wal_checkpoint(TRUNCATE)');
    expect(holdsIt()).toBe(false);
  });

  it('refuses a file of a newer Fanfare, naming both versions, and leaves it alone', () => {
    const data = opened();
    data.sqlite.exec(`INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)`);
    data.sqlite.exec(`UPDATE facts SET value = '7.1.0' WHERE name = 'program'`);
    data.close();
    const before = readFileSync(file);
    expect(() => opened()).toThrow(
      new RegExp(
        `newer Fanfare \\(7\\.1\\.0, data format ${ownFormat() + 1}\\).*formats up to ${ownFormat()}`,
      ),
    );
    expect(readFileSync(file)).toEqual(before);
  });

  it.each([
    ['no name', '', /FANFARE_DATA is empty/],
    ['a blank', '  ', /FANFARE_DATA is empty/],
    ['a folder', '.', /is a folder/],
  ])('refuses %s', (_, name, message) => {
    expect(() => openDatabase(name)).toThrow(message);
  });

  it('keeps a copy before it brings an older file up to date, and names it', () => {
    const data = opened();
    addBuild(data, 'Coupe');
    data.sqlite.exec(`
      DROP TRIGGER builds_insert_revises;
      DELETE FROM __drizzle_migrations WHERE created_at = (SELECT max(created_at) FROM __drizzle_migrations);`);
    data.close();
    // The last step of the way cannot be taken twice; what matters is that the copy is there by then.
    expect(() => opened()).toThrow();
    const kept = join(folder, `bench.format-${ownFormat() - 1}.db`);
    expect(new Sqlite(kept, { readonly: true }).prepare('SELECT name FROM builds').pluck().all()).toEqual([
      'Coupe',
    ]);
    expect(statSync(kept).mode & 0o777).toBe(0o600);
  });
});

describe('one server on one file', () => {
  it('names the process that has it, and lets go when that is killed', async () => {
    const data = opened();
    expect(() => opened()).toThrow(`open in this process (${process.pid})`);
    data.close();
    opened().close();
    // Another process, which dies without a word.
    const script = `
      const Sqlite = require('better-sqlite3');
      const lock = new Sqlite(${JSON.stringify(`${file}.lock`)});
      lock.pragma('journal_mode = MEMORY'); lock.pragma('locking_mode = EXCLUSIVE'); lock.pragma('user_version = ' + process.pid);
      console.log(process.pid);
      setInterval(() => {}, 1000);`;
    const { spawn } = await import('node:child_process');
    const child = spawn(process.execPath, ['-e', script], { cwd: process.cwd() });
    await new Promise((resolve) => child.stdout.once('data', resolve));
    expect(() => opened()).toThrow(`Another Fanfare, process ${child.pid}, has the data file`);
    child.kill('SIGKILL');
    await new Promise((resolve) => child.once('exit', resolve));
    opened();
  });
});

describe('files that cannot be trusted', () => {
  it('reads a damaged one from a copy and changes nothing in it', async () => {
    const bench = testBench(NOW);
    try {
      await bench.listen(true);
      await bench.close();
      const bytes = readFileSync(bench.file);
      const pageSize = 4096;
      const page = Math.floor(bytes.length / pageSize / 2);
      bytes.fill(0x5a, page * pageSize, (page + 1) * pageSize);
      writeFileSync(bench.file, bytes);
      await bench.listen(false);
      const { body } = await bench.call<BenchOverview>('GET', '/api/bench');
      expect(body.readOnly).toMatch(/damaged.*open for reading/s);
      expect(body.builds.length).toBeGreaterThan(0);
      const refused = await bench.call<Problem>('POST', '/api/builds', {
        name: 'New',
        subject: '',
        scale: 24,
      });
      expect(refused).toMatchObject({ status: 403, body: { title: 'Open for reading' } });
      expect((await fetch(`${bench.base}/api/backup`)).status).toBe(200);
      await bench.close();
      expect(readFileSync(bench.file)).toEqual(bytes);
    } finally {
      await bench.remove();
    }
  });

  it('notices that the file was moved or replaced, and stops writing with a plain word', async () => {
    const bench = testBench(NOW);
    try {
      await bench.listen(false);
      const build = { name: 'Coupe', subject: '', scale: 24 };
      expect((await bench.call('POST', '/api/builds', build)).status).toBe(201);
      const aside = join(bench.folder, 'aside.db');
      renameSync(bench.file, aside);
      const gone = await bench.call<Problem>('POST', '/api/builds', build);
      expect(gone).toMatchObject({ status: 503, body: { type: '/problems/file-gone' } });
      writeFileSync(bench.file, 'another');
      expect((await bench.call('POST', '/api/builds', build)).status).toBe(503);
      renameSync(aside, bench.file);
      expect((await bench.call('POST', '/api/builds', build)).status).toBe(201);
      expect((await bench.snapshot()).builds).toHaveLength(2);
    } finally {
      await bench.remove();
    }
  });

  it('waits for another program that holds the file, within bounds', async () => {
    const bench = testBench(NOW);
    try {
      await bench.listen(false);
      const other = new Sqlite(bench.file);
      other.exec('BEGIN IMMEDIATE');
      const build = { name: 'Coupe', subject: '', scale: 24 };
      const waiting = bench.call('POST', '/api/builds', build);
      setTimeout(() => other.exec('COMMIT'), 300);
      expect((await waiting).status).toBe(201);
      other.exec('BEGIN IMMEDIATE');
      const refused = await bench.call<Problem>('POST', '/api/builds', build);
      expect(refused).toMatchObject({ status: 503, body: { title: 'The data file is in use' } });
      other.exec('COMMIT');
      other.close();
      expect((await bench.snapshot()).builds).toHaveLength(1);
    } finally {
      await bench.remove();
    }
  });

  it('says in one sentence that the disk is full at the first start', () => {
    // A file may not grow here: the same error as on a full disk, from the same write.
    const script = `import { openDatabase } from ${JSON.stringify(join(import.meta.dirname, 'open.ts'))};
      try { openDatabase(${JSON.stringify(file)}); console.log('opened'); } catch (error) { console.log(error.message); }`;
    const { stdout } = spawnSync(
      'sh',
      [
        '-c',
        `trap '' XFSZ; ulimit -f 8; exec "$0" --import tsx --input-type=module -e "$1"`,
        process.execPath,
        script,
      ],
      { encoding: 'utf8', cwd: process.cwd() },
    );
    expect(stdout.trim()).toMatch(/^The disk that holds .*bench\.db is full\..*nothing was lost\.$/);
  });
});

describe('backups', () => {
  const backupOf = async (data: OpenDatabase, to: string) => {
    makePrivate(to);
    await data.sqlite.backup(to);
    await sealCopy(to, NOW);
  };

  it('that lie unfinished beside the data are swept at the next start', () => {
    opened().close();
    const remains = [besideName(file, 'backup'), besideName(file, 'restore')];
    for (const path of remains) writeFileSync(path, 'half');
    writeFileSync(join(folder, '.other.db.backup-1'), 'of another bench');
    expect(opened().notes).toEqual(['Remains of a backup that was cut short were cleared away.']);
    expect(remains.some(existsSync)).toBe(false);
    expect(existsSync(join(folder, '.other.db.backup-1'))).toBe(true);
  });

  it('are not mixed with the log of a killed server that they are copied over', async () => {
    const data = opened();
    addBuild(data, 'Before');
    const backup = join(folder, 'kept.db');
    await backupOf(data, backup);
    expect(formatInHeader(backup)).toBe(BACKUP_MARK + ownFormat());
    addBuild(data, 'After');
    const killed = join(folder, 'killed.db');
    killedCopy(data, killed);
    closeAll();
    copyFileSync(backup, killed);
    const again = opened(killed);
    expect(names(again)).toEqual(['Before']);
    expect(again.notes.join()).toMatch(/the log was put aside as .*killed\.log-of-another-file\.db/);
    addBuild(again, 'Later');
    // Killed at once: what was written since is in the log, and that is its own now.
    const twice = join(folder, 'twice.db');
    killedCopy(again, twice);
    expect(names(opened(twice))).toEqual(['Before', 'Later']);
  });

  it('are restored with what was there kept, and never half', async () => {
    const data = opened();
    addBuild(data, 'Before');
    const backup = join(folder, 'kept.db');
    await backupOf(data, backup);
    addBuild(data, 'After');
    const killed = join(folder, 'killed.db');
    killedCopy(data, killed);
    closeAll();
    const kept = restoreInPlace(backup, killed)!;
    expect(names(opened(killed))).toEqual(['Before']);
    expect(names(opened(kept))).toEqual(['Before', 'After']);
    closeAll();
    for (const [bad, message] of [
      [join(folder, 'nothing.db'), /There is no file/],
      [join(import.meta.dirname, 'open.ts'), /is no backup of a Fanfare bench/],
    ] as const) {
      expect(() => restoreInPlace(bad, killed)).toThrow(message);
    }
    const torn = join(folder, 'torn.db');
    const bytes = readFileSync(backup);
    bytes.fill(0x5a, 4096, 8192);
    writeFileSync(torn, bytes);
    expect(() => restoreInPlace(torn, killed)).toThrow(/damaged|cannot be read/);
    expect(names(opened(killed))).toEqual(['Before']);
  });

  it('need no temporary folder of the machine, and leave nothing behind', async () => {
    const bench = testBench(NOW);
    const { TMPDIR } = process.env;
    try {
      await bench.listen(false);
      process.env.TMPDIR = join(bench.folder, 'missing');
      const answer = await fetch(`${bench.base}/api/backup`);
      expect(answer.status).toBe(200);
      expect((await answer.arrayBuffer()).byteLength).toBeGreaterThan(10_000);
      await expect.poll(() => readdirSync(bench.folder).filter((name) => name.startsWith('.'))).toEqual([]);
    } finally {
      if (TMPDIR === undefined) delete process.env.TMPDIR;
      else process.env.TMPDIR = TMPDIR;
      await bench.remove();
    }
  });

  it('copy the log with the file', () => {
    const data = opened();
    addBuild(data, 'In the log');
    const copy = join(folder, 'whole.db');
    copyWhole(data.sqlite, copy);
    expect(names(opened(copy))).toEqual(['In the log']);
  });
});

describe('a clock that jumps', () => {
  const DAY = 86_400_000;

  it('is noticed where it went back or far ahead, at the start too, and until it is said to be right', () => {
    const { db } = opened();
    let now = NOW;
    const clock = () => now;
    const watch = watchClock(db, clock);
    watch.note();
    now += 3 * DAY;
    expect(watch.jump()).toBeNull();
    watch.note();
    now -= 2 * DAY;
    expect(watch.jump()).toEqual({ before: (NOW + 3 * DAY) / 60_000, now: (NOW + DAY) / 60_000 });
    // Working on does not hide it.
    watch.note();
    expect(watchClock(db, clock).jump()).not.toBeNull();
    watch.accept();
    expect(watch.jump()).toBeNull();
    now += 500 * DAY;
    expect(watchClock(db, clock).jump()).not.toBeNull();
    now = NOW + DAY - 60_000;
    expect(watch.jump()).toBeNull();
  });
});
