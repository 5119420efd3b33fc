import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readTypeface, type Typeface } from '../../core/livery/index.ts';
import { projectRoot } from '../projectRoot.ts';

const fromPackage = (path: string): string => join(projectRoot(), 'node_modules', path);
const barlow = (subset: string, weight: 400 | 600) =>
  fromPackage(`@fontsource/barlow/files/barlow-${subset}-${weight}-normal.woff`);
const condensed = (subset: string, weight: 400 | 600) =>
  fromPackage(`@fontsource/barlow-condensed/files/barlow-condensed-${subset}-${weight}-normal.woff`);
const roboto = (weight: string) => fromPackage(`pdfmake/fonts/Roboto/Roboto-${weight}.ttf`);

/** Files of the typefaces that a book is set in. A typeface comes in pieces by alphabet; what neither piece has is set in the
 *  last, which has Greek and Cyrillic as well. */
export const FACES = {
  Text: { normal: barlow('latin', 400), bold: barlow('latin', 600) },
  TextWide: { normal: barlow('latin-ext', 400), bold: barlow('latin-ext', 600) },
  Head: { normal: condensed('latin', 400), bold: condensed('latin', 600) },
  HeadWide: { normal: condensed('latin-ext', 400), bold: condensed('latin-ext', 600) },
  Other: { normal: roboto('Regular'), bold: roboto('Medium') },
} as const;
export type FaceName = keyof typeof FACES;

const IN_ORDER: Readonly<Record<'text' | 'head', readonly FaceName[]>> = {
  text: ['Text', 'TextWide', 'Other'],
  head: ['Head', 'HeadWide', 'Other'],
};

const read = new Map<FaceName, Typeface>();
function typeface(name: FaceName): Typeface {
  const known = read.get(name);
  if (known) return known;
  const bytes = readFileSync(FACES[name].normal);
  const face = readTypeface(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
  read.set(name, face);
  return face;
}

export interface Run {
  text: string;
  font: FaceName;
}

/** Text in runs, each of a typeface that has its letters. Letters that none has are given to `missing` and set as a box. */
export function runsOf(text: string, as: 'text' | 'head', missing: Set<string>): Run[] {
  const faces = IN_ORDER[as];
  const runs: Run[] = [];
  for (const letter of text) {
    const last = runs.at(-1);
    const isBlank = /\s/.test(letter);
    const has = (name: FaceName) => typeface(name).charToGlyphIndex(letter) > 0;
    const font = isBlank ? (last?.font ?? faces[0]!) : faces.find(has);
    if (font === undefined) missing.add(letter);
    const [run, shown] = font === undefined ? [faces.at(-1)!, '□'] : [font, letter];
    if (last?.font === run) last.text += shown;
    else runs.push({ text: shown, font: run });
  }
  return runs;
}
