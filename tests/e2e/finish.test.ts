import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { KitItemsRecord } from '../../src/api/index.ts';
import { benchAt, press, sampleBench, saved, shows, type Started, until } from './bench.ts';

describe('the finish of a sub-assembly', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const layers = async (id: string) =>
    (await benchAt(server.address)).builds.flatMap(({ trays }) => trays).find((tray) => tray.id === id)!
      .layers;
  const kinds = async (id: string) => (await layers(id)).map(({ kind }) => kind).join(' ');
  const choose = async (label: string, value: string) => {
    await page.evaluate(
      (name, option) => {
        const select = [...document.querySelectorAll('label')].find(({ innerText }) => innerText === name)!
          .control as HTMLSelectElement;
        Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')!.set!.call(select, option);
        select.dispatchEvent(new Event('change', { bubbles: true }));
      },
      label,
      value,
    );
  };

  it('shows the colour coat by coat over what is under it', async () => {
    await page.goto(`${server.address}/build/tolliver/finish/tolliver-hood`);
    await shows(page, /under it[\s\S]*planned\s+closed/);
  });

  it('suggests stacks by school, says why and what would change, and takes one', async () => {
    const before = await layers('tolliver-hood');
    await press(page, 'button', 'Suggest a stack');
    await shows(page, /Lacquer clear[\s\S]*Two-part clear[\s\S]*Enamel clear[\s\S]*Water-based clear/);
    await shows(page, /Metallics look deep over gloss black/);
    expect(await layers('tolliver-hood')).toEqual(before);
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('.stackoffers button')]
        .find(({ innerText }) => innerText.startsWith('Two-part clear'))!
        .click(),
    );
    await shows(page, /Hardest and deepest/);
    await press(page, 'button', 'Take this stack');
    await saved(page);
    expect(await kinds('tolliver-hood')).toMatch(/^primer undercoat colour (decal )?clear/);
    expect((await layers('tolliver-hood')).find(({ kind }) => kind === 'clear')!.mix).toEqual({
      'generic-clear-2k': 1,
    });
    await shows(page, /This is the stack in use/);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await saved(page);
    await expect.poll(() => layers('tolliver-hood')).toEqual(before);
  });

  it('marks what would come too late and follows another look', async () => {
    await choose('Look', 'candy');
    await shows(page, /over silver[\s\S]*over gold/);
    await page.evaluate(() => {
      const input = [...document.querySelectorAll('label')].find(
        ({ innerText }) => innerText === 'Needed in, days',
      )!.control as HTMLInputElement;
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, '2');
      input.dispatchEvent(new Event('input', { bubbles: true }));
    });
    await shows(page, /too late/);
    await press(page, 'button', 'Close the suggestions');
  });

  it('counts the clear that each grade leaves and goes through the grades', async () => {
    await page.goto(`${server.address}/build/tolliver/finish/tolliver-body`);
    await shows(page, /Clear left, µm[\s\S]*4000 cloth\s+\d+ \(\d+–\d+\)/);
    await press(page, 'button', 'Go through the grades');
    await shows(page, /4000 cloth: 30 strokes/);
    await press(page, 'button', 'Even and clean: next grade');
    await shows(page, /6000 cloth: 30 strokes/);
  });
  it('weighs the routes to chrome for every bright part, and a pin holds until it is let go', async () => {
    const pin = async () =>
      (
        (await (await fetch(`${server.address}/api/builds/tolliver/kit`)).json()) as KitItemsRecord
      ).items.find(
        ({ kind, value }) => kind === 'brightwork' && (value as { partId: string }).partId === 'tolliver-D4',
      )?.value;
    await page.goto(`${server.address}/build/tolliver/finish/brightwork`);
    await shows(page, /Headlamp rims[\s\S]*the best here[\s\S]*What follows[\s\S]*Work, all of it/);
    expect(await pin()).toBeUndefined();
    const routes = await page.$$('.routerow');
    expect(routes.length).toBeGreaterThan(3);
    await routes[2]!.click();
    await saved(page);
    await shows(page, /let the best route win/);
    expect((await pin()) as object).toHaveProperty('route', 'black-metal-lacquer');
    await press(page, 'button', 'let the best route win');
    await saved(page);
    await until(page, () => !/let the best route win/.test(document.body.innerText), []);
    expect(await pin()).toMatchObject({ route: null });
  });

  it('counts passes of a clear tint to a colour and lists heat tints, hot ones last', async () => {
    await page.goto(`${server.address}/build/quillon/finish/tints`);
    await shows(page, /The pipe, in this order/);
    const order = await page.$$eval('[aria-label="Tints in the order of spraying"] li', (items) =>
      items.map((item) => item.innerText),
    );
    expect(order[0]).toMatch(/^clear yellow, \d+ light pass/);
    expect(order.length).toBeGreaterThan(1);
    await choose('To come near', 'TL-2203');
    await shows(page, /(pass comes|passes come|base is) nearest to TL-2203/);
    await page.evaluate(() => {
      const [select] = [...document.querySelectorAll<HTMLSelectElement>('[aria-label="Lay it on"]')].slice(
        -1,
      );
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')!.set!.call(
        select,
        'quillon-pipes',
      );
      select!.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await until(page, () => /into the stack of Exhaust pipes/.test(document.body.innerText), []);
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button')]
        .filter(({ innerText }) => innerText.includes('into the stack of Exhaust pipes'))
        .at(-1)!
        .click(),
    );
    await shows(page, /In the stack of Exhaust pipes/);
    await saved(page);
    expect(await kinds('quillon-pipes')).toMatch(/^undercoat metal( tint)+$/);
    await page.focus('[role="slider"]');
    await page.keyboard.press('Home');
    await shows(page, /Too cool for any colour/);
    expect(errors).toEqual([]);
  });
});
