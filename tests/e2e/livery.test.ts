import { boxAround, readOutline } from '../../src/core/livery/index.ts';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { BuildRecord, KitItemsRecord, TypefaceRecord } from '../../src/api/index.ts';
import type { LiveryArea, LiveryView, Marking } from '../../src/core/kit/index.ts';
import { press, sampleBench, saved, scratchFolder, shows, textOf, type Started } from './bench.ts';

describe('the livery of a build', () => {
  let server: Started;
  let page: Page;
  sampleBench((opened) => ({ server, page } = opened));
  const items = async <T>(kind: string) => {
    const answer = await fetch(`${server.address}/api/builds/quillon/kit`);
    const { items: all } = (await answer.json()) as KitItemsRecord;
    return all.filter((each) => each.kind === kind).map(({ value }) => value as T);
  };
  const follows = () => textOf(page, 'section[aria-label="What follows"]');

  it('is measured on its view, and an area moves by tenths of a millimetre', async () => {
    await page.goto(`${server.address}/build/quillon/livery`);
    await shows(page, /Seen of each finish/);
    await press(page, 'button', 'Band');
    await shows(page, /band 2/);
    await saved(page);
    const [, before] = await items<LiveryArea>('livery-area');
    const drawn = () => page.$eval('.viewcanvas .chosen', (path) => path.getAttribute('d'));
    const at = await drawn();
    await page.focus('.viewcanvas');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.down('Shift');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.up('Shift');
    await expect
      .poll(async () => (await items<LiveryArea>('livery-area'))[1]!.y)
      .toBeCloseTo(before!.y + 1.1, 5);
    expect(await drawn()).not.toBe(at);
    expect(await follows()).toMatch(/\d+\.\d cm²/);
  });

  it('is dragged to where the pointer goes, in millimetres of the model', async () => {
    const corner = await page.$eval('.viewcanvas svg', (svg) => {
      const { a, e, f } = svg.getScreenCTM()!;
      return { a, e, f };
    });
    const band = (await items<LiveryArea>('livery-area'))[1]!;
    const to = (x: number, y: number) => [corner.e + x * corner.a, corner.f + y * corner.a] as const;
    await page.mouse.move(...to(20, band.y));
    await page.mouse.down();
    await page.mouse.move(...to(20, band.y + 4), { steps: 4 });
    await page.mouse.up();
    await expect.poll(async () => (await items<LiveryArea>('livery-area'))[1]!.y).toBeCloseTo(band.y + 4, 0);
    await saved(page);
  });

  it('takes colour up to a moulded line, and the border follows it', async () => {
    await press(page, 'button', 'It runs there');
    await shows(page, /it leads nowhere yet/);
    const field = await page.$('input[placeholder^="M4 24"]');
    await field!.type('M2 24 H76');
    await press(page, 'button', 'It runs there');
    await shows(page, /moulded line/);
    await saved(page);
    await press(page, 'button', 'Colour below it');
    await saved(page);
    await shows(page, /below the moulded line/);
    await expect.poll(follows).toMatch(/along a moulded line/);
    for (const _ of ['the colour', 'the line']) {
      await page.evaluate(() => (document.activeElement as HTMLElement).blur());
      await page.keyboard.down('Control');
      await page.keyboard.press('z');
      await page.keyboard.up('Control');
      await saved(page);
    }
    await expect.poll(async () => (await items<LiveryView>('view'))[0]!.mouldings ?? []).toEqual([]);
  });

  it('is made for the other side with a press, and undone with one', async () => {
    await press(page, 'button', 'Make the other side');
    await shows(page, /Tank, right/);
    await saved(page);
    expect(await items<LiveryView>('view')).toHaveLength(2);
    expect(await items<LiveryArea>('livery-area')).toHaveLength(4);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await expect.poll(async () => (await items<LiveryView>('view')).length).toBe(1);
    await saved(page);
  });

  it('takes an outline from a drawing, and says what it left out; what is no drawing is refused', async () => {
    const { folder, remove } = scratchFolder();
    const good = join(folder, 'panel.svg');
    writeFileSync(
      good,
      '<svg xmlns="http://www.w3.org/2000/svg" width="80mm" viewBox="0 0 80 40"><rect width="80" height="30"/><script>1</script></svg>',
    );
    const bad = join(folder, 'letter.svg');
    writeFileSync(bad, 'Dear builder');
    const open = async (file: string) =>
      ((await page.$('input[type=file][accept*="svg"]')) as ElementHandle<HTMLInputElement>).uploadFile(file);
    await open(bad);
    await shows(page, /letter\.svg was not opened, and nothing was changed\. This is no SVG drawing/);
    await open(good);
    await shows(page, /Left out: a script/);
    await press(page, 'button', 'Add the view');
    await saved(page);
    const views = await items<LiveryView>('view');
    expect(views.at(-1)!.outline).toMatch(/^M0 0/);
    await shows(page, /24\.0 cm²/);
    remove();
  });

  it('is traced over a picture, in millimetres by two points of it', async () => {
    const input = (await page.$('input[type=file][accept*="png"]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile('README.md');
    await shows(page, /README\.md is no picture that can be shown here/);
    await input.uploadFile('docs/screenshots/livery.png');
    const picture = (await page.waitForSelector('.tracing svg'))!;
    // The dialog stands where it will stay.
    await page.waitForFunction(() => document.getAnimations().length === 0);
    const { x, y, width, height } = (await picture.boundingBox())!;
    const mark = (across: number, down: number) => page.mouse.click(x + across * width, y + down * height);
    await mark(0.2, 0.5);
    await mark(0.7, 0.5);
    await page.type('[role="dialog"] input[inputmode]', '100');
    await page.click('[role="dialog"] ::-p-text(Outline)');
    await mark(0.2, 0.2);
    await mark(0.8, 0.2);
    await mark(0.8, 0.7);
    await mark(0.2, 0.7);
    await press(page, 'button', 'Use the tracing');
    await press(page, 'button', 'Add the view');
    await saved(page);
    const { outline } = (await items<LiveryView>('view')).at(-1)!;
    const size = boxAround(readOutline(outline).rings)!;
    // Half the picture is 100 mm, and it is 1280 by 800.
    expect(size.width).toBeCloseTo(120, 0);
    expect(size.height).toBeCloseTo((100 / 640) * 400, 0);
  });

  it('has its colours in the order of least work, each stage as a picture', async () => {
    await page.goto(`${server.address}/build/pellam/livery/order`);
    await shows(page, /no other order takes less/);
    const strip = await page.$$eval('section[aria-label="Cab"] .stages li', (stages) =>
      stages.map((stage) => [
        (stage as HTMLElement).innerText.split('\n')[0]!,
        stage.querySelector('svg')!.getAttribute('aria-label'),
      ]),
    );
    expect(strip.map(([words]) => words!.replace(/ \d.*$/, ''))).toEqual(['1. Deck cream', '2. Parade red']);
    expect(strip[1]![1]).toBe('Stage 2: Parade red');
    expect(await textOf(page, 'section[aria-label="Cab"]')).toMatch(
      /Then mask towards parade red: edge tape, \d+ mm/,
    );
  });

  it('starts from a plain outline stretched to the model', async () => {
    await page.goto(`${server.address}/build/tolliver/livery`);
    await shows(page, /Another view/);
    await press(page, 'button', 'Add the view');
    await saved(page);
    await shows(page, /Coupe/);
  });

  it('brings the order of its colours into the stack, once and for all', async () => {
    const layers = async () => {
      const answer = await fetch(`${server.address}/api/builds/quillon`);
      const build = (await answer.json()) as BuildRecord;
      return build.trays.find(({ id }) => id === 'quillon-tank')!.layers;
    };
    const before = await layers();
    await page.goto(`${server.address}/build/quillon/livery/order`);
    await shows(page, /The stack of tank does not follow it yet/);
    await press(page, 'button', 'Take this order into the stack');
    await shows(page, /The stack of tank follows this order/);
    await saved(page);
    const colours = async () => new Set((await layers()).flatMap(({ finishId }) => finishId ?? [])).size;
    await expect.poll(colours).toBe(2);
    await page.goto(`${server.address}/build/quillon/finish/quillon-tank`);
    await shows(page, /Escort ivory, \d+ %/);
    await page.goto(`${server.address}/build/quillon/livery/order`);
    await shows(page, /The stack of tank follows this order/);
    expect(before.some(({ finishId }) => finishId !== undefined)).toBe(false);
  });

  it('has its markings where they lie, each with its ways, and moves them', async () => {
    await page.goto(`${server.address}/build/pellam/livery/markings`);
    await press(page, 'button', 'Name on the door, left');
    await shows(page, /Ways to bring it on/);
    await shows(page, /Doors: \d+ %/);
    await page.focus('.viewcanvas');
    await page.keyboard.press('ArrowRight');
    await saved(page);
    const font = (await page.$('input[type=file][accept*="woff"]')) as ElementHandle<HTMLInputElement>;
    await font.uploadFile('README.md');
    await shows(page, /This is no font file that can be read/);
    await font.uploadFile('node_modules/@fontsource/barlow/files/barlow-latin-700-normal.woff');
    const typefaces = async () =>
      (await (await fetch(`${server.address}/api/typefaces`)).json()) as TypefaceRecord[];
    await expect.poll(async () => (await typefaces()).map(({ name }) => name)).toEqual(['Barlow Bold']);
    await saved(page);
    const [own] = await typefaces();
    await press(page, 'button', 'Add a marking');
    await shows(page, /marking 4/);
    await saved(page);
    const answer = await fetch(`${server.address}/api/builds/pellam/kit`);
    const { items: all } = (await answer.json()) as KitItemsRecord;
    const markings = all.filter(({ kind }) => kind === 'marking').map(({ value }) => value as Marking);
    expect(markings).toHaveLength(4);
    const lettered = markings.find(({ name }) => name.startsWith('Name'))!;
    expect(lettered.x).toBeCloseTo(44.1, 5);
    expect(lettered.artwork.face).toBe(own!.id);
  });

  it('prints its markings on the fewest sheets, and keeps what is said of the sheet', async () => {
    await page.goto(`${server.address}/build/pellam/livery/sheets`);
    await shows(page, /1 sheet; no way of laying them takes fewer/);
    await shows(page, /Scroll lettering of the deck × 2/);
    expect(await page.$eval('.printedsheet', (sheet) => sheet.getAttribute('aria-label'))).toBe(
      'Sheet 1, 210 by 297 mm',
    );
    const bar = await page.$$eval('.printedsheet path', (paths) =>
      Math.max(
        ...paths
          .filter((path) => path.getAttribute('fill') === '#000000')
          .map((path) => path.getBBox().width),
      ),
    );
    expect(bar).toBeCloseTo(50, 2);
    await press(page, 'button', 'Connect');
    await press(page, 'button', 'Send it');
    await shows(page, /It wants sheets: load, then go on/);
    await press(page, 'button', 'Load sheets');
    await press(page, 'button', 'Go on');
    await shows(page, /Markings of .*: done, 1 page/);
    const margin = await page.waitForSelector('::-p-aria(Margin, mm)');
    await margin!.click({ count: 3 });
    await page.keyboard.type('60');
    await page.keyboard.press('Tab');
    await saved(page);
    const answer = await fetch(`${server.address}/api/builds/pellam/kit`);
    const { items: all } = (await answer.json()) as KitItemsRecord;
    expect(all.find(({ kind }) => kind === 'printing')!.value).toMatchObject({ marginMm: 60, spares: 1 });
    await shows(page, /Scroll lettering of the deck × 2/);
  });
});
