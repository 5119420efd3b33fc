import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ReaderRecord } from '../../src/api/index.ts';
import { drawerAddress } from '../../src/web/components/drawers.ts';
import { DRAWERS } from '../../src/web/drawers.ts';
import {
  benchAt,
  kill,
  openBrowser,
  openPage,
  press,
  saved,
  scratchFolder,
  shows,
  startOnSample,
  textOf,
  until,
  type Started,
} from './bench.ts';

const PASSPHRASE = 'brass band at dusk';

/** A page of somebody else, on another port of this machine. */
async function otherSite(html: string): Promise<{ server: Server; address: string }> {
  const server = createServer((_request, response) => {
    response.setHeader('content-type', 'text/html');
    response.end(html);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, address: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
}

describe('the doors of the bench', () => {
  const scratch = scratchFolder();
  const file = join(scratch.folder, 'bench.db');
  let browser: Browser;
  let server: Started;
  let page: Page;
  const errors: string[] = [];
  const blocked: string[] = [];

  beforeAll(async () => {
    server = await startOnSample(file);
    browser = await openBrowser(scratch.folder, ['--host-resolver-rules=MAP evil.test 127.0.0.1']);
    page = await openPage(browser, errors);
    page.on('console', (message) => {
      if (/Content Security Policy|Refused to/.test(message.text())) blocked.push(message.text());
    });
  });
  afterAll(async () => {
    await browser.close();
    await kill(server, 'SIGTERM');
    scratch.remove();
  });
  const readerState = async () =>
    ((await (await fetch(`${server.address}/api/reader`)).json()) as ReaderRecord).state;

  it('stay shut to a name that another site points at this machine', async () => {
    const { port } = new URL(server.address);
    const answer = await page.goto(`http://evil.test:${port}/`);
    expect(answer!.status()).toBe(421);
    const got = await page.evaluate(async () => {
      const backup = await fetch('/api/backup');
      const written = await fetch('/api/reader', { method: 'POST', headers: { 'fanfare-request': '1' } });
      return [backup.status, written.status];
    });
    expect(got).toEqual([421, 421]);
    expect(await readerState()).toBe('away');
  });

  it('stay shut to the forms, fetches and frames of another site', async () => {
    const { address } = server;
    const other =
      await otherSite(`<form id="f" method="post" enctype="text/plain" action="${address}/api/reader" target="t">
      <input name="x"></form><iframe name="t"></iframe><iframe id="bench" src="${address}/"></iframe>`);
    try {
      const theirs = await browser.newPage();
      await theirs.goto(other.address);
      const results = await theirs.evaluate(async (target) => {
        (document.getElementById('f') as HTMLFormElement).submit();
        const tried = async (path: string, init: RequestInit) => {
          try {
            return (await fetch(target + path, init)).type;
          } catch {
            return 'refused';
          }
        };
        return [
          await tried('/api/backup', {}),
          await tried('/api/bench', { mode: 'no-cors' }),
          await tried('/api/reader', { method: 'POST', headers: { 'fanfare-request': '1' } }),
          await tried('/api/thermometer', { method: 'POST', mode: 'no-cors', body: 'x' }),
        ];
      }, address);
      expect(results[0]).toBe('refused');
      expect(results[2]).toBe('refused');
      await new Promise((resolve) => setTimeout(resolve, 500));
      expect(await readerState()).toBe('away');
      const { state } = (await (await fetch(`${address}/api/thermometer`)).json()) as { state: string };
      expect(state).toBe('away');
      const frame = theirs.frames().find((each) => each.url().startsWith(address));
      expect(await frame?.$('#root')).toBeFalsy();
      await theirs.close();
    } finally {
      other.server.close();
    }
  });

  it('let its own pages do all they need, and nothing else', async () => {
    const { builds } = await benchAt(server.address);
    const there = { buildId: builds[0]!.id, trayId: builds[0]!.trays[0]!.id };
    for (const drawer of DRAWERS) {
      await page.goto(server.address + drawerAddress(drawer, there));
      await until(
        page,
        () => document.querySelector('h1') !== null && !document.querySelector('.loading'),
        [],
      );
      // Workers are let in as well: every page plans.
      await expect.poll(() => page.workers().length, { timeout: 60_000 }).toBeGreaterThan(0);
    }
    await shows(page, /./);
    expect(blocked).toEqual([]);
    expect(await page.evaluate(() => getComputedStyle(document.body).fontFamily)).toMatch(/Barlow/);
  });

  it('give every build its plan after a join is removed, and the join back by one key', async () => {
    await page.goto(`${server.address}/build/tolliver/kit/trays`);
    await press(page, 'button', 'as it stands').catch(() => press(page, 'radio', 'as it stands'));
    const joins = async () =>
      (await benchAt(server.address)).builds.find(({ id }) => id === 'tolliver')!.joins;
    const before = await joins();
    const waited = before.find(({ id }) => before.some(({ afterJoinIds }) => afterJoinIds.includes(id)))!;
    await press(page, 'button', `Remove joint ${waited.name}`);
    await saved(page);
    expect(
      (await joins()).some(({ id, afterJoinIds }) => id === waited.id || afterJoinIds.includes(waited.id)),
    ).toBe(false);
    await page.goto(`${server.address}/build/pellam/plan`);
    await shows(page, /\d+ steps, ready/);
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /\d+ steps, ready/);
    expect(await textOf(page, 'main')).not.toContain('There is no plan');
    // Undo belongs to the page on which it was done.
    await page.goto(`${server.address}/build/tolliver/kit/trays`);
    await press(page, 'button', 'as it stands').catch(() => press(page, 'radio', 'as it stands'));
    const again = (await joins())[0]!;
    await press(page, 'button', `Remove joint ${again.name}`);
    await saved(page);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await saved(page);
    await expect.poll(async () => (await joins()).some(({ id }) => id === again.id)).toBe(true);
  });

  it('keep the bench around a screen that breaks, and name the record', async () => {
    const sqlite = new Sqlite(file);
    // Such starts were taken once, and no date can be made of them.
    const { starts } = sqlite.prepare('SELECT starts FROM plan').get() as { starts: string };
    const strange = Object.fromEntries(Object.keys(JSON.parse(starts) as object).map((id) => [id, 1e300]));
    sqlite.prepare(`UPDATE plan SET fingerprint = 'old', starts = ?`).run(JSON.stringify(strange));
    sqlite.close();
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /This screen broke[\s\S]*Tolliver Six[\s\S]*Try again/);
    expect(await page.$('.topband')).not.toBeNull();
    await page.goto(`${server.address}/build/pellam/kit`);
    await shows(page, /What you know/);
    errors.length = 0;
  });

  it('ask for the passphrase on a page of our own, keep what waits, and let out again', async () => {
    const guarded = await startOnSample(join(scratch.folder, 'guarded.db'), {
      FANFARE_PASSPHRASE: PASSPHRASE,
    });
    try {
      const own = await openPage(browser, errors);
      await own.goto(`${guarded.address}/bench`);
      expect(own.url()).toContain('/sign-in?next=%2Fbench');
      await own.type('#passphrase', 'wrong words');
      await own.keyboard.press('Enter');
      await shows(own, /That is not the passphrase/);
      await own.type('#passphrase', PASSPHRASE);
      await own.keyboard.press('Enter');
      await shows(own, /Bench evenings/);
      expect(new URL(own.url()).pathname).toBe('/bench');
      expect(await own.evaluate(() => document.cookie)).toBe('');
      await press(own, 'button', 'Sign out of this bench');
      await shows(own, /Passphrase of this bench/);
      await own.close();
    } finally {
      await kill(guarded, 'SIGTERM');
    }
  });
});
