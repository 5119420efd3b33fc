import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { KitItemsRecord } from '../../src/api/index.ts';
import { press, sampleBench, saved, shows, type Started } from './bench.ts';

describe('the record of a build', () => {
  let server: Started;
  let page: Page;
  sampleBench((opened) => ({ server, page } = opened));
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
});
