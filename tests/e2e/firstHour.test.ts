import type { Page } from 'puppeteer-core';
import { beforeAll, describe, expect, it } from 'vitest';
import { benchAt, fill, ownBench, press, saved, shows, type Started } from './bench.ts';

const LIST = `A1 Body shell
A2 Bonnet
A3 Boot lid
A4 Door, left
A5 Door, right
A6 Radiator grille
B1 Chassis frame
B2 Front axle
B3 Rear axle
B4 Springs x4
B5 Exhaust pipe
B6 Silencer
C1 Engine block, left
C2 Engine block, right
C3 Cylinder head
C4 Sump
C5 Gearbox
C6 Air cleaner
D1 Front bumper
D2 Rear bumper
E1 Wheel x4
E2 Tyre x4
F1 Interior tub
F2 Front seat x2
F3 Rear seat
F4 Dashboard
F5 Steering wheel
G1 Widget`;

/** From a pasted list to a first plan, by the guide. */
describe('the first hour with a kit', () => {
  let server: Started;
  let page: Page;
  const { errors } = ownBench((opened) => ({ server, page } = opened));
  beforeAll(async () => {
    const made = await fetch(`${server.address}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Saloon', subject: '', scale: 24 }),
    });
    const { id } = (await made.json()) as { id: string };
    await page.goto(`${server.address}/build/${id}/kit`);
  });
  const build = async () => (await benchAt(server.address)).builds[0]!;
  const guide = (text: RegExp) => shows(page, text);
  /** The words of the one button that says something. */
  const named = async (words: RegExp) => {
    await shows(page, new RegExp(words.source.replace(/[$^]/g, '')));
    const all = await page.$$eval('button', (buttons) => buttons.map((each) => each.textContent.trim()));
    return all.find((each) => words.test(each))!;
  };
  const goTo = (step: string) =>
    page.$$eval(
      '.firsthour a',
      (links, name) => links.find((link) => link.textContent === name)!.click(),
      step,
    );

  it('takes the list', async () => {
    await guide(/Next, parts: paste the list of parts/);
    await press(page, 'button', 'Paste or open a table');
    await fill(page, 'Paste parts', LIST);
    await press(page, 'button', 'Read it');
    await press(page, 'button', 'Add the 28 parts');
    await saved(page);
    await guide(/Next, roles and finishes/);
  });

  it('proposes finishes by what the parts are, and leaves out what it does not know', async () => {
    await goTo('Roles and finishes');
    await shows(page, /Not known[\s\S]*G1 Widget/);
    await shows(page, /nothing tells what they are: 1 part/);
    await page.select('[aria-label="Where G1 Widget belongs"]', 'trim');
    await saved(page);
    await press(page, 'button', await named(/^Give 28 parts \d+ finishes$/));
    await saved(page);
    await guide(/Next, joints: read the sheet in/);
    expect((await build()).kit.unfinished).toBe(0);
  });

  it('takes a step of the sheet, and the joints that the parts suggest', async () => {
    await goTo('Joints');
    await fill(page, 'A step, as you read it aloud', '1: C1 > C2, C3 C4 > C1, drill the hose hole');
    await press(page, 'button', 'Add step 1');
    await saved(page);
    await press(page, 'button', 'Take 3 joints');
    await saved(page);
    await page.goto(page.url().replace(/sheet$/, 'joints'));
    await press(page, 'button', await named(/^Take \d+ joints$/));
    await saved(page);
    await guide(/Next, sub-assemblies/);
  });

  it('divides it, and ends in a plan with primer, colour and clear on the body', async () => {
    await goTo('Sub-assemblies');
    await press(page, 'button', 'Take this division');
    await saved(page);
    await shows(page, /This is how it stands/);
    await expect
      .poll(async () => Object.keys((await benchAt(server.address)).plan.starts).length)
      .toBeGreaterThan(30);
    const { trays } = await build();
    const body = trays.find(({ parts }) => parts.some(({ name }) => name === 'Body shell'))!;
    const { plan } = await benchAt(server.address);
    const kinds = body.layers.map(({ kind }) => kind);
    expect(kinds).toEqual(expect.arrayContaining(['primer', 'colour', 'clear']));
    for (const layer of body.layers)
      expect(
        Object.keys(plan.starts).some((step) => step.includes(`${body.id}/${layer.id}`)),
        layer.id,
      ).toBe(true);
    // Nothing is left to be guided to.
    expect(await page.$('.firsthour')).toBeNull();
  });

  it('met no script error on the way', () => {
    expect(errors).toEqual([]);
  });
});
