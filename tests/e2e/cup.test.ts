import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { CupRecord, PaintRecord } from '../../src/api/index.ts';
import { press, sampleBench, saved, shows, type Started, until } from './bench.ts';

describe('a cup, its spoons and the reader', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const fetched = async <T>(path: string) => (await (await fetch(server.address + path)).json()) as T;
  const cups = async () =>
    (await fetched<CupRecord[]>('/api/cups')).filter(({ buildId }) => buildId === 'quillon');

  it('shows the spoon that was read, says how far off it is and what to add', async () => {
    await page.goto(`${server.address}/build/quillon/colour/quillon-guards`);
    await press(page, 'link', 'Cup 1 cup, 1 spoon read');
    await shows(page, /The newest spoon\s+\d\.\d dE/);
    await shows(page, /Add to the cup[\s\S]*nine in ten \d\.\d–\d\.\d/);
    await shows(page, /Learned[\s\S]*1 reading[\s\S]*±1\.0 → ±0\.\d dE/);
  });

  it('notes the drops that went in, and undo takes the note back', async () => {
    const [before] = await cups();
    await page.$eval('.column:last-of-type .action', (button) => (button as HTMLButtonElement).click());
    await shows(page, /Changed since its spoon/);
    await saved(page);
    const [after] = await cups();
    expect(after!.additions).toHaveLength(before!.additions.length + 1);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await shows(page, /The newest spoon/);
    await saved(page);
    expect((await cups())[0]!.additions).toEqual(before!.additions);
    await page.$eval('.column:last-of-type .action', (button) => (button as HTMLButtonElement).click());
    await shows(page, /Changed since its spoon/);
    await saved(page);
  });

  it('prints a card of what is in the cup', async () => {
    const [cup] = await cups();
    await page.goto(`${server.address}/build/quillon/colour/quillon-guards/card`);
    await shows(page, /Mudguards[\s\S]*QC-07 Escort Ivory[\s\S]*Spoon read\s+\d\.\d dE/);
    const drops = await page.$$eval('.sheet tbody tr', (rows) =>
      rows
        .slice(0, -1)
        .map((row) => [
          row.querySelector('.mono')!.textContent,
          Number((row.children[1] as HTMLElement).innerText),
        ]),
    );
    const inCup: Record<string, number> = { ...cup!.drops };
    for (const { add } of cup!.additions)
      for (const [id, count] of Object.entries(add)) inCup[id] = (inCup[id] ?? 0) + count;
    expect(Object.fromEntries(drops)).toEqual(inCup);
    await page.goto(`${server.address}/build/quillon/colour/quillon-guards/cup`);
    await shows(page, /Changed since its spoon/);
  });

  it('connects, calibrates and reads the next spoon, and all paints of the cup are known better', async () => {
    await press(page, 'button', 'Connect the reader');
    await shows(page, /Warming up/);
    await press(page, 'button', 'Calibrate on its tile');
    await shows(page, /Drift since its tile/);
    await press(page, 'button', 'Read a spoon of this cup');
    await shows(page, /Spoon 2/);
    await shows(page, /three readings within 0\.\d\d dE/);
    await saved(page);
    const [cup] = await cups();
    expect(cup!.readings).toHaveLength(2);
    expect(cup!.readings[1]!.drops).not.toEqual(cup!.readings[0]!.drops);
    const white = (await fetched<PaintRecord[]>('/api/paints')).find(({ id }) => id === 'BR-001')!;
    expect(white.refit!.readings).toBe(2);
  });

  it('sets a false reading aside and brings it back', async () => {
    await press(page, 'button', 'Set spoon 2 aside');
    await until(page, () => !document.body.innerText.includes('Spoon 2'), []);
    await saved(page);
    expect((await cups())[0]!.readings[1]!.aside).toBe(true);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await shows(page, /Spoon 2/);
  });

  it('says what is missing where nothing is chosen yet', async () => {
    await page.goto(`${server.address}/build/tolliver/colour/tolliver-hood/cup`);
    await shows(page, /Choose a paint or a recipe in Match first/);
    await press(page, 'button', 'Go to Match');
    await shows(page, /Target and answers/);
  });

  it('raised no error in the browser', () => {
    expect(errors).toEqual([]);
  });
});
