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
/** A made-up picture: a curved panel in warm light, a grey and a white card on the bench before it. */
const markPicture = async (page) => {
  await page.waitForSelector('input[type=file]');
  await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(900, 620);
    const context = canvas.getContext('2d');
    context.fillStyle = '#6d5f50';
    context.fillRect(0, 0, 900, 620);
    const panel = context.createLinearGradient(0, 60, 0, 420);
    [
      [0, '#d8e4dc'],
      [0.16, '#6fa296'],
      [0.45, '#3f8078'],
      [0.8, '#2e5f59'],
      [1, '#183430'],
    ].forEach(([at, colour]) => panel.addColorStop(at, colour));
    context.fillStyle = panel;
    context.beginPath();
    context.moveTo(60, 420);
    context.quadraticCurveTo(120, 90, 470, 70);
    context.quadraticCurveTo(800, 80, 850, 420);
    context.fill();
    context.fillStyle = '#86765f';
    context.fillRect(150, 470, 170, 110);
    context.fillStyle = '#f3dcb6';
    context.fillRect(340, 470, 110, 110);
    const file = new File([await canvas.convertToBlob({ type: 'image/png' })], 'panel in the shade.png', {
      type: 'image/png',
    });
    const transfer = new DataTransfer();
    transfer.items.add(file);
    const input = document.querySelector('input[type=file]');
    input.files = transfer.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
  const image = await page.waitForSelector('.picture img');
  const box = await image.boundingBox();
  const draw = async (left, top, right, bottom) => {
    await page.mouse.move(box.x + left * box.width, box.y + top * box.height);
    await page.mouse.down();
    await page.mouse.move(box.x + right * box.width, box.y + bottom * box.height, { steps: 3 });
    await page.mouse.up();
  };
  await draw(0.19, 0.78, 0.33, 0.91);
  await draw(0.42, 0.34, 0.6, 0.4);
  await page.waitForFunction(() => /Known to/.test(document.body.innerText));
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
  runs: [
    '/build/tolliver/kit/runs',
    DESK,
    (page) => page.waitForFunction(() => /At 1:24/.test(document.body.innerText)),
  ],
  colour: ['/build/tolliver/colour/tolliver-body', DESK, choose],
  codes: ['/codes/TL-2045', DESK, (page) => page.waitForSelector('.coderow')],
  picture: ['/codes/picture', DESK, markPicture],
  cup: [
    '/build/quillon/colour/quillon-guards/cup',
    DESK,
    (page) => page.waitForFunction(() => /What blurs it/.test(document.body.innerText)),
  ],
  palette: [
    '/build/pellam/colour/palette',
    DESK,
    (page) => page.waitForFunction(() => /proved/.test(document.body.innerText), { timeout: 60000 }),
  ],
  finish: ['/build/tolliver/finish/tolliver-body', DESK],
  weathering: ['/build/pellam/finish/weathering', DESK, (page) => page.waitForSelector('.gradestrip')],
  brightwork: ['/build/tolliver/finish/brightwork', DESK, (page) => page.waitForSelector('.routerow')],
  tints: ['/build/quillon/finish/tints', DESK, (page) => page.waitForSelector('.pipe'), 'dark'],
  plan: ['/build/tolliver/plan', DESK, (page) => page.waitForSelector('[data-testid="step-reason"]')],
  tonight: ['/build/tolliver/tonight', DESK, (page) => page.waitForSelector('.stepcard')],
  'tonight-390': ['/tonight', PHONE, (page) => page.waitForSelector('.stepcard')],
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
