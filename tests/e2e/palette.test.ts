import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { KitItemsRecord } from '../../src/api/index.ts';
import { targetLayer } from '../../src/core/kit/index.ts';
import { benchAt, fill, press, sampleBench, saved, shows, textOf, until, type Started } from './bench.ts';

describe('the palette of a build', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const get = async <T>(path: string) => (await (await fetch(`${server.address}${path}`)).json()) as T;
  const decals = async () =>
    (await get<KitItemsRecord>('/api/builds/pellam/kit')).items.filter(({ kind }) => kind === 'decal');

  it('holds three colours from the shelf with as few bottles as can be, and puts them into the stacks', async () => {
    await page.goto(`${server.address}/build/pellam/colour/palette`);
    await shows(page, /bottles hold 3 colours; fewer cannot \(proved/);
    const bottles = await page.$$eval('.board tbody tr', (rows) => rows.length);
    expect(await textOf(page, 'section[aria-label="What follows"]')).toMatch(
      new RegExp(`Bottles to open\\s+${bottles}\\b`),
    );
    await press(page, 'button', 'Nearest colours');
    await shows(page, /no choice has a smaller worst difference \(proved/);
    expect(await page.$$eval('.board tbody tr', (rows) => rows.length)).toBeGreaterThanOrEqual(bottles);
    const before = (await benchAt(server.address)).builds
      .find(({ id }) => id === 'pellam')!
      .trays.map(({ layers }) => targetLayer(layers)?.mix);
    await press(page, 'button', 'Fewest bottles');
    await shows(page, /fewer cannot \(proved/);
    await page.click('section[aria-label="What follows"] .action');
    await saved(page);
    const { builds } = await benchAt(server.address);
    const cab = builds.find(({ id }) => id === 'pellam')!.trays.find(({ codeId }) => codeId === 'PM-310')!;
    const drops = await page.$$eval('.board tbody tr', (rows) =>
      rows.flatMap((row) => {
        const count = (row.children[1] as HTMLElement).innerText.trim();
        return count ? [[row.querySelector('.mono')!.textContent, Number(count)] as const] : [];
      }),
    );
    expect(targetLayer(cab.layers)!.mix).toEqual(Object.fromEntries(drops));
    // All sub-assemblies go back with one undo.
    const mixes = async () =>
      (await benchAt(server.address)).builds
        .find(({ id }) => id === 'pellam')!
        .trays.map(({ layers }) => targetLayer(layers)?.mix);
    expect(await mixes()).not.toEqual(before);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await expect.poll(mixes).toEqual(before);
    await saved(page);
  });

  it('finds the recipe for one colour that opens fewest bottles of all that are near enough', async () => {
    await page.goto(`${server.address}/build/tolliver/colour/tolliver-body`);
    await shows(page, /nearer by more than 0\.1 \(proved/);
    const paints = () =>
      page.$$eval('[aria-label="Recipes"] [role="radio"]', (spoons) =>
        spoons.map((spoon) => (spoon as HTMLElement).innerText.split('\n')[0]!.split(':').length),
      );
    const nearest = await paints();
    await press(page, 'button', 'fewest bottles');
    await shows(page, /First: (\d) bottles?, nothing to buy; none with fewer within 2\.0 dE \(proved/);
    const fewest = await paints();
    expect(Math.min(...fewest)).toBe(fewest[0]);
    expect(fewest[0]).toBeLessThan(nearest[0]!);
    await press(page, 'button', 'the nearest');
    await shows(page, /nearer by more than 0\.1 \(proved/);
    await page.goto(`${server.address}/build/pellam/colour/palette`);
    await shows(page, /fewer cannot \(proved/);
  });

  it('can be cancelled while it looks, and keeps nothing of it', async () => {
    await page.evaluate(() =>
      [...document.querySelectorAll('button')]
        .find(({ innerText }) => innerText.startsWith('everything'))!
        .click(),
    );
    // Pressed as soon as it is there, which is before the work begins: the work may be done in less than a second.
    await page.waitForFunction(
      () => {
        const button = [...document.querySelectorAll('button')].find(
          ({ innerText }) => innerText === 'cancel',
        );
        button?.click();
        return button !== undefined;
      },
      { polling: 'mutation' },
    );
    await shows(page, /Cancelled; nothing was changed/);
    await new Promise((resolve) => setTimeout(resolve, 500));
    await shows(page, /Cancelled; nothing was changed/);
    expect(await page.$$('.board tbody tr')).toHaveLength(0);
    await press(page, 'button', 'plan again');
    await shows(page, /bottles? holds? 3 colours; fewer cannot \(proved/);
    await page.evaluate(() =>
      [...document.querySelectorAll('button')]
        .find(({ innerText }) => innerText.startsWith('my shelf'))!
        .click(),
    );
    await shows(page, /fewer cannot \(proved/);
  });

  it('says what is out of reach and what is missing', async () => {
    await page.focus('[role="slider"]');
    await page.keyboard.press('Home');
    await shows(page, /Out of reach from my shelf/);
    await shows(page, /nearest mixture is [\d.]+ dE off .* Missing: \w/);
    await page.focus('[role="slider"]');
    await page.keyboard.press('End');
    await shows(page, /fewer cannot \(proved/);
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
    await fill(page, 'Colour on white: L a b, or hex', '60 90 -90');
    await shows(page, /Outside what any surface can show/);
    await press(page, 'button', 'Keep this colour');
    await shows(page, /No surface can have the colour L a b 60 90 -90/);
    expect(await decals()).toHaveLength(2);
    await page.evaluate(() =>
      [...document.querySelectorAll('button')]
        .find(({ innerText }) => innerText.startsWith('Take the nearest possible'))!
        .click(),
    );
    await until(page, () => !document.body.innerText.includes('Outside what any surface'), []);
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
