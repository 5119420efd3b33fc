// The script that the first view needs, gzipped, must stay under the limit: node scripts/checkSize.mjs
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { root } from './prepare.mjs';

const LIMIT_KB = 250;
const folder = join(root, 'dist/web');
const manifest = JSON.parse(readFileSync(join(folder, '.vite/manifest.json'), 'utf8'));
const first = new Set();
const follow = (key) => {
  if (first.has(key)) return;
  first.add(key);
  (manifest[key].imports ?? []).forEach(follow);
};
// The entry with all it imports, and the screen that opens first.
Object.keys(manifest)
  .filter((key) => manifest[key].isEntry || key.includes('HomeScreen'))
  .forEach(follow);
const bytes = [...first].reduce(
  (sum, key) => sum + gzipSync(readFileSync(join(folder, manifest[key].file))).length,
  0,
);
const kB = bytes / 1000;
console.log(`First view: ${kB.toFixed(0)} kB of script, gzipped (limit ${LIMIT_KB} kB).`);
if (kB > LIMIT_KB) process.exit(1);
