/** How quick the views are under the hands, each as a ratio to a fixed piece of work of the same browser, so that it
 *  means the same on any machine: npm run bench:views, with FANFARE_CHROMIUM naming a Chromium. BENCH_SERVER names another
 *  built server, to hold two versions beside each other. */
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { openBrowser } from '../tests/browser.ts';
import { timedOpening, type Opening } from '../tests/counters.ts';
import { EVENING } from '../tests/e2e/evening.ts';
import { kill, scratchFolder, SERVER, startServer } from '../tests/server.ts';

const RUNS = Number(process.env['BENCH_RUNS'] ?? 5);
const SETTLE_MS = 4000;
const VIEWS = [
  ...['tolliver', 'pellam'].flatMap((build) =>
    ['kit', 'kit/joints', 'colour', 'livery', 'finish', 'detail', 'detail/engines', 'detail/glass', 'plan']
      .concat(['tonight', 'record', 'record/log'])
      .map((view) => `/build/${build}/${view}`),
  ),
  '/shelf',
  '/codes',
  '/bench',
];

const median = (values: readonly number[]): number =>
  [...values].sort((p, q) => p - q)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Milliseconds that the browser takes over 2,000 plain rows, laid out, and over a fixed loop. */
const calibrate = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const began = performance.now();
    const table = document.createElement('table');
    for (let row = 0; row < 2000; row++) {
      const line = table.insertRow();
      for (let cell = 0; cell < 4; cell++) line.insertCell().textContent = `row ${row}, ${cell}`;
    }
    document.body.append(table);
    const height = table.offsetHeight;
    let sum = 0;
    for (let turn = 0; turn < 2e7; turn++) sum = (sum + turn * 7) % 1_000_003;
    table.remove();
    // What nobody asks for, a compiler may leave out.
    return performance.now() - began + (sum < 0 || height < 0 ? 1 : 0);
  });

interface Run {
  unit: number;
  reloadMs: number;
  first: Map<string, Opening>;
  again: Map<string, Opening>;
}

const RELOADS = 5;

/** Milliseconds until the largest text of a page that was loaded is painted. */
const largestPaint = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) =>
        new PerformanceObserver((list) => resolve(list.getEntries().at(-1)!.startTime)).observe({
          type: 'largest-contentful-paint',
          buffered: true,
        }),
      ),
  );

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function run(address: string, folder: string): Promise<Run> {
  const browser = await openBrowser(folder);
  try {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await page.evaluateOnNewDocument(() => localStorage.setItem('fanfare.brief-search', 'yes'));
    const units: number[] = [];
    for (let time = 0; time < 5; time++) units.push(await calibrate(page));
    await page.goto(`${address}/build/tolliver/kit`);
    await pause(SETTLE_MS);
    const reloads: number[] = [];
    for (let time = 0; time < RELOADS; time++) {
      await page.reload();
      await pause(SETTLE_MS);
      reloads.push(await largestPaint(page));
    }
    const first = new Map<string, Opening>();
    const again = new Map<string, Opening>();
    await timedOpening(page, '/');
    for (const into of [first, again])
      for (const view of VIEWS) into.set(view, await timedOpening(page, view));
    return { unit: median(units), reloadMs: median(reloads), first, again };
  } finally {
    await browser.close();
  }
}

const scratch = scratchFolder();
const server = await startServer(
  { FANFARE_DATA: join(scratch.folder, 'bench.db'), FANFARE_CLOCK: EVENING },
  ['--demo'],
  process.env['BENCH_SERVER'] ?? SERVER,
);
const runs: Run[] = [];
try {
  for (let at = 0; at < RUNS; at++) runs.push(await run(server.address, join(scratch.folder, `run${at}`)));
} finally {
  await kill(server, 'SIGTERM');
  scratch.remove();
}

const ratio = (value: (run: Run) => number): number =>
  Number(median(runs.map((each) => value(each) / each.unit)).toFixed(2));
const KINDS = ['seenMs', 'wholeMs', 'worstMs'] as const;
const of = (view: string) =>
  Object.fromEntries(
    (['first', 'again'] as const).flatMap((time) =>
      KINDS.map((kind) => [`${time} ${kind.slice(0, -2)}`, ratio((each) => each[time].get(view)![kind])]),
    ),
  );
console.log(
  `Unit: 2,000 plain rows and a fixed loop, ${median(runs.map(({ unit }) => unit)).toFixed(0)} ms here. Medians of ${RUNS}.`,
);
console.log(`Reload until the largest text: ${ratio(({ reloadMs }) => reloadMs)} units.`);
console.table(Object.fromEntries(VIEWS.map((view) => [view, of(view)])));
for (const time of ['first', 'again'] as const)
  for (const kind of KINDS) {
    const each = VIEWS.map((view) => ratio((one) => one[time].get(view)![kind]));
    console.log(`${time}, ${kind.slice(0, -2)}: median ${median(each)}, most ${Math.max(...each)} units`);
  }
