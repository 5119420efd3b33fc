import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  benchAt,
  EVENING,
  fill,
  kill,
  openBrowser,
  openPage,
  pick,
  press,
  saved,
  scratchFolder,
  shows,
  startOnSample,
  startServer,
  textOf,
  type Started,
  until,
} from './bench.ts';
import { openReadyStep, tickReadyStep } from './planPage.ts';

/** From a factory code to tonight's bench, through the real screens, server and database. Each step goes on
 *  from the one before. */
describe('the sample bench, from code to bench', () => {
  const scratch = scratchFolder();
  const errors: string[] = [];
  let server: Started;
  let browser: Browser;
  let page: Page;
  const data = join(scratch.folder, 'demo.db');
  const snapshot = () => benchAt(server.address);
  const tray = async (id: string) =>
    (await snapshot()).builds.flatMap(({ trays }) => trays).find((each) => each.id === id)!;

  beforeAll(async () => {
    server = await startOnSample(data);
    browser = await openBrowser(scratch.folder);
    page = await openPage(browser, errors);
  });
  afterAll(async () => {
    await browser.close();
    await kill(server, 'SIGTERM');
    scratch.remove();
  });

  it('shows the three builds with state, what cures and the next step', async () => {
    await page.goto(server.address);
    await shows(
      page,
      /Tolliver Six drophead coupe[\s\S]*Pellam 660 bandwagon truck[\s\S]*Quillon Courier 650/,
    );
    await shows(page, /\d+ of \d\d\d steps done/);
    await shows(page, /Wheels, free \d\d:\d\d/);
    const cards = await page.$$eval('article', (articles) => articles.map((article) => article.innerText));
    expect(cards).toHaveLength(3);
    for (const card of cards) expect(card).toMatch(/ready \w+ \d+ \w+[\s\S]*Next\s+\S+/);
    const rack = await textOf(page, 'footer.rack');
    expect(rack).toMatch(/Frame, stretched, Pellam\s+free 19:\d\d/);
    expect(rack).toMatch(/Tank, Quillon\s+free \w{3} \d\d:\d\d/);
  });

  it('says the same day of a build on every screen', async () => {
    const said = /ready (\w{3} \d+ \w{3})/g;
    const daysOn = async (address: string) => {
      await page.goto(server.address + address);
      await shows(page, /ready \w{3} \d+ \w{3}/);
      return [...(await textOf(page, 'body')).matchAll(said)].map((match) => match[1]!);
    };
    await daysOn('/');
    const days = await page.$$eval('article', (articles) =>
      articles.map((article) => /ready (\w{3} \d+ \w{3})/.exec(article.innerText)?.[1]),
    );
    expect(new Set(days).size).toBeGreaterThan(1);
    for (const stage of ['kit', 'colour', 'finish', 'plan', 'tonight'])
      expect(new Set(await daysOn(`/build/tolliver/${stage}`)), stage).toEqual(new Set([days[0]]));
    await page.goto(server.address);
  });

  it('opens the coupe with its stages in working order', async () => {
    await press(page, 'link', 'Open Tolliver Six');
    await shows(page, /125 parts, 2 conflicts/);
    const stages = await page.$$eval('nav.runner a', (links) =>
      links.map((link) => link.innerText.split('\n')),
    );
    expect(stages.map(([name]) => name)).toEqual([
      'Kit',
      'Colour',
      'Livery',
      'Finish',
      'Detail',
      'Plan',
      'Tonight',
      'Record',
    ]);
    for (const [, state] of stages) expect(state).toMatch(/\w/);
  });

  it('finds recipes for a code from the shelf and from everything, and shows them in another light', async () => {
    await pick(page, 'Factory code', 'TL-2203', /TL-2203/);
    await shows(page, /Clotted Cream/);
    await saved(page);
    expect((await tray('tolliver-body')).codeId).toBe('TL-2203');
    await pick(page, 'Factory code', 'Lagoon', /TL-4417/);
    await shows(page, /proved over \d+ paints/);
    await until(page, () => document.querySelector('[data-light]')?.textContent.includes('TL-4417'), []);
    const difference = async () =>
      Number(
        /([\d.]+)\s+(?:…|[\d.]+–[\d.]+)\s*$/.exec(
          await textOf(page, '[aria-label="Recipes"] [aria-checked="true"]'),
        )![1],
      );
    const fromShelf = await difference();
    const bowl = () =>
      page.$eval('[data-light] svg path:nth-of-type(4)', (path) => path.getAttribute('fill'));
    const daylight = await bowl();
    await press(page, 'button', 'Lamp');
    await until(
      page,
      (before) =>
        document.querySelector('[data-light] svg path:nth-of-type(4)')?.getAttribute('fill') !== before,
      [daylight],
    );
    await press(page, 'button', 'Daylight');
    expect(await bowl()).toBe(daylight);
    await page.evaluate(() =>
      [...document.querySelectorAll('button')]
        .find((button) => button.innerText.startsWith('everything'))!
        .click(),
    );
    await shows(page, /in the catalogue is nearer by more than/);
    expect(await difference()).toBeLessThanOrEqual(fromShelf + 0.11);
    await page.evaluate(() =>
      [...document.querySelectorAll('button')]
        .find((button) => button.innerText.startsWith('my shelf'))!
        .click(),
    );
    await shows(page, /on the shelf is nearer by more than/);
    // The worst of all lights is never less far off than daylight alone, and a bottle bought never makes it worse.
    await press(page, 'button', '+ 1 to buy');
    await shows(page, /on the shelf with one bought is nearer by more than/);
    expect(await difference()).toBeLessThanOrEqual(fromShelf + 0.11);
    await press(page, 'button', 'tenths of a ml');
    await shows(page, /\d\.\d ml\n/);
    await press(page, 'button', 'drops');
    await page.evaluate(() =>
      [...document.querySelectorAll('button')]
        .find((button) => button.innerText.startsWith('my shelf'))!
        .click(),
    );
    await shows(page, /on the shelf is nearer by more than/);
    await shows(
      page,
      /Over which undercoat[\s\S]*White primer[\s\S]*closed after|closed after[\s\S]*White primer/,
    );
  });

  it('takes one for the body, and the drops are stored', async () => {
    const button = await page.waitForSelector('.action');
    expect(await button!.evaluate((element) => (element as HTMLElement).innerText)).toMatch(
      /Use this for body/,
    );
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('Enter');
    await shows(page, /In use for body/);
    await saved(page);
    const { mix } = (await tray('tolliver-body')).layers.find(({ id }) => id === 'colour')!;
    expect(Object.keys(mix!).length).toBeGreaterThan(1);
    for (const drops of Object.values(mix!)) expect(Number.isInteger(drops) && drops > 0).toBe(true);
    await shows(page, /5 of 9 colours chosen/);
  });

  it('undoes and redoes it by keyboard', async () => {
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await shows(page, /4 of 9 colours chosen/);
    await saved(page);
    expect((await tray('tolliver-body')).layers.find(({ id }) => id === 'colour')!.mix).toBeUndefined();
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await page.keyboard.press('z');
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await shows(page, /5 of 9 colours chosen/);
    await saved(page);
  });

  it('draws the finish and lets colour, film, time and warnings follow a change of clear', async () => {
    await page.keyboard.press('4');
    await page.waitForSelector('svg[aria-label^="Cross-section of the finish"]');
    const follows = () => textOf(page, '[aria-label="What follows"]');
    const before = await follows();
    expect(before).toMatch(/Film on flats\s+\d+ µm \(\d+–\d+\)/);
    expect(before).not.toMatch(/Isocyanate/);
    await pick(page, 'Paint of Clear', '', /two-part \(plain\)/);
    await shows(page, /Isocyanate in two-part clear/);
    const after = await follows();
    const number = (text: string, label: RegExp) => Number(label.exec(text)![1]);
    expect(number(after, /Film on flats\s+(\d+)/)).toBeGreaterThan(
      number(before, /Film on flats\s+(\d+)/) + 30,
    );
    expect(number(after, /evening lost\s+([\d.]+)/)).not.toBe(number(before, /evening lost\s+([\d.]+)/));
    await saved(page);
    expect((await tray('tolliver-body')).layers.find(({ kind }) => kind === 'clear')!.mix).toEqual({
      'generic-clear-2k': 1,
    });
  });

  it('lets cures follow the air at the bench and refuses a damp evening', async () => {
    await fill(page, 'Humidity, %', '82', 'textbox');
    await page.keyboard.press('Tab');
    await shows(page, /Too damp to spray/);
    await fill(page, 'Humidity, %', '48', 'textbox');
    await page.keyboard.press('Tab');
    await until(page, () => !document.body.innerText.includes('Too damp to spray'), []);
    await saved(page);
  });

  it('plans the evenings with a reason for every start', async () => {
    await page.keyboard.press('6');
    await page.waitForSelector('[data-testid="step-reason"]');
    await shows(page, /Ready \w{3} \d+ \w{3}/);
    expect(
      await page.$$('[aria-label^="Lanes by sub-assembly"] svg rect[fill="var(--ink)"]'),
    ).not.toHaveLength(0);
    expect(await page.$$('[aria-label^="Lanes by sub-assembly"] svg rect[fill*="cure"]')).not.toHaveLength(0);
    const reasons = await page.$$eval('[aria-label="What you decide"] table.plainlist tbody tr', (rows) =>
      rows.map((row) => row.cells[3]!.innerText),
    );
    expect(reasons.length).toBeGreaterThan(8);
    for (const reason of reasons) expect(reason).toMatch(/\w{4}/);
    expect(await textOf(page, '[data-testid="step-reason"]')).toMatch(/Bound by [\s\S]*Why at all/);
  });

  it('ticks the first step tonight with the time it took, and the plan follows', async () => {
    await press(page, 'button', 'Keyboard shortcuts');
    await shows(page, /tonight: done/);
    await page.keyboard.press('Escape');
    await page.goto(`${server.address}/build/tolliver/tonight`);
    const first = await openReadyStep(page);
    await fill(page, 'Minutes it took', '37');
    await page.keyboard.press('Tab');
    await press(page, 'button', 'Done D');
    // What is done leaves the card at once, before the plan has followed: it cannot be ticked twice.
    await until(page, () => {
      if (!/Done lately[\s\S]*37 min/.test(document.body.innerText)) return false;
      const card = document.querySelector<HTMLElement>('.stepcard');
      document.body.dataset.cardThen ??= card?.dataset.operation ?? 'none';
      return true;
    }, []);
    expect(await page.evaluate(() => document.body.dataset.cardThen)).not.toBe(first);
    await saved(page);
    const { steps } = await snapshot();
    expect(steps.find(({ operationId }) => operationId === first)).toMatchObject({ minutes: 37 });
    await until(page, () => !document.body.innerText.includes('the plan is following'), []);
    await expect.poll(async () => (await snapshot()).plan.starts[first]).toBeUndefined();
  });

  it('loses nothing when the server is killed, says so while it is away, and goes on', async () => {
    const before = await snapshot();
    const port = new URL(server.address).port;
    await kill(server, 'SIGKILL');
    const second = await tickReadyStep(page);
    await shows(page, /Not saved yet: no server, trying again/);
    server = await startServer({ FANFARE_DATA: data, FANFARE_CLOCK: EVENING, FANFARE_PORT: port }, [
      '--demo',
    ]);
    await saved(page);
    const after = await snapshot();
    expect(after.builds).toEqual(before.builds);
    expect(after.settings).toEqual(before.settings);
    expect(after.steps.map(({ operationId }) => operationId).sort()).toEqual(
      [...before.steps.map(({ operationId }) => operationId), second].sort(),
    );
    await page.reload();
    await shows(page, /Done lately[\s\S]*37 min/);
  });

  it('asks which to keep when two tabs change the same thing', async () => {
    const other = await openPage(browser, errors);
    await other.goto(`${server.address}/build/tolliver/kit/trays?as=standing`);
    await page.goto(`${server.address}/build/tolliver/kit/trays?as=standing`);
    await page.bringToFront();
    await shows(page, /Paste or type parts/);
    await other.bringToFront();
    await fill(other, 'Name', 'Body, theirs');
    await other.keyboard.press('Tab');
    await saved(other);
    await until(other, () => document.body.innerText.includes('Body, theirs'), []);
    const current = await tray('tolliver-body');
    expect(current.name).toBe('Body, theirs');
    // This tab has not fetched since; its version is the old one.
    await page.evaluate(() => {
      const field = [...document.querySelectorAll<HTMLInputElement>('section input')].find(({ value }) =>
        value.startsWith('Body'),
      )!;
      const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      setter.call(field, 'Body, mine');
      field.dispatchEvent(new Event('input', { bubbles: true }));
    });
    // The tab is in the background, where focus moves without events.
    await page.evaluate(() => {
      const field = [...document.querySelectorAll<HTMLInputElement>('section input')].find(({ value }) =>
        value.startsWith('Body'),
      )!;
      field.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    });
    await page.bringToFront();
    await shows(page, /was changed elsewhere/);
    await press(page, 'button', 'Keep mine');
    await saved(page);
    expect((await tray('tolliver-body')).name).toBe('Body, mine');
    await other.close();
  });

  it('fits tonight on a phone and can be reached by keyboard alone', async () => {
    await page.setViewport({ width: 390, height: 844 });
    await page.goto(`${server.address}/tonight`);
    await page.waitForSelector('.stepcard');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.setViewport({ width: 1280, height: 800 });
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForSelector('[role="combobox"][aria-label="Find anything"]');
    await page.keyboard.type('quillon tank finish');
    await page.keyboard.press('Enter');
    await until(page, () => location.pathname === '/build/quillon/finish/quillon-tank', []);
    await shows(page, /Tank, cut through/);
  });

  it('says plainly that an address is wrong', async () => {
    await page.goto(`${server.address}/build/nobody/colour`);
    await shows(page, /There is no build at this address/);
    await page.goto(`${server.address}/nowhere`);
    await shows(page, /Nothing at this address[\s\S]*Back to your builds/);
  });

  it('met no script error on the way', () => {
    expect(errors).toEqual([]);
  });
});
