import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { TrayRecord } from '../../src/api/index.ts';
import { benchAt, press, sampleBench, saved, shows, type Started, until } from './bench.ts';

describe('aids of the finish', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const bench = () => benchAt(server.address);
  const trays = async (): Promise<TrayRecord[]> => (await bench()).builds.flatMap((build) => build.trays);
  const kinds = async (id: string) =>
    (await trays())
      .find((tray) => tray.id === id)!
      .layers.map(({ kind }) => kind)
      .join(' ');
  const layersOf = async (id: string) => (await trays()).find((tray) => tray.id === id)!.layers;
  const pressStarting = (text: string) =>
    page.evaluate(
      (start) =>
        [...document.querySelectorAll<HTMLElement>('button.action')]
          .find(({ innerText }) => innerText.startsWith(start))!
          .click(),
      text,
    );
  const type = async (label: string, value: string) => {
    const input = await page.waitForSelector(`::-p-aria(${label})`);
    // By focus: while what is above it is still being drawn, a click lands where it no longer is.
    await input!.evaluate((field) => {
      (field as HTMLInputElement).focus();
      (field as HTMLInputElement).select();
    });
    await page.keyboard.type(value);
  };
  const undo = async () => {
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await saved(page);
  };

  it('compares every ground in a worker and takes one', async () => {
    await page.goto(`${server.address}/build/tolliver/finish/tolliver-hood`);
    await press(page, 'button', 'Compare grounds');
    await shows(page, /\d{3} ways worked out/);
    const before = await layersOf('tolliver-hood');
    await press(page, 'button', 'Take');
    await saved(page);
    await expect.poll(() => layersOf('tolliver-hood')).not.toEqual(before);
    expect(await kinds('tolliver-hood')).toMatch(/colour clear flat polish$/);
    await undo();
    await expect.poll(() => layersOf('tolliver-hood')).toEqual(before);
  });

  it('keeps a stack of one’s own and puts it on several sub-assemblies after saying what changes', async () => {
    await press(page, 'button', 'My stacks');
    await shows(page, /Parade gloss[\s\S]*Oily iron/);
    await type('Keep this stack as', 'Hood of the coupe');
    await press(page, 'button', 'Keep');
    await shows(page, /Kept\./);
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('.stackoffers button')]
        .find(({ innerText }) => innerText.startsWith('Hood of the coupe'))!
        .click(),
    );
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[aria-label="Put it on"] label')]
        .filter(({ innerText }) => innerText === 'Chassis' || innerText === 'Boot lid')
        .forEach((label) => label.click()),
    );
    await shows(page, /Chassis: [\s\S]*clear comes/);
    await pressStarting('Put it on');
    await saved(page);
    await expect.poll(() => kinds('tolliver-chassis')).toBe(await kinds('tolliver-hood'));
    await undo();
    await expect.poll(() => kinds('tolliver-chassis')).toBe('primer colour');
  });

  it('silences a rule with a note, says so, and lets it warn again', async () => {
    await page.goto(`${server.address}/build/tolliver/finish/tolliver-body`);
    await shows(page, /Still patchy/);
    await press(page, 'button', 'silence here…');
    await type('Why “Still patchy” does not matter here', 'the cream is masked first, tried on a spoon');
    await press(page, 'button', 'Silence');
    await shows(
      page,
      /Silenced by you[\s\S]*Still patchy would have warned here: “the cream is masked first/,
    );
    await saved(page);
    const muted = (await trays())
      .find(({ id }) => id === 'tolliver-body')!
      .layers.flatMap((l) => l.muted ?? []);
    expect(muted).toMatchObject([{ ruleId: 'not-closed' }]);
    await press(page, 'button', 'Let “Still patchy” warn again');
    await until(page, () => !/Silenced by you/.test(document.body.innerText), []);
    await shows(page, /Still patchy/);
  });

  it('lists what to open and what the shelf lacks', async () => {
    await shows(page, /To open[\s\S]*Grey Surfacer[\s\S]*enough on the shelf[\s\S]*thinner for lacquer/);
  });

  it('adds a kind of layer that was never there, with its rule', async () => {
    await page.goto(`${server.address}/build/tolliver/finish/tolliver-interior`);
    await press(page, 'button', 'flock');
    await saved(page);
    expect(await kinds('tolliver-interior')).toMatch(/flock$/);
    // It depends on what stands on the floor later: the plan says so.
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /Ahead: \d+ things to clear/);
    await page.$eval('[aria-label="Ahead"] > button', (button) => (button as HTMLElement).click());
    await shows(page, /Flock clogs where [a-z]/);
    await undo();
  });

  it('plans weathering by the life it had and lays it into the stacks, undone in one', async () => {
    await page.goto(`${server.address}/build/pellam/finish/weathering`);
    await shows(page, /A working life, in the order of work/);
    const cab = await kinds('pellam-cab');
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[aria-label="How hard a life"] button')]
        .find(({ innerText }) => innerText.startsWith('derelict'))!
        .click(),
    );
    await shows(page, /A derelict life[\s\S]*salt chipping/);
    await saved(page);
    await page.reload();
    await shows(page, /A derelict life/);
    await pressStarting('Add it to');
    await saved(page);
    await expect.poll(() => kinds('pellam-cab')).toMatch(/undercoat colour.* wash .*powder$/);
    await undo();
    await expect.poll(() => kinds('pellam-cab')).toBe(cab);
  });

  it('names metals with the builder’s paints, and gathers cautions and fits on pages to print', async () => {
    await page.goto(`${server.address}/build/tolliver/finish/metals`);
    await shows(page, /Nearest metal paints[\s\S]*on the shelf[\s\S]*Flake on this part/);
    await page.goto(`${server.address}/build/tolliver/finish/cautions`);
    await shows(page, /What can hurt[\s\S]*Solvent vapour[\s\S]*safety sheet[\s\S]*Blades and drills/);
    await page.goto(`${server.address}/build/tolliver/finish/fits`);
    await shows(page, /tightest first[\s\S]*Boot lid[\s\S]*scrape/);
  });

  it('reads the thermometer, dries in a dehydrator, and keeps tool settings that every step then names', async () => {
    await page.goto(`${server.address}/bench`);
    await press(page, 'button', 'Read the thermometer');
    await shows(page, /Read just now/);
    await saved(page);
    const { conditions } = (await bench()).settings;
    expect(conditions.temperatureC).not.toBe(21);
    await page.evaluate(() =>
      [...document.querySelectorAll('label')]
        .find(({ innerText }) => innerText === 'dries in a dehydrator')!
        .click(),
    );
    await shows(page, /lacquers cure in\s+×0\.25/);
    await type('Bar, lacquer, wet', '2.2');
    await saved(page);
    await expect.poll(async () => (await bench()).settings.preferences.tools?.['lacquer/wet']?.bar).toBe(2.2);
    await press(page, 'button', 'Usual settings for wet coats of lacquer');
    await expect
      .poll(async () => (await bench()).settings.preferences.tools?.['lacquer/wet'])
      .toBeUndefined();
    expect(errors).toEqual([]);
  });
});
