import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { benchAt, sampleBench, saved, type Started, textOf, until } from './bench.ts';
import { openReadyStep } from './planPage.ts';

describe('keys and taps tonight', () => {
  let server: Started;
  let page: Page;
  sampleBench((opened) => ({ server, page } = opened));
  const bench = () => benchAt(server.address);

  it('takes a key in a list, a second tap and a key that is held for what they are', async () => {
    await page.goto(`${server.address}/tonight`);
    await page.waitForSelector('.stepcard');
    // A better plan may change the card under a tap, which then does not count: it is waited for.
    const settled = () =>
      until(page, () => !/the plan is following|looking for better/.test(document.body.innerText), []);
    await settled();
    const cardNow = () => page.$eval('.stepcard', (element) => (element as HTMLElement).dataset.operation!);
    const first = await openReadyStep(page);
    const count = async () => (await bench()).steps.length;
    const before = await count();
    await page.focus('select[aria-label="How long you have tonight"]');
    for (const key of ['s', 'd'] as const) await page.keyboard.press(key);
    expect(await textOf(page, '.stepcard')).not.toMatch(/running/);
    expect(await count()).toBe(before);

    await page.evaluate(async () => {
      const tap = () =>
        [...document.querySelectorAll<HTMLButtonElement>('.stepcard button')]
          .find(({ innerText }) => innerText.startsWith('Done'))!
          .click();
      // On a busy machine the second tap comes late, and would rightly count: for the page it is a fifth of a second.
      const clock = performance.now.bind(performance);
      const began = clock();
      performance.now = () => began;
      tap();
      const shown = () => document.querySelector<HTMLElement>('.stepcard')?.dataset.operation;
      // The second meets the card that has come in place of the first.
      for (const before = shown(); shown() === before && clock() < began + 20_000;)
        await new Promise((resolve) => setTimeout(resolve, 20));
      performance.now = () => began + 200;
      tap();
      performance.now = clock;
    });
    await expect.poll(cardNow).not.toBe(first);
    await saved(page);
    expect(await count()).toBe(before + 1);

    await new Promise((resolve) => setTimeout(resolve, 700));
    await settled();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await openReadyStep(page);
    // A plan that comes in just now changes the card under the key, which then does not count: it is pressed again.
    for (let tries = 1; (await count()) === before + 1 && tries <= 10; tries++) {
      await page.keyboard.up('d');
      await page.keyboard.down('d');
      await new Promise((resolve) => setTimeout(resolve, 1500));
      await saved(page);
    }
    expect(await count()).toBe(before + 2);
    await new Promise((resolve) => setTimeout(resolve, 700));
    await page.keyboard.down('d');
    await page.keyboard.up('d');
    await saved(page);
    expect(await count()).toBe(before + 2);
  });
});
