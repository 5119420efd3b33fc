/** Compiles the inner loops of the searches from AssemblyScript to WebAssembly modules written as text, which every
 *  bundler, server and worker loads the same way: npm run kernel */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

const kernels = [
  { folder: 'src/core/match/recipes/kernel', source: 'partBound.as.ts' },
  { folder: 'src/core/scheduling/kernel', source: 'squeezeMoves.as.ts' },
  { folder: 'src/core/scheduling/kernel', source: 'orderVisits.as.ts' },
];

/** What every kernel compiles to: the text for the source as it stands, and the file it belongs into. */
export const compiledKernels = kernels.map(({ folder, source }) => ({
  source,
  file: join(root, folder, source.replace('.as.ts', '.compiled.ts')),
  text: () => compiledText(folder, source),
}));

function compiledText(folder: string, source: string): string {
  const scratch = mkdtempSync(join(tmpdir(), 'fanfare-kernel-'));
  const outFile = join(scratch, 'kernel.wasm');
  try {
    execFileSync(
      process.execPath,
      [
        join(root, 'node_modules', 'assemblyscript', 'bin', 'asc.js'),
        `${folder}/${source}`,
        ...['--runtime', 'stub', '--enable', 'simd', '-O3', '--noAssert', '--importMemory'],
        ...['--outFile', outFile],
      ],
      { cwd: root },
    );
    const lines =
      readFileSync(outFile)
        .toString('hex')
        .match(/.{1,100}/g) ?? [];
    return `/** Made by \`npm run kernel\` from ${source}: the WebAssembly module in hexadecimal. */
export const compiled =
${lines.map((line) => `  '${line}'`).join(' +\n')};
`;
  } finally {
    rmSync(scratch, { recursive: true });
  }
}

if (process.argv[1]?.endsWith('kernel.ts')) {
  for (const { file, text } of compiledKernels) writeFileSync(file, text());
}
