import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type * as Axe from 'axe-core';
import type { Page } from 'puppeteer-core';

const source = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** WCAG 2.2, levels A and AA, and what is good practice besides. */
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What is hard to use for somebody on the page that is open, a line for each kind with the first places of it.
 *  `rules`: only these, where all were looked at before. */
export async function barriers(page: Page, rules?: string[]): Promise<string[]> {
  await page.evaluate(source);
  const options: Axe.RunOptions = { runOnly: rules ?? TAGS, resultTypes: ['violations'] };
  const { violations } = await page.evaluate(
    (how) => (globalThis as unknown as { axe: typeof Axe }).axe.run(document, how),
    options,
  );
  return violations.map(
    ({ id, help, nodes }) =>
      `${id} (${help}), ${nodes.length} times: ${nodes
        .slice(0, 4)
        .map(({ html, any }) => `${html.slice(0, 160)} ${any[0]?.message ?? ''}`)
        .join(' | ')}`,
  );
}
