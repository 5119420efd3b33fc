import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { BenchSnapshot, KitItemsRecord } from '../../src/api/index.ts';
import { targetLayer } from '../../src/core/kit/index.ts';
import {
  EVENING,
  fill,
  kill,
  openBrowser,
  openPage,
  press,
  saved,
  scratchFolder,
  shows,
  startServer,
  textOf,
  type Started,
} from './bench.ts';

describe('the palette of a build', () => {
  const scratch = scratchFolder();
  const errors: string[] = [];
  let server: Started;
  let browser: Browser;
  let page: Page;
  const get = async <T>(path: string) => (await (await fetch(`${server.address}${path}`)).json()) as T;
  const decals = async () =>
    (await get<KitItemsRecord>('/api/builds/pellam/kit')).items.filter(({ kind }) => kind === 'decal');

  beforeAll(async () => {
    server = await startServer({ FANFARE_DATA: join(scratch.folder, 'demo.db'), FANFARE_CLOCK: EVENING }, [
      '--demo',
    ]);
    browser = await openBrowser(scratch.folder);
    page = await openPage(browser, errors);
  });
  afterAll(async () => {
    await browser.close();
    await kill(server, 'SIGTERM');
    scratch.remove();
  });

  it('holds three colours from the shelf with as few bottles as can be, and puts them into the stacks', async () => {
    await page.goto(`${server.address}/build/pellam/colour/palette`);
    await shows(page, /bottles hold 3 colours; fewer cannot \(proved/, 60_000);
    const bottles = await page.$$eval('.board tbody tr', (rows) => rows.length);
    expect(await textOf(page, 'section[aria-label="What follows"]')).toMatch(
      new RegExp(`Bottles to open\\s+${bottles}\\b`),
    );
    await press(page, 'button', 'Nearest colours');
    await shows(page, /no choice has a smaller worst difference \(proved/, 60_000);
    expect(await page.$$eval('.board tbody tr', (rows) => rows.length)).toBeGreaterThanOrEqual(bottles);
    await press(page, 'button', 'Fewest bottles');
    await shows(page, /fewer cannot \(proved/, 60_000);
    await page.click('section[aria-label="What follows"] .action');
    await saved(page);
    const { builds } = await get<BenchSnapshot>('/api/bench');
    const cab = builds.find(({ id }) => id === 'pellam')!.trays.find(({ codeId }) => codeId === 'PM-310')!;
    const drops = await page.$$eval('.board tbody tr', (rows) =>
      rows.flatMap((row) => {
        const count = (row.children[1] as HTMLElement).innerText.trim();
        return count ? [[row.querySelector('.mono')!.textContent, Number(count)] as const] : [];
      }),
    );
    expect(targetLayer(cab.layers)!.mix).toEqual(Object.fromEntries(drops));
  });

  it('says what is out of reach and what is missing', async () => {
    await page.focus('[role="slider"]');
    await page.keyboard.press('Home');
    await shows(page, /Out of reach from my shelf/, 60_000);
    await shows(page, /nearest mixture is [\d.]+ dE off .* Missing: \w/);
    await page.focus('[role="slider"]');
    await page.keyboard.press('End');
    await shows(page, /fewer cannot \(proved/, 60_000);
  });

  it('says how a decal sits beside its paint and what an ink needs over it', async () => {
    await shows(page, /Scroll white of the band beside PM-118[^]*dE apart[^]*mask and paint the marking too/);
    await shows(page, /Gold shading of the letters transparent ink over PM-310[^]*white underlay/);
    await press(page, 'button', 'Add a printed colour');
    await fill(page, 'Name', 'Second white');
    await fill(page, 'Colour on white: L a b, or hex', '120 0 0');
    await press(page, 'button', 'Keep this colour');
    await shows(page, /L must lie between 0 and 100; it is 120/);
    expect(await decals()).toHaveLength(2);
    await fill(page, 'Colour on white: L a b, or hex', '93 0 2');
    await press(page, 'button', 'Keep this colour');
    await saved(page);
    expect(await decals()).toHaveLength(3);
    await press(page, 'button', 'Take out Second white');
    await saved(page);
    expect(await decals()).toHaveLength(2);
    expect(errors).toEqual([]);
  });
});
