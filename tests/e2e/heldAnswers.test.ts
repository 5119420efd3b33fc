import type { HTTPRequest, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { benchAt, press, sampleBench, saved, shows, typeDay, type Started } from './bench.ts';
import { openReadyStep } from './planPage.ts';

describe('answers that come late or not at all', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));

  /** Lets every request through but those that are asked for, which are handed over. */
  const intercept = async (isMeant: (request: HTTPRequest) => boolean, take: (held: HTTPRequest) => void) => {
    await page.setRequestInterception(true);
    const listen = (request: HTTPRequest) => {
      if (isMeant(request)) take(request);
      else void request.continue();
    };
    page.on('request', listen);
    return async () => {
      page.off('request', listen);
      await page.setRequestInterception(false);
    };
  };

  it('shows a change although an edit overtook the answer that brings it', async () => {
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /\d+ steps, ready[\s\S]*(to spare|too late)/);
    const held: HTTPRequest[] = [];
    const stop = await intercept(
      (request) => request.method() === 'GET' && new URL(request.url()).pathname === '/api/bench',
      (request) => held.push(request),
    );
    await typeDay(page, 'Needed by', '16 May 2026');
    await expect.poll(() => held.length).toBeGreaterThan(0);
    await page.click('a[href="/build/tolliver/tonight"]');
    await openReadyStep(page);
    await press(page, 'button', 'Done D');
    await saved(page);
    const late = held.length;
    for (const request of held) void request.continue();
    // What was overtaken is asked for once more.
    await expect.poll(() => held.length).toBeGreaterThan(late);
    for (const request of held.slice(late)) void request.continue();
    await stop();
    const bench = await benchAt(server.address);
    expect(bench.builds.find(({ id }) => id === 'tolliver')!.kit.plan.deadline).toBe('2026-05-16');
    await page.click('a[href="/build/tolliver/plan"]');
    await shows(page, /[1-9]\d days too late/);
  });

  it('says that the plan could not be worked out, and works it out on another try', async () => {
    const stop = await intercept(
      (request) => /planWorker/.test(request.url()),
      (request) => void request.abort(),
    );
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /The plan could not be worked out[\s\S]*Nothing was lost/);
    await page.click('a[href="/build/tolliver/tonight"]');
    await page.waitForSelector('a[href="/build/tolliver/tonight"][aria-current=page]');
    await shows(page, /The plan could not be worked out[\s\S]*Nothing was lost/);
    await stop();
    await press(page, 'link', 'reload the page');
    await shows(page, /\d+ steps?, \d+ min of work/);
    expect(errors).toEqual([]);
  });
});
