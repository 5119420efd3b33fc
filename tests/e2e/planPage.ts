import type { Page } from 'puppeteer-core';
import { expect } from 'vitest';
import { UNSEEN_MS } from '../../src/web/screens/tonight/cardGuard.ts';
import { fill, shows, typeDay, until } from './bench.ts';

/** Work by hand without a window, that every plan of the sample bench holds: it may be split, moved and followed by
 *  anything, which a coat may not. */
export const WORK = 'Clean up: Hub bushings';

/** Nothing is being worked out, and nothing has been for a moment: a change takes one to come round by the server. */
export async function settled(page: Page): Promise<void> {
  const busy = /working it out again|Working out|plan is following|looking for better/;
  await expect
    .poll(async () => {
      for (let look = 0; look < 6; look++) {
        if (busy.test(await page.evaluate(() => document.body.innerText))) return 'busy';
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      return 'settled';
    })
    .toBe('settled');
}

/** Opens the plan of the sample drophead once it has come to rest. */
export async function openPlan(page: Page, address: string): Promise<void> {
  await page.goto(`${address}/build/tolliver/plan`);
  await shows(page, /\d+ steps, ready/);
  await settled(page);
}

/** Types over what a field with a label holds. */
export async function typeOver(page: Page, label: string, value: string): Promise<void> {
  const input = await page.waitForSelector(`::-p-aria(${label})`);
  await input!.click({ count: 3 });
  await page.keyboard.type(value);
}

/** Says to which moment the marked step is held, like 28 May 2026, 20:00; without a press of the button. */
export async function holdTo(page: Page, day: string, clock: string): Promise<void> {
  await typeDay(page, 'Hold it to', day);
  await fill(page, 'Hold it to, time', clock);
  await page.keyboard.press('Tab');
}

/** Opens the list of all steps of the plan. */
export async function listAllSteps(page: Page): Promise<void> {
  await until(page, () => {
    if (document.querySelector('[aria-label="All steps, scrolls down"]')) return true;
    const panel = document.querySelector('table.plainlist')?.closest('.panel');
    const all = [...(panel?.querySelectorAll('button') ?? [])].find(({ textContent }) =>
      /^show all \d+$/.test(textContent),
    );
    all?.click();
    return all !== undefined;
  }, []);
}

/** Scrolls the list of all steps to a step whose title holds some words, and chooses it. */
export async function markStep(page: Page, title: string): Promise<void> {
  await listAllSteps(page);
  await until(
    page,
    (wanted) => {
      const frame = document.querySelector('[aria-label="All steps, scrolls down"]')!;
      const step = [...frame.querySelectorAll('button')].find(({ textContent }) =>
        textContent.includes(wanted),
      );
      if (!step) {
        // A plan that comes in may have moved it up meanwhile: from the end, once more from the top.
        const isAtEnd = frame.scrollTop + frame.clientHeight >= frame.scrollHeight - 1;
        frame.scrollTop = isAtEnd ? 0 : frame.scrollTop + 300;
      }
      step?.click();
      return step !== undefined;
    },
    [title],
  );
}

/** Opens the first step of tonight's list that nothing holds back, lays a finger on it and gives its operation. Which
 *  steps tonight begins with is the plan's. */
export async function openReadyStep(page: Page): Promise<string> {
  await page.waitForSelector('.stepcard');
  await until(page, () => {
    const action = document.querySelector<HTMLButtonElement>('.stepcard .action');
    if (action?.disabled === false) {
      // Under a finger it stays in sight, wherever a better plan puts it.
      action.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }));
      return true;
    }
    const steps = [...document.querySelectorAll<HTMLButtonElement>('.steplist button')];
    const at = steps.findIndex((step) => step.getAttribute('aria-current') === 'step');
    steps[(at + 1) % steps.length]?.click();
    return false;
  }, []);
  return page.$eval('.stepcard', (card) => (card as HTMLElement).dataset.operation!);
}

/** A card that a better plan has just put there is not ticked by a press: it could not be read yet. */
const READ_MS = UNSEEN_MS + 100;

/** Ticks the first step of tonight's list that nothing holds back, once it has been there long enough to be read, and gives its
 *  operation. Looked at and pressed in one go, as the plan may still be getting better, and the card with it. */
export async function tickReadyStep(page: Page): Promise<string> {
  for (let tries = 0; tries < 60; tries++) {
    await openReadyStep(page);
    const ticked = await page.evaluate(async (ms) => {
      const card = () => document.querySelector<HTMLElement>('.stepcard');
      const shown = card()?.dataset.operation;
      for (const from = performance.now(); performance.now() - from < ms;) {
        await new Promise((resolve) => setTimeout(resolve, 30));
        if (card()?.dataset.operation !== shown) return null;
      }
      const action = card()?.querySelector<HTMLButtonElement>('.action');
      if (!action || action.disabled) return null;
      action.click();
      return shown ?? null;
    }, READ_MS);
    if (ticked !== null) return ticked;
  }
  throw new Error('No step of tonight stayed long enough to be ticked.');
}
