import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { SettingsRecord } from '../../src/api/index.ts';
import { benchAt, press, sampleBench, saved, shows, type Started, textOf, until } from './bench.ts';
import { holdTo, markStep, openPlan, settled, WORK } from './planPage.ts';

describe('using the plan', () => {
  let server: Started;
  let page: Page;
  const { errors, folder } = sampleBench((opened) => ({ server, page } = opened));
  const bench = () => benchAt(server.address);
  const planOf = async (id: string) => (await bench()).builds.find((build) => build.id === id)!.kit.plan;
  const stepsShown = async () =>
    Number(/(\d+) steps, ready/.exec(await page.evaluate(() => document.body.innerText))?.[1]);

  it('gives the evenings as a calendar and the steps as a table', async () => {
    await openPlan(page, server.address);
    const downloads = join(folder, 'downloads');
    mkdirSync(downloads);
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
    const download = async (button: string, name: string) => {
      await press(page, 'button', button);
      const file = join(downloads, name);
      await expect.poll(() => existsSync(file), { timeout: 20_000 }).toBe(true);
      return readFileSync(file, 'utf8');
    };
    const calendar = await download('Calendar file', 'plan-tolliver.ics');
    expect(calendar).toMatch(/^BEGIN:VCALENDAR[\s\S]*END:VCALENDAR\s*$/);
    expect(calendar.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(20);
    expect(calendar).toContain('Tolliver Six drophead coupe');
    const table = await download('Table (CSV)', 'plan-tolliver.csv');
    const rows = table.trim().split('\r\n');
    expect(rows).toHaveLength((await stepsShown()) + 1);
    expect(table).toContain(WORK);
  });

  it('holds a step to the evening that it is pinned to, whatever else changes', async () => {
    await openPlan(page, server.address);
    await markStep(page, WORK);
    await holdTo(page, '28 May 2026', '20:00');
    await press(page, 'button', 'Pin');
    await shows(page, /Pinned to Thu 28 May 20:00/);
    const pinnedAt = new Date(2026, 4, 28, 20).getTime() / 60000;
    const id = (await planOf('tolliver')).pins[0]!.operationId;
    await settled(page);
    await expect.poll(async () => (await bench()).plan.starts[id]).toBe(pinnedAt);
    expect(await textOf(page, '[data-testid="step-reason"]')).toMatch(/Thu 28 May 20:00/);
    // The bench is closed on two evenings before: others move, it does not.
    const { settings } = await bench();
    const put = async (calendar: SettingsRecord['calendar']) => {
      const { conditions, preferences, version } = (await bench()).settings;
      const answer = await fetch(`${server.address}/api/bench/settings`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', 'if-match': `"${version}"` },
        body: JSON.stringify({ conditions, preferences, calendar }),
      });
      expect(answer.status).toBe(200);
    };
    await put({ ...settings.calendar, closed: ['2026-05-25', '2026-05-26'] });
    await page.reload();
    await shows(page, /\d+ steps, ready/);
    await settled(page);
    await expect.poll(async () => (await bench()).plan.starts[id]).toBe(pinnedAt);
    await put(settings.calendar);
    await page.reload();
    await shows(page, /\d+ steps, ready/);
    await settled(page);
    await markStep(page, WORK);
    await press(page, 'button', 'let go');
    await expect.poll(async () => (await planOf('tolliver')).pins).toEqual([]);
    await settled(page);
  });

  it('does two steps in one go, and takes them apart again', async () => {
    await openPlan(page, server.address);
    const before = await stepsShown();
    await markStep(page, 'Flat, wet: Hood');
    await press(page, 'button', 'change its words, minutes or parts…');
    const together = await page.waitForSelector('::-p-text(do it in one go with)');
    const words = await together!.evaluate((element) => element.closest('button')!.innerText);
    const [, next, minutes] = /do it in one go with “([^”]+)”, (\d+) min/.exec(words)!;
    await together!.click();
    await shows(page, /You do these in one go/);
    await expect.poll(stepsShown).toBe(before - 1);
    const reason = await textOf(page, '[data-testid="step-reason"]');
    expect(reason.toLowerCase()).toContain(`; then ${next!.toLowerCase()}`);
    expect(reason).toContain(`${minutes} min at the bench`);
    await press(page, 'button', 'take them apart');
    await expect.poll(async () => (await planOf('tolliver')).stepEdits).toEqual([]);
    await expect.poll(stepsShown).toBe(before);
  });

  it('shows what the plan looked like before, and what has moved since', async () => {
    await openPlan(page, server.address);
    await page.evaluate(() => {
      const summary = [...document.querySelectorAll('summary')].find(
        ({ textContent }) => textContent === 'Earlier plans',
      )!;
      summary.click();
    });
    await shows(page, /Earlier plans[\s\S]*: all ready \w{3} \d+ \w{3}/);
    const plans = await page.$$('details[open] .plainbullets button');
    expect(plans.length).toBeGreaterThan(5);
    await plans.at(-1)!.click();
    await shows(page, /Since then: \d+ moved, \d+ added, \d+ gone or done otherwise/);
    await shows(page, /\w{3} (\d+ \w{3} )?\d\d:\d\d → \w{3} (\d+ \w{3} )?\d\d:\d\d/);
  });

  it('says what is missing where no evening is kept for the bench, and plans again once one is', async () => {
    await page.goto(`${server.address}/bench`);
    await page.waitForSelector('[aria-label^="Remove the session on"]');
    while (await page.$('[aria-label^="Remove the session on"]')) {
      const count = (await page.$$('[aria-label^="Remove the session on"]')).length;
      await page.click('[aria-label^="Remove the session on"]');
      await until(
        page,
        (most) => document.querySelectorAll('[aria-label^="Remove the session on"]').length < most,
        [count],
      );
    }
    await saved(page);
    expect((await bench()).settings.calendar.sessions).toEqual([]);
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /There is no plan[\s\S]*no bench session at all: add at least one evening/);
    await page.goto(`${server.address}/build/tolliver/tonight`);
    await shows(page, /There is no plan[\s\S]*add at least one evening/);
    await page.goto(`${server.address}/bench`);
    await press(page, 'button', 'Add a session on Thursday');
    await saved(page);
    await page.goto(`${server.address}/build/tolliver/plan`);
    // One evening a week takes more than a year.
    await shows(page, /\d+ steps, ready[\s\S]*All builds ready\s+\w{3} \d+ \w{3} 2027/);
    expect(errors).toEqual([]);
  });
});
