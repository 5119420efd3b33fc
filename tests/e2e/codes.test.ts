import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CodeRecord } from '../../src/api/index.ts';
import { DAYLIGHT, spectrumFrom, spectrumToLab } from '../../src/core/colour/index.ts';
import { writeCgats } from '../../src/core/formats/index.ts';
import {
  EVENING,
  fill,
  kill,
  openBrowser,
  openPage,
  press,
  saved,
  scratchFolder,
  shows,
  startServer,
  type Started,
} from './bench.ts';

describe('the library of codes', () => {
  const scratch = scratchFolder();
  const errors: string[] = [];
  let server: Started;
  let browser: Browser;
  let page: Page;
  const codes = async () => (await (await fetch(`${server.address}/api/codes`)).json()) as CodeRecord[];
  const give = async (name: string, text: string) => {
    const path = join(scratch.folder, name);
    writeFileSync(path, text);
    const input = await page.waitForSelector('input[type=file]');
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
  };

  beforeAll(async () => {
    server = await startServer({ FANFARE_DATA: join(scratch.folder, 'demo.db'), FANFARE_CLOCK: EVENING }, [
      '--demo',
    ]);
    browser = await openBrowser(scratch.folder);
    page = await openPage(browser, errors);
  });
  afterAll(async () => {
    await browser.close();
    await kill(server, 'SIGTERM');
    scratch.remove();
  });

  it('finds codes by colour, year and nearness, and moves through them by keyboard', async () => {
    await page.goto(`${server.address}/codes`);
    await shows(page, /120 of 120 codes/);
    await fill(page, 'Find codes', 'greenish dark blues');
    await page.waitForFunction(() => /\b([1-9]|[1-3]\d) of 120 codes/.test(document.body.innerText));
    await fill(page, 'Find codes', 'boathouse moss');
    await shows(page, /1 of 120 codes/);
    await press(page, 'button', 'list all codes by nearness to this one');
    await fill(page, 'Find codes', '1955');
    await shows(page, /Nearest to TL-2045/);
    await page.focus('.codelist');
    await page.keyboard.press('End');
    await page.waitForFunction(() => {
      const chosen = document.querySelector('.coderow[aria-selected="true"]')?.textContent;
      return chosen !== undefined && !chosen.includes('TL-2045');
    });
  });

  it('puts another source in force and takes it back', async () => {
    await page.goto(`${server.address}/codes/TL-2045`);
    await shows(page, /Instrument, in force: the surest/);
    await page.$eval('[role=radiogroup] div:nth-child(2) > [role=radio]', (button) =>
      (button as HTMLElement).click(),
    );
    await shows(page, /Restored vehicle, in force by your choice/);
    await saved(page);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await shows(page, /Instrument, in force: the surest/);
    await saved(page);
  });

  it('brings in spectra from a CGATS file after showing them', async () => {
    const spectrum = spectrumFrom((nm) => (nm > 580 ? 0.6 : 0.08));
    await press(page, 'button', 'Bring in colours');
    await give(
      'boats.txt',
      writeCgats([{ name: 'Slipway Red', spectrum, lab: spectrumToLab(spectrum, DAYLIGHT) }], 'today'),
    );
    await shows(page, /boats\.txt, CGATS text[\s\S]*Slipway Red[\s\S]*Give the maker/);
    await fill(page, 'Maker or collection', 'Larkspur Boats');
    await shows(page, /1 new, 0 become one more source/);
    await press(page, 'button', 'Bring in 1 colour');
    await shows(page, /121 of 121 codes/);
    const kept = (await codes()).find(({ maker }) => maker === 'Larkspur Boats')!;
    kept.spectrum.forEach((value, band) => expect(value).toBeCloseTo(spectrum[band]!, 5));
    expect(kept.sources[0]).toMatchObject({ provenance: 'instrument', note: 'from boats.txt' });
  });

  it('asks what the columns of a table hold, and for which light', async () => {
    await press(page, 'button', 'Bring in colours');
    await give('table.csv', 'what,one,two,three\nHull,40,30,20\nDeck,144,0,0\n');
    await shows(page, /What the columns hold[\s\S]*Hull/);
    for (const [column, option] of [
      ['what', 'name'],
      ['one', 'L'],
      ['two', 'a'],
      ['three', 'b'],
    ] as const) {
      await page.click(`[aria-label="Column ${column}"]`);
      await page.waitForFunction(
        (name) => {
          const found = [...document.querySelectorAll('[role=option]')].find(
            (other) => other.textContent === name && (other as HTMLElement).offsetParent !== null,
          );
          (found as HTMLElement | undefined)?.click();
          return found !== undefined;
        },
        {},
        option,
      );
    }
    await shows(page, /row 2 was left out: L must lie between 0 and 100, it is 144/);
    await shows(page, /The Lab of this table is for/);
    await fill(page, 'Maker or collection', 'Larkspur Boats');
    await press(page, 'button', 'Bring in 1 colour');
    await shows(page, /122 of 122 codes/);
  });

  it('refuses a document type and what is no colour file, and keeps nothing', async () => {
    await press(page, 'button', 'Bring in colours');
    await give('bomb.cxf', '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY b "b">]><CxF>&b;</CxF>');
    await shows(page, /declares a document type or entities/);
    await give('letter.txt', 'Dear builder');
    await shows(page, /no colour file that Fanfare knows/);
    expect(await codes()).toHaveLength(122);
  });

  it('raised no error in the browser', () => {
    expect(errors).toEqual([]);
  });
});
