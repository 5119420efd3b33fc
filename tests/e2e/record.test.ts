import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { BenchOverview, KitItemsRecord } from '../../src/api/index.ts';
import { fill, press, sampleBench, saved, shows, until, type Started } from './bench.ts';

describe('the record of a build', () => {
  let server: Started;
  let page: Page;
  const { folder } = sampleBench((opened) => ({ server, page } = opened));
  const items = async (kind: string) => {
    const answer = await fetch(`${server.address}/api/builds/quillon/kit`);
    const { items: all } = (await answer.json()) as KitItemsRecord;
    return all.filter((item) => item.kind === kind);
  };

  it('accepts what was looked over, and fixes what was found in the plan', async () => {
    await page.goto(`${server.address}/build/quillon/record`);
    await shows(page, /After colour[\s\S]*Frame and fork/);
    await press(page, 'button', 'Nothing found: accept it');
    await saved(page);
    await shows(page, /Nothing that is done waits to be looked over/);
    await press(page, 'button', 'Fix it now');
    await saved(page);
    await shows(page, /The repair is in the plan/);
    expect(await items('mishap')).toHaveLength(1);
    await page.goto(`${server.address}/build/quillon/plan`);
    await shows(page, /Sand back: Clear: Tank/);
  });

  it('tells what happened, with what is written down', async () => {
    await page.goto(`${server.address}/build/quillon/record/log`);
    await shows(page, /Spoon read: Cup 1 for the mudguards/);
    await fill(page, 'Words', 'tank back from the sill');
    await press(page, 'button', 'Write it down');
    await saved(page);
    await shows(page, /tank back from the sill/);
    const [entry] = await items('log-entry');
    expect(entry!.value).toMatchObject({ entry: 'note', text: 'tank back from the sill' });
    await shows(page, /From the first step to the last/);
  });

  it('shows what was found beside the real thing, and reads its colour by a grey card', async () => {
    await page.goto(`${server.address}/build/quillon/record`);
    await press(page, 'button', 'Look at it in pictures');
    await shows(page, /The escort machine in the yard[\s\S]*Tank in colour, laid on/);
    await page.locator('::-p-text(colour against its target)').click();
    await press(page, 'button', 'Mark the grey card in the middle');
    const lead = async (mark: string, key: 'ArrowLeft' | 'ArrowDown' | 'ArrowUp', times: number) => {
      const region = await page.waitForSelector(`button[aria-label^="${mark}:"]`);
      await region!.focus();
      for (let at = 0; at < times; at++) await page.keyboard.press(key);
    };
    // The card lies at the lower left, the tank above the middle.
    await lead('Grey card', 'ArrowLeft', 37);
    await lead('Grey card', 'ArrowDown', 36);
    await press(page, 'button', 'Mark the colour in the middle');
    await lead('Colour', 'ArrowUp', 15);
    await shows(page, /known to about ±\d/);
    await shows(page, /wanted: Cordial Candy[\s\S]*may err by [\d.]+ dE/);
    await page.keyboard.press('Escape');
  });

  it('is handed on as a document, and comes in beside itself', async () => {
    const document = await (await fetch(`${server.address}/api/builds/quillon/document`)).text();
    const file = join(folder, 'quillon.json');
    writeFileSync(file, document);
    await page.goto(`${server.address}/build/tolliver/record/hand-on`);
    await shows(page, /Choose a file to look at/);
    const input = (await page.$(
      'input[aria-label="Build that was handed on"]',
    )) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await shows(page, /It is on this bench already/);
    await press(page, 'button', 'Bring in Quillon Courier 650 (2)');
    await shows(page, /is on the bench/);
    const { builds } = (await (await fetch(`${server.address}/api/bench`)).json()) as BenchOverview;
    expect(builds.map(({ name }) => name)).toContain('Quillon Courier 650 (2)');
    await press(page, 'link', 'Quillon Courier 650 (2)');
    await shows(page, /Parts/);
  });

  it('is told of in a book, saved as PDF, and typed through without losing the place', async () => {
    await page.evaluateOnNewDocument(() => {
      const make = URL.createObjectURL.bind(URL);
      URL.createObjectURL = (blob: Blob) => {
        (window as unknown as { made: Blob }).made = blob;
        return make(blob);
      };
    });
    await page.goto(`${server.address}/build/quillon/record/book`);
    await shows(page, /Stacks[\s\S]*Plan and hours/);
    await fill(page, 'Built by', 'Zoë of Larkspur Bay');
    await page.keyboard.press('Tab');
    await page.keyboard.type('For the parade.');
    await page.keyboard.press('Tab');
    await saved(page);
    await shows(page, /Zoë of Larkspur Bay[\s\S]*For the parade\./);
    await press(page, 'button', 'Save as PDF');
    await until(page, () => (window as unknown as { made?: Blob }).made?.type === 'application/pdf', []);
    const begins = await page.evaluate(() => (window as unknown as { made: Blob }).made.slice(0, 5).text());
    expect(begins).toBe('%PDF-');
  });

  it('comes back from a backup, and goes again when the restore is taken back', async () => {
    const file = join(folder, 'backup.db');
    writeFileSync(file, Buffer.from(await (await fetch(`${server.address}/api/backup`)).arrayBuffer()));
    const before = (await items('log-entry')).length;
    await page.goto(`${server.address}/build/quillon/record/log`);
    await fill(page, 'Words', 'written after the backup');
    await press(page, 'button', 'Write it down');
    await saved(page);
    await page.goto(`${server.address}/bench`);
    await shows(page, /Look at a backup to restore/);
    const input = (await page.$('input[aria-label="Backup to look at"]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await shows(page, /Its checksum agrees[\s\S]*Quillon Courier 650\s+becomes as it was there/);
    await press(page, 'button', 'Restore it');
    await shows(page, /Take the restore back/);
    expect(await items('log-entry')).toHaveLength(before);
    await press(page, 'button', 'Take the restore back');
    await shows(page, /The restore was taken back/);
    expect(await items('log-entry')).toHaveLength(before + 1);
  });
});
