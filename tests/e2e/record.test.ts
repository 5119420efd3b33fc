import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { BenchOverview, KitItemsRecord } from '../../src/api/index.ts';
import { fill, press, sampleBench, saved, shows, type Started } from './bench.ts';

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
});
