import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { PaintRecord } from '../../src/api/index.ts';
import {
  benchAt,
  fill,
  press,
  sampleBench,
  saved,
  shows,
  textOf,
  typeDay,
  type Started,
  until,
} from './bench.ts';

describe('shelf, bench and kit of the sample bench', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const fetched = async <T>(path: string) => (await (await fetch(server.address + path)).json()) as T;
  const snapshot = () => benchAt(server.address);
  const level = async (id: string) =>
    (await fetched<PaintRecord[]>('/api/paints')).find((paint) => paint.id === id)!.levelMl;
  const undo = async () => {
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await saved(page);
  };

  it('reads a card of a paint, which is then known better', async () => {
    const paint = async () =>
      (await fetched<PaintRecord[]>('/api/paints')).find(({ id }) => id === 'OR-041')!;
    const known = async () => (await paint()).uncertainty;
    const { name } = await paint();
    const before = await known();
    await page.goto(`${server.address}/shelf`);
    await press(page, 'button', 'everything, 604');
    await fill(page, 'Filter paints', 'OR-041');
    const uncertainty = (await paint()).uncertainty.toFixed(1);
    await press(page, 'button', `±${uncertainty} read OR-041 ${name}`);
    await shows(page, /Nothing was read of it yet/);
    await press(page, 'button', 'Connect the reader');
    await press(page, 'button', 'Calibrate on its tile');
    await press(page, 'button', 'over black card');
    await press(page, 'button', 'Read a card of this paint');
    await shows(page, /over black, \d+ µm, three readings within/);
    await saved(page);
    expect(await known()).toBeLessThan(before);
    await page.keyboard.press('Escape');
  });

  it('narrows the catalogue by a few letters', async () => {
    await page.goto(`${server.address}/shelf`);
    await shows(page, /on the shelf, 54/);
    await press(page, 'button', 'everything, 604');
    await shows(page, /604 paints/);
    // Only the rows in sight are drawn.
    expect((await page.$$('tbody tr[aria-rowindex]')).length).toBeLessThan(60);
    await press(page, 'button', 'Price');
    await press(page, 'button', 'Price ↑');
    const dearest = await page.$eval('tbody tr[aria-rowindex] td:nth-child(8)', (cell) => cell.textContent);
    const prices = (await fetched<PaintRecord[]>('/api/paints')).map(({ priceCents }) => priceCents);
    expect(dearest).toBe(`€${(Math.max(...prices) / 100).toFixed(2)}`);
    await press(page, 'button', 'Price ↓');
    await fill(page, 'Filter paints', 'kestle satin');
    await shows(page, /KE-003[\s\S]*Silk 2K/);
    expect(await page.$$('tbody tr[aria-rowindex]')).toHaveLength(1);
    await fill(page, 'Filter paints', 'no such paint at all');
    await shows(page, /No paint answers to that/);
  });

  it('puts a bottle on the shelf, notes what is left, and takes it back', async () => {
    await fill(page, 'Filter paints', 'KE-003');
    await press(page, 'checkbox', 'Silk 2K is on the shelf');
    await shows(page, /on the shelf, 55/);
    await saved(page);
    expect(await level('KE-003')).toBe(60);
    await fill(page, 'Left of Silk 2K, ml', '12.5');
    await page.keyboard.press('Tab');
    await expect.poll(() => level('KE-003')).toBe(12.5);
    await fill(page, 'Left of Silk 2K, ml', 'half');
    await page.keyboard.press('Tab');
    expect(
      await page.$eval('[aria-label="Left of Silk 2K, ml"]', (input) => (input as HTMLInputElement).value),
    ).toBe('12.5');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await undo();
    await expect.poll(() => level('KE-003')).toBe(60);
    await undo();
    await expect.poll(() => level('KE-003')).toBeNull();
  });

  it('keeps where a bottle stands, what is no longer made and what could stand in for it', async () => {
    await press(page, 'button', 'on the shelf, 54');
    await fill(page, 'Filter paints', 'BR-004');
    await press(page, 'button', 'Flag Red');
    await shows(page, /Could stand in for it[\s\S]*dE/);
    await fill(page, 'Stands in', 'lower drawer');
    await page.keyboard.press('Tab');
    await fill(page, 'Price, €', '4.75');
    await page.keyboard.press('Tab');
    await press(page, 'checkbox', 'no longer made');
    await saved(page);
    const paint = async () =>
      (await fetched<PaintRecord[]>('/api/paints')).find(({ id }) => id === 'BR-004')!;
    await expect.poll(paint).toMatchObject({ place: 'lower drawer', priceCents: 475, discontinued: true });
    await shows(page, /Flag Red no longer made/);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await undo();
    await expect.poll(async () => (await paint()).discontinued).toBe(false);
    await press(page, 'button', 'Close this paint');
  });

  it('merges a table after showing what it would change, and keeps what it cannot read', async () => {
    await press(page, 'button', 'Merge a table');
    await fill(page, 'Or paste the table', 'code\trange\tname\tchemistry\thex\tleft ml BR-004\t\t\t\t\t2');
    await shows(page, /at least one paint below it/);
    await page.$eval('textarea', (area) => {
      Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')!.set!.call(
        area,
        'code,range,name,chemistry,hex,left ml\nBR-004,,,,,2\n77,Harbour,Deep Tide,lacquer,#104050,12\n78,Harbour,Odd,cheese,#104050,',
      );
      area.dispatchEvent(new Event('input', { bubbles: true }));
    });
    await shows(page, /1 new, 1 changed, 0 as it was, 1 left out/);
    await shows(page, /"cheese" is no chemistry/);
    await shows(page, /left [\d.]+ ml → 2 ml/);
    await press(page, 'button', 'Merge 2 paints');
    await shows(page, /on the shelf, 55/);
    await saved(page);
    expect(await level('BR-004')).toBe(2);
    expect(await level('harbour-77')).toBe(12);
  });

  it('changes evenings, closes a day and takes both into the plan', async () => {
    await page.goto(`${server.address}/bench`);
    await press(page, 'button', 'Add a session on Friday');
    await saved(page);
    const { sessions } = (await snapshot()).settings.calendar;
    expect(sessions.filter(({ day }) => day === 5)).toEqual([{ day: 5, start: 1170, end: 1290 }]);
    await typeDay(page, 'A day the bench is closed', '13 May 2026');
    await press(page, 'button', 'Close this day');
    await shows(page, /Wed 13 May ✕/);
    await saved(page);
    await page.goto(`${server.address}/build/pellam/plan`);
    await page.waitForSelector('[aria-label^="Lanes by sub-assembly"]');
    await expect.poll(() => textOf(page, '[aria-label^="Lanes by sub-assembly"]')).toMatch(/Fri 15 May/);
    expect(await textOf(page, '[aria-label^="Lanes by sub-assembly"]')).not.toMatch(/Wed 13 May/);
  });

  it('sprays only in sessions in which it can, and says where none is left', async () => {
    const spraying = () => page.$$('[aria-label^="spraying on"]');
    await page.goto(`${server.address}/bench`);
    await page.waitForSelector('[aria-label^="spraying on"]');
    for (let at = 0; at < (await spraying()).length; at++) {
      await (await spraying())[at]!.click();
      await saved(page);
    }
    const { sessions } = (await snapshot()).settings.calendar;
    expect(sessions.every((session) => session.spraying === false)).toBe(true);
    await page.goto(`${server.address}/build/pellam/plan`);
    await shows(page, /There is no plan[\s\S]*needs the spray booth and no session has it/);
    await page.goto(`${server.address}/bench`);
    await page.waitForSelector('[aria-label^="spraying on Saturday"]');
    await page.click('[aria-label^="spraying on Saturday"]');
    await saved(page);
    await page.goto(`${server.address}/build/pellam/tonight`);
    await shows(page, /no spraying in this session/);
    expect(await textOf(page, '[aria-label="Step"]')).not.toMatch(/· booth ·/);
    await page.goto(`${server.address}/build/pellam/plan`);
    await page.waitForSelector('[aria-label^="Lanes by sub-assembly"]');
    await page.goto(`${server.address}/bench`);
    await page.waitForSelector('[aria-label^="spraying on"]');
    for (let at = 0; at < (await spraying()).length; at++) {
      if (await (await spraying())[at]!.evaluate((box) => (box as HTMLInputElement).checked)) continue;
      await (await spraying())[at]!.click();
      await saved(page);
    }
  });

  it('shows temperatures and amounts in the builder’s units', async () => {
    await page.goto(`${server.address}/bench`);
    await shows(page, /Units[\s\S]*drops/);
    await page.evaluate(() =>
      [...document.querySelectorAll('label')].find((label) => label.innerText === '°F')!.click(),
    );
    await shows(page, /Air, °F/);
    await shows(page, /Dew point 49\.\d °F/);
    await page.evaluate(() =>
      [...document.querySelectorAll('label')].find((label) => label.innerText === 'drops')!.click(),
    );
    await saved(page);
    expect((await snapshot()).settings).toMatchObject({
      conditions: { temperatureC: 21 },
      preferences: { temperature: 'F', volume: 'drops' },
    });
    await page.goto(`${server.address}/build/tolliver/colour/tolliver-body`);
    await shows(page, /For body twice over:\s*\d+ drops/);
  });

  it('refuses a joint without a name and removes one', async () => {
    await page.goto(`${server.address}/build/quillon/kit/trays?as=standing`);
    await press(page, 'button', 'Add a joint');
    await press(page, 'button', 'Add the joint');
    await shows(page, /Name the joint: body over chassis/);
    await press(page, 'button', 'Cancel');
    const before = (await snapshot()).builds.find(({ id }) => id === 'quillon')!.joins.length;
    await press(page, 'button', 'Remove joint Tank, left into frame, left');
    await until(
      page,
      () => !document.querySelector('[aria-label="Remove joint Tank, left into frame, left"]'),
      [],
    );
    await saved(page);
    const { joins } = (await snapshot()).builds.find(({ id }) => id === 'quillon')!;
    expect(joins.map(({ name }) => name)).not.toContain('Tank, left into frame, left');
    expect(joins.length).toBe(before - 1);
  });

  it('changes the theme and stays neutral in both', async () => {
    const grounds: string[] = [];
    for (const name of ['Dark theme', 'Light theme']) {
      await press(page, 'button', name);
      grounds.push(await page.evaluate(() => getComputedStyle(document.body).backgroundColor));
    }
    expect(grounds[0]).not.toBe(grounds[1]);
    for (const ground of grounds) {
      const [red, green, blue] = /(\d+), (\d+), (\d+)/.exec(ground)!.slice(1);
      expect([green, blue]).toEqual([red, red]);
    }
  });

  it('can be walked by keyboard: the first stop skips to the view, every control has a name', async () => {
    await page.goto(`${server.address}/build/tolliver/finish`);
    await page.waitForSelector('svg[aria-label^="Cross-section"]');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement!.textContent)).toBe('Skip to the view');
    expect(await namelessControls(page)).toEqual([]);
    for (const view of [
      '',
      'version',
      'evidence',
      'joints',
      'trays?as=standing',
      'fit',
      'needs',
      'lessons',
    ]) {
      await page.goto(`${server.address}/build/tolliver/kit/${view}`);
      await page.waitForSelector('[aria-label="What follows"]');
      expect(await namelessControls(page), view).toEqual([]);
    }
  });

  it('met no script error on the way', () => {
    expect(errors).toEqual([]);
  });
});

/** Controls that a keyboard reaches and that have no name. */
const namelessControls = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, input:not([type="hidden"]), textarea')]
      .filter(
        (control) =>
          control.offsetParent !== null &&
          control.getAttribute('aria-hidden') !== 'true' &&
          control.tabIndex >= 0,
      )
      .filter((control) => {
        const labels =
          control instanceof HTMLInputElement || control instanceof HTMLTextAreaElement
            ? (control.labels?.length ?? 0)
            : 0;
        return (
          !control.innerText.trim() && !control.getAttribute('aria-label') && !control.title && labels === 0
        );
      })
      .map((control) => control.outerHTML.slice(0, 120)),
  );
