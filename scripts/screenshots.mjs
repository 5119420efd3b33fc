// Takes the pictures of the main views from the demo data: node scripts/screenshots.mjs [folder] [name...]
import { spawn } from 'node:child_process';
import { mkdtempSync, mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { chromium, root } from './prepare.mjs';

const CLOCK = '2026-05-12T19:32:00';
const [folder = join(root, 'docs/screenshots'), ...wanted] = process.argv.slice(2);
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const choose = async (page, name) => {
  await page.waitForSelector('[role="radio"]');
  await page.waitForFunction(
    () => /proved/.test(document.body.innerText) && !/…/.test(document.querySelector('.booth').innerText),
    { timeout: 60000 },
  );
  if (name) await page.click(`[data-light] .lights button:nth-child(${name})`);
};
const chooseJoint = async (page) => {
  await page.waitForSelector('.jointline');
  await page.$eval('.jointline:nth-of-type(30)', (line) =>
    line.dispatchEvent(new MouseEvent('click', { bubbles: true })),
  );
  await page.waitForFunction(() => /over the whole build|cannot be/.test(document.body.innerText));
};
const VIEWS = {
  // By way of the plan, so that it shows the one that is kept.
  home: [
    '/build/tolliver/plan',
    DESK,
    async (page) => {
      await page.waitForSelector('[data-testid="step-reason"]');
      await page.waitForFunction(() => !/working it out|looking for better/.test(document.body.innerText), {
        timeout: 60000,
      });
      await page.click('.wordmark, header a[href="/"]');
      await page.waitForFunction(() => /On the bench/.test(document.body.innerText));
    },
  ],
  kit: ['/build/tolliver/kit', DESK, (page) => page.waitForSelector('.cellgrid [role="gridcell"]')],
  joints: ['/build/tolliver/kit/joints', DESK, chooseJoint],
  trays: ['/build/tolliver/kit/trays', DESK, (page) => page.waitForSelector('.traycard')],
  sheet: [
    '/build/tolliver/kit/sheet',
    DESK,
    async (page) => {
      const line = await page.waitForSelector('.sheetread');
      await page.type('form input', '13: C15 > C1; D16 > D1, drill the hose hole, paint X11');
      await page.waitForFunction((read) => /Oil filter/.test(read.textContent), {}, line);
    },
  ],
  colour: ['/build/tolliver/colour/tolliver-body', DESK, choose],
  palette: [
    '/build/pellam/colour/palette',
    DESK,
    (page) => page.waitForFunction(() => /proved/.test(document.body.innerText), { timeout: 60000 }),
  ],
  livery: [
    '/build/tolliver/livery',
    DESK,
    async (page) => {
      await page.waitForSelector('.viewcanvas path');
      await page.click('.arealist .parttag');
    },
  ],
  finish: ['/build/tolliver/finish/tolliver-body', DESK],
  detail: ['/build/tolliver/detail/ignition', DESK, (page) => page.waitForSelector('.flatdrawing')],
  tints: ['/build/quillon/finish/tints', DESK, (page) => page.waitForSelector('.pipe'), 'dark'],
  book: ['/build/quillon/record/book', DESK, (page) => page.waitForSelector('.showcard')],
  plan: ['/build/tolliver/plan', DESK, (page) => page.waitForSelector('[data-testid="step-reason"]')],
  tonight: [
    '/build/tolliver/tonight',
    DESK,
    async (page) => {
      await page.waitForSelector('.steplist button');
      await page.$$eval('.steplist button', (steps) => steps.at(-1).click());
      await page.waitForSelector('.stepcard');
    },
  ],
  'tonight-390': ['/tonight', PHONE, (page) => page.waitForSelector('.stepcard')],
  record: ['/build/quillon/record', DESK, (page) => page.waitForSelector('article.panel')],
  log: ['/build/tolliver/record/log', DESK, (page) => page.waitForSelector('.recharts-surface')],
  shelf: [
    '/shelf',
    DESK,
    async (page) => {
      await page.waitForSelector('.rowname');
      await page.click('tr:nth-of-type(4) .rowname');
      await page.waitForSelector('.standin');
    },
  ],
  bench: ['/bench', DESK],
};

const scratch = mkdtempSync(join(tmpdir(), 'fanfare-shots-'));
const server = spawn(process.execPath, [join(root, 'dist/server/main.js'), '--demo'], {
  env: { ...process.env, FANFARE_DATA: join(scratch, 'demo.db'), FANFARE_PORT: '0', FANFARE_CLOCK: CLOCK },
});
const address = await new Promise((resolve) =>
  server.stdout.on('data', (text) => {
    const match = /http:\S+/.exec(String(text));
    if (match) resolve(match[0].replace(/\/$/, ''));
  }),
);
const browser = await puppeteer.launch({
  executablePath: chromium(),
  userDataDir: join(scratch, 'profile'),
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--force-color-profile=srgb',
  ],
});
mkdirSync(folder, { recursive: true });
try {
  for (const [name, [path, viewport, ready, scheme = 'light']] of Object.entries(VIEWS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const page = await browser.newPage();
    page.on('pageerror', (error) => console.log(name, 'page error:', error.message));
    page.on(
      'console',
      (message) =>
        ['error', 'warn'].includes(message.type()) && console.log(name, message.type(), message.text()),
    );
    await page.setViewport(viewport);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    await page.goto(address + path, { waitUntil: 'networkidle0' });
    await page.waitForFunction(
      () => document.querySelector('.rack li') && !/working it out/.test(document.body.innerText),
    );
    await ready?.(page);
    await page.waitForFunction(() => !/working it out|looking for better/.test(document.body.innerText), {
      timeout: 60000,
    });
    await new Promise((resolve) => setTimeout(resolve, 400));
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await page.close();
    console.log(name);
  }
} finally {
  await browser.close();
  server.kill();
  rmSync(scratch, { recursive: true, force: true });
}
