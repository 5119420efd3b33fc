/** Compiles the inner loops of the recipe search from AssemblyScript to a WebAssembly module written as text, which
 *  every bundler, server and worker loads the same way: npm run kernel */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const folder = join('src', 'core', 'match', 'kernel');
export const compiledFile = join(root, folder, 'compiled.ts');

/** The text of compiled.ts for the source as it stands. */
export function compiledText(): string {
  const scratch = mkdtempSync(join(tmpdir(), 'fanfare-kernel-'));
  const outFile = join(scratch, 'kernel.wasm');
  try {
    execFileSync(
      process.execPath,
      [
        join(root, 'node_modules', 'assemblyscript', 'bin', 'asc.js'),
        join(folder, 'partBound.as.ts'),
        ...['--runtime', 'stub', '--enable', 'simd', '-O3', '--noAssert', '--importMemory'],
        ...['--outFile', outFile],
      ],
      { cwd: root },
    );
    const lines =
      readFileSync(outFile)
        .toString('hex')
        .match(/.{1,100}/g) ?? [];
    return `/** Made by \`npm run kernel\` from partBound.as.ts: the WebAssembly module in hexadecimal. */
export const compiled =
${lines.map((line) => `  '${line}'`).join(' +\n')};
`;
  } finally {
    rmSync(scratch, { recursive: true });
  }
}

if (process.argv[1]?.endsWith('kernel.ts')) writeFileSync(compiledFile, compiledText());
