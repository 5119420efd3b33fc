import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { CodeRecord } from '../../src/api/index.ts';
import { DAYLIGHT, hexToLab, spectrumFrom, spectrumToLab } from '../../src/core/colour/index.ts';
import { writeCgats } from '../../src/core/formats/index.ts';
import { fill, press, sampleBench, saved, shows, type Started, until } from './bench.ts';

/** A PNG of vertical stripes in sRGB, 60 pixels each. */
function stripes(colours: readonly [number, number, number][]): Buffer {
  const [width, height] = [60 * colours.length, 120];
  const rows = Buffer.alloc(height * (1 + 3 * width));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows.set(colours[Math.floor(x / 60)]!, y * (1 + 3 * width) + 1 + 3 * x);
  const crc = (bytes: Buffer) => {
    let value = ~0;
    for (const byte of bytes) {
      value ^= byte;
      for (let bit = 0; bit < 8; bit++) value = (value >>> 1) ^ (value & 1 ? 0xedb88320 : 0);
    }
    return ~value >>> 0;
  };
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const frame = Buffer.alloc(8);
    frame.writeUInt32BE(data.length, 0);
    frame.writeUInt32BE(crc(body), 4);
    return Buffer.concat([frame.subarray(0, 4), body, frame.subarray(4)]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('the library of codes', () => {
  let server: Started;
  let page: Page;
  const { folder, errors } = sampleBench((opened) => ({ server, page } = opened));
  const codes = async () => (await (await fetch(`${server.address}/api/codes`)).json()) as CodeRecord[];
  const give = async (name: string, text: string) => {
    const path = join(folder, name);
    writeFileSync(path, text);
    const input = await page.waitForSelector('input[type=file]');
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
  };

  it('finds codes by colour, year and nearness, and moves through them by keyboard', async () => {
    await page.goto(`${server.address}/codes`);
    await shows(page, /120 of 120 codes/);
    await fill(page, 'Find codes', 'greenish dark blues');
    await until(page, () => /\b([1-9]|[1-3]\d) of 120 codes/.test(document.body.innerText), []);
    await fill(page, 'Find codes', 'boathouse moss');
    await shows(page, /1 of 120 codes/);
    await press(page, 'button', 'list all codes by nearness to this one');
    await fill(page, 'Find codes', '1955');
    await shows(page, /Nearest to TL-2045/);
    // The list follows the words a moment later; before, its only row is its last.
    await until(page, () => /\b([2-9]|\d\d+) of 120 codes/.test(document.body.innerText), []);
    await page.focus('.codelist');
    await page.keyboard.press('End');
    await until(page, () => {
      const chosen = document.querySelector('.coderow[aria-selected="true"]')?.textContent;
      return chosen !== undefined && !chosen.includes('TL-2045');
    }, []);
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
      await until(
        page,
        (name) => {
          const found = [...document.querySelectorAll('[role=option]')].find(
            (other) => other.textContent === name && (other as HTMLElement).offsetParent !== null,
          );
          (found as HTMLElement | undefined)?.click();
          return found !== undefined;
        },
        [option],
      );
    }
    await shows(page, /row 2 was left out: L must lie between 0 and 100, it is 144/);
    await shows(page, /The Lab of this file is for/);
    await fill(page, 'Maker or collection', 'Larkspur Boats');
    await press(page, 'button', 'Bring in 1 colour');
    await shows(page, /122 of 122 codes/);
  });

  it('reads a chip of a code as one more source', async () => {
    await page.goto(`${server.address}/codes/TL-2045`);
    await press(page, 'button', 'Read a chip of it');
    await press(page, 'button', 'Connect the reader');
    await press(page, 'button', 'Calibrate on its tile');
    await press(page, 'button', 'Read a chip of TL-2045');
    await shows(page, /three readings within 0\.\d\d dE, spectrum/);
    await fill(page, 'Plants and suppliers', 'Larkspur works');
    await page.keyboard.press('Tab');
    await saved(page);
    const kept = (await codes()).find(({ id }) => id === 'TL-2045')!;
    expect(kept.sources.at(-1)).toMatchObject({ provenance: 'instrument' });
    expect(kept.suppliers).toBe('Larkspur works');
    await press(page, 'button', 'Bring in colours');
    await press(page, 'button', 'Back to the codes');
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
  it('reads a colour from a picture by its grey card and keeps it as a source', async () => {
    await page.goto(`${server.address}/codes/picture`);
    await give('letter.png', 'this is no picture');
    await shows(page, /letter\.png: This file is no picture that the browser can read/);
    // A grey card of 18 % in warm light, a colour beside it, and a burnt part.
    const picture = stripes([
      [134, 118, 98],
      [40, 110, 120],
      [255, 255, 255],
    ]);
    writeFileSync(join(folder, 'picture.png'), picture);
    const input = await page.waitForSelector('input[type=file]');
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(
      join(folder, 'picture.png'),
    );
    const image = await page.waitForSelector('.picture img');
    const box = (await image!.boundingBox())!;
    const draw = async (at: number) => {
      await page.mouse.move(box.x + (at + 0.3) * (box.width / 3), box.y + 0.3 * box.height);
      await page.mouse.down();
      await page.mouse.move(box.x + (at + 0.7) * (box.width / 3), box.y + 0.7 * box.height, { steps: 4 });
      await page.mouse.up();
    };
    await press(page, 'button', 'Grey card');
    await draw(2);
    await shows(page, /The grey card is burnt out: 100 % of it/);
    await press(page, 'button', 'Grey card');
    await draw(0);
    await press(page, 'button', 'Mark colour in the middle');
    await shows(page, /Known to\s+±4\.\d dE/);
    const reading = () => page.$eval('.rows', ({ textContent }) => textContent);
    const inTheMiddle = await reading();
    // By keyboard: out of the stripe and back.
    await page.focus('.region[aria-label^="Colour 1"]');
    for (let step = 0; step < 20; step++) await page.keyboard.press('ArrowLeft');
    await until(page, (text) => document.querySelector('.rows')!.textContent !== text, [inTheMiddle]);
    for (let step = 0; step < 20; step++) await page.keyboard.press('ArrowRight');
    await shows(page, /Known to\s+±4\.\d dE/);
    await fill(page, 'Maker', 'Own');
    await fill(page, 'Code', 'PIC-1');
    await press(page, 'button', 'Keep colour 1');
    await shows(page, /PIC-1/);
    const kept = (await codes()).find(({ code }) => code === 'PIC-1')!;
    expect(kept.sources).toHaveLength(1);
    expect(kept.sources[0]).toMatchObject({ provenance: 'photograph', inForce: true });
    expect(kept.sources[0]!.uncertainty).toBeGreaterThan(4.4);
    // The card takes the warm light out, so the colour is bluer than the pixels say.
    expect(kept.sources[0]!.lab.b).toBeLessThan(hexToLab('#286e78').b - 5);
  });
});
