import type { CDPSession, Page } from 'puppeteer-core';
import { beforeAll, describe, expect, it } from 'vitest';
import { drawerAddress } from '../../src/web/components/drawers.ts';
import { DRAWERS } from '../../src/web/drawers.ts';
import { costOf, countOn, follow } from '../counters.ts';
import { sampleBench, shows, type Started } from './bench.ts';
import { settled } from './planPage.ts';

/** Of one view of the sample bench, opened again. The bench itself has the most nodes, the roles of parts ask for what
 *  other kits say of them. */
const MOST = { nodes: 1700, asked: 10, bytes: 30_000 };
/** Components for each letter. */
const MOST_DRAWN = 300;
const LETTERS = 'abcde';
/** While a search for better plans runs, on a view that shows none of it. */
const SECONDS = 10;

/** What a view costs on any machine: a number that rises here is felt under the hands. */
describe('what is counted', () => {
  let server: Started;
  let page: Page;
  let client: CDPSession;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const VIEWS = DRAWERS.filter(({ within }) => !within).map((drawer) =>
    drawerAddress(drawer, { buildId: 'tolliver' }),
  );

  beforeAll(async () => {
    await countOn(page);
    client = await page.createCDPSession();
    await client.send('Network.enable');
    await page.goto(server.address);
    await shows(page, /Tolliver Six/);
  });

  const seen: { address: string; nodes: number; scripts: number; asked: number; bytes: number }[] = [];

  it('opens every view again without a script, with few questions and few nodes', async () => {
    await settled(page);
    for (const address of VIEWS) await follow(page, address, 150);
    for (const address of VIEWS) {
      const { requests, bytes } = await costOf(page, client, () => follow(page, address, 150));
      const nodes = await page.evaluate(() => document.querySelectorAll('*').length);
      const scripts = requests.filter((path) => path.startsWith('/assets/') && !/Worker/.test(path));
      seen.push({
        address,
        nodes,
        scripts: scripts.length,
        asked: requests.filter((path) => path.startsWith('/api/')).length,
        bytes,
      });
    }
    const over = seen.filter(
      ({ nodes, scripts, asked, bytes }) =>
        nodes > MOST.nodes || scripts > 0 || asked > MOST.asked || bytes > MOST.bytes,
    );
    expect(over).toEqual([]);
    expect(errors).toEqual([]);
  });

  it('draws little for each letter that is typed, and does not ask for each', async () => {
    const fields: [address: string, selector: string][] = [
      ['/shelf', 'input[aria-label="Filter paints"]'],
      ['/codes', 'main input'],
      ['/build/tolliver/record/log', 'main textarea, main input'],
    ];
    const typed: { address: string; drawn: number; asked: number }[] = [];
    for (const [address, selector] of fields) {
      await follow(page, address);
      const field = await page.waitForSelector(selector);
      await field!.click();
      const { drawn, requests } = await costOf(page, client, async () => {
        await page.keyboard.type(LETTERS, { delay: 60 });
        await new Promise((resolve) => setTimeout(resolve, 500));
      });
      typed.push({ address, drawn: drawn / LETTERS.length, asked: requests.length });
    }
    expect(typed.filter(({ drawn, asked }) => drawn > MOST_DRAWN || asked >= LETTERS.length)).toEqual([]);
    expect(typed.every(({ drawn }) => drawn > 0)).toBe(true);
  });

  it('hears of better plans hardly more than once a second, and draws little of them on other views', async () => {
    await page.evaluateOnNewDocument(() => localStorage.removeItem('fanfare.brief-search'));
    await page.goto(`${server.address}/build/tolliver/kit/evidence`);
    await shows(page, /Decided/);
    const { drawn, messages } = await costOf(page, client, async () => {
      await new Promise((resolve) => setTimeout(resolve, 1000 * SECONDS));
    });
    expect(messages).toBeGreaterThan(0);
    expect(messages / SECONDS).toBeLessThanOrEqual(1.5);
    expect(drawn / messages).toBeLessThan(MOST_DRAWN);
  });
});
