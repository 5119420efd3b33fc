import { join } from 'node:path';
import puppeteer, { type Browser } from 'puppeteer-core';

export async function openBrowser(folder: string, args: string[] = []): Promise<Browser> {
  const executablePath = process.env.FANFARE_CHROMIUM;
  if (!executablePath) throw new Error('FANFARE_CHROMIUM must name a Chromium; npm test sees to it.');
  return puppeteer.launch({
    executablePath,
    userDataDir: join(folder, 'profile'),
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      ...args,
    ],
  });
}
