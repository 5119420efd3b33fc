import { readFileSync } from 'node:fs';
import { readTypeface } from '../src/core/livery/index.ts';

const file = readFileSync(
  'node_modules/@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff',
);
/** The face in which artwork is lettered. */
export const typeface = readTypeface(file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength));
