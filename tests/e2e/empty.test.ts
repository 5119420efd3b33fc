import { spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, describe, expect, it } from 'vitest';
import {
  fill,
  kill,
  ownBench,
  press,
  saved,
  scratchFolder,
  shows,
  startAndFail,
  startServer,
  textOf,
  type Started,
} from './bench.ts';

describe('the builder’s own bench, from nothing', () => {
  let server: Started;
  let page: Page;
  const { errors } = ownBench((opened) => ({ server, page } = opened));

  it('teaches the first step on every empty screen', async () => {
    await page.goto(server.address);
    await shows(page, /An empty bench[\s\S]*Name your first build/);
    await page.goto(`${server.address}/shelf`);
    await shows(page, /An empty shelf/);
    await page.goto(`${server.address}/tonight`);
    await shows(page, /No step is waiting[\s\S]*Name a build first/);
  });

  it('refuses a build without a name and takes one with', async () => {
    await page.goto(server.address);
    await press(page, 'button', 'Name your first build');
    await shows(page, /Give the build a name/);
    await fill(page, 'Build', 'Delivery van');
    await press(page, 'button', 'Name your first build');
    await shows(page, /An open box, nothing listed yet[\s\S]*Begin with one sub-assembly/);
    for (const [stage, text] of [
      ['colour', /Nothing to colour yet/],
      ['finish', /No finish to plan yet/],
      ['plan', /begin in the Kit stage/],
      ['tonight', /Kit stage is where steps begin/],
    ] as const) {
      await page.goto(page.url().replace(/[a-z]+$/, stage));
      await shows(page, text);
    }
    await page.goto(page.url().replace(/[a-z]+$/, 'kit'));
  });

  it('takes parts from a list and keeps the line it cannot read', async () => {
    await press(page, 'link', 'Begin with one sub-assembly');
    await fill(page, 'New sub-assembly', 'Body');
    await press(page, 'button', 'Add it');
    const field = await page.waitForSelector('textarea');
    await field!.type('A1 Body shell\nno number here\nA2 Doors x2');
    await press(page, 'button', 'Put the parts in this tray');
    await shows(page, /Line 2 was kept in the box above/);
    await shows(page, /3 pieces, 100 cm²/);
    await shows(page, /3 parts, 3 without a finish/);
    await saved(page);
    expect(await page.$eval('textarea', (element) => element.value)).toBe('no number here');
  });

  it('says that an empty shelf cannot be searched, then takes a pasted list', async () => {
    const kit = page.url().replace(/\/kit.*$/, '/kit');
    await page.goto(kit.replace(/kit$/, 'colour'));
    await press(page, 'button', 'put in a colour of your own');
    await fill(page, 'Maker', 'Own');
    await fill(page, 'Code', 'V1');
    await fill(page, 'Colour: hex, or L a b', '#2a7f8');
    await press(page, 'button', 'Save and use it');
    await shows(page, /has 5 hex digits; a colour needs 6/);
    await fill(page, 'Colour: hex, or L a b', '#4f7f8a');
    await press(page, 'button', 'Save and use it');
    await shows(page, /There is no mixable paint to search/);
    await saved(page);
    await page.goto(`${server.address}/shelf`);
    await fill(page, 'Range', 'Mine');
    const list = await page.waitForSelector('textarea');
    await list!.type(
      '1, Blue, #1f4f8a\n2, White, #f2f2ee\n3, Green, #2e6b4a\n4, Broken, #12\n5, Grey; no comma',
    );
    await press(page, 'button', 'Put the list on the shelf');
    await shows(page, /2 hex digits/);
    await shows(page, /3 paints are on the shelf/);
    await saved(page);
    await page.goto(kit.replace(/kit$/, 'colour'));
    await shows(page, /proved over 3 paints/);
    await page.keyboard.press('Enter');
    await shows(page, /In use for body/);
    await saved(page);
  });

  it('plans it, and says what is wrong when there is no evening at all', async () => {
    await page.keyboard.press('6');
    await shows(page, /Ready \w{3} \d+ \w{3}/);
    const plan = page.url();
    await page.goto(`${server.address}/bench`);
    await shows(page, /Bench evenings/);
    for (;;) {
      const remove = await page.$('[aria-label^="Remove the session"]');
      if (!remove) break;
      await remove.click();
      await saved(page);
    }
    await shows(page, /nothing can be planned until there is one/);
    await page.goto(plan);
    await shows(page, /There is no plan[\s\S]*The calendar has no bench session at all/);
    expect(await textOf(page, 'nav.runner')).toMatch(/cannot be planned/);
  });

  it('met no script error on the way', () => {
    expect(errors).toEqual([]);
  });
});

describe('starts that must fail', () => {
  const scratch = scratchFolder();
  afterAll(scratch.remove);

  it('names the taken port and how to choose another', async () => {
    const first = await startServer({ FANFARE_DATA: join(scratch.folder, 'a.db') });
    const { port } = new URL(first.address);
    const { code, said } = await startAndFail({
      FANFARE_DATA: join(scratch.folder, 'b.db'),
      FANFARE_PORT: port,
    });
    await kill(first, 'SIGTERM');
    expect(code).toBe(1);
    expect(said).toContain(`port ${port} is taken`);
    expect(said).toContain(`FANFARE_PORT=${Number(port) + 1} npm start`);
  });

  it.each<[string, Record<string, string>, RegExp]>([
    ['a port that is no number', { FANFARE_PORT: 'ninety' }, /whole number from 0 to 65535/],
    ['the network without a passphrase', { FANFARE_HOST: '0.0.0.0' }, /FANFARE_PASSPHRASE/],
    ['a clock that is no time', { FANFARE_CLOCK: 'soon', FANFARE_PORT: '0' }, /FANFARE_CLOCK must be a date/],
  ])('refuses %s', async (_, env, message) => {
    const { code, said } = await startAndFail({ FANFARE_DATA: join(scratch.folder, 'c.db'), ...env });
    expect(code).toBe(1);
    expect(said).toMatch(message);
  });

  it('leaves a file that is not a database as it was', async () => {
    const file = join(scratch.folder, 'notes.txt');
    writeFileSync(file, 'shopping: primer, tape, blades\n'.repeat(50));
    const { code, said } = await startAndFail({ FANFARE_DATA: file, FANFARE_PORT: '0' });
    expect(code).toBe(1);
    expect(said).toMatch(/notes.txt is not a Fanfare data file. It was left as it is/);
  });
});

describe('the dependency rule', () => {
  it('fails on a planted violation', () => {
    const scratch = scratchFolder();
    const root = join(import.meta.dirname, '../..');
    const plant = (path: string, text: string) => {
      mkdirSync(join(scratch.folder, path, '..'), { recursive: true });
      writeFileSync(join(scratch.folder, path), text);
    };
    plant('tsconfig.json', '{}');
    plant('src/web/screen.ts', 'export const screen = 1;\n');
    plant('src/core/colour/good.ts', 'export const good = 1;\n');
    const run = () =>
      spawnSync(
        process.execPath,
        [
          join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
          'src',
          '--config',
          join(root, '.dependency-cruiser.cjs'),
        ],
        { cwd: scratch.folder, encoding: 'utf8' },
      );
    expect(run().status).toBe(0);
    plant(
      'src/core/colour/bad.ts',
      "import { screen } from '../../web/screen.ts';\nexport const bad = screen;\n",
    );
    const { status, stdout } = run();
    scratch.remove();
    expect(status).not.toBe(0);
    expect(stdout).toMatch(/core-knows-only-itself/);
  });
});
