import { PDFDocument } from 'pdf-lib';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { KitItemsRecord } from '../../src/api/index.ts';
import type { Harness } from '../../src/core/kit/index.ts';
import { fill, press, sampleBench, saved, shows, textOf, until, type Started } from './bench.ts';

describe('the detail of a build', () => {
  let server: Started;
  let page: Page;
  sampleBench((opened) => ({ server, page } = opened));
  const open = (drawer: string, id = 'tolliver') =>
    page.goto(`${server.address}/build/${id}/detail/${drawer}`);
  const follows = () => textOf(page, 'section[aria-label="What follows"]');
  const harness = async () => {
    const answer = await fetch(`${server.address}/api/builds/tolliver/kit`);
    const { items } = (await answer.json()) as KitItemsRecord;
    return items.find(({ kind }) => kind === 'harness')!.value as Harness;
  };

  it('wires an engine, keeps a firing order that cannot be, and says what is wrong', async () => {
    await open('ignition');
    await shows(page, /Take 0\.30 mm wire, drill plugs and cap 0\.35 mm/);
    await fill(page, 'Firing order', '1-5-3-3-2-4');
    await page.keyboard.press('Tab');
    await shows(page, /names cylinder 3 twice[\s\S]*What was typed is kept/);
    await saved(page);
    expect((await harness()).firingOrder).toEqual([1, 5, 3, 3, 2, 4]);
    await press(page, 'button', 'Take 1-5-3-6-2-4, usual for it');
    await shows(page, /drill plugs and cap/);
    await saved(page);
    expect((await harness()).firingOrder).toEqual([1, 5, 3, 6, 2, 4]);
  });

  it('saves its drawings as a PDF of the sheet that is printed on', async () => {
    await page.evaluate(() => {
      URL.createObjectURL = (blob) => {
        void (blob as Blob).arrayBuffer().then((bytes) => {
          document.body.dataset.saved = JSON.stringify([...new Uint8Array(bytes)]);
        });
        return '#';
      };
    });
    await press(page, 'button', 'Save as PDF, enlarged');
    const bytes = await page
      .waitForFunction(() => document.body.dataset.saved)
      .then((handle) => handle.jsonValue());
    const pdf = await PDFDocument.load(new Uint8Array(JSON.parse(bytes as string) as number[]));
    expect(pdf.getPageCount()).toBe(1);
    // A4 in points.
    expect(pdf.getPage(0).getWidth()).toBeCloseTo((210 / 25.4) * 72, 0);
  });

  it('cuts everything from what is in stock, and asks for what is not', async () => {
    await open('cutting', 'quillon');
    await shows(page, /0\.25 mm: 2 lengths opened[\s\S]*1 length to buy, €3\.40/);
    expect(await follows()).toMatch(/0\.50 mm: none in stock/);
  });

  it('tells what will be seen, and what is done for its own sake all the same', async () => {
    await open('seen');
    await shows(page, /Worth the 3 h[\s\S]*No other choice shows more of it/);
    await shows(page, /Parts inside, the most hidden first[\s\S]*guessed/);
    await press(page, 'button', 'Place of Seat, front: guessed');
    await fill(page, 'Above the lowest, mm', '20');
    await page.keyboard.press('Tab');
    await saved(page);
    await shows(page, /Seat, front[\s\S]{0,400}\d+ % ± \d+\.\d %/);
    await press(page, 'button', 'let it be guessed again');
    await shows(page, /Seat, front[\s\S]{0,400}about \d+ %/);
    await fill(page, 'Time there is, minutes', '60');
    await page.keyboard.press('Tab');
    await saved(page);
    await shows(page, /Worth the 60 min[\s\S]*With more time[\s\S]*6 × ignition lead/);
    await press(
      page,
      'button',
      '6 × ignition lead (straight six), distributor to cylinder head: for my own pleasure',
    );
    await saved(page);
    await shows(page, /Worth the 60 min[\s\S]*6 × ignition lead[\s\S]*weigh it again[\s\S]*With more time/);
  });

  it('takes an engine with the spare that it needs, undone in its steps, and the version follows', async () => {
    const spare = async () => {
      const answer = await fetch(`${server.address}/api/stock`);
      const { items } = (await answer.json()) as KitItemsRecord;
      return (items.find(({ id }) => id === 'spare-dynamo')!.value as { count: number }).count;
    };
    await open('engines', 'pellam');
    await shows(page, /Diesel six can stand[\s\S]*Dynamo, small[\s\S]*spares box/);
    expect(await spare()).toBe(1);
    await press(page, 'button', 'Take Diesel six, with 1 part from elsewhere');
    await shows(page, /Diesel six taken: the version picks it/);
    await saved(page);
    expect(await spare()).toBe(0);
    const picked = async () => {
      const answer = await fetch(`${server.address}/api/builds/pellam/kit`);
      const { items } = (await answer.json()) as KitItemsRecord;
      return (items.find(({ id }) => id === 'pellam-engine')!.value as { chosen: string }).chosen;
    };
    expect(await picked()).toBe('pellam-engine-diesel');
    // The stock came last: it goes back first.
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await expect.poll(spare).toBe(1);
    await page.goto(`${server.address}/build/pellam/kit/version`);
    await shows(page, /Do it: mounts of the diesel/);
  });

  it('cuts a frame clear of its brackets, and says so where it cannot', async () => {
    await open('stretch', 'pellam');
    await shows(page, /Frame rails[\s\S]*210\.0 mm becomes 252\.0 mm/);
    await fill(page, 'Longer by, mm', '0');
    await page.keyboard.press('Tab');
    await shows(page, /Say by how much it becomes longer/);
    await saved(page);
    await fill(page, 'Longer by, mm', '42');
    await page.keyboard.press('Tab');
    await shows(page, /as the real one has it/);
  });

  it('opens the overlay of a panel, says which web breaks, and prints its dials', async () => {
    await open('panel');
    await shows(page, /0\.40 mm between speed and revs in 0\.25 mm sheet: it will break/);
    await fill(page, 'Sheet of an overlay, mm', '0.13');
    await page.keyboard.press('Tab');
    await saved(page);
    await shows(page, /In this order/);
    expect(await follows()).not.toContain('it will break');
    await open('panel', 'quillon');
    await shows(page, /Lenses: [\d.]+ mm³ of clear/);
    await page.click('input[type=radio][value="relief-brush"]');
    await saved(page);
    await until(page, () => !document.body.innerText.includes('Overlay of clocks'), []);
  });

  it('finds an order for the glass, and follows what is said of it', async () => {
    await open('glass', 'pellam');
    await shows(page, /Order of fitting[\s\S]*Dashboard[\s\S]*Windscreen shuts in dashboard/);
    await page.click(
      'section[aria-label="Rear window"] ::-p-aria([name="Lies behind it, and must be there before"])',
    );
    await page.keyboard.type('Windscreen');
    await page.waitForSelector('[role="option"]');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await saved(page);
    await shows(page, /Rear window shuts in windscreen/);
  });

  it('sets a seat by what is measured around it, and names what contradicts', async () => {
    await open('seats');
    await shows(page, /Under it 1\.50 mm: sheet of 0\.5 \+ 0\.5 \+ 0\.5 mm/);
    await fill(page, 'Floor to lower rim, mm', '14');
    await page.keyboard.press('Tab');
    await saved(page);
    await shows(page, /No height keeps both/);
  });

  it('leads the chassis into the body, the end first that goes under', async () => {
    await open('way-in');
    await shows(page, /Front first, pushed on 6\.0 mm: each side gives way 0\.73 mm/);
    await fill(page, 'Room inside ahead, mm', '2');
    await page.keyboard.press('Tab');
    await saved(page);
    await shows(page, /It goes in neither end first/);
  });

  it('works a shim out, and tells what to try on what no longer moves', async () => {
    await open('straight');
    await fill(page, 'left, mm', '12.6');
    await page.keyboard.press('Tab');
    await saved(page);
    await fill(page, 'right, mm', '12');
    await page.keyboard.press('Tab');
    await saved(page);
    // 0.6 mm over 66 mm, at seats 34 mm apart.
    await shows(page, /Front bumper hangs: 0\.31 mm under its right seat/);
    await open('moves');
    await page.locator('input[placeholder="not tried yet"]').click();
    await page.locator('::-p-text(no longer moves)').click();
    await saved(page);
    await shows(page, /look against the light where it touches/);
  });
});
