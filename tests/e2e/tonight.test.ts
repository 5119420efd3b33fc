import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import {
  benchAt,
  fill,
  openPage,
  press,
  sampleBench,
  saved,
  shows,
  type Started,
  textOf,
  until,
} from './bench.ts';
import { openReadyStep, settled, tickReadyStep } from './planPage.ts';

describe('tonight at the bench', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const bench = () => benchAt(server.address);
  const open = async (on: Page) => {
    await on.goto(`${server.address}/tonight`);
    await on.waitForSelector('.stepcard');
    await settled(on);
  };
  const cardOf = (on: Page) =>
    on.$eval('.stepcard', (element) => (element as HTMLElement).dataset.operation!);
  const undo = async (on: Page) => {
    await on.keyboard.down('Control');
    await on.keyboard.press('z');
    await on.keyboard.up('Control');
  };
  const titleOf = (on: Page) => on.$eval('.stepcard h2', (heading) => heading.textContent);

  it('comes back to what was skipped only when nothing else is left, over a reload too', async () => {
    await open(page);
    const first = await cardOf(page);
    const title = await titleOf(page);
    await press(page, 'button', 'skip for now');
    await expect.poll(() => cardOf(page)).not.toBe(first);
    await shows(page, /skipped for now/);
    expect(
      await page.$$eval('.steplist li', (items) =>
        items
          .filter(({ innerText }) => innerText.includes('skipped for now'))
          .map(({ innerText }) => innerText),
      ),
    ).toEqual([expect.stringContaining(title)]);
    await page.reload();
    await page.waitForSelector('.stepcard');
    expect(await cardOf(page)).not.toBe(first);
    const ready = await tickReadyStep(page);
    await saved(page);
    expect((await bench()).steps.some(({ operationId }) => operationId === ready)).toBe(true);
    expect(await cardOf(page)).not.toBe(first);
    await settled(page);
    // Put off, not given up: it is still in the plan.
    const { plan, steps } = await bench();
    expect(plan.starts[first]).toBeTypeOf('number');
    expect(steps.some(({ operationId }) => operationId === first)).toBe(false);
  });

  it('keeps the clock of a step, paused, over a reload, and does not count the pause', async () => {
    await open(page);
    await press(page, 'button', 'Start the clock S');
    await shows(page, /running 0:0[1-9]/);
    await press(page, 'button', 'pause');
    await shows(page, /paused at 0:\d\d/);
    const pausedAt = /paused at (\d+:\d\d)/.exec(await textOf(page, '.stepcard'))![1];
    await new Promise((resolve) => setTimeout(resolve, 8000));
    await page.reload();
    await shows(page, new RegExp(`paused at ${pausedAt}`));
    await press(page, 'button', 'go on');
    await shows(page, /running \d+:\d\d/);
    const [, minutes, seconds] = /running (\d+):(\d\d)/.exec(await textOf(page, '.stepcard'))!;
    const [pausedMinutes, pausedSeconds] = pausedAt!.split(':').map(Number);
    const more = 60 * Number(minutes) + Number(seconds) - 60 * pausedMinutes! - pausedSeconds!;
    expect(more).toBeGreaterThanOrEqual(0);
    expect(more).toBeLessThan(8);
    await page.evaluate(() => localStorage.clear());
  });

  it('takes a step once, and tells the second of two tabs what stands', async () => {
    await open(page);
    const other = await openPage(page.browser(), errors);
    await open(other);
    await page.bringToFront();
    const id = await openReadyStep(page);
    const title = await titleOf(page);
    // Whichever step the other tab would begin with, it has the same one before it.
    await until(
      other,
      (wanted) => {
        const step = [...document.querySelectorAll<HTMLElement>('.steplist button')].find(({ innerText }) =>
          innerText.includes(wanted),
        );
        step?.click();
        return document.querySelector('.stepcard h2')?.textContent === wanted;
      },
      [title],
    );
    const tap = (on: Page) =>
      on.evaluate(() =>
        [...document.querySelectorAll<HTMLButtonElement>('.stepcard button')]
          .find(({ innerText }) => innerText.startsWith('Done'))!
          .click(),
      );
    await fill(page, 'Minutes it took', '41');
    await page.keyboard.press('Tab');
    await tap(page);
    await saved(page);
    // In the background it has not heard of that.
    expect(await titleOf(other)).toBe(title);
    await tap(other);
    await shows(other, /Done already: “[^”]+” was ticked elsewhere, with 41 min\. That stands/);
    const ticks = async () =>
      (await bench()).steps.filter(({ operationId }) => operationId === id).map(({ minutes }) => minutes);
    expect(await ticks()).toEqual([41]);
    // It stands until it is read, whatever is saved meanwhile.
    await new Promise((resolve) => setTimeout(resolve, 700));
    const own = await tickReadyStep(other);
    expect(own).not.toBe(id);
    const isDone = async (wanted: string) =>
      (await bench()).steps.some(({ operationId }) => operationId === wanted);
    await expect.poll(() => isDone(own)).toBe(true);
    await saved(other);
    await shows(other, /Done already:/);
    await other.bringToFront();
    await press(other, 'button', 'understood');
    await until(other, () => !document.body.innerText.includes('Done already'), []);
    await shows(other, /Done lately[\s\S]*41 min/);
    // It takes back its own tick, never the other's.
    await undo(other);
    await expect.poll(() => isDone(own)).toBe(false);
    await undo(other);
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect(await ticks()).toEqual([41]);
    await other.close();
    await page.bringToFront();
    await undo(page);
    await expect.poll(ticks).toEqual([]);
    await settled(page);
    expect(errors).toEqual([]);
  });
});
