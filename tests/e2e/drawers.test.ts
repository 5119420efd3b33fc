import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DRAWERS } from '../../src/web/drawers.ts';
import { drawerAddress, type Drawer } from '../../src/web/components/drawers.ts';
import { barriers } from './axe.ts';
import {
  benchAt,
  EVENING,
  kill,
  openBrowser,
  openPage,
  scratchFolder,
  startOnSample,
  startServer,
  until,
  type Started,
} from './bench.ts';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Opens every page there is, as the table of pages names them: each says its own name, and none breaks. */
describe('every drawer', () => {
  const scratch = scratchFolder();
  const errors: string[] = [];
  const servers: Started[] = [];
  let browser: Browser;
  let page: Page;

  beforeAll(async () => {
    servers.push(
      await startOnSample(join(scratch.folder, 'sample', 'bench.db')),
      await startServer({ FANFARE_DATA: join(scratch.folder, 'own', 'bench.db'), FANFARE_CLOCK: EVENING }),
    );
    // One by schedule comes once a server has stood a while: every time there is one to be seen.
    const copied = await fetch(`${servers[0]!.address}/api/copies`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
    });
    expect(copied.status).toBe(201);
    browser = await openBrowser(scratch.folder);
    page = await openPage(browser, errors);
  });
  afterAll(async () => {
    await browser.close();
    for (const server of servers) await kill(server, 'SIGTERM');
    scratch.remove();
  });

  const opens = async (base: string, drawer: Drawer, address: string) => {
    await page.goto(base + address);
    // Its name as the one heading of first level, and nothing that is still being fetched.
    await until(
      page,
      (title) => {
        const [heading, ...more] = [...document.querySelectorAll('h1')].map((each) => each.textContent);
        const said = heading?.toLowerCase().includes(title) === true && more.length === 0;
        return said && document.title.toLowerCase().includes(title) && !document.querySelector('.loading');
      },
      [drawer.title.toLowerCase()],
    );
    expect(errors, address).toEqual([]);
    const text = await page.evaluate(() => document.body.innerText);
    expect(text, address).not.toMatch(/cannot be shown|Nothing here/);
  };

  /** The page that is open keeps nobody out, in either theme, and nothing of it lies beside a narrow screen. */
  const isForEverybody = async (address: string) => {
    const theme = (value: 'light' | 'dark') =>
      page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value }]);
    await theme('light');
    expect(await barriers(page), address).toEqual([]);
    await theme('dark');
    expect(await barriers(page, ['color-contrast']), `${address}, dark`).toEqual([]);
    await page.setViewport(PHONE);
    const widest = await page.evaluate(() => document.documentElement.scrollWidth);
    await page.setViewport(DESK);
    expect(widest, `${address}, ${PHONE.width} px wide`).toBeLessThanOrEqual(PHONE.width);
  };

  it.each(DRAWERS.filter(({ stage }) => stage === null).map((drawer) => [drawer.title, drawer] as const))(
    'of the bench opens, with sample builds and with none: %s',
    async (_, drawer) => {
      for (const { address } of servers) {
        await opens(address, drawer, drawerAddress(drawer));
        await isForEverybody(drawerAddress(drawer));
      }
    },
  );

  it('of a sample build opens', async () => {
    const { address } = servers[0]!;
    const { builds } = await benchAt(address);
    const build = builds.find(({ id }) => id === 'quillon')!;
    const there = { buildId: build.id, trayId: build.trays[0]!.id };
    for (const drawer of DRAWERS) {
      if (drawer.stage === null) continue;
      await opens(address, drawer, drawerAddress(drawer, there));
      await isForEverybody(drawerAddress(drawer, there));
    }
  });

  it('of parts that come back opens, with one that is made and one that is open', async () => {
    const drawer = DRAWERS.find(({ stage, path }) => stage === 'detail' && path === 'lost')!;
    const address = drawerAddress(drawer, { buildId: 'tolliver' });
    await opens(servers[0]!.address, drawer, address);
    await until(
      page,
      () => /Oil filter[\s\S]*Hood mascot|Hood mascot[\s\S]*Oil filter/.test(document.body.innerText),
      [],
    );
    await isForEverybody(address);
  });

  it('of a build in which there is nothing yet opens', async () => {
    const { address } = servers[1]!;
    const made = await fetch(`${address}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Just begun', subject: '', scale: 24 }),
    });
    const { id } = (await made.json()) as { id: string };
    // What is opened of a sub-assembly cannot be where there is none.
    const open = DRAWERS.filter(({ stage, path }) => stage !== null && !path.includes(':trayId/'));
    for (const drawer of open) await opens(address, drawer, drawerAddress(drawer, { buildId: id }));
  });
});
