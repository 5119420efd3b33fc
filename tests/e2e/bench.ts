import { copyFileSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Browser, EvaluateFunc, Page } from 'puppeteer-core';
import { afterAll, beforeAll, inject } from 'vitest';
import { EVENING } from './evening.ts';
import { openBrowser } from '../browser.ts';
import { kill, scratchFolder, startServer, type Started } from '../server.ts';

export { EVENING } from './evening.ts';
export { openBrowser } from '../browser.ts';
export { benchAt, kill, scratchFolder, startAndFail, startServer, type Started } from '../server.ts';

/** How long a slow machine may take over one answer, ms. */
const PATIENCE = 90_000;

/** Opens a page that fails the test on any script error. */
export async function openPage(browser: Browser, errors: string[]): Promise<Page> {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  page.setDefaultTimeout(PATIENCE);
  // Plans are looked for as briefly as a builder can choose: most tests are about other things.
  await page.evaluateOnNewDocument(() => localStorage.setItem('fanfare.brief-search', 'yes'));
  page.on('dialog', (dialog) => void dialog.accept());
  page.on('pageerror', (error) => errors.push((error as Error).message));
  page.on('console', (message) => {
    if (/Content Security Policy/.test(message.text())) errors.push(message.text());
  });
  return page;
}

/** Waits until a question about the page is answered with yes. One that throws, as on a page half drawn or on its way
 *  elsewhere, is asked again: the browser's own waiting would stop asking after the first throw. */
export async function until<Args extends unknown[]>(
  page: Page,
  isSo: EvaluateFunc<Args>,
  args: Args,
  timeout = PATIENCE,
): Promise<void> {
  const end = Date.now() + timeout;
  for (let cause: unknown; ;) {
    try {
      if (await page.evaluate(isSo, ...args)) return;
      cause = undefined;
    } catch (error) {
      cause = error;
    }
    if (Date.now() > end) {
      const text = await page.evaluate(() => document.body.innerText);
      throw new Error(
        `Not so within ${timeout / 1000} s: ${String(isSo)} ${JSON.stringify(args)}. The page shows:\n${text.slice(0, 3000)}`,
        { cause },
      );
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** Waits until the page shows a text, or a pattern. */
export const shows = (page: Page, pattern: RegExp, timeout = PATIENCE): Promise<void> =>
  until(
    page,
    (source, flags) => new RegExp(source, flags).test(document.body.innerText),
    [pattern.source, pattern.flags],
    timeout,
  );

export const textOf = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText);

/** After so long a click was not heard. */
const UNHEARD_MS = 1000;

/** Clicks the button, link, radio or option with a given accessible name. A screen that is drawn anew between finding
 *  and clicking is looked at again, and a click that something else took is made again, as a builder would. */
export async function press(page: Page, role: string, name: string): Promise<void> {
  for (let tries = 1; ; tries++) {
    const target = await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`);
    try {
      await target!.evaluate((element) => {
        // The drying rack covers the bottom of the page; a builder would scroll.
        element.scrollIntoView({ block: 'center' });
        const note = () => ((window as unknown as { pressed?: Element }).pressed = element);
        element.addEventListener('click', note, { once: true, capture: true });
      });
      await target!.click();
      // The page may hear of the click a moment after it was made: pressing twice would undo it.
      const isTaken = await target!
        .evaluate(
          (element, ms) =>
            new Promise<boolean>((resolve) => {
              const isHeard = () => (window as unknown as { pressed?: Element }).pressed === element;
              if (isHeard()) resolve(true);
              else setTimeout(() => resolve(isHeard()), ms);
            }),
          UNHEARD_MS,
        )
        // It led to another page.
        .catch(() => true);
      if (isTaken || tries === 3) return;
    } catch (error) {
      // A better plan may redraw the card between finding and pressing; a builder would press again.
      if (tries === 3 || !/detached|not clickable/i.test((error as Error).message)) throw error;
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
}

/** Types into the field with a label, over what it holds. */
export async function fill(page: Page, name: string, text: string, role = 'textbox'): Promise<void> {
  const field = await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`);
  await field!.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  await field!.click({ count: 3 });
  // In an empty number field, Backspace sends the caret to the front a moment later: in the middle of what is typed.
  if (await field!.evaluate((element) => (element as HTMLInputElement).value !== ''))
    await page.keyboard.press('Backspace');
  await field!.type(text);
}

/** Types a day, like 16 May 2026, into the date field with a name, and leaves it. */
export async function typeDay(page: Page, name: string, day: string): Promise<void> {
  await page.waitForSelector(`::-p-aria([name="${name}"][role="textbox"]):not(:disabled)`);
  await fill(page, name, day);
  await page.keyboard.press('Tab');
}

/** Picks an option of a select by typing part of it. */
export async function pick(page: Page, name: string, search: string, option: RegExp): Promise<void> {
  const field = await page.waitForSelector(
    `input[aria-label="${name}"], ::-p-aria([name="${name}"][role="combobox"]), ::-p-aria([name="${name}"][role="textbox"])`,
  );
  const isOffered = (source: string) =>
    [...document.querySelectorAll('[role="option"]')].some(
      (item) => (item as HTMLElement).offsetParent !== null && new RegExp(source).test(item.textContent),
    );
  // A list that is just closing swallows a click; a builder would click again.
  for (let attempt = 1; ; attempt++) {
    await field!.click({ count: 3 });
    if (search) await field!.type(search);
    try {
      await until(page, isOffered, [option.source], 5000);
      break;
    } catch (error) {
      if (attempt === 4) throw error;
    }
  }
  await page.evaluate((source) => {
    const found = [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(
      (item) => item.offsetParent !== null && new RegExp(source).test(item.textContent),
    );
    found!.click();
  }, option.source);
}

/** Waits until the interface says that everything is saved. */
export async function saved(page: Page): Promise<void> {
  await until(
    page,
    () =>
      /^(All saved|Saved )/.test(document.querySelector('[data-testid="saved-state"]')?.textContent ?? ''),
    [],
  );
}

/** A server on a copy of the sample bench, which is laid out once for all tests. */
export function startOnSample(file: string, env: Record<string, string> = {}): Promise<Started> {
  mkdirSync(dirname(file), { recursive: true });
  copyFileSync(inject('sampleFile'), file);
  return startServer({ FANFARE_DATA: file, FANFARE_CLOCK: EVENING, ...env }, ['--demo']);
}

type Ready = (opened: { server: Started; page: Page }) => void;
interface Opened {
  folder: string;
  errors: string[];
}

/** The sample bench with a browser on it for all tests of a describe; `ready` is given both before the first. */
export const sampleBench = (ready: Ready): Opened =>
  openBench((folder) => startOnSample(join(folder, 'demo.db')), ready);

/** A bench on which there is nothing yet, likewise. */
export const ownBench = (ready: Ready): Opened =>
  openBench(
    (folder) => startServer({ FANFARE_DATA: join(folder, 'own', 'bench.db'), FANFARE_CLOCK: EVENING }),
    ready,
  );

function openBench(start: (folder: string) => Promise<Started>, ready: Ready): Opened {
  const { folder, remove } = scratchFolder();
  const errors: string[] = [];
  let server: Started;
  let browser: Browser;
  beforeAll(async () => {
    server = await start(folder);
    browser = await openBrowser(folder);
    ready({ server, page: await openPage(browser, errors) });
  });
  afterAll(async () => {
    await browser.close();
    await kill(server, 'SIGTERM');
    remove();
  });
  return { folder, errors };
}
